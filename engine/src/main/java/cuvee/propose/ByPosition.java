package cuvee.propose;

import cuvee.detect.TableColumn;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.LaidColumn;
import cuvee.layout.Nature;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * Tables without a header are lined up by the position of their columns, which is only right as long as number, kind and
 * order stay the same; where they do not, it is said.
 */
final class ByPosition {
    private static final int FEWEST = 2;

    private ByPosition() {}

    /** Says what differs in tables without a header from what most of them have. */
    static Draft on(Draft draft) {
        return draft.saying(Said.found(findings(draft.members())));
    }

    private static List<Finding> findings(List<PlacedTable> tables) {
        List<PlacedTable> bare = tables.stream()
                .filter(table -> table.table().columns().stream().noneMatch(TableColumn::named))
                .toList();
        List<Finding> findings = new ArrayList<>();
        if (bare.size() < FEWEST) {
            return findings;
        }
        int most = usual(bare.stream().map(table -> table.columns().size()).toList());
        for (PlacedTable table : bare) {
            List<String> differs = new ArrayList<>();
            if (table.columns().size() != most) {
                differs.add("it has " + Says.count(table.columns().size(), "column") + " where most have "
                        + Says.number(most));
            }
            for (int at = 0; at < Math.min(most, table.columns().size()); at++) {
                Nature here = Nature.of(table.columns().get(at).evidence());
                Nature usual = nature(bare, at);
                if (here != usual && here != Nature.NOTHING && usual != Nature.NOTHING) {
                    LaidColumn column = table.columns().get(at);
                    differs.add(
                            Says.quoted(column.header()) + " holds " + word(here) + " where most hold " + word(usual));
                }
            }
            if (!differs.isEmpty()) {
                findings.add(new Finding(
                        Severity.WARNING,
                        "by-position",
                        table.where(),
                        "It has no header, so its columns are lined up by their position, but "
                                + String.join(", and ", differs) + ".",
                        "Its cells are taken as they stand.",
                        "Leave the table out, or ask the sender for one with the columns in the usual order."));
            }
        }
        return findings;
    }

    private static int usual(List<Integer> widths) {
        return widths.stream()
                .max((a, b) -> Long.compare(count(widths, a), count(widths, b)))
                .orElse(0);
    }

    private static long count(List<Integer> widths, int width) {
        return widths.stream().filter(each -> each == width).count();
    }

    private static Nature nature(List<PlacedTable> tables, int at) {
        Map<Nature, Long> rows = new EnumMap<>(Nature.class);
        for (PlacedTable table : tables) {
            if (at < table.columns().size()) {
                rows.merge(
                        Nature.of(table.columns().get(at).evidence()),
                        (long) table.table().kept(),
                        Long::sum);
            }
        }
        return rows.entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey)
                .orElse(Nature.NOTHING);
    }

    private static String word(Nature nature) {
        return switch (nature) {
            case DATES -> "dates";
            case NUMBERS -> "numbers";
            case WORDS -> "words";
            case NOTHING -> "nothing";
        };
    }
}
