package cuvee.check;

import cuvee.master.MasterFigures.Came;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * What came from whom for which month. A sender is expected for each month from its first one to the last of all, or as a
 * list says; a month counts where at least half of the senders have rows for it, or where something was due for it.
 *
 * @param sender the column that says who sends
 * @param period the column that says for when
 * @param months without a gap, the first before the last
 * @param expected who is expected, where a list is kept of it
 * @param today the day on which this is said
 * @param nil months for which a sender has nothing to report, as the analyst says
 */
public record Arrivals(
        String sender,
        String period,
        List<String> senders,
        List<YearMonth> months,
        Map<Place, Cell> cells,
        Map<String, Long> others,
        Expected expected,
        LocalDate today,
        Set<Place> nil) {
    private static final int FEWEST_SENDERS = 2;
    private static final int FEWEST_MONTHS = 3;
    private static final int MOST_SENDERS = 300;
    private static final int MOST_MONTHS = 240;
    /** With fewer cells filled than these, nobody sends month by month. */
    private static final double REGULAR = 0.75;
    /** Where so many cells could be empty by chance, an empty one says nothing. */
    private static final double BY_CHANCE = 0.5;
    /** Rows come by chance where their numbers vary by more than this share of what chance makes them vary. */
    private static final double AT_RANDOM = 0.25;

    public Arrivals {
        senders = List.copyOf(senders);
        months = List.copyOf(months);
        cells = Map.copyOf(cells);
        others = Map.copyOf(others);
        nil = Set.copyOf(nil);
    }

    /** A sender and a month. */
    public record Place(String sender, YearMonth month) {}

    /**
     * What came.
     *
     * @param tables the numbers of the tables that it stands in
     */
    public record Cell(long rows, List<Integer> tables) {
        public Cell {
            tables = List.copyOf(tables);
        }
    }

    /** How a cell stands. */
    public enum State {
        CAME,
        /** Nothing came, though the sender sent for months before and after, or it was due. */
        MISSING,
        /** Nothing came so far for the last months. */
        NOT_YET,
        /** There is nothing to report. */
        NIL,
        /** Before the sender's first month. */
        NOT_EXPECTED
    }

    /**
     * Arrivals from how many rows came from whom, when and in which table; empty where nothing is regular enough for
     * anything to be missing.
     */
    public static Optional<Arrivals> of(
            String sender, String period, Collection<Came> came, Expected expected, LocalDate today, Set<Place> nil) {
        TreeMap<YearMonth, Set<String>> sendersOf = new TreeMap<>();
        TreeSet<String> senders = new TreeSet<>(String.CASE_INSENSITIVE_ORDER);
        for (Came each : came) {
            if (!each.sender().isEmpty()) {
                senders.add(each.sender());
                each.month()
                        .ifPresent(month -> sendersOf
                                .computeIfAbsent(month, any -> new HashSet<>())
                                .add(each.sender()));
            }
        }
        if (!expected.isEmpty() && senders.stream().noneMatch(expected::names)) {
            return Optional.empty();
        }
        List<YearMonth> usual = sendersOf.entrySet().stream()
                .filter(month -> month.getValue().size() * 2 >= senders.size())
                .map(Map.Entry::getKey)
                .toList();
        boolean few = expected.isEmpty()
                ? senders.size() < FEWEST_SENDERS || senders.size() > MOST_SENDERS || usual.size() < FEWEST_MONTHS
                : usual.isEmpty();
        if (few || ChronoUnit.MONTHS.between(usual.get(0), usual.get(usual.size() - 1)) >= MOST_MONTHS) {
            return Optional.empty();
        }
        List<YearMonth> months = new ArrayList<>();
        for (YearMonth month = usual.get(0); !month.isAfter(usual.get(usual.size() - 1)); month = month.plusMonths(1)) {
            months.add(month);
        }
        months.addAll(expected.dueBehind(months.get(months.size() - 1), today));
        senders.addAll(expected.senders().keySet());
        Map<Place, Cell> cells = new HashMap<>();
        Map<String, Long> others = new HashMap<>();
        for (Came each : came) {
            Optional<YearMonth> month = each.month().filter(months::contains);
            if (month.isPresent() && !each.sender().isEmpty()) {
                cells.merge(
                        new Place(each.sender(), month.get()),
                        new Cell(each.rows(), List.of(each.table())),
                        Arrivals::both);
            } else {
                others.merge(each.sender(), each.rows(), Long::sum);
            }
        }
        Arrivals arrivals =
                new Arrivals(sender, period, List.copyOf(senders), months, cells, others, expected, today, nil);
        return !expected.isEmpty() || arrivals.isRegular() ? Optional.of(arrivals) : Optional.empty();
    }

    private static Cell both(Cell one, Cell other) {
        TreeSet<Integer> tables = new TreeSet<>(one.tables());
        tables.addAll(other.tables());
        return new Cell(one.rows() + other.rows(), List.copyOf(tables));
    }

    /** True where most of what would be expected has come. */
    private boolean isRegular() {
        long expected = 0;
        long there = 0;
        for (String sender : senders) {
            for (YearMonth month : months) {
                State state = state(sender, month);
                expected += state == State.NOT_EXPECTED ? 0 : 1;
                there += state == State.CAME || state == State.NIL ? 1 : 0;
            }
        }
        return there >= expected * REGULAR && !isScattered(expected);
    }

    /**
     * True where tables hold rows of several months that come as it happens, and so few of them that some months have none
     * by chance. (Of numbers that come by chance the mean is the variance, and the share of zeros that of Poisson.)
     */
    private boolean isScattered(long expected) {
        Map<Integer, Integer> months = new HashMap<>();
        cells.values().forEach(cell -> cell.tables().forEach(table -> months.merge(table, 1, Integer::sum)));
        boolean ofSeveral = months.values().stream().filter(count -> count > 1).count() * 2 > months.size();
        double mean = cells.values().stream().mapToLong(Cell::rows).sum() / (double) Math.max(1, expected);
        double variance = cells.values().stream()
                        .mapToDouble(cell -> (cell.rows() - mean) * (cell.rows() - mean))
                        .sum()
                / Math.max(1, cells.size());
        return ofSeveral && expected * Math.exp(-mean) >= BY_CHANCE && variance > mean * AT_RANDOM;
    }

    public Optional<Cell> cell(String sender, YearMonth month) {
        return Optional.ofNullable(cells.get(new Place(sender, month)));
    }

    public State state(String sender, YearMonth month) {
        Place place = new Place(sender, month);
        if (cells.containsKey(place)) {
            return State.CAME;
        }
        if (nil.contains(place)) {
            return State.NIL;
        }
        if (!expected.isEmpty()) {
            return !expected.holds(sender, month)
                    ? State.NOT_EXPECTED
                    : due(place).map(day -> !day.isBefore(today)).orElse(month.equals(months.get(months.size() - 1)))
                            ? State.NOT_YET
                            : State.MISSING;
        }
        boolean before = false;
        boolean after = false;
        for (YearMonth each : months) {
            boolean came = cells.containsKey(new Place(sender, each));
            before |= came && each.isBefore(month);
            after |= came && each.isAfter(month);
        }
        return !before ? State.NOT_EXPECTED : after ? State.MISSING : State.NOT_YET;
    }

    /** The day by which the rows of a place are due; empty where no list says it. */
    public Optional<LocalDate> due(Place place) {
        return expected.due(place.sender(), place.month());
    }

    /** Those who sent and are in no list of who is expected; none where no list is kept. */
    public List<String> unlisted() {
        return expected.isEmpty()
                ? List.of()
                : senders.stream().filter(sender -> !expected.names(sender)).toList();
    }

    /** What is expected and has not come, sender by sender. */
    public List<Place> open(State state) {
        List<Place> open = new ArrayList<>();
        senders.forEach(sender -> months.stream()
                .filter(month -> state(sender, month) == state)
                .forEach(month -> open.add(new Place(sender, month))));
        return open;
    }
}
