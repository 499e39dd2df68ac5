package cuvee.earlier;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.Origin;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.SameRows;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.propose.Proposal;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Lists of what there is at the end of each month, such as a staff: nearly all of their rows are in the master once for
 * each list, told apart by a tag only, and what is added up over several lists counts them as often.
 */
public final class RepeatedLists {
    private static final double NEARLY_ALL = 0.9;
    private static final double MOST_TABLES = 0.5;
    private static final int FEWEST_ROWS = 3;
    private static final int FEWEST_COLUMNS = 3;
    private static final int SAMPLE = 20;
    /** What returns are called that hold all since a year or month began. */
    private static final Pattern TO_DATE =
            Pattern.compile("(?i)(?<!\\p{L})(?:ytd|mtd|(?:year|month)[ _-]to[ _-]date|cumulative|kumuliert)(?!\\p{L})");
    /** Rows are not compared with each other in longer masters. */
    private static final long LONGEST = 3_000_000;

    private RepeatedLists() {}

    /** What is to be said where the rows of at least half of the tables stand in others too, but for their tags. */
    public static List<Finding> findings(Proposal proposal, MasterReader reader) {
        MasterPlan plan = proposal.plan();
        TellingColumns telling = TellingColumns.of(proposal, reader.figures().rowNumbers());
        if (plan.tables().size() < 2
                || telling.dated()
                || telling.tags().isEmpty()
                || telling.cells().size() < FEWEST_COLUMNS
                || reader.rows() > LONGEST) {
            return List.of();
        }
        List<SameRows.Repeats> lists = reader.sameRows().repeats(telling.cells(), SAMPLE, NEARLY_ALL).stream()
                .filter(list -> list.rows() >= FEWEST_ROWS)
                .toList();
        if (lists.size() < plan.tables().size() * MOST_TABLES) {
            return List.of();
        }
        Set<String> apart = apart(lists.get(0).table(), plan, telling, reader.sameRows());
        return apart.isEmpty()
                ? List.of()
                : List.of(said(
                        lists.size(),
                        plan.tables().size(),
                        apart,
                        plan.tables().stream().allMatch(RepeatedLists::isCalledToDate)));
    }

    /** The tags that tell a table from the one that has most of its rows too. */
    private static Set<String> apart(int table, MasterPlan plan, TellingColumns telling, SameRows rows) {
        Set<Integer> others =
                plan.tables().stream().map(MasterPlan.Table::id).collect(Collectors.toCollection(HashSet::new));
        others.remove(table);
        Optional<Integer> other = rows.shared(table, others, telling.cells()).entrySet().stream()
                .filter(entry -> entry.getKey() != SameRows.ANY_TABLE)
                .max(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey);
        return telling.tags().stream()
                .filter(tag ->
                        other.isPresent() && !Objects.equals(told(plan, table, tag), told(plan, other.get(), tag)))
                .map(tag -> plan.columns().get(tag).name())
                .collect(Collectors.toSet());
    }

    private static Optional<Origin> told(MasterPlan plan, int table, int tag) {
        return plan.tables().stream()
                .filter(each -> each.id() == table)
                .flatMap(each -> Optional.ofNullable(each.feeds().get(tag)).stream())
                .map(MasterPlan.Feed::origin)
                .findFirst();
    }

    /** True for a table whose file or sheet is called after the year or month to date: it adds up what came before. */
    private static boolean isCalledToDate(MasterPlan.Table table) {
        String name = table.source().substring(table.source().lastIndexOf('/') + 1);
        return TO_DATE.matcher(name).find() || TO_DATE.matcher(table.sheet()).find();
    }

    private static Finding said(int lists, int tables, Collection<String> apart, boolean toDate) {
        String tags = Says.list(apart.stream().sorted().map(Says::quoted).toList());
        return new Finding(
                toDate ? Severity.WARNING : Severity.REMARK,
                "lists-repeat",
                Where.JOB,
                "In " + (lists == tables ? "all" : Says.number(lists) + " of " + Says.number(tables))
                        + " tables nearly all rows stand in another table too, and only " + tags
                        + (apart.size() == 1 ? " tells" : " tell")
                        + " them apart, as in "
                        + (toDate
                                ? "returns for the year to date, as which they are called."
                                : "lists of what there is at the end of each month."),
                toDate ? "All are taken in, and count more than once." : "All are taken in.",
                toDate
                        ? "Leave out all but the newest."
                        : "Look at one value of " + tags + " at a time where numbers are added up or rows counted.");
    }
}
