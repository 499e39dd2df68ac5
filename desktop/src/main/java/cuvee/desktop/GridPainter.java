package cuvee.desktop;

import cuvee.model.GridModel;
import cuvee.model.GridModel.Mark;
import cuvee.model.GridModel.Tone;
import cuvee.model.MasterGrid;
import java.util.function.BiPredicate;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.TextAlignment;

/** Draws the cells of a grid that are seen, and nothing else. */
final class GridPainter {
    private static final double PAD = 8;
    private static final double MARK = 16;
    private static final double MOST_WAITING = 60;
    private final GraphicsContext g;
    private final GridModel shown;
    private final Palette colours;
    private final GridGeometry at;
    /** Whether a cell is selected. */
    private final BiPredicate<Long, Integer> chosen;

    GridPainter(
            GraphicsContext g, GridModel shown, Palette colours, GridGeometry at, BiPredicate<Long, Integer> chosen) {
        this.g = g;
        this.shown = shown;
        this.colours = colours;
        this.at = at;
        this.chosen = chosen;
    }

    /** Draws the empty grid with the words that say why it is so. */
    static void empty(GraphicsContext g, Palette colours, GridGeometry at, String words) {
        g.setFill(colours.surface());
        g.fillRect(0, 0, at.width(), at.height());
        g.setFont(Fonts.TEXT);
        g.setFill(colours.second());
        g.setTextAlign(TextAlignment.CENTER);
        g.setTextBaseline(VPos.CENTER);
        g.fillText(words, at.width() / 2, at.height() / 2, Math.max(20, at.width() - 40));
    }

    /** Draws rows, head and the last line; all that is above them is drawn by others. */
    void paint() {
        g.setFill(colours.surface());
        g.fillRect(0, 0, at.width(), at.height());
        g.setTextBaseline(VPos.CENTER);
        double y = at.head();
        for (long row = at.first(); row < shown.rows() && y < at.bottom(); row++) {
            double high = GridGeometry.height(shown, row);
            row(row, y, high);
            y += high;
        }
        head();
        if (at.bottom() < at.height()) {
            last();
        }
    }

    /** What is drawn of a column at a place. */
    private interface Piece {
        void draw(int column, double x);
    }

    /**
     * Draws the scrolled columns, then the pinned ones over them. What lies below the pinned ones is painted over and not
     * clipped: clipping each row costs several times as much as drawing it.
     */
    private void columns(double y, double high, Piece piece) {
        for (int column = at.firstScrolled(); column < at.columns(); column++) {
            double x = at.left(column);
            if (x > at.width()) {
                break;
            }
            if (column >= at.pinned()) {
                piece.draw(column, x);
            }
        }
        for (int column = 0; column < at.pinned(); column++) {
            piece.draw(column, at.left(column));
        }
        if (at.pinned() > 0) {
            line(colours.edge(), at.pinnedEnd() - 0.5, y, at.pinnedEnd() - 0.5, y + high);
        }
    }

    // ---- rows ----

    private void row(long row, double y, double high) {
        Tone first = shown.columns() > 0 ? shown.tone(row, 0) : Tone.PLAIN;
        boolean heading = first == Tone.HEADING || first == Tone.HEADER;
        if (heading) {
            g.setFill(colours.sunk());
            g.fillRect(0, y, at.width(), high);
        }
        columns(y, high, (column, x) -> cell(row, column, x, y, high));
        if (first == Tone.HEADING) {
            heading(row, y, high);
        }
        if (at.labels() > 0) {
            label(row, y, high);
        }
        line(colours.line(), 0, y + high - 0.5, at.width(), y + high - 0.5);
    }

    /** The words of a heading run on over the other columns, as far as those are blank. */
    private void heading(long row, double y, double high) {
        String text = shown.text(row, 0);
        if (text != null) {
            double room = at.width() - at.left(0) - 2 * PAD;
            for (int column = 1; column < at.columns(); column++) {
                String other = shown.text(row, column);
                if (other != null && !other.isEmpty()) {
                    room = at.left(column) - at.left(0) - PAD;
                    break;
                }
            }
            String fitting = Fonts.fitting(text, Fonts.BOLD, room);
            double end = at.left(0) + 2 * PAD + Fonts.width(fitting, Fonts.BOLD);
            if (at.pinned() > 0 && end > at.pinnedEnd()) {
                // The edge of the fixed columns would cut through the words.
                g.setFill(colours.sunk());
                g.fillRect(at.pinnedEnd() - 1, y, Math.min(end, at.width()) - at.pinnedEnd() + 1, high - 1);
            }
            text(fitting, Fonts.BOLD, colours.ink(), TextAlignment.LEFT, at.left(0) + PAD, y + high / 2, room);
        }
    }

