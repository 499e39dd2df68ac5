package cuvee.testing;

import cuvee.detect.FoundTable;
import cuvee.detect.HeaderHints;
import cuvee.detect.Reading;
import cuvee.detect.RowClass;
import cuvee.detect.SheetClues;
import cuvee.detect.TableFinder;
import cuvee.sheet.CellKind;
import cuvee.sheet.Row;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * A sheet drawn as text, a line for each row: what the row is, a bar, and its cells with bars between them. Numbers are a
 * workbook's numbers, those behind an apostrophe texts; an empty line is a blank row. The marks: t title, h header, r record, T total, p header repeated, s
 * section, n note, - blank.
 */
public final class DrawnSheet {
    private static final Map<RowClass, String> MARKS = Map.of(
            RowClass.TITLE, "t",
            RowClass.HEADER, "h",
            RowClass.REPEAT, "p",
            RowClass.TOTAL, "T",
            RowClass.SECTION, "s",
            RowClass.NOTE, "n",
            RowClass.OUTSIDE, "o",
            RowClass.BLANK, "-");

    private final List<String> marks = new ArrayList<>();
    private final List<String> cells = new ArrayList<>();

    /** Reads a drawing. */
    public DrawnSheet(String drawing) {
        for (String line : drawing.split("\n", -1)) {
            int bar = line.indexOf('|');
            marks.add(bar < 0 ? "-" : line.substring(0, bar).strip());
            cells.add(bar < 0 ? "" : line.substring(bar + 1));
        }
        if (cells.get(cells.size() - 1).isBlank()) {
            cells.remove(cells.size() - 1);
            marks.remove(marks.size() - 1);
        }
    }

    /** What is found in it, where nothing has been decided. */
    public List<FoundTable> find() {
        return find(Reading.DEFAULT);
    }

    /** What is found in it under a reading. */
    public List<FoundTable> find(Reading reading) {
        TableFinder finder = new TableFinder(HeaderHints.NONE, SheetClues.NONE, reading);
        int blanks = 0;
        for (int i = 0; i < cells.size(); i++) {
            Row row = row(i);
            if (row.blank()) {
                blanks++;
            } else {
                row.afterBlanks(blanks);
                blanks = 0;
                finder.row(row);
            }
        }
        return finder.end();
    }

    private Row row(int at) {
        Row row = new Row();
        row.begin(at + 1, 0);
        String[] parts = cells.get(at).split("\\|", -1);
        for (int c = 0; c < parts.length; c++) {
            String text = parts[c].strip();
            if (!text.isEmpty()) {
                boolean number = text.matches("-?\\d+(\\.\\d+)?");
                row.set(c, number ? CellKind.NUMBER : CellKind.TEXT, text.startsWith("'") ? text.substring(1) : text);
            }
        }
        return row;
    }

    /** The drawing, as it is meant. */
    public String meant() {
        return drawn(marks);
    }

    /** The same drawing with what was found of each row. */
    public String found(List<FoundTable> tables) {
        Map<Integer, String> byRow = new TreeMap<>();
        for (FoundTable table : tables) {
            table.aside().forEach(row -> byRow.put(row.row(), MARKS.get(row.rowClass())));
            table.runs().forEach(run -> {
                for (int row = run.first(); row < run.first() + run.count(); row++) {
                    byRow.put(row, "r");
                }
            });
        }
        List<String> found = new ArrayList<>();
        for (int i = 0; i < cells.size(); i++) {
            found.add(byRow.getOrDefault(i + 1, "-"));
        }
        return drawn(found);
    }

    private String drawn(List<String> marked) {
        List<String> lines = new ArrayList<>();
        for (int i = 0; i < cells.size(); i++) {
            lines.add(marked.get(i) + (cells.get(i).isBlank() ? "" : " |" + cells.get(i)));
        }
        return lines.stream().collect(Collectors.joining("\n"));
    }
}
