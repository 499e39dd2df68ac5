package cuvee.job;

import java.util.List;
import java.util.regex.Pattern;

/** Several names in one text, as decisions have them: {@code Month | Amount}. */
public final class Names {
    private static final Pattern BAR = Pattern.compile(" \\| ");

    private Names() {}

    public static String join(List<String> names) {
        return String.join(" | ", names);
    }

    public static List<String> split(String text) {
        return BAR.splitAsStream(text).toList();
    }
}
