package cuvee.propose;

import cuvee.detect.TableColumn;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.LaidColumn;
import cuvee.layout.Nature;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Tables without a header have that of others with as many columns, each of which holds what theirs does: those of their own
 * file before others, then those of most tables.
 */
final class HeadersOfOthers implements Draft.Step {
    /** Tables of fewer columns are alike by chance. */
    private static final int FEWEST_COLUMNS = 3;
    /** Of so few values nothing can be said of how they are written. */
    private static final int FEW = 3;

    private static final int NAMED_IN_TEXT = 6;

    /** A header with the tables that have it, and what their columns hold together. */
    private record Headed(List<String> headers, List<PlacedTable> tables, List<Evidence> held) {
        static Headed of(List<PlacedTable> tables) {
            List<LaidColumn> first = cells(tables.get(0));
            return new Headed(
                    first.stream().map(LaidColumn::header).toList(),
                    List.copyOf(tables),
                    IntStream.range(0, first.size())
                            .mapToObj(column -> {
                                Evidence held = new Evidence();
                                tables.forEach(table ->
                                        held.add(cells(table).get(column).evidence()));
                                return held;
                            })
                            .toList());
        }

        boolean hasOneIn(String source) {
            return tables.stream().anyMatch(table -> table.source().equals(source));
        }
    }

    /** True for a table that has no header of its own and is called as others are. */
    static boolean isCalledAsOthers(PlacedTable table) {
        return isBare(table)
                && !cells(table).isEmpty()
                && !cells(table)
                        .get(0)
                        .header()
                        .equals(table.table().columns().get(0).header());
    }

    private static boolean isBare(PlacedTable table) {
        return !table.table().isForm() && table.table().columns().stream().noneMatch(TableColumn::named);
    }

    @Override
    public Draft on(Draft draft) {
        List<PlacedTable> bare =
                draft.laid().stream().filter(HeadersOfOthers::isOpen).toList();
        if (bare.isEmpty()) {
            return draft;
        }
        Map<String, List<PlacedTable>> bySignature = new LinkedHashMap<>();
        draft.laid().stream()
                .filter(table -> !isBare(table) && !table.table().isForm())
                .forEach(table -> bySignature
                        .computeIfAbsent(table.signature(), any -> new ArrayList<>())
                        .add(table));
        List<Headed> headed = bySignature.values().stream().map(Headed::of).toList();
        Map<PlacedTable, PlacedTable> called = new HashMap<>();
        Map<Headed, List<PlacedTable>> told = new LinkedHashMap<>();
        for (PlacedTable table : bare) {
            closest(table, headed).ifPresent(as -> {
                PlacedTable named = called(table, as);
                if (!named.signature().equals(table.signature())) {
                    called.put(table, named);
                    told.computeIfAbsent(as, any -> new ArrayList<>()).add(table);
                }
            });
        }
        List<Finding> findings = new ArrayList<>();
        told.forEach((as, tables) -> findings.add(finding(as, tables)));
        return draft.withLaid(draft.laid().stream()
                        .map(table -> called.getOrDefault(table, table))
                        .toList())
                .saying(Said.found(findings));
    }

    /** True for a table without a header that is wide enough to be compared. */
    private static boolean isOpen(PlacedTable table) {
        return isBare(table)
                && cells(table).size() >= FEWEST_COLUMNS
                && cells(table).size() == table.table().columns().size();
    }

    /** The columns that stand in the sheet, without what lines between the rows say. */
    private static List<LaidColumn> cells(PlacedTable table) {
        return table.columns().stream()
                .filter(column -> column.origin() instanceof Origin.Cell)
                .toList();
    }

    private static Optional<Headed> closest(PlacedTable table, List<Headed> headed) {
        return headed.stream()
                .filter(as -> holdsTheSame(table, as))
                .max(Comparator.comparing((Headed as) -> as.hasOneIn(table.source()))
                        .thenComparingInt(as -> as.tables().size())
                        .thenComparing(as -> String.join("|", as.headers()), Comparator.reverseOrder()));
    }

    private static boolean holdsTheSame(PlacedTable table, Headed as) {
        List<LaidColumn> own = cells(table);
        return own.size() == as.held().size()
                && IntStream.range(0, own.size())
                        .allMatch(column ->
                                areAlike(own.get(column).evidence(), as.held().get(column)));
    }

    /** True for columns that hold the same nature of values, written alike: codes or words, whole numbers or fractions. */
    private static boolean areAlike(Evidence one, Evidence other) {
        Nature nature = Nature.of(one);
        Nature theirs = Nature.of(other);
        if (nature == Nature.NOTHING || theirs == Nature.NOTHING) {
            return true;
        }
        if (nature != theirs) {
            return false;
        }
        return switch (nature) {
            case WORDS -> share(one, Form.WORDS_AND_DIGITS) * 2 > 1 == share(other, Form.WORDS_AND_DIGITS) * 2 > 1;
            case NUMBERS ->
                one.filled() < FEW
                        || other.filled() < FEW
                        || share(one, Form.NUMBER_FRACTION, Form.POINT, Form.COMMA) > 0
                                == share(other, Form.NUMBER_FRACTION, Form.POINT, Form.COMMA) > 0;
            case DATES, NOTHING -> true;
        };
    }

    private static double share(Evidence evidence, Form... forms) {
        return (double) evidence.count(forms) / evidence.filled();
    }

    private static PlacedTable called(PlacedTable table, Headed as) {
        Map<String, String> headers = new HashMap<>();
        List<LaidColumn> own = cells(table);
        IntStream.range(0, own.size())
                .forEach(column -> headers.put(
                        LooseText.key(own.get(column).header()), as.headers().get(column)));
        return table.calling(headers);
    }

    private static Finding finding(Headed as, List<PlacedTable> tables) {
        List<String> files = tables.stream().map(PlacedTable::source).distinct().toList();
        List<String> headers =
                as.headers().stream().limit(NAMED_IN_TEXT).map(Says::quoted).toList();
        int more = as.headers().size() - headers.size();
        return new Finding(
                Severity.WARNING,
                "header-of-others",
                tables.get(0).where(),
                Says.count(tables.size(), "table") + " of "
                        + (files.size() == 1 ? files.get(0) : Says.count(files.size(), "file"))
                        + (tables.size() == 1 ? " has" : " have")
                        + " no header. Columns that hold what theirs do, one after"
                        + " the other, are called " + Says.list(headers) + (more > 0 ? " and " + more + " more" : "")
                        + " in " + as.tables().get(0).source() + ".",
                tables.size() == 1 ? "Its columns are called so too." : "Their columns are called so too.",
                "Where that is wrong, say in Line up what a header is in that file.");
    }
}
