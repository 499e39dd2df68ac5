package cuvee.refresh;

import cuvee.detect.Reading;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.sheet.NamedRange;
import java.util.List;
import java.util.Optional;

/** What a job has decided about how sheets are read. */
public final class ReadingDecisions {
    /** Decisions about one sheet or one layout, in the words of {@link Reading}. */
    public static final String KIND = "reading";
    /** Whether rows that only add up are totals. */
    static final String TOTAL_ROW = "total-row";
    /** Which row is the header. */
    static final String HEADER_ROW = "header-row";
    /** Whether rows of a single word are records. */
    static final String SINGLE_WORD = "single-word";
    /** The answer that leaves a question about the reading to the evidence. */
    static final String AS_FOUND = "as found";

    private ReadingDecisions() {}

    /** What decisions about one sheet are about. */
    public static String subject(String source, String sheet) {
        return sheet.isEmpty() ? source : source + " / " + sheet;
    }

    /** The analyst's rule about which sheets of a source belong; empty where it is left to what they hold. */
    static Optional<SheetRule> sheetRule(Job job, String source) {
        return job.decision(SheetRule.KIND, source)
                .or(() -> job.decision(SheetRule.KIND, Gathering.ALL_FILES))
                .flatMap(decision -> SheetRule.of(decision.answer()));
    }

    /** The reading of a sheet: what was decided about itself, else about the layouts of its tables. */
    static Reading of(Job job, String source, String sheet, List<NamedRange> named, List<String> signatures) {
        Reading reading = decided(job, source, sheet, signatures);
        return sheetRule(job, source)
                .flatMap(rule -> rule.cellsOf(named))
                .map(reading::withCells)
                .orElse(reading);
    }

    private static Reading decided(Job job, String source, String sheet, List<String> signatures) {
        Optional<Decision> own = job.decision(KIND, subject(source, sheet));
        if (own.isPresent()) {
            return Reading.of(own.get().answer()).orElse(Reading.DEFAULT);
        }
        StringBuilder words = new StringBuilder();
        signatures.stream().distinct().forEach(signature -> {
            for (String kind : List.of(KIND, HEADER_ROW, TOTAL_ROW, SINGLE_WORD)) {
                job.decision(kind, signature)
                        .map(Decision::answer)
                        .filter(answer -> !answer.equals(AS_FOUND))
                        .ifPresent(answer -> words.append(answer).append("; "));
            }
        });
        return Reading.of(words.toString()).orElse(Reading.DEFAULT);
    }
}
