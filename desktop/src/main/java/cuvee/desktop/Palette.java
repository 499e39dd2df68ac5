package cuvee.desktop;

import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import javafx.scene.paint.Color;

/** The colours of a theme, for what is drawn rather than styled. They stand in the style sheet, and only there. */
record Palette(Map<String, Color> colours) {
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
        StyleSheet.colours(dark).forEach((token, colour) -> found.put(token, Color.web(colour)));
        return new Palette(found);
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
