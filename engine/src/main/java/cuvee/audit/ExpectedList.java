package cuvee.audit;

import cuvee.check.Expected;
import cuvee.decision.Choices;
import cuvee.decision.Kinds;
import cuvee.decision.SourceChoice.ExpectedFrom;
import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.gather.SmallTable;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.Convention;
import cuvee.value.Period;
import java.nio.file.Path;
import java.time.YearMonth;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * A table that people keep of who is expected to send: senders, and where it has them the first and the last month of each
 * and the days behind the end of a month by which its rows are due. It is read again at each refresh.
 */
public final class ExpectedList {
    private static final Pattern DUE = Pattern.compile("(?i)\\b(due|days?|deadline|frist|tage|délai)\\b");
    private static final Pattern FROM = Pattern.compile("(?i)\\b(from|since|first|start|begin|ab|seit|depuis)\\b");
    private static final Pattern UNTIL = Pattern.compile("(?i)\\b(until|till?|to|last|end|ended|closed|bis|jusqu)\\b");
    private static final int MOST_DAYS = 366;

    private ExpectedList() {}

    private static Optional<ExpectedFrom> of(Job job) {
        return job.settled().stream()
                .filter(decision -> decision.kind().equals(Kinds.EXPECTED_FROM) && decision.on())
                .map(decision -> Choices.of(decision, List.of()))
                .filter(ExpectedFrom.class::isInstance)
                .map(ExpectedFrom.class::cast)
                .findFirst();
    }

    /** The file of a job's list, which is no source. */
    public static Optional<Path> file(Job job, Path jobFolder) {
        return of(job).map(
                        list -> jobFolder.resolve(list.list()).toAbsolutePath().normalize());
    }

    /** The list of a job as it is now; what is wrong with it is said. */
    public static Expected read(Job job, Path jobFolder, List<Finding> findings) {
        Optional<ExpectedFrom> wanted = of(job);
        if (wanted.isEmpty()) {
            return Expected.NOBODY;
        }
        ExpectedFrom list = wanted.get();
        try {
            SmallTable table = SmallTable.read(jobFolder.resolve(list.list()));
            int sender = table.at(list.sender());
            if (sender < 0) {
                findings.add(
                        problem(list, "The list of who is expected has no column " + Says.quoted(list.sender()) + "."));
                return Expected.NOBODY;
            }
            return new Expected(spans(table, sender));
        } catch (CuveeException unreadable) {
            findings.add(problem(
                    list,
                    "The list of who is expected cannot be read: "
                            + unreadable.finding().what()));
            return Expected.NOBODY;
        }
    }

    private static Finding problem(ExpectedFrom list, String what) {
        return new Finding(
                Severity.WARNING,
                "list-unreadable",
                Where.source(list.list()),
                what,
                "What is expected is told from what came.",
                "Put it back, or take the list out of the job.");
    }

    private static Map<String, Expected.Span> spans(SmallTable table, int sender) {
        int due = named(table, DUE, sender);
        int from = named(table, FROM, sender);
        int until = named(table, UNTIL, sender);
        Map<String, Expected.Span> spans = new LinkedHashMap<>();
        for (List<String> row : table.rows()) {
            String name = row.get(sender).strip();
            if (!name.isEmpty()) {
                spans.put(name, new Expected.Span(month(row, from), month(row, until), days(row, due)));
            }
        }
        return spans;
    }

    private static int named(SmallTable table, Pattern words, int but) {
        for (int i = 0; i < table.headers().size(); i++) {
            if (i != but && words.matcher(table.headers().get(i)).find()) {
                return i;
            }
        }
        return -1;
    }

    private static Optional<YearMonth> month(List<String> row, int at) {
        return at < 0
                ? Optional.empty()
                : Period.in(row.get(at), Convention.Order.DAY_FIRST)
                        .map(Period.Found::period)
                        .filter(period -> period.year() > 0
                                && (period.kind() == Period.Kind.MONTH || period.kind() == Period.Kind.DAY))
                        .map(period -> YearMonth.of(period.year(), period.number()));
    }

    private static Optional<Integer> days(List<String> row, int at) {
        String text = at < 0 ? "" : row.get(at).strip();
        return text.matches("\\d{1,3}") && Integer.parseInt(text) <= MOST_DAYS
                ? Optional.of(Integer.parseInt(text))
                : Optional.empty();
    }

    /**
     * The decision that takes what is expected from a file: the column that names the most of those who sent, else the one
     * that is called as their column is.
     *
     * @param column the column that says who sends
     * @param senders those who sent
     * @throws CuveeException where the file cannot be read or no column of it names senders
     */
    public static Decision from(Path file, Path jobFolder, String column, Collection<String> senders) {
        SmallTable table = SmallTable.read(file);
        Set<String> known = new HashSet<>(senders);
        Map<Integer, Long> named = new HashMap<>();
        for (int i = 0; i < table.headers().size(); i++) {
            int at = i;
            long there = table.rows().stream()
                    .filter(row -> known.contains(row.get(at).strip()))
                    .count();
            if (there > 0) {
                named.put(i, there);
            }
        }
        int best = named.entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey)
                .orElse(table.at(column));
        if (best < 0) {
            throw CuveeException.failure(
                    "no-senders",
                    Where.source(String.valueOf(file.getFileName())),
                    "No column of its first table names any of those who sent, or is called " + Says.quoted(column)
                            + ".",
                    "Nothing was changed.",
                    "Write the senders as the master has them.");
        }
        ExpectedFrom expected = new ExpectedFrom(
                JobDraft.relative(
                        jobFolder.toAbsolutePath().normalize(),
                        file.toAbsolutePath().normalize()),
                table.headers().get(best));
        return new Decision(
                expected.words().kind(),
                expected.words().subject(),
                expected.words().answer(),
                "by hand",
                Says.count(table.rows().size(), "sender"));
    }
}
