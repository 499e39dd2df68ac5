package cuvee.sheet;

import cuvee.sheet.NumberFormats.DayCount;
import cuvee.sheet.NumberFormats.Sense;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * How a workbook shows the number in a cell, which says what the number is.
 *
 * @param codeWidth how many digits a code is shown with; 0 where it is none
 * @param currency the mark of a currency that numbers are shown with; empty where there is none
 */
record CellFormat(Sense sense, int codeWidth, String currency) {
    static final CellFormat PLAIN = new CellFormat(Sense.PLAIN, 0, "");

    /** The format of an id; codes holds those that the workbook defines itself. */
    static CellFormat of(int id, Map<Integer, String> codes) {
        String code = codes.get(id);
        if (code == null) {
            return new CellFormat(NumberFormats.ofBuiltIn(id), 0, "");
        }
        if (code.length() > ReadLimits.DEFAULT.work().formatLength()) {
            return PLAIN;
        }
        Sense sense = NumberFormats.ofCode(code);
        return new CellFormat(
                sense,
                sense == Sense.CODE ? NumberFormats.codeWidth(code) : 0,
                sense == Sense.PLAIN ? NumberFormats.currencyOf(code) : "");
    }

    /** True where a number is shown as nothing but a number. */
    boolean isPlain() {
        return sense == Sense.PLAIN;
    }

    /** Puts a stored number into a row as what it is. */
    void put(Row row, int column, String stored, DayCount dayCount) {
        switch (sense) {
            case DATE -> {
                String iso = dateOf(stored, dayCount);
                row.set(
                        column,
                        iso == null ? CellKind.NUMBER : CellKind.DATE,
                        iso == null ? NumberText.plain(stored) : iso);
            }
            case ELAPSED -> elapsed(row, column, stored, dayCount);
            case PERCENT -> row.set(column, CellKind.PERCENT, NumberText.plain(stored));
            case CODE -> code(row, column, NumberText.plain(stored));
            case TEXT -> row.set(column, CellKind.TEXT, NumberText.plain(stored));
            default -> row.set(column, CellKind.NUMBER, NumberText.plain(stored));
        }
    }

    /** Less than a day is a time; more is text, which no time of day holds. */
    private void elapsed(Row row, int column, String stored, DayCount dayCount) {
        double gone = Double.parseDouble(stored);
        String beyond = gone < 1 ? null : NumberFormats.elapsed(gone);
        if (beyond != null) {
            row.set(column, CellKind.TEXT, beyond);
        } else {
            new CellFormat(Sense.DATE, 0, "").put(row, column, stored, dayCount);
        }
    }

    private static @Nullable String dateOf(String stored, DayCount dayCount) {
        try {
            return NumberFormats.isoDate(Double.parseDouble(stored), dayCount);
        } catch (NumberFormatException noNumber) {
            return null;
        }
    }

    /** A whole number shown with leading zeros is a code; one with decimals is a number, however it is shown. */
    private void code(Row row, int column, String digits) {
        boolean whole = digits.chars().allMatch(c -> c >= '0' && c <= '9');
        row.set(
                column,
                whole ? CellKind.TEXT : CellKind.NUMBER,
                whole ? "0".repeat(Math.max(0, codeWidth - digits.length())) + digits : digits);
    }
}
