package cuvee.summary;

import cuvee.master.Grouped;
import cuvee.master.Grouped.Group;
import cuvee.master.Grouped.Span;
import cuvee.master.MasterPlan;
import cuvee.place.Says;
import cuvee.rework.Asked;
import cuvee.rework.Known;
import cuvee.rework.Phrase;
import cuvee.summary.Summary.By;
import cuvee.summary.Summary.Figure;
import cuvee.summary.Summary.Kind;
import cuvee.summary.Summary.Order;
import cuvee.value.Type;
import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * What a summary comes to: lines, each with what it is for and its figures.
 *
 * @param keyTitles the names of what there is a line for each of
 * @param columns the columns of figures
 * @param lines the lines in their order; where there are totals, that of all is the last
 * @param rows how many rows of the master are in it
 * @param otherRows how many are not, by its phrase
 * @param rounded true where figures are written with fewer digits than they have
 * @param unmatched true where the written figures of lines do not add up to the written total
 */
public record SummaryTable(
        Summary summary,
        List<String> keyTitles,
        List<Column> columns,
        List<Line> lines,
        long rows,
        long otherRows,
        boolean rounded,
        boolean unmatched) {
    /** Stands for what is blank. */
    public static final String BLANK = "blank";

    /** Stands for all lines or columns together. */
    public static final String ALL = "All";

    /** A summary with more columns than this is none that anyone can read. */
    public static final int MOST_COLUMNS = 400;

    public SummaryTable {
        keyTitles = List.copyOf(keyTitles);
        columns = List.copyOf(columns);
        lines = List.copyOf(lines);
    }

    /**
     * A column of figures.
     *
     * @param title what stands over it
     * @param figure what is reckoned in it
     * @param key what the column is for; empty where the summary has no columns by something, or it is that of all
     * @param of which rows it is of
     * @param type how its figures are written
     */
    public record Column(String title, Figure figure, Optional<String> key, Of of, Type type) {}

    /** Which rows a column is of. */
    public enum Of {
        THESE,
        THOSE_COMPARED_WITH,
        DIFFERENCE
    }

    /**
     * A line of figures.
     *
     * @param keys what it is for; {@link #ALL} in the total of all lines, null for blank
     * @param total true for that of all lines
     * @param values exact figures, canonical text; null where there is none
     * @param written the figures as they are written
     */
    public record Line(
            List<@Nullable String> keys, boolean total, List<@Nullable String> values, List<String> written) {
        /** What it is for, in words. */
        public String key(int at) {
            return Objects.requireNonNullElse(keys.get(at), BLANK);
        }
    }

    /** Asks a master for figures. */
    public interface Source {
        List<List<Group>> grouped(Grouped.Asked asked);
    }

    /**
     * Sums up.
     *
     * @param rows how many rows the master has
     */
    public static SummaryTable of(Summary summary, MasterPlan plan, long rows, Source source) {
        return new Making(summary, plan, rows, source).table();
    }

    /** How many decimals, and which order of keys and columns, a summary needs to be written down. */
    private static final class Making {
        private final Summary summary;
        private final MasterPlan plan;
        private final Known known;
        private final long rows;
        private final Source source;

        Making(Summary summary, MasterPlan plan, long rows, Source source) {
            this.summary = summary;
            this.plan = plan;
            this.known = Known.of(plan);
            this.rows = rows;
            this.source = source;
        }

        /** The figures of one phrase: by the keys of lines and columns, {@link #ALL} where a key does not matter. */
        private record Figures(Map<List<@Nullable String>, Group> groups, long rows) {
            @Nullable
            Group at(List<@Nullable String> lines, List<@Nullable String> columns) {
                List<@Nullable String> key = new ArrayList<>(lines);
                key.addAll(columns);
                return groups.get(key);
            }
        }

        private Figures figures(String phrase) {
            int lines = summary.lines().size();
            List<Integer> byLine = new ArrayList<>();
            for (int i = 0; i < lines; i++) {
                byLine.add(i);
            }
            Set<List<Integer>> wanted = new LinkedHashSet<>(List.of(List.of()));
            wanted.add(byLine);
            if (summary.columns().isPresent()) {
                List<Integer> all = new ArrayList<>(byLine);
                all.add(lines);
                wanted.add(List.of(lines));
                wanted.add(all);
            }
            List<List<Integer>> sets = List.copyOf(wanted);
            List<Grouped.Value> values = new ArrayList<>();
            for (Figure figure : summary.figures()) {
                values.add(new Grouped.Value(
                        figure.kind().measure(), figure.column().isEmpty() ? 0 : known.at(figure.column())));
            }
            List<Grouped.Key> keys = new ArrayList<>();
            for (By by : summary.keys()) {
                keys.add(summary.key(by, known.at(by.column())));
            }
            Asked asked = phrase.isEmpty() ? new Asked(List.of(), "") : Asked.of(phrase, known);
            List<List<Group>> found = source.grouped(new Grouped.Asked(values, keys, sets, asked.conditions()));
            Map<List<@Nullable String>, Group> groups = new HashMap<>();
            long counted = 0;
            for (int set = 0; set < sets.size(); set++) {
                for (Group group : found.get(set)) {
                    for (int i = 0; i < sets.get(set).size(); i++) {
                        spell(
                                sets.get(set).get(i),
                                group.keys().get(i),
                                group.said().get(i));
                    }
                    List<@Nullable String> key = new ArrayList<>();
                    for (int i = 0; i < keys.size(); i++) {
                        int at = sets.get(set).indexOf(i);
                        key.add(at < 0 ? ALL_KEY : group.keys().get(at));
                    }
                    groups.put(key, group);
                    counted = sets.get(set).isEmpty() ? group.rows() : counted;
                }
            }
            return new Figures(groups, counted);
        }

        /** How the value of a key is written: of several spellings the first from A to Z. */
        private final List<Map<String, String>> spelled = new ArrayList<>();

        private void spell(int key, @Nullable String value, @Nullable String said) {
            while (spelled.size() <= key) {
                spelled.add(new HashMap<>());
            }
            if (value != null && said != null) {
                spelled.get(key).merge(value, said, (one, other) -> one.compareTo(other) <= 0 ? one : other);
            }
        }

        private String said(int key, String value) {
            return key < spelled.size() ? spelled.get(key).getOrDefault(value, value) : value;
        }

        /** Stands for every value of a key; no value of a column is written so. */
        private static final String ALL_KEY = "\u0000all";

        SummaryTable table() {
            Figures these = figures(summary.where());
            Optional<Figures> those =
                    summary.against().isEmpty() ? Optional.empty() : Optional.of(figures(summary.against()));
            List<List<@Nullable String>> lineKeys = lineKeys(these, those);
            List<@Nullable String> columnKeys = columnKeys(these);
            List<Column> columns = columns(columnKeys);
            List<List<@Nullable String>> exact = new ArrayList<>();
            for (List<@Nullable String> keys : lineKeys) {
                exact.add(values(keys, columns, columnKeys, these, those));
            }
            running(columns, lineKeys, exact);
            if (summary.shown().order() != Order.BY_NAME) {
                order(lineKeys, exact);
            }
            return written(columns, lineKeys, exact, these.rows());
        }

        private List<List<@Nullable String>> lineKeys(Figures these, Optional<Figures> those) {
            int lines = summary.lines().size();
            List<List<@Nullable String>> keys = new ArrayList<>();
            if (lines > 0) {
                TreeSet<List<@Nullable String>> found = new TreeSet<>(byName());
                for (Figures each : those.map(other -> List.of(these, other)).orElse(List.of(these))) {
                    for (List<@Nullable String> key : each.groups().keySet()) {
                        List<@Nullable String> line = key.subList(0, lines);
                        if (!line.contains(ALL_KEY)) {
                            found.add(line);
                        }
                    }
                }
                keys.addAll(found);
            }
            if (lines == 0 || summary.shown().totals() && keys.size() > 1) {
                keys.add(all(lines));
            }
            return keys;
        }

        private static List<@Nullable String> all(int count) {
            List<@Nullable String> all = new ArrayList<>();
            for (int i = 0; i < count; i++) {
                all.add(ALL_KEY);
            }
            return all;
        }

        private Comparator<List<@Nullable String>> byName() {
            return (one, other) -> {
                for (int i = 0; i < summary.lines().size(); i++) {
                    int order = compare(summary.lines().get(i), one.get(i), other.get(i));
                    if (order != 0) {
                        return order;
                    }
                }
                return 0;
            };
        }

        private int compare(By by, @Nullable String one, @Nullable String other) {
            if (one == null || other == null) {
                return one == null ? other == null ? 0 : 1 : -1;
            }
            if (by.span() == Span.VALUE && type(by.column()).isNumber()) {
                return new BigDecimal(one).compareTo(new BigDecimal(other));
            }
            int order = String.CASE_INSENSITIVE_ORDER.compare(one, other);
            return order == 0 ? one.compareTo(other) : order;
        }

        private List<@Nullable String> columnKeys(Figures these) {
            if (summary.columns().isEmpty()) {
                return List.of();
            }
            By by = summary.columns().get();
            int at = summary.lines().size();
            TreeSet<@Nullable String> found = new TreeSet<>((one, other) -> compare(by, one, other));
            for (List<@Nullable String> key : these.groups().keySet()) {
                if (!Objects.equals(key.get(at), ALL_KEY)) {
                    found.add(key.get(at));
                }
            }
            List<@Nullable String> keys = new ArrayList<>(found);
            if (summary.shown().totals() && keys.size() > 1) {
                keys.add(ALL_KEY);
            }
            return keys;
        }

        private Type type(String column) {
            int at = known.at(column);
            return at < plan.columns().size() ? plan.columns().get(at).type() : Type.TEXT;
        }

        private List<Column> columns(List<@Nullable String> columnKeys) {
            List<Column> columns = new ArrayList<>();
            boolean several = summary.figures().size() > 1;
            if (summary.columns().isPresent()) {
                for (String key : columnKeys) {
                    String title = Objects.equals(key, ALL_KEY)
                            ? ALL
                            : key == null ? BLANK : said(summary.lines().size(), key);
                    for (Figure figure : summary.figures()) {
                        columns.add(new Column(
                                several ? title + ", " + figure.said() : title,
                                figure,
                                Objects.equals(key, ALL_KEY) ? Optional.empty() : Optional.of(title),
                                Of.THESE,
                                type(figure)));
                    }
                }
                return columns;
            }
            for (Figure figure : summary.figures()) {
                String title = Says.capital(figure.said());
                if (summary.against().isEmpty()) {
                    columns.add(new Column(title, figure, Optional.empty(), Of.THESE, type(figure)));
                } else {
                    String where = summary.where().isEmpty() ? "all rows" : summary.where();
                    columns.add(new Column(title + ", " + where, figure, Optional.empty(), Of.THESE, type(figure)));
                    columns.add(new Column(
                            title + ", " + summary.against(),
                            figure,
                            Optional.empty(),
                            Of.THOSE_COMPARED_WITH,
                            type(figure)));
                    if (type(figure).isNumber()) {
                        columns.add(new Column("Difference", figure, Optional.empty(), Of.DIFFERENCE, type(figure)));
                    }
                }
            }
            return columns;
        }

        private Type type(Figure figure) {
            return switch (figure.kind()) {
                case NUMBER_OF_ROWS, DIFFERENT, FILLED -> Type.WHOLE_NUMBER;
                case SHARE -> Type.PERCENT;
                case AVERAGE, MEDIAN ->
                    type(figure.column()) == Type.WHOLE_NUMBER ? Type.DECIMAL : type(figure.column());
                default -> type(figure.column());
            };
        }

        private List<@Nullable String> values(
                List<@Nullable String> keys,
                List<Column> columns,
                List<@Nullable String> columnKeys,
                Figures these,
                Optional<Figures> those) {
            List<@Nullable String> values = new ArrayList<>();
            int figures = summary.figures().size();
            int at = 0;
            for (Column column : columns) {
                int figure = summary.figures().indexOf(column.figure());
                List<@Nullable String> across = new ArrayList<>();
                if (summary.columns().isPresent()) {
                    across.add(columnKeys.get(at / figures));
                }
                at++;
                values.add(
                        switch (column.of()) {
                            case THESE -> value(these, keys, across, figure);
                            case THOSE_COMPARED_WITH -> value(those.orElseThrow(), keys, across, figure);
                            case DIFFERENCE ->
                                number(value(these, keys, across, figure))
                                        .subtract(number(value(those.orElseThrow(), keys, across, figure)))
                                        .toPlainString();
                        });
            }
            return values;
        }

        private static BigDecimal number(@Nullable String value) {
            return value == null ? BigDecimal.ZERO : new BigDecimal(value);
        }

        private @Nullable String value(
                Figures of, List<@Nullable String> keys, List<@Nullable String> across, int figure) {
            Group group = of.at(keys, across);
            String value = group == null ? null : group.values().get(figure);
            if (summary.figures().get(figure).kind() != Kind.SHARE || value == null) {
                return value;
            }
            Group all = of.at(all(keys.size()), all(across.size()));
            BigDecimal whole =
                    all == null ? BigDecimal.ZERO : number(all.values().get(figure));
            return whole.signum() == 0
                    ? null
                    : number(value)
                            .divide(whole, MathContext.DECIMAL64)
                            .stripTrailingZeros()
                            .toPlainString();
        }

        /** Adds up from line to line; the total of all stands as it is. */
        private void running(
                List<Column> columns, List<List<@Nullable String>> keys, List<List<@Nullable String>> exact) {
            for (int column = 0; column < columns.size(); column++) {
                if (columns.get(column).figure().kind() == Kind.RUNNING) {
                    BigDecimal sum = BigDecimal.ZERO;
                    for (int line = 0; line < exact.size(); line++) {
                        if (!keys.get(line).contains(ALL_KEY)) {
                            sum = sum.add(number(exact.get(line).get(column)));
                            exact.get(line).set(column, sum.toPlainString());
                        }
                    }
                }
            }
        }

        /** Orders lines by their last column of the first figure, which is that of all where there is one. */
        private void order(List<List<@Nullable String>> keys, List<List<@Nullable String>> exact) {
            int by = summary.columns().isPresent() && !exact.isEmpty()
                    ? exact.get(0).size() - summary.figures().size()
                    : 0;
            Type type = type(summary.figures().get(0));
            List<Integer> order = new ArrayList<>();
            for (int i = 0; i < keys.size(); i++) {
                order.add(i);
            }
            Comparator<Integer> values = (one, other) -> {
                String a = exact.get(one).get(by);
                String b = exact.get(other).get(by);
                if (a == null || b == null) {
                    return a == null ? b == null ? 0 : 1 : -1;
                }
                int sign = summary.shown().order() == Order.GREATEST_FIRST ? -1 : 1;
                return sign * (type.isNumber() ? new BigDecimal(a).compareTo(new BigDecimal(b)) : a.compareTo(b));
            };
            order.sort(Comparator.comparing((Integer i) -> keys.get(i).contains(ALL_KEY))
                    .thenComparing(values));
            List<List<@Nullable String>> keysNow = order.stream().map(keys::get).toList();
            List<List<@Nullable String>> exactNow =
                    order.stream().map(exact::get).toList();
            for (int i = 0; i < order.size(); i++) {
                keys.set(i, keysNow.get(i));
                exact.set(i, exactNow.get(i));
            }
        }

        // ---- writing ----

        private SummaryTable written(
                List<Column> columns, List<List<@Nullable String>> keys, List<List<@Nullable String>> exact, long in) {
            Map<Figure, Integer> decimals = new LinkedHashMap<>();
            for (int column = 0; column < columns.size(); column++) {
                int most = decimals.getOrDefault(columns.get(column).figure(), 0);
                for (List<@Nullable String> line : exact) {
                    most = Math.max(most, decimals(columns.get(column), line.get(column)));
                }
                decimals.put(columns.get(column).figure(), most);
            }
            boolean rounded = false;
            List<Line> lines = new ArrayList<>();
            for (int i = 0; i < keys.size(); i++) {
                List<String> texts = new ArrayList<>();
                for (int column = 0; column < columns.size(); column++) {
                    String value = exact.get(i).get(column);
                    Column of = columns.get(column);
                    int places = decimals.getOrDefault(of.figure(), 0);
                    texts.add(text(of, value, places));
                    rounded |= isRounded(of, value, places);
                }
                List<@Nullable String> said = new ArrayList<>();
                for (int at = 0; at < keys.get(i).size(); at++) {
                    String key = keys.get(i).get(at);
                    said.add(Objects.equals(key, ALL_KEY) ? ALL : key == null ? null : said(at, key));
                }
                lines.add(new Line(
                        said, keys.get(i).contains(ALL_KEY) || keys.get(i).isEmpty(), exact.get(i), texts));
            }
            return new SummaryTable(
                    summary,
                    summary.lines().stream().map(by -> Says.capital(by.said())).toList(),
                    columns,
                    lines,
                    in,
                    rows - in,
                    rounded,
                    rounded && !addsUp(columns, lines));
        }

        private int decimals(Column column, @Nullable String value) {
            if (value == null || !column.type().isNumber()) {
                return 0;
            }
            if (summary.shown().decimals() >= 0 && isScaled(column)) {
                return summary.shown().decimals();
            }
            return switch (column.type()) {
                case WHOLE_NUMBER -> 0;
                case PERCENT -> 1;
                case MONEY -> 2;
                default ->
                    switch (column.figure().kind()) {
                        case AVERAGE, MEDIAN -> 2;
                        default ->
                            Math.min(
                                    6,
                                    Math.max(
                                            0,
                                            new BigDecimal(value)
                                                    .stripTrailingZeros()
                                                    .scale()));
                    };
            };
        }

        /** True for figures whose unit and decimals are chosen: counts and shares are written as they are. */
        private static boolean isScaled(Column column) {
            return switch (column.figure().kind()) {
                case NUMBER_OF_ROWS, DIFFERENT, FILLED -> false;
                default -> true;
            };
        }

        private @Nullable BigDecimal rounded(Column column, @Nullable String value, int decimals) {
            if (value == null || !column.type().isNumber()) {
                return null;
            }
            BigDecimal number = new BigDecimal(value);
            if (column.type() == Type.PERCENT) {
                number = number.movePointRight(2);
            } else if (isScaled(column)) {
                number = number.movePointLeft(summary.shown().unit().digits());
            }
            return number.setScale(decimals, RoundingMode.HALF_UP);
        }

        private boolean isRounded(Column column, @Nullable String value, int decimals) {
            BigDecimal shown = rounded(column, value, decimals);
            if (shown == null || value == null) {
                return false;
            }
            int shift = column.type() == Type.PERCENT
                    ? -2
                    : isScaled(column) ? summary.shown().unit().digits() : 0;
            return shown.movePointRight(shift).compareTo(new BigDecimal(value)) != 0;
        }

        private String text(Column column, @Nullable String value, int decimals) {
            if (value == null) {
                return "";
            }
            BigDecimal shown = rounded(column, value, decimals);
            if (shown == null) {
                return column.type() == Type.YES_NO ? value.equals("true") ? "yes" : "no" : value.replace('T', ' ');
            }
            return Says.decimals(shown) + (column.type() == Type.PERCENT ? " %" : "");
        }

        /** True where the written figures of the lines add up to the written total, in every column that adds up. */
        private boolean addsUp(List<Column> columns, List<Line> lines) {
            Optional<Line> all = lines.stream().filter(Line::total).findFirst();
            if (all.isEmpty() || lines.size() < 2) {
                return true;
            }
            for (int column = 0; column < columns.size(); column++) {
                if (columns.get(column).figure().kind().addsUp()) {
                    BigDecimal sum = BigDecimal.ZERO;
                    for (Line line : lines) {
                        sum = line.total()
                                ? sum
                                : sum.add(writtenNumber(line.written().get(column)));
                    }
                    if (sum.compareTo(writtenNumber(all.get().written().get(column))) != 0) {
                        return false;
                    }
                }
            }
            return true;
        }

        private static BigDecimal writtenNumber(String text) {
            String plain = text.replace(",", "").replace(" %", "").replace('\u2212', '-');
            return plain.isEmpty() ? BigDecimal.ZERO : new BigDecimal(plain);
        }
    }

    // ---- the rows behind a figure ----

    /**
     * What holds of the rows behind a figure, as a phrase that narrows the master down to them; empty for all rows.
     *
     * @param column below zero for all columns together
     */
    public String behind(int line, int column) {
        List<String> clauses = new ArrayList<>();
        boolean compared = column >= 0 && columns.get(column).of() == Of.THOSE_COMPARED_WITH;
        String phrase = compared ? summary.against() : summary.where();
        for (int i = 0; i < summary.lines().size() && !lines.get(line).total(); i++) {
            clauses.add(clause(summary.lines().get(i), lines.get(line).keys().get(i)));
        }
        Optional<String> key =
                column < 0 ? Optional.empty() : columns.get(column).key();
        summary.columns()
                .flatMap(by -> key.map(value -> clause(by, value.equals(BLANK) ? null : value)))
                .ifPresent(clauses::add);
        if (!phrase.isEmpty()) {
            clauses.add(phrase);
        }
        return String.join(", ", clauses);
    }

    private static String clause(By by, @Nullable String key) {
        if (key == null) {
            return by.column() + " is blank";
        }
        if (by.span() == Span.VALUE) {
            return by.column() + " is " + Phrase.quoted(key);
        }
        LocalDate first = first(by.span(), key);
        LocalDate next = switch (by.span()) {
            case DAY -> first.plusDays(1);
            case WEEK -> first.plusWeeks(1);
            case MONTH -> first.plusMonths(1);
            case QUARTER -> first.plusMonths(3);
            default -> first.plus(1, ChronoUnit.YEARS);
        };
        return by.column() + " at least " + first + ", " + by.column() + " before " + next;
    }

    private static LocalDate first(Span span, String key) {
        return switch (span) {
            case MONTH -> YearMonth.parse(key).atDay(1);
            case QUARTER ->
                LocalDate.of(Integer.parseInt(key.substring(0, 4)), key.charAt(key.length() - 1) * 3 - 146, 1);
            case YEAR -> LocalDate.of(Integer.parseInt(key), 1, 1);
            case WEEK -> LocalDate.parse(key + "-1", DateTimeFormatter.ISO_WEEK_DATE);
            default -> LocalDate.parse(key);
        };
    }
}
