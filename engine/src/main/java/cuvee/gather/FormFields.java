package cuvee.gather;

import cuvee.gather.SmallSheet.Cell;
import cuvee.gather.SmallSheet.Field;
import cuvee.sheet.CellKind;
import cuvee.tag.Tags;
import cuvee.value.Evidence;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What of sheets that are alike is a field: a label that nearly all of them have, with a value that is not the same in all of
 * them beside it or below it.
 */
final class FormFields {
    /** A label is a field where so many of the sheets have a value beside it. */
    private static final double SOME = 0.3;
    /** The sheets share so much of what a row of labels says. */
    private static final double SHARED = 0.6;
    /** What more of the other sheets say than this may be a label that some of them call otherwise. */
    private static final double PERHAPS_A_LABEL = 0.5;
    /** So many fields of words that each have their own are a form. */
    private static final int ENOUGH_OF_WORDS = 5;
    /** What only some sheets call so stands at most so many rows from the other fields: there may be a heading between. */
    private static final int LARGEST_GAP = 3;
    /** So much of what a sheet holds is labels and values. */
    private static final double MOSTLY = 0.6;

    /** Words over a column of labels rather than of fields. */
    private static final Set<String> OVER_VALUES = Set.of("item", "field", "label", "name", "description", "feld");

    private FormFields() {}

    /** The fields of sheets that hold one record each; none where they do not. */
    static List<Field> of(AlikeSheets group) {
        if (group.size() < AlikeSheets.FEWEST) {
            return List.of();
        }
        Set<String> labels = group.common();
        List<Field> fields = new ArrayList<>();
        List<Field> same = new ArrayList<>();
        List<Field> ofTheSheet = new ArrayList<>();
        for (String label : labels) {
            field(group, label)
                    .ifPresent(field -> (isFixed(group, labels, field)
                                    ? same
                                    : Tags.isOfTheSheet(label) ? ofTheSheet : fields)
                            .add(field));
        }
        if (fields.stream().filter(field -> field.down() > 0).count() * 2 > fields.size()) {
            labels.stream()
                    .flatMap(label -> aloneOverItsValue(group, fields, label).stream())
                    .toList()
                    .forEach(fields::add);
        }
        List<Field> all = Stream.concat(fields.stream(), same.stream()).toList();
        fields.removeIf(field -> isAValue(group, all, field));
        List<Field> plain = List.copyOf(fields);
        ofTheSheet.stream().filter(field -> isOfTheRecord(group, plain, field)).forEach(fields::add);
        if (fields.size() >= SmallSheet.FEWEST_FIELDS) {
            // What is always the same stands below the others like them: a sender's own place.
            fields.addAll(same.stream()
                    .filter(field -> !Tags.isOfTheSheet(field.key())
                            && fields.stream().anyMatch(other -> isBelow(group, field, other)))
                    .toList());
        }
        return isForm(group, fields, same) ? fields : List.of();
    }

    private static boolean isForm(AlikeSheets group, List<Field> fields, List<Field> same) {
        return fields.size() >= SmallSheet.FEWEST_FIELDS
                && areOfSeveralKinds(group, fields)
                && kinds(group, withoutHeader(group, fields, same)).isOfTwo()
                && mostly(group, fields)
                && !isTableOfOneRow(group, fields)
                && !holdsRecords(group, fields)
                && group.sheets().stream()
                                .filter(small -> isOfPairs(small, withOwn(group, small, fields)))
                                .count()
                        >= group.size() * AlikeSheets.NEARLY_ALL;
    }

    /** True for fields of several kinds, or many of which hardly two kinds are but no two of which hold the same words. */
    private static boolean areOfSeveralKinds(AlikeSheets group, List<Field> fields) {
        ValueKinds kinds = kinds(group, fields);
        return kinds.isMixed()
                || fields.size() >= ENOUGH_OF_WORDS && kinds.isOfTwo() && haveWordsOfTheirOwn(group, fields);
    }

    private static boolean haveWordsOfTheirOwn(AlikeSheets group, List<Field> fields) {
        Set<String> all = new HashSet<>();
        return fields.stream()
                .allMatch(field ->
                        group
                                .values(field)
                                .map(value -> LooseText.key(CellKind.textOf(value.staged())))
                                .distinct()
                                .toList()
                                .stream()
                                .allMatch(all::add));
    }

    /** What the fields hold, each by what it mostly does. */
    private static ValueKinds kinds(AlikeSheets group, List<Field> fields) {
        return ValueKinds.of(fields.stream()
                .map(field -> {
                    Evidence all = new Evidence();
                    group.values(field).forEach(value -> all.add(Evidence.ofStaged(value.staged())));
                    return ValueKinds.of(all).most();
                })
                .toList());
    }

