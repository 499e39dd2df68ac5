package cuvee.gather;

import cuvee.detect.FoundTable;
import cuvee.gather.SmallSheet.Cell;
import cuvee.gather.SmallSheet.Field;
import cuvee.gather.SourceFacts.SheetFacts;
import cuvee.master.Store;
import cuvee.sheet.CellKind;
import cuvee.tag.Tags;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.LooseText;
import cuvee.value.Type;
import cuvee.value.Typing;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * Sheets that hold one record each: labels, and their values beside them. One sheet alone cannot tell a label from a value;
 * many can: what is the same in nearly all sheets is a label, what differs beside it is its value. Sheets with the same
 * labels are looked at together; the values have to be of several kinds, since a table of one column of numbers under the
 * same row names looks alike otherwise, and labels and values have to be most of what the sheets hold.
 */
final class Forms {
    private static final int FEWEST_SHEETS = 3;
    /** Without labels in common, so many values in the same order tell. */
    private static final int FEWEST_BUILT_ALIKE = 5;

    private static final int MOST_ROWS = 80;
    private static final int MOST_COLUMNS = 12;

    /** Sheets share so many of their texts to be looked at together. */
    private static final double SHARED = 0.65;
    /** A text is a label where so many of the sheets have it once. */
    private static final double NEARLY_ALL = 0.8;
    /** A label is a field where so many of the sheets have a value beside it. */
    private static final double SOME = 0.3;
    /** So much of what a sheet holds is labels and values. */
    private static final double MOSTLY = 0.6;
    /** Values are of several kinds where none is more than this share of them. */
    private static final double MOST_OF_A_KIND = 0.8;

    /** Words over a column of labels rather than of fields. */
    private static final Set<String> OVER_VALUES = Set.of("item", "field", "label", "name", "description", "feld");

    private final Store store;
    private final Map<Integer, FoundTable> bySheet = new HashMap<>();
    /** The forms that stand below each other on a sheet, by the rows in which they begin. */
    private final Map<Integer, TreeMap<Integer, FoundTable>> onSheet = new HashMap<>();
    /** How far to the right of its label a value stands in forms of the batch. */
    private final Set<Integer> offsets = new HashSet<>();
    /** What all forms of a group say that is no field: titles, instructions, headings. */
    private final Set<String> captions = new HashSet<>();

    /** Sheets that have most of their texts in common. */
    private static final class Alike {
        final List<SmallSheet> sheets = new ArrayList<>();
        final Map<String, Integer> counts = new LinkedHashMap<>();

        private Set<String> common = Set.of();

        void add(SmallSheet sheet) {
            sheets.add(sheet);
            sheet.texts().keySet().forEach(text -> counts.merge(text, 1, Integer::sum));
            common = counts.entrySet().stream()
                    .filter(text -> text.getValue() >= sheets.size() * NEARLY_ALL)
                    .map(Map.Entry::getKey)
                    .collect(Collectors.toSet());
        }

        /** What nearly all of them say. */
        Set<String> common() {
            return common;
        }

        boolean has(SmallSheet sheet) {
            long shared =
                    sheet.texts().keySet().stream().filter(common::contains).count();
            return shared >= Math.min(common.size(), sheet.texts().size()) * SHARED
                    && shared >= SmallSheet.FEWEST_FIELDS;
        }
    }

    Forms(Store store, Iterable<SourceFacts> batch) {
        this.store = store;
        TreeMap<String, SheetFacts> candidates = new TreeMap<>();
        batch.forEach(source -> source.sheets().stream()
                .filter(sheet -> !sheet.hidden() && (mayBe(sheet) || isNarrow(sheet)))
                .forEach(sheet -> candidates.put(source.path() + "\n" + sheet.name(), sheet)));
        // In the order of their names, so that the order of the files has no say in it.
        List<SmallSheet> sheets = candidates.values().stream()
                .map(sheet -> SmallSheet.read(store, sheet))
                .toList();
        List<Alike> groups = alike(sheets);
        groups.stream()
                .filter(group -> group.sheets.stream().anyMatch(small -> mayBe(small.sheet())))
                .forEach(this::look);
        Set<SmallSheet> judged = groups.stream()
                .filter(group -> group.sheets.size() >= FEWEST_SHEETS && shareLabels(group))
                .flatMap(group -> group.sheets.stream())
                .collect(Collectors.toSet());
        builtAlike(groups.stream().flatMap(group -> group.sheets.stream()).toList(), judged);
        if (!bySheet.isEmpty()) {
            open(groups).forEach(this::likeTheOthers);
        }
        sheets.stream()
                .filter(small -> !bySheet.containsKey(small.sheet().id()))
                .collect(Collectors.collectingAndThen(
                        Collectors.flatMapping(small -> small.parts().stream(), Collectors.toList()), Forms::alike))
                .forEach(this::look);
        // A sheet some of whose parts are no forms is read as it would be without the others.
        Map<Integer, Integer> parts = new HashMap<>();
        sheets.forEach(small -> parts.put(small.sheet().id(), small.parts().size()));
        onSheet.entrySet().removeIf(each -> each.getValue().size() < parts.getOrDefault(each.getKey(), 0));
    }

