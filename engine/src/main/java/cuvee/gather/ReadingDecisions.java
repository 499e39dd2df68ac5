package cuvee.gather;

import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.detect.Reading;
import cuvee.job.Decision;
import cuvee.job.Job;
import java.util.List;
import java.util.Optional;

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
}
