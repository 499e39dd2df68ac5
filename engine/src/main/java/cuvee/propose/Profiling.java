package cuvee.propose;

import cuvee.layout.LaidColumn;
import cuvee.layout.Layout;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.lineup.CellProfile;
import cuvee.lineup.Profile;
import cuvee.lineup.WorkedOut;
import cuvee.value.Convention;
import cuvee.value.Conventions;
import cuvee.value.Evidence;
import cuvee.value.Type;
import cuvee.value.Units;
import cuvee.value.ValueReader;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** What stands under the headers of layouts, from a sample of the rows of some of their tables. */
public final class Profiling implements Contents {
    private static final int MOST_TABLES = 4;
    private static final int MOST_ROWS = 120;
    /** Tables of more rows are not compared row by row. */
    static final int MOST_COMPARED = 2_000;

    private static final double DAYS_AROUND = 366;

    private final Samples samples;
    private final Map<String, List<Looked>> ofLayout = new HashMap<>();

    /** The first records of a table, as they are staged. */
    public interface Samples {
        List<List<@Nullable String>> rows(PlacedTable table, int most);
    }

    /** The columns of a table, by themselves. */
    private record Looked(PlacedTable table, List<Profile> columns) {
        boolean hasDays() {
            return columns.stream().anyMatch(Profile::holdsDays);
        }
    }

    /** For tables whose cells can be looked at again. */
    public Profiling(Samples samples) {
        this.samples = samples;
    }

    /** The profiles of headers by their loose keys, each from all layouts that have it. */
    Map<String, Profile> of(List<Layout> layouts) {
        look(layouts);
        Optional<double[]> days = days(layouts);
        Map<String, List<Profile>> ofKey = new LinkedHashMap<>();
        for (Layout layout : layouts) {
            for (Looked looked : ofLayout.getOrDefault(layout.signature(), List.of())) {
                List<Profile> columns = withDays(looked, days);
                Set<String> seen = new HashSet<>();
                for (int i = 0; i < columns.size() && i < layout.keys().size(); i++) {
                    if (seen.add(layout.keys().get(i))) {
                        ofKey.computeIfAbsent(layout.keys().get(i), key -> new ArrayList<>())
                                .add(columns.get(i));
                    }
                }
            }
        }
        Map<String, Profile> profiles = new LinkedHashMap<>();
        ofKey.forEach((key, columns) ->
                asShares(columns).stream().reduce(Profile::plus).ifPresent(all -> profiles.put(key, all)));
        return profiles;
    }

    /** Columns of one header: where some hold shares, plain numbers of a hundred times their size are percent points. */
    private static List<Profile> asShares(List<Profile> columns) {
        Optional<Profile> shares = columns.stream().filter(Profile::holdsShares).reduce(Profile::plus);
        return shares.isEmpty()
                ? columns
                : columns.stream()
                        .map(column -> column.arePointsOf(shares.get()) ? column.percentPoints() : column)
                        .toList();
    }

    /** The first and the last day of all tables. */
    private Optional<double[]> days(List<Layout> layouts) {
        return layouts.stream()
                .flatMap(layout -> ofLayout.getOrDefault(layout.signature(), List.of()).stream())
                .flatMap(looked -> looked.columns().stream())
                .flatMap(profile -> profile.days().stream())
                .reduce((a, b) -> new double[] {Math.min(a[0], b[0]), Math.max(a[1], b[1])});
    }

    /**
     * Whole numbers that count days of the batch, in a table that has no dates or under a header that names one, are days:
     * a workbook that lost its formats is lined up like the others.
     */
    private static List<Profile> withDays(Looked looked, Optional<double[]> days) {
        if (days.isEmpty()) {
            return looked.columns();
        }
        boolean none = !looked.hasDays();
        List<Profile> columns = new ArrayList<>();
        for (int i = 0; i < looked.columns().size(); i++) {
            Profile profile = looked.columns().get(i);
            boolean may =
                    none || DayNumbers.namesDays(looked.table().columns().get(i).header());
            columns.add(
                    may
                            ? profile.countedDays(days.get()[0] - DAYS_AROUND, days.get()[1] + DAYS_AROUND)
                                    .orElse(profile)
                            : profile);
        }
        return columns;
    }

    /**
     * True where two tables of one layout hold the same rows, in whatever order, or two forms the same in every field;
     * false where they have more rows than are compared at once.
     */
    @Override
    public boolean sameRows(PlacedTable one, PlacedTable other) {
        int rows = one.table().kept();
        if (one.table().isForm()) {
            return sameFields(one, other);
        }
        if (rows == 0
                || rows > MOST_COMPARED
                || rows != other.table().kept()
                || one.columns().size() != other.columns().size()) {
            return false;
        }
        return records(one).equals(records(other));
    }

    /** What each record of a table holds, in an order of its own: a list that was sorted otherwise is the same list. */
    private List<List<String>> records(PlacedTable table) {
        int rows = table.table().kept();
        List<List<String>> records = new ArrayList<>();
        for (int row = 0; row < rows; row++) {
            records.add(new ArrayList<>());
        }
        for (List<String> cells : columns(table, rows)) {
            // Columns that run across have several cells for each record; what is said of the whole table has none.
            int each = cells.size() % rows == 0 ? cells.size() / rows : 0;
            for (int row = 0; row < rows; row++) {
                records.get(row).addAll(each == 0 ? cells : cells.subList(row * each, (row + 1) * each));
            }
        }
        records.sort(Comparator.comparing(cells -> String.join("\n", cells)));
        return records;
    }

