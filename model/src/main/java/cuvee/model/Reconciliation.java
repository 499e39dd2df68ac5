package cuvee.model;

import cuvee.check.Reconciled;
import cuvee.detect.RowClass;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.propose.Proposal;
import cuvee.tell.Outcome;
import cuvee.tell.SourceReport;
import cuvee.tell.Verdict;
import cuvee.value.Type;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.ToLongFunction;
import java.util.stream.Collectors;

/**
 * The reconciliation: for each group of sources the lines seen, what was set aside by each reason, what was kept, what
 * became of it, and what stands in the master. The last line adds all up.
 */
public final class Reconciliation implements GridModel {
    /** Lines of these kinds each have a column, where there are any. */
    private static final Map<RowClass, String> REASONS = reasons();

    private static Map<RowClass, String> reasons() {
        Map<RowClass, String> words = new EnumMap<>(RowClass.class);
        words.put(RowClass.TITLE, "Title");
        words.put(RowClass.HEADER, "Header");
        words.put(RowClass.REPEAT, "Repeated");
        words.put(RowClass.BLANK, "Blank");
        words.put(RowClass.TOTAL, "Total");
        words.put(RowClass.SECTION, "Section");
        words.put(RowClass.HEAD, "Head");
        words.put(RowClass.BELOW, "Below");
        words.put(RowClass.NOTE, "Note");
        words.put(RowClass.FIELD, "Form");
        words.put(RowClass.OUTSIDE, "Outside");
        return words;
    }

    /** What was found for a group. */
    private static final class Group {
        private final String name;
        private final Map<RowClass, Long> aside = new EnumMap<>(RowClass.class);
        private long sources;
        private long seen;
        private long kept;
        private long made;
        private long ruled;
        private BigDecimal source = BigDecimal.ZERO;
        private BigDecimal byRules = BigDecimal.ZERO;
        private BigDecimal changed = BigDecimal.ZERO;
        private BigDecimal master = BigDecimal.ZERO;

        Group(String name) {
            this.name = name;
        }

        void add(Group other) {
            sources += other.sources;
            seen += other.seen;
            kept += other.kept;
            made += other.made;
            ruled += other.ruled;
            source = source.add(other.source);
            byRules = byRules.add(other.byRules);
            changed = changed.add(other.changed);
            master = master.add(other.master);
            other.aside.forEach((what, count) -> aside.merge(what, count, Long::sum));
        }
    }

    private record Column(String title, String subtitle, double width, ToLongFunction<Group> count) {}

    /** A column of sums. */
    private record Sum(String title, String subtitle, Function<Group, BigDecimal> of) {}

    private final List<Group> groups = new ArrayList<>();
    private final Group all = new Group("All");
    private final List<Column> columns = new ArrayList<>();
    private final List<Sum> sums = new ArrayList<>();
    private final Grouping grouping;
    private final Type type;
    private final boolean closes;

    /** @param weighed the column whose sums stand at the end, of the sources and of the master; empty for none */
    public Reconciliation(Outcome outcome, Grouping grouping, String weighed) {
        this.grouping = grouping;
        this.closes = Verdict.closes(outcome) && !outcome.failed();
        int at = outcome.proposal().columns().stream()
                .map(Proposal.ColumnReport::name)
                .toList()
                .indexOf(weighed);
        this.type = at < 0 ? Type.MONEY : outcome.proposal().columns().get(at).type();
        Map<Integer, Reconciled.Line> lines = outcome.reconciled().ofColumn(at);
        Map<String, Group> byName = new LinkedHashMap<>();
        for (SourceReport source : outcome.sources()) {
            if (!source.tables().isEmpty()) {
                Group found = group(outcome, source, grouping.of(source), lines);
                byName.computeIfAbsent(found.name, Group::new).add(found);
                all.add(found);
            }
        }
        groups.addAll(byName.values());
        if (grouping.texts().size() > 0) {
            columns.add(new Column("Files", "", 54, group -> group.sources));
        }
        columns.add(new Column("Lines seen", "", 80, group -> group.seen));
        REASONS.forEach((what, words) -> {
            if (all.aside.containsKey(what)) {
                columns.add(new Column(
                        words,
                        "aside",
                        Math.max(58, words.length() * 7.6 + 18),
                        group -> group.aside.getOrDefault(what, 0L)));
            }
        });
        columns.add(new Column("Kept", "", 62, group -> group.kept));
        if (all.made != all.kept) {
            columns.add(new Column("By turning", "rows more or fewer", 124, group -> group.made - group.kept));
        }
        if (all.ruled > 0) {
            columns.add(new Column("By rules", "set aside", 84, group -> group.ruled));
        }
        if (all.made != all.kept || all.ruled > 0) {
            columns.add(new Column("In the master", "rows", 100, group -> group.made - group.ruled));
        }
        if (!lines.isEmpty()) {
            sums.add(new Sum(weighed, "in the sources", group -> group.source));
            if (all.byRules.signum() != 0) {
                sums.add(new Sum("Set aside", "by rules", group -> group.byRules.negate()));
            }
            if (all.changed.signum() != 0) {
                boolean repeated = lines.values().stream()
                        .allMatch(line -> line.changed().signum() == 0 || line.change() == Reconciled.Change.REPEATED);
                sums.add(
                        repeated
                                ? new Sum("Repeated", "in several rows", group -> group.changed)
                                : new Sum("Changed", "by you or by rules", group -> group.changed));
            }
            sums.add(new Sum(weighed, "in the master", group -> group.master));
        }
    }

