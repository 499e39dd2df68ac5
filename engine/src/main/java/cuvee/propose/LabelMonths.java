package cuvee.propose;

import cuvee.decision.Choices;
import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.LaidColumn;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.value.Meaning;
import cuvee.value.MonthYear;
import cuvee.value.Period;
import cuvee.value.Type;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;

/**
 * Months without a year over columns that became rows: {@code Jan}, {@code Feb}. They have the one year that the names of
 * their source say, where those of all sources say one; beside dates that all lie in one year they are of that, and asked
 * about. Months that go on past December are of two years: those behind it
 * of the second. Where the names say one year then, it is asked whether it is the first of them.
 */
final class LabelMonths implements Draft.Step {
    private final Job job;
    private final Homes homes;
    private final List<Finding> findings = new ArrayList<>();
    private final List<Question> questions = new ArrayList<>();
    private final List<Decision> decisions = new ArrayList<>();

    LabelMonths(Job job, Homes homes) {
        this.job = job;
        this.homes = homes;
    }

    @Override
    public Draft on(Draft draft) {
        List<DraftColumn> columns =
                draft.columns().stream().map(this::withYears).toList();
        return draft.withColumns(columns).saying(new Said(questions, findings, decisions));
    }

    /** A column whose labels have their years. */
    private DraftColumn withYears(DraftColumn column) {
        String name = column.name();
        Map<PlacedTable, MonthYear> asked = new LinkedHashMap<>();
        Map<PlacedTable, MonthYear> years = staysAsWritten(name) ? Map.of() : years(column, isOfDates(name), asked);
        if (years.isEmpty()) {
            return column;
        }
        Map<PlacedTable, LaidColumn> dated = new HashMap<>();
        years.forEach((table, year) -> column.in(table).ifPresent(fed -> dated.put(table, dated(fed, year))));
        Map<PlacedTable, MonthYear> said = new LinkedHashMap<>(years);
        said.keySet().removeAll(asked.keySet());
        if (!said.isEmpty()) {
            say(name, said);
        }
        return column.with(dated);
    }

    private boolean isOfDates(String name) {
        return job.decision(Kinds.TYPE, name)
                .filter(decision -> decision.answer().equals(Type.DATE.word()))
                .isPresent();
    }

    /** True for a column that the analyst wants as it is written, or that is text since an earlier refresh. */
    private boolean staysAsWritten(String name) {
        return job.decision(Kinds.TYPE, name)
                        .filter(decision -> decision.answer().equals(Type.TEXT.word()))
                        .isPresent()
                || settled(name)
                        .filter(said -> said.meaning() == Meaning.AS_WRITTEN)
                        .isPresent();
    }

    /** What the analyst says of the months of a column, or of those of one source in it. */
    private Optional<ColumnChoice.WrittenAs> settled(String subject) {
        return !job.isSettled(Kinds.WRITTEN_AS, subject)
                ? Optional.empty()
                : job.decision(Kinds.WRITTEN_AS, subject)
                        .map(decision -> Choices.of(decision, job.columns()))
                        .flatMap(choice ->
                                choice instanceof ColumnChoice.WrittenAs so ? Optional.of(so) : Optional.empty());
    }

    /** What the analyst says of the year of the months of a table. */
    private String said(String name, PlacedTable table) {
        return settled(new ColumnChoice.Scoped(name, table.source()).words())
                .or(() -> settled(name))
                .map(ColumnChoice.WrittenAs::year)
                .orElse("");
    }

