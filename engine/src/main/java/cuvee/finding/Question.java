package cuvee.finding;

import cuvee.place.Where;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.zip.CRC32C;

/**
 * Something that Cuvee could not settle by itself, with the answer that is in force until the analyst settles it.
 *
 * @param id a short hash of kind and subject, so that it is the same next month
 * @param kind a stable word for its sort, such as {@code another-job}
 * @param subject what it is about (a layout, a header, a source), independent of order and counts
 * @param assumed the id of the answer in force
 * @param stake the rows that the answer moves; questions are ranked by it
 */
public record Question(
        String id,
        String kind,
        String subject,
        Where where,
        String text,
        String assumed,
        List<Answer> answers,
        long stake) {

    /** A possible answer. */
    public record Answer(String id, String text) {}

    public Question {
        answers = List.copyOf(answers);
        String inForce = assumed;
        if (answers.stream().noneMatch(answer -> answer.id().equals(inForce))) {
            throw new IllegalArgumentException("the assumed answer " + assumed + " is not one of " + answers);
        }
    }

    public static Question of(
            String kind, String subject, Where where, String text, String assumed, List<Answer> answers, long stake) {
        return new Question(idOf(kind, subject), kind, subject, where, text, assumed, answers, stake);
    }

    /** The id of the question of this kind about this subject. */
    public static String idOf(String kind, String subject) {
        CRC32C hash = new CRC32C();
        hash.update((kind + "\u0000" + subject).getBytes(StandardCharsets.UTF_8));
        return String.format("q%08x", hash.getValue());
    }

    public String assumedText() {
        return answers.stream()
                .filter(answer -> answer.id().equals(assumed))
                .findFirst()
                .orElseThrow()
                .text();
    }
}
