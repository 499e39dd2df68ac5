package cuvee.chart;

import java.awt.Font;
import java.awt.FontFormatException;
import java.io.IOException;
import java.io.InputStream;
import java.util.Objects;

/** The typeface of Cuvee, bundled with it. */
public final class ChartFonts {
    private ChartFonts() {}

    /** Opens a face of the family, such as {@code 400Regular}; whoever asks closes it. */
    public static InputStream open(String face) {
        return Objects.requireNonNull(ChartFonts.class.getResourceAsStream("fonts/IBMPlexSans_" + face + ".ttf"), face);
    }

    static Font font(String face, float size) {
        try (InputStream in = open(face)) {
            return Font.createFont(Font.TRUETYPE_FONT, in).deriveFont(size);
        } catch (IOException | FontFormatException failed) {
            throw new IllegalStateException("the bundled typeface cannot be used", failed);
        }
    }
}
