package cuvee.model;

import cuvee.check.Arrivals;
import cuvee.check.Arrivals.State;
import cuvee.master.MasterPlan;
import cuvee.place.Says;
import cuvee.tell.Outcome;
import java.time.YearMonth;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/** Who sent what for which month: a line for each sender, a column for each month, the rows of each and what is missing. */
public final class ArrivalsGrid implements GridModel {
    private final Arrivals arrivals;
    private final Map<Integer, String> sourceOf = new HashMap<>();
    private final boolean others;
    /** The senders of which several files came for a month. */
    private final BitSet tall = new BitSet();

    private final Set<YearMonth> closed;

    /**
     * Of an outcome.
     *
     * @param closed the months that are closed
     */
    public ArrivalsGrid(Outcome outcome, Arrivals arrivals, Set<YearMonth> closed) {
        this.arrivals = arrivals;
        this.closed = Set.copyOf(closed);
        this.others = arrivals.others().values().stream().anyMatch(rows -> rows > 0);
        for (MasterPlan.Table table : outcome.proposal().plan().tables()) {
            sourceOf.put(table.id(), table.source());
        }
        for (int row = 0; row < arrivals.senders().size(); row++) {
            for (int column = 0; column <= arrivals.months().size(); column++) {
                if (!second(row, column).isEmpty()) {
                    tall.set(row);
                }
            }
        }
    }

