package cuvee.deliver;

import cuvee.sheet.SheetFiles;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** The names of the files of a delivery that writes a file for each value of a column, or of several together. */
public final class EachValue {
    private static final int LONGEST = 120;
    private static final String NO_VALUE = "blank";

    private EachValue() {}

    /**
     * A file for each row of values, one for each column, in their order: the name given with each value in place of its
     * column's name in braces; those of columns without braces stand behind a space before the ending. What no file system
     * takes is left out of a value, and names that differ in capitals only are told apart by a number.
     *
     * @param columns the columns; each row of values has as many
     * @param called what a value is called in the name of its file
     */
    public static Map<Path, List<@Nullable String>> files(
            Path target,
            List<String> columns,
            List<List<@Nullable String>> values,
            Function<@Nullable String, @Nullable String> called) {
        List<Map<@Nullable String, String>> parts = new ArrayList<>();
        for (int i = 0; i < columns.size(); i++) {
            int column = i;
            parts.add(parts(values.stream().map(row -> row.get(column)).toList(), called));
        }
        Set<String> taken = new HashSet<>();
        Map<Path, List<@Nullable String>> files = new LinkedHashMap<>();
        for (List<@Nullable String> row : values) {
            List<String> own = new ArrayList<>();
            for (int i = 0; i < columns.size(); i++) {
                own.add(parts.get(i).get(row.get(i)));
            }
            Path file = file(target, columns, own);
            String last = own.get(own.size() - 1);
            for (int copy = 2; !taken.add(file.toString().toLowerCase(Locale.ROOT)); copy++) {
                own.set(own.size() - 1, last + " (" + copy + ")");
                file = file(target, columns, own);
            }
            files.put(file, row);
        }
        return files;
    }

    /** What each value of a column is called, no two alike. */
    private static Map<@Nullable String, String> parts(
            List<@Nullable String> values, Function<@Nullable String, @Nullable String> called) {
        Map<String, Integer> taken = new HashMap<>();
        Map<@Nullable String, String> parts = new HashMap<>();
        for (@Nullable String value : values) {
            if (!parts.containsKey(value)) {
                String part = part(called.apply(value));
                int copy = taken.merge(part.toLowerCase(Locale.ROOT), 1, Integer::sum);
                parts.put(value, part + (copy == 1 ? "" : " (" + copy + ")"));
            }
        }
        return parts;
    }

    private static Path file(Path target, List<String> columns, List<String> parts) {
        String named = target.toString();
        StringBuilder behind = new StringBuilder();
        for (int i = 0; i < columns.size(); i++) {
            if (TargetName.hasColumn(target.toString(), columns.get(i))) {
                named = TargetName.with(named, columns.get(i), parts.get(i));
            } else {
                behind.append(' ').append(parts.get(i));
            }
        }
        String ending = SheetFiles.ending(String.valueOf(target.getFileName()));
        String stem = ending.isEmpty() ? named : named.substring(0, named.length() - ending.length() - 1);
        return Path.of(stem + behind + (ending.isEmpty() ? "" : "." + ending));
    }

    /** True for a file that could be one of those that a delivery writes for values of columns. */
    public static boolean isOf(Path target, List<String> columns, Path file) {
        // A mark that no name has stands for any value.
        String mark = "\uE000";
        String name = file(target, columns, columns.stream().map(column -> mark).toList())
                .toString();
        return file.toString().matches(Pattern.quote(name).replace(mark, "\\E[^/\\\\]+\\Q"));
    }

    private static String part(@Nullable String value) {
        String plain = (value == null ? "" : value)
                .replaceAll("[\\p{Cntrl}/\\\\:*?\"<>|]", " ")
                .replaceAll("\\s+", " ")
                .strip()
                .replaceAll("[. ]+$", "");
        return plain.isEmpty() ? NO_VALUE : plain.substring(0, Math.min(LONGEST, plain.length()));
    }
}
