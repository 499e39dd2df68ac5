package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.layout.StatedTotals;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Rows that state what others come to, under whatever name, and those that only look like it. */
class TotalRowsTest {
    @Test
    void anAverageThatWasNeverWorkedOutIsNoRecord() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Date", "Port", "Vessel", "Pax", "Fare"});
        for (int i = 0; i < 6; i++) {
            rows.add(new Object[] {"2026-01-0" + (1 + i), "Hollin", "MV " + (char) ('A' + i), 10 + i, 2.5 * i});
        }
        rows.add(new Object[] {"Average", "", "", "#VALUE!", "#VALUE!"});
        rows.add(new Object[] {"Total", "", "", "#VALUE!", "#VALUE!"});
        FoundTable found = Sheets.tables(rows).get(0);
        assertThat(found.kept()).isEqualTo(6);
    }

    @Test
    void aRecordWithTheOnlyNumbersAboveItOnceMoreIsNoTotal() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Site", "Date", "Accidents", "Hours lost", "Cost"},
                        new Object[] {"Hollin 1", LocalDate.of(2026, 3, 1), 1, 8, "n/a"},
                        new Object[] {"Hollin 2", LocalDate.of(2026, 3, 2), "n/a", "n/a", "n/a"},
                        new Object[] {"Hollin 3", LocalDate.of(2026, 3, 3), "n/a", "n/a", 120.5},
                        new Object[] {"Hollin 4", LocalDate.of(2026, 3, 4), 1, 8, 120.5},
                        new Object[] {"Hollin 1", LocalDate.of(2026, 3, 5), 1, 3.5, 120.5}))
                .get(0);
        assertThat(found.kept()).isEqualTo(5);
    }

    @Test
    void theHeaderAgainWithFewerOfItsYearsIsNoRecord() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Income", "Tax", 2001, 2002, 2003, 2004, 2005, 2006, 2007},
                        new Object[] {6000, 370, 0.06, 0.05, 0.04, 0.03, "", "", ""},
                        new Object[] {"Income", "", 2001, 2002, 2003, 2004, "", "", ""},
                        new Object[] {15000, 3000, 0.2, 0.19, 0.18, 0.17, 0.16, 0.15, 0.14},
                        new Object[] {20000, 5000, 0.25, 0.24, 0.23, 0.22, 0.21, 0.2, 0.19}))
                .get(0);
        assertThat(found.kept()).isEqualTo(3);
    }

    @Test
    void theAverageOfAClassIsNoPupil() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Pupil", "Test", "Exam"},
                        new Object[] {"Reed, Ann", 54, 63},
                        new Object[] {"Marsh, Ben", 63, 93},
                        new Object[] {"Fenn, Cid", 72, 45},
                        new Object[] {"Class average", 63, 67}))
                .get(0);
        assertThat(found.kept()).isEqualTo(3);
    }

    @Test
    void whatIsSaidOfTheTotalAboveIsNoRecord() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Region", "Bookings", "Cancelled"},
                        new Object[] {"North", 393, 9},
                        new Object[] {"South", 587, 47},
                        new Object[] {"East", 837, 59},
                        new Object[] {"Total", 1817, 115},
                        new Object[] {"% of bookings", 1, 0.063},
                        new Object[] {"Previous year", 1700, 120},
                        new Object[] {"Change", "7 %", "-4 %"}))
                .get(0);
        assertThat(found.kept()).isEqualTo(3);
        assertThat(found.doubts()).extracting(FoundTable.Doubt::row).containsExactly(6, 7, 8);
    }

    @Test
    void aShareBelowTheTotalOfAGroupIsNoRecordAndRatesAddUpToNothing() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Unit", "Tenant", "Sq ft", "Rent p.a.", "£ / sq ft"});
        rows.add(new Object[] {"Quay House"});
        rows.add(new Object[] {"Q1", "Hall Ltd", 1000, 12000, 12});
        rows.add(new Object[] {"Q2", "Moss plc", 2000, 30000, 15});
        rows.add(new Object[] {"Q3", "VACANT", 1000, "", ""});
        rows.add(new Object[] {"Quay House total", "", 4000, 42000, 10.5});
        rows.add(new Object[] {"Occupancy", "", 0.75, "", ""});
        rows.add(new Object[] {"Mill Court"});
        rows.add(new Object[] {"M1", "Reed & Co", 500, 8000, 16});
        rows.add(new Object[] {"M2", "Ash Bros", 700, 10500, 15});
        rows.add(new Object[] {"Mill Court total", "", 1200, 18500, 15.42});
        rows.add(new Object[] {"Occupancy", "", 1, "", ""});
        rows.add(new Object[] {"Portfolio", "", 5200, 60500, 11.63});
        FoundTable found = Sheets.tables(rows).get(0);
        assertThat(found.kept()).isEqualTo(5);
        assertThat(found.doubts())
                .filteredOn(doubt -> doubt.kind().equals("total-compared"))
                .extracting(FoundTable.Doubt::row)
                .containsExactly(7, 12);
        assertThat(StatedTotals.sums(found)).allMatch(FoundTable.StatedTotal::agrees);
    }

    @Test
    void whatIsTakenOffATotalHasItsCellsAndIsNoRecord() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Deal", "Client", "Closed", "Value EUR", "Comment"},
                        new Object[] {"D-1", "Holt AG", LocalDate.of(2026, 4, 3), 1200, ""},
                        new Object[] {"D-2", "Fenn & Co", LocalDate.of(2026, 4, 9), 800, "late"},
                        new Object[] {"D-3", "Holt AG", LocalDate.of(2026, 4, 20), 500, ""},
                        new Object[] {"", "", "Total", 2500, ""},
                        new Object[] {"", "", "Commission 4%", 100, ""},
                        new Object[] {"", "", "Paid in advance", -20, ""},
                        new Object[] {"", "", "To be paid", 80, ""}))
                .get(0);
        assertThat(found.kept()).isEqualTo(3);
        assertThat(found.doubts())
                .singleElement()
                .satisfies(doubt -> assertThat(doubt.text())
                        .isEqualTo(
                                "3 rows behind the total of all others, the first “Commission 4%”, are filled as this"
                                        + " total is and not as records are; set aside with it."));
    }

    @Test
    void whatStandsFarBelowTheItemsOfAnInvoiceIsNotSaidToBeKept() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Qty", "Description", "Unit", "Unit price", "Line total"});
        rows.add(new Object[] {1, "Rope", "m", 42.48, 42.48});
        rows.add(new Object[] {6, "Rope", "m", 47.82, 286.92});
        rows.add(new Object[] {5, "Shackle", "ea", 18.37, 91.85});
        rows.add(new Object[] {""});
        rows.add(new Object[] {""});
        rows.add(new Object[] {"", "", "", "Net", 421.25});
        rows.add(new Object[] {"", "", "", "VAT 20%", 84.25});
        rows.add(new Object[] {"", "", "", "Total due", 505.5});
        rows.add(new Object[] {""});
        rows.add(new Object[] {"Payment within 30 days. Thank you."});
        FoundTable found = Sheets.tables(rows).get(0);
        assertThat(found.kept()).isEqualTo(3);
        assertThat(found.doubts()).extracting(FoundTable.Doubt::kind).containsExactly("charge-row");
    }

    @Test
    void aRecordBehindTheTotalThatHasWhatRecordsHaveIsKeptAndPointedOut() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Client", "Value EUR", "Comment"},
                        new Object[] {"Holt AG", 1200, ""},
                        new Object[] {"Fenn & Co", 800, "late"},
                        new Object[] {"Marsh Ltd", 500, ""},
                        new Object[] {"Total", 2500, ""},
                        new Object[] {"Pell", 100, ""}))
                .get(0);
        assertThat(found.kept()).isEqualTo(4);
        assertThat(found.doubts()).extracting(FoundTable.Doubt::kind).containsExactly("behind-total");
    }

    @Test
    void allWardsAddUpTheWardsAboveAndSharesOfThatAreNoWard() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Ward", "Beds", "1", "2", "3", "Average"},
                        new Object[] {"Ash", 24, 16, 13, 24, 17.7},
                        new Object[] {"Birch", 24, 20, 18, 11, 16.3},
                        new Object[] {"Cedar", 24, 10, 12, 20, 14},
                        new Object[] {"All wards", 72, 46, 43, 55, 48.1},
                        new Object[] {"% occupied", "", 0.64, 0.6, 0.76, ""}))
                .get(0);
        assertThat(found.kept()).isEqualTo(3);
        assertThat(found.doubts()).extracting(FoundTable.Doubt::kind).containsExactly("total-compared");
        assertThat(StatedTotals.sums(found)).allMatch(FoundTable.StatedTotal::agrees);
    }

    @Test
    void theDecimalMarkThatALaterRowShowsIsThatOfTheRowsBeforeIt() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Round", "Material", "Tonnage"},
                        new Object[] {"Blue", "Glass", "12,627"},
                        new Object[] {"Blue", "Paper", "2,299"},
                        new Object[] {"Green", "Glass", "0,4"},
                        new Object[] {"Green", "Paper", "7,484"},
                        new Object[] {"Total for return", "", "22,810"}))
                .get(0);
        assertThat(found.kept()).isEqualTo(4);
        assertThat(found.totals()).singleElement().matches(FoundTable.StatedTotal::agrees);
    }

    @Test
    void aLossInPercentsBelowWhatIsLeftIsNoRecord() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Heading", "Jan", "Feb"},
                        new Object[] {"Hire", 100, 120},
                        new Object[] {"Sales", 200, 180},
                        new Object[] {"Total income", 300, 300},
                        new Object[] {"Wages", 500, 100},
                        new Object[] {"Rent", 150, 150},
                        new Object[] {"Total expenditure", 650, 250},
                        new Object[] {"Net profit", -350, 50},
                        new Object[] {"Margin %", -1.17, 0.17}))
                .get(0);
        assertThat(found.kept()).isEqualTo(4);
    }

    @Test
    void whatTheYearHasComeToSoFarIsATotalWhereItAddsUp() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Month", "Miles", "Fuel"},
                        new Object[] {"2026-01-01", 1876, 152.5},
                        new Object[] {"2026-02-01", 1740, 126},
                        new Object[] {"2026-03-01", 1013, 255.25},
                        new Object[] {"Year to date", 4629, ""}))
                .get(0);
        assertThat(found.kept()).isEqualTo(3);
    }

    @Test
    void aRowBehindTheTotalOfAllOthersIsKeptAndSaid() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Region", "Bookings", "Cancelled"},
                        new Object[] {"North", 393, 9},
                        new Object[] {"South", 587, 47},
                        new Object[] {"East", 837, 59},
                        new Object[] {"Total", 1817, 115},
                        new Object[] {"Islands", 21, 4}))
                .get(0);
        assertThat(found.kept()).isEqualTo(4);
        assertThat(found.doubts()).anyMatch(doubt -> doubt.kind().equals("behind-total"));
    }

    @Test
    void whatIsLeftOfTwoTotalsIsNoRecord() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Heading", "Budget", "Actual"},
                        new Object[] {"Precept", 838, 893},
                        new Object[] {"Hall", 766, 738},
                        new Object[] {"Total income", 1604, 1631},
                        new Object[] {"Clerk", 368, 321},
                        new Object[] {"Repairs", 500, 610},
                        new Object[] {"Total expenditure", 868, 931},
                        new Object[] {"Surplus/(deficit)", 736, 700}))
                .get(0);
        assertThat(found.kept()).isEqualTo(4);
        assertThat(found.doubts())
                .anyMatch(doubt -> doubt.row() == 8 && doubt.kind().equals("total-compared"));
    }

    @Test
    void howManyThereAreBelowAGroupIsNoLineOverTheNext() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Name", "Rank", "Born", "Joined"});
        for (String vessel : List.of("MV Dunlin", "MV Petrel")) {
            rows.add(new Object[] {vessel});
            for (int i = 0; i < 3; i++) {
                rows.add(new Object[] {
                    vessel.charAt(3) + "nn Reed " + (char) ('A' + i), "Mate", "1980-02-0" + (1 + i), "2025-01-01"
                });
            }
            rows.add(new Object[] {"3 persons"});
        }
        FoundTable found = Sheets.tables(rows).get(0);
        assertThat(found.kept()).isEqualTo(6);
        assertThat(found.sections()).extracting(FoundTable.Aside::text).containsExactly("MV Dunlin", "MV Petrel");
    }

    @Test
    void aCardBehindAnotherBeginsAnotherTableThoughItsOpeningBalanceStandsRightBelowItsHeader() {
        List<Object[]> rows = new ArrayList<>(List.of(new Object[] {"Nominal activity"}, new Object[] {}));
        rows.addAll(card("4000", "Sales", 937, 189, 242, 37, 96, 181));
        rows.addAll(card("7500", "Postage", 2069, 797, 502, 72, 585));
        rows.addAll(card("7000", "Wages", 1642, 460, 804, 927));
        List<FoundTable> found = Sheets.tables(rows);
        assertThat(found).extracting(FoundTable::kept).containsExactly(5, 4, 3);
        assertThat(found).allMatch(table -> table.sections().isEmpty());
    }

    private static List<Object[]> card(String account, String name, int opening, int... numbers) {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Account", account, name});
        rows.add(new Object[] {"No", "Type", "Date", "Details", "Debit", "Credit", "Balance"});
        rows.add(new Object[] {"", "", "", "Opening balance", "", "", opening});
        int balance = opening;
        for (int number : numbers) {
            boolean debit = number % 2 == 0;
            balance += debit ? number : -number;
            rows.add(new Object[] {
                number,
                debit ? "JD" : "SI",
                "2026-02-14",
                "Delta Roads",
                debit ? number : "",
                debit ? "" : number,
                balance
            });
        }
        rows.add(new Object[] {"", "", "", "Closing balance", "", "", balance});
        rows.add(new Object[] {});
        return rows;
    }

    @Test
    void aFirstRowWithoutKeysThatAddsUpAllBelowIsTheirTotal() {
        FoundTable found =
                Sheets.tables(providers(24 + 31 + 8 + 12, 7 + 2 + 9 + 4)).get(0);
        assertThat(found.kept()).isEqualTo(4);
        assertThat(found.doubts()).extracting(FoundTable.Doubt::kind).containsExactly("total-above");
        FoundTable other = Sheets.tables(providers(80, 7 + 2 + 9 + 4)).get(0);
        assertThat(other.kept()).as("one of its sums is wrong").isEqualTo(5);
    }

    private static List<Object[]> providers(int attended, int admitted) {
        return List.of(
                new Object[] {"Code", "Region", "Name", "Attended", "Admitted"},
                new Object[] {"-", "-", "Hollin Bay", attended, admitted},
                new Object[] {"R01", "North", "Aske Trust", 24, 7},
                new Object[] {"R02", "North", "Brill Trust", 31, 2},
                new Object[] {"R03", "South", "Carrow Trust", 8, 9},
                new Object[] {"R04", "South", "Dunlin Trust", 12, 4});
    }

    @Test
    void theLastLineOfAnExportThatCountsItsRowsIsNoRow() {
        List<Object[]> rows = payments(12);
        rows.add(new Object[] {"TRL", "12", "", "", ""});
        FoundTable found = Sheets.tables(rows).get(0);
        assertThat(found.kept()).isEqualTo(12);
        assertThat(found.doubts()).anyMatch(doubt -> doubt.kind().equals("count-row"));
    }

    @Test
    void aCountOfOtherRowsAndAWordThatRowsHaveMakeNoLastLine() {
        List<Object[]> rows = payments(12);
        rows.add(new Object[] {"TRL", "17", "", "", ""});
        assertThat(Sheets.tables(rows).get(0).kept()).isEqualTo(13);
        rows = payments(12);
        rows.add(new Object[] {"P10003", "12", "", "", ""});
        assertThat(Sheets.tables(rows).get(0).kept()).isEqualTo(13);
    }

    private static List<Object[]> payments(int count) {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"REF", "PAYEE", "PAYDATE", "AMOUNT", "CCY"});
        for (int i = 0; i < count; i++) {
            rows.add(new Object[] {
                "P" + (10000 + i), i % 2 == 0 ? "Delta Roads" : "Halden & Co", 20260101 + i, 12.5 + i * 31 % 17, "GBP"
            });
        }
        return rows;
    }

    @Test
    void whatAnAccountHeldBeforeAndAfterIsNoMovementOfIt() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Date", "Document", "Text", "Debit", "Credit", "Balance"},
                        new Object[] {"", "", "Opening balance", "", "", 414},
                        new Object[] {"2026-01-01", "D10", "Invoice", "", 134, 280},
                        new Object[] {"2026-01-02", "D11", "Fee", 237, "", 517},
                        new Object[] {"2026-01-04", "D12", "Payment", "", 17, 500},
                        new Object[] {"", "", "Closing balance", "", "", 500}))
                .get(0);
        assertThat(found.kept()).isEqualTo(3);
        assertThat(found.doubts()).extracting(FoundTable.Doubt::kind).containsOnly("balance-row");
        FoundTable dated = Sheets.tables(List.of(
                        new Object[] {"Date", "Details", "Paid out", "Paid in", "Balance"},
                        new Object[] {"1 Jan", "Balance brought forward", "", "", 414},
                        new Object[] {"2 Jan", "Fee", "", 134, 548},
                        new Object[] {"3 Jan", "Transfer", 237, "", 311},
                        new Object[] {"28 Jan", "Balance carried forward", "", "", 311}))
                .get(0);
        assertThat(dated.kept()).as("with a day").isEqualTo(2);
        FoundTable pages = Sheets.tables(List.of(
                        new Object[] {"Date", "Details", "Amount"},
                        new Object[] {"2026-01-01", "Rope", 41},
                        new Object[] {"2026-01-02", "Buoy", 59},
                        new Object[] {"", "Carried forward", 100},
                        new Object[] {"", "Brought forward", 100},
                        new Object[] {"2026-01-03", "Pump", 20},
                        new Object[] {"", "Total", 120}))
                .get(0);
        assertThat(pages.kept()).as("page by page").isEqualTo(3);
        assertThat(pages.totals()).allMatch(FoundTable.StatedTotal::agrees);
        FoundTable statement = Sheets.tables(List.of(
                        new Object[] {"Line", "Plan", "Actual"},
                        new Object[] {"Opening balance", 400, 414},
                        new Object[] {"Receipts", 200, 237},
                        new Object[] {"Closing balance", 600, 651}))
                .get(0);
        assertThat(statement.kept()).as("lines of a statement").isEqualTo(3);
    }

    @Test
    void sumsWithoutANameAreATotalThoughOneOfThemIsWrong() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Day", "Show", "Adults", "Children", "Taken", "Paid out"},
                        new Object[] {"2026-01-01", "S1", 49, 37, 176.01, 97.01},
                        new Object[] {"2026-01-02", "S2", 178, 53, 363.01, 19.48},
                        new Object[] {"2026-01-03", "S3", 14, 10, 92.45, 100.82},
                        new Object[] {"2026-01-04", "S4", 5, 7, 40.39, 853.82},
                        new Object[] {"", "", 246, 101, 671.86, 1071.13}))
                .get(0);
        assertThat(found.kept()).isEqualTo(4);
        assertThat(found.totals()).filteredOn(total -> !total.agrees()).hasSize(1);
    }

    @Test
    void aRowCalledAverageThatIsNoneOfTheRowsAboveIsKeptAndTold() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Student", "Test 1", "Test 2", "Essay"},
                        new Object[] {"Ann Hall", 12, 14, 21},
                        new Object[] {"Bo Moss", 20, 13, 37},
                        new Object[] {"Cy Reed", 5, 8, 44},
                        new Object[] {"Average", 15.5, 9.25, 30}))
                .get(0);
        assertThat(found.kept()).isEqualTo(4);
        assertThat(found.doubts()).extracting(FoundTable.Doubt::kind).containsExactly("figure-row");
    }

    @Test
    void twoRowsAndTheirSumsAreAskedAbout() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Line", "2026", "2025"},
                        new Object[] {"Turnover", 641, 700},
                        new Object[] {"Cost of sales", -132, -195},
                        new Object[] {"Gross profit", 509, 505},
                        new Object[] {"Depreciation", -85, -78}))
                .get(0);
        assertThat(found.doubts()).anyMatch(doubt -> doubt.kind().equals("total-row") && doubt.row() == 4);
    }

    @Test
    void aRecordCalledTotalSomethingThatComesTwiceIsNoTotalOfItself() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Waste type", "Stops", "Tonnes"});
        rows.add(new Object[] {"Paper", 154, 3.129});
        rows.add(new Object[] {"Total mixed glass", 507, 10.401});
        rows.add(new Object[] {"Food waste", 1381, 1.802});
        rows.add(new Object[] {"Subtotal", 2042, 15.332});
        rows.add(new Object[] {"Total mixed glass", 253, 7.845});
        rows.add(new Object[] {"Total mixed glass", 253, 7.845});
        rows.add(new Object[] {"Green North total", 506, 15.69});
        FoundTable found = Sheets.tables(rows).get(0);
        assertThat(found.kept()).isEqualTo(5);
        assertThat(found.setAside()).containsEntry(RowClass.TOTAL, 2);
        assertThat(found.doubts()).as("told, as it could be a total").anyMatch(doubt -> doubt.row() == 7);
    }

    private static FoundTable claim(String last, Object... amounts) {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Date", "What for", "Amount"});
        for (int i = 0; i < amounts.length - 1; i++) {
            rows.add(new Object[] {LocalDate.of(2026, 3, 2 + i), i % 2 == 0 ? "Train" : "Hotel", amounts[i]});
        }
        rows.add(new Object[] {"", last, amounts[amounts.length - 1]});
        return Sheets.tables(rows).get(0);
    }

    @Test
    void oneSumOfManyDigitsWithoutWhatEveryRecordHasIsATotalOfAFewRows() {
        assertThat(claim("Ada Moss", 12.5, 80, 14.2, 106.7).kept()).isEqualTo(3);
        assertThat(claim("Ada Moss", 9.9, 120, 129.9).kept()).isEqualTo(2);
        assertThat(claim("Ada Moss", 1500, 2250, 1125, 4875).kept()).isEqualTo(3);
    }

    @Test
    void oneSumThatAFewRowsMayComeToByAccidentIsAskedAbout() {
        for (FoundTable found : List.of(
                claim("Ada Moss", 12, 80, 15, 107),
                claim("Ada Moss", 2000, 3000, 5000),
                claim("Ada Moss", 4.5, 5.5, 10))) {
            assertThat(found.kept()).isEqualTo(found.doubts().get(0).row() - 1);
            assertThat(found.doubts())
                    .singleElement()
                    .extracting(FoundTable.Doubt::kind)
                    .isEqualTo("total-row");
        }
        assertThat(claim("Ada Moss", 12.5, 80, 14.2, 106.9).doubts())
                .as("what adds up nothing")
                .isEmpty();
    }

    @Test
    void whatOneLineOfAnInvoiceComesToIsNamedAmongItsPrices() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Item", "Qty", "Price", "Amount"},
                        new Object[] {"Chair", 1, 14.69, 14.69},
                        new Object[] {"", "", "Net", 14.69},
                        new Object[] {"", "", "VAT 20%", 2.94},
                        new Object[] {"", "", "Payable", 17.63}))
                .get(0);
        assertThat(found.kept()).isEqualTo(1);
    }

    @Test
    void aRowCalledAsTheTotalOfAnotherGroupIsATotalTooOrIsTold() {
        List<Object[]> rows = new ArrayList<>(List.of(
                new Object[] {"Region", "Month", "Sales"},
                new Object[] {"North", "Jan", 821},
                new Object[] {"", "Feb", 410},
                new Object[] {"", "Mar", 645},
                new Object[] {"", "Quarter", 1876},
                new Object[] {"South", "Jan", 88},
                new Object[] {"", "Feb", 329},
                new Object[] {"", "Mar", 42},
                new Object[] {"", "Quarter", 459}));
        assertThat(Sheets.tables(rows).get(0).kept()).isEqualTo(6);
        rows.set(8, new Object[] {"", "Quarter", 469});
        FoundTable wrong = Sheets.tables(rows).get(0);
        assertThat(wrong.kept()).isEqualTo(7);
        assertThat(wrong.doubts())
                .singleElement()
                .satisfies(doubt -> assertThat(doubt.text()).startsWith("Row 9 is called as the total in row 5 is"));
    }

    private static FoundTable trips(Object... pax) {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Date", "Port", "Vessel", "Pax"});
        String port = "Hull";
        int day = 1;
        for (Object each : pax) {
            if (each instanceof String said) {
                rows.add(new Object[] {"", port, "", Integer.parseInt(said)});
                port = port.equals("Hull") ? "Goole" : "Selby";
            } else {
                rows.add(new Object[] {LocalDate.of(2026, 3, day++), port, "MV Dunlin", each});
            }
        }
        return Sheets.tables(rows).get(0);
    }

    @Test
    void aGroupIsAddedUpUnderItsOwnNameWhereRecordsHaveMore() {
        assertThat(trips(55, 61, "116", 18, 20, 42, "80", 84, "84").kept()).isEqualTo(6);
        FoundTable ofOne = trips(55, "55", 18, 20, 42, "80");
        assertThat(ofOne.kept()).isEqualTo(4);
        assertThat(ofOne.doubts()).extracting(FoundTable.Doubt::kind).containsExactly("group-of-one");
        FoundTable wrong = trips(55, 61, "116", 18, 20, 42, "81");
        assertThat(wrong.kept()).isEqualTo(6);
        assertThat(wrong.doubts())
                .singleElement()
                .satisfies(doubt ->
                        assertThat(doubt.text()).startsWith("Row 8 is filled as the total of a group in row 4 is"));
    }

    @Test
    void aRecordThatStandsTwiceUnderItsCategoryIsNoTotalOfOne() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Animal", "Product", "Price", "Doses", "Weight"},
                        new Object[] {"Rabbit", "Felicor", 142.13, 5, 566},
                        new Object[] {"", "Felicor", 142.13, 5, 566},
                        new Object[] {"", "Cordavax", 74.55, 31, 72.6},
                        new Object[] {"Horse", "Cordavax", 37.98, 2, 407.1},
                        new Object[] {"", "Lepin", 87.06, 21, 39.6}))
                .get(0);
        assertThat(found.kept()).isEqualTo(5);
    }

    @Test
    void recordsThatLackADateAndHappenToBeLikeThoseAboveAreKept() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Date", "Item", "Qty"},
                        new Object[] {LocalDate.of(2026, 3, 1), "Tea", 1},
                        new Object[] {"", "Jam", 2},
                        new Object[] {"", "Tea", 3},
                        new Object[] {LocalDate.of(2026, 3, 2), "Tea", 1},
                        new Object[] {"", "Tea", 7}))
                .get(0);
        assertThat(found.kept()).isEqualTo(5);
    }

    @Test
    void sumsBesideTheMeanOfPricesAreATotal() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Month", "Units", "Price", "Sales"},
                        new Object[] {"Jan", 51, 7.75, 395.25},
                        new Object[] {"Feb", 20, 6.05, 121},
                        new Object[] {"Mar", 34, 5.56, 189.04},
                        new Object[] {"Apr", 60, 8.16, 489.6},
                        new Object[] {"", 165, 6.88, 1194.89}))
                .get(0);
        assertThat(found.kept()).isEqualTo(4);
    }
}
