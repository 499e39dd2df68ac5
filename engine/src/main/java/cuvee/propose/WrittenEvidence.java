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
import cuvee.layout.PlacedTable;
import cuvee.master.SourceCells;
import cuvee.master.SourceCells.Cells;
import cuvee.master.SourceCells.Digits;
import cuvee.master.SourceCells.Range;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.Convention;
import cuvee.value.Form;
import cuvee.value.Meaning;
import cuvee.value.Period;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What speaks for what the cells of columns stand for: what the analyst says, what the cells hold, what names say of
 * periods. Where it is told, and where it is asked.
 */
final class WrittenEvidence {
    /** Numbers as cells hold them, without a percent or a currency. */
    static final Form[] NUMBERS = {
        Form.NUMBER_WHOLE,
        Form.NUMBER_FRACTION,
        Form.DIGITS,
        Form.SPACED,
        Form.POINT,
        Form.COMMA,
        Form.POINT_OR_GROUP,
        Form.COMMA_OR_GROUP
    };

    private final Job job;
    /** False where the analyst has said nothing of what cells stand for. */
    private final boolean somethingSaid;

    private final SourceCells sourceCells;
    private final Homes homes;
    private final ConventionVotes votes;
    private final List<Question> questions = new ArrayList<>();
    private final List<Finding> findings = new ArrayList<>();
    private final List<Decision> decisions = new ArrayList<>();

    WrittenEvidence(Job job, SourceCells sourceCells, Homes homes, ConventionVotes votes) {
        this.job = job;
        this.somethingSaid =
                job.settled().stream().anyMatch(decision -> decision.kind().equals(Kinds.WRITTEN_AS));
        this.sourceCells = sourceCells;
        this.homes = homes;
        this.votes = votes;
    }

    /** What was asked and told since this was taken last. */
    Said takeSaid() {
        Said said = new Said(questions, findings, decisions);
        questions.clear();
        findings.clear();
        decisions.clear();
        return said;
    }

    /** What the analyst says of a column in a table: the nearest scope holds. */
    Optional<Meaning> said(String name, PlacedTable table) {
        return saidWhole(name, table).map(ColumnChoice.WrittenAs::meaning);
    }

    /** What the analyst says of a column in a table, with its year; the nearest scope holds. */
    Optional<ColumnChoice.WrittenAs> saidWhole(String name, PlacedTable table) {
        if (!somethingSaid) {
            return Optional.empty();
        }
        return Stream.concat(
                        votes.scopes(table).stream().map(scope -> new ColumnChoice.Scoped(name, scope).words()),
                        Stream.of(name))
                .filter(subject -> job.isSettled(Kinds.WRITTEN_AS, subject))
                .map(subject -> job.decision(Kinds.WRITTEN_AS, subject).orElseThrow())
                .flatMap(decision -> Stream.of(Choices.of(decision, job.columns())))
                .flatMap(choice -> choice instanceof ColumnChoice.WrittenAs so ? Stream.of(so) : Stream.empty())
                .findFirst();
    }

    /** The type that the job has for a column, be it assumed or settled. */
    Optional<Type> type(String name) {
        return job.decision(Kinds.TYPE, name).flatMap(type -> Type.ofWord(type.answer()));
    }

    /** True where the type of a column is the analyst's. */
    boolean isTypeSettled(String name) {
        return job.isSettled(Kinds.TYPE, name);
    }

    /** True where the analyst says of a column as a whole what its cells stand for. */
    boolean isSettledThroughout(String name) {
        return job.isSettled(Kinds.WRITTEN_AS, name);
    }

    /** True where the analyst says what the numbers of a column stand for, anywhere. */
    boolean isSettled(String name) {
        return job.settled().stream()
                .filter(decision -> decision.kind().equals(Kinds.WRITTEN_AS))
                .flatMap(decision -> Stream.of(Choices.of(decision, job.columns())))
                .anyMatch(choice ->
                        choice instanceof ColumnChoice about && about.column().equals(name));
    }

    /** What the cells of tables hold under a convention; tables of which none holds anything are left out. */
    Map<PlacedTable, Range> looked(Map<PlacedTable, LaidColumn> fed, Convention convention) {
        Map<PlacedTable, Range> looked = looked(fed, cells -> sourceCells.ranges(cells, convention));
        looked.values().removeIf(range -> range.fits() == 0);
        return looked;
    }

    /** The median of the sizes of numbers in tables; tables without any are left out. */
    Map<PlacedTable, Double> typical(Map<PlacedTable, LaidColumn> fed) {
        return looked(fed, sourceCells::typical);
    }

    /** How long the values of tables are that are digits only; tables without any are left out. */
    Map<PlacedTable, Digits> digits(Map<PlacedTable, LaidColumn> fed) {
        return looked(fed, sourceCells::digits);
    }

