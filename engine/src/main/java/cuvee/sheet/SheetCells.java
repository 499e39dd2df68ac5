package cuvee.sheet;

import cuvee.place.Where;
import cuvee.sheet.NumberFormats.DayCount;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The cells of one sheet as their parts go by: what each comes to in the row under way. A row that was begun may be begun
 * again; only its end counts.
 */
final class SheetCells {
    /** What a cell says of itself. */
    enum Kind {
        NUMBER,
        SHARED_TEXT,
        TEXT,
        YES_NO,
        ERROR,
        DATE;

        static Kind of(String word) {
            return switch (word) {
                case "s" -> SHARED_TEXT;
                case "str", "inlineStr" -> TEXT;
                case "b" -> YES_NO;
                case "e" -> ERROR;
                case "d" -> DATE;
                default -> NUMBER;
            };
        }
    }

    /**
     * What a workbook holds for all its sheets.
     *
     * @param strings the texts that cells refer to by number
     * @param formats how cells show numbers, by the number of their style
     * @param struck the numbers of the styles whose text is struck through
     */
    record Shared(List<String> strings, List<CellFormat> formats, DayCount dayCount, Set<Integer> struck) {}

    /** So many rows that are struck through are named. */
    private static final int MOST_STRUCK = 1000;

    private final SheetVisitor visitor;
    private final Where place;
    private final ReadLimits limits;
    private final Shared shared;
    private final Row row = new Row();
    private final Map<Integer, String> currencies = new HashMap<>();
    private final List<CellRange> merged = new ArrayList<>();
    private char[] text = new char[256];
    private int length;
    private int lastRow;
    private boolean hidden;
    private int column;
    private int style;
    private Kind kind = Kind.NUMBER;
    private boolean formula;
    private boolean value;
    private int hiddenRows;
    private int hiddenColumns;
    private final List<Integer> struckRows = new ArrayList<>();
    private int filledCells;
    private int struckCells;

    SheetCells(SheetVisitor visitor, Where place, ReadLimits limits, Shared shared) {
        this.visitor = visitor;
        this.place = place;
        this.limits = limits;
        this.shared = shared;
    }

    /** Begins a row; one without a number of its own follows the last. */
    void beginRow(int given, boolean isHidden) {
        int next = given > 0 ? given : lastRow + 1;
        hidden = isHidden;
        filledCells = 0;
        struckCells = 0;
        row.begin(next, Math.max(0, next - lastRow - 1));
        column = -1;
    }

    void endRow() {
        lastRow = row.number();
        hiddenRows += hidden && row.width() > 0 ? 1 : 0;
        if (struckCells > 0 && struckCells == filledCells && struckRows.size() < MOST_STRUCK) {
            struckRows.add(row.number());
        }
        visitor.row(row);
    }

    /** Begins a cell; one without a column of its own, below 0, stands right of the last. */
    void beginCell(int given, int styleNumber, Kind said) {
        length = 0;
        style = styleNumber;
        kind = said;
        formula = false;
        value = false;
        column = given < 0 ? column + 1 : given;
        if (column >= limits.columns()) {
            throw Unreadable.limit(
                    place, "The sheet has more than " + limits.columns() + " columns, which is the limit.");
        }
    }

    void formula() {
        formula = true;
    }

    void value() {
        value = true;
    }

    /** Adds to the text of the value. */
    void append(char[] chars, int start, int count) {
        room(count);
        System.arraycopy(chars, start, text, length, count);
        length += count;
    }

    /** The same for one character. */
    void append(char c) {
        room(1);
        text[length++] = c;
    }

    private void room(int count) {
        if (length + count > text.length) {
            if (length + count > limits.cellLength()) {
                throw Unreadable.limit(place, "A cell holds more than " + limits.cellLength() + " characters.");
            }
            text = Arrays.copyOf(text, Math.max(length + count, text.length * 2));
        }
    }

