package cuvee.detect;

import cuvee.sheet.Row;
import cuvee.value.DayNames;
import cuvee.value.Form;
import cuvee.value.Forms;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Rows right below a header that only say again what stands where: the numbers of the columns ({@code 1 2 3}, {@code (1) (2)
 * (3)}, {@code A B 1 2}), what questions are called ({@code Q1 Q2 Q3}), or the days of the week below dates or
 * the days of a month.
 */
final class UnderHeader {
    private static final int FEWEST = 3;
    private static final int FEWEST_OVER_NUMBERS = 2;
    private static final Pattern NUMBER = Pattern.compile("[(\\[]?(\\d{1,2})[)\\].]*(\\s*=.*)?");
    private static final Pattern DAY = Pattern.compile("(0?[1-9]|[12]\\d|3[01])(?:st|nd|rd|th|\\.)?");
    private static final Pattern CODE = Pattern.compile("(\\p{L}{1,3})[ _.-]?(\\d{1,2})");
    private static final Pattern LETTER = Pattern.compile("[(\\[]?([A-Za-z])[)\\].]*");

    private UnderHeader() {}

    /** True where a row numbers the columns that a header names, and is no record of small numbers, or names their days. */
    static boolean isIn(Row row, Row header, List<Row> below) {
        if (isCodes(row, header.filled(), below)) {
            return true;
        }
        return isAgain(row, header.filled())
                && (heads(row, below) || isWeekdays(row))
                && (!isWeekdays(row) || areDays(header));
    }

    /**
     * True for codes that go up by one, {@code Q1 Q2 Q3}, over columns of which several hold numbers only; texts may stand
     * before them.
     */
    private static boolean isCodes(Row row, int columns, List<Row> below) {
        String before = "";
        int next = 0;
        int codes = 0;
        int overNumbers = 0;
        for (int c = 0; c < row.width(); c++) {
            if (row.blank(c)) {
                continue;
            }
            Matcher code = CODE.matcher(row.text(c).strip());
            if (!code.matches()) {
                if (codes > 0 || Forms.of(row, c).isNumber()) {
                    return false;
                }
                continue;
            }
            int number = Integer.parseInt(code.group(2));
            if (codes > 0 && !(code.group(1).equals(before) && number == next)) {
                return false;
            }
            before = code.group(1);
            next = number + 1;
            codes++;
            overNumbers += holdsNumbers(below, c) ? 1 : 0;
        }
        return codes >= FEWEST && overNumbers >= FEWEST_OVER_NUMBERS && row.filled() * 10 >= columns * 8;
    }

    private static boolean holdsNumbers(List<Row> below, int column) {
        int filled = 0;
        int numbers = 0;
        for (Row each : below) {
            Form form = Forms.of(each, column);
            filled += form == Form.BLANK ? 0 : 1;
            numbers += form.isNumber() ? 1 : 0;
        }
        return filled >= FEWEST && numbers == filled;
    }

    /** True where a row says so again of columns of which a row before it has. */
    static boolean isAgain(Row row, int columns) {
        return row.filled() >= FEWEST && row.filled() * 10 >= columns * 8 && (goesUp(row) || isWeekdays(row));
    }

    /** True where all that a row says are days of the week, by their names or first letters. */
    static boolean isWeekdays(Row row) {
        List<String> texts = new ArrayList<>();
        for (int c = 0; c < row.width(); c++) {
            if (!row.blank(c)) {
                texts.add(row.text(c));
            }
        }
        return texts.stream().allMatch(DayNames::isDay) || DayNames.areInitials(texts);
    }

    /** True for a day of a month, from 1 to 31: {@code 7}, {@code 07}, {@code 7th}. */
    static boolean isDayNumber(String text) {
        return DAY.matcher(text.strip()).matches();
    }

    /** True for dates, and for days of a month one after the other. */
    private static boolean areDays(Row header) {
        int dates = 0;
        int days = 0;
        for (int c = 0; c < header.width(); c++) {
            dates += Forms.of(header, c).isDate() ? 1 : 0;
            Matcher day = DAY.matcher(header.text(c).strip());
            Matcher before = DAY.matcher(c == 0 ? "" : header.text(c - 1).strip());
            days += day.matches() && before.matches() && follows(before, day) ? 1 : 0;
        }
        return dates >= FEWEST || days >= FEWEST;
    }

    private static boolean follows(Matcher before, Matcher day) {
        int next = Integer.parseInt(day.group(1));
        return next == Integer.parseInt(before.group(1)) + 1 || next == 1;
    }

    /** True for numbers from 1, or letters from A, that go up by one from cell to cell; letters may come first. */
    private static boolean goesUp(Row row) {
        int nextNumber = 1;
        int nextLetter = 'a';
        for (int c = 0; c < row.width(); c++) {
            if (row.blank(c)) {
                continue;
            }
            String text = row.text(c).strip();
            Matcher number = NUMBER.matcher(text);
            Matcher letter = LETTER.matcher(text);
            if (number.matches() && Integer.parseInt(number.group(1)) == nextNumber) {
                nextNumber++;
            } else if (nextNumber == 1
                    && letter.matches()
                    && Character.toLowerCase(text.charAt(letter.start(1))) == nextLetter) {
                nextLetter++;
            } else {
                return false;
            }
        }
        return true;
    }

    /** True where some column holds words or dates further down: there its number is none of the values. */
    private static boolean heads(Row row, List<Row> below) {
        for (int c = 0; c < row.width(); c++) {
            int filled = 0;
            int other = 0;
            for (Row each : below) {
                Form form = Forms.of(each, c);
                filled += form == Form.BLANK ? 0 : 1;
                other += form == Form.BLANK || form.isNumber() ? 0 : 1;
            }
            if (!row.blank(c) && filled > 0 && other * 2 > filled) {
                return true;
            }
        }
        return false;
    }
}