    private static Group group(Outcome outcome, SourceReport source, String name, Map<Integer, Reconciled.Line> lines) {
        Group group = new Group(name);
        group.sources = 1;
        for (PlacedTable table : source.tables()) {
            group.seen += table.table().seen();
            group.kept += table.table().kept();
            table.table().setAside().forEach((what, count) -> group.aside.merge(what, (long) count, Long::sum));
            Outcome.Made made = outcome.made().get(table.id());
            group.made += made == null ? 0 : made.rows();
            group.ruled += outcome.ruledOut(table.id());
            Reconciled.Line line = lines.get(table.id());
            if (line != null) {
                group.source = group.source.add(line.source());
                group.byRules = group.byRules.add(line.aside());
                group.changed = group.changed.add(line.changed());
                group.master = group.master.add(line.master());
            }
        }
        return group;
    }

    /** What stands over the reconciliation: what was corrected, and what was gathered in the end. */
    public static String says(Outcome outcome) {
        List<Proposal.Corrected> corrected = outcome.proposal().corrected().stream()
                .filter(Proposal.Corrected::inForce)
                .toList();
        String gathered = outcome.shaped()
                .filter(shaped -> shaped.before() != shaped.rows())
                .map(shaped -> "In the end " + Says.count(shaped.before(), "row") + " are gathered in "
                        + Says.number(shaped.rows()) + ".")
                .orElse("");
        if (corrected.isEmpty()) {
            return gathered;
        }
        Map<String, Long> byColumn = corrected.stream()
                .collect(Collectors.groupingBy(Proposal.Corrected::column, LinkedHashMap::new, Collectors.counting()));
        return (gathered + " You corrected "
                        + Says.list(byColumn.entrySet().stream()
                                .map(entry -> Says.count(entry.getValue(), "cell") + " of " + entry.getKey())
                                .toList())
                        + "; the sources say otherwise.")
                .strip();
    }

    /** The equation of lines, as it is written under a double rule. */
    public String equation() {
        return Says.number(all.seen) + " lines seen = " + Says.number(all.kept) + " kept + "
                + Says.number(all.seen - all.kept) + " set aside";
    }

    // ---- the grid ----

    @Override
    public long rows() {
        return groups.size();
    }

    @Override
    public int columns() {
        return 1 + columns.size() + sums.size();
    }

    @Override
    public int pinned() {
        return 1;
    }

    private boolean isSum(int column) {
        return column > columns.size();
    }

    private Sum sum(int column) {
        return sums.get(column - 1 - columns.size());
    }

    @Override
    public String title(int column) {
        if (column == 0) {
            return Character.toUpperCase(grouping.words().charAt(0))
                    + grouping.words().substring(1);
        }
        return isSum(column) ? sum(column).title() : columns.get(column - 1).title();
    }

    @Override
    public String subtitle(int column) {
        return column == 0
                ? ""
                : isSum(column)
                        ? sum(column).subtitle()
                        : columns.get(column - 1).subtitle();
    }

    @Override
    public double width(int column) {
        return column == 0
                ? grouping.texts().isEmpty() ? 260 : 120
                : isSum(column) ? 116 : columns.get(column - 1).width();
    }

    @Override
    public boolean numeric(int column) {
        return column > 0;
    }

    @Override
    public String text(long row, int column) {
        return text(groups.get((int) row), column);
    }

    private String text(Group group, int column) {
        if (column == 0) {
            return group.name;
        }
        if (isSum(column)) {
            BigDecimal sum = sum(column).of().apply(group);
            return sum.signum() == 0 ? "·" : MasterGrid.shownAs(sum.toPlainString(), type);
        }
        long count = columns.get(column - 1).count().applyAsLong(group);
        return count == 0 ? "·" : Says.number(count);
    }

    @Override
    public Tone tone(long row, int column) {
        return text(row, column).equals("·") ? Tone.QUIET : Tone.PLAIN;
    }

    @Override
    public String total(int column) {
        return column == 0 ? "All " + Says.number(all.sources) + " files" : text(all, column);
    }

    @Override
    public boolean isClosed(int column) {
        return closes && column > 0 && !total(column).equals("·");
    }

    @Override
    public String rowLabel(long row) {
        return "";
    }
}
