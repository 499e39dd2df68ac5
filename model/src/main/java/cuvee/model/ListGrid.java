package cuvee.model;

import java.util.List;
import java.util.function.BiFunction;

/** A grid over a list that is there as a whole, such as files or findings. */
public class ListGrid<T> implements GridModel {
    private final List<T> items;
    private final List<Column<T>> columns;
    private final BiFunction<T, Integer, Tone> tones;
    private BiFunction<T, Integer, Mark> marks = (item, column) -> Mark.NONE;

    /** A column: its title, its width and the text of an item. */
    public record Column<T>(
            String title, String subtitle, double width, boolean numeric, java.util.function.Function<T, String> text) {
        public static <T> Column<T> of(String title, double width, java.util.function.Function<T, String> text) {
            return new Column<>(title, "", width, false, text);
        }

        public static <T> Column<T> number(String title, double width, java.util.function.Function<T, String> text) {
            return new Column<>(title, "", width, true, text);
        }
    }

    public ListGrid(List<T> items, List<Column<T>> columns, BiFunction<T, Integer, Tone> tones) {
        this.items = List.copyOf(items);
        this.columns = List.copyOf(columns);
        this.tones = tones;
    }

    /** The same with marks at cells. */
    public ListGrid<T> withMarks(BiFunction<T, Integer, Mark> newMarks) {
        ListGrid<T> grid = new ListGrid<>(items, columns, tones);
        grid.marks = newMarks;
        return grid;
    }

    @Override
    public Mark mark(long row, int column) {
        return marks.apply(item(row), column);
    }

    public T item(long row) {
        return items.get((int) row);
    }

    @Override
    public long rows() {
        return items.size();
    }

    @Override
    public int columns() {
        return columns.size();
    }

    @Override
    public String title(int column) {
        return columns.get(column).title();
    }

    @Override
    public String subtitle(int column) {
        return columns.get(column).subtitle();
    }

    @Override
    public double width(int column) {
        return columns.get(column).width();
    }

    @Override
    public boolean numeric(int column) {
        return columns.get(column).numeric();
    }

    @Override
    public String text(long row, int column) {
        return columns.get(column).text().apply(item(row));
    }

    /** Things of a list go by their names, not by numbers. */
    @Override
    public String rowLabel(long row) {
        return "";
    }

    @Override
    public Tone tone(long row, int column) {
        return tones.apply(item(row), column);
    }
}