    /** Sheets, or parts of them, that have most of their texts in common. */
    private static List<Alike> alike(List<SmallSheet> sheets) {
        List<Alike> groups = new ArrayList<>();
        sheets.stream()
                .filter(small -> small.texts().size() >= SmallSheet.FEWEST_FIELDS)
                .forEach(small -> groups.stream()
                        .filter(group -> group.has(small))
                        .findFirst()
                        .orElseGet(() -> {
                            Alike fresh = new Alike();
                            groups.add(fresh);
                            return fresh;
                        })
                        .add(small));
        return joined(groups);
    }

    /**
     * Groups too small for forms joined to those that they are like by now: what the first sheets of a group have in
     * common is known only when there are several.
     */
    private static List<Alike> joined(List<Alike> groups) {
        List<Alike> joined = new ArrayList<>(groups);
        for (Alike few : groups) {
            Optional<Alike> others = few.sheets.size() >= FEWEST_SHEETS
                    ? Optional.empty()
                    : joined.stream()
                            .filter(group -> group.sheets.size() >= FEWEST_SHEETS
                                    && few.sheets.stream().allMatch(group::has))
                            .findFirst();
            others.ifPresent(group -> {
                joined.remove(few);
                few.sheets.forEach(group::add);
            });
        }
        return joined;
    }

    /** The sheets that are no forms so far. */
    private List<SmallSheet> open(List<Alike> groups) {
        return groups.stream()
                .flatMap(group -> group.sheets.stream())
                .filter(small -> !bySheet.containsKey(small.sheet().id()))
                .toList();
    }

    /** True where half of what has values beside it is the same in nearly all sheets: they have been looked at as such. */
    private static boolean shareLabels(Alike group) {
        List<Beside> pairs = pairs(group.sheets.get(0));
        long shared = pairs.stream()
                .filter(pair -> group.common()
                        .contains(LooseText.key(CellKind.textOf(pair.label().staged()))))
                .count();
        return shared * 2 >= pairs.size();
    }

    /**
     * A label with the value beside it, in a row of nothing else.
     *
     * @param value empty where it is blank
     * @param kind what the value is: 0 words, 1 a number, 2 a date
     */
    private record Beside(Cell label, Optional<Cell> value, int kind) {
        /** True for a label that speaks of the sheet itself, such as who signed it. */
        boolean isOfTheSheet() {
            return Tags.isOfTheSheet(LooseText.key(CellKind.textOf(label.staged())));
        }

        /** How far to the right its value stands, or where it is blank that of the same place in another sheet. */
        Optional<Integer> offset(Optional<Beside> elsewhere) {
            return value.map(cell -> cell.column() - label.column())
                    .or(() -> elsewhere.flatMap(other -> other.offset(Optional.empty())));
        }
    }

