package cuvee.rework;

import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Names;
import cuvee.place.Where;
import java.util.List;
import java.util.Optional;

/**
 * One cell of a source that is read as something else, for as long as it says what it said then. The source is never
 * changed.
 *
 * @param row the sheet's row, from 1
 * @param column the sheet's column, from 0
 * @param from what the cell says; empty where it is blank
 * @param to what it is read as; empty for blank
 * @param why the analyst's reason
 * @param by who put it so, and when
 */
public record Correction(
        String source, String sheet, int row, int column, String from, String to, String why, String by, boolean on) {
    /** Decisions about single cells; the subject is the cell, the answer what it is read as and what it says. */
    public static final String KIND = "correction";

    /** All corrections of a job, in the order in which they were made. */
    public static List<Correction> of(Job job) {
        return job.settled().stream()
                .filter(decision -> decision.kind().equals(KIND))
                .flatMap(decision -> read(decision).stream())
                .toList();
    }

    public static Optional<Correction> read(Decision decision) {
        boolean on = decision.on();
        List<String> answer = Names.splitTexts(decision.wanted());
        List<String> subject = Names.splitTexts(decision.subject());
        if (answer.size() != 2 || subject.size() != 3 || !subject.get(2).matches("\\d{1,9}:\\d{1,5}")) {
            return Optional.empty();
        }
        String[] cell = subject.get(2).split(":", 2);
        return Optional.of(new Correction(
                subject.get(0),
                subject.get(1),
                Integer.parseInt(cell[0]),
                Integer.parseInt(cell[1]) - 1,
                answer.get(1),
                answer.get(0),
                decision.reason(),
                decision.evidence(),
                on));
    }

    /** What the decision about it is about. */
    public String subject() {
        return Names.joinTexts(List.of(source, sheet, row + ":" + (column + 1)));
    }

    /** The answer that puts it in force, or out of it. */
    public String answer(boolean wanted) {
        String answer = Names.joinTexts(List.of(to, from));
        return wanted ? answer : Decision.off(answer);
    }

    /** The cell. */
    public Where where() {
        return Where.sheet(source, sheet).cell(row, column + 1);
    }

    /** The job with this correction, in place of an earlier one of the cell. */
    public Job put(Job job) {
        return job.withSettled(new Decision(KIND, subject(), answer(on), why, by));
    }
}
