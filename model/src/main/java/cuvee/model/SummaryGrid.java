package cuvee.model;

import cuvee.place.Says;
import cuvee.summary.SummaryTable;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** A summary as a grid: what each line is for stays where it is, and the line of all stays in view. */
public final class SummaryGrid implements GridModel {
    private static final double LETTER = 7.6;
    private final SummaryTable table;
    private final List<SummaryTable.Line> lines;
    private final Optional<SummaryTable.Line> all;

    public SummaryGrid(SummaryTable table) {
        this.table = table;
        boolean several = table.lines().size() > 1;
        this.all =
                table.lines().stream().filter(line -> several && line.total()).findFirst();
        this.lines =
                table.lines().stream().filter(line -> !several || !line.total()).toList();
    }

    public SummaryTable table() {
        return table;
    }

    private int keys() {
        return table.keyTitles().size();
    }

    @Override
    public long rows() {
        return lines.size();
    }

    @Override
    public int columns() {
        return keys() + table.columns().size();
    }

    @Override
    public String title(int column) {
        return column < keys()
                ? table.keyTitles().get(column)
                : table.columns().get(column - keys()).title();
    }

    @Override
    public String subtitle(int column) {
        return "";
    }

    @Override
    public int pinned() {
        return Math.min(keys(), 2);
    }

    @Override
    public double width(int column) {
        int longest = Math.max(title(column).length(), total(column).length());
        for (int row = 0; row < Math.min(lines.size(), 300); row++) {
            longest = Math.max(longest, written(lines.get(row), column).length());
        }
        return Math.max(72, Math.min(column < keys() ? 240 : 320, longest * LETTER + 24));
    }

    private String written(SummaryTable.Line line, int column) {
        return column < keys() ? line.key(column) : line.written().get(column - keys());
    }

    @Override
    public boolean numeric(int column) {
        return column >= keys();
    }

    @Override
    public @Nullable String text(long row, int column) {
        return written(lines.get((int) row), column);
    }

    @Override
    public Tone tone(long row, int column) {
        boolean blank = column < keys() && lines.get((int) row).keys().get(column) == null;
        return blank ? Tone.QUIET : Tone.PLAIN;
    }

    @Override
    public String total(int column) {
        return all.map(line -> column < keys() ? (column == 0 ? SummaryTable.ALL : "") : written(line, column))
                .orElse("");
    }

    @Override
    public String rowLabel(long row) {
        return "";
    }

    /** What a figure is, in words, and what it comes to. */
    public String said(long row, int column) {
        SummaryTable.Line line = lines.get((int) row);
        if (column < keys()) {
            return line.key(column);
        }
        SummaryTable.Column of = table.columns().get(column - keys());
        StringBuilder what = new StringBuilder();
        for (int i = 0; i < keys(); i++) {
            what.append(i == 0 ? "" : ", ").append(line.key(i));
        }
        of.key().ifPresent(key -> what.append(what.isEmpty() ? "" : ", ").append(key));
        return what + (what.isEmpty() ? "" : ": ") + Says.capital(of.figure().said()) + " "
                + (line.written().get(column - keys()).isEmpty()
                        ? "none"
                        : line.written().get(column - keys()));
    }

    /** The phrase of the rows behind a figure; empty where they are all rows. */
    public String behind(long row, int column) {
        int line = table.lines().indexOf(lines.get((int) row));
        return table.behind(line, Math.max(-1, column - keys()));
    }
}