    /**
     * The years of the tables with labels that are months without one; empty where not all of them have a year, unless the
     * column has held dates before: it goes on to do so, and those without a year are misfits.
     *
     * @param asked takes the tables whose year only the dates of the others say
     */
    private Map<PlacedTable, MonthYear> years(DraftColumn column, boolean dates, Map<PlacedTable, MonthYear> asked) {
        Map<PlacedTable, List<Integer>> months = new LinkedHashMap<>();
        column.fed().forEach((table, fed) -> {
            if (holdsBareMonths(fed)) {
                months.put(table, months(fed));
            }
        });
        Set<Integer> firsts = new TreeSet<>();
        months.values().forEach(labels -> MonthYear.firstOf(labels).ifPresent(firsts::add));
        Map<PlacedTable, MonthYear> years = new LinkedHashMap<>();
        Map<PlacedTable, MonthYear> inDoubt = new LinkedHashMap<>();
        for (Map.Entry<PlacedTable, List<Integer>> each : months.entrySet()) {
            PlacedTable table = each.getKey();
            Optional<MonthYear> year = MonthYear.of(said(column.name(), table))
                    .or(() -> MonthYear.firstOf(each.getValue()).isPresent()
                            ? beginning(column.name(), table, each.getValue(), inDoubt)
                            : within(table, each.getValue(), firsts))
                    .or(() -> besideDates(column, table, asked));
            if (year.isPresent()) {
                years.put(table, year.get());
            } else if (!dates) {
                return Map.of();
            }
        }
        askWhatTheyAreNamedBy(column, inDoubt);
        askOfWhichYear(column, asked);
        return years;
    }

    /** The year in which all dates of the other tables lie; what was assumed so before stays. */
    private Optional<MonthYear> besideDates(DraftColumn column, PlacedTable table, Map<PlacedTable, MonthYear> asked) {
        Optional<MonthYear> year = WrittenEvidence.assumedBefore(job, column.name(), table.source())
                .flatMap(before -> MonthYear.of(before.year()))
                .or(() -> MonthYear.around(days(column)));
        year.ifPresent(each -> asked.put(table, each));
        return year;
    }

    private static List<LocalDate> days(DraftColumn column) {
        return column.fed().values().stream()
                .flatMap(fed -> fed.origin() instanceof Origin.Cell
                        ? Stream.concat(
                                fed.someDays().stream(),
                                fed.evidence().oddities().keySet().stream()
                                        .flatMap(text -> Period.monthOf(text).stream()))
                        : fed.daysOfCellsOrLabels().stream())
                .toList();
    }

    private void askOfWhichYear(DraftColumn column, Map<PlacedTable, MonthYear> asked) {
        Map<String, Set<PlacedTable>> bySource = new LinkedHashMap<>();
        asked.keySet()
                .forEach(table -> bySource.computeIfAbsent(table.source(), any -> new LinkedHashSet<>())
                        .add(table));
        bySource.values().forEach(tables -> {
            PlacedTable one = tables.iterator().next();
            String example = ((Origin.Label) column.in(one).orElseThrow().origin())
                    .labels()
                    .get(0);
            String year = Objects.requireNonNull(asked.get(one)).words();
            Question question =
                    OfAYear.question(column.name(), Meaning.MONTHS, tables, "months", example, year, days(column));
            questions.add(question);
            decisions.add(OfAYear.assumption(question));
        });
    }

    /** The year of months that lie in one, or in the twelve months whose first one they or other tables show. */
    private Optional<MonthYear> within(PlacedTable table, List<Integer> months, Set<Integer> firsts) {
        Set<Integer> said = homes.years(table);
        if (said.size() == 1) {
            return Optional.of(MonthYear.calendar(said.iterator().next()));
        }
        return twoYears(table)
                .flatMap(year -> firsts.size() == 1
                        ? Optional.of(from(year, firsts.iterator().next()))
                        : MonthYear.ofTwo(year, months));
    }

    /** The first of the two years that the names around a table say as one: 2025/26. */
    private Optional<Integer> twoYears(PlacedTable table) {
        List<Integer> years = homes.periods(table).stream()
                .filter(period -> period.kind() == Period.Kind.YEARS)
                .map(Period::year)
                .distinct()
                .toList();
        return years.size() == 1 ? Optional.of(years.get(0)) : Optional.empty();
    }

    /** The year of months that go on past December. */
    private Optional<MonthYear> beginning(
            String name, PlacedTable table, List<Integer> months, Map<PlacedTable, MonthYear> inDoubt) {
        int first = months.get(0);
        int last = months.get(months.size() - 1);
        Optional<MonthYear> known =
                twoYears(table).or(() -> byMonth(table, first, last)).map(year -> from(year, first));
        Set<Integer> years = homes.years(table);
        if (known.isPresent() || years.size() != 1) {
            return known;
        }
        int named = years.iterator().next();
        boolean end = said(name, table).equals(ColumnChoice.WrittenAs.BY_THEIR_END);
        MonthYear year = from(end ? named - 1 : named, first);
        inDoubt.put(table, year);
        return Optional.of(year);
    }

