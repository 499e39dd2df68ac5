package cuvee.layout;

import cuvee.detect.FoundTable;
import cuvee.detect.TableColumn;
import cuvee.detect.TotalWords;
import cuvee.value.Convention;
import cuvee.value.DayNames;
import cuvee.value.LooseText;
import cuvee.value.Period;
import cuvee.value.Period.Kind;
import cuvee.value.Type;
import cuvee.value.ValueReader;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Columns of a table that are members of one sequence running across, such as months, and should be rows.
 *
 * @param label what a column of the members is called: Month, Week
 * @param labels the members in order, as the column of them is to hold them
 * @param groups what is told of each member, with its columns in the order of the members (-1 where one is missing); one
 *     group without a name where the headers say nothing but the member
 * @param states what is said of each member, where that is no other value of it: {@code restated}, {@code forecast}; none
 *     where nothing is
 * @param totals columns among them that add others up
 * @param sure false where only other tables can tell that these are a sequence
 */
public record Across(
        String label,
        List<String> labels,
        List<String> states,
        Map<String, List<Integer>> groups,
        List<TotalColumn> totals,
        Sureness sure) {
    private static final double NEAR = 0.05;
    /** How far off an average that was rounded to one decimal lies at most. */
    private static final double ROUNDED = 0.051;
    /** What stands over a whole year behind its parts: {@code FY 2026}, {@code Full year}, {@code YTD}. */
    private static final Pattern OVER_ALL = Pattern.compile(
            "(?i)(fy|full[ -]?year|ytd|year to date|gesamtjahr|ganzes jahr|ann\u00e9e|annual)([ _/-]*\\d{2,4})*");

    /** What is said of the figures of a period, and is no name of them. */
    private static final Pattern STATE = Pattern.compile(
            "(?i)[(\\[]?(actuals?|act|forecast|fcst|fc|budget|plan|estimated?|est|revised|restated|prelim(inary)?"
                    + "|provisional|final|draft|audited|unaudited|ist|soll|prognose|vorl(\u00e4ufig)?|gesch\u00e4tzt"
                    + "|r\u00e9el|pr\u00e9vision|r\u00e9vis\u00e9|e|f|a|p|r|b)[.]?[)\\]]?");

    private static final int ENOUGH = 3;
    private static final int ENOUGH_NUMBERED = 4;
    private static final int DAY = 24 * 60;
    private static final int FEWEST_DAYS_OF_A_MONTH = 28;
    private static final int LONGEST_REST = 60;
    private static final Pattern NUMBERED = Pattern.compile("(.*?)[ _#.\\-]*(\\d{1,3})");
    private static final Set<String> STEPS =
            Set.of("day", "tag", "jour", "dag", "period", "step", "hour", "stunde", "");

    /** How surely columns are a sequence. */
    public enum Sureness {
        SURE,
        /** They are numbered, which other columns can be too. */
        NUMBERED,
        /** Too few of them to tell without other tables. */
        FEW
    }

    /**
     * A column that adds up members.
     *
     * @param stated its numbers added up
     * @param added what the members come to
     */
    public record TotalColumn(TableColumn column, double stated, double added) {
        public boolean agrees() {
            return close(stated, added);
        }
    }

    public Across {
        labels = List.copyOf(labels);
        states = List.copyOf(states);
        groups = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(groups));
        totals = List.copyOf(totals);
    }

    /** The columns that run across, totals included. */
    public Set<Integer> columns() {
        Set<Integer> columns = new HashSet<>();
        groups.values().forEach(columns::addAll);
        totals.forEach(total -> columns.add(total.column().index()));
        return columns;
    }

    /** What a layout with such columns is called: the members left out, so that one more of them changes nothing. */
    String signature(FoundTable table) {
        Set<Integer> across = columns();
        List<String> keys = new ArrayList<>();
        table.columns().stream()
                .filter(column -> !across.contains(column.index()))
                .forEach(column -> keys.add(LooseText.key(column.header())));
        keys.add("across:" + LooseText.key(label));
        groups.keySet().forEach(group -> keys.add(LooseText.key(group)));
        return String.join("|", keys);
    }

    /** All columns but those that stay, as the analyst says; columns that add others up are left out. */
    public static Optional<Across> allBut(FoundTable table, Set<String> stays, String label) {
        List<TableColumn> members = table.columns().stream()
                .filter(column -> !stays.contains(LooseText.key(column.header())))
                .toList();
        if (members.isEmpty()) {
            return Optional.empty();
        }
        List<TableColumn> plain = members.stream()
                .filter(column -> TotalWords.of(column.header()) != TotalWords.Sureness.WHOLLY)
                .toList();
        List<Integer> indexes = plain.stream().map(TableColumn::index).toList();
        Across across = new Across(
                label,
                plain.stream().map(TableColumn::header).toList(),
                List.of(),
                Map.of("", indexes),
                List.of(),
                Sureness.SURE);
        List<TotalColumn> totals = members.stream()
                .filter(column -> !plain.contains(column))
                .map(column -> new TotalColumn(column, column.sum(), sum(table, new HashSet<>(indexes))))
                .toList();
        return Optional.of(across.with(totals));
    }

    private Across with(List<TotalColumn> added) {
        return new Across(label, labels, states, groups, added, sure);
    }

    /** A header that names a member, and what else it says. */
    private record Slot(TableColumn column, String place, String label, String rest) {}

    /** The columns of a table that run across, where there are some. */
    public static Optional<Across> of(FoundTable table) {
        if (table.isForm()) {
            return Optional.empty();
        }
        Optional<Across> days = daysOfAYear(table);
        if (days.isPresent()) {
            return days;
        }
        Map<Kind, List<Slot>> byKind = new EnumMap<>(Kind.class);
        for (TableColumn column : table.columns()) {
            if (column.named()) {
                period(column)
                        .ifPresent(slot -> byKind.computeIfAbsent(slot.getKey(), kind -> new ArrayList<>())
                                .add(slot.getValue()));
            }
        }
        if (byKind.isEmpty()) {
            return numbered(table).or(() -> throughTheDay(table));
        }
        Map.Entry<Kind, List<Slot>> most = byKind.entrySet().stream()
                .max(Comparator.comparingInt(entry -> entry.getValue().size()))
                .orElseThrow();
        List<Slot> slots = firstsOfMonths(most.getKey(), most.getValue());
        boolean months = most.getKey() == Kind.DAY && slots.get(0).place().endsWith("-00");
        String label = months ? Kind.MONTH.column() : most.getKey().column();
        return of(table, label, slots, ENOUGH, Sureness.SURE).or(() -> numbered(table));
    }

    /** Headers that are members of one sequence, whatever stands below them; empty where there are too few of them. */
    public static List<String> sequence(FoundTable table) {
        if (table.isForm()) {
            return List.of();
        }
        Map<Kind, List<String>> byKind = new EnumMap<>(Kind.class);
        for (TableColumn column : table.columns()) {
            if (column.named()) {
                period(column)
                        .ifPresent(slot -> byKind.computeIfAbsent(slot.getKey(), kind -> new ArrayList<>())
                                .add(column.header()));
            }
        }
        return byKind.values().stream()
                .filter(headers -> headers.size() >= ENOUGH)
                .findFirst()
                .orElse(List.of());
    }

    private static Optional<Map.Entry<Kind, Slot>> period(TableColumn column) {
        String header = column.header();
        return Period.in(header, Convention.Order.DAY_FIRST).map(found -> {
            Period period = found.period();
            String rest = rest(header.substring(0, found.from()), header.substring(found.to()));
            String own = header.substring(found.from(), found.to()).strip();
            if (period.kind() == Kind.MONTH && period.year() == 0) {
                Optional<Period> year = Period.of(rest).filter(other -> other.kind() == Kind.YEAR);
                if (year.isPresent()) {
                    period = new Period(Kind.MONTH, year.get().year(), period.number(), 0);
                    rest = "";
                }
            }
            // The day of the week of a date says nothing more of it.
            rest = period.kind() == Kind.DAY && DayNames.isDay(rest) ? "" : rest;
            String place = "%s-%04d-%02d-%02d".formatted(period.kind(), period.year(), period.number(), period.day());
            return Map.entry(
                    period.kind(), new Slot(column, place, period.value().orElse(own), rest));
        });
    }

    private static String rest(String before, String after) {
        String left = before.replaceAll("[-_ /:,.|(]+$", "").strip();
        String right = after.replaceAll("^[-_ /:,.|)]+", "").strip();
        return LooseText.tidy(left.isEmpty() || right.isEmpty() ? left + right : left + " " + right);
    }

    /** Dates that are all the first of a month stand for months. */
    private static List<Slot> firstsOfMonths(Kind kind, List<Slot> slots) {
        boolean firsts =
                kind == Kind.DAY && slots.stream().allMatch(slot -> slot.label().endsWith("-01"));
        Set<String> places = new HashSet<>();
        slots.forEach(slot -> places.add(slot.place()));
        return !firsts || places.size() < 2
                ? slots
                : slots.stream()
                        .map(slot -> new Slot(
                                slot.column(),
                                slot.place().substring(0, slot.place().length() - 2) + "00",
                                slot.label(),
                                slot.rest()))
                        .toList();
    }

    /** Headers that are one word with a number: Week 1, Day 12, Item 3; or numbers alone. */
    private static Optional<Across> numbered(FoundTable table) {
        Map<String, List<Slot>> byWord = new LinkedHashMap<>();
        for (TableColumn column : table.columns()) {
            Matcher number = NUMBERED.matcher(column.header());
            if (column.named() && number.matches()) {
                String word = number.group(1).strip();
                int at = Integer.parseInt(number.group(2));
                byWord.computeIfAbsent(LooseText.key(word), key -> new ArrayList<>())
                        .add(new Slot(
                                column,
                                "%04d".formatted(at),
                                STEPS.contains(LooseText.key(word)) ? String.valueOf(at) : column.header(),
                                ""));
            }
        }
        for (Map.Entry<String, List<Slot>> word : byWord.entrySet()) {
            List<Slot> slots = word.getValue();
            Matcher first = NUMBERED.matcher(slots.get(0).column().header());
            String name = first.matches() ? first.group(1).strip() : "";
            boolean step = STEPS.contains(word.getKey());
            if (slots.size() >= ENOUGH_NUMBERED
                    && (inARow(slots, 1) || word.getKey().isEmpty() && inARow(slots, firstStep(slots)))) {
                return of(
                        table,
                        !name.isEmpty() ? name : slots.size() >= FEWEST_DAYS_OF_A_MONTH ? "Day" : "Number",
                        slots,
                        ENOUGH_NUMBERED,
                        step ? Sureness.SURE : Sureness.NUMBERED);
            }
        }
        return Optional.empty();
    }

    /** Headers that are days without a year, one after the other. */
    private static Optional<Across> daysOfAYear(FoundTable table) {
        List<TableColumn> members = table.columns().stream()
                .filter(column -> column.named() && DaysAcross.isDay(column.header()))
                .toList();
        if (members.size() < ENOUGH) {
            return Optional.empty();
        }
        return DaysAcross.of(members.stream().map(TableColumn::header).toList(), table.titles())
                .flatMap(days -> {
                    List<Slot> slots = new ArrayList<>();
                    for (int i = 0; i < members.size(); i++) {
                        slots.add(new Slot(
                                members.get(i), "%04d".formatted(i), days.days().get(i), ""));
                    }
                    return of(table, days.dated() ? Kind.DAY.column() : "Day", slots, ENOUGH, Sureness.SURE);
                });
    }

    /** Headers that are times of day, one after the other by the same step. */
    private static Optional<Across> throughTheDay(FoundTable table) {
        List<Slot> slots = new ArrayList<>();
        int step = 0;
        int before = -1;
        for (TableColumn column : table.columns()) {
            String clock = column.named() ? ValueReader.read(column.header(), Type.TIME, Convention.DEFAULT) : null;
            if (clock != null) {
                LocalTime time = LocalTime.parse(clock);
                int at = time.toSecondOfDay() / 60;
                int next = Math.floorMod(at - before, DAY);
                if (before >= 0 && (next == 0 || step > 0 && next != step)) {
                    return Optional.empty();
                }
                step = before < 0 ? 0 : next;
                before = at;
                slots.add(new Slot(column, "%04d".formatted(at), "%02d:%02d".formatted(at / 60, at % 60), ""));
            }
        }
        return of(table, "Time", slots, ENOUGH_NUMBERED, Sureness.SURE);
    }

    /** The step of bare numbers that are all multiples of it, {@code 12 24 36}; 1 where the first two are none. */
    private static int firstStep(List<Slot> slots) {
        int first = Integer.parseInt(slots.get(0).place());
        int step = Integer.parseInt(slots.get(1).place()) - first;
        return first == 0 || first == step ? step : 1;
    }

    private static boolean inARow(List<Slot> slots, int step) {
        int before = -1;
        for (Slot slot : slots) {
            int at = Integer.parseInt(slot.place());
            if (before >= 0 && at != before + step) {
                return false;
            }
            before = at;
        }
        return true;
    }

    private static Optional<Across> of(FoundTable table, String label, List<Slot> all, int enough, Sureness ifEnough) {
        Map<String, String> states = states(all);
        List<Slot> slots = states.isEmpty()
                ? all
                : all.stream()
                        .map(slot -> new Slot(slot.column(), slot.place(), slot.label(), ""))
                        .toList();
        Map<String, List<Slot>> groups = new LinkedHashMap<>();
        for (Slot slot : slots) {
            if (slot.rest().length() <= LONGEST_REST) {
                String rest = LooseText.key(slot.rest()).equals(LooseText.key(label)) ? "" : slot.rest();
                String key = groups.keySet().stream()
                        .filter(other -> LooseText.key(other).equals(LooseText.key(rest)))
                        .findFirst()
                        .orElse(rest);
                groups.computeIfAbsent(key, k -> new ArrayList<>()).add(slot);
            }
        }
        int largest = groups.values().stream().mapToInt(List::size).max().orElse(0);
        // A lone "Stock March" beside twelve months is a column of its own.
        groups.values()
                .removeIf(group -> group.size() == 1 && largest > 2
                        || group.stream().map(Slot::place).distinct().count() < group.size()
                        || !oneNature(group));
        if (groups.isEmpty()) {
            return Optional.empty();
        }
        List<Slot> inOrder = groups.values().stream()
                .flatMap(List::stream)
                .sorted(Comparator.comparingInt(slot -> slot.column().index()))
                .toList();
        Map<String, String> labelOfPlace = new LinkedHashMap<>();
        inOrder.forEach(slot -> labelOfPlace.putIfAbsent(slot.place(), slot.label()));
        List<String> places = new ArrayList<>(labelOfPlace.keySet());
        Map<String, List<Integer>> columns = new LinkedHashMap<>();
        groups.forEach((rest, group) -> columns.put(
                rest,
                places.stream()
                        .map(place -> group.stream()
                                .filter(slot -> slot.place().equals(place))
                                .map(slot -> slot.column().index())
                                .findFirst()
                                .orElse(-1))
                        .toList()));
        Sureness sure = places.size() >= enough ? ifEnough : Sureness.FEW;
        List<String> saidOf = states.isEmpty()
                ? List.of()
                : places.stream().map(place -> states.getOrDefault(place, "")).toList();
        Across across = new Across(label, List.copyOf(labelOfPlace.values()), saidOf, columns, List.of(), sure);
        return Optional.of(across.with(totals(table, across)));
    }

    /**
     * What headers say of the state of their member, by its place, where each member has one column: those of another state
     * are no other value of it.
     */
    private static Map<String, String> states(List<Slot> slots) {
        Map<String, String> states = new LinkedHashMap<>();
        boolean every = slots.stream()
                .allMatch(slot ->
                        (slot.rest().isEmpty() || STATE.matcher(slot.rest()).matches())
                                && states.put(slot.place(), slot.rest().replaceAll("^[(\\[]|[)\\]]$", "")) == null);
        boolean several = states.values().stream().distinct().count() > 1;
        return every && several && states.size() >= ENOUGH ? states : Map.of();
    }

    private static boolean oneNature(List<Slot> group) {
        Set<Nature> natures = new HashSet<>();
        group.forEach(slot -> natures.add(Nature.of(slot.column().evidence())));
        natures.remove(Nature.NOTHING);
        return natures.size() <= 1;
    }

    /** Columns of totals among or behind the members: by their word, or by what they come to. */
    private static List<TotalColumn> totals(FoundTable table, Across across) {
        Set<Integer> members = across.columns();
        members.remove(-1);
        int first = members.stream().mapToInt(i -> i).min().orElse(0);
        List<TotalColumn> totals = new ArrayList<>();
        for (TableColumn column : table.columns()) {
            boolean number = Nature.of(column.evidence()) == Nature.NUMBERS;
            if (members.contains(column.index()) || !number) {
                continue;
            }
            boolean wholly = TotalWords.of(column.header()) == TotalWords.Sureness.WHOLLY
                    || OVER_ALL.matcher(column.header().strip()).matches() && isNear(column.sum(), sum(table, members));
            boolean word = wholly || TotalWords.of(column.header()) != TotalWords.Sureness.NO;
            boolean within = column.index() > first;
            Optional<Double> sum = within || word ? addedUp(table, across, totals, column) : Optional.empty();
            if (sum.isPresent()) {
                totals.add(new TotalColumn(column, column.sum(), sum.get()));
            } else if (within && isMeanOf(table, members, column)) {
                totals.add(new TotalColumn(column, column.sum(), column.sum()));
            } else if (within && wholly) {
                totals.add(new TotalColumn(column, column.sum(), sum(table, members)));
            }
        }
        return totals;
    }

    /** True for a column that is called the average and is that of the members, where each has a number in each row. */
    private static boolean isMeanOf(FoundTable table, Set<Integer> members, TableColumn column) {
        double mean = sum(table, members) / Math.max(1, members.size());
        return TotalWords.namesMean(column.header())
                && Math.abs(column.sum() - mean)
                        <= ROUNDED * Math.max(1, column.evidence().filled());
    }

    /** True for what the members come to but for a few rows: the plan of another year is no total of this one. */
    private static boolean isNear(double stated, double added) {
        return Math.abs(stated - added) <= NEAR * Math.abs(added);
    }

    /** What a column adds up: all members, those of a group, or those since the total before it. */
    private static Optional<Double> addedUp(
            FoundTable table, Across across, List<TotalColumn> before, TableColumn column) {
        List<Set<Integer>> candidates = new ArrayList<>();
        Set<Integer> all = across.columns();
        all.remove(-1);
        int since =
                before.stream().mapToInt(total -> total.column().index()).max().orElse(-1);
        List<Set<Integer>> sets = new ArrayList<>();
        sets.add(all);
        across.groups().values().forEach(group -> {
            Set<Integer> own = new HashSet<>(group);
            own.remove(-1);
            sets.add(own);
        });
        for (Set<Integer> set : sets) {
            candidates.add(set);
            candidates.add(filter(set, i -> i < column.index()));
            candidates.add(filter(set, i -> i < column.index() && i > since));
        }
        for (Set<Integer> candidate : candidates) {
            double sum = sum(table, candidate);
            if (candidate.size() >= 2 && sum != 0 && close(column.sum(), sum)) {
                return Optional.of(sum);
            }
        }
        return Optional.empty();
    }

    private static Set<Integer> filter(Set<Integer> columns, java.util.function.IntPredicate which) {
        Set<Integer> some = new HashSet<>();
        columns.stream().filter(which::test).forEach(some::add);
        return some;
    }

    private static double sum(FoundTable table, Set<Integer> columns) {
        return table.columns().stream()
                .filter(column -> columns.contains(column.index()))
                .mapToDouble(TableColumn::sum)
                .sum();
    }

    private static boolean close(double stated, double added) {
        return Math.abs(stated - added) <= 1e-6 * Math.abs(added) + 0.06;
    }
}
