package cuvee.master;

import cuvee.layout.Origin;
import cuvee.value.Convention;
import cuvee.value.Evidence;
import cuvee.value.Type;
import cuvee.value.YesNoWords;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * How the master is made from staging: its columns, and for each table which cell feeds which column and how it is read.
 *
 * @param tables in the order of the master
 * @param makings what fills the columns that no cell does, each behind those that it needs
 * @param rules what sets rows aside, in the order in which it does
 * @param shaping what is done with the rows that are left
 */
public record MasterPlan(
        List<Column> columns,
        List<Tag> tags,
        List<Table> tables,
        List<Making> makings,
        List<RowRule> rules,
        Shaping shaping) {
    /** A plan without rules. */
    public MasterPlan(List<Column> columns, List<Tag> tags, List<Table> tables) {
        this(columns, tags, tables, List.of(), List.of(), Shaping.NONE);
    }

    public MasterPlan {
        columns = List.copyOf(columns);
        tags = List.copyOf(tags);
        tables = List.copyOf(tables);
        makings = List.copyOf(makings);
        rules = List.copyOf(rules);
    }

    /** True for a column with amounts of several currencies, which the column beside it says; they are never added up. */
    public static boolean isMixed(List<Column> columns, int column) {
        return column + 1 < columns.size() && columns.get(column + 1).part() == Column.Part.CURRENCY;
    }

    /** True for a column whose values can be added up. */
    public boolean addsUp(int column) {
        return columns.get(column).type().isNumber() && !isMixed(columns, column);
    }

    /** True where cells of some table stand in several rows each, beside columns that become rows. */
    public boolean repeats(int column) {
        return tables.stream().anyMatch(table -> table.repeats(column));
    }

    /**
     * True where cells of some table are not one for each row that holds their value: those beside columns that become rows,
     * those carried down, and lines that head rows.
     */
    public boolean isSpread(int column) {
        return tables.stream().anyMatch(table -> table.isSpread(column));
    }

    /** True for the plan of a master that was shaped: its rows are those of one table, which is none of the sources'. */
    boolean isShaped() {
        return tables.size() == 1 && tables.get(0).id() == 0;
    }

    /**
     * A master column made of cells.
     *
     * @param wholeDigits the most digits before the decimal mark, where it is a number
     * @param decimals the most digits behind it
     * @param replaced texts of a made column that are written as others, or as nothing where those are empty
     * @param part which part of its cells it holds
     * @param currency that of its amounts, where all have the same; else empty
     * @param spelling how its texts are spelled
     * @param words how yes and no are written where it is delivered as text
     */
    public record Column(
            String name,
            Type type,
            int wholeDigits,
            int decimals,
            Map<String, String> replaced,
            Part part,
            String currency,
            Spelling spelling,
            YesNoWords words) {
        /** What of a cell a column holds. */
        public enum Part {
            VALUE,
            /** The currency beside an amount, where amounts of several stand in one column. */
            CURRENCY,
            /** Nothing of cells: it is made from other columns. */
            MADE
        }

        public Column {
            replaced = java.util.Collections.unmodifiableMap(new java.util.LinkedHashMap<>(replaced));
        }

        public Column(String name, Type type, int wholeDigits, int decimals) {
            this(name, type, wholeDigits, decimals, Map.of(), Part.VALUE, "");
        }

        /** A column whose texts are as they are written. */
        public Column(
                String name,
                Type type,
                int wholeDigits,
                int decimals,
                Map<String, String> replaced,
                Part part,
                String currency) {
            this(
                    name,
                    type,
                    wholeDigits,
                    decimals,
                    replaced,
                    part,
                    currency,
                    Spelling.AS_WRITTEN,
                    YesNoWords.TRUE_FALSE);
        }

        /** The store's type for it. */
        String sqlType() {
            return switch (type) {
                case TEXT -> "VARCHAR";
                case WHOLE_NUMBER -> wholeDigits <= 18 ? "BIGINT" : "DECIMAL(38,0)";
                case DECIMAL, MONEY, PERCENT -> decimalType();
                case DATE -> "DATE";
                case DATE_AND_TIME -> "TIMESTAMP";
                case TIME -> "TIME";
                case YES_NO -> "BOOLEAN";
            };
        }

        /** The decimals that the store keeps of it, where it is a number. */
        public int scale() {
            // Room to grow keeps next month's slightly larger numbers from rebuilding the master.
            return type == Type.WHOLE_NUMBER
                    ? 0
                    : decimals <= 2 ? 2 : decimals <= 4 ? 4 : Math.min(decimals, 38 - Math.min(wholeDigits, 37));
        }

        private String decimalType() {
            int scale = scale();
            return wholeDigits + scale <= 18 ? "DECIMAL(18," + scale + ")" : "DECIMAL(38," + scale + ")";
        }
    }

    /** How the texts of a column are spelled. */
    public enum Spelling {
        AS_WRITTEN("as written"),
        BARE("no spaces before and behind"),
        TIDY("spaces tidied"),
        SMALL("spaces tidied, small letters"),
        CAPITALS("spaces tidied, capitals"),
        FIRST_CAPITAL("spaces tidied, each word with a capital");

        /** White space as people see it, non-breaking kinds included. */
        private static final String SPACES = "[\\s\u00a0\u2007\u202f\u3000]+";

        private final String words;

        Spelling(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** The store's expression of a text spelled so. */
        String of(String text) {
            String tidy = "trim(regexp_replace(" + text + ", '" + SPACES + "', ' ', 'g'))";
            return switch (this) {
                case AS_WRITTEN -> text;
                case BARE -> "regexp_replace(" + text + ", '^" + SPACES + "|" + SPACES + "$', '', 'g')";
                case TIDY -> tidy;
                case SMALL -> "lower(" + tidy + ")";
                case CAPITALS -> "upper(" + tidy + ")";
                case FIRST_CAPITAL ->
                    "array_to_string(list_transform(string_split(lower(" + tidy
                            + "), ' '), lambda word: upper(word[1]) || word[2:]), ' ')";
            };
        }
    }

    /**
     * A column and the formula that fills it.
     *
     * @param inPlace true where cells feed the column too, and the formula says what becomes of what they hold
     */
    public record Making(int column, Formula formula, boolean inPlace) {}

    /** A tag column: its name and the value it has in each table, in the order of the tables. */
    public record Tag(String name, TagKind kind) {}

    /** What a tag says. */
    public enum TagKind {
        SOURCE_FILE,
        SOURCE_SHEET
    }

    /**
     * One table's part in the master.
     *
     * @param id its own number
     * @param staged the number under which its sheet's rows are staged
     * @param width the width of the staging table that holds its rows
     * @param firstRow the first row that can be a record
     * @param runs the row numbers of its records
     * @param turned how many rows each record becomes, blank ones included; 0 where it stays one
     * @param lines its section lines, where a column is made from them
     * @param heads rows that are no records and whose cells stand for those of the records below them
     * @param corrected single cells that are read as something else
     * @param putBack rows that no rule sets aside
     * @param feeds for each master column what feeds it; null where the table has nothing for it
     */
    public record Table(
            int id,
            int staged,
            int width,
            String source,
            String sheet,
            int firstRow,
            int lastRow,
            Runs runs,
            boolean hasAside,
            int turned,
            List<Line> lines,
            List<Integer> heads,
            List<Corrected> corrected,
            Set<Integer> putBack,
            List<Feed> feeds) {

        public Table {
            lines = List.copyOf(lines);
            heads = List.copyOf(heads);
            corrected = List.copyOf(corrected);
            putBack = Set.copyOf(putBack);
            feeds = java.util.Collections.unmodifiableList(new ArrayList<>(feeds));
        }

        /** True where cells of a column stand in several rows each, beside columns that become rows or in heads above them. */
        public boolean repeats(int column) {
            Feed feed = feeds.get(column);
            return feed != null && feed.origin() instanceof Origin.Cell && (turned > 0 || isOfHeads(column));
        }

        /** True for a column whose cells stand in rows above those that they are said of. */
        public boolean isOfHeads(int column) {
            Feed feed = feeds.get(column);
            return !heads.isEmpty() && feed != null && feed.origin() instanceof Origin.Cell cell && cell.carried();
        }

        private boolean isSpread(int column) {
            Feed feed = feeds.get(column);
            return feed != null
                    && (turned > 0 && !(feed.origin() instanceof Origin.Values)
                            || feed.origin() instanceof Origin.Line
                            || feed.origin() instanceof Origin.Cell cell && cell.carried());
        }

        /** How many of its rows are records. */
        public int kept() {
            return runs.count();
        }

        /** The row number of the record at a position, from 0. */
        int rowAt(long position) {
            return runs.rowAt((int) position);
        }
    }

    /** A cell, by the sheet's row and its column from 0, and the staged cell that it is read as; empty for blank. */
    public record Corrected(int row, int column, String to) {}

    /** A line that heads the rows below it, up to the next of its level. */
    public record Line(int row, int level, String text) {}

    /** Row numbers in runs, so that the record at any position is found at once. */
    public static final class Runs {
        private final int[] firsts;
        private final int[] before;

        /** Runs from their first row numbers and lengths. */
        public Runs(int[] firsts, int[] counts) {
            this.firsts = firsts.clone();
            this.before = new int[firsts.length + 1];
            for (int i = 0; i < counts.length; i++) {
                before[i + 1] = before[i] + counts[i];
            }
        }

        int count() {
            return before[before.length - 1];
        }

        int rowAt(int position) {
            int found = java.util.Arrays.binarySearch(before, position);
            int run = found >= 0 ? found : -found - 2;
            while (run + 1 < before.length && before[run + 1] <= position) {
                run++;
            }
            return firsts[run] + position - before[run];
        }
    }

    /**
     * What feeds a column and how it is read; the evidence decides the quickest right way.
     *
     * @param currency that of amounts that name none themselves; empty where nothing says it
     * @param replaced texts of its cells that are read as others, or as nothing where those are empty; shared by many
     *     feeds, and not to be changed
     * @param turned true where numbers are read with the other sign
     * @param corrected true where some of its cells are corrected, which the evidence of the others says nothing of
     */
    public record Feed(
            Origin origin,
            Convention convention,
            Evidence evidence,
            String currency,
            Map<String, String> replaced,
            boolean turned,
            boolean corrected) {
        public Feed(Origin origin, Convention convention, Evidence evidence) {
            this(origin, convention, evidence, "", Map.of(), false, false);
        }

        /** Stands for a column that the table does not have. */
        public static final @Nullable Feed ABSENT = null;
    }
}
