package cuvee.change;

import cuvee.decision.Choice;
import cuvee.decision.Choices;
import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.decision.ProofChoice;
import cuvee.decision.RowChoice;
import cuvee.decision.SourceChoice;
import cuvee.decision.TableChoice;
import cuvee.finding.CuveeException;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Names;
import cuvee.layout.PlacedTable;
import cuvee.layout.RunsAcross;
import cuvee.layout.Signatures;
import cuvee.place.Says;
import cuvee.tell.Outcome;
import cuvee.tell.SettledFinding;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/** Decides in words what the analyst could decide by hand, over a job as its last refresh left it. */
public final class Deciding {
    private static final String BY_COMMAND = "decided by command";
    private static final Set<String> OF_ALL_ROWS = Set.of(Kinds.TO_COLUMNS, Kinds.SORTED, Kinds.NUMBERED);
    private static final Set<String> SCOPED =
            Set.of(Kinds.DECIMAL_MARK, Kinds.DATE_ORDER, Kinds.WRITTEN_AS, Kinds.HEADER);
    private static final Set<String> OF_LAYOUTS = Set.of(Kinds.ANOTHER_JOB, Kinds.HEADER_ROW, Kinds.TOTAL_ROW);
    private final Outcome outcome;
    private final String signed;

    /**
     * Over the outcome of a refresh.
     *
     * @param signed who decides, and when, where that is kept
     */
    public Deciding(Outcome outcome, String signed) {
        this.outcome = outcome;
        this.signed = signed;
    }

    /**
     * The job with a decision.
     *
     * @param kind one of {@link Kinds}
     * @param subject its parts; none where the kind has but one subject
     * @throws CuveeException where the words say nothing that can be followed; it tells what can be
     */
    public Job decide(String kind, List<String> subject, String answer) {
        Decision decision = new Decision(kind, subjectOf(kind, subject), answer, BY_COMMAND, "");
        Choice choice = Choices.of(decision, names());
        if (!Kinds.ALL.contains(kind)) {
            throw Refusal.of(
                    "There is no kind of decision called " + Says.quoted(kind) + ".",
                    "The kinds are "
                            + String.join(", ", Kinds.ALL.stream().sorted().toList()) + ".");
        }
        if (!choice.understood()) {
            throw Refusal.of(
                    Says.quoted(answer) + " says nothing about " + Says.quoted(decision.subject()) + " that a decision"
                            + " of the kind " + kind + " could follow.",
                    "The words of every kind are in docs/job-file.md.");
        }
        check(choice);
        return outcome.job().withSettled(signed(choice, decision));
    }

    /**
     * The job without a decision of the analyst's.
     *
     * @throws CuveeException where there is none with this id
     */
    public Job undo(String id) {
        Job job = outcome.job();
        Decision decision = job.settled().stream()
                .filter(each -> each.id().equals(id))
                .findFirst()
                .orElseThrow(() -> Refusal.of(
                        job.assumed().stream().anyMatch(each -> each.id().equals(id))
                                ? "The decision " + id + " is Cuvee's own, not yours."
                                : "The job has no decision " + id + ".",
                        "List the decisions with: cuvee show FILE.cuvee --decisions"));
        return Choices.takenBack(job, decision.kind(), decision.subject());
    }

    private String subjectOf(String kind, List<String> parts) {
        if (parts.isEmpty()) {
            return OF_ALL_ROWS.contains(kind)
                    ? RowChoice.ALL_ROWS
                    : kind.equals(Kinds.NEW_COLUMNS)
                            ? ColumnChoice.ALL_COLUMNS
                            : kind.equals(Kinds.ORDER) || kind.equals(Kinds.TEXT_FORM) || kind.equals(Kinds.SHEETS)
                                    ? SourceChoice.ALL_FILES
                                    : "";
        }
        if (kind.equals(Kinds.CARRY_DOWN) && parts.size() == 2) {
            return laid(signature(parts.get(0))) + " > " + LooseText.key(parts.get(1));
        }
        if (kind.equals(Kinds.ACROSS) || kind.equals(Kinds.SECTION_LINE)) {
            return laid(signature(parts.get(0)));
        }
        if (OF_LAYOUTS.contains(kind) || kind.equals(Kinds.READING) || kind.equals(Kinds.SHEET)) {
            return signature(String.join(" / ", parts));
        }
        if (kind.equals(Kinds.LINE_UP)) {
            return LooseText.key(parts.get(0));
        }
        List<String> named = new ArrayList<>(parts);
        if (kind.equals(Kinds.HEADER)) {
            named.set(0, LooseText.key(named.get(0)));
        }
        if (named.size() == 2 && SCOPED.contains(kind)) {
            named.set(1, signature(named.get(1)));
        }
        return named.size() == 1 ? named.get(0) : Names.joinTexts(named);
    }

