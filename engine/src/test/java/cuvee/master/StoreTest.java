package cuvee.master;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.layout.Origin;
import cuvee.sheet.Row;
import cuvee.testing.Rows;
import cuvee.value.Convention;
import cuvee.value.Evidence;
import cuvee.value.Type;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StoreTest {
    private static final Store.Means SMALL = new Store.Means(200, 2);

    @TempDir
    Path folder;

    private static void stage(StageWriter writer, int table, Row... rows) {
        writer.begin(table);
        for (Row row : rows) {
            writer.add(row);
        }
        writer.flush();
    }

    private static MasterPlan.Table table(int id, String source, int first, int count, Evidence evidence) {
        return new MasterPlan.Table(
                id,
                id,
                8,
                source,
                "",
                first,
                first + count - 1,
                new MasterPlan.Runs(new int[] {first}, new int[] {count}),
                false,
                0,
                List.of(),
                List.of(),
                List.of(),
                java.util.Set.of(),
                List.of(new MasterPlan.Feed(new Origin.Cell(0), Convention.DEFAULT, evidence)));
    }

    private static Evidence numbers(int count) {
        return Rows.evidence(Collections.nCopies(count, 5));
    }

    private static MasterPlan plan(MasterPlan.Table... tables) {
        return new MasterPlan(
                List.of(new MasterPlan.Column("Pax", Type.WHOLE_NUMBER, 3, 0)),
                List.of(new MasterPlan.Tag("Source file", MasterPlan.TagKind.SOURCE_FILE)),
                List.of(tables));
    }

    private static List<String> lines(Store store, MasterPlan plan) {
        List<String> lines = new ArrayList<>();
        try (MasterReader reader = store.reader(plan)) {
            reader.each(values -> lines.add(values[0] + " " + values[1]));
        }
        return lines;
    }

    @Test
    void theFirstRecordsOfTablesAreReadTogetherWithoutWhatIsSetAside() {
        try (Store store = Store.open(folder, SMALL);
                StageWriter writer = store.stageWriter()) {
            stage(writer, 1, Rows.row(2, "a", 1), Rows.row(3, "total", 1), Rows.row(4, "b", 2), Rows.row(5, "c", 3));
            stage(writer, 2, Rows.row(2, "d"), Rows.row(3, "e"));
            Row[] many = new Row[30];
            for (int i = 0; i < many.length; i++) {
                many[i] = Rows.row(i + 2, "f" + i);
            }
            stage(writer, 3, many);
            store.putAside(Map.of(11, Map.of(3, "total")));
            Map<Integer, List<List<String>>> records = store.rows()
                    .firstRecords(
                            List.of(
                                    new StagedRows.Stretch(13, 3, 8, 2, 31, false),
                                    new StagedRows.Stretch(12, 2, 8, 3, 3, false),
                                    new StagedRows.Stretch(11, 1, 8, 2, 5, true)),
                            2);
            assertThat(firstCells(records.get(11))).containsExactly("a", "b");
            assertThat(firstCells(records.get(12))).containsExactly("e");
            assertThat(firstCells(records.get(13))).containsExactly("f0", "f1");
        }
    }

    private static List<String> firstCells(List<List<String>> rows) {
        return rows.stream().map(row -> row.get(0)).toList();
    }

    @Test
    void numbersAreLookedThroughInWhicheverColumnOfEachTableTheyStand() {
        try (Store store = Store.open(folder, SMALL);
                StageWriter writer = store.stageWriter()) {
            stage(writer, 1, Rows.row(2, "a", 1.25), Rows.row(3, "b", 7));
            stage(writer, 2, Rows.row(2, 40, "x"), Rows.row(3, 60, "y"));
            Map<Integer, SourceCells.Range> ranges = store.cells()
                    .ranges(
                            List.of(
                                    new SourceCells.Cells(11, 1, 8, 2, 3, false, 1),
                                    new SourceCells.Cells(12, 2, 8, 2, 3, false, 0)),
                            Convention.DEFAULT);
            assertThat(ranges)
                    .containsEntry(11, new SourceCells.Range(2, 1.25, 7, 2))
                    .containsEntry(12, new SourceCells.Range(2, 40, 60, 0));
        }
    }

    @Test
    void whatIsStagedIsThereAsFound() {
        try (Store store = Store.open(folder, SMALL);
                StageWriter writer = store.stageWriter()) {
            stage(writer, 1, Rows.row(3, "Grünholm 😀", "", 5, "\u0002odd"));
            assertThat(store.rows().row(1, 8, 3))
                    .containsExactly("Grünholm 😀", null, "\u00025", "\u0001\u0002odd", null, null, null, null);
            assertThat(store.rows().row(1, 8, 4)).isEmpty();
        }
    }

    @Test
    void aRowWiderThanAllBeforeMovesItsSheet() {
        try (Store store = Store.open(folder, SMALL);
                StageWriter writer = store.stageWriter()) {
            Row[] rows = new Row[101];
            for (int i = 0; i < 100; i++) {
                rows[i] = Rows.row(i + 1, "a", i);
            }
            Object[] wide = new Object[20];
            java.util.Arrays.fill(wide, "w");
            rows[100] = Rows.row(101, wide);
            stage(writer, 1, rows);
            assertThat(writer.width()).isEqualTo(32);
            assertThat(store.rows().row(1, 32, 1).subList(0, 2)).containsExactly("a", "\u00020");
            assertThat(store.rows().row(1, 32, 101).get(19)).isEqualTo("w");
            assertThat(store.rows().row(1, 8, 1)).isEmpty();
        }
    }

    @ParameterizedTest
    @CsvSource({"1,8", "8,8", "9,16", "16,16", "17,32", "1000,1024"})
    void stagingTablesComeInWidths(int cells, int width) {
        assertThat(Staging.widthFor(cells)).isEqualTo(width);
    }

    @Test
    void onlyTablesThatChangedAreMadeAnew() {
        try (Store store = Store.open(folder, SMALL);
                StageWriter writer = store.stageWriter()) {
            stage(writer, 1, Rows.row(1, 5), Rows.row(2, 6));
            stage(writer, 2, Rows.row(1, 7));
            MasterPlan.Table a = table(1, "a", 1, 2, numbers(2));
            MasterPlan.Table b = table(2, "b", 1, 1, numbers(1));
            assertThat(store.build(plan(a, b))).isEqualTo(3);
            assertThat(store.build(plan(a, b))).isZero();
            stage(writer, 3, Rows.row(1, 9));
            MasterPlan changed = plan(table(3, "b", 1, 1, numbers(1)), a);
            assertThat(store.build(changed)).isEqualTo(1);
            assertThat(lines(store, changed))
                    .as("in the order of the plan, not of the store")
                    .containsExactly("9 b", "5 a", "6 a");
        }
    }

    @Test
    void aPageIsFoundAnywhereThoughRowsWereSetAside() {
        try (Store store = Store.open(folder, SMALL);
                StageWriter writer = store.stageWriter()) {
            Row[] rows = new Row[60];
            for (int i = 0; i < 60; i++) {
                rows[i] = Rows.row(i + 1, i);
            }
            stage(writer, 1, rows);
            store.putAside(Map.of(1, Map.of(11, "total", 12, "blank")));
            MasterPlan plan = plan(new MasterPlan.Table(
                    1,
                    1,
                    8,
                    "a",
                    "",
                    1,
                    60,
                    new MasterPlan.Runs(new int[] {1, 13}, new int[] {10, 48}),
                    true,
                    0,
                    List.of(),
                    List.of(),
                    List.of(),
                    java.util.Set.of(),
                    List.of(new MasterPlan.Feed(new Origin.Cell(0), Convention.DEFAULT, numbers(58)))));
            assertThat(store.build(plan)).isEqualTo(58);
            try (MasterReader reader = store.reader(plan)) {
                assertThat(reader.page(8, 4))
                        .extracting(line -> line.row() + "=" + line.values().get(0))
                        .containsExactly("9=8", "10=9", "13=12", "14=13");
                assertThat(reader.page(57, 10)).hasSize(1);
                assertThat(reader.totals().get(0).filled()).isEqualTo(58);
                assertThat(reader.rowsByTable()).containsExactly(Map.entry(1, 58L));
            }
        }
    }

    @Test
    void whatIsKnownSurvivesAndWhatIsGoneIsForgotten() {
        try (Store store = Store.open(folder, SMALL);
                StageWriter writer = store.stageWriter()) {
            stage(writer, 1, Rows.row(1, 5));
            stage(writer, 2, Rows.row(1, 6));
            store.putFacts(Map.of("a.csv", "{\"it's\": 1}", "b.csv", "{}"), List.of());
            store.putFacts(Map.of("a.csv", "{\"it's\": 2}"), List.of("b.csv"));
            store.keepOnly(Set.of(2), Set.of(2));
            store.checkpoint();
        }
        try (Store store = Store.open(folder, SMALL)) {
            assertThat(store.facts()).containsExactly(Map.entry("a.csv", "{\"it's\": 2}"));
            assertThat(store.rows().row(1, 8, 1)).isEmpty();
            assertThat(store.rows().row(2, 8, 1)).isNotEmpty();
            assertThat(store.nextTable()).isEqualTo(3);
        }
    }

    @Test
    void aStatementThatFailsSaysWhatWasBeingDone() {
        try (Store store = Store.open(folder, SMALL)) {
            assertThatThrownBy(() -> store.execute("SELECT nothing FROM nowhere"))
                    .hasMessageContaining("Cuvee's own store failed while running a statement")
                    .hasMessageContaining("costs only time");
        }
    }
}
