package cuvee.propose;

import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.layout.LaidColumn;
import cuvee.layout.PlacedTable;
import cuvee.master.SourceCells.Range;
import cuvee.place.Says;
import cuvee.value.Convention;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Forms;
import cuvee.value.Meaning;
import cuvee.value.Period;
import cuvee.value.Type;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Words that name months. Beside dates that are first days of months, and beside months that are written otherwise, they
 * can only be the same months; where dates beside them are days of any kind, it is asked. Months without a year have the
 * one that the names of their source say; where these say none, or several, it is asked beside dates. Where no table has
 * dates, they are months of their years if the names of all sources say which.
 */
final class WrittenMonths {
    /** More years than this to choose from are no help. */
    private static final int MOST_YEARS = 4;

    private final WrittenEvidence seen;

    WrittenMonths(WrittenEvidence seen) {
        this.seen = seen;
    }

    /**
     * The tables of a column whose words name months, with the year of those that do not say it, or nothing.
     *
     * @param fed the tables whose cells the column holds
     */
    Map<PlacedTable, String> of(DraftColumn all, Map<PlacedTable, LaidColumn> fed) {
        String name = all.name();
        boolean otherType = seen.type(name).filter(type -> type != Type.DATE).isPresent();
        if (otherType && (seen.isTypeSettled(name) || !seen.isSettled(name))) {
            return Map.of();
        }
        Map<PlacedTable, String> months = withYear(name, fed);
        List<LocalDate> days = all.fed().values().stream()
                .flatMap(column -> column.someDays().stream())
                .toList();
        Map<PlacedTable, LaidColumn> bare = candidates(name, fed, WrittenMonths::holdsBareMonths);
        boolean asDates = !months.isEmpty()
                || !days.isEmpty()
                || seen.type(name).isPresent()
                || seen.isSettled(name)
                || bare.size() == fed.size()
                        && fed.keySet().stream()
                                .noneMatch(table -> year(name, table).isEmpty());
        if (!bare.isEmpty() && asDates) {
            months.putAll(withoutYear(name, bare, years(days, months.keySet(), fed)));
        }
        if (months.isEmpty()) {
            return Map.of();
        }
        boolean firstDays = days.stream().allMatch(day -> day.getDayOfMonth() == 1);
        String example = texts(months.keySet(), fed)
                .filter(text -> !Forms.saysNothing(text))
                .findFirst()
                .orElse("");
        Set<String> years = new LinkedHashSet<>(months.values());
        years.remove("");
        seen.tell(
                name,
                months.keySet(),
                firstDays ? List.of() : List.copyOf(months.keySet()),
                Meaning.MONTHS,
                "months such as " + Says.quoted(example)
                        + (years.isEmpty()
                                ? ""
                                : ", some without a year: their sources are of " + Says.list(List.copyOf(years))),
                firstDays ? "their first days" : "the first days of these months");
        return months;
    }

    private Map<PlacedTable, LaidColumn> candidates(
            String name, Map<PlacedTable, LaidColumn> fed, Function<Evidence, Boolean> holds) {
        Map<PlacedTable, LaidColumn> candidates = new LinkedHashMap<>();
        fed.forEach((table, column) -> {
            boolean otherwise = seen.said(name, table)
                    .filter(meaning -> meaning != Meaning.MONTHS)
                    .isPresent();
            if (!otherwise && holds.apply(column.evidence())) {
                candidates.put(table, column);
            }
        });
        return candidates;
    }

    private Map<PlacedTable, String> withYear(String name, Map<PlacedTable, LaidColumn> fed) {
        return readAs(candidates(name, fed, WrittenMonths::holdsMonths), "");
    }

    /** Those of some tables all of whose values are months under a year. */
    private Map<PlacedTable, String> readAs(Map<PlacedTable, LaidColumn> candidates, String year) {
        Map<PlacedTable, String> read = new LinkedHashMap<>();
        Convention convention = Convention.DEFAULT.withMeaning(Meaning.MONTHS).withUnit(year);
        Map<PlacedTable, Range> looked = seen.looked(candidates, convention);
        candidates.forEach((table, column) -> {
            Range range = looked.get(table);
            if (range != null && range.fits() == column.evidence().filled() - nothings(column.evidence())) {
                read.put(table, year);
            }
        });
        return read;
    }