    /** The whole in a sentence. */
    public String says() {
        long missing = arrivals.open(State.MISSING).size();
        long notYet = arrivals.open(State.NOT_YET).size();
        long came = arrivals.cells().size();
        if (missing + notYet == 0) {
            return "All " + Says.number(came) + " that are expected have come.";
        }
        List<String> open = new ArrayList<>();
        if (missing > 0) {
            open.add(Says.number(missing) + (missing == 1 ? " is missing" : " are missing"));
        }
        if (notYet > 0) {
            open.add(Says.number(notYet) + (notYet == 1 ? " has not come yet" : " have not come yet"));
        }
        String words = Says.list(open) + " of " + Says.number(came + missing + notYet) + ".";
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    /** The sender and month of a cell; empty where it stands for none. */
    public Optional<Arrivals.Place> place(long row, int column) {
        boolean month = column > 0 && column <= arrivals.months().size() && row >= 0 && row < rows();
        return month ? Optional.of(new Arrivals.Place(sender(row), month(column))) : Optional.empty();
    }

    /** How a cell stands; empty where it stands for no sender and month. */
    public Optional<State> state(long row, int column) {
        return place(row, column).map(place -> arrivals.state(place.sender(), place.month()));
    }

    /** The files that a cell came from. */
    public List<String> files(long row, int column) {
        return place(row, column)
                .flatMap(place -> arrivals.cell(place.sender(), place.month()))
                .map(cell -> {
                    TreeSet<String> files = new TreeSet<>();
                    cell.tables().forEach(table -> files.add(sourceOf.getOrDefault(table, "")));
                    return List.copyOf(files);
                })
                .orElse(List.of());
    }

    /** The column that says for when. */
    public String period() {
        return arrivals.period();
    }

    /** The month of a column; empty where it stands for none. */
    public Optional<YearMonth> monthOf(int column) {
        return column > 0 && column <= arrivals.months().size() ? Optional.of(month(column)) : Optional.empty();
    }

    /** True for a month that is closed. */
    public boolean isClosed(YearMonth month) {
        return closed.contains(month);
    }

    private String sender(long row) {
        return arrivals.senders().get((int) row);
    }

    private YearMonth month(int column) {
        return arrivals.months().get(column - 1);
    }

    private boolean isOthers(int column) {
        return others && column == arrivals.months().size() + 1;
    }

    private boolean isAll(int column) {
        return column == columns() - 1;
    }

    // ---- the grid ----

    @Override
    public long rows() {
        return arrivals.senders().size();
    }

    @Override
    public int columns() {
        return arrivals.months().size() + (others ? 3 : 2);
    }

    @Override
    public int pinned() {
        return 1;
    }

    @Override
    public String title(int column) {
        return column == 0
                ? arrivals.sender()
                : isOthers(column)
                        ? "Other"
                        : isAll(column)
                                ? "Rows"
                                : month(column).getMonth().getDisplayName(TextStyle.SHORT, Locale.ENGLISH);
    }

    @Override
    public String subtitle(int column) {
        return column == 0 || isAll(column)
                ? ""
                : isOthers(column)
                        ? "months, or none"
                        : month(column).getYear() + (closed.contains(month(column)) ? ", closed" : "");
    }

    @Override
    public double width(int column) {
        return column == 0 ? 150 : isAll(column) ? 96 : isOthers(column) ? 110 : 92;
    }

    @Override
    public boolean numeric(int column) {
        return column > 0;
    }

    @Override
    public boolean isTall(long row) {
        return tall.get((int) row);
    }

    @Override
    public String text(long row, int column) {
        if (column == 0) {
            return sender(row);
        }
        if (isAll(column)) {
            return Says.number(all(row));
        }
        if (isOthers(column)) {
            return figure(arrivals.others().getOrDefault(sender(row), 0L));
        }
        YearMonth month = month(column);
        return switch (arrivals.state(sender(row), month)) {
            case CAME ->
                Says.number(arrivals.cell(sender(row), month)
                        .map(Arrivals.Cell::rows)
                        .orElse(0L));
            case MISSING -> "missing";
            case NOT_YET -> "not yet";
            case NIL -> "nil";
            case NOT_EXPECTED -> "";
        };
    }

    @Override
    public String second(long row, int column) {
        if (column == 0) {
            return arrivals.unlisted().contains(sender(row)) ? "not in the list" : "";
        }
        int files = files(row, column).size();
        return files > 1 ? Says.count(files, "file") : "";
    }

    private long all(long row) {
        return arrivals.cells().entrySet().stream()
                        .filter(cell -> cell.getKey().sender().equals(sender(row)))
                        .mapToLong(cell -> cell.getValue().rows())
                        .sum()
                + arrivals.others().getOrDefault(sender(row), 0L);
    }

    private static String figure(long rows) {
        return rows == 0 ? "·" : Says.number(rows);
    }

    @Override
    public Tone tone(long row, int column) {
        return state(row, column)
                .map(state -> switch (state) {
                    case CAME -> Tone.PLAIN;
                    case MISSING, NOT_YET -> Tone.MARKED;
                    case NIL -> Tone.QUIET;
                    case NOT_EXPECTED -> Tone.ABSENT;
                })
                .orElse(Tone.PLAIN);
    }

    @Override
    public Mark mark(long row, int column) {
        return state(row, column).filter(State.MISSING::equals).isPresent() ? Mark.WRONG : Mark.NONE;
    }

    @Override
    public String hint(long row, int column) {
        return String.join("\n", files(row, column));
    }

    @Override
    public String total(int column) {
        if (column == 0) {
            return "All " + Says.count(arrivals.senders().size(), "sender");
        }
        long sum;
        if (isAll(column)) {
            sum = arrivals.cells().values().stream()
                            .mapToLong(Arrivals.Cell::rows)
                            .sum()
                    + arrivals.others().values().stream()
                            .mapToLong(rows -> rows)
                            .sum();
        } else if (isOthers(column)) {
            sum = arrivals.others().values().stream().mapToLong(rows -> rows).sum();
        } else {
            sum = arrivals.senders().stream()
                    .flatMap(sender -> arrivals.cell(sender, month(column)).stream())
                    .mapToLong(Arrivals.Cell::rows)
                    .sum();
        }
        return figure(sum);
    }

    @Override
    public boolean isClosed(int column) {
        return isAll(column);
    }

    @Override
    public String rowLabel(long row) {
        return "";
    }
}