    /** Where the values of a label stand in most of the sheets that have one; empty where it has none. */
    private static Optional<Field> field(AlikeSheets group, String label) {
        Map<Field, Integer> places = new LinkedHashMap<>();
        for (SmallSheet small : group.sheets()) {
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
                        .thenComparing(each -> each.getKey().offset(), Comparator.reverseOrder()))
                .filter(most -> isInSome(group, most.getValue()))
                .map(Map.Entry::getKey);
    }

    private static boolean isInSome(AlikeSheets group, long sheets) {
        return sheets >= Math.max(1, group.size() * SOME);
    }

    /** Where the value of a label would stand: below it in a row of labels over one of values, else beside it. */
    private static Optional<Cell> place(AlikeSheets group, SmallSheet small, Cell label) {
        return standsOverValues(group, small, label.row())
                ? small.at(label.row() + 1, label.column())
                : small.next(label);
    }

    /**
     * True for a row over cells in its own columns where the sheets share what it says, and hardly what stands below it; or
     * whose cells look like labels over values in this sheet alone, where one of them is shared.
     */
    private static boolean standsOverValues(AlikeSheets group, SmallSheet small, int row) {
        List<Cell> labels = small.inRow(row);
        List<Cell> under = small.inRow(row + 1);
        if (under.isEmpty()
                || labels.size() < 2
                || !under.stream().allMatch(cell -> small.at(row, cell.column()).isPresent())) {
            return false;
        }
        long common = labels.stream().filter(group::isCommon).count();
        double shared = group.shared(labels);
        // In a row of pairs below another one the first cell is a label.
        boolean pairs = labels.size() % 2 == 0 && group.shared(under.subList(0, 1)) > PERHAPS_A_LABEL;
        boolean begins = labels.size() > 2
                && labels.stream().allMatch(Cell::isLabel)
                && !under.get(0).isLabel();
        boolean told = shared >= SHARED && (begins || group.shared(under) <= shared / 2 && !pairs);
        return told && (under.size() > 1 || common == labels.size())
                || (common > 1 || labels.size() > 2)
                        && small.overValues(row)
                        && under.stream().noneMatch(group::isCommon);
    }

    /** True for a text that is mostly the value of another field: the same in nearly all sheets by chance. */
    private static boolean isAValue(AlikeSheets group, List<Field> fields, Field field) {
        long values = group.sheets().stream()
                .filter(small -> {
                    Cell label = small.texts().get(field.key());
                    return label != null
                            && fields.stream().anyMatch(other -> other.down() > 0 && label.equals(small.value(other)));
                })
                .count();
        return values * 2 > group.size();
    }

    /** A label with nothing beside it that has its value below it, as the other labels of the form have. */
    private static Optional<Field> aloneOverItsValue(AlikeSheets group, List<Field> fields, String label) {
        int top =
                fields.stream().flatMap(group::labels).mapToInt(Cell::row).min().orElse(0);
        long over = group.sheets().stream()
                .filter(small -> Stream.ofNullable(small.texts().get(label))
                        .anyMatch(own -> own.row() > top
                                && small.inRow(own.row()).size() == 1
                                && small.inRow(own.row() + 1).size() == 1
                                && small.at(own.row() + 1, own.column())
                                        .filter(value -> !group.isCommon(value))
                                        .isPresent()))
                .count();
        return isInSome(group, over) ? Optional.of(new Field(label, 0, 1)) : Optional.empty();
    }

    /**
     * True for what differs from sheet to sheet beside a label that could speak of the sheet itself: whoever left a number or
     * a remark, and whatever stands between the fields.
     */
    private static boolean isOfTheRecord(AlikeSheets group, List<Field> plain, Field field) {
        boolean differs = group.values(field)
                        .map(value -> LooseText.key(CellKind.textOf(value.staged())))
                        .distinct()
                        .count()
                > 1;
        return differs && (!Tags.isOfThePaper(field.key()) || isBetween(group, plain, field));
    }

    private static boolean isBetween(AlikeSheets group, List<Field> plain, Field field) {
        return group.sheets().stream().allMatch(small -> {
            Cell label = small.texts().get(field.key());
            return label == null
                    || plain.stream().anyMatch(other -> row(small, other) < label.row() && row(small, other) > 0)
                            && plain.stream().anyMatch(other -> row(small, other) > label.row());
        });
    }

    /** The row of a label; 0 where the sheet lacks it. */
    private static int row(SmallSheet small, Field field) {
        Cell label = small.texts().get(field.key());
        return label == null ? 0 : label.row();
    }

