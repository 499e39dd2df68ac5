package cuvee.audit;

import cuvee.check.Arrivals;
import cuvee.check.Expected;
import cuvee.decision.Kinds;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Names;
import cuvee.layout.LaidColumn;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.master.ColumnTotal;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.propose.Proposal;
import cuvee.value.Type;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Which columns of a master say who sent its rows and for when, and what that tells of arrivals: a tag that differs from
 * source to source, else a column that says the same in all rows of a table; the month that a tag says, else a date.
 */
public final class SendersAndMonths {
    /** A column says when where it is filled in so many of the rows. */
    private static final double MOSTLY = 0.9;

    private SendersAndMonths() {}

    /** The arrivals of a master before it is shaped; empty where nothing comes month by month. */
    public static Optional<Arrivals> arrivals(
            Proposal proposal, MasterReader reader, List<ColumnTotal> totals, Expected expected, LocalDate today) {
        Optional<Integer> period = period(proposal, totals, reader.rows());
        if (period.isEmpty()) {
            return Optional.empty();
        }
        for (int sender : senders(proposal)) {
            Optional<Arrivals> found = Arrivals.of(
                    proposal.columns().get(sender).name(),
                    proposal.columns().get(period.get()).name(),
                    reader.figures().came(sender, period.get()),
                    expected,
                    today,
                    nil(proposal.job()));
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    private static List<Integer> senders(Proposal proposal) {
        List<Integer> tags = new ArrayList<>();
        List<Integer> constant = new ArrayList<>();
        for (int i = 0; i < proposal.columns().size(); i++) {
            if (proposal.columns().get(i).type() == Type.TEXT) {
                if (proposal.isTag(proposal.columns().get(i).name())) {
                    tags.add(i);
                } else if (saysTheSameInATable(proposal, i)) {
                    constant.add(i);
                }
            }
        }
        tags.addAll(constant);
        return tags;
    }

    /** True where nearly all tables have one text in a column. */
    private static boolean saysTheSameInATable(Proposal proposal, int column) {
        Map<Integer, PlacedTable> placed = new LinkedHashMap<>();
        proposal.layouts().forEach(layout -> layout.tables().forEach(table -> placed.put(table.id(), table)));
        int same = 0;
        for (MasterPlan.Table table : proposal.plan().tables()) {
            MasterPlan.Feed feed = table.feeds().get(column);
            PlacedTable own = placed.get(table.id());
            if (feed == null || own == null || !(feed.origin() instanceof Origin.Cell)) {
                continue;
            }
            Optional<LaidColumn> laid = own.columns().stream()
                    .filter(each -> each.origin().equals(feed.origin()))
                    .findFirst();
            same += laid.isPresent() && laid.get().evidence().oddities().size() == 1 ? 1 : 0;
        }
        return same >= proposal.plan().tables().size() * MOSTLY;
    }

    private static Optional<Integer> period(Proposal proposal, List<ColumnTotal> totals, long rows) {
        Optional<Integer> date = Optional.empty();
        for (int i = 0; i < proposal.columns().size(); i++) {
            Type type = proposal.columns().get(i).type();
            boolean filled = totals.get(i).filled() >= rows * MOSTLY && rows > 0;
            if (type.hasDay() && filled) {
                if (proposal.isTag(proposal.columns().get(i).name())) {
                    return Optional.of(i);
                }
                date = date.isPresent() ? date : Optional.of(i);
            }
        }
        return date;
    }

    /** What the analyst says is nothing to report. */
    private static Set<Arrivals.Place> nil(Job job) {
        Set<Arrivals.Place> nil = new HashSet<>();
        job.settled().stream()
                .filter(decision -> decision.kind().equals(Kinds.NIL_RETURN) && decision.on())
                .map(Decision::subject)
                .map(Names::splitTexts)
                .filter(parts -> parts.size() == 2)
                .forEach(parts -> {
                    try {
                        nil.add(new Arrivals.Place(parts.get(0), YearMonth.parse(parts.get(1))));
                    } catch (DateTimeException notAMonth) {
                        // Such a decision is said not to be understood where decisions are read.
                    }
                });
        return nil;
    }

    /** What is missing between months that came is a warning; what has not come yet a remark. */
    public static List<Finding> findings(Arrivals arrivals) {
        List<Finding> findings = new ArrayList<>();
        if (!arrivals.unlisted().isEmpty()) {
            findings.add(new Finding(
                    Severity.WARNING,
                    "not-expected",
                    Where.JOB,
                    Says.list(arrivals.unlisted().stream().map(Says::quoted).toList())
                            + (arrivals.unlisted().size() == 1 ? " has" : " have")
                            + " sent and " + (arrivals.unlisted().size() == 1 ? "is" : "are")
                            + " not in the list of who is expected.",
                    "The rows are in the master.",
                    "Put the name into the list, or settle this where it is so."));
        }
        bySender(arrivals.open(Arrivals.State.MISSING))
                .forEach((sender, months) -> findings.add(new Finding(
                        Severity.WARNING,
                        "missing-month",
                        Where.JOB,
                        Says.quoted(sender) + " has no rows for " + named(months) + missed(arrivals, sender, months),
                        "The master is made without them.",
                        "Ask the sender, or say in Collect, Arrivals, that there is nothing to report.")));
        bySender(arrivals.open(Arrivals.State.NOT_YET))
                .forEach((sender, months) -> findings.add(new Finding(
                        Severity.REMARK,
                        "not-yet",
                        Where.JOB,
                        Says.quoted(sender) + " has no rows yet for " + named(months) + "; most others have.",
                        "The master is made without them.",
                        "Ask the sender, or say in Collect, Arrivals, that there is nothing to report.")));
        return findings;
    }

    private static String missed(Arrivals arrivals, String sender, List<YearMonth> months) {
        return arrivals.due(new Arrivals.Place(sender, months.get(months.size() - 1)))
                .map(day -> ", which " + (months.size() == 1 ? "was" : "were") + " due by " + day + ".")
                .orElse(
                        arrivals.expected().isEmpty()
                                ? ", though it has some for months before and after."
                                : ", though the list expects them.");
    }

    private static Map<String, List<YearMonth>> bySender(List<Arrivals.Place> places) {
        Map<String, List<YearMonth>> bySender = new LinkedHashMap<>();
        places.forEach(place -> bySender.computeIfAbsent(place.sender(), any -> new ArrayList<>())
                .add(place.month()));
        return bySender;
    }

    private static String named(List<YearMonth> months) {
        return Says.list(months.stream().map(YearMonth::toString).toList());
    }
}
