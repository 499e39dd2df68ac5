package cuvee.propose;

import cuvee.layout.LaidColumn;
import cuvee.layout.Layout;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.lineup.Belonging;
import cuvee.lineup.CellProfile;
import cuvee.lineup.Profile;
import cuvee.lineup.WorkedOut;
import cuvee.value.Convention;
import cuvee.value.Conventions;
import cuvee.value.Ditto;
import cuvee.value.Evidence;
import cuvee.value.LooseText;
import cuvee.value.Type;
import cuvee.value.Units;
import cuvee.value.ValueReader;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * What stands under the headers of layouts, from a sample of the rows of some of their tables. What was seen of a table is
 * remembered for the next time, since rows that are staged under a number never change.
 */
public final class Profiling implements Contents {
    private static final int MOST_TABLES = 4;
    private static final int MOST_ROWS = 120;
    /** Tables of more rows are not compared row by row. */
    static final int MOST_COMPARED = 2_000;

    private static final double DAYS_AROUND = 366;
    /** The rows of so many tables are held at a time. */
    private static final int TABLES_AT_ONCE = 50;
    /** So many tables are remembered, those that were looked at last. */
    private static final int MOST_REMEMBERED = 1_000;

    private final Samples samples;
    private final Map<Sight, List<Profile>> seen = new LinkedHashMap<>(16, 0.75f, true);
    private List<Sight> lastSeen = List.of();
    private Map<String, Profile> lastProfiles = Map.of();
    private List<Object> lastJudged = List.of();
    private Optional<Belonging> lastJudge = Optional.empty();

    /** The first records of tables, as they are staged, by the tables' numbers. */
    public interface Samples {
        Map<Integer, List<List<@Nullable String>>> rows(List<PlacedTable> tables, int most);
    }

    /** A table as it is laid out: by its number, its headers and where their values stand. */
    private record Sight(int table, List<String> headers, List<Origin> origins) {
        static Sight of(PlacedTable table) {
            return new Sight(
                    table.id(),
                    table.columns().stream().map(LaidColumn::header).toList(),
                    table.columns().stream().map(LaidColumn::origin).toList());
        }
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
        List<PlacedTable> chosen =
                layouts.stream().flatMap(layout -> some(layout).stream()).toList();
        List<Sight> sights = chosen.stream().map(Sight::of).toList();
        if (!sights.equals(lastSeen)) {
            lastProfiles = of(layouts, look(chosen, sights));
            lastSeen = sights;
        }
        return lastProfiles;
    }

    /**
     * How well layouts belong together by what stands under their headers; as it was where nothing of that has changed.
     *
     * @param heads how headers are spelled, by their keys
     */
    Belonging belonging(List<Layout> layouts, List<Belonging.Candidate> candidates, Map<String, String> heads) {
        Map<String, Profile> profiles = of(layouts);
        List<Object> judged = List.of(lastSeen, candidates, heads);
        if (lastJudge.isEmpty() || !judged.equals(lastJudged)) {
            lastJudge = Optional.of(new Belonging(candidates, profiles, heads));
            lastJudged = judged;
        }
        return lastJudge.get();
    }

