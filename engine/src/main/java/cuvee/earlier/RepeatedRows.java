package cuvee.earlier;

import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.gather.ReadingDecisions;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.SameRows;
import cuvee.place.Says;
import cuvee.propose.Doubles;
import cuvee.propose.OtherTitles;
import cuvee.propose.Proposal;
import cuvee.tag.Home;
import cuvee.tag.NameParts;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * Tables nearly all of whose rows stand in other tables too, one or several: a sheet that repeats the months beside it, a
 * year so far that is sent anew each month. The rows are compared as the master has them. Such a table is set aside and
 * asked about; the fewest tables are taken out, so a sheet of all goes before its parts.
 */
public final class RepeatedRows {

    private static final String ALL_OF_A_NAME = "* / ";
    /** Between a sheet and the layout of one of its tables. */
    private static final String OF_A_SHEET = " > ";

    private static final double NEARLY_ALL = 0.9;
    private static final int FEWEST_ROWS = 3;
    private static final int FEWEST_COLUMNS = 3;
    private static final int SAMPLE = 20;
    /** Stands before the evidence of a decision that needs no question. */
    private static final String SURE_MARK = "sure, all in ";

    private RepeatedRows() {}

    private static String subject(PlacedTable table) {
        return ReadingDecisions.subject(table.source(), table.sheet());
    }

    /** What the sheets of a table's name are called together, so that one question is about all of them. */
    private static String group(PlacedTable table) {
        return table.sheet().isEmpty() ? subject(table) : ALL_OF_A_NAME + table.sheet();
    }

    /** What a table is called where its sheet holds others that repeat nothing. */
    private static String own(PlacedTable table) {
        return subject(table) + OF_A_SHEET + table.signature();
    }

    private static Optional<Decision> decision(Job job, PlacedTable table) {
        return job.decision(Kinds.REPEATED_ROWS, own(table))
                .or(() -> job.decision(Kinds.REPEATED_ROWS, subject(table)));
    }

    private static Optional<Decision> settled(Job job, PlacedTable table) {
        return List.of(own(table), subject(table), group(table)).stream()
                .filter(subject -> job.isSettled(Kinds.REPEATED_ROWS, subject))
                .flatMap(subject -> job.decision(Kinds.REPEATED_ROWS, subject).stream())
                .findFirst();
    }

    /** True for a table that the analyst takes in whatever its rows are: it repeats nothing, and nothing repeats it. */
    private static boolean isTaken(Job job, PlacedTable table) {
        boolean said = settled(job, table)
                .filter(decision -> decision.answer().equals(TableChoice.TAKE))
                .isPresent();
        return said
                || takes(job, Kinds.SHEET, subject(table))
                || takes(job, Kinds.SHEET, table.signature())
                || takes(job, Kinds.FILE, table.source());
    }

    private static boolean takes(Job job, String kind, String subject) {
        return job.isSettled(kind, subject)
                && job.decision(kind, subject)
                        .filter(decision -> decision.answer().equals(TableChoice.TAKE))
                        .isPresent();
    }

    /** The tables that are set aside for it, with the reason. */
    public static Map<PlacedTable, String> aside(Job job, List<PlacedTable> tables) {
        Map<PlacedTable, String> aside = new HashMap<>();
        for (PlacedTable table : tables) {
            Optional<Decision> found = decision(job, table);
            found.filter(decision -> decision.answer().equals(TableChoice.ASIDE) && !isTaken(job, table))
                    .ifPresent(decision -> aside.put(table, decision.reason()));
        }
        return aside;
    }

    /** What the rows of a master were looked at for: what the analyst takes in has a say in it. */
    public static String looked(Job job) {
        return Kinds.REPEATED_ROWS
                + job.settled().stream()
                        .filter(decision -> Set.of(Kinds.REPEATED_ROWS, Kinds.YEAR_TO_DATE, Kinds.SHEET, Kinds.FILE)
                                .contains(decision.kind()))
                        .map(decision -> decision.id() + decision.answer())
                        .sorted()
                        .toList();
    }

    /** The job without what was found before, where sources have changed and it has to be found anew. */
    public static Job forgotten(Job job) {
        return job.withAssumed(
                job.columns(),
                job.assumed().stream()
                        .filter(decision ->
                                !Set.of(Kinds.REPEATED_ROWS, Kinds.YEAR_TO_DATE).contains(decision.kind()))
                        .toList());
    }

