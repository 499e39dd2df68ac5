package cuvee.desktop;

import javafx.scene.paint.Color;

/** The colours that are drawn rather than styled; the same names stand in the style sheet. */
record Palette(
        Color ink,
        Color quiet,
        Color paper,
        Color surface,
        Color line,
        Color accent,
        Color selection,
        Color marked,
        Color hatch,
        Color heading) {
    static final Palette LIGHT = new Palette(
            Color.web("#2A2430"),
            Color.web("#6B6270"),
            Color.web("#FBF8F4"),
            Color.web("#FFFFFF"),
            Color.web("#E4DCD4"),
            Color.web("#6E2A4A"),
            Color.web("#F3E6EC"),
            Color.web("#8A5A12"),
            Color.web("#EFE9E2"),
            Color.web("#F5F0EA"));
    static final Palette DARK = new Palette(
            Color.web("#EDE6E0"),
            Color.web("#A89FAB"),
            Color.web("#1F1B23"),
            Color.web("#27222C"),
            Color.web("#3D3644"),
            Color.web("#D98BAE"),
            Color.web("#47303D"),
            Color.web("#E0A64F"),
            Color.web("#332D39"),
            Color.web("#2E2834"));

    static Palette of(boolean dark) {
        return dark ? DARK : LIGHT;
    }
}
