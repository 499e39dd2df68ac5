package cuvee.tag;

import cuvee.value.LooseText;
import java.util.Collection;
import java.util.Set;
import java.util.stream.Collectors;

/** The names of the tags that every master has. */
public final class DefaultTags {
    /** The tag that holds the path of a row's source in its place. */
    public static final String SOURCE_FILE = "Source file";

    private static final String SHEET = "Source sheet";

    private DefaultTags() {}

    public static String fileName(Collection<String> columns) {
        return free(SOURCE_FILE, columns);
    }

    public static String sheetName(Collection<String> columns) {
        return free(SHEET, columns);
    }

    private static String free(String name, Collection<String> columns) {
        Set<String> taken = columns.stream().map(LooseText::key).collect(Collectors.toSet());
        return taken.contains(LooseText.key(name)) ? name + " (source)" : name;
    }
}