    private void label(long row, double y, double high) {
        g.setFill(colours.paper());
        g.fillRect(0, y, at.labels(), high);
        text(
                shown.rowLabel(row),
                Fonts.SMALL,
                colours.second(),
                TextAlignment.RIGHT,
                at.labels() - PAD,
                y + high / 2,
                at.labels());
        line(colours.line(), at.labels() - 0.5, y, at.labels() - 0.5, y + high);
    }

    private void cell(long row, int column, double x, double y, double high) {
        Tone tone = shown.tone(row, column);
        double wide = at.width(column);
        wash(row, column, tone, x, y, wide, high);
        String text = shown.text(row, column);
        if (text == null) {
            g.setFill(colours.hatch());
            g.fillRect(x + PAD, y + high / 2 - 3, Math.min(wide - 2 * PAD, MOST_WAITING), 6);
            return;
        }
        if (tone == Tone.HEADING && column == 0) {
            return;
        }
        boolean tall = high > GridGeometry.ROW;
        double middle = tall ? y + 14 : y + high / 2;
        Mark mark = shown.mark(row, column);
        double room = room(row, column, x) - 2 * PAD - (mark == Mark.NONE ? 0 : MARK + 4);
        if (!text.isEmpty()) {
            boolean right = shown.isAtRight(row, column);
            if (right) {
                room = at.width(column) - 2 * PAD - (mark == Mark.NONE ? 0 : MARK + 4);
            }
            String words = tone == Tone.QUOTED ? "“" + text + "”" : text;
            Font font = font(tone);
            String fitting = Fonts.fitting(words, font, room);
            double from = right ? x + wide - PAD - (mark == Mark.NONE ? 0 : MARK + 4) : x + PAD;
            if (tone == Tone.ABSENT) {
                g.setFill(colours.surface());
                g.fillRect(from - 4, middle - 9, Fonts.width(fitting, font) + 8, 18);
            }
            text(fitting, font, ink(tone), right ? TextAlignment.RIGHT : TextAlignment.LEFT, from, middle, room);
            if (tone == Tone.LINK) {
                double width = Math.min(room, Fonts.width(fitting, font));
                line(
                        colours.slate(),
                        from - (right ? width : 0),
                        middle + 8.5,
                        from + (right ? 0 : width),
                        middle + 8.5);
            }
            if (mark != Mark.NONE) {
                double end = right ? x + wide - PAD - MARK : x + PAD + Fonts.width(fitting, font) + 6;
                mark(mark, end, middle - 8);
            }
        } else if (mark != Mark.NONE) {
            mark(mark, x + PAD, middle - 8);
        }
        if (tall) {
            second(row, column, x, y, wide);
        }
    }

    private void second(long row, int column, double x, double y, double wide) {
        String text = shown.second(row, column);
        if (!text.isEmpty()) {
            boolean right = shown.numeric(column);
            Color ink = shown.mark(row, column) == Mark.QUESTION ? colours.amber() : colours.second();
            text(
                    Fonts.fitting(text, Fonts.SMALL, wide - 2 * PAD),
                    Fonts.SMALL,
                    ink,
                    right ? TextAlignment.RIGHT : TextAlignment.LEFT,
                    right ? x + wide - PAD : x + PAD,
                    y + 32,
                    wide);
        }
    }

    private void wash(long row, int column, Tone tone, double x, double y, double wide, double high) {
        if (chosen.test(row, column)) {
            g.setFill(colours.wineWash());
            g.fillRect(x, y, wide, high);
        } else if (tone == Tone.TRIAL) {
            g.setFill(colours.slateWash());
            g.fillRect(x, y, wide, high);
        } else if (column < at.pinned()) {
            g.setFill(tone == Tone.HEADING || tone == Tone.HEADER ? colours.sunk() : colours.paper());
            g.fillRect(x, y, wide, high);
        }
        if (tone == Tone.ABSENT) {
            hatch(x, y, wide, high);
        }
        if (tone == Tone.QUOTED) {
            g.setFill(colours.amberWash());
            g.fillRect(x + 2, y + 3, wide - 4, high - 7);
        }
    }

    /** The width a cell's text may take: where a row runs on, that of its blank neighbours too. */
    private double room(long row, int column, double x) {
        double room = at.width(column);
        if (shown.runsOn(row)) {
            for (int next = column + 1;
                    next < at.columns() && x + room < at.width() && "".equals(shown.text(row, next));
                    next++) {
                room += at.width(next);
            }
        }
        return room;
    }

    private static Font font(Tone tone) {
        return switch (tone) {
            case HEADING, HEADER, MARKED -> Fonts.BOLD;
            default -> Fonts.TEXT;
        };
    }

    private Color ink(Tone tone) {
        return switch (tone) {
            case QUIET, ABSENT -> colours.second();
            case MARKED, QUOTED -> colours.amber();
            case LINK, TRIAL -> colours.slate();
            case PLAIN, HEADING, HEADER -> colours.ink();
        };
    }

