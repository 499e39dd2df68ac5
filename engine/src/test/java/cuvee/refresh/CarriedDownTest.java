package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.change.Board;
import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.master.MasterReader;
import cuvee.tell.Outcome;
import cuvee.tell.Trail;
import cuvee.testing.Workbooks;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What heads several rows belongs to each of them. */
class CarriedDownTest extends BatchTest {
    @Test
    void sectionLinesBecomeAColumn() {
        batch.csv(
                "a.csv",
                "Date,Vessel,Pax",
                "North:,,",
                "2026-01-01,MV Dunlin,5",
                "2026-01-02,MV Petrel,6",
                "South:,,",
                "2026-01-03,MV Dunlin,7",
                "2026-01-04,MV Petrel,8");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Section", "Date", "Vessel", "Pax");
        assertThat(made.lines())
                .containsExactly(
                        "North|2026-01-01|MV Dunlin|5",
                        "North|2026-01-02|MV Petrel|6",
                        "South|2026-01-03|MV Dunlin|7",
                        "South|2026-01-04|MV Petrel|8");
    }

    @Test
    void whatStandsInTheFirstLineOfEachOrderIsCarriedDownDatesToo() {
        batch.csv(
                "orders.csv",
                "Order,Customer,Ordered,SKU,Qty,Price,Order total",
                "SO101,Arden,2026-01-28,K1,7,2.5,357.68",
                ",,,K2,5,2.5,",
                "SO102,Delta,2026-01-19,K3,9,2.5,315.09",
                "SO103,Forth,2026-01-02,K4,1,2.5,20",
                "SO104,Halden,2026-01-11,K1,3,2.5,60",
                ",,,K3,1,2.5,",
                ",,,K5,1,2.5,",
                "SO106,Forth,2026-01-03,K7,1,2.5,10",
                ",,,K3,1,2.5,",
                ",,,K6,1,2.5,",
                "SO107,Delta,2026-01-04,K7,1,2.5,11",
                ",,,K3,1,2.5,",
                ",,,K6,2,2.5,",
                "SO108,Arden,2026-01-19,K7,1,2.5,12",
                "SO105,Arden,2026-01-11,K7,3,2.5,90.5",
                ",,,K8,4,2.5,",
                ",,,K9,2,2.5,");
        assertThat(batch.refresh().lines())
                .contains("SO101|Arden|2026-01-28|K2|5|2.5|", "SO105|Arden|2026-01-11|K9|2|2.5|")
                .allMatch(line -> !line.startsWith("|") && !line.contains("||"));
    }

    @Test
    void wordsAreCarriedDownThoughSomeAmountsAreMissing() {
        batch.csv(
                "a.csv",
                "Shop,Product,May,June,July",
                "Lume,Rolls,5,,7",
                ",Rye,6,2,4",
                ",Cakes,8,3,",
                "Kiosk,Rolls,4,5,6",
                ",Rye,,7,3",
                ",Cakes,9,8,2");
        assertThat(batch.refresh().lines())
                .contains("Lume|Cakes|May|8", "Kiosk|Cakes|July|2")
                .allMatch(line -> !line.startsWith("|"));
    }