    /**
     * Sheets whose labels are each sender's own words, but that are built alike: the same number of labels, with values of
     * the same kinds in the same order beside them. A table of two columns holds one kind of value in its second.
     *
     * @param judged sheets that share their labels, and have been looked at as such
     */
    private void builtAlike(List<SmallSheet> sheets, Set<SmallSheet> judged) {
        List<List<SmallSheet>> alike = new ArrayList<>();
        Map<SmallSheet, List<Beside>> pairs = new HashMap<>();
        for (SmallSheet small : sheets) {
            List<Beside> own = pairs(small);
            if (lastFilled(own) < FEWEST_BUILT_ALIKE
                    || lastFilled(own) * 2 < small.cells().size() * MOSTLY) {
                continue;
            }
            pairs.put(small, own);
            alike.stream()
                    .filter(group -> isBuiltLike(own, pairs.getOrDefault(group.get(0), List.of())))
                    .findFirst()
                    .orElseGet(() -> {
                        List<SmallSheet> fresh = new ArrayList<>();
                        alike.add(fresh);
                        return fresh;
                    })
                    .add(small);
        }
        // Sheets of the same labels that are no forms by themselves are forms where others built like them are.
        alike.removeIf(group -> group.stream()
                .allMatch(small -> judged.contains(small)
                        && !bySheet.containsKey(small.sheet().id())));
        alike.forEach(group -> takeBuiltAlike(
                group.stream().collect(Collectors.toMap(small -> small, pairs::get, (a, b) -> a, LinkedHashMap::new))));
    }

    private void takeBuiltAlike(Map<SmallSheet, List<Beside>> group) {
        int size = group.values().stream().mapToInt(Forms::lastFilled).max().orElse(0);
        // Of each place a pair that has a value. What is blank in all sheets is a heading and no field; what speaks of
        // the
        // sheet itself in most of them is none either.
        List<Optional<Beside>> filled = IntStream.range(0, size)
                .mapToObj(i -> group.values().stream()
                        .filter(pairs -> pairs.size() > i)
                        .map(pairs -> pairs.get(i))
                        .filter(pair -> pair.value().isPresent())
                        .findFirst()
                        .filter(pair -> isField(group.values(), i)))
                .toList();
        long[] kinds = new long[3];
        filled.forEach(place -> place.ifPresent(pair -> kinds[pair.kind()]++));
        boolean allKinds = kinds[0] > 0 && kinds[1] > 0 && kinds[2] > 0;
        boolean known = group.keySet().stream()
                .anyMatch(small -> bySheet.containsKey(small.sheet().id()));
        if (!known && (group.size() < FEWEST_SHEETS || !allKinds || !isMixed(kinds))) {
            return;
        }
        group.forEach((small, pairs) -> {
            List<Field> fields = new ArrayList<>();
            for (int i = 0; i < Math.min(size, pairs.size()); i++) {
                Beside pair = pairs.get(i);
                filled.get(i)
                        .flatMap(other -> pair.offset(Optional.of(other)))
                        .ifPresent(offset -> fields.add(new Field(
                                LooseText.key(CellKind.textOf(pair.label().staged())), offset)));
            }
            fields.forEach(field -> offsets.add(field.offset()));
            bySheet.computeIfAbsent(small.sheet().id(), any -> FormTable.of(small, fields, group.size()));
        });
    }

    private static boolean isField(Collection<List<Beside>> group, int place) {
        long ofTheSheet = group.stream()
                .filter(pairs -> pairs.size() > place && pairs.get(place).isOfTheSheet())
                .count();
        return ofTheSheet * 2 < group.size();
    }

    private static boolean isBuiltLike(List<Beside> own, List<Beside> others) {
        int length = Math.max(lastFilled(own), lastFilled(others));
        if (own.size() < length || others.size() < length) {
            return false;
        }
        int both = 0;
        int same = 0;
        for (int i = 0; i < length; i++) {
            // What is left blank in one can be anything.
            boolean filled =
                    own.get(i).value().isPresent() && others.get(i).value().isPresent();
            both += filled ? 1 : 0;
            same += filled && own.get(i).kind() == others.get(i).kind() ? 1 : 0;
        }
        return both >= FEWEST_BUILT_ALIKE && same >= both * NEARLY_ALL;
    }

    /** How many pairs there are up to the last one with a value. */
    private static int lastFilled(List<Beside> pairs) {
        int last = pairs.size();
        while (last > 0 && pairs.get(last - 1).value().isEmpty()) {
            last--;
        }
        return last;
    }