    /** The signature of a layout that is named by its id; anything else stands for itself. */
    private String signature(String named) {
        return signatures(outcome).stream()
                .filter(signature -> layoutId(signature).equals(named))
                .findFirst()
                .orElse(named);
    }

    /** What decides how the tables of a layout are laid out: columns that run across may be more next month. */
    private String laid(String signature) {
        return outcome.sheets().stream()
                .flatMap(sheet -> sheet.tables().stream())
                .filter(table -> table.signature().equals(signature))
                .flatMap(table ->
                        RunsAcross.of(table.table()).stream().map(block -> Signatures.turned(table.table(), block)))
                .findFirst()
                .orElse(signature);
    }

    /** The layouts of all tables, those of the master first. */
    public static Set<String> signatures(Outcome outcome) {
        Set<String> signatures = new LinkedHashSet<>();
        outcome.proposal().layouts().forEach(layout -> signatures.add(layout.signature()));
        outcome.sheets().forEach(sheet -> {
            sheet.tables().stream().map(PlacedTable::signature).forEach(signatures::add);
            signatures.addAll(sheet.signatures());
            sheet.tables()
                    .forEach(table -> RunsAcross.of(table.table())
                            .map(block -> Signatures.turned(table.table(), block))
                            .ifPresent(signatures::add));
        });
        return signatures;
    }

    /** A short name of a layout, the same next month. */
    public static String layoutId(String signature) {
        return Decision.idOf("layout", signature).replaceFirst("q", "l");
    }

    /** The names of all columns of the master, before values become columns. */
    private Set<String> names() {
        Set<String> names = new LinkedHashSet<>(outcome.job().columns());
        outcome.proposal().columns().forEach(column -> names.add(column.name()));
        return names;
    }

    /** A decision about a thing that is not there would never be followed. */
    private void check(Choice choice) {
        if (choice instanceof ColumnChoice about && needsItsColumn(about) && !names().contains(about.column())) {
            throw Refusal.of(
                    "There is no column " + Says.quoted(about.column()) + ".",
                    "The columns are " + String.join(", ", names()) + ".");
        }
        if (choice instanceof TableChoice about) {
            String subject = about instanceof TableChoice.HeaderRead read
                    ? read.scope()
                    : about.words().subject().replaceFirst(" > [^>]*$", "");
            if (about instanceof TableChoice.Repeating) {
                return;
            }
            boolean there = outcome.sources().stream()
                            .anyMatch(source -> about instanceof TableChoice.HeaderRead
                                    && source.path().equals(subject))
                    || signatures(outcome).contains(subject)
                    || outcome.sheets().stream()
                            .anyMatch(sheet -> sheet.subject().equals(subject));
            if (!there) {
                throw Refusal.of(
                        "There is no sheet or layout " + Says.quoted(subject) + ".",
                        "List them with: cuvee show FILE.cuvee --json");
            }
        }
        String problem = ChoiceWords.problem(choice, outcome);
        if (!problem.isEmpty()) {
            throw Refusal.of(
                    "The words of this decision cannot be followed: " + problem + ".",
                    "Write them with columns that the master has.");
        }
        if (choice instanceof SourceChoice.OfFile about
                && outcome.sources().stream().noneMatch(source -> source.path().equals(about.path()))) {
            throw Refusal.of(
                    "There is no file " + Says.quoted(about.path()) + ".", "List them with: cuvee show FILE.cuvee");
        }
    }

    /** The decision, with who said it where that matters to others. */
    private Decision signed(Choice choice, Decision decision) {
        return choice instanceof ProofChoice.Accepted accepted
                ? accepted(accepted)
                : choice.as(
                        choice instanceof ProofChoice.Closed
                                ? new Decision(
                                        decision.kind(),
                                        decision.subject(),
                                        decision.answer(),
                                        decision.reason(),
                                        signed)
                                : decision);
    }

    private Decision accepted(ProofChoice.Accepted accepted) {
        return Stream.concat(
                        outcome.findings().stream(), outcome.settled().stream().map(SettledFinding::finding))
                .filter(finding -> finding.id().equals(accepted.finding()) && SettledFinding.canSettle(finding))
                .findFirst()
                .map(finding -> SettledFinding.decision(finding, accepted.note(), signed))
                .orElseThrow(() -> Refusal.of(
                        "There is no finding " + Says.quoted(accepted.finding()) + " that can be settled so.",
                        "List them with: cuvee show FILE.cuvee --json; a failure cannot be settled."));
    }

    private static boolean needsItsColumn(ColumnChoice about) {
        boolean makesOne = Stream.of(ColumnChoice.Made.class, ColumnChoice.Tagged.class, ColumnChoice.Fed.class)
                .anyMatch(kind -> kind.isInstance(about));
        return !makesOne && !about.column().equals(ColumnChoice.ALL_COLUMNS);
    }
}
