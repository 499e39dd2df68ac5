package cuvee.audit;

import cuvee.check.CheckResult;
import cuvee.check.OwnCheck;
import cuvee.decision.Kinds;
import cuvee.detect.TotalWords;
import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.gather.SmallTable;
import cuvee.job.Job;
import cuvee.master.MasterLine;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.RowRule;
import cuvee.master.RowTest;
import cuvee.master.Store;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.rework.Asked;
import cuvee.rework.Known;
import cuvee.summary.Summary;
import cuvee.summary.SummaryTable;
import cuvee.summary.SummaryWords;
import cuvee.value.Convention;
import cuvee.value.LooseText;
import cuvee.value.Period;
import cuvee.value.Type;
import cuvee.value.ValueReader;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Makes the checks of the analyst's own, which a job keeps, over a master. */
public final class OwnChecks {
    private static final int FIRST = 5;
    /** Sums of cents that were rounded line by line may be so far off, each. */
    private static final BigDecimal ROUNDED = new BigDecimal("0.005");

    private final Store store;
    private final MasterPlan plan;
    /** The plan whose tables are those of the sources. */
    private final MasterPlan sources;

    private final long rows;
    private final Path jobFolder;
    private final Known known;

    /**
     * @param plan the master as it is shown
     * @param sources the same before it is shaped
     */
    public OwnChecks(Store store, MasterPlan plan, MasterPlan sources, long rows, Path jobFolder) {
        this.store = store;
        this.plan = plan;
        this.sources = sources;
        this.rows = rows;
        this.jobFolder = jobFolder;
        this.known = Known.of(plan);
    }

    /** The words of the checks that a job keeps. */
    static List<String> of(Job job) {
        return job.settled().stream()
                .filter(decision -> decision.kind().equals(Kinds.CHECK) && decision.on())
                .map(decision -> decision.subject())
                .toList();
    }

    /** What each check that is in force comes to, in the order of the job. */
    public List<CheckResult> results(Job job) {
        return of(job).stream().map(this::result).toList();
    }

    /** A check and what it came to, in a sentence. */
    public static String said(CheckResult result) {
        return result.words() + ": "
                + (result.passes()
                        ? "passes."
                        : result.problem().isEmpty()
                                ? "fails in " + Says.count(result.fails(), "case")
                                        + (result.first().isEmpty()
                                                ? ""
                                                : ", the first in "
                                                        + result.first().get(0))
                                        + "."
                                : "cannot be made, since " + result.problem() + ".");
    }

    /** Checks that fail or cannot be made. */
    public static List<Finding> findings(List<CheckResult> results) {
        List<Finding> findings = new ArrayList<>();
        for (CheckResult result : results) {
            if (!result.problem().isEmpty()) {
                findings.add(new Finding(
                        Severity.WARNING,
                        "check-lost",
                        Where.JOB,
                        "The check " + Says.quoted(result.words()) + " cannot be made: " + result.problem() + ".",
                        "It checks nothing.",
                        "Change its words under Check, or remove it there."));
            } else if (!result.passes()) {
                findings.add(new Finding(
                        Severity.WARNING,
                        "own-check",
                        result.first().isEmpty() ? Where.JOB : result.first().get(0),
                        "The check " + Says.quoted(result.words()) + " fails in " + Says.count(result.fails(), "case")
                                + (result.details().isEmpty()
                                        ? ""
                                        : ": " + String.join("; ", result.details())
                                                + (result.fails()
                                                                > result.details()
                                                                        .size()
                                                        ? " and others"
                                                        : ""))
                                + ".",
                        "The rows are kept as they are.",
                        "Look at them; correct them, or change the check."));
            }
        }
        return findings;
    }

    private CheckResult result(String words) {
        OwnCheck.Read read = OwnCheck.read(words, known);
        if (read.check().isEmpty()) {
            return lost(words, read.problem());
        }
        OwnCheck check = read.check().get();
        if (check instanceof OwnCheck.EqualsTable equals) {
            return equals(words, equals);
        }
        if (check instanceof OwnCheck.SameRows same) {
            return sameRows(words, same);
        }
        RowTest.Fails fails = store.failing(plan, test(check), FIRST);
        return new CheckResult(
                words, fails.rows(), fails.first().stream().map(this::where).toList(), List.of(), "");
    }

    private static CheckResult lost(String words, String problem) {
        return new CheckResult(words, 0, List.of(), List.of(), problem);
    }

    private Where where(MasterLine line) {
        return sources.tables().stream()
                .filter(table -> table.id() == line.table())
                .findFirst()
                .map(table -> (table.sheet().isEmpty()
                                ? Where.source(table.source())
                                : Where.sheet(table.source(), table.sheet()))
                        .row(line.row()))
                .orElse(Where.JOB);
    }

    private RowTest test(OwnCheck check) {
        if (check instanceof OwnCheck.Unique unique) {
            return new RowTest.Unique(unique.columns().stream().map(known::at).toList());
        }
        if (check instanceof OwnCheck.NeverBlank filled) {
            return new RowTest.Holds(
                    filled.columns().stream()
                            .map(name -> new RowRule.Condition(known.at(name), RowRule.Test.FILLED, List.of()))
                            .toList(),
                    false,
                    List.of());
        }
        if (check instanceof OwnCheck.InPeriod dated) {
            Map<Integer, RowTest.Span> spans = new HashMap<>();
            for (MasterPlan.Table table : sources.tables()) {
                span(table.source()).ifPresent(span -> spans.put(table.id(), span));
            }
            return new RowTest.Within(known.at(dated.column()), spans);
        }
        OwnCheck.OfRows rowsCheck = (OwnCheck.OfRows) check;
        return new RowTest.Holds(
                Asked.of(rowsCheck.phrase(), known).conditions(),
                rowsCheck.never(),
                rowsCheck.filled().isEmpty() ? List.of() : List.of(known.at(rowsCheck.filled())));
    }

