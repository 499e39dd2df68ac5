package cuvee.propose;

import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.job.Decision;
import cuvee.layout.LaidColumn;
import cuvee.layout.PlacedTable;
import cuvee.master.SourceCells.Range;
import cuvee.place.Says;
import cuvee.value.Convention;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Meaning;
import cuvee.value.MonthYear;
import cuvee.value.Type;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Words of a column that name months or days without a year: they are of the year that the names of their source say, else
 * of that in which the dates of the others lie.
 */
final class OfAYear {
    /** More years than this to choose from are no help. */
    private static final int MOST_YEARS = 4;

    private static final int YEAR = 4;

    private final WrittenEvidence seen;
    private final Meaning meaning;
    private final String what;

    /**
     * @param what what they are called, in a sentence
     */
    OfAYear(WrittenEvidence seen, Meaning meaning, String what) {
        this.seen = seen;
        this.meaning = meaning;
        this.what = what;
    }

    /** True for a column of another type than dates, unless the analyst says that it holds such words. */
    boolean isRuledOut(String name) {
        boolean otherType = seen.type(name).filter(type -> type != Type.DATE).isPresent();
        return otherType && (seen.isTypeSettled(name) || !seen.isSettled(name));
    }

    /** The tables whose cells hold such words, and of which nothing else was said. */
    Map<PlacedTable, LaidColumn> candidates(
            String name, Map<PlacedTable, LaidColumn> fed, Function<Evidence, Boolean> holds) {
        Map<PlacedTable, LaidColumn> candidates = new LinkedHashMap<>();
        fed.forEach((table, column) -> {
            boolean otherwise =
                    seen.said(name, table).filter(said -> said != meaning).isPresent();
            if (!otherwise && holds.apply(column.evidence())) {
                candidates.put(table, column);
            }
        });
        return candidates;
    }

    /** Those of some tables all of whose values are such under a year. */
    Map<PlacedTable, String> readAs(Map<PlacedTable, LaidColumn> candidates, String year) {
        Map<PlacedTable, String> read = new LinkedHashMap<>();
        Convention convention = Convention.DEFAULT.withMeaning(meaning).withUnit(year);
        Map<PlacedTable, Range> looked = seen.looked(candidates, convention);
        candidates.forEach((table, column) -> {
            Range range = looked.get(table);
            if (range != null && range.fits() == column.evidence().filled() - nothings(column.evidence())) {
                read.put(table, year);
            }
        });
        return read;
    }

    /**
     * The tables whose year is known, each with it. The others are asked about; where all dates beside them lie in one year
     * that one is assumed until then.
     *
     * @param days those of the tables that say their year
     */
    Map<PlacedTable, String> read(String name, Map<PlacedTable, LaidColumn> bare, Collection<LocalDate> days) {
        Map<String, Map<PlacedTable, LaidColumn>> byYear = new LinkedHashMap<>();
        bare.forEach((table, column) -> byYear.computeIfAbsent(year(name, table), any -> new LinkedHashMap<>())
                .put(table, column));
        Map<PlacedTable, LaidColumn> unknown = byYear.remove("");
        Map<PlacedTable, String> read = new LinkedHashMap<>();
        byYear.forEach((year, tables) -> read.putAll(readAs(tables, year)));
        if (unknown != null) {
            read.putAll(readAssumed(name, unknown, days));
        }
        return read;
    }

