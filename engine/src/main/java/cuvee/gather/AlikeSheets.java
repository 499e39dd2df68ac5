package cuvee.gather;

import cuvee.gather.SmallSheet.Cell;
import cuvee.gather.SmallSheet.Field;
import cuvee.sheet.CellKind;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Sheets, or parts of them, that have most of their texts in common. */
final class AlikeSheets {
    /** So many tell what is the same in all of them. */
    static final int FEWEST = 3;
    /** A text is a label where so many of the sheets have it once. */
    static final double NEARLY_ALL = 0.8;

    /** Sheets share so many of their texts to be looked at together. */
    private static final double SHARED = 0.65;
    /** The first two share fewer: of a form full of words nearly every other text is a value. */
    private static final double SHARED_BY_TWO = 0.45;

    private final List<SmallSheet> sheets = new ArrayList<>();
    private final Map<String, Integer> counts = new LinkedHashMap<>();
    private Set<String> common = Set.of();

    private AlikeSheets() {}

    /** The groups of sheets that are alike, each sheet in one; those with hardly a text are in none. */
    static List<AlikeSheets> groups(List<SmallSheet> sheets) {
        List<AlikeSheets> groups = new ArrayList<>();
        sheets.stream()
                .filter(small -> small.texts().size() >= SmallSheet.FEWEST_FIELDS)
                .forEach(small -> closest(groups, small, group -> true)
                        .orElseGet(() -> {
                            AlikeSheets fresh = new AlikeSheets();
                            groups.add(fresh);
                            return fresh;
                        })
                        .add(small));
        return joined(groups);
    }

    /** The first of those groups that share the most with a sheet, and enough. */
    private static Optional<AlikeSheets> closest(
            List<AlikeSheets> groups, SmallSheet small, Predicate<AlikeSheets> among) {
        AlikeSheets closest = null;
        for (AlikeSheets group : groups) {
            if (among.test(group)
                    && group.has(small)
                    && (closest == null || group.share(small) > closest.share(small))) {
                closest = group;
            }
        }
        return Optional.ofNullable(closest);
    }

    /**
     * Groups too small for forms joined to those that they are like by now: what the first sheets of a group have in
     * common is known only when there are several.
     */
    private static List<AlikeSheets> joined(List<AlikeSheets> groups) {
        List<AlikeSheets> joined = new ArrayList<>(groups);
        for (AlikeSheets few : groups) {
            Optional<AlikeSheets> others = few.sheets.size() >= FEWEST
                    ? Optional.empty()
                    : closest(
                            joined,
                            few.sheets.get(0),
                            group -> group.sheets.size() >= FEWEST
                                    && few.sheets.stream().allMatch(group::has));
            others.ifPresent(group -> {
                joined.remove(few);
                few.sheets.forEach(group::add);
            });
        }
        return joined;
    }

    private void add(SmallSheet sheet) {
        sheets.add(sheet);
        sheet.texts().keySet().forEach(text -> counts.merge(text, 1, Integer::sum));
        common = counts.entrySet().stream()
                .filter(text -> text.getValue() >= sheets.size() * NEARLY_ALL)
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
    }

    List<SmallSheet> sheets() {
        return sheets;
    }

    int size() {
        return sheets.size();
    }

    /** What nearly all of them say. */
    Set<String> common() {
        return common;
    }

    boolean isCommon(Cell cell) {
        return common.contains(LooseText.key(CellKind.textOf(cell.staged())));
    }

    /** How many of the other sheets say the same as each of those cells, on average: 0 to 1. */
    double shared(List<Cell> cells) {
        return cells.stream()
                .mapToDouble(cell -> cell.isLabel()
                        ? (counts.getOrDefault(LooseText.key(CellKind.textOf(cell.staged())), 1) - 1.0)
                                / Math.max(1, sheets.size() - 1)
                        : 0)
                .average()
                .orElse(0);
    }

    /** The cells of a label in the sheets that have it. */
    Stream<Cell> labels(Field field) {
        return sheets.stream()
                .flatMap(small -> Optional.ofNullable(small.texts().get(field.key())).stream());
    }

    /** The values of a field in the sheets that have one. */
    Stream<Cell> values(Field field) {
        return sheets.stream().flatMap(small -> Stream.ofNullable(small.value(field)));
    }

    private boolean has(SmallSheet sheet) {
        return shared(sheet) >= SmallSheet.FEWEST_FIELDS
                && share(sheet) >= (sheets.size() == 1 ? SHARED_BY_TWO : SHARED);
    }

    private double share(SmallSheet sheet) {
        return (double) shared(sheet) / Math.min(common.size(), sheet.texts().size());
    }

    private long shared(SmallSheet sheet) {
        return sheet.texts().keySet().stream().filter(common::contains).count();
    }
}
