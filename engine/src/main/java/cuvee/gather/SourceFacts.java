package cuvee.gather;

import cuvee.collect.Stamp;
import cuvee.detect.FoundTable;
import cuvee.detect.RowClass;
import cuvee.detect.SheetClues;
import cuvee.detect.TableColumn;
import cuvee.detect.TotalNames;
import cuvee.finding.Finding;
import cuvee.layout.Nature;
import cuvee.layout.PlacedTable;
import cuvee.master.SheetReader;
import cuvee.sheet.SheetSight;
import cuvee.value.Form;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * What was found in a source when it was last read; kept in the store, so that an unchanged source is not read again.
 *
 * @param home the path of its place, as the job has it
 * @param stamp what the system said of the file when its content was last looked at
 * @param sum of its content, see {@link cuvee.collect.FileContent}
 * @param readAs what was said about how it is to be read, in the words of {@link cuvee.sheet.ReadAs}
 * @param sheets its sheets in file order; those of the last time where it could be read then and cannot be now; empty
 *     where it never could be
 * @param problem why it cannot be read; one finding, or none
 * @param openQuote the line of a text file in which a quote is opened that is never closed, so that all its quotes were
 *     read as text; 0 where there is none
 */
public record SourceFacts(
        String path,
        String home,
        Stamp stamp,
        String sum,
        String readAs,
        List<SheetFacts> sheets,
        List<Finding> problem,
        int openQuote) {

    /** The kind of what is said of a file that has changed since its rows were closed. */
    public static final String CLOSED_CHANGED = "closed-changed";

    public SourceFacts {
        sheets = List.copyOf(sheets);
        problem = List.copyOf(problem);
    }

    /**
     * A sheet of a source.
     *
     * @param id its number in staging
     * @param width the width of the staging table that holds its rows
     * @param hidden true for a sheet that people do not see
     * @param clues what the workbook says of it besides its cells
     * @param lastRow the last row that holds anything
     * @param columns how many columns its widest row has
     * @param noticed what was noticed of it that its cells do not show
     * @param plain what was found before the other tables of the batch and the job had a say
     * @param signatures the layouts of its tables before the job had a say
     * @param under what had a say in what was found: a hash of hints, and readings in words
     * @param firstTable the number of its first table; the others follow
     */
    public record SheetFacts(
            int id,
            int width,
            String name,
            String form,
            boolean hidden,
            SheetClues clues,
            int lastRow,
            int columns,
            Noticed noticed,
            List<Plain> plain,
            List<String> signatures,
            String under,
            int firstTable,
            List<FoundTable> tables) {
        public SheetFacts {
            plain = List.copyOf(plain);
            signatures = List.copyOf(signatures);
            tables = List.copyOf(tables);
        }

        /** True for a text file in whose lines nothing separates cells. */
        public boolean isOfLines() {
            return !form.isEmpty() && columns == 1 && lastRow > 1;
        }

        /** The same sheet with its tables found anew. */
        SheetFacts found(List<String> newSignatures, String newUnder, int first, List<FoundTable> newTables) {
            return new SheetFacts(
                    id,
                    width,
                    name,
                    form,
                    hidden,
                    clues,
                    lastRow,
                    columns,
                    noticed,
                    plain,
                    newSignatures,
                    newUnder,
                    first,
                    newTables);
        }

        /** The same sheet under other numbers. */
        public SheetFacts numbered(int newId, int newFirstTable) {
            return new SheetFacts(
                    newId,
                    width,
                    name,
                    form,
                    hidden,
                    clues,
                    lastRow,
                    columns,
                    noticed,
                    plain,
                    signatures,
                    under,
                    newFirstTable,
                    tables);
        }

        /** Why it may be set aside as a whole, as a stable word; empty for a sheet in sight with a table. */
        public String asideKind() {
            return hidden ? HIDDEN : tables.isEmpty() ? EMPTY : "";
        }

        /** Its tables with their numbers and place. */
        public List<PlacedTable> placed(String source) {
            List<PlacedTable> placed = new ArrayList<>();
            for (FoundTable table : tables) {
                placed.add(PlacedTable.of(firstTable + placed.size(), id, width, source, name, clues, table));
            }
            return placed;
        }

        /**
         * The rows of a table that are no records, by row number: what each is. Where tables stand side by side a row
         * that is blank in one of them is staged because of the other, so blank ones are told too.
         */
        Map<Integer, String> aside(int at) {
            FoundTable table = tables.get(at);
            Map<Integer, String> rows = new TreeMap<>();
            boolean besideAnother = tables.stream()
                    .filter(other -> !other.equals(table))
                    .anyMatch(other -> other.firstRow() <= table.lastRow() && other.lastRow() >= table.firstRow());
            if (besideAnother) {
                for (int row = table.firstRow(); row <= table.lastRow(); row++) {
                    rows.put(row, RowClass.BLANK.word());
                }
                for (FoundTable.Run run : table.runs()) {
                    for (int row = run.first(); row < run.first() + run.count(); row++) {
                        rows.remove(row);
                    }
                }
            }
            table.aside().forEach(row -> rows.put(row.row(), row.rowClass().word()));
            return rows;
        }

        SheetReader.Staged staged() {
            return new SheetReader.Staged(id, width, name.isEmpty());
        }
    }

    /**
     * What was noticed of a sheet that its cells do not show.
     *
     * @param cutRows the first rows where a cell reached into the next column, in text that only spaces set apart
     * @param struckRows the first rows all of whose cells are struck through
     */
    public record Noticed(int hiddenRows, int hiddenColumns, List<Integer> cutRows, List<Integer> struckRows) {
        public Noticed {
            cutRows = List.copyOf(cutRows);
            struckRows = List.copyOf(struckRows);
        }

        static Noticed of(SheetSight sight) {
            return new Noticed(sight.hiddenRows(), sight.hiddenColumns(), sight.cutRows(), sight.struckRows());
        }

        public boolean hides() {
            return hiddenRows + hiddenColumns > 0;
        }
    }

    /** Why a sheet without a table is set aside. */
    static final String EMPTY = "empty-sheet";

    /** Why a hidden sheet is set aside. */
    static final String HIDDEN = "hidden-sheet";

    /**
     * A table as its sheet alone shows it.
     *
     * @param keys the loose keys of its named headers
     * @param close true where other rows could be its header, or only the lower ones of those that are taken for it
     * @param thousands true where a point in its numbers only ever parts thousands, as it seems
     * @param totalNames what its totals under names of their own are called, and what may be one
     */
    record Plain(List<String> keys, boolean close, boolean thousands, TotalNames totalNames) {
        private static final int ENOUGH = 3;

        Plain {
            keys = List.copyOf(keys);
        }

        /**
         * True where a column of totals comes to what the number columns before it do once its points part thousands, and
         * not as they were read: with G for its numbers that have a point and P for the others, G + P was added up, and
         * 1000 G + P is what it has to be. G then has three decimals, which it has by accident once in a thousand times.
         */
        private static boolean addsUpInThousands(List<TableColumn> columns) {
            double before = 0;
            int added = 0;
            for (TableColumn column : columns) {
                long open = column.evidence().count(Form.POINT_OR_GROUP);
                boolean numbers = Nature.of(column.evidence()) == Nature.NUMBERS;
                if (open > 0 && added >= ENOUGH) {
                    double parted = (before - column.sum()) / 999;
                    double thousands = parted * 1000;
                    if (parted >= open
                            && column.sum() - parted > -0.5
                            && Math.abs(thousands - Math.rint(thousands)) < 1e-6 * Math.max(1, thousands)) {
                        return true;
                    }
                }
                before = numbers ? before + column.sum() : 0;
                added = numbers ? added + 1 : 0;
            }
            return false;
        }

        static Plain of(FoundTable table) {
            return new Plain(
                    table.columns().stream()
                            .filter(TableColumn::named)
                            .map(column -> LooseText.key(column.header()))
                            .toList(),
                    table.header() == FoundTable.Sureness.CLOSE
                            || table.headerRows().size() > 1,
                    table.columns().stream()
                                    .anyMatch(column -> column.evidence().groupsByPoint())
                            || addsUpInThousands(table.columns()),
                    table.totalNames());
        }
    }

    /** The same with other sheets. */
    public SourceFacts withSheets(List<SheetFacts> others) {
        return new SourceFacts(path, home, stamp, sum, readAs, others, problem, openQuote);
    }

    /** The same content, of which the system says something else now. */
    public SourceFacts withStamp(Stamp now) {
        return new SourceFacts(path, home, now, sum, readAs, sheets, problem, openQuote);
    }

    /** The same, the path of its place said otherwise. */
    public SourceFacts withHome(String newHome) {
        return new SourceFacts(path, newHome, stamp, sum, readAs, sheets, problem, openQuote);
    }

    /** The rows of these facts, kept for a source that cannot be read now. */
    SourceFacts keptFor(SourceFacts unreadable) {
        return new SourceFacts(
                unreadable.path,
                unreadable.home,
                unreadable.stamp,
                unreadable.sum,
                unreadable.readAs,
                sheets,
                unreadable.problem,
                0);
    }

    /** These facts for a file that holds something else now, which a finding says; their content is still these rows. */
    public SourceFacts keptAsClosed(SourceFacts now, Finding said) {
        return new SourceFacts(path, home, now.stamp, sum, now.readAs, sheets, List.of(said), 0);
    }

    /** The size of its file in bytes. */
    public long size() {
        return stamp.size();
    }

    /** When its file was last changed, in milliseconds since 1970. */
    public long modified() {
        return stamp.modified();
    }

    /** The tables of all its sheets, with their numbers and places. */
    public List<PlacedTable> placed() {
        return sheets.stream().flatMap(sheet -> sheet.placed(path).stream()).toList();
    }

    /** True where it has tables, be they of the last time. */
    public boolean hasTables() {
        return sheets.stream().anyMatch(sheet -> !sheet.tables().isEmpty());
    }

    /** The records of its tables. */
    public long rows() {
        return sheets.stream()
                .flatMap(sheet -> sheet.tables().stream())
                .mapToLong(FoundTable::kept)
                .sum();
    }

    /** True where it cannot be read now and the rows of the last time stand for it. */
    public boolean isKept() {
        return !problem.isEmpty() && hasTables();
    }

    /** True where it holds rows of a closed period, though its file has changed since. */
    public boolean isHeldClosed() {
        return problem.stream().anyMatch(finding -> finding.kind().equals(CLOSED_CHANGED));
    }

    boolean locked() {
        return problem.stream().anyMatch(finding -> finding.kind().equals("encrypted"));
    }

    /** True where it can be read. */
    public boolean readable() {
        return problem.isEmpty();
    }
}
