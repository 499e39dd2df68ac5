package cuvee.gather;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Tables that stand on their side, a record in each column, are read as if they stood upright. */
class SidewaysTablesTest extends BatchTest {
    private static final Object[] FIELDS = {"Berth", "Built", "Keeper", "Cranes", "Dues", "Grade"};

    /** A berth of a port, the same each time. */
    private static Object[] berth(String port, int number) {
        return new Object[] {
            port + " " + number,
            LocalDate.of(1980 + number, number, 3),
            number % 2 == 0 ? "A. Quill" : "B. Sorrel",
            2 + number,
            100 * number + 0.25,
            number % 3 == 0 ? "A" : "B"
        };
    }

    private static String line(String port, int number) {
        Object[] berth = berth(port, number);
        return String.join("|", Arrays.stream(berth).map(String::valueOf).toList());
    }

    /** The rows of a table on its side, each with its label. */
    private static List<Object[]> onItsSide(Object[] fields, String port, int berths) {
        List<Object[]> rows = new ArrayList<>();
        for (int field = 0; field < fields.length; field++) {
            Object[] row = new Object[berths + 1];
            row[0] = fields[field];
            for (int number = 1; number <= berths; number++) {
                row[number] = berth(port, number)[field];
            }
            rows.add(row);
        }
        return rows;
    }

    private void sheet(String name, List<Object[]> rows) {
        batch.sheet(name, rows.toArray(Object[][]::new));
    }

    private void ports(int berths) {
        for (String port : List.of("Hollin", "Tarsk")) {
            sheet(port + ".xlsx", onItsSide(FIELDS, port, berths));
        }
    }

    @Test
    void eachColumnIsOneRow() {
        ports(4);
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).contains("Berth", "Built", "Keeper", "Cranes", "Dues", "Grade");
        assertThat(made.lines())
                .hasSize(8)
                .anyMatch(line -> line.startsWith(line("Hollin", 1)))
                .anyMatch(line -> line.startsWith(line("Tarsk", 4)));
        assertThat(made.outcome().questions()).isEmpty();
        assertThat(made.findings("form-read"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.what()).startsWith("2 sheets hold 8 records"));
        assertThat(made.outcome().sources().get(0).tables().stream()
                        .mapToInt(
                                table -> table.table().lastRow() - table.table().firstRow() + 1)
                        .sum())
                .as("its six lines, and one more for each further record")
                .isEqualTo(6 + 3);
        assertThat(made.outcome().sources().get(0).tables())
                .allSatisfy(table -> assertThat(table.table().reason()).contains("stands on its side"));
    }

    @Test
    void oneMoreColumnIsOneMoreRowNextMonth() {
        ports(3);
        assertThat(batch.refresh().lines()).hasSize(6);
        ports(5);
        assertThat(batch.refresh().lines()).hasSize(10).anyMatch(line -> line.startsWith(line("Tarsk", 5)));
    }

    @Test
    void titlesHeadingsAndNotesAreToldAndOthersMayStandUpright() {
        List<Object[]> rows = onItsSide(FIELDS, "Tarsk", 4);
        rows.add(3, new Object[] {"Dues and cranes"});
        rows.add(0, new Object[] {"Berths of Tarsk"});
        rows.add(1, new Object[] {});
        rows.add(new Object[] {"Seen by the harbour office"});
        sheet("Tarsk.xlsx", rows);
        List<Object[]> upright = new ArrayList<>();
        upright.add(FIELDS);
        for (int number = 1; number <= 6; number++) {
            upright.add(berth("Hollin", number));
        }
        sheet("Hollin.xlsx", upright);
        Batch.Made made = batch.refresh();
        assertThat(made.lines())
                .hasSize(10)
                .anyMatch(line -> line.startsWith(line("Hollin", 6)))
                .anyMatch(line -> line.startsWith(line("Tarsk", 4)));
        assertThat(made.outcome().questions()).isEmpty();
    }

    @Test
    void whatStandsOverTheRecordsWithoutALabelIsAColumnToo() {
        for (String port : List.of("Hollin", "Tarsk")) {
            List<Object[]> rows = onItsSide(new Object[] {null, "Built", "Keeper", "Cranes", "Dues", "Grade"}, port, 2);
            sheet(port + ".xlsx", rows);
        }
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).contains("Record", "Built", "Keeper");
        assertThat(made.lines()).hasSize(4).anyMatch(line -> line.startsWith(line("Tarsk", 2)));
    }

    @Test
    void monthsAcrossWithAWordBelowEachStayATableOfMonths() {
        for (String port : List.of("Hollin", "Tarsk", "Marsay")) {
            batch.sheet(
                    port + ".xlsx",
                    row("Line", "Jan-26", "Feb-26", "Mar-26"),
                    row("Fuel", 100 + port.length(), 120, 90),
                    row("Pay", 300, 310 + port.length(), 305),
                    row("Rent", 50, 50, 50 + port.length()),
                    row("Repairs", 7, 8, 9 * port.length()),
                    row("Status", "final", "final", "draft"));
        }
        assertThat(batch.refresh().findings("form-read")).isEmpty();
    }

    @Test
    void theAnalystMaySayThatItIsNone() {
        ports(4);
        String layout = batch.refresh().outcome().proposal().layouts().get(0).signature();
        batch.settle(Kinds.READING, layout, "no form");
        assertThat(batch.refresh().findings("form-read")).isEmpty();
    }

    @Test
    void twoColumnsOfPairsThatAreSaidToBeAFormAreOneRecord() {
        batch.sheet(
                "Tarsk.xlsx",
                row("Port", "Tarsk", "Cranes", 4),
                row("Keeper", "A. Quill", "Dues", 12.5),
                row("Grade", "B", "Berths", 9),
                row("Quay", "North", "Depth", 7.5));
        String layout = batch.refresh().outcome().sheets().get(0).signatures().get(0);
        assertThat(batch.settle(Kinds.READING, layout, "form").refresh().lines())
                .hasSize(1);
    }
}
