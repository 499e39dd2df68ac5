package cuvee.gather;

import cuvee.gather.SourceFacts.SheetFacts;
import cuvee.master.Store;
import cuvee.sheet.CellKind;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * A small sheet, or a part of one: its filled cells, and of those the texts that occur once.
 *
 * @param block the row in which the part begins; 0 for a whole sheet
 */
record SmallSheet(SheetFacts sheet, int block, List<Cell> cells, Map<String, Cell> texts) {
    /** So many labels with their values make a form. */
    static final int FEWEST_FIELDS = 3;
    /** A value stands at most so many columns to the right of its label. */
    static final int FARTHEST_VALUE = 4;

    private static final int LONGEST_LABEL = 60;

    /** A cell with what it holds, as it is staged. */
    record Cell(int row, int column, String staged) {
        boolean isLabel() {
            String text = CellKind.textOf(staged);
            return CellKind.ofStaged(staged) == CellKind.TEXT
                    && text.length() <= LONGEST_LABEL
                    && text.codePoints().anyMatch(Character::isLetter)
                    && !LooseText.key(text).isEmpty();
        }
    }

    /** A label with where its value stands: so many columns to the right, or rows below. */
    record Field(String key, int offset, int down) {
        Field(String key, int offset) {
            this(key, offset, 0);
        }
    }

    static SmallSheet of(SheetFacts sheet, int block, List<Cell> cells) {
        Map<String, Cell> texts = new LinkedHashMap<>();
        labels(cells).forEach((key, all) -> {
            if (all.size() == 1) {
                texts.put(key, all.get(0));
            }
        });
        return new SmallSheet(sheet, block, cells, texts);
    }

    /** The cells that could be labels, by their text. */
    static Map<String, List<Cell>> labels(List<Cell> cells) {
        Map<String, List<Cell>> labels = new LinkedHashMap<>();
        cells.stream()
                .filter(Cell::isLabel)
                .forEach(cell -> labels.computeIfAbsent(
                                LooseText.key(CellKind.textOf(cell.staged())), key -> new ArrayList<>())
                        .add(cell));
        return labels;
    }

    List<Cell> inRow(int row) {
        return cells.stream().filter(cell -> cell.row() == row).toList();
    }

    Optional<Cell> at(int row, int column) {
        return cells.stream()
                .filter(cell -> cell.row() == row && cell.column() == column)
                .findFirst();
    }

    /** A sheet as it is staged. */
    static SmallSheet read(Store store, SheetFacts sheet) {
        List<Cell> cells = new ArrayList<>();
        store.replay(sheet.staged(), row -> {
            for (int column = 0; column < row.width(); column++) {
                if (!row.blank(column)) {
                    cells.add(new Cell(row.number(), column, row.staged(column)));
                }
            }
        });
        return SmallSheet.of(sheet, 0, cells);
    }

    /**
     * True for a row of several texts right over a row of values under each. Two texts are as likely a label with its value,
     * so below two there are no texts at all.
     */
    boolean overValues(int row) {
        List<Cell> above = inRow(row);
        List<Cell> below = inRow(row + 1);
        long labels = below.stream().filter(Cell::isLabel).count();
        return above.size() > 1
                && below.size() > 1
                && above.stream().allMatch(cell -> texts.containsValue(cell))
                && labels < (above.size() > 2 ? below.size() : 1)
                && below.stream().allMatch(cell -> at(row, cell.column()).isPresent());
    }

    /** The nearest filled cell to the right. */
    Optional<Cell> next(Cell cell) {
        for (int offset = 1; offset <= FARTHEST_VALUE; offset++) {
            Optional<Cell> beside = at(cell.row(), cell.column() + offset);
            if (beside.isPresent()) {
                return beside;
            }
        }
        return Optional.empty();
    }

    /** The value of a field; null where it is blank, or the label is not there. */
    @Nullable
    Cell value(Field field) {
        Cell label = texts.get(field.key());
        return label == null
                ? null
                : at(label.row() + field.down(), label.column() + field.offset())
                        .orElse(null);
    }

    /**
     * The parts of a sheet in which the same labels stand again and again, each once in each part; none where they do not.
     * What stands above the first part belongs to it.
     */
    List<SmallSheet> parts() {
        Map<String, List<Cell>> labels = SmallSheet.labels(cells);
        Map<Integer, Long> byCount = labels.values().stream()
                .filter(all -> all.size() > 1)
                .collect(Collectors.groupingBy(List::size, TreeMap::new, Collectors.counting()));
        Optional<Integer> times = byCount.entrySet().stream()
                .filter(each -> each.getValue() >= FEWEST_FIELDS)
                .max(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey);
        if (times.isEmpty()) {
            return List.of();
        }
        List<List<Cell>> repeated = labels.values().stream()
                .filter(all -> all.size() == times.get())
                .toList();
        List<Integer> begins =
                repeated.stream().min(Comparator.comparingInt(all -> all.get(0).row())).orElseThrow().stream()
                        .map(Cell::row)
                        .toList();
        boolean regular = repeated.stream()
                .allMatch(all -> IntStream.range(0, begins.size())
                        .allMatch(part -> part(begins, all.get(part).row()) == part));
        if (!regular) {
            return List.of();
        }
        return IntStream.range(0, begins.size())
                .mapToObj(part -> SmallSheet.of(
                        sheet,
                        begins.get(part),
                        cells.stream()
                                .filter(cell -> part(begins, cell.row()) == part)
                                .toList()))
                .toList();
    }

    /** The part in which a row lies. */
    private static int part(List<Integer> begins, int row) {
        int part = 0;
        while (part + 1 < begins.size() && row >= begins.get(part + 1)) {
            part++;
        }
        return part;
    }
}
