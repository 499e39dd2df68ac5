package cuvee.collect;

import java.nio.file.FileSystems;
import java.nio.file.Path;
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
        // The brackets and braces of the matcher's own language are names here.
        String glob = pattern.replaceAll("[\\[\\]{}\\\\]", "\\\\$0");
        return FileSystems.getDefault().getPathMatcher("glob:" + glob).matches(Path.of(compared));
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
