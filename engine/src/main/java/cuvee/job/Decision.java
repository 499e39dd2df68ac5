package cuvee.job;

import cuvee.finding.Question;

/**
 * One decision of the analyst (settled) or of Cuvee (assumed).
 *
 * @param kind a stable word for its sort, such as {@code type}
 * @param subject what it is about: a header, a column, a layout
 * @param answer what was decided
 * @param reason why, in words
 * @param evidence the figures behind it, in words
 */
public record Decision(String kind, String subject, String answer, String reason, String evidence) {

    public String id() {
        return idOf(kind, subject);
    }

    /** The id of the decision of a kind about a subject; that of the question about it is the same. */
    public static String idOf(String kind, String subject) {
        return Question.idOf(kind, subject);
    }
}
