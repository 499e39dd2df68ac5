package cuvee.value;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Marks behind single numbers that point to a note below the table: {@code 1,234*}, {@code 567 (e)}, {@code 89 †}. */
public final class NoteMarks {
    /** A letter without brackets is one of those that statistics use: estimated, provisional, revised. */
    private static final Pattern MARKED = Pattern.compile(
            "(\\(?[-+\u2212]?[€£$]?\\d[\\d.,'\u00a0\u202f ]*?%?\\)?)[\u00a0 ]*"
                    + "(\\*{1,3}|[†‡§#^]|[¹²³⁰-⁹]{1,2}|[(\\[](?:\\p{L}|\\d|est\\.?|prov\\.?|rev\\.?)[)\\]]|[\u00a0 ](?i:e|p|r|est\\.?|prov\\.?|rev\\.?))");

    private NoteMarks() {}

    /** The number in front of such a mark; empty where a text is anything else. */
    public static Optional<String> numberIn(String text) {
        Matcher marked = MARKED.matcher(text);
        return marked.matches() && Forms.ofStaged(marked.group(1).strip()).isNumber()
                ? Optional.of(marked.group(1).strip())
                : Optional.empty();
    }

    /** The mark behind a number; empty where there is none. */
    public static String markIn(String text) {
        Matcher marked = MARKED.matcher(text);
        return marked.matches() ? marked.group(2).strip() : "";
    }
}
