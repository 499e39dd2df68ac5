package cuvee.detect;

import java.util.List;
import java.util.Map;

/**
 * One rectangle of records found in a sheet.
 *
 * @param firstRow the first of its rows, titles included
 * @param headerRows the rows that hold its header; empty where it has none
 * @param lastRow the last of its rows, notes included
 * @param aside rows that are no records, apart from blank ones, in order
 * @param blanks how many blank rows stand among its rows
 * @param runs runs of row numbers that are records, in order
 * @param titles the texts of the title rows
 * @param doubts what was decided below certainty
 * @param totals the totals that the sheet itself states
 * @param rival the row that would do nearly as well as the header; 0 where none would
 * @param reason why it was read so, in a sentence
 * @param reading what had been decided about it, in the words of {@link Reading}; empty where nothing was
 * @param totalNames what totals under names of their own are called, for a look at other tables
 */
public record FoundTable(
        int firstRow,
        List<Integer> headerRows,
        int lastRow,
        List<TableColumn> columns,
        List<Aside> aside,
        int blanks,
        List<Run> runs,
        List<String> titles,
        List<Doubt> doubts,
        List<StatedTotal> totals,
        Sureness header,
        int rival,
        String reason,
        String reading,
        TotalNames totalNames) {

    /** How surely the header was told from the rows around it. */
    public enum Sureness {
        SURE,
        /** Another row would do nearly as well; the headers of other tables can decide. */
        CLOSE
    }

    public FoundTable {
        headerRows = List.copyOf(headerRows);
        columns = List.copyOf(columns);
        aside = List.copyOf(aside);
        runs = List.copyOf(runs);
        titles = List.copyOf(titles);
        doubts = List.copyOf(doubts);
        totals = List.copyOf(totals);
    }

    /**
     * A row that is no record.
     *
     * @param text what a section line says, or a line of the record above it; in a row of the header what such lines are
     *     called; empty for all others
     */
    public record Aside(int row, RowClass rowClass, String text) {
        public Aside(int row, RowClass rowClass) {
            this(row, rowClass, "");
        }
    }

    /** Records one below the other without a row between them. */
    public record Run(int first, int count) {}

    /**
     * Something decided below certainty.
     *
     * @param kind a stable word for its sort, such as {@code total-row}
     * @param text what is in doubt and what was assumed; a whole sentence
     * @param rows the rows that the answer moves
     */
    public record Doubt(String kind, int row, String text, int rows) {}

    /**
     * A total that the sheet states for one column.
     *
     * @param stated the total as the sheet gives it
     * @param added the sum of the records it covers
     * @param records how many records it covers
     */
    public record StatedTotal(int row, int column, double stated, double added, int records) {
        public boolean agrees() {
            return Agreement.of(stated, added, records);
        }
    }

    /** The same with other lines above its header. */
    FoundTable withTitles(List<String> others) {
        return new FoundTable(
                firstRow,
                headerRows,
                lastRow,
                columns,
                aside,
                blanks,
                runs,
                others,
                doubts,
                totals,
                header,
                rival,
                reason,
                reading,
                totalNames);
    }

    /** The same, of whose lines only that of its first record is counted here: the others are, with another table. */
    public FoundTable withItsRecordOnly() {
        int record = runs.get(0).first();
        return new FoundTable(
                record,
                headerRows,
                record,
                columns,
                List.of(),
                0,
                runs,
                titles,
                doubts,
                totals,
                header,
                rival,
                reason,
                reading,
                totalNames);
    }

    /** True for a sheet that holds one record: its columns are labels, each with one value in a row of its own. */
    public boolean isForm() {
        return columns.stream().anyMatch(column -> column.row() > 0);
    }

    /** The first of the sheet's columns that it fills, from 0. */
    public int firstColumn() {
        return columns.stream().mapToInt(TableColumn::index).min().orElse(0);
    }

    /** The last of the sheet's columns that it fills, from 0. */
    public int lastColumn() {
        return columns.stream().mapToInt(TableColumn::index).max().orElse(0);
    }

    /** The lines that head the rows below them, in order. */
    public List<Aside> sections() {
        return aside.stream().filter(row -> row.rowClass() == RowClass.SECTION).toList();
    }

    /** The lines that belong to the record right above each, in order. */
    public List<Aside> below() {
        return aside.stream().filter(row -> row.rowClass() == RowClass.BELOW).toList();
    }

    /** What the header calls the lines below records; empty where it does not. */
    public String nameOfBelow() {
        return aside.stream()
                .filter(row -> row.rowClass() == RowClass.HEADER && !row.text().isEmpty())
                .map(Aside::text)
                .findFirst()
                .orElse("");
    }

    /** The rows that are records. */
    public int kept() {
        return runs.stream().mapToInt(Run::count).sum();
    }

    /** Every row from the first to the last. */
    public int seen() {
        return kept() + blanks + aside.size();
    }

    /** The rows set aside, by what they are; blank ones included. */
    public Map<RowClass, Integer> setAside() {
        Map<RowClass, Integer> counts = new java.util.EnumMap<>(RowClass.class);
        aside.forEach(row -> counts.merge(row.rowClass(), 1, Integer::sum));
        if (blanks > 0) {
            counts.put(RowClass.BLANK, blanks);
        }
        return counts;
    }
}
