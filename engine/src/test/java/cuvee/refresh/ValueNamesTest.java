package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.testing.Workbooks;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What the values of months that run across are called where nothing stands over them. */
class ValueNamesTest extends BatchTest {
    @Test
    void whatAllTitlesShareNamesTheValues() {
        batch.sheet(
                "a.xlsx", row("Crew hours Hollin 2026"), row(), row("Team", "Jan", "Feb", "Mar"), row("A", 1, 2, 3));
        batch.sheet("b.xlsx", row("Crew hours Tarsk 2026"), row("Team", "Jan", "Feb", "Mar"), row("B", 4, 5, 6));
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).startsWith("Team", "Month", "Crew hours");
        batch.sheet(
                "c.xlsx", row("Days at sea 2026"), row("Team", "Grade", "Jan", "Feb", "Mar"), row("C", "x", 7, 8, 9));
        assertThat(batch.refresh().columns())
                .as("what was decided holds for a layout that comes later")
                .contains("Crew hours")
                .doesNotContain("Days at sea", "Amount");
    }

    @Test
    void whatOtherTablesSayOverTheirMonthsNamesTheValuesOfThoseThatSayNothing() {
        batch.csv("Hollin.csv", "Route,Jan 2026,Feb 2026,Mar 2026", "Inner Sound,457,1921,0", "Marsh Ferry,771,183,16");
        batch.csv(
                "Tarsk.csv",
                "Route,People carried,,",
                ",Jan 2026,Feb 2026,Mar 2026",
                "Inner Sound,97,151,738",
                "Outer Isles,906,12,15");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).contains("People carried").doesNotContain("Amount");
        assertThat(made.lines()).hasSize(12).allMatch(line -> line.matches("[^|]+\\|2026-0[123]-01\\|\\d+.*"));
    }

    @Test
    void theOnlyNumberOfATableWithARecordForEachMonthNamesTheValuesOfThoseThatSayNothing() {
        batch.csv(
                "2025.csv",
                "Harbour,Gear,Jan 2025,Feb 2025,Mar 2025",
                "Hollin,Nets,457,1921,0",
                "Tarsk,Pots,771,183,16");
        batch.csv(
                "2026.csv",
                "Harbour;Kind of gear;Month;Crates:",
                "Hollin;Nets;Jan 2026;310",
                "Hollin;Nets;Feb 2026;714",
                "Tarsk;Pots;Jan 2026;249",
                "Tarsk;Pots;Mar 2026;192");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).contains("Crates").doesNotContain("Amount", "Crates:");
        assertThat(made.lines()).hasSize(10);
    }

    @Test
    void theOnlyNumberOfATableThatCallsTheLabelsOtherwiseNamesThemTooWhereItHoldsTheSameWords() {
        batch.csv(
                "Hollin.csv",
                "Ferry,Line,Month,Passengers",
                "Heron,Sound,Oct 2021,5",
                "Heron,Isles,Nov 2021,6",
                "Plover,Sound,Oct 2021,7",
                "Plover,Isles,Nov 2021,9");
        batch.csv(
                "Tarsk.csv",
                "Route,Vessel,Oct-21,Nov-21,Dec-21",
                "Sound,Heron,50,60,70",
                "Sound,Plover,55,65,75",
                "Isles,Heron,51,61,71");
        Batch.Made made = batch.refresh();
        assertThat(made.columns())
                .startsWith("Ferry", "Line", "Month", "Passengers")
                .hasSize(5);
        assertThat(made.lines())
                .contains("Heron|Sound|2021-10-01|50|Tarsk", "Heron|Sound|2021-10-01|5|Hollin")
                .hasSize(13);
    }

    @Test
    void theNameOfTheSheetNamesTheValuesWhereNoTitleDoes() {
        Workbooks.workbook()
                .sheet("Overtime 2026", row("Team", "Jan", "Feb", "Mar"), row("A", 1, 2, 3), row("B", 4, 5, 6))
                .save(batch.file("a.xlsx"));
        assertThat(batch.refresh().columns()).containsExactly("Team", "Month", "Overtime");
    }

    @Test
    void namesThatSayNothingNameNothing() {
        Workbooks.workbook()
                .sheet(
                        "Plan 2026",
                        row("Draft report"),
                        row("Team", "Jan", "Feb", "Mar"),
                        row("A", 1, 2, 3),
                        row("B", 4, 5, 6))
                .save(batch.file("a.xlsx"));
        assertThat(batch.refresh().columns()).containsExactly("Team", "Month", "Amount");
    }

    @Test
    void whatStandsBehindTheNameOfOneFileInItsTitleNamesTheValues() {
        for (String depot : List.of("Hollin", "Tarsk")) {
            batch.sheet(
                    depot + ".xlsx",
                    row(depot + " \u2013 profit and loss 2026"),
                    row("Line", "Apr", "May", "Jun"),
                    row("Sales", 10, 20, 30 + depot.length()),
                    row("Hire", 1, 2, 3));
        }
        assertThat(batch.refresh().columns()).contains("Profit and loss").doesNotContain("Loss");
    }
}
