package cuvee.gather;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.master.MasterLine;
import cuvee.master.MasterReader;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import cuvee.refresh.JobSession;
import cuvee.rework.Correction;
import cuvee.tell.Outcome;
import cuvee.tell.SourceReport;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Sheets that hold one record each, labels beside their values, are one row each. */
class FormsTest extends BatchTest {
    private void report(int day, Object... signed) {
        batch.sheet(
                "Report 2026-01-0" + day + ".xlsx",
                row("Daily report of the Farsound"),
                row("Fill in the shaded cells only"),
                row(),
                row("Port", null, day % 2 == 0 ? "Hollin" : "Tarsk"),
                row("Sailing date:", null, LocalDate.of(2026, 1, day)),
                row("Trip", null, 100 + day),
                row(),
                row("Figures"),
                row("Passengers", null, day == 3 ? null : 20 + day),
                row("Fares taken", null, 10.5 * day),
                row("Remarks", null, day == 2 ? "fog until noon" : "calm"),
                row(),
                signed.length == 0 ? row("Signed", null, "A. Quill") : signed);
    }

    private void reports() {
        for (int day = 1; day <= 4; day++) {
            report(day);
        }
    }

    @Test
    void eachIsOneRow() {
        reports();
        Batch.Made made = batch.refresh();
        assertThat(made.columns())
                .containsExactly("Port", "Sailing date", "Trip", "Passengers", "Fares taken", "Remarks");
        assertThat(made.lines())
                .containsExactly(
                        "Tarsk|2026-01-01|101|21|10.5|calm",
                        "Hollin|2026-01-02|102|22|21|fog until noon",
                        "Tarsk|2026-01-03|103||31.5|calm",
                        "Hollin|2026-01-04|104|24|42|calm");
        assertThat(made.findings("form-read")).hasSize(1);
        assertThat(made.findings("form-read").get(0).what()).startsWith("4 sheets hold one record each");
        assertThat(made.outcome().questions()).isEmpty();
        SourceReport first = made.outcome().sources().get(0);
        assertThat(first.rows()).isEqualTo(1);
        assertThat(first.seen())
                .isEqualTo(1
                        + first.tables().get(0).table().setAside().values().stream()
                                .mapToInt(count -> count)
                                .sum());
    }

