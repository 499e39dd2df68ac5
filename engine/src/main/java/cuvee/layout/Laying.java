package cuvee.layout;

import cuvee.detect.FoundTable;
import cuvee.detect.FoundTable.Aside;
import cuvee.detect.RowClass;
import cuvee.detect.TableColumn;
import cuvee.sheet.CellRange;
import cuvee.value.Ditto;
import cuvee.value.Evidence;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * How a table is laid out for the master: which columns that run across become rows, which blank cells stand for the one
 * above, and what the columns of its section lines are called.
 *
 * @param carried which cells stand for those above them, by the keys of headers
 * @param lines the names of the columns made from section lines, outer ones first; empty where they are left out
 */
public record Laying(Optional<Turn> turn, Map<String, Origin.Carrying> carried, List<String> lines) {
    public static final Laying PLAIN = new Laying(Optional.empty(), Map.of(), List.of());
    /** What the column is called, behind the name of that of the members, that says what is said of these. */
    private static final String STATE = " status";

    /** What a column of the lines below records is called where the header does not say. */
    private static final String LINE_BELOW = "Line below";

    private static final double MOST_FILLED = 0.6;
    /** Fewer words say little by each standing once. */
    private static final int FEWEST_BLOCKS = 4;

    private static final double FEW_BLANKS = 0.05;
    /** A column with blanks has far more of them than one with so many times fewer. */
    private static final int FAR_FEWER = 4;

    public Laying {
        carried = Map.copyOf(carried);
        lines = List.copyOf(lines);
    }

    /**
     * Columns that become rows.
     *
     * @param label the name of the column that says which of them a row came from
     * @param values the names of the columns that hold their cells, in the order of the groups
     * @param blanks true where blank cells become rows too
     */
    public record Turn(Across across, String label, List<String> values, boolean blanks) {
        public Turn {
            values = List.copyOf(values);
        }
    }

    /** A table laid out so. */
    public PlacedTable of(PlacedTable table) {
        FoundTable found = table.table();
        List<LaidColumn> columns = new ArrayList<>();
        long records = found.kept();
        List<Aside> sections = found.sections();
        for (int level = 1; level <= lines.size() && !sections.isEmpty(); level++) {
            List<String> texts = texts(found, lines.size() == 1 ? 0 : level);
            columns.add(LaidColumn.told(
                    lines.get(level - 1),
                    new Origin.Line(level),
                    texts,
                    Math.max(1, records / Math.max(1, texts.size()))));
        }
        Set<Integer> across = turn.map(it -> it.across().columns()).orElse(Set.of());
        for (TableColumn column : found.columns()) {
            boolean said = lines.size() == 1
                    && blankBesideLines(found).filter(lines.get(0)::equals).isPresent()
                    && column.header().equals(lines.get(0));
            if (!across.contains(column.index()) && !said) {
                LaidColumn laid = LaidColumn.of(column);
                columns.add(laid.carried(carried.getOrDefault(LooseText.key(column.header()), Origin.Carrying.NONE)));
            }
        }
        if (!found.below().isEmpty()) {
            List<String> texts = found.below().stream().map(Aside::text).toList();
            String name = found.nameOfBelow().isEmpty() ? LINE_BELOW : found.nameOfBelow();
            columns.add(LaidColumn.told(name, new Origin.Line(Origin.Line.BELOW), texts, 1));
        }
        if (turn.isEmpty()) {
            return table.laid(columns, Signatures.plain(found), 0);
        }
        Turn it = turn.get();
        List<String> labels = it.across().labels();
        columns.add(LaidColumn.told(it.label(), new Origin.Label(labels), labels, Math.max(1, records)));
        List<String> states = it.across().states();
        if (!states.isEmpty()) {
            columns.add(LaidColumn.told(it.label() + STATE, new Origin.Label(states), states, Math.max(1, records)));
        }
        int group = 0;
        for (List<Integer> members : it.across().groups().values()) {
            Evidence evidence = new Evidence();
            double sum = 0;
            for (TableColumn column : found.columns()) {
                if (members.contains(column.index())) {
                    evidence.add(column.evidence());
                    sum += column.sum();
                }
            }
            columns.add(
                    new LaidColumn(it.values().get(group++), new Origin.Values(members, it.blanks()), evidence, sum));
        }
        return table.laid(columns, Signatures.turned(found, it.across()), labels.size());
    }

    // ---- section lines ----

    /**
     * The level of each section line, in their order: where some stand right above others, 1 for those and 2 for the
     * others; else 1 for all.
     */
    public static List<Integer> levels(FoundTable table) {
        List<Aside> sections = table.sections();
        List<Boolean> heads = new ArrayList<>();
        int run = 0;
        for (int i = 0; i < sections.size(); i++) {
            int row = sections.get(i).row();
            while (run < table.runs().size() && table.runs().get(run).first() < row) {
                run++;
            }
            int record = run < table.runs().size() ? table.runs().get(run).first() : Integer.MAX_VALUE;
            heads.add(i + 1 < sections.size() && sections.get(i + 1).row() < record);
        }
        boolean two = heads.contains(true) && heads.contains(false);
        return heads.stream().map(head -> !two || head ? 1 : 2).toList();
    }

    /** The first column of a table, where no record has anything in it: the lines that head the records stand there. */
    public static Optional<String> blankBesideLines(FoundTable table) {
        return table.sections().isEmpty()
                ? Optional.empty()
                : table.columns().stream()
                        .min(Comparator.comparingInt(TableColumn::index))
                        .filter(column -> column.named() && column.evidence().filled() == 0)
                        .map(TableColumn::header);
    }

