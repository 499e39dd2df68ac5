package cuvee.gather;

import cuvee.detect.FoundTable;
import cuvee.detect.HeaderHints;
import cuvee.detect.TableColumn;
import cuvee.detect.TableFinder;
import cuvee.finding.CuveeException;
import cuvee.place.Where;
import cuvee.sheet.ReadLimits;
import cuvee.sheet.Row;
import cuvee.sheet.SheetFiles;
import cuvee.sheet.SheetInfo;
import cuvee.sheet.SheetVisitor;
import cuvee.value.LooseText;
import cuvee.value.ValueReader;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The first table of a small file, in memory: texts as people see them, without outer spaces.
 *
 * @param rows its records, as many texts as there are headers in each
 */
public record SmallTable(List<String> headers, List<List<String>> rows) {
    private static final int MOST_ROWS = 200_000;

    public SmallTable {
        headers = List.copyOf(headers);
        rows = List.copyOf(rows);
    }

    /** The place of a header, from 0, capitals and spaces apart; -1 where there is none. */
    public int at(String header) {
        String key = LooseText.key(header);
        for (int i = 0; i < headers.size(); i++) {
            if (LooseText.key(headers.get(i)).equals(key)) {
                return i;
            }
        }
        return -1;
    }

    /**
     * Reads a file's first table with headers and records.
     *
     * @throws CuveeException where the file cannot be read, is too long, or holds none
     */
    public static SmallTable read(Path file) {
        Where where = Where.source(String.valueOf(file.getFileName()));
        List<SmallTable> found = new ArrayList<>();
        SheetFiles.read(file, where, ReadLimits.DEFAULT, new SheetVisitor() {
            private TableFinder finder = new TableFinder(HeaderHints.NONE);
            private final Map<Integer, Row> rows = new HashMap<>();

            @Override
            public Wanted sheet(SheetInfo sheet) {
                finder = new TableFinder(HeaderHints.NONE);
                rows.clear();
                return found.isEmpty() ? Wanted.ROWS : Wanted.NOTHING;
            }

            @Override
            public void row(Row row) {
                finder.row(row);
                rows.put(row.number(), row.copy());
                if (rows.size() > MOST_ROWS) {
                    throw CuveeException.failure(
                            "too-long",
                            where,
                            "It has more than " + MOST_ROWS + " rows",
                            "It was not read to its end.",
                            "Take a shorter table.");
                }
            }

            @Override
            public void endSheet() {
                finder.end().stream()
                        .filter(table -> !table.headerRows().isEmpty() && table.kept() > 0)
                        .findFirst()
                        .ifPresent(table -> found.add(of(table, rows)));
            }
        });
        if (found.isEmpty()) {
            throw CuveeException.failure(
                    "no-table",
                    where,
                    "It holds no table with headers",
                    "Nothing was taken from it.",
                    "Add a header row.");
        }
        return found.get(0);
    }

    private static SmallTable of(FoundTable table, Map<Integer, Row> rows) {
        List<List<String>> records = new ArrayList<>();
        for (FoundTable.Run run : table.runs()) {
            for (int number = run.first(); number < run.first() + run.count(); number++) {
                Row row = rows.get(number);
                if (row != null) {
                    records.add(table.columns().stream()
                            .map(column ->
                                    column.index() < row.width() ? ValueReader.trim(row.text(column.index())) : "")
                            .toList());
                }
            }
        }
        return new SmallTable(table.columns().stream().map(TableColumn::header).toList(), records);
    }
}