    private Map<PlacedTable, String> withoutYear(String name, Map<PlacedTable, LaidColumn> bare, Set<String> years) {
        Map<String, Map<PlacedTable, LaidColumn>> byYear = new LinkedHashMap<>();
        bare.forEach((table, column) -> byYear.computeIfAbsent(year(name, table), any -> new LinkedHashMap<>())
                .put(table, column));
        Map<PlacedTable, LaidColumn> unknown = byYear.remove("");
        Map<PlacedTable, String> months = new LinkedHashMap<>();
        byYear.forEach((year, tables) -> months.putAll(readAs(tables, year)));
        if (unknown != null) {
            askYear(name, unknown, years);
        }
        return months;
    }

    /** The year of the months of a table that do not say it: as the analyst says, else the only one that names say. */
    private String year(String name, PlacedTable table) {
        Optional<String> said =
                seen.saidWhole(name, table).map(ColumnChoice.WrittenAs::year).filter(year -> !year.isEmpty());
        if (said.isPresent()) {
            return said.get();
        }
        Set<Integer> years = seen.years(table);
        return years.size() == 1 ? String.valueOf(years.iterator().next()) : "";
    }

    /** The years of the dates and months beside those that have none. */
    private static Set<String> years(
            List<LocalDate> days, Collection<PlacedTable> withYear, Map<PlacedTable, LaidColumn> fed) {
        Stream<LocalDate> months = texts(withYear, fed).flatMap(text -> Period.monthOf(text).stream());
        return Stream.concat(days.stream(), months)
                .map(LocalDate::getYear)
                .distinct()
                .sorted()
                .map(String::valueOf)
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** Some texts of the cells of tables. */
    private static Stream<String> texts(Collection<PlacedTable> tables, Map<PlacedTable, LaidColumn> fed) {
        return tables.stream()
                .flatMap(table -> Stream.ofNullable(fed.get(table)))
                .flatMap(column -> column.evidence().oddities().keySet().stream());
    }

    private void askYear(String name, Map<PlacedTable, LaidColumn> unknown, Set<String> years) {
        Map<String, List<PlacedTable>> bySource = new LinkedHashMap<>();
        unknown.keySet()
                .forEach(table -> bySource.computeIfAbsent(table.source(), any -> new ArrayList<>())
                        .add(table));
        bySource.forEach((source, tables) -> {
            String subject = new ColumnChoice.Scoped(name, source).words();
            List<Answer> answers = new ArrayList<>();
            answers.add(new Answer(Meaning.AS_WRITTEN.words(), "they stay as they are written"));
            years.stream().limit(MOST_YEARS).forEach(year -> {
                String answer = new ColumnChoice.WrittenAs(new ColumnChoice.Scoped(name, source), Meaning.MONTHS, year)
                        .words()
                        .answer();
                answers.add(new Answer(answer, "of " + year));
            });
            seen.ask(Question.of(
                    Kinds.WRITTEN_AS,
                    subject,
                    WrittenEvidence.where(tables),
                    "In the column " + Says.quoted(name) + ", " + source + " holds months without a year, such as "
                            + Says.quoted(texts(tables, unknown).findFirst().orElse(""))
                            + ", where others hold dates. Of which year are they?",
                    Meaning.AS_WRITTEN.words(),
                    answers,
                    tables.stream().mapToLong(table -> table.table().kept()).sum()));
        });
    }

    private static boolean holdsMonths(Evidence evidence) {
        Set<LocalDate> months = new LinkedHashSet<>();
        for (String text : evidence.oddities().keySet()) {
            Optional<LocalDate> month = Period.monthOf(text);
            if (month.isEmpty() && !Forms.saysNothing(text)) {
                return false;
            }
            month.ifPresent(months::add);
        }
        long years = months.stream().map(LocalDate::getYear).distinct().count();
        // One month in year after year is rather its days: Oct 21, Oct 22, Oct 23.
        boolean days =
                years > 2 && months.stream().map(LocalDate::getMonth).distinct().count() == 1;
        return !months.isEmpty()
                && !days
                && evidence.count(Form.WORDS_AND_DIGITS) == evidence.filled() - nothings(evidence);
    }

    private static boolean holdsBareMonths(Evidence evidence) {
        Set<String> words = evidence.oddities().keySet().stream()
                .filter(text -> !Forms.saysNothing(text))
                .collect(Collectors.toSet());
        return !words.isEmpty()
                && words.stream().allMatch(text -> Period.bareMonth(text).isPresent())
                && evidence.count(Form.WORDS) == evidence.filled() - nothings(evidence);
    }

    private static long nothings(Evidence evidence) {
        return evidence.count(Form.NOTHING_WORD, Form.CELL_ERROR);
    }
}
