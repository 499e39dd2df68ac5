package cuvee.rework;

import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Names;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A rule about the values of one column: these texts, as cells have them, are written as another, or count as blank.
 *
 * @param to what is to stand in their place; empty for nothing
 * @param texts the texts that are replaced, in the order in which they were named
 * @param scope where it holds: a source, the signature of a layout or the name of a place; empty for everywhere
 */
public record ValueRule(String column, String to, Set<String> texts, boolean on, String scope) {
    /** Decisions about values; the subject is a column with what is to stand there, the answer the texts replaced. */
    public static final String KIND = "value";

    private static final String FOR = "for ";
    private static final String NOT_FOR = "not for ";
    private static final String BY_HAND = "put so by you";

    public ValueRule {
        texts = java.util.Collections.unmodifiableSet(new LinkedHashSet<>(texts));
    }

    /** A rule that holds everywhere. */
    public ValueRule(String column, String to, Set<String> texts, boolean on) {
        this(column, to, texts, on, "");
    }

    /** All such rules of a job, in the order in which they were made. */
    public static List<ValueRule> of(Job job) {
        return job.settled().stream()
                .filter(decision -> decision.kind().equals(KIND))
                .flatMap(decision -> read(decision).stream())
                .toList();
    }

    /** The rule that a decision states; empty where it states none. */
    public static Optional<ValueRule> read(Decision decision) {
        List<String> subject = Names.splitTexts(decision.subject());
        boolean on = decision.answer().startsWith(FOR);
        if (!on && !decision.answer().startsWith(NOT_FOR) || subject.isEmpty()) {
            return Optional.empty();
        }
        List<String> texts = Names.splitTexts(decision.answer().substring(on ? FOR.length() : NOT_FOR.length()));
        return texts.isEmpty() || texts.stream().allMatch(String::isEmpty)
                ? Optional.empty()
                : Optional.of(new ValueRule(
                        subject.get(0),
                        subject.size() > 1 ? subject.get(1) : "",
                        new LinkedHashSet<>(texts),
                        on,
                        subject.size() > 2 ? subject.get(2) : ""));
    }

    public Decision decision() {
        return new Decision(KIND, subject(), answer(), BY_HAND, "");
    }

    public String subject() {
        return Names.joinTexts(
                scope.isEmpty() ? to.isEmpty() ? List.of(column) : List.of(column, to) : List.of(column, to, scope));
    }

    public String answer() {
        return (on ? FOR : NOT_FOR) + Names.joinTexts(texts);
    }

    public ValueRule switched(boolean wanted) {
        return new ValueRule(column, to, texts, wanted, scope);
    }

    /**
     * For each text of a column that is replaced, what stands in its place: what is said of some of the sources goes before
     * what is said of all.
     *
     * @param scopes those that hold where the texts stand
     */
    public static Map<String, String> replacements(List<ValueRule> rules, String column, Set<String> scopes) {
        Map<String, String> replaced = new LinkedHashMap<>();
        for (boolean everywhere : List.of(true, false)) {
            for (ValueRule rule : rules) {
                boolean here = everywhere ? rule.scope().isEmpty() : scopes.contains(rule.scope());
                if (rule.on() && rule.column().equals(column) && here) {
                    rule.texts().forEach(text -> replaced.put(text, rule.to()));
                }
            }
        }
        return replaced;
    }

    /**
     * The job with a rule that writes texts of a column as another one, or leaves them blank. A text belongs to one rule,
     * and what was written as one of the texts is written as the new one too.
     */
    public static Job write(Job job, String column, Collection<String> texts, String to) {
        return write(job, column, texts, to, "");
    }

    /** The same where a scope says. */
    public static Job write(Job job, String column, Collection<String> texts, String to, String scope) {
        Set<String> wanted = new LinkedHashSet<>();
        Job next = job;
        for (ValueRule rule : of(job)) {
            if (!rule.column().equals(column) || !rule.scope().equals(scope)) {
                continue;
            }
            Set<String> left = new LinkedHashSet<>(rule.texts());
            if (texts.contains(rule.to()) && !rule.to().isEmpty() || rule.to().equals(to)) {
                wanted.addAll(left);
                left.clear();
            } else {
                left.removeAll(texts);
            }
            next = next.withoutSettled(KIND, rule.subject());
            next = left.isEmpty()
                    ? next
                    : next.withSettled(new ValueRule(column, rule.to(), left, rule.on(), scope).decision());
        }
        wanted.addAll(texts);
        wanted.remove(to);
        return wanted.isEmpty() ? next : next.withSettled(new ValueRule(column, to, wanted, true, scope).decision());
    }

    /** The job with the rules of a column said of another. */
    public static Job moved(Job job, String column, String other) {
        Job next = job;
        for (ValueRule rule : of(job)) {
            if (rule.column().equals(column)) {
                next = next.withoutSettled(KIND, rule.subject());
                next = next.withSettled(
                        new ValueRule(other, rule.to(), rule.texts(), rule.on(), rule.scope()).decision());
            }
        }
        return next;
    }
}
