package cuvee.desktop;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The style sheet as each theme needs it, with its colours in place of their names: a name is looked up anew through all
 * parents of every node that is shown, which is most of what a view costs that is shown for the first time.
 */
final class StyleSheet {
    private static final Pattern BLOCK = Pattern.compile("\\.cuvee(\\.dark)? \\{([^}]*)}");
    private static final Pattern TOKEN = Pattern.compile("-c-([a-z-]+): (#[0-9A-Fa-f]{6});");
    private static final Pattern NAME = Pattern.compile("-c-([a-z-]+)(?![a-z-]*:)");
    private static final String LIGHT = read(false);
    private static final String DARK = read(true);

    private StyleSheet() {}

    /** Where a scene finds the style sheet of a theme. */
    static String of(boolean dark) {
        return dark ? DARK : LIGHT;
    }

    /** The colours of a theme by their names, as they are written: {@code #2A2430}. */
    static Map<String, String> colours(boolean dark) {
        Map<String, String> found = new HashMap<>();
        Matcher blocks = BLOCK.matcher(text());
        while (blocks.find()) {
            if (dark == (blocks.group(1) != null)) {
                Matcher tokens = TOKEN.matcher(blocks.group(2));
                while (tokens.find()) {
                    found.putIfAbsent(tokens.group(1), tokens.group(2));
                }
            }
        }
        return found;
    }

    private static String read(boolean dark) {
        return "data:text/css;base64,"
                + Base64.getEncoder()
                        .encodeToString(withColours(text(), colours(dark)).getBytes(StandardCharsets.UTF_8));
    }

    /** A style sheet with the values of some names in their places; where a name is given its value it stays. */
    static String withColours(String sheet, Map<String, String> colours) {
        return NAME.matcher(sheet).replaceAll(name -> Objects.requireNonNull(colours.get(name.group(1)), name.group()));
    }

    private static String text() {
        try (InputStream in = Objects.requireNonNull(StyleSheet.class.getResourceAsStream("cuvee.css"))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