    private static List<String> texts(FoundTable table, int level) {
        Set<String> texts = new LinkedHashSet<>();
        List<Aside> sections = table.sections();
        List<Integer> levels = levels(table);
        for (int i = 0; i < sections.size(); i++) {
            if (level == 0 || levels.get(i) == level) {
                texts.add(text(sections.get(i)));
            }
        }
        return new ArrayList<>(texts);
    }

    /** What a section line says: without its label, where it has one. */
    public static String text(Aside line) {
        return label(line).isEmpty()
                ? line.text().replaceAll("\\s*:$", "")
                : line.text().substring(line.text().indexOf(':') + 1).replaceFirst("^[ |]+", "");
    }

    /** The label of a section line, as in {@code Region: North}; empty where it has none. */
    public static String label(Aside line) {
        int colon = line.text().indexOf(':');
        boolean labelled = colon > 0 && colon < line.text().length() - 1 && colon <= 30;
        return labelled ? line.text().substring(0, colon).strip() : "";
    }

    // ---- carried down ----

    /**
     * How surely cells of a column stand for the one above.
     *
     * @param merged true where the workbook says so by joined cells, or by rows that fill nothing else
     * @param marks true where it says so by ditto marks, and blank cells are blank
     */
    public record Carried(TableColumn column, boolean merged, boolean marks) {}

    /** The columns that are filled in the first row of each block only, and those with ditto marks. */
    public static List<Carried> carried(PlacedTable table) {
        if (table.table().isForm()) {
            return List.of();
        }
        List<Carried> carried = new ArrayList<>();
        FoundTable found = table.table();
        boolean leading = true;
        TableColumn before = null;
        for (TableColumn column : found.columns()) {
            long blanks = found.kept() - column.evidence().filled();
            if (Ditto.marks(column.evidence()) > 0) {
                carried.add(new Carried(column, false, true));
                leading = false;
            } else if (column.gaps().ofHeads() || blanks > 0 && joined(table, column) >= blanks) {
                carried.add(new Carried(column, true, false));
            } else if (leading
                    && (filledInFirstRowsOnly(found, column) || before != null && filledAs(before, column))
                    && othersFilled(found, column)) {
                carried.add(new Carried(column, false, false));
                before = column;
            } else {
                leading = false;
            }
        }
        return carried;
    }

    /**
     * The leading columns of words that have blanks and no word twice, most of them filled: a list whose categories have
     * one row each but for a few, or words that are missing now and then. The table alone does not tell which.
     */
    public static List<TableColumn> wordsOnce(PlacedTable table) {
        FoundTable found = table.table();
        if (found.isForm()) {
            return List.of();
        }
        return found.columns().stream()
                .takeWhile(column -> Nature.of(column.evidence()) == Nature.WORDS)
                .filter(column -> column.named()
                        && column.gaps().firstFilled()
                        && column.evidence().filled() < found.kept()
                        && eachOnce(column)
                        && othersFilled(found, column))
                .toList();
    }

    /** How many records of a column lie under a joined cell that begins above them. */
    private static long joined(PlacedTable table, TableColumn column) {
        long under = 0;
        for (CellRange range : table.clues().merged()) {
            if (range.rows() > 1 && range.firstColumn() <= column.index() && column.index() <= range.lastColumn()) {
                for (FoundTable.Run run : table.table().runs()) {
                    int from = Math.max(run.first(), range.firstRow() + 1);
                    int to = Math.min(run.first() + run.count() - 1, range.lastRow());
                    under += Math.max(0, to - from + 1);
                }
            }
        }
        return under;
    }

    /** True for words or dates in the rows in which the column before heads its blocks. */
    private static boolean filledAs(TableColumn before, TableColumn column) {
        return column.named()
                && column.evidence().filled() == before.evidence().filled()
                && column.gaps().equals(before.gaps())
                && Nature.of(column.evidence()) != Nature.NUMBERS;
    }

    private static boolean filledInFirstRowsOnly(FoundTable table, TableColumn column) {
        long filled = column.evidence().filled();
        return column.named()
                && column.gaps().firstFilled()
                && filled >= 1
                && table.kept() >= 3
                && (endsAtTotals(table, column)
                        || filled <= table.kept() * MOST_FILLED
                                && (column.gaps().adjacent() * 5L <= filled || eachOnce(column)))
                && filled < table.kept()
                && Nature.of(column.evidence()) != Nature.NUMBERS;
    }

    /** True where no word of a column stands twice, as where each heads a block, be it of one record. */
    private static boolean eachOnce(TableColumn column) {
        long filled = column.evidence().filled();
        return filled >= FEWEST_BLOCKS && column.evidence().oddities().size() == filled;
    }

    /** True where each block ends with a total of its own: then blocks of one record are as good as others. */
    public static boolean endsAtTotals(FoundTable table, TableColumn column) {
        long totals = table.aside().stream()
                .filter(row -> row.rowClass() == RowClass.TOTAL)
                .count();
        return totals >= 2 && totals + 1 >= column.evidence().filled();
    }

    /** True where most other columns have no blanks, or far fewer, so that the blanks of this one are not the table's habit. */
    private static boolean othersFilled(FoundTable table, TableColumn column) {
        Set<TableColumn> others = new HashSet<>(table.columns());
        others.remove(column);
        long blanks = table.kept() - column.evidence().filled();
        long full = others.stream()
                .mapToLong(other -> table.kept() - other.evidence().filled())
                .filter(few -> few <= table.kept() * FEW_BLANKS || few * FAR_FEWER <= blanks)
                .count();
        return full >= 1 && full * 2 >= others.size();
    }
}
