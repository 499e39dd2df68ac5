package cuvee.gather;

import cuvee.detect.FoundTable;
import cuvee.gather.SmallSheet.Cell;
import cuvee.gather.SmallSheet.Field;
import cuvee.gather.SourceFacts.SheetFacts;
import cuvee.master.Store;
import cuvee.sheet.CellKind;
import cuvee.value.Evidence;
import cuvee.value.LooseText;
import cuvee.value.Type;
import cuvee.value.Typing;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * Tables that stand on their side: the fields below each other, and in each column one record. They are told by what their
 * cells hold: along each row it is of one kind, down each column it is not; in a table that stands upright it is the other
 * way round. Each record is read as a form of its own, whose labels are those of all.
 */
final class SidewaysTables {
    private static final int MOST_ROWS = 80;
    private static final int MOST_RECORDS = 60;
    private static final int FEWEST_FIELDS = 4;
    /** Fewer records are taken only where other sheets have the same fields. */
    private static final int FEWEST_RECORDS = 3;
    /** So much of each row is of one kind, and so many rows are. */
    private static final double OF_ONE_KIND = 0.9;
    /** Words or days make so many of the fields below the first, and numbers do. */
    private static final double SOME = 0.2;

    private static final int FEWEST_WORDS = 2;
    /** What says which record a column holds, where it has no label. */
    private static final String UNLABELLED = "Record";
    /** A record fills so many of the fields. */
    private static final double FILLED = 0.5;

    private final Store store;
    private final Map<Integer, List<FoundTable>> bySheet = new HashMap<>();

    /** What a sheet holds: fields by their labels, and the columns of the records. */
    private record Sides(SmallSheet small, Map<String, Cell> labels, List<Integer> records) {}

    SidewaysTables(Store store, Iterable<SourceFacts> batch) {
        this.store = store;
        Map<String, Sides> found = new TreeMap<>();
        Map<Set<String>, Integer> sheets = new HashMap<>();
        batch.forEach(source -> source.sheets().stream()
                .filter(sheet -> !sheet.hidden() && mayBe(sheet))
                .forEach(sheet -> sides(SmallSheet.read(store, sheet))
                        .filter(SidewaysTables::standsOnItsSide)
                        .ifPresent(sides -> {
                            found.put(source.path() + "\n" + sheet.name(), sides);
                            sheets.merge(sides.labels().keySet(), 1, Integer::sum);
                        })));
        found.values().stream()
                .filter(sides -> sides.records().size() >= FEWEST_RECORDS
                        || sheets.getOrDefault(sides.labels().keySet(), 0) > 1)
                .forEach(sides -> bySheet.put(
                        sides.small().sheet().id(),
                        forms(
                                sides,
                                "its table stands on its side: fields below each other, a record in each column")));
    }

    /** The records of a sheet, each as a form; none where its table does not stand on its side. */
    List<FoundTable> of(SheetFacts sheet) {
        return bySheet.getOrDefault(sheet.id(), List.of());
    }

    /** The records of a sheet of which the analyst says that it is a form; none where it does not hold several. */
    List<FoundTable> byHand(SheetFacts sheet) {
        List<FoundTable> known = of(sheet);
        if (!known.isEmpty() || sheet.lastRow() > MOST_ROWS || sheet.columns() > MOST_RECORDS) {
            return known;
        }
        // Labels in two columns of pairs stand beside values of other kinds: they are one record.
        return sides(SmallSheet.read(store, sheet))
                .filter(sides -> areOfOneKind(kinds(sides)))
                .map(sides -> forms(sides, "it holds a record in each column, as you say"))
                .orElse(List.of());
    }

    /** True for a small sheet whose tables as they are read upright do not hold one kind of value in each column. */
    private static boolean mayBe(SheetFacts sheet) {
        return sheet.lastRow() <= MOST_ROWS
                && sheet.columns() > 2
                && sheet.columns() <= MOST_RECORDS + 2
                && sheet.plain().size() <= 2
                && (sheet.tables().isEmpty()
                        || sheet.tables().stream()
                                .anyMatch(table -> table.isForm()
                                        || table.headerRows().size() != 1
                                        || table.columns().stream()
                                                        .filter(column -> isOfSeveralKinds(column.evidence()))
                                                        .count()
                                                > 1));
    }

    private static boolean isOfSeveralKinds(Evidence evidence) {
        return evidence.filled() > 1 && kind(evidence) < 0;
    }

