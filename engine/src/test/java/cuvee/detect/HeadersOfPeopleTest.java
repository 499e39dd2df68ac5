package cuvee.detect;

import static cuvee.detect.Drawings.names;
import static cuvee.detect.Drawings.readAsDrawn;
import static org.assertj.core.api.Assertions.assertThat;

import cuvee.testing.DrawnSheet;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Headers as people make them: of several rows, below labels and titles, with numbers, days or years across. */
class HeadersOfPeopleTest {
    @Test
    void aLabelWithItsValueRightAboveAHeaderOfTwoRowsIsNoneOfIt() {
        readAsDrawn("""
                t| Amounts as invoiced
                t| District | Hollin Vale
                h| Colony | | | | Crop | |
                h| Frames | Inspected by | Hive | Apiary | Honey | Value | Moisture
                r| 3 | M. Tarrow | 279 | Chapel Field | 1.6 | 19.96 | 0.199
                r| 7 | D. Marl | 271 | Chapel Field | 19.3 | 1045.2 | 0.17
                r| 3 | J. Berg | 283 | Lime Walk | 0.8 | 509.1 | 0.15
                r| 18 | M. Tarrow | 304 | Lime Walk | 10.1 | 330.44 | 0.2
                """);
    }

    @Test
    void aLabelWithItsValueOverAllGroupsOfAHeaderIsNoneOfIt() {
        readAsDrawn("""
                t| Circuit | Sluice Basin
                h| | Flow | | Level |
                h| Gauge | m3 | Checked | cm | Checked
                r| G1 | 2.09 | 2026-01-01 | 82 | 2026-01-02
                r| G2 | 6.56 | 2026-01-02 | 23 | 2026-01-03
                r| G3 | 7.78 | 2026-01-03 | 63 | 2026-01-04
                r| G4 | 6.34 | 2026-01-04 | 26 | 2026-01-05
                """);
    }

    @Test
    void aYearOverAllGroupsBesideTheNameOfTheFirstColumnIsOfTheHeader() {
        readAsDrawn("""
                h| Region | Sales in 2026 | | |
                h| | North | | South |
                h| | Plan | Actual | Plan | Actual
                r| Hollin | 209 | 214 | 82 | 79
                r| Tarsk | 656 | 601 | 23 | 31
                r| Oska | 778 | 790 | 63 | 66
                r| Brenn | 634 | 640 | 26 | 20
                """);
    }

    @Test
    void timesOfTheDayAcrossAreAHeader() {
        readAsDrawn("""
                h| Date | 00:00 | 06:00 | 12:00 | 18:00
                r| 2026-02-01 | 5.12 | 0.96 | 3.71 | 7
                r| 2026-02-02 | 5.48 | 4.88 | 1.67 | 0.03
                r| 2026-02-03 | 6.28 | 6.7 | 6.12 | 7.86
                """);
    }

    @Test
    void timesThatAreNoSequenceAreARecord() {
        readAsDrawn("""
                h| Boat | Out | In | Out again | In again
                r| Heron | 06:10 | 09:30 | 12:05 | 18:00
                r| Plover | 05:40 | 10:15 | 11:50 | 17:20
                r| Gannet | 06:00 | 09:00 | 12:00 | 15:00
                """);
    }

    @Test
    void labelsInPairsAboveAnOrderAreNoHeader() {
        readAsDrawn("""
                t| PURCHASE ORDER

                t| Supplier: | Bolts & Co  | | Order date: | 2026-05-02
                t| Address:  | Mill Lane 4 | | Order no.:  | 63838
                t| Contact:  | Eva Stone   | | Terms:      | 30 days

                h| Sales rep | Item | Qty | Unit price | Amount
                r| Ivo Brandt | Washers | 164 | 33.89 | 5557.96
                r| Gil Oakes | Screws | 428 | 77.45 | 33148.6
                r| Hana Voss | Filters | 296 | 4.81 | 1423.76
                r| Cora Lind | Lamps | 80 | 85.1 | 6808
                """);
    }

    @Test
    void pairsWithoutColonsOverAWiderTableAreItsTitles() {
        readAsDrawn("""
                t| Report | Monthly returns
                t| Prepared by | Ivo Brandt
                t| Date | 2026-09-24
                t| Currency | EUR

                h| Region | 2024 | 2025
                r| Hexley | 47165 | 48259
                r| Glenbar | 12441 | 73472
                r| Dunvale | 58464 | 72933
                r| Quill | 52311 | 86391
                """);
    }

    @Test
    void aRowThatNumbersTheColumnsBelongsToTheHeader() {
        FoundTable table = readAsDrawn("""
                t| Form 7: stocks

                h| Item | Place | Pieces | Value
                h| (1) | (2) | (3) | (4)
                r| Bolts | Hollin | 12 | 3.5
                r| Hoses | Tarsk | 7 | 12.25
                r| Lamps | Hollin | 3 | 8
                """).get(0);
        assertThat(names(table)).containsExactly("Item", "Place", "Pieces", "Value");
        assertThat(table.headerRows()).containsExactly(3);
    }

