package cuvee.propose;

import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.layout.LaidColumn;
import cuvee.layout.PlacedTable;
import cuvee.master.SourceCells.Digits;
import cuvee.place.Says;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Meaning;
import cuvee.value.Type;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;

/**
 * Codes that lost their leading zeros, as cells of numbers do: shorter than those that kept theirs, which all have the same
 * number of digits. They are filled with zeros, and it is asked, since they may be numbers of another kind.
 */
final class LostZeros {
    private static final int FEWEST_KEPT = 2;
    private static final int SHORTEST = 3;

    private final WrittenEvidence seen;

    LostZeros(WrittenEvidence seen) {
        this.seen = seen;
    }

    /** The tables whose values are to be filled with zeros, each with the number of digits that its codes have. */
    Map<PlacedTable, Meant> of(String name, Map<PlacedTable, LaidColumn> fed) {
        Map<PlacedTable, LaidColumn> digits = digitsOnly(name, fed);
        long kept = digits.values().stream()
                .mapToLong(column -> column.evidence().count(Form.ZERO_LED))
                .sum();
        boolean otherType = seen.isTypeSettled(name) && !seen.type(name).equals(Optional.of(Type.TEXT));
        if (otherType || kept < FEWEST_KEPT && !seen.isSettled(name)) {
            return Map.of();
        }
        Map<PlacedTable, Digits> looked = seen.digits(digits);
        OptionalInt length = length(looked);
        Map<PlacedTable, Meant> meant = new LinkedHashMap<>();
        Map<PlacedTable, Digits> open = new LinkedHashMap<>();
        looked.forEach((table, found) -> {
            Optional<Integer> told = seen.saidWhole(name, table).map(ColumnChoice.WrittenAs::digits);
            int to = told.orElse(length.orElse(0));
            if (found.shortest() < to) {
                meant.put(table, new Meant(Meaning.CODES, String.valueOf(to), 0, 0));
                if (told.isEmpty()) {
                    open.put(table, found);
                }
            }
        });
        if (!open.isEmpty()) {
            ask(name, open.keySet(), open.values().iterator().next().example(), length.getAsInt());
        }
        return meant;
    }

    /** The tables whose values are digits only, but for words that stand for nothing; and those of which it is said. */
    private Map<PlacedTable, LaidColumn> digitsOnly(String name, Map<PlacedTable, LaidColumn> fed) {
        Map<PlacedTable, LaidColumn> digits = new LinkedHashMap<>();
        fed.forEach((table, column) -> {
            Evidence e = column.evidence();
            long said = e.filled() - e.count(Form.NOTHING_WORD, Form.CELL_ERROR);
            boolean only = e.count(Form.ZERO_LED, Form.DIGITS, Form.NUMBER_WHOLE) == said && e.belowZero() == 0;
            if (said > 0 && (only || seen.said(name, table).isPresent())) {
                digits.put(table, column);
            }
        });
        return digits;
    }

    /** How many digits all codes have that kept their zeros, and none has more; empty where they differ. */
    private static OptionalInt length(Map<PlacedTable, Digits> looked) {
        int length = 0;
        int longest = 0;
        for (Digits each : looked.values()) {
            boolean kept = each.longestZeroLed() > 0;
            if (kept
                    && (each.shortestZeroLed() != each.longestZeroLed()
                            || length > 0 && each.longestZeroLed() != length)) {
                return OptionalInt.empty();
            }
            length = kept ? each.longestZeroLed() : length;
            longest = Math.max(longest, each.longest());
        }
        return length < SHORTEST || longest > length ? OptionalInt.empty() : OptionalInt.of(length);
    }

    private void ask(String name, Set<PlacedTable> open, String example, int length) {
        ColumnChoice.Scoped everywhere = new ColumnChoice.Scoped(name, "");
        String filled = new ColumnChoice.WrittenAs(everywhere, Meaning.CODES, String.valueOf(length))
                .words()
                .answer();
        String zeros = "0".repeat(length - example.length()) + example;
        seen.ask(Question.of(
                Kinds.WRITTEN_AS,
                everywhere.words(),
                WrittenEvidence.where(open),
                "In the column " + Says.quoted(name) + ", " + WrittenEvidence.files(open)
                        + (open.stream().map(PlacedTable::source).distinct().count() == 1 ? " holds " : " hold ")
                        + "numbers such as " + Says.quoted(example) + ", where other values are codes of " + length
                        + " digits with leading zeros. Did they lose their zeros?",
                filled,
                List.of(
                        new Answer(filled, "yes, write them as " + Says.quoted(zeros)),
                        new Answer(Meaning.AS_WRITTEN.words(), "no, they stay as they are written")),
                open.stream().mapToLong(table -> table.table().kept()).sum()));
    }
}
