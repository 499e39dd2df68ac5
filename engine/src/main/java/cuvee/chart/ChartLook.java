package cuvee.chart;

import java.awt.Color;

/**
 * The colours of a chart.
 *
 * @param paper what it is drawn on
 * @param ink text
 * @param second supporting text
 * @param rule lines that help the eye
 * @param strong figures, and the darkest cell of a heat map
 */
public record ChartLook(Color paper, Color ink, Color second, Color rule, Color strong) {
    /** On white paper, for files. */
    public static final ChartLook PAPER = new ChartLook(
            Color.WHITE, new Color(0x2A2430), new Color(0x5C5362), new Color(0xE4DCD4), new Color(0x2F5B7A));

    /** The colour of a part of several, from strong to pale: they are told apart in grey too. */
    Color shade(int part, int of) {
        return mixed(1 - 0.75 * part / Math.max(1, of - 1));
    }

    /** The colour of a share of the greatest figure, from 0 to 1. */
    Color mixed(double share) {
        double part = Math.max(0.04, Math.min(1, share));
        return new Color(
                mix(paper.getRed(), strong.getRed(), part),
                mix(paper.getGreen(), strong.getGreen(), part),
                mix(paper.getBlue(), strong.getBlue(), part));
    }

    /** The colour of text that is read on another. */
    Color on(Color ground) {
        double away = Math.abs(brightness(ground) - brightness(ink));
        return away >= Math.abs(brightness(ground) - brightness(paper)) ? ink : paper;
    }

    private static int mix(int from, int to, double part) {
        return (int) Math.round(from + (to - from) * part);
    }

    private static double brightness(Color colour) {
        return 0.299 * colour.getRed() + 0.587 * colour.getGreen() + 0.114 * colour.getBlue();
    }
}
