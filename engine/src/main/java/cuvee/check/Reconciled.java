package cuvee.check;

import cuvee.layout.LaidColumn;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterFigures.Figures;
import cuvee.master.MasterPlan;
import cuvee.value.Meaning;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The sums of number columns in the sources, added up while these were read, against those in the master, table by table,
 * and what stands between them.
 */
public record Reconciled(List<Line> lines) {
    /** Sums that differ by no more than this share of them are the same: those of the sources are added up as they go by. */
    private static final double ROUNDING = 1e-9;

    public Reconciled {
        lines = List.copyOf(lines);
    }

    /** Why the numbers of a table are others in the master than in the source. */
    public enum Change {
        NONE(""),
        READ_OTHERWISE("read as what they stand for"),
        CORRECTED("corrected"),
        REPEATED("repeated beside columns that became rows"),
        BY_RULES("changed by rules");

        private final String words;

        Change(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * A number column of a table.
     *
     * @param table its number
     * @param column that of the master, from 0
     * @param source the sum of the table's records in the source's own cells
     * @param aside the sum of rows that rules set aside
     * @param master the sum in the master
     * @param change why {@link #changed} is not nothing
     */
    public record Line(int table, int column, BigDecimal source, BigDecimal aside, BigDecimal master, Change change) {
        /** What was added to the numbers of the source, or taken from them, on purpose. */
        public BigDecimal changed() {
            return change == Change.NONE ? BigDecimal.ZERO : difference();
        }

        /** What nothing explains. */
        public BigDecimal unexplained() {
            return change == Change.NONE ? difference() : BigDecimal.ZERO;
        }

        private BigDecimal difference() {
            return master.add(aside).subtract(source);
        }
    }

    /**
     * Sums of one column.
     *
     * @param tables how many tables have numbers in it
     */
    public record Sum(
            long tables,
            BigDecimal source,
            BigDecimal aside,
            BigDecimal changed,
            BigDecimal master,
            BigDecimal unexplained) {
        static final Sum NONE =
                new Sum(0, BigDecimal.ZERO, BigDecimal.ZERO, BigDecimal.ZERO, BigDecimal.ZERO, BigDecimal.ZERO);

        Sum plus(Line line) {
            return new Sum(
                    tables + 1,
                    source.add(line.source()),
                    aside.add(line.aside()),
                    changed.add(line.changed()),
                    master.add(line.master()),
                    unexplained.add(line.unexplained()));
        }

        /** True where the source, less what was set aside, with what was changed, is the master. */
        public boolean closes() {
            return unexplained.signum() == 0;
        }
    }

    /** Adds up the cells of a table that feed a column once more, exactly. */
    public interface Exactly {
        BigDecimal sum(MasterPlan.Table table, int column);
    }

    /**
     * Compares the sums.
     *
     * @param placed the tables of the master
     * @param figures what they came to, by table number
     */
    public static Reconciled of(
            MasterPlan plan, Collection<PlacedTable> placed, Map<Integer, Figures> figures, Exactly exactly) {
        Map<Integer, PlacedTable> byId = new HashMap<>();
        placed.forEach(table -> byId.put(table.id(), table));
        List<Line> lines = new ArrayList<>();
        for (MasterPlan.Table table : plan.tables()) {
            PlacedTable own = byId.get(table.id());
            Figures came = figures.getOrDefault(table.id(), Figures.NONE);
            for (int i = 0; own != null && i < plan.columns().size(); i++) {
                MasterPlan.Feed feed = table.feeds().get(i);
                Optional<LaidColumn> laid =
                        feed == null || !plan.addsUp(i) ? Optional.empty() : laid(own, feed, table.isOfHeads(i));
                if (feed != null && laid.isPresent()) {
                    lines.add(line(plan, table, i, feed, laid.get(), came, exactly));
                }
            }
        }
        return new Reconciled(lines);
    }

    /**
     * The column of a table that feeds one of the master by its own cells: not where one stands for the blank cells below
     * it, unless it is of heads.
     */
    private static Optional<LaidColumn> laid(PlacedTable table, MasterPlan.Feed feed, boolean ofHeads) {
        boolean carried = feed.origin() instanceof Origin.Cell cell && cell.carried() && !ofHeads;
        boolean cells = feed.origin() instanceof Origin.Cell
                || feed.origin() instanceof Origin.At
                || feed.origin() instanceof Origin.Values;
        return table.columns().stream()
                .filter(column -> cells && !carried && column.origin().equals(feed.origin()))
                .findFirst();
    }

    private static Line line(
            MasterPlan plan,
            MasterPlan.Table table,
            int index,
            MasterPlan.Feed feed,
            LaidColumn laid,
            Figures came,
            Exactly exactly) {
        BigDecimal master = came.sum(index);
        BigDecimal aside = came.asideSum(index);
        BigDecimal there = master.add(aside);
        BigDecimal source = BigDecimal.valueOf(feed.turned() ? -laid.sum() : laid.sum())
                .setScale(plan.columns().get(index).scale(), RoundingMode.HALF_UP);
        Change change = change(plan, table, index, feed);
        double most = ROUNDING
                * Math.max(1, Math.max(source.abs().doubleValue(), there.abs().doubleValue()));
        boolean same = source.subtract(there).abs().doubleValue() <= most;
        if (same) {
            // The same but for the rounding of sums as they go by.
            return new Line(table.id(), index, there, aside, master, change);
        }
        if (change == Change.NONE) {
            // Numbers that could be read in two ways may have been added up in the other one while the source was read.
            source = exactly.sum(table, index);
        }
        return new Line(table.id(), index, source, aside, master, change);
    }

    private static Change change(MasterPlan plan, MasterPlan.Table table, int index, MasterPlan.Feed feed) {
        if (table.repeats(index)) {
            return Change.REPEATED;
        }
        if (feed.convention().meaning() != Meaning.AS_WRITTEN
                || !feed.convention().unit().isEmpty()) {
            return Change.READ_OTHERWISE;
        }
        if (feed.corrected()) {
            return Change.CORRECTED;
        }
        boolean ruled =
                !feed.replaced().isEmpty() || plan.makings().stream().anyMatch(making -> making.column() == index);
        return ruled ? Change.BY_RULES : Change.NONE;
    }

    /** The sums of a column over all tables. */
    public Sum sum(int column) {
        return lines.stream().filter(line -> line.column() == column).reduce(Sum.NONE, Sum::plus, (a, b) -> a);
    }

    /** The sums of a column by table number. */
    public Map<Integer, Line> ofColumn(int column) {
        Map<Integer, Line> found = new LinkedHashMap<>();
        lines.stream().filter(line -> line.column() == column).forEach(line -> found.put(line.table(), line));
        return found;
    }

    /** The lines that do not close. */
    public List<Line> open() {
        return lines.stream().filter(line -> line.unexplained().signum() != 0).toList();
    }
}
