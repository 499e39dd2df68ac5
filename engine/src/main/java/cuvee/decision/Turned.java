package cuvee.decision;

import cuvee.job.Names;
import java.util.List;
import java.util.Optional;

/**
 * How columns become rows, which is said as {@code turn into Month | Amount}, or as {@code turn all but Depot into Fuel |
 * Price}, with {@code keeping blanks, } in front where blank cells become rows too.
 *
 * @param stays the columns that stay, where they were named; empty where the sequence of the others tells
 * @param names the name of the label, and then those of the values
 */
public record Turned(List<String> stays, List<String> names, boolean blanks) {
    private static final String KEEPING = "keeping blanks, ";
    private static final String TURN_INTO = "turn into ";
    private static final String ALL_BUT = "turn all but ";
    private static final String INTO = " into ";
    /** That word within a name, so that it parts nothing. */
    private static final String MARKED = " \\into ";

    public Turned {
        stays = List.copyOf(stays);
        names = List.copyOf(names);
    }

    public String label() {
        return names.get(0);
    }

    public List<String> values() {
        return names.subList(1, names.size());
    }

    public Turned named(List<String> newNames) {
        return new Turned(stays, newNames, blanks);
    }

    public Turned keeping(boolean wanted) {
        return new Turned(stays, names, wanted);
    }

    /** The words by which all columns but some become rows. */
    public static String allBut(List<String> stays, List<String> names) {
        return new Turned(stays, names, false).words();
    }

    /** The words by which the columns of a sequence become rows. */
    public static String into(List<String> names) {
        return new Turned(List.of(), names, false).words();
    }

    /** The words before the names. */
    public String lead() {
        return (blanks ? KEEPING : "") + (stays.isEmpty() ? TURN_INTO : ALL_BUT + marked() + INTO);
    }

    public String words() {
        return lead() + Names.joinTexts(names);
    }

    /** Reads it from words; empty where they do not turn columns. */
    public static Optional<Turned> of(String words) {
        boolean blanks = words.startsWith(KEEPING);
        String answer = blanks ? words.substring(KEEPING.length()) : words;
        int into = answer.indexOf(INTO, ALL_BUT.length());
        if (answer.startsWith(ALL_BUT) && into > 0) {
            String stay = answer.substring(ALL_BUT.length(), into).replace(MARKED, INTO);
            return named(split(stay), split(answer.substring(into + INTO.length())), blanks);
        }
        return answer.startsWith(TURN_INTO)
                ? named(List.of(), split(answer.substring(TURN_INTO.length())), blanks)
                : Optional.empty();
    }

    private static Optional<Turned> named(List<String> stays, List<String> names, boolean blanks) {
        return names.get(0).isBlank() ? Optional.empty() : Optional.of(new Turned(stays, names, blanks));
    }

    private String marked() {
        return Names.joinTexts(stays).replace(INTO, MARKED);
    }

    private static List<String> split(String names) {
        return Names.splitTexts(names).stream().map(String::strip).toList();
    }
}