    void endCell() {
        // Some programs write an empty value beside a formula that they have not worked out; an empty text is a result.
        if (!value || length == 0 && kind != Kind.TEXT) {
            if (formula) {
                row.set(column, CellKind.ERROR, "formula without a stored result");
            }
            return;
        }
        if (!shared.struck().isEmpty()) {
            filledCells++;
            struckCells += shared.struck().contains(style) ? 1 : 0;
        }
        switch (kind) {
            case SHARED_TEXT -> sharedText();
            case TEXT -> plainText();
            case YES_NO -> {
                String said = told().trim();
                row.set(column, CellKind.YES_NO, said.equals("1") || said.equals("true") ? "true" : "false");
            }
            case ERROR -> row.set(column, CellKind.ERROR, text, 0, length);
            case DATE -> isoDate();
            case NUMBER -> number();
        }
    }

    private String told() {
        return new String(text, 0, length);
    }

    private void sharedText() {
        int index = wholeNumber(text, length);
        if (index < 0 || index >= shared.strings().size()) {
            row.set(column, CellKind.ERROR, "text number " + told() + " is missing in the workbook");
        } else {
            row.set(column, CellKind.TEXT, shared.strings().get(index));
        }
    }

    private static int wholeNumber(char[] chars, int count) {
        int number = count == 0 || count > 9 ? -1 : 0;
        for (int i = 0; i < count && number >= 0; i++) {
            number = chars[i] >= '0' && chars[i] <= '9' ? number * 10 + chars[i] - '0' : -1;
        }
        return number;
    }

    private void plainText() {
        boolean escaped = false;
        for (int i = 0; i + 1 < length; i++) {
            escaped |= text[i] == '_' && text[i + 1] == 'x';
        }
        if (escaped) {
            row.set(column, CellKind.TEXT, unescape(told()));
        } else {
            row.set(column, CellKind.TEXT, text, 0, length);
        }
    }

    private void isoDate() {
        String iso = told().trim().replaceFirst("Z$", "");
        row.set(column, CellKind.DATE, iso.endsWith("T00:00:00") ? iso.substring(0, iso.length() - 9) : iso);
    }

    private void number() {
        if (length == 0) {
            return;
        }
        CellFormat format =
                style >= 0 && style < shared.formats().size() ? shared.formats().get(style) : CellFormat.PLAIN;
        int plain = format.isPlain() ? NumberText.plainLength(text, length) : -1;
        if (plain > 0) {
            row.set(column, CellKind.NUMBER, text, 0, plain);
        } else {
            format.put(row, column, told(), shared.dayCount());
        }
        if (!format.currency().isEmpty()) {
            currencies.merge(column, format.currency(), (one, other) -> one.equals(other) ? one : "");
        }
    }

    void hiddenColumns(int count) {
        hiddenColumns += count;
    }

    void merged(CellRange range) {
        merged.add(range);
    }

    /** Tells what was seen of the sheet besides its cells. */
    void tellSight() {
        currencies.values().removeIf(String::isEmpty);
        if (!merged.isEmpty() || hiddenRows + hiddenColumns > 0 || !currencies.isEmpty() || !struckRows.isEmpty()) {
            visitor.sight(new SheetSight(merged, hiddenRows, hiddenColumns, currencies, List.of(), struckRows));
        }
    }

    /** Control characters are written as _x000D_ and the like. */
    static String unescape(CharSequence written) {
        String text = written.toString();
        int at = text.indexOf("_x");
        if (at < 0) {
            return text;
        }
        StringBuilder plain = new StringBuilder(text.length());
        int from = 0;
        while (at >= 0) {
            boolean escape = at + 7 <= text.length()
                    && text.charAt(at + 6) == '_'
                    && text.substring(at + 2, at + 6).matches("[0-9A-Fa-f]{4}");
            if (escape) {
                plain.append(text, from, at).append((char) Integer.parseInt(text.substring(at + 2, at + 6), 16));
                from = at + 7;
            }
            at = text.indexOf("_x", escape ? from : at + 1);
        }
        return plain.append(text, from, text.length()).toString();
    }
}
