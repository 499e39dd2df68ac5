package cuvee.detect;

import cuvee.sheet.CellRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What has been decided about how a sheet is read, where it is not left to the evidence.
 *
 * @param headerRows the rows of its headers, in order, those of one header without a gap; empty where they are found
 * @param headerShift by how many rows the header stands lower than it would be found
 * @param lastRow the last row that can be a record; 0 where it is found
 * @param rows what single rows are, by row number; null stands for a record
 * @param unnamedTotals whether rows that add up those above but name nothing are totals
 * @param lines whether lines of a single word between records are records
 * @param cells the only cells that are looked at; empty where all are
 * @param form whether the sheet is a form with one record
 */
public record Reading(
        List<Integer> headerRows,
        int headerShift,
        int lastRow,
        Map<Integer, Optional<RowClass>> rows,
        boolean unnamedTotals,
        boolean lines,
        Optional<CellRange> cells,
        Form form) {
    /** Whether a sheet holds one record, labels with their values beside or below them. */
    public enum Form {
        AS_FOUND(""),
        NO("no form"),
        YES("form");

        private final String word;

        Form(String word) {
            this.word = word;
        }
    }

    /** All is left to the evidence. */
    public static final Reading DEFAULT =
            new Reading(List.of(), 0, 0, Map.of(), false, false, Optional.empty(), Form.AS_FOUND);

    private static final Pattern ROWS = Pattern.compile("(\\d+)(?:-(\\d+))?");
    private static final Pattern SHIFT = Pattern.compile("header (\\d+) (lower|higher)");

    public Reading {
        headerRows = List.copyOf(headerRows);
        rows = Map.copyOf(rows);
    }

    /** True where the header is named, so that nothing is left to find beside it. */
    public boolean fixed() {
        return !headerRows.isEmpty();
    }

    /** True where nothing is told of single rows. */
    boolean tellsNoRow() {
        return !fixed() && lastRow == 0 && rows.isEmpty();
    }

    /** True for the first row of a header that has been told. */
    boolean beginsHeader(int row) {
        return fixed() && headerRows.contains(row) && !headerRows.contains(row - 1);
    }

    /** The same with one more header. */
    public Reading withHeader(int first, int last) {
        Set<Integer> rowsOfAll = new TreeSet<>(headerRows);
        for (int row = first; row <= last; row++) {
            rowsOfAll.add(row);
        }
        List<Integer> header = List.copyOf(rowsOfAll);
        return new Reading(header, 0, lastRow, rows, unnamedTotals, lines, cells, form);
    }

    /** The same with its headers left to be found. */
    public Reading withoutHeaders() {
        return new Reading(List.of(), headerShift, lastRow, rows, unnamedTotals, lines, cells, form);
    }

    public Reading withShift(int lower) {
        return new Reading(List.of(), lower, lastRow, rows, unnamedTotals, lines, cells, form);
    }

    public Reading withLastRow(int row) {
        return new Reading(headerRows, headerShift, row, rows, unnamedTotals, lines, cells, form);
    }

    /** The same with some rows told; empty stands for records. */
    public Reading withRows(int first, int last, Optional<RowClass> what) {
        Map<Integer, Optional<RowClass>> changed = new TreeMap<>(rows);
        for (int row = first; row <= last; row++) {
            changed.put(row, what);
        }
        return new Reading(headerRows, headerShift, lastRow, changed, unnamedTotals, lines, cells, form);
    }

    public Reading withUnnamedTotals(boolean totals) {
        return new Reading(headerRows, headerShift, lastRow, rows, totals, lines, cells, form);
    }

    public Reading withLines(boolean records) {
        return new Reading(headerRows, headerShift, lastRow, rows, unnamedTotals, records, cells, form);
    }

    /** The same, where the sheet is a form, or none. */
    public Reading withForm(Form other) {
        return new Reading(headerRows, headerShift, lastRow, rows, unnamedTotals, lines, cells, other);
    }

    /** The same, looking at these cells only. */
    public Reading withCells(CellRange range) {
        return new Reading(headerRows, headerShift, lastRow, rows, unnamedTotals, lines, Optional.of(range), form);
    }

    /**
     * The reading in words that {@link #of} understands, such as {@code header 4-5; last row 118; row 40 record; row 44
     * total}; empty where all is left to the evidence.
     */
    public String words() {
        List<String> words = new ArrayList<>();
        cells.ifPresent(range -> words.add("cells " + range));
        for (int first : headerRows) {
            if (beginsHeader(first)) {
                int last = first;
                while (headerRows.contains(last + 1)) {
                    last++;
                }
                words.add("header " + (first == last ? String.valueOf(first) : first + "-" + last));
            }
        }
        if (headerShift != 0) {
            words.add("header " + Math.abs(headerShift) + (headerShift > 0 ? " lower" : " higher"));
        }
        if (lastRow > 0) {
            words.add("last row " + lastRow);
        }
        if (unnamedTotals) {
            words.add("sums are totals");
        }
        if (lines) {
            words.add("single words are records");
        }
        if (form != Form.AS_FOUND) {
            words.add(form.word);
        }
        new TreeMap<>(rows)
                .forEach((row, what) ->
                        words.add("row " + row + " " + what.map(RowClass::word).orElse("record")));
        return String.join("; ", words);
    }

    /** Reads what {@link #words} writes; empty where the text is none of it. */
    public static Optional<Reading> of(String words) {
        Reading reading = DEFAULT;
        for (String word : words.split(";", -1)) {
            String part = word.strip();
            if (part.isEmpty()) {
                continue;
            }
            Optional<Reading> next = reading.and(part);
            if (next.isEmpty()) {
                return Optional.empty();
            }
            reading = next.get();
        }
        return Optional.of(reading);
    }

    private Optional<Reading> and(String part) {
        Matcher shift = SHIFT.matcher(part);
        if (shift.matches()) {
            int by = Integer.parseInt(shift.group(1));
            return Optional.of(withShift(shift.group(2).equals("lower") ? by : -by));
        }
        if (part.startsWith("cells ")) {
            return CellRange.of(part.substring(6)).map(this::withCells);
        }
        if (part.startsWith("header ")) {
            return range(part.substring(7)).map(range -> withHeader(range[0], range[1]));
        }
        if (part.startsWith("last row ")) {
            return range(part.substring(9)).map(range -> withLastRow(range[1]));
        }
        if (part.equals("sums are totals")) {
            return Optional.of(withUnnamedTotals(true));
        }
        if (part.equals("single words are records")) {
            return Optional.of(withLines(true));
        }
        for (Form each : Form.values()) {
            if (each != Form.AS_FOUND && part.equals(each.word)) {
                return Optional.of(withForm(each));
            }
        }
        int space = part.lastIndexOf(' ');
        if (!part.startsWith("row ") || space < 4) {
            return Optional.empty();
        }
        String what = part.substring(space + 1);
        Optional<RowClass> told = RowClass.of(what);
        if (told.isEmpty() && !what.equals("record")) {
            return Optional.empty();
        }
        return range(part.substring(4, space)).map(range -> withRows(range[0], range[1], told));
    }

    private static Optional<int[]> range(String text) {
        Matcher rows = ROWS.matcher(text.strip());
        if (!rows.matches()) {
            return Optional.empty();
        }
        int first = Integer.parseInt(rows.group(1));
        int last = rows.group(2) == null ? first : Integer.parseInt(rows.group(2));
        return first > last || first < 1 ? Optional.empty() : Optional.of(new int[] {first, last});
    }
}
