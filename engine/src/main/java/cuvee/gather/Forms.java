package cuvee.gather;

import cuvee.detect.FoundTable;
import cuvee.gather.SmallSheet.Cell;
import cuvee.gather.SmallSheet.Field;
import cuvee.gather.SourceFacts.SheetFacts;
import cuvee.master.Store;
import cuvee.sheet.CellKind;
import cuvee.tag.Tags;
import cuvee.value.Evidence;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Sheets that hold one record each: labels, and their values beside them. One sheet alone cannot tell a label from a value;
 * many can: what is the same in nearly all sheets is a label, what differs beside it is its value. Sheets with the same
 * labels are looked at together; the values have to be of several kinds, since a table of one column of numbers under the
 * same row names looks alike otherwise, and labels and values have to be most of what the sheets hold.
 */
final class Forms {
    private static final int MOST_ROWS = 80;
    private static final int MOST_COLUMNS = 12;

    /** So much of what a sheet holds is labels and values. */
    private static final double MOSTLY = 0.6;

    private final Store store;
    private final Map<Integer, FoundTable> bySheet = new HashMap<>();
    /** The forms that stand below each other on a sheet, by the rows in which they begin. */
    private final Map<Integer, TreeMap<Integer, FoundTable>> onSheet = new HashMap<>();
    /** The fields of the forms that share their labels. */
    private final Map<AlikeSheets, List<Field>> known = new LinkedHashMap<>();
    /** How far to the right of its label a value stands in forms of the batch. */
    private final Set<Integer> offsets = new HashSet<>();
    /** What all forms of a group say that is no field: titles, instructions, headings. */
    private final Set<String> captions = new HashSet<>();

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
        List<AlikeSheets> groups = AlikeSheets.groups(sheets);
        groups.stream()
                .filter(group ->
                        group.sheets().stream().anyMatch(small -> mayBe(small.sheet()) || isOfWords(small.sheet())))
                .forEach(this::look);
        Set<SmallSheet> judged = groups.stream()
                .filter(group -> group.size() >= AlikeSheets.FEWEST && BuiltAlike.shareLabels(group))
                .flatMap(group -> group.sheets().stream())
                .collect(Collectors.toSet());
        BuiltAlike.of(groups.stream().flatMap(group -> group.sheets().stream()).toList(), judged, this::isForm)
                .forEach(this::takeBuiltAlike);
        if (!bySheet.isEmpty()) {
            open(groups).forEach(this::likeTheOthers);
        }
        // A sheet of one form stands beside those of several.
        List<SmallSheet> parts = sheets.stream()
                .filter(small -> !isForm(small))
                .flatMap(small -> small.parts().isEmpty() ? Stream.of(small) : small.parts().stream())
                .toList();
        if (parts.stream().anyMatch(part -> part.block() > 0)) {
            AlikeSheets.groups(parts).forEach(this::look);
            parts.stream().filter(part -> part.block() > 0 && !isTaken(part)).forEach(this::isOneMore);
        }
        // A sheet some of whose parts are no forms is read as it would be without the others.
        Map<Integer, Integer> counts = new HashMap<>();
        sheets.forEach(small -> counts.put(small.sheet().id(), small.parts().size()));
        onSheet.entrySet().removeIf(each -> each.getValue().size() < counts.getOrDefault(each.getKey(), 0));
    }

    private boolean isForm(SmallSheet small) {
        return bySheet.containsKey(small.sheet().id());
    }

    private boolean isTaken(SmallSheet part) {
        return onSheet.getOrDefault(part.sheet().id(), new TreeMap<>()).containsKey(part.block());
    }

    private void takeBuiltAlike(Map<SmallSheet, List<Field>> forms) {
        forms.forEach((small, fields) -> {
            fields.forEach(field -> offsets.add(field.offset()));
            bySheet.computeIfAbsent(small.sheet().id(), any -> FormTable.of(small, fields, forms.size()));
        });
    }

    /** The sheets that are no forms so far. */
    private List<SmallSheet> open(List<AlikeSheets> groups) {
        return groups.stream()
                .flatMap(group -> group.sheets().stream())
                .filter(small -> !isForm(small))
                .toList();
    }

    /** True for a sheet, or a part of one, that has some of the labels of a form: it is one more. */
    private boolean isOneMore(SmallSheet small) {
        for (Map.Entry<AlikeSheets, List<Field>> form : known.entrySet()) {
            List<Field> own = FormFields.ofOneMore(form.getKey(), form.getValue(), small);
            if (!own.isEmpty()) {
                take(small, FormTable.of(small, own, form.getKey().size() + 1));
                return true;
            }
        }
        return false;
    }

    /** A sheet with labels of its own that is otherwise built like the forms of the batch. */
    private void likeTheOthers(SmallSheet small) {
        if (isOneMore(small)) {
            return;
        }
        List<Field> fields = new ArrayList<>();
        Set<String> values = new HashSet<>();
        Evidence all = new Evidence();
        small.texts().forEach((key, label) -> {
            Optional<Cell> value = values.contains(key) ? Optional.empty() : small.next(label);
            if (value.isPresent()
                    && offsets.contains(value.get().column() - label.column())
                    && !Tags.isOfThePaper(key)) {
                fields.add(new Field(key, value.get().column() - label.column()));
                values.add(LooseText.key(CellKind.textOf(value.get().staged())));
                all.add(Evidence.ofStaged(value.get().staged()));
            }
        });
        long said = small.texts().keySet().stream()
                .filter(text -> captions.contains(text)
                        && fields.stream().noneMatch(field -> field.key().equals(text)))
                .count();
        boolean mostly = fields.size() * 2L + said >= small.cells().size() * MOSTLY;
        boolean captioned = small.texts().keySet().stream().anyMatch(captions::contains);
        if (fields.size() >= SmallSheet.FEWEST_FIELDS
                && mostly
                && captioned
                && ValueKinds.of(all).isMixed()
                && FormFields.isOfPairs(small, fields)) {
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
                                                .anyMatch(column -> ValueKinds.of(column.evidence())
                                                        .isOfTwo())));
    }

    /** True for words beside words: those of a form are of several kinds of words, and so of none that a column shows. */
    private static boolean isOfWords(SheetFacts sheet) {
        return isNarrow(sheet)
                && sheet.tables().get(0).columns().stream()
                        .allMatch(column -> ValueKinds.of(column.evidence()).most() == ValueKinds.Kind.WORDS);
    }

    /** True for a small sheet of a single table of two columns, whose first fields may have been taken for titles. */
    private static boolean isNarrow(SheetFacts sheet) {
        return sheet.lastRow() <= MOST_ROWS
                && sheet.tables().size() == 1
                && sheet.tables().get(0).columns().size() == 2;
    }

    private void look(AlikeSheets group) {
        List<Field> fields = FormFields.of(group);
        if (fields.isEmpty()) {
            return;
        }
        known.put(group, fields);
        fields.forEach(field -> offsets.add(field.offset()));
        captions.addAll(group.common());
        fields.forEach(field -> captions.remove(field.key()));
        for (SmallSheet small : group.sheets()) {
            FoundTable form = FormTable.of(small, FormFields.withOwn(group, small, fields), group.size());
            if (form.columns().size() >= SmallSheet.FEWEST_FIELDS) {
                take(small, form);
            }
        }
    }

    private void take(SmallSheet small, FoundTable form) {
        if (small.block() > 0) {
            onSheet.computeIfAbsent(small.sheet().id(), sheet -> new TreeMap<>())
                    .put(small.block(), form);
        } else {
            bySheet.put(small.sheet().id(), form);
        }
    }
}
