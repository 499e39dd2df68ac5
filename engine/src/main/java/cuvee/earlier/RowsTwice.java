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
import cuvee.value.Type;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * A few rows of a table that are those of another one: by a column of names or numbers each of which stands once in every
 * table, or, where there is none, by all that the rows say. Where rows of one table are alike too, they are so by chance,
 * and nothing is said.
 */
public final class RowsTwice {
    private static final int FEWEST_COLUMNS = 4;
    private static final int FEWEST_ROWS = 2;
    /** Numbers may be alike by chance. */
    private static final int FEW_NUMBERS = 3;
    /** Where more keys of a hundred stand in several tables, that is how they are made. */
    private static final double MOST = 0.2;

    private static final int MOST_NAMED = 6;
    /** Rows are not compared with each other in longer masters. */
    private static final long LONGEST = 300_000;

    private final MasterPlan plan;
    private final MasterReader reader;
    private final TellingColumns telling;
    private final Map<Integer, MasterPlan.Table> tables = new HashMap<>();
    /** The last column of amounts, which most likely adds up what the others say; below zero where there is none. */
    private final int amount;

    private RowsTwice(Proposal proposal, MasterReader reader) {
        this.plan = proposal.plan();
        this.reader = reader;
        this.telling = TellingColumns.of(proposal, reader.figures().rowNumbers());
        plan.tables().forEach(table -> tables.put(table.id(), table));
        this.amount = amount();
    }

    /** A warning for each two tables that have rows in common, the most of them first. */
    public static List<Finding> findings(Proposal proposal, MasterReader reader) {
        return proposal.plan().tables().size() < 2 || reader.rows() > LONGEST
                ? List.of()
                : new RowsTwice(proposal, reader).findings();
    }

    private List<Finding> findings() {
        List<Integer> keys = reader.standingOut()
                .nearlyAllDifferent(telling.cells().stream()
                        .filter(i -> type(i) == Type.TEXT || type(i) == Type.WHOLE_NUMBER)
                        .toList());
        List<Integer> names = keys.stream().filter(i -> type(i) == Type.TEXT).toList();
        List<Integer> numbers =
                keys.stream().filter(i -> type(i) == Type.WHOLE_NUMBER).toList();
        List<Finding> found = names.isEmpty() ? throughout() : byKey(names, 1);
        return found.isEmpty() ? byKey(numbers, FEW_NUMBERS) : found;
    }

    private Type type(int column) {
        return plan.columns().get(column).type();
    }

    private List<Finding> byKey(List<Integer> keys, int fewest) {
        for (int key : keys) {
            List<SameRows.Twice> twice = reader.sameRows().twice(List.of(key), telling.cells(), amount, MOST).stream()
                    .filter(each -> each.rows() >= fewest || each.alike() == each.rows())
                    .toList();
            if (!twice.isEmpty()) {
                return said(twice, key);
            }
        }
        return List.of();
    }

    /** Rows that are the same in all that they say, where a date says when they were. */
    private List<Finding> throughout() {
        boolean comparable = telling.dated() && telling.cells().size() >= FEWEST_COLUMNS && amount >= 0;
        return !comparable
                ? List.of()
                : said(
                        reader.sameRows().twice(telling.cells(), telling.cells(), amount, MOST).stream()
                                .filter(twice -> twice.rows() >= FEWEST_ROWS)
                                .toList(),
                        -1);
    }

    private int amount() {
        Set<Type> types =
                telling.cells().stream().filter(plan::addsUp).map(this::type).collect(Collectors.toSet());
        Type type = types.contains(Type.MONEY)
                ? Type.MONEY
                : types.contains(Type.DECIMAL) ? Type.DECIMAL : Type.WHOLE_NUMBER;
        OptionalInt last = telling.cells().stream()
                .filter(plan::addsUp)
                .filter(i -> type(i) == type)
                .mapToInt(Integer::intValue)
                .max();
        return last.orElse(-1);
    }

