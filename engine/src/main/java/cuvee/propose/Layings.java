package cuvee.propose;

import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.decision.Turned;
import cuvee.detect.TableColumn;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Names;
import cuvee.layout.Across;
import cuvee.layout.Laying;
import cuvee.layout.Nature;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.layout.RunsAcross;
import cuvee.layout.Signatures;
import cuvee.place.Says;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Decides how tables are laid out for the master: columns that run across become rows, blank cells stand for the one
 * above, section lines become columns. Tables of one layout are decided together.
 */
public final class Layings implements Draft.Step {

    /** What a column of turned amounts is called where nothing names it. */
    public static final String AMOUNT = "Amount";
    /** What values that are words are called. */
    static final String VALUE = "Value";

    private final Job job;
    private final List<Decision> assumed = new ArrayList<>();
    private final List<Question> questions = new ArrayList<>();
    private final List<Finding> findings = new ArrayList<>();
    private final Set<String> replaced = new HashSet<>();
    private String amount = AMOUNT;

    Layings(Job job) {
        this.job = job;
    }

    @Override
    public Draft on(Draft draft) {
        CarryingDown down = new CarryingDown(job, draft.laid());
        LinesAsColumns sections = new LinesAsColumns(job, draft.laid());
        List<PlacedTable> laid = lay(draft.laid(), down, sections);
        return draft.withLaid(laid, replaced)
                .saying(new Said(questions, findings, assumed))
                .saying(down.said())
                .saying(sections.said());
    }

    /** A layout that is left out is not asked how it is to be laid out. */
    static Draft withoutIdleQuestions(Draft draft) {
        Set<String> taken = new HashSet<>();
        for (PlacedTable member : draft.members()) {
            taken.add(signature(member, RunsAcross.of(member.table())));
            taken.add(Signatures.plain(member.table()));
        }
        return draft.unasking(question -> Set.of(Kinds.ACROSS, Kinds.CARRY_DOWN).contains(question.kind())
                && taken.stream()
                        .noneMatch(signature -> question.subject().equals(signature)
                                || question.subject().startsWith(signature + CarryingDown.OF_A_LAYOUT)));
    }

    /** What tables are laid out alike by: their headers, those that run across as one. */
    private static String signature(PlacedTable table, Optional<Across> across) {
        return across.map(block -> Signatures.turned(table.table(), block)).orElse(table.signature());
    }

    /** The tables as they go into the master, in the same order. */
    private List<PlacedTable> lay(List<PlacedTable> tables, CarryingDown down, LinesAsColumns sections) {
        Map<String, List<PlacedTable>> layouts = new LinkedHashMap<>();
        Map<PlacedTable, Across> across = new LinkedHashMap<>();
        for (PlacedTable table : tables) {
            Optional<Across> found = RunsAcross.of(table.table());
            found.ifPresent(block -> across.put(table, block));
            layouts.computeIfAbsent(signature(table, found), s -> new ArrayList<>())
                    .add(table);
        }
        if (!across.isEmpty()) {
            amount = amountSoFar().or(() -> ValueName.in(tables, across)).orElse(holdWords(across) ? VALUE : AMOUNT);
        }
        NamesAsValues namesAsValues = new NamesAsValues(tables);
        Map<PlacedTable, PlacedTable> laid = new LinkedHashMap<>();
        layouts.forEach((signature, same) -> {
            Optional<Turned> turn = turn(signature, same, across, namesAsValues);
            Map<PlacedTable, Map<String, Origin.Carrying>> carried = down.of(signature, same);
            List<String> lines = sections.of(signature, same);
            for (PlacedTable table : same) {
                Laying laying = new Laying(
                        turn.flatMap(decided -> of(decided, table, across.get(table))),
                        carried.getOrDefault(table, Map.of()),
                        lines);
                laid.put(table, laying.of(table));
                replaced.addAll(otherwise(signature, table, across.get(table), turn.isPresent()));
                laying.turn().ifPresent(it -> compareTotals(table, it.across()));
            }
        });
        return tables.stream().map(table -> laid.getOrDefault(table, table)).toList();
    }

    /** What the values are called in what has been decided, so that a new layout calls them the same. */
    private Optional<String> amountSoFar() {
        return job.assumed().stream()
                .filter(decision -> decision.kind().equals(Kinds.ACROSS))
                .map(decision -> job.decision(Kinds.ACROSS, decision.subject()).orElse(decision))
                .flatMap(decision -> Turned.of(decision.answer()).stream())
                .filter(turn -> turn.values().size() == 1)
                .map(turn -> turn.values().get(0))
                .findFirst();
    }

