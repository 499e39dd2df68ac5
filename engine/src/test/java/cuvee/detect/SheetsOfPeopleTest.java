package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.testing.DrawnSheet;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Sheets as people make them for people, drawn with what each row is; found without any other table of the batch. */
class SheetsOfPeopleTest {
    private static List<FoundTable> readAsDrawn(String drawing) {
        DrawnSheet sheet = new DrawnSheet(drawing);
        List<FoundTable> tables = sheet.find();
        assertThat(sheet.found(tables)).isEqualTo(sheet.meant());
        for (FoundTable table : tables) {
            assertThat(table.seen()).isEqualTo(table.lastRow() - table.firstRow() + 1);
        }
        return tables;
    }

    private static List<String> names(FoundTable table) {
        return table.columns().stream().map(TableColumn::header).toList();
    }

    @Test
    void amountsTellHowOtherNumbersOfTheirTableAreWritten() {
        // Read with a decimal point, 4.747 and 60 add up to 64.747, and nothing adds up to the total.
        readAsDrawn("""
                h| Pot | Made | Outlay
                s| Herbs | |
                r| 2 litre | '4.747 | € 3.088,78
                r| 9 cm | '60 | € 8.890,01
                T| Total Herbs | '4.807 | € 11.978,79
                s| Totalis heather | |
                r| 2 litre | '1.772 | € 6.981,34
                r| 9 cm | '1.103 | € 413,05
                T| Subtotal | '2.875 | € 7.394,39
                T| Total | '7.682 | € 19.373,18
                """);
    }

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
    void whatIsAddedToTheSubtotalOfAnInvoiceIsNoItem() {
        readAsDrawn("""
                t| INVOICE
                t| Invoice no: | INV-103 | | Date: | 2026-03-05

                h| Pos | Item | Qty | Unit price | Total
                r| 1 | Buoy | 3 | 27.11 | 81.33
                r| 2 | Rope | 6 | 44.79 | 268.74

                T| | | | Subtotal | 350.07
                T| | | | Discount | -50.07
                T| | | | VAT 20% | 60
                T| | | | Amount due | 360
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
    void linesDrawnWithSignsHeadNoRows() {
        readAsDrawn("""
                t| LIST OF VOUCHERS
                h| Voucher | Date | Amount | Account
                n| ------------------------ | | |
                r| 4901000 | 2026-01-01 | -3373.49 | 400000
                r| 4901001 | 2026-01-02 | 1096.5 | 476100
                n| ------------------------ | | |
                p| Voucher | Date | Amount | Account
                n| ------------------------ | | |
                r| 4901002 | 2026-01-03 | 204.68 | 476100
                r| 4901003 | 2026-01-04 | -678.66 | 400000
                n| ======================== | | |
                """);
    }

    @Test
    void aTotalOfHoursIsNoRecord() {
        readAsDrawn("""
                h| Date | Start | End | Worked | Who
                r| 2026-01-01 | 07:30 | 15:15 | 7:45 | Ann
                r| 2026-01-02 | 08:30 | 16:15 | 7:45 | Bo
                r| 2026-01-03 | 09:30 | 17:15 | 7:45 | Ann
                r| 2026-01-04 | 07:30 | 18:15 | 10:45 | Bo
                T| Total | | | 34:00 |
                """);
    }

    @Test
    void taxBelowASubtotalIsARecordWhereRecordsAreNamesAndAmounts() {
        readAsDrawn("""
                h| Account | Amount
                r| Rent | 1200.5
                r| Heating | 310.25
                T| Subtotal | 1510.75
                r| Tax | 99.4
                r| Delivery | 12.5
                r| Fuel | 220.1
                """);
    }

    @Test
    void aTaxThatIsNotWhatItsRateComesToIsARecord() {
        readAsDrawn("""
                h| Pos | Item | Qty | Unit price | Total
                r| 1 | Buoy | 3 | 27.11 | 81.33
                r| 2 | Rope | 6 | 44.79 | 268.74
                T| | | | Subtotal | 350.07
                r| 3 | Tax adviser | 1 | 99 | 99
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
    void linesOfAnOrderBelowItsItemsAreNoRecords() {
        readAsDrawn("""
                h| Item | Place | Qty | Unit price | Amount
                r| Washers | Hollin | 2 | 10 | 20
                r| Screws | Tarsk | 3 | 5 | 15
                r| Lamps | Tarsk | 1 | 65 | 65
                T| | | | Net | 100
                T| | | | VAT 19 % | 19
                T| | | | Total | 119
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
    void averagesAndExtremesBelowTheRecordsAreNone() {
        FoundTable table = readAsDrawn("""
                h| City | Hours | Amount
                r| Ardmoor | 10 | 4.5
                r| Belcot | 20 | 6.5
                r| Carrow | 40 | 1
                T| Total | 70 | 12
                T| Average | 23.33 | 4
                T| Maximum | 40 | 6.5
                T| Min | 10 | 1
                T| Median | 20 | 4.5
                """).get(0);
        assertThat(table.totals()).hasSize(2).allMatch(FoundTable.StatedTotal::agrees);
    }

    @Test
    void peopleCalledMaxAndMeanValuesThatAreNoneStayRecords() {
        readAsDrawn("""
                h| Name | Hours | Amount
                r| Ada | 10 | 4.5
                r| Max | 20 | 6.5
                r| Mean | 41 | 1
                r| Min | 12 | 3
                """);
    }

    @Test
    void aTotalAboveWhatItAddsUpIsComparedWithIt() {
        FoundTable table = readAsDrawn("""
                h| Region | Homes | Persons
                T| Total, all areas | 60 | 600
                r| Elsby | 10 | 100
                r| Marten | 20 | 200
                r| Rosslyn | 30 | 300
                """).get(0);
        assertThat(table.totals()).allMatch(FoundTable.StatedTotal::agrees).hasSize(2);
    }

    @Test
    void aFirstRecordOfAllThatAddsUpNothingStaysARecord() {
        readAsDrawn("""
                h| Item | Homes | Persons
                r| All weather coat | 60 | 601
                r| Boots | 10 | 100
                r| Caps | 20 | 200
                r| Gloves | 30 | 300
                """);
    }

    @Test
    void aFirstRowThatAddsUpAllOthersWithoutAWordIsAskedAbout() {
        String drawing = """
                h| Region | Homes | Persons
                r| Farland | 100 | 900
                r| Elsby | 10 | 100
                r| Marten | 20 | 200
                r| Rosslyn | 30 | 300
                r| Tarn | 40 | 300
                """;
        FoundTable table = readAsDrawn(drawing).get(0);
        assertThat(table.doubts()).extracting(FoundTable.Doubt::kind).containsExactly("total-row");
        FoundTable told = new DrawnSheet(drawing)
                .find(Reading.DEFAULT.withUnnamedTotals(true))
                .get(0);
        assertThat(told.setAside()).containsEntry(RowClass.TOTAL, 1);
        assertThat(told.kept()).isEqualTo(4);
        assertThat(told.runs()).containsExactly(new FoundTable.Run(3, 4));
    }

    @Test
    void totalsOfManyLanguagesAndSigns() {
        for (String word : List.of("Σ", "Gesamt", "Totaux", "合計", "Итого", "Sous-total", "Total general", "SUMME:")) {
            readAsDrawn("""
                    h| Place | Pieces
                    r| Hollin | 12
                    r| Tarsk | 7
                    r| Marsay | 3
                    T| %s | 22
                    """.formatted(word));
        }
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
    void groupsPartedByBlankColumnsAreOneTable() {
        FoundTable table = readAsDrawn("""
                t| Household survey

                h|      | | 2025 |       | | 2026 |
                h| Area | | Persons | Homes | | Persons | Homes
                r| Hollin | | 120 | 12 | | 130 | 13
                r| Tarsk  | | 220 | 22 | | 230 | 23
                r| Marsay | | 320 | 32 | | 330 | 33
                """).get(0);
        assertThat(names(table))
                .containsExactly("Area", "2025 / Persons", "2025 / Homes", "2026 / Persons", "2026 / Homes");
    }

    @Test
    void twoTablesUnderTitlesOfTheirOwnStandSideBySide() {
        List<FoundTable> tables = new DrawnSheet("""
                t| Inbound | | | | Outbound
                h| Item | Hours | Price | | Place | Amount | Price
                r| Bolts | 8 | 21.5 | | Hollin | 5560.4 | 39.62
                r| Valves | 148 | 25.59 | | Tarsk | 717.74 | 23.57
                r| Washers | 12 | 66.46 | | Marsay | 7091.29 | 64.9
                """).find();
        assertThat(tables)
                .extracting(SheetsOfPeopleTest::names)
                .containsExactly(List.of("Item", "Hours", "Price"), List.of("Place", "Amount", "Price"));
        assertThat(tables)
                .allMatch(table -> table.kept() == 3 && table.headerRows().equals(List.of(2)));
    }

    @Test
    void pagesWithNumbersInTheirTitlesAreOneTable() {
        assertThat(readAsDrawn("""
                t| Ledger of stores | | | Page 1 of 2

                h| Date | Item | Qty | Amount
                r| 2026-03-01 | Bolts | 3 | 4.5
                r| 2026-03-02 | Hoses | 2 | 7.5
                r| 2026-03-03 | Lamps | 8 | 1.5

                t| Ledger of stores | | | Page 2 of 2

                p| Date | Item | Qty | Amount
                r| 2026-03-04 | Ropes | 3 | 4.5
                r| 2026-03-05 | Bolts | 1 | 9.5
                """)).hasSize(1);
    }

    @Test
    void aNarrowerTableBelowSharesWordsWithTheOneAbove() {
        assertThat(readAsDrawn("""
                t| Table A: inbound

                h| Region | City | Item | Weight | Amount | Price
                r| West | Tarn | Lamps | 24.5 | 4880.04 | 2.92
                r| North | Lorne | Hoses | 34.5 | 880.04 | 12.92
                r| East | Nairn | Nails | 4.5 | 480.04 | 22.92

                t| Table B: outbound
                h| Item | Sales rep | Amount | Weight
                r| Cable | Gil Oakes | 7385.12 | 42.3
                r| Screws | Eva Stone | 1951.42 | 54.7
                r| Hoses | Ada Finch | 3852.08 | 19.2
                """)).hasSize(2);
    }

    @Test
    void aRecordWithNothingButItsDateIsNoSection() {
        readAsDrawn("""
                h| Date | Price | Qty
                r| 2026-05-27 | 26.89 | 319
                r| 2026-08-07 | 71.21 | 234
                r| 2026-10-21 | 12.84 | 126
                r| 2026-01-22 | |
                r| 2026-08-09 | 33.09 | 210
                """);
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
    void signaturesInPairsBelowATotalAreNotes() {
        readAsDrawn("""
                h| Item | Place | Pieces | Value
                r| Bolts | Hollin | 12 | 3.5
                r| Hoses | Tarsk | 7 | 12.25
                r| Lamps | Hollin | 3 | 8
                T| | Total | 22 | 23.75

                n| Prepared by: | Ida | Approved: | Ben
                n| Date: | 2026-03-31

                n| ________________
                n| Signature
                """);
    }

    @Test
    void theAnalystCanSayThatARowOfNumbersIsARecord() {
        DrawnSheet sheet = new DrawnSheet("""
                h| Item | Place | Pieces | Value
                h| 1 | 2 | 3 | 4
                r| Bolts | Hollin | 12 | 3.5
                r| Hoses | Tarsk | 7 | 12.25
                """);
        assertThat(sheet.found(sheet.find())).isEqualTo(sheet.meant());
        Reading said = Reading.of("row 2 record").orElseThrow();
        assertThat(sheet.find(said).get(0).kept()).isEqualTo(3);
    }

    @Test
    void aLegendBesideATableWithBlankLinesIsATableOfItsOwn() {
        List<FoundTable> tables = new DrawnSheet("""
                h| Show | Run no. | Income | Audience | | Code | Meaning
                r| Comets | 10449 | 535.07 | Private | | A | agreed
                r|        | 10452 | 194.43 | Club | | P | provisional
                 |        |       |        |      | | X | cancelled
                r| Moons  | 10462 | 1117.58 | Private | |
                r|        | 10457 | 217.75 | Public | |
                r| Stars  | 10442 | 232.67 | Club | |
                r|        | 10423 | 215.98 | Private | |
                """).find();
        assertThat(tables)
                .extracting(SheetsOfPeopleTest::names)
                .containsExactly(List.of("Show", "Run no.", "Income", "Audience"), List.of("Code", "Meaning"));
        assertThat(tables).extracting(FoundTable::kept).containsExactly(6, 3);
    }

    @Test
    void columnsBehindABlankOneThatAreFilledNowAndThenBelongToTheTable() {
        FoundTable table = readAsDrawn("""
                h| Show | Run no. | Income | Audience | | Checked by | On
                r| Comets | 10449 | 535.07 | Private | | Rook | 2026-03-01
                r| Comets | 10452 | 194.43 | Club | | Rook | 2026-03-01
                r| Moons  | 10462 | 1117.58 | Private | | |
                r| Moons  | 10457 | 217.75 | Public | | Hale | 2026-03-02
                r| Stars  | 10442 | 232.67 | Club | | |
                r| Stars  | 10423 | 215.98 | Private | | |
                """).get(0);
        assertThat(names(table)).contains("Checked by", "On");
    }

    @Test
    void aSideCalculationBesideTheTableIsLeftOutAndSaid() {
        FoundTable table = readAsDrawn("""
                h| Item | Place | Pieces | Value | |
                r| Bolts | Hollin | 12 | 3.5 | | Rate | 1.09
                r| Hoses | Tarsk | 7 | 12.25 | |
                r| Lamps | Hollin | 3 | 8 | |
                r| Ropes | Tarsk | 9 | 8.25 | |
                """).get(0);
        assertThat(names(table)).containsExactly("Item", "Place", "Pieces", "Value");
        assertThat(table.doubts())
                .extracting(FoundTable.Doubt::text)
                .containsExactly("2 cells stand beside the table, from column F on, under no header; left out.");
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
    void aTableBelowTwoThatStandSideBySideRunsOnOverBoth() {
        List<FoundTable> tables = new DrawnSheet("""
                t| Inbound | | | | Outbound
                h| Item | Hours | Price | | Place | Amount | Cost
                r| Bolts | 8 | 21.5 | | Hollin | 5560.4 | 39.62
                r| Valves | 148 | 25.59 | | Tarsk | 717.74 | 23.57
                r| Hoses | 18 | 5.59 | | Fenn | 7.74 | 3.57

                t| All movements
                h| Item | Place | Date | Hours | Amount
                r| Bolts | Hollin | 2026-03-01 | 8 | 7
                r| Hoses | Tarsk | 2026-03-02 | 9 | 6
                """).find();
        assertThat(tables)
                .extracting(SheetsOfPeopleTest::names)
                .containsExactly(
                        List.of("Item", "Hours", "Price"),
                        List.of("Place", "Amount", "Cost"),
                        List.of("Item", "Place", "Date", "Hours", "Amount"));
        assertThat(tables.get(2).titles()).containsExactly("All movements");
        assertThat(tables).extracting(FoundTable::kept).containsExactly(3, 3, 2);
    }

    @Test
    void headersRepeatedAtOtherHeightsStandSideBySide() {
        List<FoundTable> tables = new DrawnSheet("""
                t| Inbound | | | | Outbound
                h| Item | Hours | Price | | Place | Amount | Cost
                r| Bolts | 8 | 21.5 | | Hollin | 5560.4 | 39.62
                r| Valves | 148 | 25.59 | | Tarsk | 717.74 | 23.57
                r| Hoses | 18 | 5.59 | | |
                p|      | | | | Place | Amount | Cost
                p| Item | Hours | Price | | Oska | 8.74 | 4.57
                r| Ropes | 48 | 2.59 | | Fenn | 7.74 | 3.57
                """).find();
        assertThat(tables).extracting(FoundTable::kept).containsExactly(4, 4);
        assertThat(tables).allMatch(table -> table.setAside().getOrDefault(RowClass.REPEAT, 0) == 1);
    }

    @Test
    void recordsOfNothingAndAFewSmallNumbersAddUpByChance() {
        for (String numbers : List.of("0 0 0 0 0", "6 1 2 3 0")) {
            String[] each = numbers.split(" ", -1);
            FoundTable table = readAsDrawn("""
                    h| Port | Pax
                    r| Hollin | %s
                    r| Tarsk | %s
                    r| Marsay | %s
                    r| Fenn | %s
                    r| Oska | %s
                    """.formatted((Object[]) each)).get(0);
            assertThat(table.doubts()).isEmpty();
        }
    }

    @Test
    void aRecordThatHasItsCodeAloneIsNoSectionLine() {
        List<FoundTable> tables = readAsDrawn("""
                t| Export of stores

                h| Order no. | Amount | Net weight | Qty
                r| SO-41623 | 413.05 | 52.6 | 4
                r| SO-44673 | 88.1 | 27.2 | 1
                r| SO-47311 | 727.46 | 7.3 | 9
                r| SO-56232
                r| SO-57009 | 7702.8 | 26.9 | 3
                s| North
                r| SO-03966 | 2207.4 | 41.6 | 7
                r| SO-64677 | 792.03 | 33.2 | 2
                """);
        assertThat(tables).hasSize(1);
    }

    @Test
    void aHeaderWithAColumnCalledSumBehindATotalBeginsAnotherTable() {
        readAsDrawn("""
                h| Date | Payee | Amount | VAT
                r| 2026-03-01 | Moss | 10 | 2
                r| 2026-03-02 | Nairn | 11 | 2
                r| 2026-03-03 | Moss | 12 | 2
                T| Total | | 33 | 6

                h| Day | Customer | Method | Sum
                r| 2026-03-02 | Pryde | Card | 7
                r| 2026-03-03 | Quill | Cash | 8
                r| 2026-03-04 | Pryde | Card | 9
                """);
    }

    @Test
    void aTitleAndWordsOverNumbersBeginAnotherTableThoughItsWordsWouldFit() {
        assertThat(readAsDrawn("""
                        t| Table A: inbound

                        h| Region | Department | Order no. | Hours | Weight
                        r| Highlands | Sales | SO-88716 | 10 | 69.3
                        r| Valley | Logistics | SO-56949 | 125 | 75
                        r| Harbour | Logistics | SO-70065 | 33 | 48.4
                        r| South | Sales | SO-83876 | 101 | 2.4

                        t| Table B: outbound
                        h| Region | City | Qty | Amount
                        r| West | Glenbar | 415 | 5886.21
                        r| Islands | Ardmoor | 122 | 8946.79
                        r| North | Ingle | 14 | 7980.04
                        r| North | Perth Green | 9 | 5283.05
                        """)).hasSize(2);
        assertThat(readAsDrawn("""
                        t| Table A: inbound
                        h| Order no. | City | Region | Amount
                        r| SO-21994 | Belcot | West | 8223.23
                        r| SO-40704 | Elsby | North | 5780.18
                        r| SO-22442 | Elsby | South | 1822.31
                        r| SO-38324 | Ardmoor | North | 1749.28

                        t| Table B: outbound
                        h| City | Amount | Unit price
                        r| Dunvale | 4346.71 | 27.77
                        r| Ardmoor | 4356.63 | 19.1
                        r| Dunvale | 351.06 | 93.13
                        """)).hasSize(2);
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
    void labelsLeftOfAndAboveATableStandBesideNothing() {
        assertThat(readAsDrawn("""
                        t| Report | Monthly returns
                        t| Prepared by | Ivo Brandt
                        t| Currency | EUR

                        h| | | Item | | Region | Amount
                        r| | | Ropes | | West | 8765.52
                        r| | | Bolts | | Coast | 3720.15
                        r| | | Lamps | | Islands | 7264.37
                        r| | | Filters | | Highlands | 238.59
                        """)).hasSize(1);
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
    void aNameAloneThatOtherRecordsHaveIsARecord() {
        List<FoundTable> tables = readAsDrawn("""
                h| Sales rep | Department | Item | Unit price | Qty
                r| Dan Marsh | Logistics | Bolts | 92.0
                r| Ada Finch
                r| Gil Oakes | Workshop | Hinges | 62.95
                r| Finn Reed | | Filters | | 454
                r| Hana Voss | Logistics | | 28.16 | 376
                r| Ada Finch | Workshop | Valves
                r| Dan Marsh | Sales | Nails | 4.12
                """);
        assertThat(tables.get(0).doubts()).extracting(FoundTable.Doubt::kind).contains("sparse-row");
    }

    @Test
    void aNameAloneOverRecordsOfThatNameHeadsThem() {
        readAsDrawn("""
                h| Sales rep | Department | Item | Unit price | Qty
                r| Dan Marsh | Logistics | Bolts | 92.0 | 3
                s| Ada Finch
                r| Ada Finch | Workshop | Hinges | 62.95 | 8
                r| Ada Finch | Workshop | Filters | 2.5 | 454
                s| Hana Voss
                r| Hana Voss | Logistics | Nails | 28.16 | 376
                r| Hana Voss | Sales | Valves | 4.12 | 1
                """);
    }

    @Test
    void aNameUsedAgainBehindAWideGapBeginsAnotherTable() {
        List<FoundTable> tables = new DrawnSheet("""
                h| Order no. | Price | Hours | | | | City | Amount | Price
                r| SO-80648 | 48.57 | 75 | | | | Farrow | 6204.48 | 41.21
                r| SO-34850 | 60.03 | 142 | | | | Nairn | 5469.75 | 50.59
                r| SO-69069 | 36.3 | 70 | | | | Rosslyn | 4872.83 | 48.57
                r| SO-49561 | 77.71 | 63 | | | | Hexley | 4368.58 | 28.14
                """).find();
        assertThat(tables)
                .extracting(SheetsOfPeopleTest::names)
                .containsExactly(List.of("Order no.", "Price", "Hours"), List.of("City", "Amount", "Price"));
    }

    @Test
    void aCountOfRowsUnderTheEndOfAReportIsNoRecord() {
        readAsDrawn("""
                t| Printed 13/09/2026

                h| Route | Vessel | Trips | Fares | Share
                r| North Reach | Heron | 35 | 464.71 |
                r| | Plover | 29 | 305.52 |
                T| | Subtotal | 64 | 770.23 |
                r| Marsh Ferry | Dunlin 2 | 6 | 14.79 | 0.148
                r| | Heron | 2 | 39.78 | 0.175
                T| | Subtotal | 8 | 54.57 |
                r| Inner Sound | Dunlin 2 | 1 | 143.64 | 0.024
                T| | Total Inner Sound | 1 | 143.64 |
                T| | Total | 73 | 968.44 |

                n| End of report
                n| Rows checked | 5
                """);
    }

    @Test
    void aCountBesideWordsUnderTheEndOfAReportIsNoRecordEvenWhereItGoesWithTheColumns() {
        readAsDrawn("""
                h| Route | Trips | Rate | Class | Fares | Share | Ticket | Remarks
                r| Inner Sound | 24 | 28.15 | foot | 675.6 | 27.8% | 799 | fog
                r| | 4 | 13.25 | foot | 53 | 15.8% | 817 | calm
                T| | 28 | | Total Inner Sound | 728.6 | | |
                r| Marsh Ferry | 13 | 141.71 | car | 1842.23 | 6.8% | 805 | calm
                r| | 8 | 10.2 | foot | 81.6 | 22.6% | 814 | fog
                T| | 21 | | Subtotal | 1923.83 | | |
                r| Horizon | 4 | 23.05 | foot | 92.2 | 16.6% | 820 | calm
                T| | 4 | | Horizon total | 92.2 | | |
                T| | 53 | | Total | 2744.63 | | |

                n| Figures agreed with the office
                n| End of report
                n| Rows checked | 5
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
    void aThingWhoseNameHoldsATotalWordIsARecordThoughItsKeysAreBlank() {
        readAsDrawn("""
                h| Shop | Loaf | Jan | Feb | Mar
                r| Café Lume | Sourdough | 35 | 3 | 7
                r| | Total Wheat Loaf | 28 | 2 | 54
                r| Farm Gate | Rye | 26 | 11 | 19
                r| Green Door | Cakes | 52 | 27 | 4
                r| | Rye | 54 | 33 | 0
                r| | Total Wheat Loaf | 37 | 10 | 32
                """);
    }

    @Test
    void aTotalThatNamesItsGroupIsOneThoughItDoesNotAddUp() {
        readAsDrawn("""
                h| Shop | Loaf | Jan | Feb | Mar
                r| Hollin | Sourdough | 35 | 3 | 7
                r| Hollin | Rye | 28 | 2 | 54
                T| Hollin total | | 60 | 5 | 61
                r| Tarsk | Rye | 26 | 11 | 19
                r| Tarsk | Cakes | 52 | 27 | 4
                T| Total Tarsk | | 78 | 40 | 23
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
    void aCountOfTheRecordsBelowTheirNamesIsNoRecord() {
        readAsDrawn("""
                h| First | Last | Born | Gross
                r| Ida | Loon | 1980-03-01 | 4463
                r| Ole | Crake | 1981-03-02 | 4380
                r| Una | Marl | 1982-03-03 | 2568
                T| Count | 3
                """);
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
