package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Lines among the records of a table: those that head the rows below, and those that only remark on them. */
class LineRowsTest {
    @Test
    void aLabelWithItsDayHeadsTheSalesOfThatDay() {
        FoundTable found = Sheets.table(
                new Object[] {"Code", "Description", "Qty", "Value"},
                new Object[] {"Date: 01/03/2026"},
                new Object[] {100, "Rope", 6, 15},
                new Object[] {101, "Buoy", 4, 32},
                new Object[] {"Day total", "", "", 47},
                new Object[] {"Date: 02/03/2026"},
                new Object[] {100, "Rope", 5, 12.5},
                new Object[] {102, "Chain", 5, 40},
                new Object[] {"Day total", "", "", 52.5});
        assertThat(found.kept()).isEqualTo(4);
        assertThat(found.sections())
                .extracting(FoundTable.Aside::text)
                .containsExactly("Date: 01/03/2026", "Date: 02/03/2026");
    }

    @Test
    void whatGoesOnBehindTheTurnOfAPageIsNoHeadingOfItsOwn() {
        FoundTable found = Sheets.table(
                new Object[] {"Item", "Bin", "Qty", "Value"},
                new Object[] {"North depot"},
                new Object[] {"Rope", "A1", 6, 15},
                new Object[] {"Buoy", "A2", 4, 32},
                new Object[] {"continued over"},
                new Object[] {"Item", "Bin", "Qty", "Value"},
                new Object[] {"North depot (continued)"},
                new Object[] {"Chain", "A3", 5, 40},
                new Object[] {"South depot"},
                new Object[] {"Rope", "B1", 2, 5});
        assertThat(found.kept()).isEqualTo(4);
        assertThat(found.sections())
                .extracting(FoundTable.Aside::text)
                .containsExactly("North depot", "North depot", "South depot");
        assertThat(found.aside()).contains(new FoundTable.Aside(5, RowClass.NOTE));
    }

    @Test
    void accountsHeadTheirEntriesThoughFewOfThemStandBetweenTheBalances() {
        FoundTable found = Sheets.table(
                new Object[] {"Date", "Ref", "Narrative", "Debit", "Credit", "Balance"},
                new Object[] {"4000 Sales"},
                new Object[] {"", "", "Opening balance", "", "", 314.82},
                new Object[] {"2026-03-03", "J994", "Accrual", "", 114.03, 428.85},
                new Object[] {"2026-03-07", "J311", "Invoice", 20, "", 408.85},
                new Object[] {"", "", "Closing balance", "", "", 408.85},
                new Object[] {},
                new Object[] {"7100 Rent"},
                new Object[] {"", "", "Opening balance", "", "", 305.25},
                new Object[] {"2026-03-06", "J864", "Accrual", "", 205.18, 510.43},
                new Object[] {"", "", "Closing balance", "", "", 510.43});
        assertThat(found.kept()).isEqualTo(3);
        assertThat(found.sections()).extracting(FoundTable.Aside::text).containsExactly("4000 Sales", "7100 Rent");
    }

    @Test
    void whatIsSignedBehindTheTotalIsNoRecord() {
        FoundTable found = Sheets.table(
                new Object[] {"Date", "Description", "Category", "Amount", "VAT"},
                new Object[] {"2026-03-02", "Taxi", "Travel", 12.5, 2.08},
                new Object[] {"2026-03-05", "Lunch", "Food", 9.3, 1.55},
                new Object[] {"2026-03-08", "Train to Hollin", "Travel", 44.1, 7.35},
                new Object[] {},
                new Object[] {"", "", "Total claimed", 65.9, 10.98},
                new Object[] {},
                new Object[] {"Signature", "", "", "Date", "05/04/2026"});
        assertThat(found.kept()).isEqualTo(3);
        assertThat(found.aside()).extracting(FoundTable.Aside::rowClass).contains(RowClass.TOTAL, RowClass.NOTE);
    }

    @Test
    void aNoteBelowARecordHeadsNothing() {
        FoundTable found = Sheets.table(
                new Object[] {"Contract", "Supplier", "Start", "Value"},
                new Object[] {"C001", "Hall Ltd", "2025-01-01", 7000},
                new Object[] {"Note: extended by three months, see file"},
                new Object[] {"C002", "Moss plc", "2025-02-01", 9000},
                new Object[] {"C003", "Hall Ltd", "2025-03-01", 4000});
        assertThat(found.kept()).isEqualTo(3);
        assertThat(found.sections()).isEmpty();
        assertThat(found.aside()).extracting(FoundTable.Aside::rowClass).contains(RowClass.NOTE);
        assertThat(found.doubts())
                .singleElement()
                .matches(doubt -> doubt.kind().equals("note-between") && doubt.row() == 3);
    }

    @Test
    void whoSignedRightBelowTheTotalIsNoRecord() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Date", "What for", "Amount"},
                        new Object[] {LocalDate.of(2026, 3, 2), "Train", 12.5},
                        new Object[] {LocalDate.of(2026, 3, 5), "Hotel", 80},
                        new Object[] {LocalDate.of(2026, 3, 8), "Train", 14.2},
                        new Object[] {"Total", "", 106.7},
                        new Object[] {"Signed", "Ada Moss", ""}))
                .get(0);
        assertThat(found.kept()).isEqualTo(3);
        FoundTable one = Sheets.tables(List.of(
                        new Object[] {"Date", "What for", "Amount"},
                        new Object[] {LocalDate.of(2026, 3, 2), "Train", 400},
                        new Object[] {"", "To be paid", 400},
                        new Object[] {"Signed", "Di Pryde", ""}))
                .get(0);
        assertThat(one.kept()).isEqualTo(1);
    }

    @Test
    void legendsAndLinesToSignBelowTheRecordsAreNone() {
        List<Object[]> rows = new ArrayList<>(List.of(
                new Object[] {"Ref", "Remarks", "Amount"},
                new Object[] {"A100", "late", 12.5},
                new Object[] {"A101", "", 80},
                new Object[] {"A102", "see file", 14.2}));
        rows.add(new Object[] {""});
        rows.add(new Object[] {"y", "paid", ""});
        rows.add(new Object[] {"n", "not paid", ""});
        rows.add(new Object[] {"Page 1 of 1", "", ""});
        rows.add(new Object[] {"Checked by:", "", "Date:"});
        FoundTable legend = Sheets.tables(rows).get(0);
        assertThat(legend.kept()).isEqualTo(3);
        assertThat(legend.doubts())
                .as("an unfinished record would look the same")
                .singleElement()
                .satisfies(doubt -> assertThat(doubt.text())
                        .isEqualTo("2 rows below the records, the first “y | paid”, have words and none of the numbers"
                                + " that every record has; set aside as notes."));
        List<Object[]> withoutGap = new ArrayList<>(rows.subList(0, 4));
        withoutGap.add(new Object[] {"Checked by:", "", "Date:"});
        withoutGap.add(new Object[] {"Signed", "Ada Moss", ""});
        assertThat(Sheets.tables(withoutGap).get(0).kept()).isEqualTo(3);
        List<Object[]> pending = new ArrayList<>(rows.subList(0, 4));
        pending.add(new Object[] {""});
        pending.add(new Object[] {"A103", "to come", ""});
        assertThat(Sheets.tables(pending).get(0).kept())
                .as("a record without its amount")
                .isEqualTo(4);
    }
}