    @Override
    public List<List<String>> columns(PlacedTable table, int most) {
        List<List<@Nullable String>> rows = samples.rows(table, most);
        return table.columns().stream()
                .map(column -> cells(column.origin(), rows))
                .toList();
    }

    /** The single value of a field is told by its evidence: a word as it is, a number by its sum, a day as it is. */
    private static boolean sameFields(PlacedTable one, PlacedTable other) {
        if (!other.table().isForm() || one.columns().size() != other.columns().size()) {
            return false;
        }
        for (int i = 0; i < one.columns().size(); i++) {
            LaidColumn here = one.columns().get(i);
            LaidColumn there = other.columns().get(i);
            if (!here.evidence().counts().equals(there.evidence().counts())
                    || !here.evidence().oddities().equals(there.evidence().oddities())
                    || !here.someDays().equals(there.someDays())
                    || here.sum() != there.sum()) {
                return false;
            }
        }
        return true;
    }

    /** Looks at layouts not seen before, each by itself, with all processors; the store hands out rows one by one. */
    private void look(List<Layout> layouts) {
        Map<String, Layout> unseen = new LinkedHashMap<>();
        layouts.stream()
                .filter(layout -> !ofLayout.containsKey(layout.signature()))
                .forEach(layout -> unseen.putIfAbsent(layout.signature(), layout));
        ofLayout.putAll(
                unseen.values().parallelStream().collect(Collectors.toConcurrentMap(Layout::signature, this::looked)));
    }

    private List<Looked> looked(Layout layout) {
        List<Looked> looked = new ArrayList<>();
        List<PlacedTable> tables = layout.tables();
        int some = Math.min(MOST_TABLES, tables.size());
        for (int t = 0; t < some; t++) {
            PlacedTable table = tables.get(t * tables.size() / some);
            List<List<@Nullable String>> rows = rows(table);
            Evidence all = new Evidence();
            table.columns().forEach(column -> all.add(column.evidence()));
            looked.add(new Looked(table, workedOut(table, rows, all)));
        }
        return looked;
    }

    private synchronized List<List<@Nullable String>> rows(PlacedTable table) {
        return samples.rows(table, MOST_ROWS);
    }

    /** The profiles of a table's columns, its numbers with what they are worked out from. */
    private static List<Profile> workedOut(PlacedTable table, List<List<@Nullable String>> rows, Evidence all) {
        List<Profile> columns = new ArrayList<>();
        List<Integer> places = new ArrayList<>();
        List<double[]> numbers = new ArrayList<>();
        for (LaidColumn column : table.columns()) {
            Convention convention = convention(column, all);
            List<String> cells = cells(column.origin(), rows);
            Profile profile =
                    CellProfile.of(cells, convention, table.currency(column).isPresent());
            if (profile.holdsNumbers() && cells.size() == rows.size()) {
                places.add(columns.size());
                numbers.add(numbers(cells, convention));
            }
            columns.add(
                    PercentPoints.namesPercents(column.header())
                            ? profile.percentPoints()
                            : isInThousands(table, column) ? profile.thousands() : profile.daysInDigits());
        }
        List<WorkedOut> known = WorkedOut.of(numbers);
        for (int i = 0; i < places.size(); i++) {
            columns.set(places.get(i), columns.get(places.get(i)).workedOut(known.get(i)));
        }
        return columns;
    }

    /** A line above a table speaks of its amounts, a header of whatever it heads. */
    private static boolean isInThousands(PlacedTable table, LaidColumn column) {
        return Units.isInThousands(column.header())
                || table.currency(column).isPresent() && Scales.saysThousands(table, column);
    }

    private static double[] numbers(List<String> cells, Convention convention) {
        return cells.stream()
                .mapToDouble(cell -> {
                    String read = cell.isEmpty() ? null : ValueReader.read(cell, Type.DECIMAL, convention);
                    return read == null ? Double.NaN : new BigDecimal(read).doubleValue();
                })
                .toArray();
    }

    private static Convention convention(LaidColumn column, Evidence all) {
        Conventions.Vote own = Conventions.mark(column.evidence());
        Conventions.Vote table = Conventions.mark(all);
        Conventions.Vote mark = isTold(own) ? own : isTold(table) ? table : Conventions.markByGroups(column.evidence());
        return new Convention(Conventions.markOf(mark), Conventions.orderOf(Conventions.order(column.evidence())));
    }

    private static boolean isTold(Conventions.Vote vote) {
        return vote == Conventions.Vote.FIRST || vote == Conventions.Vote.SECOND;
    }

    private static List<String> cells(Origin origin, List<List<@Nullable String>> rows) {
        return origin.match(new Origin.Match<>() {
            @Override
            public List<String> cell(Origin.Cell cell) {
                List<String> cells = new ArrayList<>();
                String above = "";
                for (List<@Nullable String> row : rows) {
                    String text = text(row, cell.index());
                    above = text.isBlank() ? above : text;
                    cells.add(cell.carried() ? above : text);
                }
                return cells;
            }

            @Override
            public List<String> line(Origin.Line line) {
                return List.of();
            }

            @Override
            public List<String> label(Origin.Label label) {
                return label.labels();
            }

            @Override
            public List<String> values(Origin.Values values) {
                List<String> cells = new ArrayList<>();
                for (List<@Nullable String> row : rows) {
                    values.columns().stream().filter(at -> at >= 0).forEach(at -> cells.add(text(row, at)));
                }
                return cells;
            }

            @Override
            public List<String> told(Origin.Told told) {
                return List.of();
            }

            @Override
            public List<String> at(Origin.At at) {
                return List.of();
            }
        });
    }

    private static String text(List<@Nullable String> row, int at) {
        String text = at < row.size() ? row.get(at) : null;
        return text == null ? "" : text;
    }
}
