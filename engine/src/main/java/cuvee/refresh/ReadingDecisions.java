package cuvee.refresh;

import cuvee.decision.Choices;
import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.detect.Reading;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.place.Says;
import cuvee.place.Where;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What a job has decided about how sheets are read. */
public final class ReadingDecisions {

    private ReadingDecisions() {}

    /** What decisions about one sheet are about. */
    public static String subject(String source, String sheet) {
        return sheet.isEmpty() ? source : source + " / " + sheet;
    }

    /** The reading of a sheet: what was decided about itself, else about the layouts of its tables. */
    static Reading of(Job job, String source, String sheet, List<String> signatures) {
        Optional<Decision> own = job.decision(Kinds.READING, subject(source, sheet));
        if (own.isPresent()) {
            return Reading.of(own.get().answer()).orElse(Reading.DEFAULT);
        }
        StringBuilder words = new StringBuilder();
        signatures.stream().distinct().forEach(signature -> {
            for (String kind : List.of(Kinds.READING, Kinds.HEADER_ROW, Kinds.TOTAL_ROW)) {
                job.decision(kind, signature)
                        .map(Decision::answer)
                        .filter(answer -> !answer.equals(TableChoice.AS_FOUND))
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
            if (!Choices.of(decision, job.columns()).understood()) {
                findings.add(said(
                        decision,
                        "The job says " + Says.quoted(decision.answer()) + " about " + decision.subject() + " ("
                                + decision.kind() + "), which is not understood."));
            } else if (decision.kind().equals(Kinds.READING) && !there.contains(decision.subject())) {
                findings.add(said(
                        decision,
                        "The job says how " + decision.subject() + " is read, but there is no such sheet or layout."));
            }
        }
        return findings;
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
