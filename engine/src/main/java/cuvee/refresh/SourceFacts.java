package cuvee.refresh;

import cuvee.detect.FoundTable;
import cuvee.detect.RowClass;
import cuvee.detect.SheetClues;
import cuvee.detect.TableColumn;
import cuvee.finding.Finding;
import cuvee.layout.PlacedTable;
import cuvee.master.SheetReader;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * What was found in a source when it was last read; kept in the store, so that an unchanged source is not read again.
 *
 * @param fingerprint the content's; empty where size and time were enough to tell it
 * @param readAs what was said about how it is to be read, in the words of {@link cuvee.sheet.ReadAs}
 * @param sheets its sheets in file order; empty where it could not be read
 * @param problem why it could not be read; null-free: empty list or one finding
 */
record SourceFacts(
        String path,
        long size,
        long modified,
        String fingerprint,
        String readAs,
        List<SheetFacts> sheets,
        List<Finding> problem) {

    SourceFacts {
        sheets = List.copyOf(sheets);
        problem = List.copyOf(problem);
    }

    /**
     * A sheet of a source.
     *
     * @param id its number in staging
     * @param width the width of the staging table that holds its rows
     * @param asideKind why its rows were not read, as a stable word; empty where they were
     * @param clues what the workbook says of it besides its cells
     * @param lastRow the last row that holds anything
     * @param columns how many columns its widest row has
     * @param plain what was found before the other tables of the batch and the job had a say
     * @param signatures the layouts of its tables before the job had a say
     * @param under what had a say in what was found: a hash of hints, and readings in words
     * @param firstTable the number of its first table; the others follow
     */
    record SheetFacts(
            int id,
            int width,
            String name,
            String form,
            String asideKind,
            SheetClues clues,
            int lastRow,
            int columns,
            int hiddenRows,
            int hiddenColumns,
            List<Plain> plain,
            List<String> signatures,
            String under,
            int firstTable,
            List<FoundTable> tables) {
        SheetFacts {
            plain = List.copyOf(plain);
            signatures = List.copyOf(signatures);
            tables = List.copyOf(tables);
        }

        /** The same sheet with its tables found anew. */
        SheetFacts found(List<String> newSignatures, String newUnder, int first, List<FoundTable> newTables) {
            return new SheetFacts(
                    id,
                    width,
                    name,
                    form,
                    newTables.isEmpty() ? EMPTY : "",
                    clues,
                    lastRow,
                    columns,
                    hiddenRows,
                    hiddenColumns,
                    plain,
                    newSignatures,
                    newUnder,
                    first,
                    newTables);
        }

        /** True for a sheet that people do not see. */
        boolean hidden() {
            return asideKind.equals(HIDDEN);
        }

        /** Its tables with their numbers and place. */
        List<PlacedTable> placed(String source) {
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

    /** Why a sheet without a table is set aside. */
    static final String EMPTY = "empty-sheet";

    /** Why a hidden sheet is set aside. */
    static final String HIDDEN = "hidden-sheet";

    /**
     * A table as its sheet alone shows it.
     *
     * @param keys the loose keys of its named headers
     * @param close true where another row could be its header
     */
    record Plain(List<String> keys, boolean close) {
        Plain {
            keys = List.copyOf(keys);
        }

        static Plain of(FoundTable table) {
            return new Plain(
                    table.columns().stream()
                            .filter(TableColumn::named)
                            .map(column -> LooseText.key(column.header()))
                            .toList(),
                    table.header() == FoundTable.Sureness.CLOSE);
        }
    }

    SourceFacts withSheets(List<SheetFacts> others) {
        return new SourceFacts(path, size, modified, fingerprint, readAs, others, problem);
    }

    boolean locked() {
        return problem.stream().anyMatch(finding -> finding.kind().equals("encrypted"));
    }

    boolean readable() {
        return problem.isEmpty();
    }
}