    /** The year in which twelve months begin, where names say their first or their last one with its year. */
    private Optional<Integer> byMonth(PlacedTable table, int first, int last) {
        Set<Integer> years = new TreeSet<>();
        for (Period period : homes.periods(table)) {
            boolean whole = period.kind() == Period.Kind.MONTH || period.isAtAnEndOfItsMonth();
            if (whole && period.number() == first) {
                years.add(period.year());
            } else if (whole && period.number() == last) {
                years.add(period.year() - 1);
            }
        }
        return years.size() == 1 ? Optional.of(years.iterator().next()) : Optional.empty();
    }

    private static MonthYear from(int year, int month) {
        return new MonthYear(YearMonth.of(year, month));
    }

    private static boolean holdsBareMonths(LaidColumn column) {
        return column.origin() instanceof Origin.Label label
                && label.labels().stream()
                        .allMatch(text -> Period.bareMonth(text).isPresent());
    }

    private static List<Integer> months(LaidColumn column) {
        return ((Origin.Label) column.origin())
                .labels().stream()
                        .map(text -> Period.bareMonth(text).orElseThrow())
                        .toList();
    }

    private static LaidColumn dated(LaidColumn column, MonthYear year) {
        List<String> labels = months(column).stream()
                .map(month -> year.firstDayOf(month).toString())
                .toList();
        long times = column.evidence().filled() / labels.size();
        return LaidColumn.told(column.header(), new Origin.Label(labels), labels, times);
    }

    private void askWhatTheyAreNamedBy(DraftColumn column, Map<PlacedTable, MonthYear> inDoubt) {
        String name = column.name();
        if (inDoubt.isEmpty() || settled(name).isPresent()) {
            return;
        }
        PlacedTable one = inDoubt.keySet().iterator().next();
        List<String> labels = ((Origin.Label) column.in(one).orElseThrow().origin()).labels();
        String byStart = months(ColumnChoice.WrittenAs.BY_THEIR_START);
        questions.add(Question.of(
                Kinds.WRITTEN_AS,
                name,
                WrittenEvidence.where(inDoubt.keySet()),
                "In the column " + Says.quoted(name) + ", the months of " + WrittenEvidence.files(inDoubt.keySet())
                        + " run from " + Says.quoted(labels.get(0)) + " to "
                        + Says.quoted(labels.get(labels.size() - 1)) + ", and the names around them say "
                        + homes.years(one).iterator().next() + ". Is that the year in which they begin?",
                byStart,
                List.of(
                        new Answer(byStart, "yes, they begin in the year of the name"),
                        new Answer(months(ColumnChoice.WrittenAs.BY_THEIR_END), "no, they end in the year of the name"),
                        new Answer(Meaning.AS_WRITTEN.words(), "they stay as they are written")),
                inDoubt.keySet().stream()
                        .mapToLong(table -> table.table().kept())
                        .sum()));
    }

    private static String months(String year) {
        return Meaning.MONTHS.words() + " of " + year;
    }

    private void say(String name, Map<PlacedTable, MonthYear> years) {
        Set<String> said = new TreeSet<>();
        Set<String> beginnings = new TreeSet<>();
        years.values().forEach(year -> {
            boolean calendar = year.begins().getMonthValue() == 1;
            int first = year.begins().getYear();
            said.add(calendar ? year.words() : "%d/%02d".formatted(first, (first + 1) % 100));
            if (!calendar) {
                beginnings.add(year.words());
            }
        });
        findings.add(new Finding(
                Severity.REMARK,
                "written-as",
                WrittenEvidence.where(years.keySet()),
                "In the column " + Says.quoted(name) + ", " + WrittenEvidence.files(years.keySet())
                        + (years.size() == 1 ? " names" : " name")
                        + " months without a year; the names around them say " + Says.list(List.copyOf(said)) + ".",
                beginnings.isEmpty()
                        ? "They are the first days of these months."
                        : "They are the first days of these months, from " + Says.list(List.copyOf(beginnings))
                                + " on; those behind December are of the year after it.",
                "Say in the column's facts that they stay as written, where that is wrong."));
    }
}