    /** The keys of a table's columns if it were laid out otherwise. */
    private Set<String> otherwise(String signature, PlacedTable table, @Nullable Across across, boolean turned) {
        Set<String> keys = new HashSet<>();
        if (turned) {
            table.columns().forEach(column -> keys.add(LooseText.key(column.header())));
        } else if (across != null) {
            names(table, across, amount).forEach(name -> keys.add(LooseText.key(name)));
        }
        job.assumed().stream()
                .filter(decision -> decision.subject().equals(signature))
                .filter(decision -> decision.kind().equals(Kinds.SECTION_LINE)
                        || decision.kind().equals(Kinds.ACROSS))
                .flatMap(
                        decision -> Turned.of(decision.answer())
                                .map(Turned::names)
                                .orElseGet(() -> Names.splitTexts(decision.answer()))
                                .stream())
                .forEach(name -> keys.add(LooseText.key(name)));
        return keys;
    }

    /** How a table is turned; empty where its columns are no sequence, and none were named. */
    private static Optional<Laying.Turn> of(Turned turned, PlacedTable table, @Nullable Across found) {
        Optional<Across> across = turned.stays().isEmpty()
                ? Optional.ofNullable(found)
                : RunsAcross.allBut(table.table(), stays(turned), turned.label());
        return across.map(block -> new Laying.Turn(block, turned.label(), names(turned, block), turned.blanks()));
    }

    /** True where most of the columns that run across hold words, such as who was present. */
    private static boolean holdWords(Map<PlacedTable, Across> across) {
        int words = 0;
        int all = 0;
        for (Map.Entry<PlacedTable, Across> each : across.entrySet()) {
            Set<Integer> members = each.getValue().columns();
            for (TableColumn column : each.getKey().table().columns()) {
                if (members.contains(column.index())) {
                    all++;
                    words += Nature.of(column.evidence()) == Nature.WORDS ? 1 : 0;
                }
            }
        }
        return words * 2 > all;
    }

    /** The keys of the columns that stay, where the analyst named those. */
    private static Set<String> stays(Turned turned) {
        return turned.stays().stream().map(LooseText::key).collect(Collectors.toSet());
    }

    private static List<String> names(Turned turned, Across block) {
        List<String> groups = List.copyOf(block.groups().keySet());
        List<String> names = new ArrayList<>(turned.values());
        for (int i = names.size(); i < groups.size(); i++) {
            names.add(groups.get(i).isEmpty() ? AMOUNT : groups.get(i));
        }
        return names;
    }

    private Optional<Turned> turn(
            String signature, List<PlacedTable> same, Map<PlacedTable, Across> across, NamesAsValues namesAsValues) {
        Optional<Decision> decision = job.decision(Kinds.ACROSS, signature).or(() -> byStays(job, same.get(0)));
        PlacedTable first = same.get(0);
        Across block = across.get(first);
        Optional<NamesAsValues.Proposal> asRows = block == null ? namesAsValues.of(signature, same) : Optional.empty();
        if (!job.isSettled(Kinds.ACROSS, signature)) {
            asRows.ifPresent(proposal -> questions.add(proposal.question()));
        }
        if (decision.isPresent()) {
            if (block != null && !job.isSettled(Kinds.ACROSS, signature)) {
                askNumbered(signature, same, across, decision.get().answer());
            }
            return Turned.of(decision.get().answer());
        }
        boolean known = same.stream()
                .anyMatch(
                        table -> across.get(table) != null && across.get(table).sure() != Across.Sureness.FEW);
        if (asRows.isPresent()) {
            assumed.add(asRows.get().decision());
            return Turned.of(asRows.get().decision().answer());
        }
        if (block != null && areColumnsOfTheMaster(first, block)) {
            return Optional.empty();
        }
        if (block == null || !known) {
            pointOut(first, block != null);
            return Optional.empty();
        }
        String answer = Turned.into(names(first, block, amount));
        assumed.add(new Decision(
                Kinds.ACROSS,
                signature,
                answer,
                "the columns " + Says.quoted(block.labels().get(0)) + " to "
                        + Says.quoted(block.labels().get(block.labels().size() - 1))
                        + " are members of one sequence over values of one type"
                        + (block.totals().isEmpty()
                                ? ""
                                : "; "
                                        + Says.quoted(
                                                block.totals().get(0).column().header())
                                        + " says what all of them come to"),
                Says.count(same.size(), "table")));
        askNumbered(signature, same, across, answer);
        return Turned.of(answer);
    }

