package cuvee.refresh;

import cuvee.detect.Reading;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Names;
import cuvee.lineup.LineUp;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.rework.Codes;
import cuvee.rework.Correction;
import cuvee.rework.MadeColumns;
import cuvee.rework.RowRules;
import cuvee.rework.Shapings;
import cuvee.rework.Tidying;
import cuvee.rework.ValueRule;
import cuvee.sheet.ReadAs;
import cuvee.tag.TagSource;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What a job has decided about how sheets are read. */
public final class ReadingDecisions {
    /** Decisions about one sheet or one layout, in the words of {@link Reading}. */
    public static final String KIND = "reading";
    /** Whether rows that only add up are totals. */
    static final String TOTAL_ROW = "total-row";
    /** Which row is the header. */
    static final String HEADER_ROW = "header-row";
    /** The answer that leaves a question about the reading to the evidence. */
    static final String AS_FOUND = "as found";

    /** Kinds whose answers are names or phrases of the analyst's, which are said elsewhere where they mean nothing. */
    private static final Set<String> OTHER_KINDS = Set.of(
            LineUp.KIND,
            Board.COLUMN,
            JobSession.ORDER,
            JobSession.SOURCE_NAME,
            MadeColumns.KIND,
            Shapings.TO_COLUMNS,
            Shapings.SORTED,
            Shapings.NUMBERED,
            BlankSources.KIND,
            Amounts.CURRENCY,
            Layings.SECTION);

    private ReadingDecisions() {}

    /** What decisions about one sheet are about. */
    public static String subject(String source, String sheet) {
        return sheet.isEmpty() ? source : source + " / " + sheet;
    }

    /** The reading of a sheet: what was decided about itself, else about the layouts of its tables. */
    static Reading of(Job job, String source, String sheet, List<String> signatures) {
        Optional<Decision> own = job.decision(KIND, subject(source, sheet));
        if (own.isPresent()) {
            return Reading.of(own.get().answer()).orElse(Reading.DEFAULT);
        }
        StringBuilder words = new StringBuilder();
        signatures.stream().distinct().forEach(signature -> {
            for (String kind : List.of(KIND, HEADER_ROW, TOTAL_ROW)) {
                job.decision(kind, signature)
                        .map(Decision::answer)
                        .filter(answer -> !answer.equals(AS_FOUND))
                        .ifPresent(answer -> words.append(answer).append("; "));
            }
        });
        return Reading.of(words.toString()).orElse(Reading.DEFAULT);
    }

    /**
     * What the job says about reading that cannot be followed: words that are none, and sheets and layouts that are no
     * longer there. The evidence decides in their place, which is never left unsaid.
     */
    static List<Finding> notFollowed(Job job, List<ReadSheet> sheets) {
        Set<String> there = new HashSet<>();
        sheets.forEach(sheet -> {
            there.add(sheet.subject());
            there.addAll(sheet.signatures());
        });
        List<Finding> findings = new ArrayList<>();
        for (Decision decision : job.settled()) {
            if (!understood(decision)) {
                findings.add(said(
                        decision,
                        "The job says " + Says.quoted(decision.answer()) + " about " + decision.subject() + " ("
                                + decision.kind() + "), which is not understood."));
            } else if (decision.kind().equals(KIND) && !there.contains(decision.subject())) {
                findings.add(said(
                        decision,
                        "The job says how " + decision.subject() + " is read, but there is no such sheet or layout."));
            }
        }
        return findings;
    }

    private static boolean understood(Decision decision) {
        return switch (decision.kind()) {
            case KIND -> Reading.of(decision.answer()).isPresent();
            case HEADER_ROW, TOTAL_ROW ->
                decision.answer().equals(AS_FOUND)
                        || Reading.of(decision.answer()).isPresent();
            case SheetRule.KIND -> SheetRule.of(decision.answer()).isPresent();
            case Gathering.TEXT_FORM -> ReadAs.of(decision.answer()).isPresent();
            case ColumnTyping.TYPE -> Type.ofWord(decision.answer()).isPresent();
            case Layings.ACROSS, Layings.CARRY -> Layings.understood(decision);
            case TagColumns.TAG -> TagSource.read(decision.subject()).isPresent();
            case Tidying.KIND -> Tidying.understood(decision);
            case RowRules.ROWS, RowRules.EQUAL -> RowRules.understood(decision);
            case NewColumns.KIND -> NewColumns.Policy.ofWords(decision.answer()).isPresent();
            case ValueRule.KIND -> ValueRule.read(decision).isPresent();
            case Correction.KIND -> Correction.read(decision).isPresent();
            case Codes.KIND -> Codes.read(decision).isPresent();
            case RowRules.PUT_BACK -> RowRules.row(decision).isPresent();
            case Signs.KIND -> Signs.ANSWERS.contains(decision.answer());
            case SentAgain.KIND ->
                decision.answer().equals(SentAgain.ALL)
                        || Names.split(decision.subject()).contains(decision.answer());
            case JobSession.FILE, Doubles.KIND, Planner.ANOTHER_JOB ->
                decision.answer().equals(Doubles.TAKE) || decision.answer().equals(Doubles.ASIDE);
            case GoneSources.GONE, GoneSources.UNREADABLE -> GoneSources.ANSWERS.contains(decision.answer());
            case ColumnTyping.MARK -> Set.of("point", "comma").contains(decision.answer());
            case ColumnTyping.ORDER -> Set.of("day", "month").contains(decision.answer());
            default -> OTHER_KINDS.contains(decision.kind());
        };
    }

    private static Finding said(Decision decision, String what) {
        return new Finding(
                Severity.WARNING,
                "not-followed",
                Where.JOB,
                what,
                "It is left to what the files show.",
                "Say it anew in Read or Collect, or take the decision " + decision.id() + " out of the job file.");
    }
}
