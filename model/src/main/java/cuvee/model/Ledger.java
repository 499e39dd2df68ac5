package cuvee.model;

import cuvee.finding.Severity;
import cuvee.job.Job;
import cuvee.place.Says;
import cuvee.tell.Outcome;
import cuvee.tell.Sentence;
import cuvee.tell.Verdict;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Optional;

/** The figures of the ledger strip: one for each stage, and what is lost between stages. */
public final class Ledger {
    private static final BigDecimal MILLION = BigDecimal.valueOf(1_000_000);
    private static final BigDecimal THOUSAND = BigDecimal.valueOf(1_000);

    private Ledger() {}

    /** How the word at the right of a segment is meant. */
    public enum Side {
        /** What is lost before the next stage; it leads to what was set aside. */
        LOSS,
        PLAIN,
        AGREES,
        OPEN,
        WRONG
    }

    /** The rule under a figure: a double one stands only where everything closes. */
    public enum Rule {
        NONE,
        SINGLE,
        DOUBLE
    }

    /**
     * A segment of the strip.
     *
     * @param figure the live figure; a dash before the first refresh
     * @param unit what it counts
     * @param questions how many open ones belong to this stage
     * @param side a word at the right of the second line; may be empty
     */
    public record Segment(Stage stage, String figure, String unit, long questions, String side, Side kind, Rule rule) {
        /** The word at the right where there is little room: a loss by its figure alone, a sum shortened. */
        public String shortSide() {
            if (kind == Side.LOSS) {
                return side.replaceFirst("^(↓ [0-9,]+) .*$", "$1");
            }
            return stage == Stage.MASTER ? shortened(side) : side;
        }

        private static String shortened(String sum) {
            String digits = sum.replace(",", "");
            if (!digits.matches("-?[0-9]+([.][0-9]+)?")) {
                return sum;
            }
            BigDecimal value = new BigDecimal(digits);
            BigDecimal size = value.abs();
            return size.compareTo(MILLION) >= 0
                    ? value.divide(MILLION, 2, RoundingMode.HALF_UP) + " M"
                    : size.compareTo(THOUSAND) >= 0 ? value.divide(THOUSAND, 1, RoundingMode.HALF_UP) + " k" : sum;
        }

        /** The whole of it, to be read out. */
        public String spoken() {
            return stage.title() + ": " + figure + " " + unit
                    + (questions > 0 ? ", " + Says.count(questions, "question") : "")
                    + (side.isEmpty() ? "" : ", " + side);
        }
    }

    /** Lines of tables that are no records. */
    private static long linesAside(Outcome made) {
        return made.seen() - made.kept();
    }

    public static Segment of(Stage stage, Job job, Optional<Outcome> outcome) {
        if (outcome.isEmpty()) {
            return new Segment(stage, "–", "", 0, "", Side.PLAIN, Rule.NONE);
        }
        Outcome made = outcome.get();
        return switch (stage) {
            case COLLECT ->
                counted(stage, made, made.taken(), "file", aside(made.sources().size() - made.taken(), ""));
            case READ ->
                counted(
                        stage,
                        made,
                        made.sources().stream()
                                .mapToLong(s -> s.tables().size())
                                .sum(),
                        "table",
                        aside(linesAside(made), "line"));
            case LINE_UP -> counted(stage, made, made.proposal().columns().size(), "column", "");
            case REWORK ->
                counted(
                        stage,
                        made,
                        made.sentences().stream().filter(Sentence::on).count(),
                        "rule",
                        reworked(made));
            case CHECK -> check(made);
            case MASTER -> master(made);
            case DELIVER -> deliver(job, made);
        };
    }

    private static Segment counted(Stage stage, Outcome made, long count, String noun, String loss) {
        return new Segment(
                stage, Says.number(count), unit(count, noun), Questions.open(made, stage), loss, Side.LOSS, Rule.NONE);
    }

    private static String unit(long count, String noun) {
        return count == 1 ? noun : noun + "s";
    }

    private static String aside(long count, String noun) {
        return count == 0 ? "" : "↓ " + (noun.isEmpty() ? Says.number(count) : Says.count(count, noun)) + " aside";
    }

    private static String reworked(Outcome made) {
        return made.rowsRuledOut() > 0
                ? aside(made.rowsRuledOut(), "row")
                : made.rows() == made.kept() ? "" : Says.number(made.kept()) + " → " + Says.number(made.rows());
    }

    private static Segment check(Outcome made) {
        long findings = made.findings().stream()
                .filter(finding -> finding.atLeast(Severity.REMARK))
                .count();
        Verdict verdict = Verdict.of(made);
        Side side = switch (verdict.kind()) {
            case CLEAN -> Side.AGREES;
            case NOT_FINAL -> Side.OPEN;
            case WRONG -> Side.WRONG;
        };
        return new Segment(
                Stage.CHECK,
                Says.number(findings),
                unit(findings, "finding"),
                Questions.open(made, Stage.CHECK),
                verdict.words(),
                side,
                Rule.NONE);
    }

    private static Segment master(Outcome made) {
        boolean closes = Verdict.of(made).kind() != Verdict.Kind.WRONG;
        return new Segment(
                Stage.MASTER,
                Says.number(made.rows()),
                unit(made.rows(), "row"),
                0,
                Weighing.of(made).map(Weighing::sum).orElse(""),
                Side.PLAIN,
                closes ? Rule.DOUBLE : Rule.SINGLE);
    }

    private static Segment deliver(Job job, Outcome made) {
        long held = job.deliveries().stream()
                .filter(delivery ->
                        made.failed() || !delivery.heldBy(made.questions()).isEmpty())
                .count();
        long ready = job.deliveries().size() - held;
        return new Segment(
                Stage.DELIVER,
                Says.number(ready),
                "ready",
                0,
                held == 0 ? "" : Says.number(held) + " held",
                held == 0 ? Side.PLAIN : Side.OPEN,
                Rule.NONE);
    }
}