    /** True where the job has a column for each of the members: so they stay. */
    private boolean areColumnsOfTheMaster(PlacedTable table, Across block) {
        Set<String> columns = job.columns().stream().map(LooseText::key).collect(Collectors.toSet());
        Set<Integer> members =
                block.groups().values().stream().flatMap(List::stream).collect(Collectors.toSet());
        return table.table().columns().stream()
                .filter(column -> members.contains(column.index()))
                .allMatch(column -> columns.contains(LooseText.key(column.header())));
    }

    /** Headers that run across over values of several kinds, or over too few members, stay columns, which is said. */
    private void pointOut(PlacedTable table, boolean few) {
        List<String> members = RunsAcross.sequence(table.table());
        if (!members.isEmpty()) {
            findings.add(new Finding(
                    Severity.WARNING,
                    "block-across",
                    table.where(),
                    "The columns "
                            + Says.list(members.stream().map(Says::quoted).toList())
                            + " run across like one sequence, but "
                            + (few
                                    ? "it has too few members to be sure of that."
                                    : "not all of them hold the same kind of value."),
                    "They stay columns, one for each.",
                    "Look at it in Read; there the columns behind a selected one can be turned into rows."));
        }
    }

    /**
     * A decision of the analyst that names the columns that stay holds for every layout that has them, unless it is in rows
     * already.
     */
    public static Optional<Decision> byStays(Job job, PlacedTable table) {
        Set<String> keys = table.table().columns().stream()
                .map(column -> LooseText.key(column.header()))
                .collect(Collectors.toSet());
        return job.settled().stream()
                .filter(decision -> decision.kind().equals(Kinds.ACROSS))
                .filter(decision -> Turned.of(decision.answer())
                        .filter(turn -> !turn.stays().isEmpty() && keys.containsAll(stays(turn)))
                        .filter(turn ->
                                turn.names().stream().map(LooseText::key).noneMatch(keys::contains))
                        .isPresent())
                .findFirst();
    }

    /** The names that turned columns get where nothing has been decided. */
    public static List<String> names(PlacedTable table, Across block, String amount) {
        Set<String> taken = new HashSet<>();
        Set<Integer> across = block.columns();
        table.table().columns().stream()
                .filter(column -> !across.contains(column.index()))
                .forEach(column -> taken.add(LooseText.key(column.header())));
        List<String> names = new ArrayList<>();
        names.add(LinesAsColumns.free(block.label(), taken));
        block.groups()
                .keySet()
                .forEach(group -> names.add(LinesAsColumns.free(group.isEmpty() ? amount : group, taken)));
        return names;
    }

    /** Numbered columns can be a sequence or things of their own: taken for a sequence, and asked about. */
    private void askNumbered(String signature, List<PlacedTable> same, Map<PlacedTable, Across> across, String answer) {
        Across block = across.get(same.get(0));
        if (block == null || block.sure() != Across.Sureness.NUMBERED || job.isSettled(Kinds.ACROSS, signature)) {
            return;
        }
        String members = Says.quoted(block.labels().get(0)) + " to "
                + Says.quoted(block.labels().get(block.labels().size() - 1));
        long rows = same.stream().mapToLong(table -> table.table().kept()).sum();
        String turn = answer.equals(TableChoice.LEAVE) ? Turned.into(names(same.get(0), block, amount)) : answer;
        questions.add(Question.of(
                Kinds.ACROSS,
                signature,
                same.get(0).where(),
                "The columns " + members + " run across in " + Says.count(same.size(), "table")
                        + ". Should each be a row?",
                answer,
                List.of(
                        new Answer(turn, "yes, a row for each of them"),
                        new Answer(TableChoice.LEAVE, "no, they stay columns")),
                rows));
    }

    /** Columns of totals among those that run across are left out, and compared with what they add up. */
    private void compareTotals(PlacedTable table, Across across) {
        for (Across.TotalColumn total : across.totals()) {
            if (!total.agrees()) {
                int header = table.table().headerRows().stream().reduce(0, Math::max);
                findings.add(new Finding(
                        Severity.WARNING,
                        "stated-total",
                        table.where().cell(header, total.column().index() + 1),
                        "The column " + Says.quoted(total.column().header()) + " adds up to "
                                + Says.number(total.stated()) + ", but the columns that it should add up come to "
                                + Says.number(total.added()) + ", a difference of "
                                + Says.number(total.stated() - total.added()) + ".",
                        "It is left out as a total; the other columns are kept as they are.",
                        "Ask the sender which of the two is right."));
            }
        }
    }
}
