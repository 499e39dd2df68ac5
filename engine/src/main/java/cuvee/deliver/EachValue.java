package cuvee.deliver;

import cuvee.sheet.SheetFiles;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** The names of the files of a delivery that writes a file for each value of a column. */
public final class EachValue {
    private static final int LONGEST = 120;
    private static final String NO_VALUE = "blank";

    private EachValue() {}

    /**
     * A file for each value of a column, in their order: the name given with the value in place of the column's name in
     * braces, else with a space and the value before the ending. What no file system takes is left out of it, and names
     * that differ in capitals only are told apart by a number.
     *
     * @param called what the file of a value is called
     */
    public static Map<Path, @Nullable String> files(
            Path target,
            String column,
            List<@Nullable String> values,
            Function<@Nullable String, @Nullable String> called) {
        boolean named = TargetName.hasColumn(target.toString(), column);
        String name = String.valueOf(target.getFileName());
        String ending = SheetFiles.ending(name);
        String stem = ending.isEmpty() ? name : name.substring(0, name.length() - ending.length() - 1);
        Map<String, Integer> taken = new HashMap<>();
        Map<Path, @Nullable String> files = new LinkedHashMap<>();
        for (@Nullable String value : values) {
            String part = part(called.apply(value));
            int copy = taken.merge(part.toLowerCase(Locale.ROOT), 1, Integer::sum);
            String own = part + (copy == 1 ? "" : " (" + copy + ")");
            files.put(
                    named
                            ? Path.of(TargetName.with(target.toString(), column, own))
                            : target.resolveSibling(stem + " " + own + "." + ending),
                    value);
        }
        return files;
    }

    /** True for a file that could be one of those that a delivery writes for values of a column. */
    public static boolean isOf(Path target, String column, Path file) {
        String mark = "\u0000";
        Path any = files(target, column, List.of("x"), value -> value)
                .keySet()
                .iterator()
                .next();
        String name = TargetName.hasColumn(target.toString(), column)
                ? TargetName.with(target.toString(), column, mark)
                : any.toString().replaceFirst(" x(\\.[^.]*)$", " " + mark + "$1");
        String pattern = Pattern.quote(name).replace(mark, "\\E[^/\\\\]+\\Q");
        return file.toString().matches(pattern);
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
