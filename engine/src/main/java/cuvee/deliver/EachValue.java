package cuvee.deliver;

import cuvee.sheet.SheetFiles;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** The names of the files of a delivery that writes a file for each value of a column. */
public final class EachValue {
    private static final int LONGEST = 120;
    private static final String NO_VALUE = "blank";

    private EachValue() {}

    /**
     * A file for each value, in their order: the name given, a space and the value before the ending. What no file system
     * takes is left out of it, and names that differ in capitals only are told apart by a number.
     */
    public static Map<Path, @Nullable String> files(Path target, List<@Nullable String> values) {
        String name = String.valueOf(target.getFileName());
        String ending = SheetFiles.ending(name);
        String stem = ending.isEmpty() ? name : name.substring(0, name.length() - ending.length() - 1);
        Map<String, Integer> taken = new HashMap<>();
        Map<Path, @Nullable String> files = new LinkedHashMap<>();
        for (@Nullable String value : values) {
            String part = part(value);
            int copy = taken.merge(part.toLowerCase(Locale.ROOT), 1, Integer::sum);
            files.put(
                    target.resolveSibling(stem + " " + part + (copy == 1 ? "" : " (" + copy + ")") + "." + ending),
                    value);
        }
        return files;
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
