package cuvee.model;

import cuvee.finding.Severity;
import cuvee.job.Job;
import cuvee.place.Says;
import cuvee.refresh.Outcome;
import cuvee.refresh.Sentence;
import cuvee.refresh.SourceReport;
import java.util.List;
import java.util.Optional;

/** The figures of the ledger strip: one for each stage, and what is lost between stages. */
public final class Ledger {
    private Ledger() {}

    /**
     * A segment of the strip.
     *
     * @param loss what was set aside on the way to the next stage; empty where nothing was
     * @param toSee how many questions or findings wait there
     */
    public record Segment(Stage stage, String figure, String loss, long toSee) {}

    /** Lines of tables that are no records. */
    private static long linesAside(Outcome made) {
        return made.seen() - made.kept();
    }

    /** How many rows the records became, where columns became rows. */
    private static String turned(Outcome made) {
        return made.rows() == made.kept() ? "" : Says.number(made.kept()) + " became " + Says.number(made.rows());
    }

    public static Segment of(Stage stage, Job job, Optional<Outcome> outcome) {
        if (outcome.isEmpty()) {
            return new Segment(stage, "–", "", 0);
        }
        Outcome made = outcome.get();
        long aside = made.sources().size() - made.taken();
        long tables = made.sources().stream().mapToLong(s -> s.tables().size()).sum();
        return switch (stage) {
            case COLLECT ->
                new Segment(
                        stage,
                        Says.count(made.taken(), "file"),
                        aside > 0 ? Says.number(aside) + " set aside" : "",
                        made.sources().stream()
                                .filter(s -> s.state() == SourceReport.State.GONE)
                                .count());
            case READ ->
                new Segment(
                        stage,
                        Says.count(tables, "table"),
                        linesAside(made) > 0 ? Says.count(linesAside(made), "line") + " set aside" : "",
                        0);
            case LINE_UP ->
                new Segment(
                        stage,
                        Says.count(made.proposal().columns().size(), "column"),
                        "",
                        made.questions().stream()
                                .filter(q ->
                                        q.kind().equals("line-up") || q.kind().equals("type"))
                                .count());
            case REWORK -> {
                List<Sentence> sentences = made.sentences();
                long on = sentences.stream().filter(Sentence::on).count();
                long ruledOut = made.rowsRuledOut();
                String loss = ruledOut == 0 ? turned(made) : Says.count(ruledOut, "row") + " set aside";
                yield new Segment(stage, Says.count(on, "change"), loss, 0);
            }
            case CHECK -> {
                long toSee = made.findings().stream()
                        .filter(f -> f.atLeast(Severity.QUESTION))
                        .count();
                yield new Segment(stage, Says.number(toSee + made.questions().size()) + " to see", "", 0);
            }
            case MASTER -> new Segment(stage, Says.count(made.rows(), "row"), "", 0);
            case DELIVER -> new Segment(stage, Says.count(job.deliveries().size(), "file"), "", 0);
        };
    }
}