    /** New decisions about tables of a master whose rows stand in others too. */
    public static List<Decision> found(Job job, Proposal proposal, MasterReader reader) {
        MasterPlan plan = proposal.plan();
        if (plan.tables().size() < 2) {
            return List.of();
        }
        TellingColumns telling = TellingColumns.of(proposal, reader.figures().rowNumbers());
        List<Integer> columns = telling.all();
        if (columns.size() < FEWEST_COLUMNS) {
            return List.of();
        }
        Map<Integer, PlacedTable> placed = new HashMap<>();
        proposal.layouts().forEach(layout -> layout.tables().forEach(table -> placed.put(table.id(), table)));
        Set<Integer> kept = new HashSet<>();
        placed.values().stream().filter(table -> !isTaken(job, table)).forEach(table -> kept.add(table.id()));
        List<Decision> found = new ArrayList<>();
        NameParts names = NameParts.of(placed.values().stream()
                .map(table -> Home.fileName(table.source()))
                .toList());
        for (SameRows.Repeats candidate : candidates(reader, columns, placed)) {
            PlacedTable table = placed.get(candidate.table());
            if (table == null || !kept.contains(candidate.table())) {
                continue;
            }
            Map<Integer, Long> shared =
                    reader.sameRows().shared(candidate.table(), without(kept, candidate.table()), columns);
            long there = shared.getOrDefault(SameRows.ANY_TABLE, 0L);
            if (there >= candidate.rows() * NEARLY_ALL && !isOfItsOwn(table, placed, shared)) {
                kept.remove(candidate.table());
                boolean alone = isAlone(table, placed);
                found.add(new Decision(
                        Kinds.REPEATED_ROWS,
                        alone ? subject(table) : own(table),
                        TableChoice.ASIDE,
                        Says.number(there) + " of its " + Says.count(candidate.rows(), "row") + " stand in "
                                + named(shared, placed, table) + " too",
                        original(names, table, placed, shared, candidate.rows())
                                .map(source -> SURE_MARK + source)
                                .orElse(Says.count(candidate.rows(), "row"))));
            }
        }
        if (columns.size() > telling.cells().size() && telling.cells().size() >= FEWEST_COLUMNS) {
            wholesOfParts(reader, telling.cells(), placed, kept).forEach((table, reason) -> {
                boolean alone = isAlone(table, placed);
                found.add(new Decision(
                        Kinds.REPEATED_ROWS,
                        alone ? subject(table) : own(table),
                        TableChoice.ASIDE,
                        reason,
                        Says.count(table.table().kept(), "row")));
            });
        }
        return found;
    }

    /**
     * Tables most of whose first rows stand in others, the largest first: where a table and its parts repeat each other, the
     * whole goes and the parts stay. Of equals, the one whose file or sheet has the longer name, as copies mostly have.
     */
    private static List<SameRows.Repeats> candidates(
            MasterReader reader, List<Integer> columns, Map<Integer, PlacedTable> placed) {
        return reader.sameRows().repeats(columns, SAMPLE, NEARLY_ALL).stream()
                .filter(candidate -> candidate.rows() >= FEWEST_ROWS)
                .sorted(Comparator.comparingLong(SameRows.Repeats::rows)
                        .thenComparingInt(each -> nameLength(placed, each.table()))
                        .reversed())
                .toList();
    }

    private static Set<Integer> without(Set<Integer> tables, int table) {
        Set<Integer> others = new HashSet<>(tables);
        others.remove(table);
        return others;
    }

    private static boolean isAlone(PlacedTable table, Map<Integer, PlacedTable> placed) {
        return placed.values().stream()
                .filter(other -> subject(other).equals(subject(table)))
                .allMatch(other -> other.signature().equals(table.signature()));
    }

    /**
     * Tables that are other tables put together, whatever the tags of these say: nearly all of its rows stand in one of
     * several that stand in it nearly whole. Lists that hardly change from month to month are none: a row of one stands in
     * each of the others.
     */
    private static Map<PlacedTable, String> wholesOfParts(
            MasterReader reader, List<Integer> cells, Map<Integer, PlacedTable> placed, Set<Integer> kept) {
        Map<PlacedTable, String> wholes = new LinkedHashMap<>();
        Map<Integer, Long> rows = reader.rowsByTable();
        for (SameRows.Repeats candidate : candidates(reader, cells, placed)) {
            PlacedTable table = placed.get(candidate.table());
            if (table == null || !kept.contains(candidate.table())) {
                continue;
            }
            Map<Integer, Long> parts =
                    new HashMap<>(reader.sameRows().shared(candidate.table(), without(kept, candidate.table()), cells));
            long there = Objects.requireNonNullElse(parts.remove(SameRows.ANY_TABLE), 0L);
            parts.entrySet()
                    .removeIf(part -> part.getValue() < rows.getOrDefault(part.getKey(), 0L) * NEARLY_ALL
                            || part.getValue() < FEWEST_ROWS);
            long together = parts.values().stream().mapToLong(Long::longValue).sum();
            if (parts.size() > 1
                    && there >= candidate.rows() * NEARLY_ALL
                    && together >= candidate.rows() * NEARLY_ALL
                    && together * NEARLY_ALL <= candidate.rows()) {
                kept.remove(candidate.table());
                wholes.put(
                        table,
                        Says.number(there) + " of its " + Says.count(candidate.rows(), "row") + " stand in "
                                + named(parts, placed, table) + " too");
            }
        }
        return wholes;
    }

