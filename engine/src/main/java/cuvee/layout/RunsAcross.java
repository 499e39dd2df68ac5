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

/** Finds the columns of a table that run across: periods, days, times of day, and one word with numbers. */
public final class RunsAcross {
    /** What is said of the figures of a period, and is no name of them. */
    private static final Pattern STATE = Pattern.compile(
            "(?i)[(\\[]?(actuals?|act|forecast|fcst|fc|budget|plan|estimated?|est|revised|restated|prelim(inary)?"
                    + "|provisional|final|draft|audited|unaudited|ist|soll|prognose|vorl(\u00e4ufig)?|gesch\u00e4tzt"
                    + "|r\u00e9el|pr\u00e9vision|r\u00e9vis\u00e9|e|f|a|p|r|b)[.]?[)\\]]?");

    /** A number that no quarter has. */
    private static final Pattern QUESTION = Pattern.compile("(?i)\\s*q[-_. ]?(?:[5-9]|\\d\\d)(?!\\d)");

    private static final int ENOUGH = 3;
    private static final int ENOUGH_NUMBERED = 4;
    private static final int DAY = 24 * 60;
    private static final int FEWEST_DAYS_OF_A_MONTH = 28;
    private static final int LONGEST_REST = 60;
    private static final int WEEK = 7;
    private static final int MOST_OF_A_WEEK = 5;
    private static final Pattern NUMBERED = Pattern.compile("(.*?)[ _#.\\-]*(\\d{1,3})");
    private static final Set<String> STEPS =
            Set.of("day", "tag", "jour", "dag", "period", "step", "hour", "stunde", "");