    /** The rows of a sheet that are a label and its value, and behind the first of these labels whose value is blank. */
    private static List<Beside> pairs(SmallSheet small) {
        TreeMap<Integer, List<Cell>> rows = new TreeMap<>();
        small.cells()
                .forEach(cell -> rows.computeIfAbsent(cell.row(), row -> new ArrayList<>())
                        .add(cell));
        List<Beside> pairs = new ArrayList<>();
        for (List<Cell> cells : rows.values()) {
            Cell label = cells.get(0);
            String key = LooseText.key(CellKind.textOf(label.staged()));
            if (!label.equals(small.texts().get(key))) {
                continue;
            }
            if (cells.size() == 2 && cells.get(1).column() - label.column() <= SmallSheet.FARTHEST_VALUE) {
                Evidence value = Evidence.ofStaged(cells.get(1).staged());
                long[] kinds = kinds(value);
                pairs.add(new Beside(label, Optional.of(cells.get(1)), kinds[2] > 0 ? 2 : kinds[1] > 0 ? 1 : 0));
            } else if (cells.size() == 1 && !pairs.isEmpty()) {
                pairs.add(new Beside(label, Optional.empty(), 0));
            }
        }
        return pairs;
    }

    /** A sheet with labels of its own that is otherwise built like the forms of the batch. */
    private void likeTheOthers(SmallSheet small) {
        List<Field> fields = new ArrayList<>();
        Set<String> values = new HashSet<>();
        Evidence all = new Evidence();
        small.texts().forEach((key, label) -> {
            Optional<Cell> value = values.contains(key) ? Optional.empty() : small.next(label);
            if (value.isPresent()
                    && offsets.contains(value.get().column() - label.column())
                    && !Tags.isOfTheSheet(key)) {
                fields.add(new Field(key, value.get().column() - label.column()));
                values.add(LooseText.key(CellKind.textOf(value.get().staged())));
                all.add(Evidence.ofStaged(value.get().staged()));
            }
        });
        long known = small.texts().keySet().stream()
                .filter(text -> captions.contains(text)
                        && fields.stream().noneMatch(field -> field.key().equals(text)))
                .count();
        boolean mostly = fields.size() * 2L + known >= small.cells().size() * MOSTLY;
        boolean captioned = small.texts().keySet().stream().anyMatch(captions::contains);
        if (fields.size() >= SmallSheet.FEWEST_FIELDS
                && mostly
                && captioned
                && isMixed(kinds(all))
                && isOfPairs(small, fields)) {
            bySheet.put(small.sheet().id(), FormTable.of(small, fields, bySheet.size() + 1));
        }
    }

    /**
     * The record of a sheet of which the analyst says that it is a form: each label with the value beside it, or below it
     * where a row of labels stands over a row of values. None where no label has a value.
     */
    List<FoundTable> byHand(SheetFacts sheet) {
        List<FoundTable> known = of(sheet);
        if (!known.isEmpty()) {
            return known;
        }
        SmallSheet small = SmallSheet.read(store, sheet);
        Set<Cell> values = new HashSet<>();
        List<Field> fields = new ArrayList<>();
        small.texts().forEach((key, label) -> {
            Optional<Cell> below =
                    small.overValues(label.row()) ? small.at(label.row() + 1, label.column()) : Optional.empty();
            Optional<Cell> value = below.or(() -> small.next(label));
            if (!values.contains(label) && value.isPresent() && values.add(value.get())) {
                fields.add(new Field(
                        key, value.get().column() - label.column(), value.get().row() - label.row()));
            }
        });
        return fields.isEmpty() ? List.of() : List.of(FormTable.of(small, fields, "it holds one record, as you say"));
    }

    /** The records of a sheet, mostly one; none where the sheet is no form. */
    List<FoundTable> of(SheetFacts sheet) {
        FoundTable only = bySheet.get(sheet.id());
        return only != null
                ? List.of(only)
                : List.copyOf(onSheet.getOrDefault(sheet.id(), new TreeMap<>()).values());
    }

    /** What tells forms from the same sheet read otherwise, in a word. */
    static String mark(List<FoundTable> forms) {
        StringBuilder said = new StringBuilder();
        forms.stream()
                .flatMap(form -> form.columns().stream())
                .forEach(column -> said.append(column.row())
                        .append(':')
                        .append(column.index())
                        .append(column.header())
                        .append('|'));
        return "form " + Integer.toHexString(said.toString().hashCode());
    }

