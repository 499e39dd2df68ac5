package cuvee.gather;

import cuvee.detect.FoundTable;
import cuvee.detect.RowClass;
import cuvee.detect.TableColumn;
import cuvee.detect.TotalNames;
import cuvee.gather.SmallSheet.Cell;
import cuvee.gather.SmallSheet.Field;
import cuvee.place.Says;
import cuvee.sheet.CellKind;
import cuvee.tag.Tags;
import cuvee.value.Convention;
import cuvee.value.Evidence;
import cuvee.value.LooseText;
import cuvee.value.Type;
import cuvee.value.ValueReader;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;

/** A form as a table of one record: each label is a header, and what no field takes is told. */
final class FormTable {
    private FormTable() {}

    static FoundTable of(SmallSheet small, List<Field> fields, int sheets) {
        return of(
                small,
                fields,
                "it holds one record, labels with their values beside them, the same labels as "
                        + Says.count(sheets - 1, small.block() > 0 ? "other part" : "other sheet"));
    }

    static FoundTable of(SmallSheet small, List<Field> fields, String reason) {
        TreeMap<Integer, List<Field>> byRow = new TreeMap<>();
        for (Field field : fields) {
            Cell label = small.texts().get(field.key());
            if (label != null) {
                byRow.computeIfAbsent(label.row(), row -> new ArrayList<>()).add(field);
            }
        }
        List<TableColumn> columns = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        byRow.values().forEach(inRow -> {
            inRow.sort(Comparator.comparingInt(field -> column(small, field)));
            inRow.forEach(field -> columns.add(column(small, field, taken)));
        });
        int record = byRow.isEmpty() ? 1 : byRow.firstKey();
        Set<Integer> ofFields = new HashSet<>(byRow.keySet());
        byRow.forEach((row, inRow) -> inRow.forEach(field -> ofFields.add(row + field.down())));
        TreeMap<Integer, Boolean> filled = new TreeMap<>();
        small.cells().forEach(cell -> filled.put(cell.row(), true));
        List<FoundTable.Aside> aside = new ArrayList<>();
        filled.keySet().forEach(row -> {
            if (row != record) {
                aside.add(new FoundTable.Aside(
                        row, ofFields.contains(row) ? RowClass.FIELD : row < record ? RowClass.TITLE : RowClass.NOTE));
            }
        });
        int first = filled.firstKey();
        int last = filled.lastKey();
        return new FoundTable(
                first,
                List.of(),
                last,
                columns,
                aside,
                last - first + 1 - filled.size(),
                List.of(new FoundTable.Run(record, 1)),
                titles(small, record),
                besides(small, fields, record),
                List.of(),
                FoundTable.Sureness.SURE,
                0,
                reason,
                "",
                TotalNames.NONE);
    }

    /** Cells of a form, from its first field on, that no field takes though something stands beside them: each is told. */
    private static List<FoundTable.Doubt> besides(SmallSheet small, List<Field> fields, int record) {
        Set<Cell> taken = new HashSet<>();
        for (Field field : fields) {
            Cell label = small.texts().get(field.key());
            Cell value = small.value(field);
            if (label != null) {
                taken.add(label);
            }
            if (value != null) {
                taken.add(value);
            }
        }
        TreeMap<Integer, List<Cell>> byRow = new TreeMap<>();
        small.cells().stream()
                .filter(cell -> cell.row() >= record)
                .forEach(cell -> byRow.computeIfAbsent(cell.row(), row -> new ArrayList<>())
                        .add(cell));
        List<FoundTable.Doubt> doubts = new ArrayList<>();
        byRow.forEach((row, cells) -> {
            List<String> left = cells.stream()
                    .filter(cell -> !taken.contains(cell))
                    .map(cell -> CellKind.textOf(cell.staged()))
                    .toList();
            if (cells.size() > 1 && isOfTheSheet(left)) {
                doubts.add(new FoundTable.Doubt(
                        FormSheets.OF_THE_SHEET,
                        row,
                        Says.list(left.stream().map(Says::quoted).toList())
                                + (left.size() == 1 ? " is taken" : " are taken")
                                + " for words about the sheet, and no field.",
                        left.size()));
            } else if (cells.size() > 1 && !left.isEmpty()) {
                doubts.add(new FoundTable.Doubt(
                        "beside",
                        row,
                        Says.list(left.stream().map(Says::quoted).toList())
                                + (left.size() == 1 ? " stands" : " stand")
                                + " in the form where its other sheets have no field; left out.",
                        left.size()));
            }
        });
        return doubts;
    }

    /** True for a label that speaks of the sheet itself, with what stands beside it. */
    private static boolean isOfTheSheet(List<String> left) {
        return !left.isEmpty() && left.size() <= 2 && Tags.isOfTheSheet(LooseText.key(left.get(0)));
    }

    private static int column(SmallSheet small, Field field) {
        Cell label = small.texts().get(field.key());
        return label == null ? 0 : label.column();
    }

    private static TableColumn column(SmallSheet small, Field field, Set<String> taken) {
        Cell label = small.texts().get(field.key());
        Cell value = small.value(field);
        String text = label == null ? field.key() : CellKind.textOf(label.staged());
        String header = LooseText.tidy(text).replaceAll("[\\s:*]+$", "");
        String free = header;
        for (int copy = 2; !taken.add(LooseText.key(free)); copy++) {
            free = header + " (" + copy + ")";
        }
        String read = value == null ? null : ValueReader.read(value.staged(), Type.DECIMAL, Convention.DEFAULT);
        return new TableColumn(
                column(small, field) + field.offset(),
                free,
                true,
                value == null ? new Evidence() : Evidence.ofStaged(value.staged()),
                read == null ? 0 : Double.parseDouble(read),
                new TableColumn.Gaps(value != null, 0, false),
                label == null ? 1 : label.row() + field.down());
    }

    /** The lines above the first field. */
    private static List<String> titles(SmallSheet small, int record) {
        TreeMap<Integer, List<String>> lines = new TreeMap<>();
        small.cells().stream()
                .filter(cell -> cell.row() < record)
                .forEach(cell -> lines.computeIfAbsent(cell.row(), row -> new ArrayList<>())
                        .add(CellKind.textOf(cell.staged())));
        return lines.values().stream().map(cells -> String.join(" | ", cells)).toList();
    }
}