    /** The days of the period that the name of a source says; empty where it says none with its year. */
    static Optional<RowTest.Span> span(String source) {
        Optional<Period> period = Period.in(source.substring(source.lastIndexOf('/') + 1), Convention.Order.DAY_FIRST)
                .map(Period.Found::period);
        return period.flatMap(Period::first).map(first -> {
            LocalDate before = switch (period.get().kind()) {
                case DAY -> first.plusDays(1);
                case MONTH -> first.plusMonths(1);
                case QUARTER -> first.plusMonths(3);
                case HALF -> first.plusMonths(6);
                default -> first.plusYears(1);
            };
            return new RowTest.Span(first, before);
        });
    }

    // ---- against a table that somebody knows to be right ----

    private CheckResult equals(String words, OwnCheck.EqualsTable equals) {
        Summary summary = SummaryWords.read(equals.summary(), known).summary().orElseThrow();
        if (summary.columns().isPresent()
                || summary.figures().size() != 1
                || summary.lines().isEmpty()) {
            return lost(words, "it needs one figure and a line for each of something, and no columns");
        }
        Path file = jobFolder.resolve(equals.file());
        if (!Files.isRegularFile(file)) {
            return lost(words, "there is no file " + equals.file() + " beside the job");
        }
        try {
            SmallTable table = SmallTable.read(file);
            int keys = summary.lines().size();
            int value = value(table, summary, keys);
            if (value < 0) {
                return lost(
                        words,
                        equals.file() + " has no column of numbers behind its first "
                                + (keys == 1 ? "one" : Says.number(keys)));
            }
            return compare(
                    words, table, value, SummaryTable.of(summary, plan, rows, asked -> store.grouped(plan, asked)));
        } catch (CuveeException unreadable) {
            return lost(words, unreadable.finding().what().replaceFirst("[.]$", ""));
        }
    }

    private CheckResult sameRows(String words, OwnCheck.SameRows same) {
        Path file = jobFolder.resolve(same.file());
        if (!Files.isRegularFile(file)) {
            return lost(words, "there is no file " + same.file() + " beside the job");
        }
        try (MasterReader reader = store.reader(plan)) {
            return new KnownTable(plan, SmallTable.read(file), same.keys()).compare(words, reader);
        } catch (CuveeException unreadable) {
            return lost(words, unreadable.finding().what().replaceFirst("[.]$", ""));
        }
    }

    /** The column of the known figures: the one called like the figure, else the first with a number behind the keys. */
    private static int value(SmallTable table, Summary summary, int keys) {
        String column = summary.figures().get(0).column();
        for (int i = keys; i < table.headers().size(); i++) {
            if (LooseText.key(table.headers().get(i)).equals(LooseText.key(column))) {
                return i;
            }
        }
        for (int i = keys; i < table.headers().size(); i++) {
            int at = i;
            if (table.rows().stream().anyMatch(row -> number(row.get(at)) != null)) {
                return i;
            }
        }
        return -1;
    }

    private static @Nullable BigDecimal number(String text) {
        String read = ValueReader.read(text, Type.MONEY, Convention.DEFAULT);
        return read == null ? null : new BigDecimal(read);
    }

    private CheckResult compare(String words, SmallTable table, int value, SummaryTable made) {
        int keys = made.keyTitles().size();
        Map<String, BigDecimal> there = new LinkedHashMap<>();
        Map<String, String> named = new LinkedHashMap<>();
        for (List<String> row : table.rows()) {
            BigDecimal number = number(row.get(value));
            if (number != null) {
                String name = String.join(", ", row.subList(0, keys));
                there.merge(LooseText.key(name), number, BigDecimal::add);
                named.putIfAbsent(LooseText.key(name), name);
            }
        }
        Map<String, BigDecimal> here = new LinkedHashMap<>();
        for (SummaryTable.Line line : made.lines()) {
            if (line.total() && keys > 0 && made.lines().size() > 1) {
                continue;
            }
            List<String> parts = new ArrayList<>();
            for (int i = 0; i < keys; i++) {
                parts.add(line.key(i));
            }
            String name = String.join(", ", parts);
            String figure = line.values().get(0);
            here.put(LooseText.key(name), figure == null ? BigDecimal.ZERO : new BigDecimal(figure));
            named.put(LooseText.key(name), name);
        }
        List<String> details = new ArrayList<>();
        long fails = 0;
        for (Map.Entry<String, String> each : named.entrySet()) {
            BigDecimal ours = here.get(each.getKey());
            BigDecimal theirs = there.get(each.getKey());
            boolean same = ours != null
                    && theirs != null
                    && ours.subtract(theirs).abs().compareTo(ROUNDED) <= 0;
            boolean total = ours == null && isTotal(each.getValue());
            if (!same && !total) {
                fails++;
                if (details.size() < FIRST) {
                    details.add(each.getValue() + ": "
                            + (ours == null ? "not in the master" : Says.number(ours) + " here") + ", "
                            + (theirs == null ? "not there" : Says.number(theirs) + " there"));
                }
            }
        }
        return new CheckResult(words, fails, List.of(), details, "");
    }

    /** A line of all the others in a table of known figures. */
    private static boolean isTotal(String name) {
        return TotalWords.of(name) == TotalWords.Sureness.WHOLLY || name.equalsIgnoreCase(SummaryTable.ALL);
    }
}
