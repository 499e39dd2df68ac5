package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.change.Board;
import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.decision.SourceChoice;
import cuvee.finding.Question;
import cuvee.gather.ReadSheet;
import cuvee.gather.Reread;
import cuvee.propose.NewColumns;
import cuvee.propose.Proposal;
import cuvee.propose.Signs;
import cuvee.tell.LayoutFacts;
import cuvee.testing.Workbooks;
import cuvee.value.Type;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What cannot be settled about a column is asked, with the best answer in force. */
class ColumnQuestionsTest extends BatchTest {
    @Test
    void aColumnOfDatesAmongWhichWordsStandIsAskedAbout() {
        batch.csv(
                "a.csv",
                "From,Days",
                "2026-01-03,1",
                "2026-02-03,2",
                "2026-03-03,3",
                "2026-04-03,4",
                "Taken,10",
                "Left,15");
        Batch.Made made = batch.refresh();
        assertThat(made.question(Kinds.TYPE).text()).contains("2 of 6 values would not fit Date");
        assertThat(made.lines()).hasSize(6).contains("Taken|10");
    }

    @Test
    void theMonthInTheNameOfAFileSaysWhatComesFirstInItsDates() {
        batch.csv("ledger 2026-01.csv", "Date,Ref,Amount", "01/02/2026,A1,5", "01/03/2026,A2,6", "01/04/2026,A3,7");
        batch.csv("ledger 2026-02.csv", "Date,Ref,Amount", "02/02/2026,B1,5", "02/07/2026,B2,6", "02/09/2026,B3,7");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).anyMatch(line -> line.startsWith("2026-01-03|A2|6"));
        assertThat(made.lines()).anyMatch(line -> line.startsWith("2026-02-07|B2|6"));
        assertThat(made.outcome().questions()).isEmpty();
        assertThat(made.findings("date-order-by-month").get(0).text()).contains("in 2 tables");
    }

    private static Proposal.ColumnReport column(Batch.Made made, String name) {
        return made.outcome().proposal().columns().stream()
                .filter(column -> column.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void amountsOfSeveralCurrenciesAreKeptApartAndAskedAbout() {
        batch.csv("a.csv", "Date,Fare", "2026-01-01,EUR 5.50", "2026-01-02,EUR 6.00");
        batch.csv("b.csv", "Date,Fare", "2026-02-01,GBP 7.00", "2026-02-02,8.25");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Date", "Fare", "Fare currency");
        assertThat(made.lines())
                .containsExactly("2026-01-01|5.5|EUR", "2026-01-02|6|EUR", "2026-02-01|7|GBP", "2026-02-02|8.25|");
        assertThat(column(made, "Fare").typeWords()).isEqualTo("Money");
        assertThat(made.question(Kinds.CURRENCY).text()).contains("EUR and GBP");
        batch.settle(made.question(Kinds.CURRENCY), "text");
        Batch.Made text = batch.refresh();
        assertThat(text.columns()).containsExactly("Date", "Fare");
        assertThat(text.lines()).contains("2026-02-01|GBP 7.00");
        assertThat(text.outcome().questions()).isEmpty();
    }

    @Test
    void oneCurrencyIsSaidWithTheTypeWhetherCellsOrHeadersNameIt() {
        batch.csv("a.csv", "Date,Fare (EUR),Crew", "2026-01-01,5.50,3", "2026-01-02,6.00,4");
        Batch.Made made = batch.refresh();
        assertThat(column(made, "Fare (EUR)").typeWords()).isEqualTo("Money EUR");
        assertThat(column(made, "Crew").type()).isEqualTo(Type.WHOLE_NUMBER);
        assertThat(made.lines()).contains("2026-01-01|5.5|3");
        assertThat(made.outcome().questions()).isEmpty();
    }

    @Test
    void theDecimalSignOfAFileIsShownAndCanBeSaidForAllItsColumns() {
        batch.csv("a.csv", "Port;Fare;Dues", "Hollin;1.204;2.305", "Tarsk;3.500;4.100");
        batch.csv("b.csv", "Port;Fare;Dues", "Hollin;1,5;2,25", "Tarsk;3,5;4,5");
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().sheets()).extracting(ReadSheet::decimalSign).containsExactly("", "comma");
        assertThat(made.lines()).contains("Hollin|1204|2305", "Hollin|1.5|2.25");
        batch.job(Board.decimalSign(made.outcome().job(), "a.csv", "point"));
        Batch.Made said = batch.refresh();
        assertThat(said.lines()).contains("Hollin|1.204|2.305", "Hollin|1.5|2.25");
        assertThat(Board.decimalSign(said.outcome().job(), "a.csv")).contains("point");
        batch.job(Board.decimalSign(made.outcome().job(), SourceChoice.ALL_FILES, "point"));
        Batch.Made all = batch.refresh();
        assertThat(all.lines()).contains("Hollin|1.204|2.305");
        batch.job(Board.decimalSign(all.outcome().job(), SourceChoice.ALL_FILES, ""));
        assertThat(batch.refresh().lines()).contains("Hollin|1204|2305");
    }

    @Test
    void aColumnThatOneFileLeavesBlankWhileAllOthersFillItIsAskedAbout() {
        for (String port : List.of("Brannock", "Hollin", "Tarskby")) {
            batch.csv(
                    port + ".csv",
                    "Date,Pax,Fare,Remark",
                    "2026-01-01," + port.length() + ",9,",
                    "2026-01-02,6,8,x",
                    "2026-01-03,7,7,");
        }
        batch.csv("Tarsk.csv", "Date,Pax,Fare,Remark", "2026-01-01,5,,", "2026-01-02,6,,", "2026-01-03,7,,");
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().questions()).hasSize(1);
        assertThat(made.question(Kinds.BLANK_SOURCE).text())
                .isEqualTo("The column “Fare” is blank in all 3 rows of Tarsk.csv, while the other files fill it."
                        + " Is that so?");
        batch.settle(made.question(Kinds.BLANK_SOURCE), "waiting");
        assertThat(batch.refresh().outcome().questions()).hasSize(1);
        batch.settle(made.question(Kinds.BLANK_SOURCE), "so");
        assertThat(batch.refresh().outcome().questions()).isEmpty();
    }

    @Test
    void howALayoutOrAFileWritesDatesCanBeSaid() {
        batch.csv("a.csv", "Date,Pax", "03/04/2026,5", "05/06/2026,6");
        batch.csv("b.csv", "Date,Pax", "01/02/2026,5", "02/03/2026,6");
        assertThat(batch.refresh().lines()).contains("2026-04-03|5", "2026-02-01|5");
        batch.job(Board.convention(batch.job(), Kinds.DATE_ORDER, "Date", "b.csv", "month"));
        assertThat(batch.refresh().lines()).contains("2026-04-03|5", "2026-01-02|5");
        String layout = batch.refresh().outcome().proposal().layouts().get(0).signature();
        batch.job(Board.convention(batch.job(), Kinds.DATE_ORDER, "Date", layout, "month"));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).contains("2026-03-04|5", "2026-01-02|5");
        assertThat(LayoutFacts.of(made.outcome(), 0))
                .singleElement()
                .satisfies(facts -> assertThat(facts.said()).isEqualTo("month"));
        batch.job(Board.convention(batch.job(), Kinds.DATE_ORDER, "Date", layout, ""));
        assertThat(batch.refresh().lines()).contains("2026-04-03|5", "2026-01-02|5");
    }

    @Test
    void tablesWithoutAHeaderGoByPositionAndWhatDiffersIsSaid() {
        for (int month = 1; month <= 3; month++) {
            String m = "2026-0" + month;
            batch.csv("r" + month + ".csv", m + "-01,Hollin,5,7.5", m + "-02,Tarsk,6,8.5", m + "-03,Tarsk,7,8.25");
        }
        batch.csv("turned.csv", "Hollin,2026-05-01,5,3.5", "Tarsk,2026-05-02,6,3.5", "Tarsk,2026-05-03,6,4.5");
        batch.csv("short.csv", "2026-04-01,Hollin,5", "2026-04-02,Tarsk,6", "2026-04-03,Hollin,9");
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(15);
        assertThat(made.findings("by-position"))
                .extracting(finding -> finding.where() + " " + finding.what())
                .hasSize(2)
                .anyMatch(said -> said.startsWith("short.csv") && said.contains("it has 3 columns where most have 4"))
                .anyMatch(said ->
                        said.startsWith("turned.csv") && said.contains("“Column A” holds words where most hold dates"));
    }

    @Test
    void theSameNumbersOnOtherDaysAreOtherRecords() {
        for (int month = 1; month <= 3; month++) {
            String m = "2026-0" + month;
            batch.csv("r" + month + ".csv", "Day,Port,Pax", m + "-01,Hollin,5", m + "-02,Tarsk,6", m + "-03,Tarsk,7");
        }
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(9);
        assertThat(made.outcome().questions()).isEmpty();
    }

    @Test
    void columnsThatAppearLaterAreTakenInHeldOrLeftOut() {
        batch.csv("a.csv", "Day,Port,Pax", "2026-01-01,Hollin,5", "2026-01-02,Tarsk,6");
        batch.refresh();
        batch.csv("b.csv", "Day,Port,Pax,Crew", "2026-02-01,Hollin,5,3", "2026-02-02,Tarsk,6,4");
        Batch.Made taken = batch.refresh();
        assertThat(taken.columns()).containsExactly("Day", "Port", "Pax", "Crew");
        assertThat(taken.findings("new-column"))
                .singleElement()
                .satisfies(it -> assertThat(it.what()).isEqualTo("The column “Crew” is new: 1 table has it."));
        assertThat(batch.refresh().findings("new-column")).isEmpty();

        batch.job(Board.newColumns(batch.job(), NewColumns.Policy.ASK));
        batch.csv("c.csv", "Day,Port,Pax,Weather", "2026-03-01,Hollin,5,fog", "2026-03-02,Tarsk,6,rain");
        Batch.Made held = batch.refresh();
        assertThat(held.columns()).containsExactly("Day", "Port", "Pax", "Crew");
        assertThat(held.outcome().proposal().leftOut()).containsEntry("Weather", 2L);
        assertThat(batch.refresh().question(Kinds.COLUMN).text())
                .isEqualTo("The column “Weather” is new, in 1 table. Should it be in the master?");
        batch.settle(held.question(Kinds.COLUMN), ColumnChoice.TAKEN_IN);
        assertThat(batch.refresh().columns()).containsExactly("Day", "Port", "Pax", "Crew", "Weather");

        batch.job(Board.newColumns(batch.job(), NewColumns.Policy.LEAVE_OUT));
        batch.csv("d.csv", "Tide,Day,Port,Pax", "low,2026-04-01,Hollin,5", "high,2026-04-02,Tarsk,6");
        Batch.Made left = batch.refresh();
        assertThat(left.columns()).doesNotContain("Tide");
        assertThat(left.outcome().questions())
                .noneMatch(question -> question.kind().equals(Kinds.COLUMN));
        assertThat(left.findings("column-left-out")).hasSize(1);
        batch.job(Board.leaveOut(batch.job(), "Tide", false));
        assertThat(batch.refresh().columns()).contains("Tide");
    }

    @Test
    void aColumnThatNoSourceHasYetIsKept() {
        batch.csv("a.csv", "Day,Port,Pax", "2026-01-01,Hollin,5", "2026-01-02,Tarsk,6");
        batch.refresh();
        batch.job(Board.add(batch.job(), "Crew"));
        assertThat(batch.refresh().columns()).containsExactly("Day", "Port", "Pax", "Crew");
        batch.csv("b.csv", "Day,Port,Pax,Crew", "2026-02-01,Hollin,5,3", "2026-02-02,Tarsk,6,4");
        assertThat(batch.refresh().lines()).contains("2026-02-01|Hollin|5|3");
    }

    @Test
    void aCurrencyThatAppearsLaterIsAskedAboutToo() {
        batch.csv("a.csv", "Date,Fare", "2026-01-01,5.50", "2026-01-02,6.00");
        assertThat(column(batch.refresh(), "Fare").type()).isEqualTo(Type.DECIMAL);
        batch.csv("b.csv", "Date,Fare", "2026-02-01,EUR 7.00", "2026-02-02,GBP 8.25");
        Batch.Made made = batch.refresh();
        assertThat(made.question(Kinds.CURRENCY).assumed()).isEqualTo("apart");
        assertThat(made.lines()).contains("2026-02-01|7|EUR", "2026-02-02|8.25|GBP", "2026-01-01|5.5|");
        batch.settle(Kinds.CURRENCY, "Fare", "text");
        assertThat(batch.refresh().lines()).contains("2026-02-02|GBP 8.25");
        batch.settle(Kinds.CURRENCY, "Fare", "apart");
        Batch.Made again = batch.refresh();
        assertThat(again.lines()).as("the answer can be taken back").contains("2026-02-02|8.25|GBP");
        assertThat(again.outcome().proposal().hasCells(1)).isTrue();
        assertThat(again.outcome().proposal().hasCells(2)).isFalse();
    }

    private static Object marked(int style, String number) {
        return new Workbooks.Raw("<c s=\"" + style + "\"><v>" + number + "</v></c>");
    }

    @Test
    void theCurrencyThatAWorkbookShowsNumbersWithMakesThemMoney() {
        batch.sheet(
                "a.xlsx",
                new Object[] {"Date", "Fare", "Pax"},
                new Object[] {"2026-01-01", marked(6, "5.5"), 7},
                new Object[] {"2026-01-02", marked(6, "6"), 8});
        Batch.Made made = batch.refresh();
        assertThat(column(made, "Fare").typeWords()).isEqualTo("Money EUR");
        assertThat(column(made, "Pax").type()).isEqualTo(Type.WHOLE_NUMBER);
        assertThat(made.outcome().questions()).isEmpty();
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
    }

    @Test
    void amountsShownWithSeveralCurrenciesAreNeverAddedUpUnasked() {
        batch.sheet(
                        "a.xlsx",
                        new Object[] {"Date", "Fare"},
                        new Object[] {"2026-01-01", marked(6, "5.5")},
                        new Object[] {"2026-01-02", marked(6, "6")})
                .sheet(
                        "b.xlsx",
                        new Object[] {"Date", "Fare"},
                        new Object[] {"2026-02-01", marked(7, "7")},
                        new Object[] {"2026-02-02", marked(7, "8")});
        Batch.Made made = batch.refresh();
        assertThat(made.question(Kinds.CURRENCY).text()).contains("EUR and GBP");
        assertThat(made.lines()).contains("2026-01-01|5.5|EUR", "2026-02-01|7|GBP");
    }

    @Test
    void signsThatAreOneWayHereAndTheOtherThereAreAskedAbout() {
        batch.csv("a.csv", "Day,Refund", "2026-01-01,-5", "2026-01-02,-6.50", "2026-01-03,-7")
                .csv("b.csv", "Day,Refund", "2026-02-01,5", "2026-02-02,6", "2026-02-03,7")
                .csv("c.csv", "Day,Refund", "2026-03-01,1", "2026-03-02,2", "2026-03-03,3");
        Batch.Made made = batch.refresh();
        assertThat(made.question(Kinds.SIGN).text())
                .startsWith("All numbers of “Refund” are below 0 in 1 file (a.csv), and none is in the other 2 files.");
        assertThat(made.lines()).contains("2026-01-02|-6.5");
        batch.settle(made.question(Kinds.SIGN), Signs.TURN_BELOW);
        Batch.Made turned = batch.refresh();
        assertThat(turned.outcome().questions()).isEmpty();
        assertThat(turned.lines()).contains("2026-01-02|6.5", "2026-02-01|5");
        batch.csv("d.csv", "Day,Refund", "2026-04-01,-1", "2026-04-02,-2", "2026-04-03,-3");
        assertThat(batch.refresh().lines()).contains("2026-04-03|3");
        batch.settle(Kinds.SIGN, "Refund", Signs.AS_THEY_ARE);
        Batch.Made back = batch.refresh();
        assertThat(back.lines()).contains("2026-01-02|-6.5", "2026-04-03|-3");
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(back.lines());
    }

    @Test
    void columnsWithBothSignsInOneFileAreLeftAlone() {
        batch.csv("a.csv", "Day,Profit", "2026-01-01,-5", "2026-01-02,-6", "2026-01-03,-7")
                .csv("b.csv", "Day,Profit", "2026-02-01,5", "2026-02-02,-6", "2026-02-03,7");
        assertThat(batch.refresh().outcome().questions()).isEmpty();
    }

    @Test
    void anAnswerAboutSignsThatIsNoneIsSaid() {
        batch.csv("a.csv", "Day,Refund", "2026-01-01,-5", "2026-01-02,-6", "2026-01-03,-7");
        batch.settle(Kinds.SIGN, "Refund", "whatever");
        assertThat(batch.refresh().findings("not-followed")).hasSize(1);
    }

    @Test
    void aMarkThatOnlyPartsThousandsIsNotTheDecimalOneEvenWhereOtherSendersUseIt() {
        batch.csv("a.csv", "Port,Pax,Fare", "Hollin,12,4.5", "Tarsk,7,3.25", "Oska,1450,2.5");
        batch.csv(
                "b.csv",
                "Port;Pax;Year",
                "Hollin;795;2.204",
                "Tarsk;2.294;9.120",
                "Oska;54;5.400",
                "Ryde;1.224;3.310",
                "Quay;3.018;7.905");
        Batch.Made made = batch.refresh();
        assertThat(made.columns().subList(0, 2)).containsExactly("Port", "Pax");
        assertThat(made.lines())
                .anyMatch(line -> line.startsWith("Tarsk|2294|"))
                .anyMatch(line -> line.startsWith("Quay|3018|"))
                .anyMatch(line -> line.startsWith("Hollin|795|") && line.contains("2204"));
        assertThat(made.outcome().questions())
                .noneMatch(question -> question.kind().equals(Kinds.DECIMAL_MARK));
    }

    @Test
    void totalsAreToldWhereAPointPartsThousands() {
        batch.csv(
                "a.csv",
                "Port;Gear;Landed;Sold;Whole catch",
                "Hollin;Nets;1.204;310;1.514",
                "Hollin;Pots;87;12;99",
                "Tarsk;Nets;2.010;1.455;3.465",
                "Tarsk;Pots;640;75;715",
                "Orm;Nets;905;3.001;3.906",
                "Orm;Pots;31;44;75",
                "Skerry;Nets;1.118;260;1.378",
                "Skerry;Lines;402;89;491",
                "Quay;Nets;1.000;20;1.020",
                "Quay;Lines;3;980;983",
                "Ryde;Nets;2.500;500;3.000",
                "Ryde;Lines;100;254;354",
                "Together;;10.000;7.000;17.000");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).contains("Hollin|Nets|1204|310|1514");
        assertThat(made.lines()).hasSize(12).noneMatch(line -> line.startsWith("Together"));
        batch.csv("b.csv", "Port;Gear;Landed;Sold;Whole catch", "Hollin;Nets;5;6;11");
        assertThat(batch.refresh().lines()).as("with what is kept of the first").hasSize(13);
    }

    @Test
    void aColumnThatAddsUpMonthsIsToldWhereAPointPartsThousands() {
        batch.csv(
                "a.csv",
                "Port;Gear;Jan 2026;Feb 2026;Mar 2026;Full year",
                "Hollin;Nets;1.204;310;87;1.601",
                "Hollin;Pots;87;12;99;198",
                "Tarsk;Nets;2.010;1.455;640;4.105",
                "Tarsk;Pots;640;75;1.118;1.833",
                "Skerry;Pots;64;1.075;118;1.257",
                "Skerry;Nets;4;75;118;197",
                "Orm;Nets;3.004;5;18;3.027");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Port", "Gear", "Month", "Amount");
        assertThat(made.lines()).hasSize(21).contains("Hollin|Nets|2026-01-01|1204");
    }

    @Test
    void aColumnOfTotalsTellsThatItsPointsPartThousands() {
        batch.csv(
                "a.csv",
                "Port;Gear;Jan;Feb;Mar;Full year",
                "Hollin;Nets;504;310;987;1.801",
                "Hollin;Pots;487;612;999;2.098",
                "Tarsk;Nets;710;455;640;1.805",
                "Total;;1701;1377;2626;5.704");
        batch.csv("b.csv", "Port;Gear;Jan;Feb;Mar", "Hollin;Nets;4;31;9", "Tarsk;Pots;8;3;12");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).doesNotContain("Full year");
        assertThat(made.lines()).hasSize(15);
        assertThat(made.outcome().questions()).isEmpty();
    }

    @Test
    void plainNumbersInThePlaceOfMoneyAreNotTakenForItWhereAnotherColumnHoldsMoney() {
        batch.csv(
                "a.csv",
                "Seen,Animal,Doses,Billed,Owner",
                "2026-01-05,Fox,1,€ 12.50,Lund",
                "2026-01-06,Hare,2,€ 310.25,Maat",
                "2026-01-07,Owl,1,€ 40.75,Ruiz",
                "2026-01-08,Fox,3,€ 22.10,Okoro");
        batch.csv(
                "b.csv",
                "Seen,Animal,Doses,Girth,Owner,Fee",
                "2026-02-05,Fox,1,240.5,Lund,€ 88.10",
                "2026-02-06,Hare,2,31.7,Maat,€ 9.35",
                "2026-02-07,Owl,1,18.2,Ruiz,€ 120.40",
                "2026-02-08,Fox,3,244.9,Okoro,€ 55.00");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).contains("Girth");
        int billed = made.columns().indexOf("Billed");
        assertThat(made.lines().stream().map(line -> line.split("\\|", -1)[billed]))
                .contains("310.25")
                .doesNotContain("240.5", "31.7");
    }

    @Test
    void aMarkThatPartsThousandsIsNoDecimalOneThoughTheOtherNumbersOfItsTableHaveItSo() {
        batch.csv("a.csv", "Port;Weight;Rebate", "Hollin;785;2.5", "Tarsk;1480;5", "Oska;2060;7.5", "Ryde;310;1.5");
        batch.csv("b.csv", "Port;Weight;Rebate", "Hollin;912;2,5", "Tarsk;1,480;5", "Oska;2,060;7,5", "Ryde;44;1,5");
        batch.csv("c.csv", "Port;Weight;Rebate", "Hollin;1.120;2,5", "Tarsk;480;5,5", "Oska;60;7,5", "Ryde;3;1,5");
        Batch.Made made = batch.refresh();
        assertThat(made.column("Weight"))
                .containsExactly("785", "1480", "2060", "310", "912", "1480", "2060", "44", "1120", "480", "60", "3");
        assertThat(made.column("Rebate")).contains("2.5", "5.5");
    }

    @Test
    void thousandsBesideALongerPlainNumberAreStillAsked() {
        batch.csv("b.csv", "Port;Depth", "Hollin;795", "Tarsk;2.294", "Oska;5400", "Ryde;1.224", "Quay;3.018");
        assertThat(batch.refresh().question(Kinds.DECIMAL_MARK).assumed()).isEqualTo("point");
    }

    @Test
    void wordsForNothingAmongCodesAreSaid() {
        batch.csv("b.csv", "Account,Port", "00123,Hollin", "n/a,Tarsk", "04711,-", "—,Ryde", "00042,Quay");
        Batch.Made made = batch.refresh();
        assertThat(made.findings("words-for-nothing"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.what())
                        .isEqualTo("In the column “Account”, 2 cells say “n/a” and “—” where all others hold codes."));
        assertThat(made.lines()).contains("n/a|Tarsk");
    }

    @Test
    void onlyValuesThatDoNotFitAreNamedAsSuch() {
        batch.csv("b.csv", "Port,Paid", "Hollin,Yes", "Tarsk,No", "Oska,—", "Ryde,Yes", "Quay,No", "Fenn,No");
        assertThat(batch.refresh().findings("misfit").get(0).what())
                .isEqualTo("1 value of the column “Paid” does not fit Yes/No, such as “—”.");
    }

    @Test
    void aColumnThatIsTextOnlyBecauseOneFileHoldsWordsIsAskedAbout() {
        batch.csv("a.csv", "Port,Left,Fare", "Hollin,2026-01-03,10", "Tarsk,2026-01-04,20", "Fenn,2026-01-05,25");
        batch.csv("b.csv", "Port,Left,Fare", "Hollin,morning,12", "Tarsk,noon,22");
        Batch.Made made = batch.refresh();
        assertThat(column(made, "Left").type()).as("nothing is lost meanwhile").isEqualTo(Type.TEXT);
        assertThat(made.question("type").text())
                .contains("“Left”")
                .contains("3 values of a.csv fit Date, none of 2 of b.csv does, such as “morning”");
        assertThat(made.question("type").answers())
                .extracting(Question.Answer::id)
                .startsWith("Text", "Date");
        Batch.Made dates = batch.settle(made.question("type"), "Date").refresh();
        assertThat(dates.lines()).contains("Hollin|2026-01-03|10", "Hollin||12");
        assertThat(dates.findings("misfit"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.what()).contains("morning"));
    }

    @Test
    void codesOfDigitsBesideCodesOfLettersAndDigitsAreCodesWithoutAQuestion() {
        batch.csv("a.csv", "Port,Ticket,Fare", "Hollin,1201,10", "Tarsk,1202,20");
        batch.csv("b.csv", "Port,Ticket,Fare", "Hollin,T-1203,12", "Tarsk,T-1204,22");
        Batch.Made made = batch.refresh();
        assertThat(column(made, "Ticket").type()).isEqualTo(Type.TEXT);
        assertThat(made.outcome().questions()).isEmpty();
    }

    @Test
    void anErrorAmongWordsIsSaidAsSuchWithoutTheWordsThatFit() {
        batch.sheet(
                "log.xlsx",
                row("Ref", "Remark"),
                row("A1", "Waiting for a part"),
                row("A2", new Workbooks.Raw("<c t=\"e\"><v>#N/A</v></c>")),
                row("A3", "Done"),
                row("A4", "Sent back"));
        assertThat(batch.refresh().findings("misfit"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.text())
                        .contains(
                                "In the column “Remark”, 1 cell holds an error, or a formula without a stored result.")
                        .doesNotContain("Waiting", "Text"));
    }
}
