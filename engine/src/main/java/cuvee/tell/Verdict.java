package cuvee.tell;

import cuvee.collect.Collector;
import cuvee.finding.Severity;
import cuvee.place.Says;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Whether a master can be relied on, and why not. Never better than it is: it is clean only where nothing is open.
 *
 * @param words two or three of them, for the strip
 * @param sentence the whole of it, with its scope
 */
public record Verdict(Kind kind, String words, String sentence) {
    /** A file that was read and holds nothing. */
    private static final String NO_TABLE = "no-table";

    /** How it stands. */
    public enum Kind {
        CLEAN,
        NOT_FINAL,
        WRONG
    }

    public static Verdict of(Outcome outcome) {
        long tables = outcome.sources().stream()
                .mapToLong(source -> source.tables().size())
                .sum();
        String scope = " of " + Says.count(tables, "table") + " read";
        long failures = outcome.findings().stream()
                .filter(finding -> finding.atLeast(Severity.FAILURE))
                .count();
        if (failures > 0 || !closes(outcome)) {
            return new Verdict(
                    Kind.WRONG,
                    "does not add up",
                    "Not to be used: " + (failures > 0 ? Says.count(failures, "failure") : "the rows") + scope
                            + (failures == 1 ? " stands below." : " do not add up."));
        }
        List<String> open = new ArrayList<>();
        if (!outcome.questions().isEmpty()) {
            open.add(Says.count(outcome.questions().size(), "question"));
        }
        Set<String> known = outcome.settled().stream()
                .map(settled -> settled.finding().where().source())
                .collect(Collectors.toSet());
        Set<String> unread = outcome.sources().stream()
                .filter(source -> isUnread(source) && !known.contains(source.path()))
                .map(SourceReport::path)
                .collect(Collectors.toSet());
        if (!unread.isEmpty()) {
            open.add(Says.count(unread.size(), "file") + " unread");
        }
        long warnings = outcome.findings().stream()
                .filter(finding -> finding.severity() == Severity.WARNING
                        && !unread.contains(finding.where().source()))
                .count();
        if (warnings > 0) {
            open.add(Says.count(warnings, "warning"));
        }
        return open.isEmpty()
                ? new Verdict(
                        Kind.CLEAN, "adds up", "The numbers add up: every line" + scope + " is kept or set aside.")
                : new Verdict(Kind.NOT_FINAL, "not final", "Adds up; not final: " + Says.list(open) + ".");
    }

    /** A file that was to be read and could not be. */
    private static boolean isUnread(SourceReport source) {
        return source.state() == SourceReport.State.UNREADABLE
                || source.state() == SourceReport.State.SET_ASIDE
                        && !Collector.KINDS.contains(source.kind())
                        && !source.kind().equals(NO_TABLE);
    }

    /** True where the rows that the records of all tables came to, less those that rules set aside, are the master's. */
    public static boolean closes(Outcome outcome) {
        long made =
                outcome.made().values().stream().mapToLong(Outcome.Made::rows).sum();
        return made - outcome.rowsRuledOut() == outcome.rowsBefore();
    }
}
