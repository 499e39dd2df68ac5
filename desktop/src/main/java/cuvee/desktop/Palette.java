package cuvee.desktop;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.paint.Color;

/** The colours of a theme, for what is drawn rather than styled. They stand in the style sheet, and only there. */
record Palette(Map<String, Color> colours) {
    private static final Pattern BLOCK = Pattern.compile("\\.cuvee(\\.dark)? \\{([^}]*)}");
    private static final Pattern TOKEN = Pattern.compile("-c-([a-z-]+): (#[0-9A-Fa-f]{6});");
    static final Palette LIGHT = read(false);
    static final Palette DARK = read(true);

    Palette {
        colours = Map.copyOf(colours);
    }

    static Palette of(boolean dark) {
        return dark ? DARK : LIGHT;
    }

    private static Palette read(boolean dark) {
        Map<String, Color> found = new HashMap<>();
        Matcher blocks = BLOCK.matcher(styleSheet());
        while (blocks.find()) {
            if (dark == (blocks.group(1) != null)) {
                Matcher tokens = TOKEN.matcher(blocks.group(2));
                while (tokens.find()) {
                    found.putIfAbsent(tokens.group(1), Color.web(tokens.group(2)));
                }
            }
        }
        return new Palette(found);
    }

    private static String styleSheet() {
        try (InputStream in = Objects.requireNonNull(Palette.class.getResourceAsStream("cuvee.css"))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    Color colour(String token) {
        return Objects.requireNonNull(colours.get(token), token);
    }

    Color ink() {
        return colour("ink");
    }

    /** Supporting text; nothing is paler. */
    Color second() {
        return colour("second");
    }

    Color paper() {
        return colour("paper");
    }

    Color surface() {
        return colour("surface");
    }

    Color sunk() {
        return colour("sunk");
    }

    Color line() {
        return colour("line");
    }

    Color edge() {
        return colour("edge");
    }

    /** What is chosen and where the keys go. */
    Color wine() {
        return colour("wine");
    }

    Color wineWash() {
        return colour("wine-wash");
    }

    Color moss() {
        return colour("moss");
    }

    Color amber() {
        return colour("amber");
    }

    Color amberMark() {
        return colour("amber-mark");
    }

    Color amberWash() {
        return colour("amber-wash");
    }

    Color brick() {
        return colour("brick");
    }

    Color brickWash() {
        return colour("brick-wash");
    }

    Color slate() {
        return colour("slate");
    }

    Color slateWash() {
        return colour("slate-wash");
    }

    Color hatch() {
        return colour("hatch");
    }
}