    private Map<PlacedTable, String> readAssumed(
            String name, Map<PlacedTable, LaidColumn> unknown, Collection<LocalDate> days) {
        Map<String, Map<PlacedTable, LaidColumn>> bySource = new LinkedHashMap<>();
        unknown.forEach((table, column) -> bySource.computeIfAbsent(table.source(), any -> new LinkedHashMap<>())
                .put(table, column));
        Map<PlacedTable, String> read = new LinkedHashMap<>();
        bySource.forEach((source, tables) -> {
            String year = seen.assumedBefore(name, source)
                    .map(ColumnChoice.WrittenAs::year)
                    .or(() -> MonthYear.around(days).map(MonthYear::words))
                    .orElse("");
            Map<PlacedTable, String> assumed = year.isEmpty() ? Map.of() : readAs(tables, year);
            read.putAll(assumed);
            Question question = question(
                    name,
                    meaning,
                    tables.keySet(),
                    what,
                    texts(tables.keySet(), tables).findFirst().orElse(""),
                    assumed.isEmpty() ? "" : year,
                    days);
            seen.ask(question);
            if (!assumed.isEmpty()) {
                seen.assume(assumption(question));
            }
        });
        return read;
    }

    /** A year that is assumed stays so until it is settled, whatever dates come beside it. */
    static Decision assumption(Question question) {
        return new Decision(
                Kinds.WRITTEN_AS,
                question.subject(),
                question.assumed(),
                "all dates of the others lie in it",
                Says.count(question.stake(), "row"));
    }

    /** The year of what does not say it in a table: as the analyst says, else the only one that names say. */
    String year(String name, PlacedTable table) {
        Optional<String> said = seen.saidWhole(name, table)
                .map(ColumnChoice.WrittenAs::year)
                .filter(year -> MonthYear.of(year).isPresent());
        if (said.isPresent()) {
            return said.get();
        }
        Set<Integer> years = seen.years(table);
        return years.size() == 1 ? String.valueOf(years.iterator().next()) : "";
    }

    /** Some texts of the cells of tables. */
    static Stream<String> texts(Collection<PlacedTable> tables, Map<PlacedTable, LaidColumn> fed) {
        return tables.stream()
                .flatMap(table -> Stream.ofNullable(fed.get(table)))
                .flatMap(column -> column.evidence().oddities().keySet().stream());
    }

    /**
     * Asks of which year the words of one source are.
     *
     * @param tables those of the source
     * @param what what the words are called
     * @param assumed the year that they have until then; empty where they stay as they are written
     * @param days those of the tables that say their year
     */
    static Question question(
            String name,
            Meaning meaning,
            Collection<PlacedTable> tables,
            String what,
            String example,
            String assumed,
            Collection<LocalDate> days) {
        String source = tables.iterator().next().source();
        ColumnChoice.Scoped scoped = new ColumnChoice.Scoped(name, source);
        List<Answer> answers = new ArrayList<>();
        if (!assumed.isEmpty()) {
            answers.add(answer(scoped, meaning, assumed));
        }
        Set<Integer> years = days.stream().map(LocalDate::getYear).collect(Collectors.toCollection(TreeSet::new));
        if (years.size() == 1) {
            years.add(years.iterator().next() - 1);
        }
        years.stream()
                .map(String::valueOf)
                .filter(year -> !year.equals(assumed))
                .limit(MOST_YEARS)
                .forEach(year -> answers.add(answer(scoped, meaning, year)));
        answers.add(new Answer(Meaning.AS_WRITTEN.words(), "they stay as they are written"));
        return Question.of(
                Kinds.WRITTEN_AS,
                scoped.words(),
                WrittenEvidence.where(tables),
                "In the column " + Says.quoted(name) + ", " + source + " holds " + what + " without a year, such as "
                        + Says.quoted(example) + ", where others hold dates. Of which year are they?",
                assumed.isEmpty() ? Meaning.AS_WRITTEN.words() : answers.get(0).id(),
                answers,
                tables.stream().mapToLong(table -> table.table().kept()).sum());
    }

    private static Answer answer(ColumnChoice.Scoped scoped, Meaning meaning, String year) {
        String said = year.length() == YEAR ? "of " + year : "of the twelve months from " + year + " on";
        return new Answer(
                new ColumnChoice.WrittenAs(scoped, meaning, year).words().answer(), said);
    }

    /** How many cells hold a word for nothing, or an error. */
    static long nothings(Evidence evidence) {
        return evidence.count(Form.NOTHING_WORD, Form.CELL_ERROR);
    }
}
