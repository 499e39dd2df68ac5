package cuvee.gather;

import cuvee.gather.SmallSheet.Cell;
import cuvee.gather.SmallSheet.Field;
import cuvee.sheet.CellKind;
import cuvee.tag.Tags;
import cuvee.value.Evidence;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/**
 * Sheets whose labels are each sender's own words, but that are built alike: the same number of labels, with values of
 * the same kinds in the same order beside them. A table of two columns holds one kind of value in its second.
 */
final class BuiltAlike {
    /** Without labels in common, so many values in the same order tell. */
    private static final int FEWEST_VALUES = 5;
    /** So much of what a sheet holds is labels and values. */
    private static final double MOSTLY = 0.6;

    private BuiltAlike() {}

    /**
     * A label with the value beside it, in a row of nothing else.
     *
     * @param value empty where it is blank
     */
    private record Beside(Cell label, Optional<Cell> value, ValueKinds.Kind kind) {
        private String key() {
            return LooseText.key(CellKind.textOf(label.staged()));
        }

        /** How far to the right its value stands, or where it is blank that of the same place in another sheet. */
        private Optional<Integer> offset(Optional<Beside> elsewhere) {
            return value.map(cell -> cell.column() - label.column())
                    .or(() -> elsewhere.flatMap(other -> other.offset(Optional.empty())));
        }
    }

    /** True where half of what has values beside it is the same in nearly all sheets: they have been looked at as such. */
    static boolean shareLabels(AlikeSheets group) {
        List<Beside> pairs = pairs(group.sheets().get(0));
        long shared =
                pairs.stream().filter(pair -> group.isCommon(pair.label())).count();
        return shared * 2 >= pairs.size();
    }

    /**
     * The fields of the sheets that are forms by how they are built.
     *
     * @param judged sheets that share their labels, and have been looked at as such
     * @param isForm whether a sheet is known for a form already
     */
    static List<Map<SmallSheet, List<Field>>> of(
            List<SmallSheet> sheets, Set<SmallSheet> judged, Predicate<SmallSheet> isForm) {
        List<List<SmallSheet>> alike = new ArrayList<>();
        Map<SmallSheet, List<Beside>> pairs = new HashMap<>();
        for (SmallSheet small : sheets) {
            List<Beside> own = pairs(small);
            if (lastFilled(own) < FEWEST_VALUES
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
        alike.removeIf(group -> group.stream().allMatch(small -> judged.contains(small) && !isForm.test(small)));
        List<Map<SmallSheet, List<Field>>> forms = new ArrayList<>();
        for (List<SmallSheet> group : alike) {
            Map<SmallSheet, List<Beside>> own = new LinkedHashMap<>();
            group.forEach(small -> own.put(small, pairs.getOrDefault(small, List.of())));
            forms.add(fields(own, group.stream().anyMatch(isForm)));
        }
        return forms;
    }

    /**
     * Of each place a pair that has a value. What is blank in all sheets is a heading and no field; what speaks of the sheet
     * itself in most of them is none either.
     */
    private static Map<SmallSheet, List<Field>> fields(Map<SmallSheet, List<Beside>> group, boolean known) {
        int size =
                group.values().stream().mapToInt(BuiltAlike::lastFilled).max().orElse(0);
        List<Optional<Beside>> filled = IntStream.range(0, size)
                .mapToObj(i -> group.values().stream()
                        .filter(pairs -> pairs.size() > i)
                        .map(pairs -> pairs.get(i))
                        .filter(pair -> pair.value().isPresent())
                        .findFirst()
                        .filter(pair -> !isOfThePaper(group, i)))
                .toList();
        ValueKinds kinds = ValueKinds.of(
                filled.stream().flatMap(Optional::stream).map(Beside::kind).toList());
        boolean enough = group.size() >= AlikeSheets.FEWEST && kinds.areWordsNumbersAndDates() && kinds.isMixed();
        Map<SmallSheet, List<Field>> fields = new LinkedHashMap<>();
        if (known || enough) {
            group.forEach((small, pairs) -> fields.put(
                    small,
                    IntStream.range(0, Math.min(size, pairs.size()))
                            .mapToObj(i -> filled.get(i)
                                    .flatMap(other -> pairs.get(i).offset(Optional.of(other)))
                                    .map(offset -> new Field(pairs.get(i).key(), offset)))
                            .flatMap(Optional::stream)
                            .toList()));
        }
        return fields;
    }

    private static boolean isOfThePaper(Map<SmallSheet, List<Beside>> group, int place) {
        long ofThePaper = group.values().stream()
                .filter(pairs -> pairs.size() > place
                        && Tags.isOfThePaper(pairs.get(place).key()))
                .count();
        return ofThePaper * 2 >= group.size();
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
            same += filled && own.get(i).kind().isLike(others.get(i).kind()) ? 1 : 0;
        }
        return both >= FEWEST_VALUES && same >= both * AlikeSheets.NEARLY_ALL;
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
            if (!label.equals(small.texts().get(LooseText.key(CellKind.textOf(label.staged()))))) {
                continue;
            }
            if (cells.size() == 2 && cells.get(1).column() - label.column() <= SmallSheet.FARTHEST_VALUE) {
                Cell value = cells.get(1);
                pairs.add(new Beside(
                        label,
                        Optional.of(value),
                        ValueKinds.of(Evidence.ofStaged(value.staged())).most()));
            } else if (cells.size() == 1 && !pairs.isEmpty()) {
                pairs.add(new Beside(label, Optional.empty(), ValueKinds.Kind.WORDS));
            }
        }
        return pairs;
    }
}