    /** The rows that begin with a label and have values beside it, right below each other but for blank lines. */
    private static Optional<Sides> sides(SmallSheet small) {
        TreeMap<Integer, List<Cell>> rows = new TreeMap<>();
        small.cells()
                .forEach(cell -> rows.computeIfAbsent(cell.row(), row -> new ArrayList<>())
                        .add(cell));
        int first = rows.values().stream()
                .filter(row -> row.size() > 2 && row.get(0).isLabel())
                .mapToInt(row -> row.get(0).row())
                .findFirst()
                .orElse(0);
        Map<String, Cell> labels = new LinkedHashMap<>();
        Map<Integer, Integer> filled = new TreeMap<>();
        int at = first == 0 ? -1 : rows.getOrDefault(first, List.of()).get(0).column();
        List<Cell> above = rows.getOrDefault(first - 1, List.of());
        if (above.size() > 1 && above.get(0).column() > at) {
            labels.put(LooseText.key(UNLABELLED), new Cell(first - 1, at, UNLABELLED));
            above.forEach(cell -> filled.merge(cell.column(), 1, Integer::sum));
        }
        for (List<Cell> row : rows.tailMap(first, true).values()) {
            Cell label = row.get(0);
            if (row.size() == 1) {
                // A heading among the fields, or a note below them; neither is a field of any record.
                continue;
            }
            boolean isField = label.column() == at && label.isLabel();
            if (!isField || labels.put(LooseText.key(CellKind.textOf(label.staged())), label) != null) {
                return Optional.empty();
            }
            row.stream().skip(1).forEach(cell -> filled.merge(cell.column(), 1, Integer::sum));
        }
        List<Integer> records = List.copyOf(filled.keySet());
        boolean all = filled.values().stream().allMatch(fields -> fields >= labels.size() * FILLED);
        return labels.size() >= FEWEST_FIELDS && records.size() > 1 && all
                ? Optional.of(new Sides(small, labels, records))
                : Optional.empty();
    }

    /**
     * True where each row holds one kind of value, and below the first row, which may be a header, some hold words or
     * days, of which one at least stands below numbers: a header of several rows stands above all of them.
     */
    private static boolean standsOnItsSide(Sides sides) {
        List<Integer> kinds = kinds(sides);
        int numbers = 0;
        int others = 0;
        boolean below = false;
        for (int kind : kinds.subList(1, kinds.size())) {
            boolean other = kind == WORDS || kind == DAYS;
            numbers += kind == NUMBERS ? 1 : 0;
            others += other ? 1 : 0;
            below |= other && numbers > 0;
        }
        int fields = kinds.size() - 1;
        return areOfOneKind(kinds)
                && below
                && numbers >= fields * SOME
                && others >= Math.max(FEWEST_WORDS, fields * SOME);
    }

    /** What the values of each field are, in the order of the fields. */
    private static List<Integer> kinds(Sides sides) {
        List<Integer> kinds = new ArrayList<>();
        for (Cell label : sides.labels().values()) {
            Evidence row = new Evidence();
            sides.small().inRow(label.row()).stream()
                    .filter(cell -> cell.column() > label.column())
                    .forEach(cell -> row.add(Evidence.ofStaged(cell.staged())));
            kinds.add(kind(row));
        }
        return kinds;
    }

    private static boolean areOfOneKind(List<Integer> kinds) {
        return kinds.stream().filter(kind -> kind >= 0).count() >= kinds.size() * OF_ONE_KIND;
    }

    private static final int WORDS = 0;
    private static final int NUMBERS = 1;
    private static final int DAYS = 2;

    /** What values are: words, numbers or days; below 0 where they are of several kinds. */
    private static int kind(Evidence evidence) {
        long days = Typing.fit(evidence, Type.DATE_AND_TIME);
        long numbers = Typing.fit(evidence, Type.DECIMAL);
        long[] kinds = {evidence.filled() - days - numbers, numbers, days};
        for (int kind = WORDS; kind <= DAYS; kind++) {
            if (evidence.filled() > 0 && kinds[kind] >= evidence.filled() * OF_ONE_KIND) {
                return kind;
            }
        }
        return -1;
    }

    private static List<FoundTable> forms(Sides sides, String reason) {
        Set<Integer> rows = new TreeSet<>();
        sides.labels().values().forEach(label -> rows.add(label.row()));
        List<FoundTable> forms = new ArrayList<>();
        for (int record : sides.records()) {
            // The lines above the fields say something of each record.
            List<Cell> cells = sides.small().cells().stream()
                    .filter(cell -> !rows.contains(cell.row())
                            || cell.column() == record
                            || sides.labels().containsValue(cell))
                    .toList();
            List<Field> fields = sides.labels().entrySet().stream()
                    .map(label ->
                            new Field(label.getKey(), record - label.getValue().column()))
                    .toList();
            FoundTable form =
                    FormTable.of(new SmallSheet(sides.small().sheet(), 0, cells, sides.labels()), fields, reason);
            forms.add(forms.isEmpty() ? form : form.withItsRecordOnly());
        }
        return forms;
    }
}
