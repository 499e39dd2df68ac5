package cuvee.refresh;

import java.util.List;
import java.util.regex.Pattern;

/** Several names in one text, as decisions have them: {@code Month | Amount}. */
final class Names {
    private static final Pattern BAR = Pattern.compile(" \\| ");

    private Names() {}

    static String join(List<String> names) {
        return String.join(" | ", names);
    }

    static List<String> split(String text) {
        return BAR.splitAsStream(text).toList();
    }
}