    @Test
    void aLabelledLineNamesItsColumnAndTheTrailLeadsToTheLine() {
        batch.csv(
                "a.csv",
                "Date,Vessel,Pax",
                "Region: North,,",
                "2026-01-01,MV Dunlin,5",
                "2026-01-02,MV Petrel,6",
                "Region: South,,",
                "2026-01-03,MV Dunlin,7",
                "2026-01-04,MV Petrel,8");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Region", "Date", "Vessel", "Pax");
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            try (MasterReader reader = session.reader(outcome)) {
                Trail trail = session.trail(outcome, reader.page(3, 1).get(0), 0);
                assertThat(trail.where().toString()).contains("line 5");
                assertThat(trail.raw()).isEqualTo("South");
            }
        }
    }

    @Test
    void linesRightAboveLinesAreTheOuterOnes() {
        batch.csv(
                "a.csv",
                "Date,Vessel,Pax",
                "Winter:,,",
                "North:,,",
                "2026-01-01,MV Dunlin,5",
                "2026-01-02,MV Petrel,6",
                "South:,,",
                "2026-01-03,MV Dunlin,7",
                "2026-01-05,MV Dunlin,7",
                "Summer:,,",
                "North:,,",
                "2026-07-04,MV Petrel,8",
                "2026-07-05,MV Petrel,9");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).startsWith("Section", "Subsection");
        assertThat(made.lines())
                .extracting(line -> line.substring(0, line.indexOf("|2026")))
                .containsExactly(
                        "Winter|North", "Winter|North", "Winter|South", "Winter|South", "Summer|North", "Summer|North");
    }

    @Test
    void theyAreLeftOutWhereTheAnalystSaysSo() {
        batch.csv(
                "a.csv", "Date,Vessel,Pax", "North:,,", "2026-01-01,MV Dunlin,5", "South:,,", "2026-01-03,MV Dunlin,7");
        batch.refresh();
        String subject = batch.job().assumed().stream()
                .filter(decision -> decision.kind().equals(Kinds.SECTION_LINE))
                .findFirst()
                .orElseThrow()
                .subject();
        assertThat(batch.settle(Kinds.SECTION_LINE, subject, TableChoice.LEAVE)
                        .refresh()
                        .columns())
                .containsExactly("Date", "Vessel", "Pax");
        assertThat(batch.settle(Kinds.SECTION_LINE, subject, "Region").refresh().columns())
                .containsExactlyInAnyOrder("Region", "Date", "Vessel", "Pax");
    }

    @Test
    void aCategoryInTheFirstRowOfItsBlockBelongsToTheWholeBlock() {
        batch.csv(
                "a.csv",
                "Region,Vessel,Pax",
                "North,MV Dunlin,5",
                ",MV Petrel,6",
                ",MV Fenwick,6",
                "South,MV Dunlin,7",
                ",MV Petrel,8");
        Batch.Made made = batch.refresh();
        assertThat(made.lines())
                .containsExactly(
                        "North|MV Dunlin|5",
                        "North|MV Petrel|6",
                        "North|MV Fenwick|6",
                        "South|MV Dunlin|7",
                        "South|MV Petrel|8");
        assertThat(batch.assumed(Kinds.CARRY_DOWN)).containsExactly("region|vessel|pax > region: carry down");
        Batch.Made left = batch.settle(Kinds.CARRY_DOWN, "region|vessel|pax > region", TableChoice.LEAVE)
                .refresh();
        assertThat(left.lines()).contains("|MV Petrel|6");
    }

    @Test
    void theTrailOfACarriedCellLeadsToTheCellThatIsFilled() {
        batch.csv("a.csv", "Region,Vessel,Pax", "North,MV Dunlin,5", ",MV Petrel,6", ",MV Fenwick,6", "South,MV A,1");
        batch.refresh();
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            try (MasterReader reader = session.reader(outcome)) {
                Trail trail = session.trail(outcome, reader.page(2, 1).get(0), 0);
                assertThat(trail.where().toString()).contains("line 2");
                assertThat(trail.raw()).isEqualTo("North");
            }
        }
    }

    @Test
    void joinedCellsStandForAllTheirRows() {
        Workbooks.workbook()
                .sheet(
                        "Sheet1",
                        row("Vessel", "Region", "Pax"),
                        row("MV Dunlin", "North", 5),
                        row("MV Petrel", null, 6),
                        row("MV Dunlin", "South", 7),
                        row("MV Petrel", null, 8),
                        row("MV Fenwick", null, 9))
                .merged("Sheet1", "B2:B3", "B4:B6")
                .save(batch.file("a.xlsx"));
        assertThat(batch.refresh().lines())
                .containsExactly(
                        "MV Dunlin|North|5",
                        "MV Petrel|North|6",
                        "MV Dunlin|South|7",
                        "MV Petrel|South|8",
                        "MV Fenwick|South|9");
    }

    @Test
    void aColumnThatIsSeldomFilledIsLeftAsItIs() {
        batch.csv(
                "a.csv",
                "Vessel,Pax,Remarks",
                "MV Dunlin,5,fog",
                "MV Petrel,6,",
                "MV Fenwick,6,",
                "MV Dunlin,7,late",
                "MV Petrel,8,");
        assertThat(batch.refresh().lines()).contains("MV Petrel|6|", "MV Petrel|8|");
        assertThat(List.copyOf(batch.assumed(Kinds.CARRY_DOWN))).isEmpty();
    }

    @Test
    void blanksOfUnsureMeaningAreAskedAboutWithCarryingAssumed() {
        batch.sheet(
                "a.xlsx",
                row("Region", "Vessel", "Trips"),
                row("North", "MV Dunlin", 5),
                row(null, "MV Petrel", 6),
                row("South", "MV Dunlin", 7),
                row(null, "MV Fenwick", 8),
                row("West", "MV Petrel", 9),
                row(null, "MV Skua", 4));
        Batch.Made made = batch.refresh();
        assertThat(made.question(Kinds.CARRY_DOWN).text())
                .isEqualTo("The column “Region” is filled in some rows only, as if in the first of each block. Do the"
                        + " 3 blank cells below stand for the value above them?");
        assertThat(made.lines()).contains("North|MV Petrel|6", "West|MV Skua|4");
        batch.settle(made.question(Kinds.CARRY_DOWN), TableChoice.LEAVE);
        Batch.Made left = batch.refresh();
        assertThat(left.lines()).contains("|MV Petrel|6", "|MV Skua|4");
        assertThat(left.outcome().questions()).isEmpty();
    }

    @Test
    void categoriesThatALayoutOfAnotherSenderHasTooAreCarriedWithoutAQuestion() {
        batch.sheet(
                "a.xlsx",
                row("Region", "Vessel", "Trips"),
                row("North", "MV Dunlin", 5),
                row(null, "MV Petrel", 6),
                row("South", "MV Dunlin", 7),
                row(null, "MV Fenwick", 8),
                row("West", "MV Petrel", 9),
                row(null, "MV Skua", 4));
        batch.sheet(
                "b.xlsx",
                row("Vessel", "Region", "Trips", "Cancelled"),
                row("MV Dunlin", "North", 15, 1),
                row("MV Petrel", "South", 16, 2),
                row("MV Skua", "North", 17, 1),
                row("MV Fenwick", "West", 18, 0));
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().questions()).isEmpty();
        assertThat(made.lines()).contains("North|MV Petrel|6|", "West|MV Skua|4|");
    }

    @Test
    void aTableOfTheLayoutThatIsBlankInAnotherWayIsPointedOut() {
        for (String port : java.util.List.of("Hollin", "Tarsk")) {
            batch.sheet(
                    port + ".xlsx",
                    row("Region", "Vessel", "Trips"),
                    row("North", "MV Dunlin", port.length()),
                    row(null, "MV Petrel", 6),
                    row("South", "MV Dunlin", 7),
                    row(null, "MV Fenwick", 8));
        }
        batch.sheet(
                "Oska.xlsx",
                row("Region", "Vessel", "Trips"),
                row(null, "MV Dunlin", 1),
                row("North", "MV Petrel", 2),
                row("South", "MV Dunlin", 3),
                row("South", "MV Fenwick", 4));
        assertThat(batch.refresh().findings("not-carried")).singleElement().satisfies(finding -> {
            assertThat(finding.where().source()).isEqualTo("Oska.xlsx");
            assertThat(finding.what()).startsWith("1 cell of the column “Region” are blank here in another way");
        });
    }

    @Test
    void blankCellsAreFilledFromAboveWhereTheAnalystSaysSoOfOneOfThem() {
        Batch batch = new Batch(folder)
                .csv(
                        "a.csv",
                        "Depot,Fuel,Litres",
                        "Hollin,Diesel,5",
                        ",Petrol,6",
                        "Tarsk,Diesel,7",
                        "Marsay,Diesel,1",
                        ",,2");
        batch.settle(Kinds.CARRY_DOWN, "nothing", TableChoice.LEAVE);
        Batch.Made made = batch.refresh();
        int fuel = made.columns().indexOf("Fuel");
        int table = made.outcome().proposal().plan().tables().get(0).id();
        String subject = Board.carriable(made.outcome(), table, fuel).orElseThrow();
        batch.job(Board.carryDown(batch.job(), subject));
        assertThat(batch.refresh().lines()).last().asString().contains("|Diesel|2");
    }

    private void blocks(String file, String... rows) {
        String[] lines = new String[rows.length + 1];
        lines[0] = "Show,Run,Income,Audience";
        System.arraycopy(rows, 0, lines, 1, rows.length);
        batch.csv(file, lines);
    }

    private void threeThatCarry() {
        for (int month = 1; month <= 3; month++) {
            batch.csv(
                    "north" + month + ".csv",
                    "Show,Audience,Run,Income",
                    "Comets,Club," + month + "01,5.5",
                    ",Public," + month + "02,6.5",
                    ",Club," + month + "03,7.5",
                    "Moons,Club," + month + "04,8.5",
                    ",Public," + month + "05,9.5",
                    ",Public," + month + "06,4.5");
        }
    }

    @Test
    void whatMostSiblingsCarryDownIsCarriedWhereItsBlocksAreShort() {
        threeThatCarry();
        blocks("south1.csv", "Comets,11,1.5,Club", ",12,2.5,Club", ",13,3.5,Public", "Moons,14,4.5,Club");
        blocks("south2.csv", "Moons,21,1.5,Club", "Comets,22,2.5,Club", "Moons,23,1.25,Club", ",24,3.5,Public");
        assertThat(batch.refresh().lines()).allMatch(line -> line.startsWith("Comets|") || line.startsWith("Moons|"));
    }

    @Test
    void whatSiblingsCarryDownUnderAnotherHeaderIsCarriedInALayoutOfItsOwn() {
        threeThatCarry();
        batch.csv(
                "south.csv",
                "Programme,Run,Takings,Audience",
                "Moons,21,1.5,Club",
                "Comets,22,2.5,Club",
                ",24,3.5,Public",
                "Moons,23,1.25,Club",
                "Comets,25,4.5,Public");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(23).allMatch(line -> line.contains("Comets|") || line.contains("Moons|"));
    }

    @Test
    void aLineAboveTheHeaderRepeatedHeadsTheRowsBelowIt() {
        batch.csv(
                "a.csv",
                "Date,Vessel,Pax",
                "North,,",
                "2026-01-01,MV Dunlin,5",
                "2026-01-02,MV Petrel,6",
                "",
                "South,,",
                "2026-01-03,MV Dunlin,7",
                "",
                "East,,",
                "Date,Vessel,Pax",
                "2026-01-04,MV Petrel,8",
                "2026-01-05,MV Petrel,9");
        assertThat(batch.refresh().lines())
                .containsExactly(
                        "North|2026-01-01|MV Dunlin|5",
                        "North|2026-01-02|MV Petrel|6",
                        "South|2026-01-03|MV Dunlin|7",
                        "East|2026-01-04|MV Petrel|8",
                        "East|2026-01-05|MV Petrel|9");
    }

    @Test
    void aTitleRepeatedWithTheHeaderHeadsNoRows() {
        batch.csv(
                "a.csv",
                ",,Sailed,Sold",
                "Date,Vessel,Pax,Fares",
                "2026-01-01,MV Dunlin,5,7.5",
                "2026-01-02,MV Petrel,6,8.5",
                ",,Sailed,Sold",
                "Date,Vessel,Pax,Fares",
                "2026-01-03,MV Dunlin,7,9.5",
                "2026-01-04,MV Petrel,8,1.5");
        assertThat(batch.refresh().columns()).doesNotContain("Section");
        assertThat(batch.refresh().lines()).hasSize(4);
    }

    @Test
    void otherWordsWithBlanksOfAnotherPatternStayBlankAndArePointedOut() {
        threeThatCarry();
        blocks("south1.csv", "Comets,11,1.5,Club", ",12,2.5,Club", ",13,3.5,Public", "Moons,14,4.5,Club");
        blocks("south2.csv", "late,21,1.5,Club", "fog,22,2.5,Club", "ice,23,1.25,Club", ",24,3.5,Public");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).anyMatch(line -> line.startsWith("|"));
        assertThat(made.outcome().findings()).anyMatch(finding -> finding.kind().equals("not-carried"));
    }

    @Test
    void fewBlanksAmongCategoriesThatStandOnceEachAreCarriedAndAsked() {
        String[] year = {
            "Route,Vessel,Fares",
            "Inner Sound,MV Dunnock,5.5",
            "Lighthouse Loop,MV Dunnock,6.5",
            "Marsh Ferry,MV Petrel,9.5",
            ",MV Siskin,4.5",
            "North Reach,MV Ouzel,3.5",
            "Outer Isles,MV Dunnock,2.5"
        };
        batch.csv("plan 2024.csv", year);
        batch.csv(
                "plan 2025.csv",
                "Vessel,Line,Fares",
                "MV Dunnock,Inner Sound,7.5",
                "MV Ouzel,Inner Sound,7.25",
                "MV Dunnock,North Reach,8.5",
                "MV Petrel,Marsh Ferry,1.5",
                "MV Siskin,Outer Isles,1.75",
                "MV Dunnock,Outer Isles,1.25");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).anyMatch(line -> line.contains("Marsh Ferry|MV Siskin|4.5"));
        assertThat(made.question(Kinds.CARRY_DOWN).text()).contains("“Route”", "1 blank cell");
    }

    @Test
    void fewBlanksAmongNamesThatNoOtherTableHasStayBlankAndArePointedOut() {
        batch.csv(
                "gifts.csv",
                "Giver,Hall,Amount",
                "Ada Holm,North,5.5",
                "Bo Lind,South,6.5",
                "Cai Orre,North,9.5",
                ",South,4.5",
                "Dov Palm,North,3.5",
                "Eva Quist,South,2.5");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).contains("|South|4.5");
        assertThat(made.findings("blank-among-words"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.what()).contains("“Giver”", "1 cell"));
    }

    @Test
    void categoriesOfOneRowAmongLongerOnesAreCarriedAndAsked() {
        batch.csv(
                "plan.csv",
                "Route,Vessel,Fares",
                "Inner Sound,MV Dunnock,5.5",
                "Lighthouse Loop,MV Dunnock,6.5",
                ",MV Petrel,7.5",
                ",MV Siskin,8.5",
                "Marsh Ferry,MV Petrel,9.5",
                ",MV Siskin,4.5",
                "North Reach,MV Ouzel,3.5",
                "Horizon,MV Dunnock,2.5",
                ",MV Ouzel,1.5",
                ",MV Petrel,0.5");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).noneMatch(line -> line.startsWith("|"));
        assertThat(made.question(Kinds.CARRY_DOWN).text()).contains("5 blank cells");
    }

    @Test
    void aColumnThatRepeatsItsWordsAndIsBlankNowAndThenIsNotCarried() {
        batch.csv(
                "plan.csv",
                "Weather,Vessel,Fares",
                "fog,MV Dunnock,5.5",
                "rain,MV Dunnock,6.5",
                ",MV Petrel,7.5",
                ",MV Siskin,8.5",
                "fog,MV Petrel,9.5",
                "rain,MV Siskin,4.5",
                ",MV Ouzel,3.5",
                ",MV Dunnock,2.5",
                ",MV Ouzel,1.5",
                "fog,MV Petrel,0.5");
        assertThat(batch.refresh().lines()).anyMatch(line -> line.startsWith("|"));
    }
}
