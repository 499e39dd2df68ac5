package cuvee.desktop;

import cuvee.chart.ChartFonts;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.LinkedHashMap;
import java.util.Map;
import javafx.scene.text.Font;
import javafx.scene.text.Text;

/** The bundled typeface, and how much of a text fits into a width. */
final class Fonts {
    static final String FAMILY = "IBM Plex Sans";
    /** A family of its own, as the toolkit sees it. */
    static final String SEMI_BOLD = "IBM Plex Sans SemiBold";

    static final String MEDIUM = "IBM Plex Sans Medium";

    static {
        for (String file : new String[] {"400Regular", "500Medium", "600SemiBold"}) {
            try (InputStream in = ChartFonts.open(file)) {
                Font.loadFont(in, 13);
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
        }
    }

    static final Font TEXT = Font.font(FAMILY, 13);
    static final Font BOLD = Font.font(SEMI_BOLD, 13);
    static final Font SMALL = Font.font(FAMILY, 12);
    static final Font BOLD_SMALL = Font.font(SEMI_BOLD, 12);

    private static final Map<Font, double[]> WIDTHS = new LinkedHashMap<>();
    private static final Text MEASURE = new Text();

    private Fonts() {}

    /** Makes sure that the typeface is there; to be called before anything is shown. */
    static void load() {
        // Loaded with the class.
    }

    /** How wide a text is drawn. */
    static double width(String text, Font font) {
        double[] widths = WIDTHS.computeIfAbsent(font, f -> new double[256]);
        double used = 0;
        for (int i = 0; i < text.length(); i++) {
            used += charWidth(text.charAt(i), font, widths);
        }
        return used;
    }

    /** The text, or as much of it as fits with a mark that it goes on. */
    static String fitting(String text, Font font, double width) {
        double[] widths = WIDTHS.computeIfAbsent(font, f -> new double[256]);
        double used = 0;
        double dots = 3 * charWidth('.', font, widths);
        int fits = -1;
        for (int i = 0; i < text.length(); i++) {
            used += charWidth(text.charAt(i), font, widths);
            if (fits < 0 && used + dots > width) {
                fits = i;
            }
            if (used > width) {
                return text.substring(0, Math.max(0, fits)).stripTrailing() + "…";
            }
        }
        return text.indexOf('\n') < 0 ? text : text.replace('\n', ' ');
    }

    private static double charWidth(char c, Font font, double[] widths) {
        if (c >= widths.length) {
            return font.getSize() * 0.62;
        }
        if (widths[c] == 0) {
            MEASURE.setFont(font);
            MEASURE.setText(String.valueOf(c));
            widths[c] = Math.max(0.1, MEASURE.getLayoutBounds().getWidth());
        }
        return widths[c];
    }
}
