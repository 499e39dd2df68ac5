package cuvee.job;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Several names in one text, as decisions have them: {@code Month | Amount}. */
public final class Names {
    private static final Pattern BAR = Pattern.compile(" \\| ");

    private Names() {}

    public static String join(List<String> names) {
        return String.join(" | ", names);
    }

    /** Any texts in one; bars and backslashes within them are marked. */
    public static String joinTexts(Collection<String> texts) {
        return texts.stream()
                .map(text -> text.replace("\\", "\\\\").replace("|", "\\|"))
                .collect(Collectors.joining(" | "));
    }

    /** The texts that {@link #joinTexts} put in one. */
    public static List<String> splitTexts(String joined) {
        List<String> texts = new ArrayList<>();
        for (String part : BAR.split(joined, -1)) {
            StringBuilder text = new StringBuilder();
            for (int i = 0; i < part.length(); i++) {
                boolean marked = part.charAt(i) == '\\' && i + 1 < part.length();
                text.append(part.charAt(marked ? ++i : i));
            }
            texts.add(text.toString());
        }
        return texts;
    }

    public static List<String> split(String text) {
        return BAR.splitAsStream(text).toList();
    }
}
