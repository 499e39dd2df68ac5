package cuvee.collect;

import java.util.List;
import java.util.Locale;

/**
 * A name as analysts write it: a part of the file's name, or a name with {@code *} and {@code ?} for what varies. With a
 * {@code /} in it the folders within the place count too. Capitals do not matter.
 */
public record NamePattern(String text) {

    /** True where a file fits the pattern; its path is relative to its place. */
    public boolean fits(String path) {
        String pattern = text.strip().toLowerCase(Locale.ROOT);
        String whole = path.toLowerCase(Locale.ROOT);
        String compared = pattern.indexOf('/') >= 0 ? whole : whole.substring(whole.lastIndexOf('/') + 1);
        if (pattern.indexOf('*') < 0 && pattern.indexOf('?') < 0) {
            return compared.contains(pattern);
        }
        return matches(pattern, compared);
    }

    /**
     * Whether a text fits a pattern, in steps that grow with the product of their lengths only: the usual matchers try
     * every way to share the text among many stars, which takes for ever.
     */
    private static boolean matches(String pattern, String text) {
        boolean[] reached = new boolean[text.length() + 1];
        reached[0] = true;
        for (int p = 0; p < pattern.length(); p++) {
            char sign = pattern.charAt(p);
            boolean deep = sign == '*' && p + 1 < pattern.length() && pattern.charAt(p + 1) == '*';
            boolean[] next = new boolean[text.length() + 1];
            for (int at = 0; at <= text.length(); at++) {
                if (sign == '*') {
                    boolean goesOn = at > 0 && next[at - 1] && (deep || text.charAt(at - 1) != '/');
                    next[at] = reached[at] || goesOn;
                } else if (at > 0 && reached[at - 1]) {
                    char there = text.charAt(at - 1);
                    next[at] = sign == '?' ? there != '/' : there == sign;
                }
            }
            reached = next;
            p += deep ? 1 : 0;
        }
        return reached[text.length()];
    }

    /** Patterns as they are written in one line, parted by commas or semicolons. */
    public static List<String> listOf(String line) {
        return java.util.Arrays.stream(line.split("[,;]", -1))
                .map(String::strip)
                .filter(each -> !each.isEmpty())
                .toList();
    }

    static boolean anyFits(List<String> patterns, String path) {
        return patterns.stream().anyMatch(each -> new NamePattern(each).fits(path));
    }
}