    /** True for small sheets below each other in which values of several kinds stand, as far as is known of them. */
    private static boolean mayBe(SheetFacts sheet) {
        return sheet.lastRow() <= MOST_ROWS
                && sheet.columns() <= MOST_COLUMNS
                && (sheet.tables().isEmpty()
                        || sheet.tables().stream()
                                .anyMatch(table -> table.isForm()
                                        || table.kept() < SmallSheet.FEWEST_FIELDS
                                        || table.columns().stream()
                                                .anyMatch(column -> isOfTwoKinds(kinds(column.evidence())))));
    }

    /** True for a small sheet of a single table of two columns, whose first fields may have been taken for titles. */
    private static boolean isNarrow(SheetFacts sheet) {
        return sheet.lastRow() <= MOST_ROWS
                && sheet.tables().size() == 1
                && sheet.tables().get(0).columns().size() == 2;
    }

    private void look(Alike group) {
        if (group.sheets.size() < FEWEST_SHEETS) {
            return;
        }
        Set<String> labels = group.common();
        List<Field> fields = new ArrayList<>();
        List<Field> same = new ArrayList<>();
        for (String label : labels) {
            field(group, label).ifPresent(field -> (isFixed(group, labels, field) ? same : fields).add(field));
        }
        if (fields.size() >= SmallSheet.FEWEST_FIELDS) {
            // What is always the same stands below the others like them: a sender's own place.
            fields.addAll(same.stream()
                    .filter(field -> fields.stream().anyMatch(other -> isBelow(group, field, other)))
                    .toList());
        }
        if (fields.size() < SmallSheet.FEWEST_FIELDS
                || !isMixed(kinds(group, fields))
                || !isOfTwoKinds(kinds(group, withoutHeader(group, fields, same)))
                || !mostly(group, labels, fields)
                || isTableOfOneRow(group, fields)
                || holdsRecords(group, fields)
                || group.sheets.stream()
                                .filter(small -> isOfPairs(small, withOwn(small, fields)))
                                .count()
                        < group.sheets.size() * NEARLY_ALL) {
            return;
        }
        fields.forEach(field -> offsets.add(field.offset()));
        captions.addAll(labels);
        fields.forEach(field -> captions.remove(field.key()));
        for (SmallSheet small : group.sheets) {
            FoundTable form = FormTable.of(small, withOwn(small, fields), group.sheets.size());
            if (form.columns().size() >= SmallSheet.FEWEST_FIELDS && small.block() > 0) {
                onSheet.computeIfAbsent(small.sheet().id(), sheet -> new TreeMap<>())
                        .put(small.block(), form);
            } else if (form.columns().size() >= SmallSheet.FEWEST_FIELDS) {
                bySheet.put(small.sheet().id(), form);
            }
        }
    }

    /**
     * The fields of a sheet with those that only it calls so: a label between those of the others, right above or right
     * below them, in their column, with its value as far beside it as theirs; or among labels over their values.
     */
    private static List<Field> withOwn(SmallSheet small, List<Field> fields) {
        Map<Integer, Integer> offsets = new HashMap<>();
        TreeSet<Integer> rows = new TreeSet<>();
        Set<Integer> rowsOver = new HashSet<>();
        Set<Cell> taken = new HashSet<>();
        for (Field field : fields) {
            Cell label = small.texts().get(field.key());
            if (label != null) {
                taken.add(label);
                Stream.ofNullable(small.value(field)).forEach(taken::add);
                if (field.down() == 0) {
                    offsets.put(label.column(), field.offset());
                    rows.add(label.row());
                } else {
                    rowsOver.add(label.row());
                }
            }
        }
        List<Field> all = new ArrayList<>(fields);
        int before;
        do {
            // A field that is found makes those right above and below it fields.
            before = all.size();
            small.texts().forEach((key, label) -> {
                boolean over = rowsOver.contains(label.row());
                boolean beside = !rows.isEmpty() && label.row() >= rows.first() - 1 && label.row() <= rows.last() + 1;
                Integer offset = over ? Integer.valueOf(0) : beside ? offsets.get(label.column()) : null;
                if (offset == null || taken.contains(label) || Tags.isOfTheSheet(key)) {
                    return;
                }
                Field field = new Field(key, offset, over ? 1 : 0);
                Cell value = small.value(field);
                if (value != null && !taken.contains(value) && (over || isAllOthers(small, taken, label, value))) {
                    all.add(field);
                    taken.addAll(List.of(label, value));
                    if (!over) {
                        rows.add(label.row());
                    }
                }
            });
        } while (all.size() > before);
        return all;
    }

