package cuvee.detect;

import static cuvee.detect.Drawings.readAsDrawn;
import static org.assertj.core.api.Assertions.assertThat;

import cuvee.testing.DrawnSheet;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Totals, taxes, means and other figures as people write them, and records that look like them. */
class TotalsOfPeopleTest {
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
    void sharesOfTheTotalBelowItAreNoRecord() {
        readAsDrawn("""
                t| Harlow Ltd
                t| Aged debtors

                h| Customer | Name | Current | 30 Days | 60 Days | Balance
                r| C0101 | Arden Supplies | 120.5 | 0 | 60 | 180.5
                r| C0102 | Delta Roads | 900 | 0 | 0 | 900
                r| C0103 | Forth Media | 12.5 | 0 | 845.25 | 857.75
                r| C0104 | Ivy Homes | 410 | 0 | 70.1 | 480.1

                T| | Total | 1443 | 0 | 975.35 | 2418.35
                T| | % of total | 0.597 | 0 | 0.403 | 1
                """);
        readAsDrawn("""
                h| Region | Cars | Vans
                r| North | 120 | 80
                r| South | 30 | 70
                T| Total | 150 | 150
                T| Share of total | 0.8 | 0.2
                """);
        readAsDrawn("""
                h| Region | Cars | Vans
                r| North | 1200 | 800
                r| South | 300 | 700
                T| Total | 1500 | 1500
                T| % of total | 50 | 50
                """);
        readAsDrawn("""
                h| Customer | Name | Current | 30 Days | Balance
                r| C0101 | Arden Supplies | 0 | 60 | 60
                r| C0102 | Delta Roads | 0 | 900 | 900
                r| C0103 | Forth Media | 0 | 845.25 | 845.25
                r| C0104 | Ivy Homes | 12.5 | 70.1 | 82.6
                T| | Total | 12.5 | 1875.35 | 1887.85
                T| | % of total | 0.007 | 0.993 | 1
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
}