    private static <T> Map<PlacedTable, T> looked(
            Map<PlacedTable, LaidColumn> fed, Function<List<Cells>, Map<Integer, T>> looking) {
        List<Cells> cells = new ArrayList<>();
        fed.forEach((table, column) -> {
            OptionalInt at = column.origin().column(0);
            at.ifPresent(index -> cells.add(new Cells(
                    table.id(),
                    table.staged(),
                    table.width(),
                    table.table().firstRow(),
                    table.table().lastRow(),
                    !table.table().aside().isEmpty(),
                    index)));
        });
        Map<Integer, T> found = cells.isEmpty() ? Map.of() : looking.apply(cells);
        Map<PlacedTable, T> looked = new LinkedHashMap<>();
        fed.keySet()
                .forEach(
                        table -> Optional.ofNullable(found.get(table.id())).ifPresent(each -> looked.put(table, each)));
        return looked;
    }

    /** The years that the names and titles around a table say. */
    Set<Integer> years(PlacedTable table) {
        return homes.years(table);
    }

    /** The periods with a year that the names of the file, its sheet or folder, or titles say. */
    List<Period> periods(PlacedTable table) {
        return homes.periods(table);
    }

    /** Tells of tables what their cells are read as, or asks of the column where some are in doubt. */
    void tell(
            String name, Set<PlacedTable> tables, List<PlacedTable> doubtful, Meaning meaning, String what, String as) {
        tell(name, tables, doubtful, meaning, what, as, List.of(""));
    }

    /** The same where other tables hold such numbers too that mean what they say: what is settled holds for these only. */
    void tellOfThese(
            String name, Set<PlacedTable> tables, List<PlacedTable> doubtful, Meaning meaning, String what, String as) {
        Set<PlacedTable> open = new LinkedHashSet<>(tables);
        open.removeIf(table -> said(name, table).isPresent());
        if (!open.isEmpty()) {
            tell(name, open, doubtful, meaning, what, as, votes.scopesOf(open));
        }
    }

    private void tell(
            String name,
            Set<PlacedTable> tables,
            List<PlacedTable> doubtful,
            Meaning meaning,
            String what,
            String as,
            List<String> scopes) {
        if (job.isSettled(Kinds.WRITTEN_AS, name)) {
            return;
        }
        String held = "In the column " + Says.quoted(name) + ", " + files(tables)
                + (sources(tables).size() == 1 ? " holds " : " hold ") + what + ".";
        if (doubtful.isEmpty()) {
            findings.add(new Finding(
                    Severity.REMARK, "written-as", where(tables), held, "They are read as " + as + ".", ""));
            return;
        }
        for (String scope : scopes) {
            ask(question(
                    new ColumnChoice.Scoped(name, scope),
                    tables,
                    held + " Are they " + as + "?",
                    meaning,
                    as,
                    meaning));
        }
    }

    /** Asks of tables what their numbers stand for, where those of others mean what they say. */
    void askOfThese(
            String name, Collection<PlacedTable> tables, String text, Meaning meaning, String as, Meaning assumed) {
        for (String scope : votes.scopesOf(tables)) {
            ask(question(new ColumnChoice.Scoped(name, scope), tables, text, meaning, as, assumed));
        }
    }

    private Question question(
            ColumnChoice.Scoped column,
            Collection<PlacedTable> tables,
            String text,
            Meaning meaning,
            String as,
            Meaning assumed) {
        List<PlacedTable> held = tables.stream()
                .filter(table -> column.scope().isEmpty() || votes.scopes(table).contains(column.scope()))
                .toList();
        return Question.of(
                Kinds.WRITTEN_AS,
                column.words(),
                where(held),
                text,
                assumed.words(),
                List.of(
                        new Answer(meaning.words(), "yes, read them as " + as),
                        new Answer(
                                Meaning.AS_WRITTEN.words(),
                                meaning == Meaning.MONTHS || meaning == Meaning.DATES
                                        ? "no, they stay as they are written"
                                        : "no, they are numbers as they stand")),
                held.stream().mapToLong(table -> table.table().kept()).sum());
    }

    static Where where(Collection<PlacedTable> tables) {
        return tables.iterator().next().where();
    }

    private static Set<String> sources(Collection<PlacedTable> tables) {
        return tables.stream().map(PlacedTable::source).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    static String files(Collection<PlacedTable> tables) {
        Set<String> sources = sources(tables);
        return sources.size() == 1 ? sources.iterator().next() : Says.count(sources.size(), "file");
    }

    void ask(Question question) {
        questions.add(question);
    }

    /** Assumes something from now on. */
    void assume(Decision decision) {
        decisions.add(decision);
    }

    /** What was assumed of a column in one source at an earlier refresh, and has not been settled. */
    Optional<ColumnChoice.WrittenAs> assumedBefore(String name, String source) {
        return assumedBefore(job, name, source);
    }

    /** The year that was assumed of the words of one source at an earlier refresh. */
    static Optional<ColumnChoice.WrittenAs> assumedBefore(Job job, String name, String source) {
        String subject = new ColumnChoice.Scoped(name, source).words();
        return job.isSettled(Kinds.WRITTEN_AS, subject)
                ? Optional.empty()
                : job.decision(Kinds.WRITTEN_AS, subject)
                        .map(decision -> Choices.of(decision, job.columns()))
                        .flatMap(choice -> choice instanceof ColumnChoice.WrittenAs so
                                        && !so.year().isEmpty()
                                ? Optional.of(so)
                                : Optional.empty());
    }

    void find(Finding finding) {
        findings.add(finding);
    }
}