    /** True for a table above which stands that it is of something else than all those that hold rows of it. */
    private static boolean isOfItsOwn(PlacedTable table, Map<Integer, PlacedTable> placed, Map<Integer, Long> shared) {
        List<PlacedTable> others = shared.keySet().stream()
                .filter(id -> id != SameRows.ANY_TABLE)
                .flatMap(id -> Optional.ofNullable(placed.get(id)).stream())
                .toList();
        return !others.isEmpty()
                && others.stream()
                        .allMatch(other -> OtherTitles.between(table, other).isPresent());
    }

    /** The file that holds all rows of a table, and is called like the table's but for a mark of a version. */
    private static Optional<String> original(
            NameParts names,
            PlacedTable table,
            Map<Integer, PlacedTable> placed,
            Map<Integer, Long> shared,
            long rows) {
        return shared.entrySet().stream()
                .filter(entry -> entry.getKey() != SameRows.ANY_TABLE && entry.getValue() == rows)
                .flatMap(entry -> Optional.ofNullable(placed.get(entry.getKey())).stream())
                .filter(other -> other.table().kept() == table.table().kept()
                        && Doubles.isVersionOf(names, table.source(), other.source()))
                .map(PlacedTable::source)
                .findFirst();
    }

    private static boolean isSure(Decision decision) {
        return decision.evidence().startsWith(SURE_MARK);
    }

    /** Says which files were set aside without a question. */
    public static List<Finding> findings(Job job, List<PlacedTable> tables) {
        List<Finding> findings = new ArrayList<>();
        for (PlacedTable table : tables) {
            decision(job, table)
                    .filter(decision -> isSure(decision) && decision.answer().equals(TableChoice.ASIDE))
                    .filter(decision -> settled(job, table).isEmpty())
                    .ifPresent(decision -> findings.add(Doubles.copy(
                            table.source(),
                            decision.evidence().substring(SURE_MARK.length()),
                            table.table().kept())));
        }
        return findings;
    }

    private static int nameLength(Map<Integer, PlacedTable> placed, int id) {
        PlacedTable table = placed.get(id);
        return table == null ? 0 : table.source().length() + table.sheet().length();
    }

    private static String named(Map<Integer, Long> shared, Map<Integer, PlacedTable> placed, PlacedTable table) {
        Set<String> names = new java.util.LinkedHashSet<>();
        shared.entrySet().stream()
                .filter(entry -> entry.getKey() != SameRows.ANY_TABLE)
                .sorted(Map.Entry.<Integer, Long>comparingByValue().reversed())
                .forEach(entry -> {
                    PlacedTable other = placed.get(entry.getKey());
                    if (other != null) {
                        names.add(
                                other.source().equals(table.source())
                                                && !other.sheet().isEmpty()
                                        ? other.sheet()
                                        : ReadingDecisions.subject(other.source(), other.sheet()));
                    }
                });
        return Says.list(List.copyOf(names));
    }

    /** Asks about the tables that are set aside, all sheets of one name at once. */
    public static List<Question> questions(Job job, List<PlacedTable> tables) {
        Map<String, List<PlacedTable>> groups = new LinkedHashMap<>();
        Map<PlacedTable, String> aside = new HashMap<>();
        for (PlacedTable table : tables) {
            decision(job, table)
                    .filter(decision -> settled(job, table).isEmpty() && !isSure(decision))
                    .ifPresent(decision -> {
                        aside.put(table, decision.reason());
                        groups.computeIfAbsent(group(table), any -> new ArrayList<>())
                                .add(table);
                    });
        }
        List<Question> questions = new ArrayList<>();
        groups.forEach((group, alike) -> {
            PlacedTable first = alike.get(0);
            long rows = alike.stream().mapToLong(table -> table.table().kept()).sum();
            String more = alike.size() == 1 ? "" : ", and so in " + Says.count(alike.size() - 1, "more file");
            questions.add(Question.of(
                    Kinds.REPEATED_ROWS,
                    group,
                    first.where(),
                    "In " + subject(first) + ", " + aside.getOrDefault(first, "") + more
                            + ". Taken in they would count twice. Do they belong to the master?",
                    TableChoice.ASIDE,
                    List.of(
                            new Answer(TableChoice.ASIDE, "no, " + Says.count(rows, "row") + " are repeated"),
                            new Answer(TableChoice.TAKE, "yes, take them in as well")),
                    rows));
        });
        return questions;
    }
}
