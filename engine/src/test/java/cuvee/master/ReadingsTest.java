package cuvee.master;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.layout.Origin;
import cuvee.sheet.CellKind;
import cuvee.sheet.Row;
import cuvee.testing.Rows;
import cuvee.value.Convention;
import cuvee.value.Evidence;
import cuvee.value.Type;
import cuvee.value.ValueReader;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The store's own casts and {@link ValueReader} must give the same answers, whatever a column holds. */
class ReadingsTest {
    @TempDir
    Path folder;

    private static final String[] PIECES = {
        "12",
        "-7",
        "0",
        "1.5",
        "1,5",
        "1.204",
        "1,204",
        "1.204,50",
        "1,204.50",
        "2026-03-31",
        "31.03.2026",
        "03/25/2026",
        "fog",
        "",
        " ",
        "007",
        "12 %",
        "EUR 5",
        "true",
        "n/a",
        "14:05",
        "2026-03-31 14:05",
        "(5)",
        "5-",
        " 12 ",
        "+3",
        "1e3",
        "123456789012345678"
    };
    private static final String[] CELLS = {"\0022", "\0021.5", "\0033", "\003", "\004true", "\005#N/A", "\0060.5"};

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void everyReadingOfTheStoreIsTheReadersOwn(long seed) {
        Random random = new Random(seed);
        try (Store store = Store.open(folder, new Store.Means(200, 2));
                StageWriter writer = store.stageWriter()) {
            int table = store.nextTable();
            List<MasterPlan.Table> tables = new ArrayList<>();
            List<List<String>> staged = new ArrayList<>();
            Type type = Type.values()[random.nextInt(Type.values().length)];
            for (int t = 0; t < 6; t++) {
                int id = table + t;
                writer.begin(id);
                Evidence evidence = new Evidence();
                List<String> values = values(random);
                for (int i = 0; i < values.size(); i++) {
                    Row row = row(i + 1, values.get(i));
                    Rows.add(evidence, row, 0);
                    writer.add(row);
                }
                staged.add(values);
                Convention convention = random.nextBoolean()
                        ? Convention.DEFAULT
                        : new Convention(Convention.Mark.COMMA, Convention.Order.MONTH_FIRST);
                tables.add(new MasterPlan.Table(
                        id,
                        id,
                        8,
                        "t" + t,
                        "",
                        1,
                        values.size(),
                        new MasterPlan.Runs(new int[] {1}, new int[] {values.size()}),
                        false,
                        0,
                        List.of(),
                        List.of(),
                        List.of(),
                        java.util.Set.of(),
                        List.of(new MasterPlan.Feed(new Origin.Cell(0), convention, evidence))));
            }
            writer.flush();
            MasterPlan plan = new MasterPlan(List.of(new MasterPlan.Column("v", type, 20, 6)), List.of(), tables);
            store.build(plan);
            try (MasterReader reader = store.reader(plan)) {
                for (int t = 0; t < tables.size(); t++) {
                    Convention convention = tables.get(t).feeds().get(0).convention();
                    List<String> found = new ArrayList<>();
                    List<String> expected = new ArrayList<>();
                    long start =
                            staged.subList(0, t).stream().mapToLong(List::size).sum();
                    List<MasterLine> lines = reader.page(start, staged.get(t).size());
                    for (int i = 0; i < lines.size(); i++) {
                        found.add(lines.get(i).values().get(0));
                        expected.add(canonical(ValueReader.read(staged.get(t).get(i), type, convention), type));
                    }
                    assertThat(found)
                            .as("%s under %s: %s", type, convention, staged.get(t))
                            .isEqualTo(expected);
                }
            }
        }
    }

    private static List<String> values(Random random) {
        List<String> values = new ArrayList<>();
        boolean cells = random.nextInt(4) == 0;
        String[] from = cells ? CELLS : PIECES;
        int variety = 1 + random.nextInt(3);
        List<String> chosen = new ArrayList<>();
        for (int i = 0; i < variety; i++) {
            String piece = from[random.nextInt(from.length)];
            chosen.add(piece.equals("\003") || piece.equals("\0033") ? "\0032026-03-31" : piece);
        }
        for (int i = 0; i < 12; i++) {
            values.add(chosen.get(random.nextInt(chosen.size())));
        }
        return values;
    }

    private static Row row(int number, String staged) {
        Row row = new Row();
        row.begin(number, 0);
        row.set(0, CellKind.ofStaged(staged), CellKind.textOf(staged));
        row.set(1, CellKind.TEXT, "x");
        return row;
    }

    private static String canonical(String value, Type type) {
        if (value == null || type == Type.TEXT) {
            return value;
        }
        if (type.isNumber()) {
            String plain = new java.math.BigDecimal(value).stripTrailingZeros().toPlainString();
            return plain.equals("-0") ? "0" : plain;
        }
        return value;
    }
}
