package cuvee.propose;

import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Measures;
import cuvee.value.Type;
import cuvee.value.Typing;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * A column that is text only because its sources hold values of different kinds, each clear by itself: dates in some,
 * words in others. Nothing is lost as text, but hardly anybody means it so.
 *
 * @param type what the values of some sources are
 * @param fits how many values of that type there are
 * @param sources where they are
 * @param misfits how many values of the others there are, none of which fits
 * @param others where those are
 * @param example one of them
 */
record KindsApart(Type type, long fits, Set<String> sources, long misfits, Set<String> others, String example) {
    /** Fewer values of a type than this share may be remarks that happen to be numbers or dates. */
    private static final double SHARE = 0.2;

    private static final Form[] NUMBERED = {Form.WORDS_AND_DIGITS, Form.ZERO_LED, Form.LONG_DIGITS};

    /** What a table holds of a column, and the type of that alone. */
    private record Held(String source, Evidence evidence, Type type) {
        long values() {
            return evidence.filled() - evidence.count(Form.NOTHING_WORD, Form.CELL_ERROR);
        }

        /** True where nothing of it is of another type, nor could be a code of that. */
        boolean isOtherThan(Type other) {
            // Codes of digits beside codes of letters and digits are codes.
            boolean amounts = !Measures.unitsOf(evidence.oddities().keySet()).isEmpty();
            return Typing.fit(evidence, other) == 0
                    && (other != Type.WHOLE_NUMBER || amounts || evidence.count(NUMBERED) == 0);
        }
    }

    /** How the values of a column's tables differ in kind; empty where they do not, or where each table is mixed. */
    static Optional<KindsApart> in(Map<PlacedTable, Evidence> evidence) {
        List<Held> clear = evidence.entrySet().stream()
                .map(each -> new Held(
                        each.getKey().source(),
                        each.getValue(),
                        Typing.decide(each.getValue(), true).type()))
                .filter(held -> held.values() > 0)
                .toList();
        Map<Type, Long> values = new LinkedHashMap<>();
        clear.forEach(held -> values.merge(held.type(), held.values(), Long::sum));
        long all = values.values().stream().mapToLong(Long::longValue).sum();
        return values.entrySet().stream()
                .filter(each -> each.getKey() != Type.TEXT)
                .max(Comparator.comparingLong(Map.Entry::getValue))
                .filter(most -> most.getValue() > 1 && most.getValue() >= SHARE * all)
                .flatMap(most -> apart(most.getKey(), clear));
    }

    private static Optional<KindsApart> apart(Type type, List<Held> clear) {
        List<Held> typed = clear.stream().filter(held -> held.type() == type).toList();
        List<Held> others = clear.stream()
                .filter(held -> held.type() != type && held.isOtherThan(type))
                .toList();
        if (others.isEmpty()) {
            return Optional.empty();
        }
        String example = others.stream()
                .flatMap(held -> held.evidence().oddities().keySet().stream())
                .findFirst()
                .orElse("");
        return Optional.of(
                new KindsApart(type, values(typed), sources(typed), values(others), sources(others), example));
    }

    private static long values(List<Held> tables) {
        return tables.stream().mapToLong(Held::values).sum();
    }

    private static Set<String> sources(List<Held> tables) {
        return tables.stream().map(Held::source).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** It in words, as the reason why the column is text. */
    String words() {
        return Says.count(fits, "value") + " of " + files(sources) + (fits == 1 ? " fits " : " fit ") + type.word()
                + ", none of " + Says.number(misfits) + " of " + files(others) + " does"
                + (example.isEmpty() ? "" : ", such as " + Says.quoted(example));
    }

    private static String files(Set<String> paths) {
        return paths.size() == 1 ? paths.iterator().next() : Says.count(paths.size(), "file");
    }
}