    private static Map<String, Profile> of(List<Layout> layouts, Map<PlacedTable, Looked> lookedAt) {
        Optional<double[]> days = days(lookedAt.values());
        Map<String, List<Profile>> ofKey = new LinkedHashMap<>();
        for (Layout layout : layouts) {
            for (PlacedTable table : some(layout)) {
                Looked looked = Objects.requireNonNull(lookedAt.get(table));
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
        ofKey.forEach((key, columns) -> profiles.put(key, Profile.of(asShares(columns))));
        return Collections.unmodifiableMap(profiles);
    }

    /** The tables of a layout that are looked at. */
    private static List<PlacedTable> some(Layout layout) {
        List<PlacedTable> tables = layout.tables();
        int some = Math.min(MOST_TABLES, tables.size());
        return IntStream.range(0, some)
                .mapToObj(t -> tables.get(t * tables.size() / some))
                .toList();
    }

    /** Columns of one header: where some hold shares, plain numbers of a hundred times their size are percent points. */
    private static List<Profile> asShares(List<Profile> columns) {
        List<Profile> shares = columns.stream().filter(Profile::holdsShares).toList();
        if (shares.isEmpty() || shares.size() == columns.size()) {
            return columns;
        }
        Profile all = Profile.of(shares);
        return columns.stream()
                .map(column -> column.arePointsOf(all) ? column.percentPoints() : column)
                .toList();
    }

    /** The first and the last day of all tables. */
    private static Optional<double[]> days(Collection<Looked> tables) {
        return tables.stream()
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
        List<List<@Nullable String>> rows = rows(samples.rows(List.of(table), most), table);
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

    /** Looks at tables, those not seen before with all processors. */
    private Map<PlacedTable, Looked> look(List<PlacedTable> tables, List<Sight> sights) {
        Map<Sight, PlacedTable> unseen = new LinkedHashMap<>();
        for (int t = 0; t < tables.size(); t++) {
            if (!seen.containsKey(sights.get(t))) {
                unseen.put(sights.get(t), tables.get(t));
            }
        }
        List<PlacedTable> open = new ArrayList<>(unseen.values());
        Map<PlacedTable, List<Profile>> found = new HashMap<>();
        for (int from = 0; from < open.size(); from += TABLES_AT_ONCE) {
            List<PlacedTable> some = open.subList(from, Math.min(open.size(), from + TABLES_AT_ONCE));
            Map<Integer, List<List<@Nullable String>>> rows = samples.rows(some, MOST_ROWS);
            found.putAll(some.parallelStream()
                    .collect(Collectors.toConcurrentMap(table -> table, table -> profiles(table, rows(rows, table)))));
        }
        unseen.forEach((sight, table) -> seen.put(sight, Objects.requireNonNull(found.get(table))));
        Map<PlacedTable, Looked> looked = new LinkedHashMap<>();
        for (int t = 0; t < tables.size(); t++) {
            looked.put(tables.get(t), new Looked(tables.get(t), Objects.requireNonNull(seen.get(sights.get(t)))));
        }
        Iterator<Sight> longest = seen.keySet().iterator();
        for (int more = seen.size() - MOST_REMEMBERED; more > 0; more--) {
            longest.next();
            longest.remove();
        }
        return looked;
    }

    private static List<List<@Nullable String>> rows(
            Map<Integer, List<List<@Nullable String>>> rows, PlacedTable table) {
        return rows.getOrDefault(table.id(), List.of());
    }

    private static List<Profile> profiles(PlacedTable table, List<List<@Nullable String>> rows) {
        Evidence all = new Evidence();
        table.columns().forEach(column -> all.add(column.evidence()));
        return workedOut(table, rows, all);
    }

    /** The profiles of a table's columns, its numbers with what they are worked out from. */
    private static List<Profile> workedOut(PlacedTable table, List<List<@Nullable String>> rows, Evidence all) {
        List<Profile> columns = new ArrayList<>();
        List<Integer> places = new ArrayList<>();
        List<double[]> numbers = new ArrayList<>();
        List<Integer> dated = new ArrayList<>();
        List<double[]> days = new ArrayList<>();
        for (LaidColumn column : table.columns()) {
            Convention convention = convention(column, all);
            List<String> cells = cells(column.origin(), rows);
            Profile profile =
                    CellProfile.of(cells, convention, table.currency(column).isPresent());
            if (profile.holdsNumbers() && cells.size() == rows.size()) {
                places.add(columns.size());
                numbers.add(numbers(cells, convention));
            } else if (profile.holdsDays() && cells.size() == rows.size()) {
                dated.add(columns.size());
                days.add(days(cells, convention));
            }
            columns.add(
                    PercentPoints.namesPercents(column.header())
                            ? profile.percentPoints()
                            : isInThousands(table, column) ? profile.thousands() : profile.daysInDigits());
        }
        know(columns, places, WorkedOut.of(keys(table, places), numbers));
        know(columns, dated, WorkedOut.ofDays(keys(table, dated), days));
        return columns;
    }

    private static void know(List<Profile> columns, List<Integer> places, List<WorkedOut> known) {
        for (int i = 0; i < places.size(); i++) {
            columns.set(places.get(i), columns.get(places.get(i)).workedOut(known.get(i)));
        }
    }

    private static List<String> keys(PlacedTable table, List<Integer> places) {
        return places.stream()
                .map(at -> LooseText.key(table.columns().get(at).header()))
                .toList();
    }

    private static double[] days(List<String> cells, Convention convention) {
        return cells.stream()
                .mapToDouble(cell -> {
                    String read = cell.isEmpty() ? null : ValueReader.read(cell, Type.DATE_AND_TIME, convention);
                    return read == null || read.length() < 10
                            ? Double.NaN
                            : LocalDate.parse(read.substring(0, 10)).toEpochDay();
                })
                .toArray();
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
                    boolean carried = cell.carrying() == Origin.Carrying.MARKS ? Ditto.isMark(text) : text.isBlank();
                    above = carried ? above : text;
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
