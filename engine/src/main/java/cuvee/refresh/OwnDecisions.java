package cuvee.refresh;

import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Names;
import cuvee.rework.Correction;
import cuvee.rework.RowRules;
import cuvee.rework.ValueRule;
import java.util.List;
import java.util.Optional;

/** What the analyst says of one source alone, so that it can be seen where one looks for it. */
public final class OwnDecisions {
    private OwnDecisions() {}

    /** The decisions about a source, those that take it or leave it out not among them. */
    public static List<Decision> of(Job job, String source) {
        return job.settled().stream()
                .filter(decision -> isAbout(decision, source))
                .toList();
    }

    private static boolean isAbout(Decision decision, String source) {
        return switch (decision.kind()) {
            case ValueRule.KIND ->
                ValueRule.read(decision)
                        .map(ValueRule::scope)
                        .filter(source::equals)
                        .isPresent();
            case Correction.KIND, RowRules.PUT_BACK ->
                Optional.of(Names.splitTexts(decision.subject()).get(0))
                        .filter(source::equals)
                        .isPresent();
            case SheetRule.KIND, Gathering.TEXT_FORM -> decision.subject().equals(source);
            case ReadingDecisions.KIND ->
                decision.subject().equals(source)
                        || decision.subject()
                                .startsWith(
                                        ReadingDecisions.subject(source, " ").stripTrailing());
            case ColumnTyping.MARK, ColumnTyping.ORDER -> decision.subject().endsWith(ColumnTyping.IN + source);
            default -> false;
        };
    }
}
