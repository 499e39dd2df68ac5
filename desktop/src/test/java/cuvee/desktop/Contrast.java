package cuvee.desktop;

import javafx.scene.paint.Color;

/** How far two colours stand out from each other, as the Web Content Accessibility Guidelines 2.1 define it. */
final class Contrast {
    /** What words need to be read (1.4.3). */
    static final double TO_READ = 4.5;

    private Contrast() {}

    /** 1 for the same colour, 21 for black on white. */
    static double of(Color one, Color other) {
        double a = luminance(one);
        double b = luminance(other);
        return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
    }

    private static double luminance(Color colour) {
        return 0.2126 * linear(colour.getRed())
                + 0.7152 * linear(colour.getGreen())
                + 0.0722 * linear(colour.getBlue());
    }

    private static double linear(double part) {
        return part <= 0.03928 ? part / 12.92 : Math.pow((part + 0.055) / 1.055, 2.4);
    }
}