    /** True where all else in a row is labels and values that are known. */
    private static boolean isAllOthers(SmallSheet small, Set<Cell> known, Cell label, Cell value) {
        return small.inRow(label.row()).stream()
                .allMatch(cell -> cell.equals(label) || cell.equals(value) || known.contains(cell));
    }

    /** True where all labels stand in one row over their values: a header with a record, and perhaps more next month. */
    private static boolean isTableOfOneRow(Alike group, List<Field> fields) {
        SmallSheet first = group.sheets.get(0);
        return fields.stream().allMatch(field -> field.down() > 0)
                && fields.stream()
                                .flatMap(field ->
                                        Optional.ofNullable(first.texts().get(field.key())).stream())
                                .map(Cell::row)
                                .distinct()
                                .count()
                        <= 1;
    }

    /** True where in some of the sheets more rows stand below the values of a row of labels: records under a header. */
    private static boolean holdsRecords(Alike group, List<Field> fields) {
        Map<Integer, Long> over = fields.stream()
                .filter(field -> field.down() > 0)
                .flatMap(
                        field -> Optional.ofNullable(group.sheets.get(0).texts().get(field.key())).stream())
                .collect(Collectors.groupingBy(Cell::row, Collectors.counting()));
        if (over.values().stream().noneMatch(labels -> labels > 1)) {
            return false;
        }
        long holding = group.sheets.stream()
                .filter(small -> secondValues(group, small, fields) > 1)
                .count();
        return holding >= Math.max(1, group.sheets.size() * SOME);
    }

    /** How many values under labels have another one of their kind right below them. */
    private static long secondValues(Alike group, SmallSheet small, List<Field> fields) {
        return fields.stream()
                .filter(field -> field.down() > 0)
                .flatMap(field -> Stream.ofNullable(small.value(field)))
                .filter(value -> small.at(value.row() + 1, value.column())
                        .filter(cell -> !isCommon(group, cell) && isOfOneKind(cell, value))
                        .isPresent())
                .count();
    }

    private static boolean isOfOneKind(Cell one, Cell other) {
        return Arrays.equals(kinds(Evidence.ofStaged(one.staged())), kinds(Evidence.ofStaged(other.staged())));
    }

    /** Where the values of a label stand in most of the sheets that have one; empty where it has none. */
    private static Optional<Field> field(Alike group, String label) {
        Map<Field, Integer> places = new LinkedHashMap<>();
        for (SmallSheet small : group.sheets) {
            Cell own = small.texts().get(label);
            if (own != null) {
                place(group, small, own)
                        .ifPresent(value -> places.merge(
                                new Field(label, value.column() - own.column(), value.row() - own.row()),
                                1,
                                Integer::sum));
            }
        }
        return places.entrySet().stream()
                .max(Map.Entry.<Field, Integer>comparingByValue()
                        .thenComparing(each -> each.getKey().offset(), java.util.Comparator.reverseOrder()))
                .filter(most -> most.getValue() >= Math.max(1, group.sheets.size() * SOME))
                .map(Map.Entry::getKey)
                .filter(field -> !Tags.isOfTheSheet(label));
    }

    /** Where the value of a label would stand: below it in a row of labels over one of values, else beside it. */
    private static Optional<Cell> place(Alike group, SmallSheet small, Cell label) {
        List<Cell> beside = small.inRow(label.row());
        long labels = beside.stream().filter(cell -> isCommon(group, cell)).count();
        boolean below = small.overValues(label.row())
                && labels > 1
                && labels * 2 >= beside.size()
                && small.inRow(label.row() + 1).stream().noneMatch(cell -> isCommon(group, cell));
        return below ? small.at(label.row() + 1, label.column()) : small.next(label);
    }

    private static boolean isCommon(Alike group, Cell cell) {
        return group.common().contains(LooseText.key(CellKind.textOf(cell.staged())));
    }