    @Test
    void everyValueShowsTheCellThatItCameFrom() {
        reports();
        Batch.Made made = batch.refresh();
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            try (MasterReader reader = session.reader(outcome)) {
                MasterLine second = reader.page(1, 1).get(0);
                assertThat(session.trail(outcome, second, 5).where().toString()).endsWith("cell C11");
                assertThat(session.trail(outcome, second, 5).raw()).isEqualTo("fog until noon");
                assertThat(session.trail(outcome, second, 3).header()).isEqualTo("Passengers");
                assertThat(session.trail(outcome, second, 0).where().toString()).endsWith("cell C4");
            }
        }
        assertThat(made.lines()).hasSize(4);
    }

    @Test
    void aTableUnderTheLabelsOfASheetIsNoPartOfAForm() {
        List<String> crew = List.of("Ann Hall", "Bo Moss", "Cy Reed");
        for (int i = 0; i < crew.size(); i++) {
            batch.sheet(
                    crew.get(i) + ".xlsx",
                    row("Holiday record", null, crew.get(i)),
                    row("Allowance", 25 + i),
                    row(),
                    row("From", "To", "Days"),
                    row(LocalDate.of(2026, 1, 3 + i), LocalDate.of(2026, 1, 5 + i), 3),
                    row(LocalDate.of(2026, 2, 3 + i), LocalDate.of(2026, 2, 6 + i), 4),
                    row(LocalDate.of(2026, 3, 3 + i), LocalDate.of(2026, 3, 4 + i), 2));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(9).anyMatch(line -> line.startsWith("2026-02-04|2026-02-07|4"));
    }

    @Test
    void theSameFormUnderAnotherNameCountsOnce() {
        reports();
        batch.sheet(
                "Copy of Report 2026-01-04 (2).xlsx",
                row("Daily report of the Farsound"),
                row("Sent once more"),
                row(),
                row("Port", null, "Hollin"),
                row("Sailing date:", null, LocalDate.of(2026, 1, 4)),
                row("Trip", null, 104),
                row(),
                row("Figures"),
                row("Passengers", null, 24),
                row("Fares taken", null, 42.0),
                row("Remarks", null, "calm"),
                row(),
                row("Signed", null, "A. Quill"));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(4);
        assertThat(made.outcome().questions()).isEmpty();
        assertThat(made.findings("copy"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.text())
                        .startsWith(
                                "Copy of Report 2026-01-04 (2).xlsx: It holds the same records as Report 2026-01-04"));
    }

    @Test
    void nextMonthsFormJoinsThemAndAllAtOnceIsTheSame() {
        reports();
        batch.refresh();
        report(5);
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(5).last().isEqualTo("Tarsk|2026-01-05|105|25|52.5|calm");
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
        assertThat(batch.refresh().outcome().changed().sentence()).contains("Nothing has changed");
    }

    @Test
    void oneThatIsFilledInAFewRowsLowerIsReadAsWell() {
        reports();
        batch.sheet(
                "Report 2026-01-06.xlsx",
                row("Daily report of the Farsound"),
                row(),
                row("Copy"),
                row("Fill in the shaded cells only"),
                row(),
                row("Port", null, "Marsay"),
                row("Sailing date:", null, LocalDate.of(2026, 1, 6)),
                row("Trip", null, 106),
                row("Figures"),
                row("Passengers", null, 26),
                row("Fares taken", null, 63),
                row("Remarks", null, "swell"));
        assertThat(batch.refresh().lines()).last().isEqualTo("Marsay|2026-01-06|106|26|63|swell");
    }

    @Test
    void formsInEachSendersOwnWordsAreTakenForOneByHowTheyAreBuilt() {
        List<List<String>> words = List.of(
                List.of("Port", "Sailing date", "Trip code", "Passengers", "Fares taken", "Full"),
                List.of("Harbour", "Run date", "Trip no", "Pax", "Takings", "Share filled"),
                List.of("Quay", "Day", "Trip", "Persons", "Fares", "Filled"));
        for (int i = 0; i < 9; i++) {
            int[] of = {i % 3, i / 3, (i + i / 3) % 3, (i + 1) % 3, (2 * i + i / 3) % 3, (i / 3 + 1) % 3};
            List<String> own = java.util.stream.IntStream.range(0, of.length)
                    .mapToObj(at -> words.get(of[at]).get(at))
                    .toList();
            batch.sheet(
                    "Return 2026-01-0" + (i + 1) + ".xlsx",
                    row("Farsound " + i),
                    row(),
                    row(own.get(0), List.of("Hollin", "Tarsk").get(i % 2)),
                    row(own.get(1), LocalDate.of(2026, 1, i + 1)),
                    row(own.get(2), "K" + (100 + i)),
                    row(),
                    row(i % 2 == 0 ? "Figures" : "Numbers"),
                    row(own.get(3), i == 5 ? null : 200 + 10 * i),
                    row(own.get(4), 10.55 * (i + 1)),
                    row(own.get(5), i == 7 ? null : 0.5 + i / 100.0),
                    row(),
                    row("Signed", "A. Quill"));
        }
        batch.sheet(
                "Lists.xlsx",
                row("Service", "Short", "Active"),
                row("Night boat", "NIG", "Y"),
                row("Day boat", "DAY", "Y"),
                row("Island hop", "ISL", "Y"),
                row("Cargo", "CAR", "N"));
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).hasSize(6);
        assertThat(made.lines()).hasSize(9).first().isEqualTo("Hollin|2026-01-01|K100|200|10.55|0.5");
    }

    @Test
    void aSenderWhoCallsThingsOtherwiseSendsAFormToo() {
        reports();
        batch.sheet(
                "Report 2026-01-07.xlsx",
                row("Daily report of the Farsound"),
                row("Fill in the shaded cells only"),
                row(),
                row("Harbour", null, "Marsay"),
                row("Sailing date", null, LocalDate.of(2026, 1, 7)),
                row("Trip no", null, 107),
                row(),
                row("Figures"),
                row("Pax", null, 27),
                row("Fares", null, 73.5),
                row("Remark", null, "swell"),
                row(),
                row("Signed", null, "A. Quill"));
        Batch.Made made = batch.refresh();
        assertThat(made.lines())
                .hasSize(5)
                .last()
                .asString()
                .contains("2026-01-07")
                .contains("swell");
        assertThat(made.outcome().sources().get(4).rows()).isEqualTo(1);
    }

    @Test
    void formsOfFiguresWithAPlaceAndADateAreFormsToo() {
        for (int day = 1; day <= 6; day++) {
            boolean north = day % 2 == 0;
            batch.sheet(
                    "Wash " + day + ".xlsx",
                    row("Farsound Linen"),
                    row("Fill in the shaded cells"),
                    row(north ? "Wash house" : "Plant", north ? "Hollin" : "Tarsk"),
                    row(north ? "Collected" : "Pick-up date", LocalDate.of(2026, 3, day)),
                    row(north ? "Ticket number" : "Docket", 130 + day),
                    row("Figures"),
                    row(north ? "Qty" : "Items", 500 + day),
                    row(north ? "Kg" : "Weight", 50.5 + day),
                    row(north ? "Charge" : "Price", 617.15 + day),
                    row(north ? "Returned dirty" : "Rewash", 0.003 * day));
        }
        assertThat(batch.refresh().lines()).hasSize(6);
    }

    @Test
    void aDateThatIsCalledRunDateIsAFieldAndSaysNothingOfTheSheet() {
        String[][] words = {
            {"Town", "Run date", "Job No", "Parcels", "Km", "Charged", "On time"},
            {"Base", "RUN DATE", "Run ID", "Drops", "Distance km", "Job price", "Punctual"},
            {"City", "Rundate", "Job number", "No. of parcels", "Length", "Revenue", "In time"},
        };
        for (int day = 0; day < words.length; day++) {
            String[] own = words[day];
            batch.sheet(
                    "report " + day + ".xlsx",
                    row("Spoke and Parcel"),
                    row(),
                    row(own[0], day == 0 ? "Hollin" : "Tarsk"),
                    row(own[1], LocalDate.of(2026, 2, 3 + day)),
                    row(own[2], 10029 + day),
                    row(),
                    row("Figures"),
                    row(own[3], 112 + day),
                    row(own[4], 4.5 + day),
                    row(own[5], 124.75 + day),
                    row(own[6], 0.75 + day / 16.0),
                    row("Signed", "A. Quill"));
        }
        assertThat(batch.refresh().lines()).hasSize(3).allMatch(line -> line.contains("2026-02-0"));
    }

    @Test
    void whatOneSenderCallsOtherwiseBetweenTheOthersIsAFieldOfItsOwnForm() {
        for (int day = 1; day <= 4; day++) {
            batch.sheet(
                    "Report 2026-01-0" + day + ".xlsx",
                    row("Daily report of the Farsound"),
                    row(),
                    row("Port", null, day % 2 == 0 ? "Hollin" : "Tarsk"),
                    row("Sailing date:", null, LocalDate.of(2026, 1, day)),
                    row(),
                    row("Figures"),
                    row(day % 2 == 0 ? "Passengers" : "People aboard", null, 20 + day),
                    row("Fares taken", null, 10.5 * day),
                    row(day % 2 == 0 ? "Crew" : "Hands", null, 3),
                    row("Remarks", null, day == 2 ? "fog until noon" : "calm"),
                    row("Signed", null, "A. Quill"));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.findings("beside")).isEmpty();
        assertThat(made.columns().stream().filter(List.of("Passengers", "People aboard")::contains))
                .as("as one column or as two, and never left out")
                .isNotEmpty();
        assertThat(String.join("\n", made.lines())).contains("|21", "|22", "|23", "|24");
    }

    @Test
    void theLastFieldThatOneSenderCallsOtherwiseIsOneToo() {
        for (int day = 1; day <= 4; day++) {
            batch.sheet(
                    "Report 2026-01-0" + day + ".xlsx",
                    row("Daily report of the Farsound"),
                    row(),
                    row("Port", null, day % 2 == 0 ? "Hollin" : "Tarsk"),
                    row("Sailing date:", null, LocalDate.of(2026, 1, day)),
                    row("Passengers", null, 20 + day),
                    row("Fares taken", null, 10.5 * day),
                    row(day % 2 == 0 ? "Share turned away" : "Left at the quay, share", null, day / 16.0),
                    row(),
                    row("Signed", null, "A. Quill"));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.findings("beside")).isEmpty();
        assertThat(made.lines()).hasSize(4);
        assertThat(String.join("\n", made.lines())).contains("0.0625", "0.125", "0.1875", "0.25");
    }

    @Test
    void theFirstFieldThatEachSenderCallsOtherwiseIsOneToo() {
        for (int day = 1; day <= 6; day++) {
            batch.sheet(
                    "Report 2026-01-0" + day + ".xlsx",
                    row("Daily report of the Farsound"),
                    row(),
                    row(List.of("Ship", "Vessel", "Boat").get(day % 3), null, day % 2 == 0 ? "Auk" : "Skua"),
                    row("Sailing date", null, LocalDate.of(2026, 1, day)),
                    row("Trip", null, "K" + (100 + day)),
                    row("Passengers", null, 20 + day),
                    row("Fares taken", null, 10.5 * day),
                    row(),
                    row("Signed", null, "A. Quill"));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.findings("beside")).isEmpty();
        assertThat(made.lines()).hasSize(6);
        assertThat(made.lines()).allMatch(line -> line.contains("Auk") || line.contains("Skua"));
        assertThat(made.columns().get(0)).as("a field, and no tag from a title").isIn("Ship", "Vessel", "Boat");
    }

    @Test
    void theFirstTwoFieldsThatOneSenderCallsOtherwiseAreFieldsToo() {
        for (int day = 1; day <= 12; day++) {
            batch.sheet(
                    "Report 2026-01-%02d.xlsx".formatted(day),
                    row("Daily report of the Farsound"),
                    row(),
                    row(day == 7 ? "Beat:" : "Ship", null, day % 2 == 0 ? "Auk" : "Skua"),
                    row(day % 4 == 3 ? "Day of the trip" : "Sailing date", null, LocalDate.of(2026, 1, day)),
                    row("Trip", null, "K" + (100 + day)),
                    row(),
                    row("Figures"),
                    row("Passengers", null, 20 + day),
                    row("Fares taken", null, 10.5 * day),
                    row(),
                    row("Signed", null, "A. Quill"));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(12);
        assertThat(made.lines()).allMatch(line -> line.contains("Auk") || line.contains("Skua"));
    }

    private static final List<List<String>> OWN_WORDS =
            List.of(List.of("Port", "Quay", "Harbour"), List.of("Fares taken", "Takings", "Revenue"));

    @Test
    void labelsAboveTheirValuesMayBeOnesThatOnlyTheirSenderUsesToo() {
        for (int day = 1; day <= 8; day++) {
            batch.sheet(
                    "Report 2026-01-0" + day + ".xlsx",
                    row("Daily report of the Farsound"),
                    row(),
                    row(OWN_WORDS.get(0).get(day % 3), "Sailing date", "Trip"),
                    row(
                            List.of("Hollin", "Tarsk", "Marsay", "Eastray").get(day % 4),
                            LocalDate.of(2026, 1, day),
                            "K" + day),
                    row(),
                    row("Passengers", "Weight t", OWN_WORDS.get(1).get(day % 3)),
                    row(20 * day + 3, 5.5 * day, 100.25 * day + 7),
                    row(),
                    row("Signed", "A. Quill"));
        }
        assertEachIsOneRecord();
    }

    @Test
    void labelsInTwoColumnsMayBeOnesThatOnlyTheirSenderUsesToo() {
        for (int day = 1; day <= 8; day++) {
            batch.sheet(
                    "Report 2026-01-0" + day + ".xlsx",
                    row("Daily report of the Farsound"),
                    row(),
                    row(
                            OWN_WORDS.get(0).get(day % 3),
                            List.of("Hollin", "Tarsk", "Marsay", "Eastray").get(day % 4),
                            null,
                            "Passengers",
                            20 * day + 3),
                    row("Sailing date", LocalDate.of(2026, 1, day), null, "Weight t", 5.5 * day),
                    row("Trip", "K" + day, null, OWN_WORDS.get(1).get(day % 3), 100.25 * day + 7),
                    row(),
                    row("Signed", "A. Quill"));
        }
        assertEachIsOneRecord();
    }

    private void assertEachIsOneRecord() {
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(8);
        assertThat(made.lines())
                .anyMatch(line -> line.contains("Tarsk") && line.contains("|23") && line.contains("107.25"));
        assertThat(made.columns())
                .contains("Sailing date", "Trip", "Passengers", "Weight t")
                .filteredOn(name -> OWN_WORDS.stream().anyMatch(words -> words.contains(name)))
                .as("the two that each calls otherwise, as one column each")
                .hasSize(2);
    }

    @Test
    void whatOnlyOneFormSaysIsLeftOutWithAWord() {
        reports();
        report(5, row("Signed", null, "A. Quill", null, "Berth", null, "North quay"));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(5);
        assertThat(made.findings("beside"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.text())
                        .startsWith("Report 2026-01-05.xlsx")
                        .contains("“Berth” and “North quay” stand in the form"));
    }

    @Test
    void whatOnlyOneFormSaysBelowTheOthersIsAColumn() {
        reports();
        report(5, row("Berth", null, "North quay"));
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).contains("Berth");
        assertThat(made.lines()).hasSize(5).anyMatch(line -> line.contains("North quay"));
    }

    @Test
    void theAnalystCanSayThatTheyAreNone() {
        reports();
        Batch.Made made = batch.refresh();
        String layout = made.outcome().proposal().layouts().get(0).signature();
        Batch.Made tables = batch.settle(Kinds.READING, layout, "no form").refresh();
        assertThat(tables.lines().size()).isGreaterThan(4);
        assertThat(tables.findings("form")).isNotEmpty();
    }

    @Test
    void aValueOfAFormIsCorrectedLikeAnyOther() {
        reports();
        batch.refresh();
        batch.job(new Correction("Report 2026-01-02.xlsx", "Sheet1", 9, 2, "22", "27", "miscounted", "", true)
                .put(batch.job()));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).contains("Hollin|2026-01-02|102|27|21|fog until noon");
        assertThat(made.findings("correction-lost")).isEmpty();
    }

    @Test
    void aListOfPortsWithTheirFaresIsNone() {
        for (int month = 1; month <= 4; month++) {
            batch.sheet(
                    "Fares 2026-0" + month + ".xlsx",
                    row("Port", "Fare"),
                    row("Hollin", 10.5 * month),
                    row("Tarsk", 11.5 * month),
                    row("Eastray", 12.5 * month),
                    row("Marsay", 13.5 * month));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(16);
        assertThat(made.findings("form-read")).isEmpty();
    }

    @Test
    void noMoreIsOneWithAWordForNothingAmongTheFares() {
        for (int month = 1; month <= 3; month++) {
            batch.csv(
                    "Fares 2026-0" + month + ".csv",
                    "Port,Fare",
                    "Hollin," + 10.5 * month,
                    "Tarsk," + (month == 2 ? "n/a" : 11.5 * month),
                    "Eastray," + 12.5 * month,
                    "Marsay," + 13.5 * month);
        }
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(12);
        assertThat(made.findings("form-read")).isEmpty();
    }

    @Test
    void smallTablesWithTheSamePortsAreNone() {
        for (int month = 1; month <= 4; month++) {
            batch.csv(
                    "r" + month + ".csv",
                    "Day,Port,Pax" + (month > 2 ? ",Weather" : ",Crew"),
                    "2026-0" + month + "-01,Hollin,5," + (month > 2 ? "fog" : "3"),
                    "2026-0" + month + "-02,Tarsk," + month + "," + (month > 2 ? "rain" : "4"));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(8);
        assertThat(made.findings("form-read")).isEmpty();
    }

    @Test
    void aTableUnderAFewLabelledCellsIsNone() {
        for (int month = 1; month <= 4; month++) {
            batch.sheet(
                    "Trips 2026-0" + month + ".xlsx",
                    row("Port:", List.of("Hollin", "Tarsk", "Marsay", "Osk").get(month - 1)),
                    row("Sent on:", LocalDate.of(2026, month, 28)),
                    row("Crew:", 4 + month),
                    row(),
                    row("Trip", "Vessel", "Pax"),
                    row(100 * month, "MV Dunlin", 5),
                    row(100 * month + 1, "MV Petrel", 6),
                    row(100 * month + 2, "MV Heron", 7),
                    row(100 * month + 3, "MV Plover", 8));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(16);
        assertThat(made.findings("form-read")).isEmpty();
    }

    @Test
    void aSheetThatNothingTellsFromATableIsReadAsAFormWhereTheAnalystSaysSo() {
        report(1);
        assertThat(batch.refresh().columns()).doesNotContain("Trip");
        Batch.Made made = batch.settle(Kinds.READING, "Report 2026-01-01.xlsx / Sheet1", "form")
                .refresh();
        assertThat(made.columns())
                .containsExactly("Port", "Sailing date", "Trip", "Passengers", "Fares taken", "Remarks", "Signed");
        assertThat(made.lines()).containsExactly("Tarsk|2026-01-01|101|21|10.5|calm|A. Quill");
        assertThat(made.findings("not-conserved")).isEmpty();
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
        assertThat(batch.settle(Kinds.READING, "Report 2026-01-01.xlsx / Sheet1", "no form")
                        .refresh()
                        .columns())
                .doesNotContain("Trip");
    }

    private void blocks(int day) {
        batch.sheet(
                "Log 2026-01-0" + day + ".xlsx",
                row("Log of the day"),
                row("Port", "Sailing date", "Master"),
                row(day % 2 == 0 ? "Hollin" : "Tarsk", LocalDate.of(2026, 1, day), "A. Quill " + day),
                row(),
                row("Passengers", "Fares taken"),
                row(20 + day, 10.5 * day));
    }

    @Test
    void labelsAboveTheirValuesAreAFormToo() {
        for (int day = 1; day <= 4; day++) {
            blocks(day);
        }
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Port", "Sailing date", "Master", "Passengers", "Fares taken");
        assertThat(made.lines())
                .containsExactly(
                        "Tarsk|2026-01-01|A. Quill 1|21|10.5",
                        "Hollin|2026-01-02|A. Quill 2|22|21",
                        "Tarsk|2026-01-03|A. Quill 3|23|31.5",
                        "Hollin|2026-01-04|A. Quill 4|24|42");
        assertThat(made.findings("not-conserved")).isEmpty();
    }

    @Test
    void oneOfThemAloneIsReadSoByHand() {
        blocks(1);
        Batch.Made made = batch.settle(Kinds.READING, "Log 2026-01-01.xlsx / Sheet1", "form")
                .refresh();
        assertThat(made.lines()).containsExactly("Tarsk|2026-01-01|A. Quill 1|21|10.5");
    }

    @Test
    void aHeaderOverASingleRecordIsATable() {
        for (int day = 1; day <= 4; day++) {
            batch.sheet(
                    "Day " + day + ".xlsx",
                    row("Port", "Sailing date", "Passengers"),
                    row(day % 2 == 0 ? "Hollin" : "Tarsk", LocalDate.of(2026, 1, day), 20 + day));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.findings("form-read")).isEmpty();
        assertThat(made.lines()).hasSize(4).contains("Hollin|2026-01-02|22");
    }

    @Test
    void formsBelowEachOtherOnASheetAreOneRowEach() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(row("Calls of the week"));
        for (int call = 1; call <= 4; call++) {
            rows.add(row());
            rows.add(row("Vessel", call % 2 == 0 ? "MV Dunlin" : "MV Petrel"));
            rows.add(row("Arrived", LocalDate.of(2026, 1, call)));
            rows.add(row("Passengers", 40 + call));
            rows.add(row("Dues paid", 12.5 * call));
        }
        batch.sheet("Week 1.xlsx", rows.toArray(Object[][]::new));
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Vessel", "Arrived", "Passengers", "Dues paid");
        assertThat(made.lines())
                .containsExactly(
                        "MV Petrel|2026-01-01|41|12.5",
                        "MV Dunlin|2026-01-02|42|25",
                        "MV Petrel|2026-01-03|43|37.5",
                        "MV Dunlin|2026-01-04|44|50");
        assertThat(made.findings("not-conserved")).isEmpty();
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
    }

    @Test
    void aTableWhoseNamesComeAgainAndAgainIsATable() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(row("Port", "Passengers"));
        for (int month = 1; month <= 4; month++) {
            for (String port : List.of("Hollin", "Tarsk", "Fenn")) {
                rows.add(row(port, 10 * month + port.length()));
            }
        }
        batch.sheet("Year.xlsx", rows.toArray(Object[][]::new));
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Port", "Passengers");
        assertThat(made.lines()).hasSize(12);
    }

    @Test
    void aFormThatIsSaidOfALayoutStaysOneFromRefreshToRefresh() {
        blocks(1);
        String layout = batch.refresh().outcome().sheets().get(0).signatures().get(0);
        batch.settle(Kinds.READING, layout, "form");
        for (int refresh = 1; refresh <= 3; refresh++) {
            assertThat(batch.refresh().lines())
                    .as("refresh %d", refresh)
                    .containsExactly("21|10.5|Tarsk|2026-01-01|A. Quill 1");
        }
        assertThat(batch.settle(Kinds.READING, layout, "no form").refresh().lines())
                .doesNotContain("21|10.5|Tarsk|2026-01-01|A. Quill 1");
    }
}