    /** Slanting lines, each drawn only as far as the cell goes. */
    private void hatch(double x, double y, double wide, double high) {
        g.setStroke(colours.hatch());
        g.setLineWidth(1);
        for (double from = x - high; from < x + wide; from += 8) {
            double left = Math.max(from, x);
            double right = Math.min(from + high, x + wide);
            if (right > left) {
                g.strokeLine(left, y + high - (left - from), right, y + high - (right - from));
            }
        }
    }

    // ---- head and last line ----

    private void head() {
        double high = at.head();
        g.setFill(colours.sunk());
        g.fillRect(0, 0, at.width(), high);
        columns(0, high, (column, x) -> title(column, x, high));
        g.setFill(colours.sunk());
        g.fillRect(0, 0, at.labels(), high);
        line(colours.edge(), 0, high - 0.5, at.width(), high - 0.5);
    }

    private void title(int column, double x, double high) {
        double wide = at.width(column);
        g.setFill(colours.sunk());
        g.fillRect(x, 0, wide, high);
        boolean right = shown.numeric(column);
        boolean two = high > 40;
        Mark mark = shown.headMark(column);
        double inside = wide - 2 * PAD - (mark == Mark.NONE ? 0 : MARK + 4);
        TextAlignment align = right ? TextAlignment.RIGHT : TextAlignment.LEFT;
        double from = right ? x + wide - PAD : x + PAD;
        String title = Fonts.fitting(shown.title(column), Fonts.BOLD, inside);
        double shift = right && mark != Mark.NONE ? MARK + 4 : 0;
        text(title, Fonts.BOLD, colours.ink(), align, from - shift, two ? 14 : high / 2, inside);
        if (mark != Mark.NONE) {
            mark(
                    mark,
                    right ? x + wide - PAD - MARK : from + Fonts.width(title, Fonts.BOLD) + 6,
                    two ? 6 : high / 2 - 8);
        }
        if (two) {
            String second = Fonts.fitting(shown.subtitle(column), Fonts.SMALL, wide - 2 * PAD);
            text(second, Fonts.SMALL, colours.second(), align, from, 32, wide);
        }
        line(colours.line(), x + wide - 0.5, 0, x + wide - 0.5, high);
    }

    private void last() {
        double y = at.bottom();
        double high = at.height() - y;
        g.setFill(colours.surface());
        g.fillRect(0, y, at.width(), high);
        columns(y, high, (column, x) -> {
            g.setFill(colours.surface());
            g.fillRect(x, y, at.width(column), high);
            String figure = shown.total(column);
            if (!figure.isEmpty()) {
                boolean right = shown.numeric(column);
                double wide = at.width(column);
                boolean said = figure.equals(MasterGrid.NOT_SUMMED);
                text(
                        Fonts.fitting(figure, said ? Fonts.SMALL : Fonts.BOLD, wide - 2 * PAD),
                        said ? Fonts.SMALL : Fonts.BOLD,
                        said ? colours.second() : colours.ink(),
                        right ? TextAlignment.RIGHT : TextAlignment.LEFT,
                        right ? x + wide - PAD : x + PAD,
                        y + 13,
                        wide);
                if (shown.isClosed(column)) {
                    line(colours.ink(), x + PAD, y + 23.5, x + wide - PAD, y + 23.5);
                    line(colours.ink(), x + PAD, y + 26.5, x + wide - PAD, y + 26.5);
                }
            }
        });
        line(colours.ink(), 0, y + 0.5, at.width(), y + 0.5);
    }

    // ---- pieces ----

    private void mark(Mark mark, double x, double y) {
        boolean question = mark == Mark.QUESTION;
        boolean wrong = mark == Mark.WRONG;
        g.setFill(question ? colours.amberWash() : wrong ? colours.brickWash() : colours.surface());
        g.fillRoundRect(x, y, MARK, MARK, 4, 4);
        g.setStroke(question ? colours.amberMark() : wrong ? colours.brick() : colours.edge());
        g.setLineWidth(1);
        g.strokeRoundRect(x + 0.5, y + 0.5, MARK - 1, MARK - 1, 4, 4);
        text(
                mark.sign(),
                Fonts.BOLD_SMALL,
                question ? colours.amber() : wrong ? colours.brick() : colours.second(),
                TextAlignment.CENTER,
                x + MARK / 2,
                y + MARK / 2,
                MARK);
    }

    private void text(String words, Font font, Color ink, TextAlignment align, double x, double y, double room) {
        g.setFont(font);
        g.setFill(ink);
        g.setTextAlign(align);
        g.fillText(words, x, y, Math.max(1, room + 2));
    }

    private void line(Color colour, double x1, double y1, double x2, double y2) {
        g.setStroke(colour);
        g.setLineWidth(1);
        g.strokeLine(x1, y1, x2, y2);
    }
}
