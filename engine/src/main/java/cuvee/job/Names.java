package cuvee.job;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Several texts in one, as decisions have them: {@code Month | Amount}. Bars and backslashes within them are marked. */
public final class Names {
    private static final Pattern BAR = Pattern.compile(" \\| ");

    private Names() {}

    /** Any texts in one. */
    public static String joinTexts(Collection<String> texts) {
        return texts.stream()
                .map(text -> text.replace("\\", "\\\\").replace("|", "\\|"))
                .collect(Collectors.joining(" | "));
    }

    /** The texts that {@link #joinTexts} put in one. A backslash that marks nothing stands for itself, as it once did. */
    public static List<String> splitTexts(String joined) {
        List<String> texts = new ArrayList<>();
        for (String part : BAR.split(joined, -1)) {
            StringBuilder text = new StringBuilder();
            for (int i = 0; i < part.length(); i++) {
                boolean marked = part.charAt(i) == '\\'
                        && i + 1 < part.length()
                        && (part.charAt(i + 1) == '\\' || part.charAt(i + 1) == '|');
                text.append(part.charAt(marked ? ++i : i));
            }
            texts.add(text.toString());
        }
        return texts;
    }
}