    /**
     * The fields of a sheet with those that only some call so: a label between those of the others, above or below them, in
     * their column, with its value as far beside it as theirs; or among labels over their values.
     */
    static List<Field> withOwn(AlikeSheets group, SmallSheet small, List<Field> fields) {
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
                int near = group.isCommon(label) ? 1 : LARGEST_GAP;
                boolean beside =
                        !rows.isEmpty() && label.row() >= rows.first() - near && label.row() <= rows.last() + near;
                Integer offset = over ? Integer.valueOf(0) : beside ? offsets.get(label.column()) : null;
                if (offset == null || taken.contains(label) || Tags.isOfThePaper(key)) {
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
    private static boolean isTableOfOneRow(AlikeSheets group, List<Field> fields) {
        SmallSheet first = group.sheets().get(0);
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
    private static boolean holdsRecords(AlikeSheets group, List<Field> fields) {
        Map<Integer, Long> over = fields.stream()
                .filter(field -> field.down() > 0)
                .flatMap(field ->
                        Optional.ofNullable(group.sheets().get(0).texts().get(field.key())).stream())
                .collect(Collectors.groupingBy(Cell::row, Collectors.counting()));
        if (over.values().stream().noneMatch(labels -> labels > 1)) {
            return false;
        }
        long holding = group.sheets().stream()
                .filter(small -> secondValues(group, small, fields) > 1)
                .count();
        return holding >= Math.max(1, group.size() * SOME);
    }

    /** How many values under labels have another one of their kind right below them. */
    private static long secondValues(AlikeSheets group, SmallSheet small, List<Field> fields) {
        return fields.stream()
                .filter(field -> field.down() > 0)
                .flatMap(field -> Stream.ofNullable(small.value(field)))
                .filter(value -> small.at(value.row() + 1, value.column())
                        .filter(cell -> !group.isCommon(cell) && isOfOneKind(cell, value))
                        .isPresent())
                .count();
    }

    private static boolean isOfOneKind(Cell one, Cell other) {
        return ValueKinds.of(Evidence.ofStaged(one.staged())).equals(ValueKinds.of(Evidence.ofStaged(other.staged())));
    }

    /** True where the same text stands beside a label in all sheets: it may be another label, unless a colon tells. */
    private static boolean isFixed(AlikeSheets group, Set<String> labels, Field field) {
        Set<String> beside = new HashSet<>();
        for (SmallSheet small : group.sheets()) {
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
    private static List<Field> withoutHeader(AlikeSheets group, List<Field> fields, List<Field> same) {
        SmallSheet first = group.sheets().get(0);
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
    private static boolean isBelow(AlikeSheets group, Field field, Field other) {
        return field.offset() == other.offset()
                && !OVER_VALUES.contains(field.key())
                && group.sheets().stream().allMatch(small -> {
                    Cell label = small.texts().get(field.key());
                    Cell others = small.texts().get(other.key());
                    return label == null || others == null || label.column() == others.column();
                });
    }

    /** True where labels and values are most of what most of the sheets hold. */
    private static boolean mostly(AlikeSheets group, List<Field> fields) {
        long covered = group.sheets().stream()
                .filter(small -> isMostly(group, small, withOwn(group, small, fields)))
                .count();
        return covered >= group.size() * AlikeSheets.NEARLY_ALL;
    }

    private static boolean isMostly(AlikeSheets group, SmallSheet small, List<Field> own) {
        Set<String> labels = own.stream().map(Field::key).collect(Collectors.toSet());
        long found = small.texts().keySet().stream()
                .filter(text -> labels.contains(text) || group.common().contains(text))
                .count();
        found += own.stream().filter(field -> small.value(field) != null).count();
        return found >= small.cells().size() * MOSTLY;
    }

    /**
     * The fields of one more sheet that has some of the labels of a form, their values where that has them, and calls the
     * others otherwise; none where it is no such form.
     */
    static List<Field> ofOneMore(AlikeSheets group, List<Field> fields, SmallSheet small) {
        long known = fields.stream().filter(field -> small.value(field) != null).count();
        if (known < SmallSheet.FEWEST_FIELDS) {
            return List.of();
        }
        List<Field> own = withOwn(group, small, fields);
        return isMostly(group, small, own) && isOfPairs(small, own) ? own : List.of();
    }

    /** True where the rows of the fields hold nothing but labels and values; those of a table hold more. */
    static boolean isOfPairs(SmallSheet small, List<Field> fields) {
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
        return pure >= paired.size() * AlikeSheets.NEARLY_ALL;
    }
}
