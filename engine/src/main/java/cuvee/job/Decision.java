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

    /** Before the answer of a decision that is kept and switched off. */
    private static final String OFF = "not now: ";

    /** The answer of a decision that is kept and switched off. */
    public static String off(String answer) {
        return OFF + answer;
    }

    /** False where it is kept and switched off. */
    public boolean on() {
        return !answer.startsWith(OFF);
    }

    /** What was decided, be it switched off or not. */
    public String wanted() {
        return on() ? answer : answer.substring(OFF.length());
    }

    public String id() {
        return idOf(kind, subject);
    }

    /** The id of the decision of a kind about a subject; that of the question about it is the same. */
    public static String idOf(String kind, String subject) {
        return Question.idOf(kind, subject);
    }
}