    /** Of two tables the rows of the one whose name comes later are pointed out; the order in which they were read says nothing. */
    private List<Finding> said(List<SameRows.Twice> found, int key) {
        Comparator<SameRows.Some> byName = Comparator.comparing(
                        (SameRows.Some some) -> table(some).source())
                .thenComparing(some -> table(some).sheet())
                .thenComparing(SameRows.Some::row);
        List<SameRows.Twice> twice = found.stream()
                .map(each -> byName.compare(each.one(), each.other()) > 0 ? each.turnedRound() : each)
                .sorted(Comparator.comparingLong((SameRows.Twice each) -> -each.rows())
                        .thenComparing(SameRows.Twice::other, byName)
                        .thenComparing(SameRows.Twice::one, byName))
                .toList();
        List<Finding> findings = new ArrayList<>();
        int named = Math.min(MOST_NAMED, twice.size());
        for (int i = 0; i < named; i++) {
            boolean last = i == named - 1 && twice.size() > named;
            findings.add(said(
                    twice.get(i),
                    key,
                    last ? " " + Says.count(twice.size() - named, "more pair") + " of tables have such rows." : ""));
        }
        return findings;
    }

    private Finding said(SameRows.Twice twice, int key, String more) {
        MasterPlan.Table later = table(twice.other());
        MasterPlan.Table earlier = table(twice.one());
        boolean one = twice.rows() == 1;
        String others = earlier.equals(later)
                ? (one ? "another row" : "other rows") + " of its own"
                : "rows of " + named(earlier, later);
        String same = key < 0
                ? (one ? " says" : " say") + " all that " + others + " say"
                : (one ? " has" : " have") + " the same " + Says.quoted(name(key)) + " as " + others
                        + throughout(twice);
        return new Finding(
                Severity.WARNING,
                "rows-twice",
                where(later, twice.other().row(), key),
                Says.count(twice.rows(), "row") + " of " + named(later, earlier) + same + "." + comeTo(twice, key)
                        + more,
                "All of them are taken in.",
                "If they are the same, set equal rows" + (key < 0 ? "" : " by " + Says.quoted(name(key)))
                        + " aside in Rework; else settle this.");
    }

    private static String throughout(SameRows.Twice twice) {
        String say = ", and " + (twice.rows() == 1 ? "says " : "say ");
        if (twice.alike() == twice.rows()) {
            return say + "the same throughout";
        }
        return twice.alike() == 0
                ? say + "something else besides"
                : "; " + Says.number(twice.alike()) + " of them say the same throughout";
    }

    /** What is at stake. */
    private String comeTo(SameRows.Twice twice, int key) {
        return amount < 0 || amount == key
                ? ""
                : (twice.rows() == 1 ? " It comes to " : " They come to ")
                        + Says.number(BigDecimal.valueOf(twice.other().amount())
                                .setScale(plan.columns().get(amount).decimals(), RoundingMode.HALF_UP)
                                .stripTrailingZeros())
                        + " in " + Says.quoted(name(amount)) + ".";
    }

    private MasterPlan.Table table(SameRows.Some some) {
        return Objects.requireNonNull(tables.get(some.table()));
    }

    private String name(int column) {
        return plan.columns().get(column).name();
    }

    private static String named(MasterPlan.Table table, MasterPlan.Table beside) {
        return table.source().equals(beside.source()) && !table.sheet().equals(beside.sheet())
                ? "the sheet " + table.sheet() + " of " + table.source()
                : table.source();
    }

    private Where where(MasterPlan.Table table, int row, int key) {
        Where sheet = Where.sheet(table.source(), table.sheet());
        return IntStream.of(key < 0 ? telling.cells().get(0) : key)
                .mapToObj(table.feeds()::get)
                .filter(Objects::nonNull)
                .map(MasterPlan.Feed::origin)
                .filter(Origin.Cell.class::isInstance)
                .mapToInt(origin -> origin.column(0).orElse(-1))
                .filter(column -> column >= 0)
                .mapToObj(column -> sheet.cell(row, column + 1))
                .findFirst()
                .orElse(sheet.row(row));
    }
}