    /** True where the same text stands beside a label in all sheets: it may be another label, unless a colon tells. */
    private static boolean isFixed(Alike group, Set<String> labels, Field field) {
        Set<String> beside = new HashSet<>();
        for (SmallSheet small : group.sheets) {
            Cell label = small.texts().get(field.key());
            Cell value = small.value(field);
            if (label != null && CellKind.textOf(label.staged()).strip().endsWith(":")) {
                return false;
            }
            if (value != null) {
                beside.add(LooseText.key(CellKind.textOf(value.staged())));
            }
        }
        return beside.size() == 1 && labels.containsAll(beside);
    }

    /** The fields without one over all others that is the same in all sheets: it may be the header of a table. */
    private static List<Field> withoutHeader(Alike group, List<Field> fields, List<Field> same) {
        SmallSheet first = group.sheets.get(0);
        int top = first.texts().values().stream()
                .filter(label -> fields.stream()
                        .anyMatch(field -> label.equals(first.texts().get(field.key()))))
                .mapToInt(Cell::row)
                .min()
                .orElse(0);
        return fields.stream()
                .filter(field -> !same.contains(field)
                        || Stream.ofNullable(first.texts().get(field.key())).noneMatch(label -> label.row() == top))
                .toList();
    }

    /** True where two labels stand below each other, and so do their values. */
    private static boolean isBelow(Alike group, Field field, Field other) {
        return field.offset() == other.offset()
                && !OVER_VALUES.contains(field.key())
                && group.sheets.stream().allMatch(small -> {
                    Cell label = small.texts().get(field.key());
                    Cell others = small.texts().get(other.key());
                    return label == null || others == null || label.column() == others.column();
                });
    }

    /** How many fields hold mostly words, numbers or dates. */
    private static long[] kinds(Alike group, List<Field> fields) {
        long[] kinds = new long[3];
        for (Field field : fields) {
            Evidence all = new Evidence();
            group.sheets.forEach(small -> {
                Cell value = small.value(field);
                if (value != null) {
                    all.add(Evidence.ofStaged(value.staged()));
                }
            });
            long[] own = kinds(all);
            kinds[own[0] >= own[1] && own[0] >= own[2] ? 0 : own[1] >= own[2] ? 1 : 2]++;
        }
        return kinds;
    }

    /** How many values are words, numbers and dates. */
    private static long[] kinds(Evidence evidence) {
        long dates = Typing.fit(evidence, Type.DATE_AND_TIME);
        long numbers = Typing.fit(evidence, Type.DECIMAL);
        // Words for nothing say nothing of what else stands there.
        long words = evidence.filled() - evidence.count(Form.NOTHING_WORD, Form.CELL_ERROR) - dates - numbers;
        return new long[] {Math.max(0, words), numbers, dates};
    }

    private static boolean isOfTwoKinds(long[] kinds) {
        return Arrays.stream(kinds).filter(kind -> kind > 0).count() > 1;
    }

    private static boolean isMixed(long[] kinds) {
        long all = kinds[0] + kinds[1] + kinds[2];
        long most = Math.max(kinds[0], Math.max(kinds[1], kinds[2]));
        return all >= SmallSheet.FEWEST_FIELDS && most <= all * MOST_OF_A_KIND && most < all;
    }

    /** True where labels and values are most of what most of the sheets hold. */
    private static boolean mostly(Alike group, Set<String> labels, List<Field> fields) {
        long covered = group.sheets.stream()
                .filter(small -> {
                    long found = small.texts().keySet().stream()
                            .filter(labels::contains)
                            .count();
                    found += fields.stream()
                            .filter(field -> small.value(field) != null)
                            .count();
                    return found >= small.cells().size() * MOSTLY;
                })
                .count();
        return covered >= group.sheets.size() * NEARLY_ALL;
    }

    /** True where the rows of the fields hold nothing but labels and values; those of a table hold more. */
    private static boolean isOfPairs(SmallSheet small, List<Field> fields) {
        Map<Integer, Integer> paired = new HashMap<>();
        for (Field field : fields) {
            Cell label = small.texts().get(field.key());
            if (label != null) {
                paired.merge(label.row(), 1, Integer::sum);
                if (small.value(field) != null) {
                    paired.merge(label.row() + field.down(), 1, Integer::sum);
                }
            }
        }
        long pure = paired.entrySet().stream()
                .filter(row -> small.cells().stream()
                                .filter(cell -> cell.row() == row.getKey())
                                .count()
                        == row.getValue())
                .count();
        return pure >= paired.size() * NEARLY_ALL;
    }
}