    @Test
    void lettersAndNumbersOfColumnsComeAgainOnEveryPage() {
        readAsDrawn("""
                h| Item | Place | Pieces | Value
                h| A | B | 1 | 2
                r| Bolts | Hollin | 12 | 3.5
                r| Hoses | Tarsk | 7 | 12.25
                p| Item | Place | Pieces | Value
                p| A | B | 1 | 2
                r| Lamps | Hollin | 3 | 8
                r| Ropes | Hollin | 4 | 9
                """);
    }

    @Test
    void smallNumbersAmongNumbersAreARecord() {
        readAsDrawn("""
                h| x | y | z
                r| 1 | 2 | 3
                r| 4 | 5 | 6
                r| 7 | 8 | 10
                """);
    }

    @Test
    void daysOfTheWeekBelowDatesBelongToTheHeader() {
        readAsDrawn("""
                t| Rota week 12

                h| Name | 2026-03-16 | 2026-03-17 | 2026-03-18 | 2026-03-19 | 2026-03-20
                h|      | Mon | Tue | Wed | Thu | Fri
                r| Ada Finch | early | late | off | early | late
                r| Ben Hollow | late | | late | off | early
                r| Cora Lind | off | early | early | late | off
                """);
    }

    @Test
    void daysOfTheWeekBelowTheDaysOfAMonthBelongToTheHeader() {
        readAsDrawn("""
                t| Ward rota Feb 2026
                h| Name | Grade | 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8 | 9 | 10
                h|      |       | Su | Mo | Tu | We | Th | Fr | Sa | Su | Mo | Tu
                r| Ada Finch | RN | E | L | | N | E | E | | N | N | L
                r| Ben Hollow | RN | | L | E | N | | E | L | N | | L
                r| Cora Lind | HCA | E | | L | N | E | | L | | N | E
                """);
        readAsDrawn("""
                t| Ward rota Feb 2026
                h| Name | Grade | 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8 | 9 | 10
                h|      |       | S | M | T | W | T | F | S | S | M | T
                r| Ada Finch | RN | E | L | | N | E | E | | N | N | L
                r| Ben Hollow | RN | | L | E | N | | E | L | N | | L
                r| Cora Lind | HCA | E | | L | N | E | | L | | N | E
                """);
        readAsDrawn("""
                t| Ward rota Feb 2026
                h|      |       | Su | Mo | Tu | We | Th | Fr | Sa | Su | Mo | Tu
                h| Name | Grade | 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8 | 9 | 10
                r| Ada Finch | RN | E | L | | N | E | E | | N | N | L
                r| Ben Hollow | RN | | L | E | N | | E | L | N | | L
                r| Cora Lind | HCA | E | | L | N | E | | L | | N | E
                """);
    }

    @Test
    void datesAcrossHeadARotaOfWords() {
        readAsDrawn("""
                t| Rota week 12

                h| Name | 2026-03-16 | 2026-03-17 | 2026-03-18 | 2026-03-19 | 2026-03-20 | 2026-03-21
                r| Ada Finch | | early | off | | off |
                r| Ben Hollow | early | | late | | | late
                r| Cora Lind | early | off | | early | off |
                r| Dan Marsh | late | | | | off | early
                r| Eva Stone | early | late | early | off | late | late
                """);
    }

    @Test
    void yearsAloneHeadColumnsBesideABlankCorner() {
        FoundTable table = readAsDrawn("""
                t| Homes by place

                h|        | 2023 | 2024 | 2025
                r| Hollin | 12 | 13 | 14
                r| Tarsk  | 22 | 23 | 27
                r| Marsay | 32 | 33 | 31
                """).get(0);
        assertThat(names(table)).containsExactly("Column A", "2023", "2024", "2025");
    }

    @Test
    void aSparseFirstRecordIsNoSecondRowOfTheHeader() {
        readAsDrawn("""
                h| Item | Order no. | City | Weight | Qty
                r| Cable | | Glenbar | |
                r| Washers | SO-76010 | Ingle | 26.2 | 342
                r| Valves | SO-67643 | Orley | 80.3 | 248
                r| Cable | SO-48575 | Rosslyn | 58.1 | 268
                r| Nails | SO-89575 | Elsby | 89.5 | 323
                """);
    }

    @Test
    void aColumnWithoutAHeaderThatIsFilledStaysAColumn() {
        FoundTable table = readAsDrawn("""
                h| Item | Place | Pieces | |
                r| Bolts | Hollin | 12 | | checked
                r| Hoses | Tarsk | 7 | | checked
                r| Lamps | Hollin | 3 | | open
                r| Ropes | Tarsk | 9 | | open
                """).get(0);
        assertThat(names(table)).containsExactly("Item", "Place", "Pieces", "Column E");
    }

