package cuvee.propose;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Choice;
import cuvee.decision.TableChoice;
import cuvee.finding.Severity;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Tables without a header, among others that have one. */
class HeadersOfOthersTest extends BatchTest {
    private static final Object[] HEADER = row("Docket", "Port", "Sailed", "Pieces", "Taken");

    private static List<Object[]> records(String port, int first, int count) {
        List<Object[]> rows = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            rows.add(row("D-" + (first + i), port, LocalDate.of(2026, 3, 1 + i), 3 + i, 10.25 + i + first / 100.0));
        }
        return rows;
    }

    private void port(String name, int first, int count) {
        List<Object[]> rows = new ArrayList<>(List.<Object[]>of(HEADER));
        rows.addAll(records(name, first, count));
        batch.sheet(name + ".xlsx", rows.toArray(Object[][]::new));
    }

    private void bare(String name, int first, int count) {
        batch.sheet(name + ".xlsx", records(name, first, count).toArray(Object[][]::new));
    }

    @Test
    void haveThatOfTheOthersAndLoseNoRow() {
        port("Hollin", 100, 6);
        port("Tarsk", 200, 5);
        bare("Fenn", 300, 4);
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Docket", "Port", "Sailed", "Pieces", "Taken");
        assertThat(made.lines()).hasSize(15).contains("D-300|Fenn|2026-03-01|3|13.25", "D-303|Fenn|2026-03-04|6|16.25");
        assertThat(made.findings("header-of-others")).singleElement().satisfies(finding -> {
            assertThat(finding.severity()).isEqualTo(Severity.WARNING);
            assertThat(finding.text())
                    .contains("1 table of Fenn.xlsx has no header", "“Docket”, “Port”, “Sailed”, “Pieces” and “Taken”");
        });
        assertThat(made.findings("no-header")).isEmpty();
        assertThat(batch.refresh().lines()).isEqualTo(made.lines());
    }

    @Test
    void ofTwoRecordsNeitherIsTakenForTheHeader() {
        port("Hollin", 100, 6);
        port("Tarsk", 200, 5);
        bare("Fenn", 300, 2);
        assertThat(batch.refresh().lines())
                .hasSize(13)
                .contains("D-300|Fenn|2026-03-01|3|13.25", "D-301|Fenn|2026-03-02|4|14.25");
    }

    @Test
    void withOtherColumnsAreAskedAboutAndNotLeftOutWithoutAWord() {
        port("Hollin", 100, 6);
        port("Tarsk", 200, 5);
        List<Object[]> rows = new ArrayList<>();
        records("Fenn", 300, 4).forEach(record -> rows.add(row(record[0], record[2], record[4])));
        batch.sheet("Fenn.xlsx", rows.toArray(Object[][]::new));
        Batch.Made made = batch.refresh();
        assertThat(made.findings("header-of-others")).isEmpty();
        assertThat(made.outcome().questions())
                .anySatisfy(question -> assertThat(question.text()).contains("Column A"));
    }

    @Test
    void whatTheAnalystSaysOfAColumnStands() {
        port("Hollin", 100, 6);
        port("Tarsk", 200, 5);
        bare("Fenn", 300, 4);
        batch.refresh();
        say("pieces", "Taken");
        say("taken", "Pieces");
        assertThat(batch.refresh().lines()).hasSize(15).contains("D-300|Fenn|2026-03-01|13.25|3");
    }

    private void say(String header, String as) {
        Choice.Words said = new TableChoice.HeaderRead(header, "Fenn.xlsx", as, true).words();
        batch.settle(said.kind(), said.subject(), said.answer());
    }
}
