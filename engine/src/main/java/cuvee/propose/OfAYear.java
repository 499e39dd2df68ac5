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
import cuvee.value.Meaning;
import cuvee.value.MonthYear;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;

/** Words of a column that name months or days without a year: they are of the year that the names of their source say. */
final class OfAYear {
    /** More years than this to choose from are no help. */
    private static final int MOST_YEARS = 4;

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

    /** The tables whose year is known, each with it; of the others it is asked. */
    Map<PlacedTable, String> read(String name, Map<PlacedTable, LaidColumn> bare, Set<String> years) {
        Map<String, Map<PlacedTable, LaidColumn>> byYear = new LinkedHashMap<>();
        bare.forEach((table, column) -> byYear.computeIfAbsent(year(name, table), any -> new LinkedHashMap<>())
                .put(table, column));
        Map<PlacedTable, LaidColumn> unknown = byYear.remove("");
        Map<PlacedTable, String> read = new LinkedHashMap<>();
        byYear.forEach((year, tables) -> read.putAll(readAs(tables, year)));
        if (unknown != null) {
            askYear(name, unknown, years);
        }
        return read;
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
                String answer = new ColumnChoice.WrittenAs(new ColumnChoice.Scoped(name, source), meaning, year)
                        .words()
                        .answer();
                answers.add(new Answer(answer, "of " + year));
            });
            seen.ask(Question.of(
                    Kinds.WRITTEN_AS,
                    subject,
                    WrittenEvidence.where(tables),
                    "In the column " + Says.quoted(name) + ", " + source + " holds " + what
                            + " without a year, such as "
                            + Says.quoted(texts(tables, unknown).findFirst().orElse(""))
                            + ", where others hold dates. Of which year are they?",
                    Meaning.AS_WRITTEN.words(),
                    answers,
                    tables.stream().mapToLong(table -> table.table().kept()).sum()));
        });
    }

    /** How many cells hold a word for nothing, or an error. */
    static long nothings(Evidence evidence) {
        return evidence.count(Form.NOTHING_WORD, Form.CELL_ERROR);
    }
}