    @Test
    void namesBrokenOverTwoRowsAreOneHeader() {
        FoundTable table = readAsDrawn("""
                h| Order  | Delivery | Name of  | Net    | Gross
                h| number | date     | customer | weight | weight
                r| SO-17 | 2026-03-01 | Ada Finch | 12.5 | 13.1
                r| SO-18 | 2026-03-02 | Ben Hollow | 2.5 | 3.1
                r| SO-19 | 2026-03-02 | Cora Lind | 72.5 | 73.9
                """).get(0);
        assertThat(names(table))
                .containsExactly("Order number", "Delivery date", "Name of customer", "Net weight", "Gross weight");
    }

    @Test
    void titlesInManyCellsOverAGapAreNoHeader() {
        readAsDrawn("""
                t| Farland Ltd | | Stock list | | March 2026
                t| Store | Main | Keeper | Ida | Phone

                h| Item | Place | Pieces | Value | Weight
                r| Bolts | Hollin | 12 | 3.5 | 1
                r| Hoses | Tarsk | 7 | 12.25 | 2
                r| Lamps | Hollin | 3 | 8 | 4
                """);
    }

    @Test
    void theFirstOfSeveralEqualHeadersIsTheHeader() {
        readAsDrawn("""
                t| Stock movements, all stores
                t| Period: January to March 2026

                h| Order no. | Hours | Qty
                r| SO-83927 | 155 | 421
                r| SO-52760 | 153 | 134
                r| SO-26044 | 80 | 6
                r| SO-80679 | 43 | 20
                p| Order no. | Hours | Qty
                r| SO-53533 | 10 | 468
                r| SO-52214 | 113 | 416
                r| SO-58098 | 79 | 250
                r| SO-82794 | 66 | 413
                """);
    }

    @Test
    void aFirstRecordOfItsCodeAloneIsNeitherHeaderNorSectionLine() {
        readAsDrawn("""
                t| ACME Widgets Ltd.
                t| All figures in thousands
                h| Order no. | City | Department | Hours | Qty | Net weight
                r| SO-21479
                r| SO-22121 | | | 28 | | 86.5
                r| SO-87413 | | | 111 | 135 | 86.5
                r| SO-53828 | Belcot | Sales | 45
                r| SO-91039 | Carrow | | 141 | 251 | 28.0
                r| SO-73185 | Rosslyn | Finance | 81 | 250
                """);
    }

    @Test
    void labelsInPairsWithoutColonsRightAboveAHeaderOfTwoRowsAreNoneOfIt() {
        readAsDrawn("""
                t| Page | 1 of 1 | | Ref | FX-899 | |
                h| Route | Vessel | Passengers | | | | All
                h| | | Q1 2026 | Q2 2026 | Q3 2026 | Q4 2026 |
                r| Inner Sound | MV Dunnock | 347 | 2370 | 1868 | 273 | 4858
                r| Marsh Ferry | MV Ouzel | 634 | 0 | 1519 | 1163 | 3316
                r| North Reach | MV Dunnock | 804 | 2192 | 486 | 0 | 3482
                """);
    }

    @Test
    void whatQuestionsAreCalledRightBelowThemIsNoRecord() {
        List<FoundTable> tables = new DrawnSheet("""
                h| Person | How content are you? | How old are you? | Would you come again? | Remark
                h| ID | Q1 | Q2 | Q3 | Q4
                r| N100 | 4 | 57 | no | fine
                r| N101 | 2 | 29 | yes |
                r| N102 | 3 | 50 | no | dear
                r| N103 | 1 | 39 | yes | late
                """).find();
        assertThat(tables).singleElement().satisfies(table -> {
            assertThat(table.kept()).isEqualTo(4);
            assertThat(names(table)).startsWith("Person", "How content are you?", "How old are you?");
        });
    }

    @Test
    void codesOfOneRowAmongOthersAreARecord() {
        List<FoundTable> tables = new DrawnSheet("""
                h| Person | Seat out | Seat in | Seat back
                r| Ida | A1 | A2 | A3
                r| Ole | B4 | C7 | A9
                r| Una | B1 | B2 | B3
                r| Per | C4 | C5 | D6
                """).find();
        assertThat(tables)
                .singleElement()
                .satisfies(table -> assertThat(table.kept()).isEqualTo(4));
    }

    @Test
    void aTitleOfTwoCellsOverTheNamesAndTheNumbersOfRecordsIsNoGroup() {
        readAsDrawn("""
                t | Till report | | | Week 12
                h | Day | Cash | Card | Vouchers | Over/short
                r | Mon | 649.09 | 431.70 | 1.85 | 0
                r | Tue | 302.68 | 650.99 | 8.87 | 2
                r | Wed | 375.55 | 576.44 | 14.76 | 2
                """);
        readAsDrawn("""
                h | Sender | | Adults | | Children
                h | Port | Vessel | Pax | Fare | Pax | Fare
                r | Hollin | MV Dunlin | 6 | 43.20 | 1 | 3.60
                r | Tarsk | MV Petrel | 9 | 64.80 | 2 | 7.20
                r | Oska | MV Fenwick | 4 | 28.80 | 3 | 10.80
                """);
    }
}
