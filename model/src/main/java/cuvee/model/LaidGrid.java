package cuvee.model;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/** The master with its columns as a look has them. */
public final class LaidGrid implements GridModel {
    private final MasterGrid grid;
    private final int[] columns;
    private final int kept;
    private final ColumnLook look;

    public LaidGrid(MasterGrid grid, ColumnLook look) {
        this.grid = grid;
        this.look = look;
        this.columns = look.seen(names(grid));
        this.kept = look.kept(names(grid));
    }

    /** The columns of the master in its own order. */
    public static List<String> names(MasterGrid grid) {
        return IntStream.range(0, grid.columns()).mapToObj(grid::title).toList();
    }

    /** The column of the master that stands at a place. */
    public int of(int place) {
        return columns[Math.max(0, Math.min(place, columns.length - 1))];
    }

    /** The columns of the master that stand from a place to another. */
    public int[] of(int[] places) {
        return IntStream.rangeClosed(places[0], places[1]).map(this::of).toArray();
    }

    /** Where a column of the master stands; below zero where it is hidden. */
    public int placeOf(int column) {
        return IntStream.range(0, columns.length)
                .filter(place -> columns[place] == column)
                .findFirst()
                .orElse(-1);
    }

    @Override
    public long rows() {
        return grid.rows();
    }

    @Override
    public int columns() {
        return columns.length;
    }

    @Override
    public int pinned() {
        return kept;
    }

    @Override
    public String title(int column) {
        return grid.title(of(column));
    }

    @Override
    public String subtitle(int column) {
        return grid.subtitle(of(column));
    }

    @Override
    public boolean isWidthSet(int column) {
        return look.width(title(column)).isPresent();
    }

    @Override
    public double width(int column) {
        Optional<Integer> said = look.width(title(column));
        return said.isPresent() ? said.get() : grid.width(of(column));
    }

    @Override
    public boolean numeric(int column) {
        return grid.numeric(of(column));
    }

    @Override
    public @Nullable String text(long row, int column) {
        return grid.text(row, of(column));
    }

    @Override
    public Tone tone(long row, int column) {
        return grid.tone(row, of(column));
    }

    @Override
    public Mark mark(long row, int column) {
        return grid.mark(row, of(column));
    }

    @Override
    public Mark headMark(int column) {
        return grid.headMark(of(column));
    }

    @Override
    public String total(int column) {
        return grid.total(of(column));
    }

    @Override
    public boolean isClosed(int column) {
        return grid.isClosed(of(column));
    }

    @Override
    public String hint(long row, int column) {
        return grid.hint(row, of(column));
    }

    @Override
    public String rowLabel(long row) {
        return grid.rowLabel(row);
    }

    @Override
    public void onArrival(Runnable listener) {
        grid.onArrival(listener);
    }
}