    private RunsAcross() {}

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
                Across.Sureness.SURE);
        List<Across.TotalColumn> totals = members.stream()
                .filter(column -> !plain.contains(column))
                .map(column ->
                        new Across.TotalColumn(column, column.sum(), MemberTotals.sum(table, new HashSet<>(indexes))))
                .toList();
        return Optional.of(across.with(totals));
    }

    /** A header that names a member, and what else it says. */
    private record Slot(TableColumn column, String place, String label, String rest) {}

    /** The columns of a table that run across, where there are some. */
    public static Optional<Across> of(FoundTable table) {
        if (table.isForm()) {
            return Optional.empty();
        }
        Optional<Across> days = daysOfAYear(table).or(() -> weekdays(table));
        if (days.isPresent()) {
            return days;
        }
        Map<Kind, List<Slot>> byKind = byKind(table);
        if (byKind.isEmpty()) {
            return numbered(table).or(() -> throughTheDay(table));
        }
        Map.Entry<Kind, List<Slot>> most = byKind.entrySet().stream()
                .max(Comparator.comparingInt(entry -> entry.getValue().size()))
                .orElseThrow();
        if (most.getKey() == Kind.QUARTER && hasMoreThanQuarters(table)) {
            return Optional.empty();
        }
        List<Slot> slots = firstsOfMonths(most.getKey(), most.getValue());
        boolean months = most.getKey() == Kind.DAY && slots.get(0).place().endsWith("-00");
        String label = months ? Kind.MONTH.column() : most.getKey().column();
        return of(table, label, slots, ENOUGH, Across.Sureness.SURE).or(() -> numbered(table));
    }

    /** True where a Q5 stands beside Q1 to Q4: they are the questions of a survey. */
    private static boolean hasMoreThanQuarters(FoundTable table) {
        return table.columns().stream()
                .anyMatch(column -> QUESTION.matcher(column.header()).lookingAt());
    }

    /** Headers that are members of one sequence, whatever stands below them; empty where there are too few of them. */
    public static List<String> sequence(FoundTable table) {
        if (table.isForm()) {
            return List.of();
        }
        return byKind(table).entrySet().stream()
                .filter(each -> each.getKey() != Kind.QUARTER || !hasMoreThanQuarters(table))
                .map(Map.Entry::getValue)
                .filter(slots -> slots.size() >= ENOUGH && !isScattered(slots))
                .findFirst()
                .map(slots -> slots.stream().map(slot -> slot.column().header()).toList())
                .orElse(List.of());
    }

    /** True where each header says something of its own beside its member. */
    private static boolean isScattered(List<Slot> slots) {
        return slots.stream().noneMatch(slot -> slot.rest().isEmpty())
                && slots.stream()
                                .map(slot -> LooseText.key(slot.rest()))
                                .distinct()
                                .count()
                        == slots.size();
    }

    /** The columns whose headers speak of a period, by the sort of it. */
    private static Map<Kind, List<Slot>> byKind(FoundTable table) {
        Map<Kind, List<Slot>> byKind = new EnumMap<>(Kind.class);
        for (TableColumn column : table.columns()) {
            if (column.named()) {
                period(column)
                        .ifPresent(slot -> byKind.computeIfAbsent(slot.getKey(), kind -> new ArrayList<>())
                                .add(slot.getValue()));
            }
        }
        return byKind;
    }

    private static Optional<Map.Entry<Kind, Slot>> period(TableColumn column) {
        String header = column.header();
        return periodIn(header).map(found -> {
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

    /** The period that a header speaks of: in its own part, where that says the year too, else anywhere in it. */
    private static Optional<Period.Found> periodIn(String header) {
        int at = header.lastIndexOf(HeaderWords.GROUP) + HeaderWords.GROUP.length();
        return Optional.of(at)
                .filter(own -> own >= HeaderWords.GROUP.length())
                .flatMap(own -> Period.in(header.substring(own), Convention.Order.DAY_FIRST)
                        .filter(found -> found.period().year() != 0)
                        .map(found -> new Period.Found(found.period(), own + found.from(), own + found.to())))
                .or(() -> Period.in(header, Convention.Order.DAY_FIRST));
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
                    && (inARow(slots, 1)
                            || word.getKey().isEmpty() && (inARow(slots, firstStep(slots)) || areWorkingDays(slots)))) {
                boolean days = slots.size() >= FEWEST_DAYS_OF_A_MONTH || areWorkingDays(slots);
                return of(
                        table,
                        !name.isEmpty() ? name : days ? "Day" : "Number",
                        slots,
                        ENOUGH_NUMBERED,
                        step ? Across.Sureness.SURE : Across.Sureness.NUMBERED);
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
                    return of(table, days.dated() ? Kind.DAY.column() : "Day", slots, ENOUGH, Across.Sureness.SURE);
                });
    }

    /** Headers that name most days of a week, one after the other: Mon, Tue, Wed, Thu, Fri; each may say more than its day. */
    private static Optional<Across> weekdays(FoundTable table) {
        List<Slot> slots = new ArrayList<>();
        int first = 0;
        int before = 0;
        for (TableColumn column : table.columns()) {
            Optional<Slot> slot = column.named() ? weekday(column) : Optional.empty();
            if (slot.isPresent()) {
                int at = Integer.parseInt(slot.get().place());
                if (before > 0 && at != before && at != before % WEEK + 1 && at != first) {
                    return Optional.empty();
                }
                first = first == 0 ? at : first;
                before = at;
                slots.add(slot.get());
            }
        }
        boolean most = slots.stream().map(Slot::place).distinct().count() >= MOST_OF_A_WEEK;
        return most ? of(table, "Day", slots, MOST_OF_A_WEEK, Across.Sureness.SURE) : Optional.empty();
    }

    /** The day that a header begins or ends with, or that stands in one of its two parts. */
    private static Optional<Slot> weekday(TableColumn column) {
        String header = column.header().strip();
        int group = header.lastIndexOf(HeaderWords.GROUP);
        int gap = group >= 0 ? HeaderWords.GROUP.length() : 1;
        int head = group >= 0 ? group : header.indexOf(' ');
        int tail = group >= 0 ? group : header.lastIndexOf(' ');
        if (head < 0) {
            return weekday(column, header, "");
        }
        return weekday(column, header.substring(0, head), header.substring(head + gap))
                .or(() -> weekday(column, header.substring(tail + gap), header.substring(0, tail)));
    }

    private static Optional<Slot> weekday(TableColumn column, String day, String rest) {
        return DayNames.placeInWeek(day)
                .map(place -> new Slot(column, String.valueOf(place), day.strip(), rest.strip()));
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
        return of(table, "Time", slots, ENOUGH_NUMBERED, Across.Sureness.SURE);
    }

    /** The step of bare numbers that are all multiples of it, {@code 12 24 36}; 1 where the first two are none. */
    private static int firstStep(List<Slot> slots) {
        int first = Integer.parseInt(slots.get(0).place());
        int step = Integer.parseInt(slots.get(1).place()) - first;
        return first == 0 || first == step ? step : 1;
    }

    private static boolean areWorkingDays(List<Slot> slots) {
        return DayNames.areWorkingDays(
                slots.stream().map(slot -> Long.valueOf(slot.place())).toList());
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

    private static Optional<Across> of(
            FoundTable table, String label, List<Slot> all, int enough, Across.Sureness ifEnough) {
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
        // A lone "Stock March" beside twelve months is a column of its own, and so are three of which none is told
        // twice.
        boolean scattered = largest == 1 && groups.size() >= ENOUGH;
        groups.values()
                .removeIf(group -> scattered
                        || group.size() == 1 && largest > 2
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
        Across.Sureness sure = places.size() >= enough ? ifEnough : Across.Sureness.FEW;
        List<String> saidOf = states.isEmpty()
                ? List.of()
                : places.stream().map(place -> states.getOrDefault(place, "")).toList();
        Across across = new Across(label, List.copyOf(labelOfPlace.values()), saidOf, columns, List.of(), sure);
        return Optional.of(across.with(MemberTotals.of(table, across)));
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
}
