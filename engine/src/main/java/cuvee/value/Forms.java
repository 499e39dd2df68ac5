package cuvee.value;

import cuvee.sheet.CellKind;
import cuvee.sheet.ReadLimits;
import cuvee.sheet.Row;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Tells the form of a raw cell, in one pass over its characters where it looks like a number. Values are looked at with
 * white space at both ends left out.
 */
public final class Forms {
    private static final Set<String> NOTHING = Set.of(
            "n/a",
            "na",
            "n.a.",
            "null",
            "nan",
            "nil",
            "none",
            "-",
            "--",
            "---",
            "----",
            "-----",
            "..",
            ":",
            "…",
            "–",
            "—",
            "?",
            "#n/a",
            // What formulas say that failed, where a text file repeats it.
            "#div/0!",
            "#value!",
            "#ref!",
            "#name?",
            "#num!",
            "#null!",
            "k.a.",
            "...",
            "tbd",
            "tba",
            "tbc",
            ".",
            "not known",
            "unknown",
            "not available",
            "not applicable",
            "no data",
            "unbekannt",
            "k. a.");

    private static final int LONGEST_NOTHING =
            NOTHING.stream().mapToInt(String::length).max().orElse(0);

    private static final int MOST_DIGITS = 15;

    private Forms() {}

    /** True for a text that says that there is no value, or that a formula failed. */
    public static boolean saysNothing(String text) {
        return NOTHING.contains(text.strip().toLowerCase(Locale.ROOT));
    }

    /** The form of one cell of a row. */
    public static Form of(Row row, int column) {
        return of(
                row.kind(column),
                row.chars(),
                column < row.width() ? row.start(column) : 0,
                column < row.width() ? row.end(column) : 0);
    }

    /** The amount beside a currency mark, or null where the text is no such thing. */
    static Currencies.@Nullable Amount amount(char[] chars, int start, int end) {
        Currencies.Amount amount = Currencies.strip(chars, start, end);
        if (amount == null) {
            return null;
        }
        Form form = ofStaged(amount.number());
        boolean number = form.isTextNumber() && form != Form.MONEY_TEXT && form != Form.PERCENT_TEXT;
        return number || form == Form.ZERO_LED ? amount : null;
    }

    /** The form of a staged cell. */
    public static Form ofStaged(String staged) {
        char[] chars = CellKind.textOf(staged).toCharArray();
        return of(CellKind.ofStaged(staged), chars, 0, chars.length);
    }

    /** The form of a cell by its kind and characters. */
    public static Form of(CellKind kind, char[] chars, int from, int to) {
        return switch (kind) {
            case EMPTY -> Form.BLANK;
            case TEXT -> ofText(chars, from, to);
            case NUMBER -> ofNumber(chars, from, to);
            case DATE -> ofIso(to - from, chars, from);
            case YES_NO -> Form.CELL_TRUE_FALSE;
            case ERROR -> Form.CELL_ERROR;
            case PERCENT -> Form.NUMBER_PERCENT;
        };
    }

    /** True for a text that begins with a letter and whose form would be the same with other digits. */
    public static boolean goByLetters(char[] chars, int start, int end) {
        return isLetter(chars[start]) && !Dates.couldBeNamed(chars, start, end);
    }

    private static Form ofIso(int length, char[] chars, int from) {
        if (length <= 2 || chars[from + 2] == ':') {
            return Form.CELL_CLOCK;
        }
        return length == 10 ? Form.CELL_DATE : Form.CELL_MOMENT;
    }

    private static Form ofNumber(char[] chars, int from, int to) {
        if (to - from > 39) {
            return Form.NUMBER_HUGE;
        }
        boolean point = false;
        for (int i = from; i < to; i++) {
            char c = chars[i];
            if (c == '.') {
                point = true;
            } else if ((c < '0' || c > '9') && (c != '-' || i > from)) {
                return Form.NUMBER_HUGE;
            }
        }
        return point ? Form.NUMBER_FRACTION : Form.NUMBER_WHOLE;
    }

    private static Form ofText(char[] chars, int from, int to) {
        int start = from;
        int end = to;
        while (start < end && Row.isSpace(chars[start])) {
            start++;
        }
        while (end > start && Row.isSpace(chars[end - 1])) {
            end--;
        }
        if (start == end) {
            return Form.BLANK;
        }
        if (end - start > ReadLimits.NUMBER_LENGTH) {
            return words(chars, start, end);
        }
        // Most words end here: no number, date or amount both begins and ends with a letter.
        if (isLetter(chars[start]) && isLetter(chars[end - 1])) {
            Form word = shortWord(chars, start, end);
            return word == null ? words(chars, start, end) : word;
        }
        Form number = number(chars, start, end);
        return number == null ? other(chars, start, end) : number;
    }

    /** The form of digits with a mark among them, or none where that is the end. */
    static Form ofPlain(char[] chars, int start, int mark, int end) {
        if (mark < end) {
            return marked(chars, start, end, mark, chars[mark] == '.');
        }
        boolean zeroLed = chars[start] == '0' && end - start > 1;
        return zeroLed ? Form.ZERO_LED : end - start > MOST_DIGITS ? Form.LONG_DIGITS : Form.DIGITS;
    }

    /** Plain and grouped numbers with an optional sign. */
    private static @org.jspecify.annotations.Nullable Form number(char[] chars, int from, int to) {
        int start = from;
        if (chars[start] == '-' || chars[start] == '+' || chars[start] == '\u2212') {
            start++;
        }
        int end = to;
        if (Currencies.endsWithoutCents(chars, from, to)) {
            return null;
        }
        if (start == from && end - start > 1 && chars[end - 1] == '-') {
            end--;
        } else if (start == from && end - start > 2 && chars[start] == '(' && chars[end - 1] == ')') {
            start++;
            end--;
        }
        if (start >= end) {
            return null;
        }
        int digits = 0;
        int points = 0;
        int commas = 0;
        int spaces = 0;
        int lastPoint = -1;
        int lastComma = -1;
        for (int i = start; i < end; i++) {
            char c = chars[i];
            if (c >= '0' && c <= '9') {
                digits++;
            } else if (c == '.') {
                points++;
                lastPoint = i;
            } else if (c == ',') {
                commas++;
                lastComma = i;
            } else if ((c == ' ' || c == 0xA0 || c == 0x202F || c == 0x2009 || c == '\'' || c == '\u2019')
                    && digits > 0) {
                spaces++;
            } else if ((c == 'e' || c == 'E') && digits > 0) {
                // Without a point or a sign it is a code, as 373E03 is.
                boolean written =
                        points == 1 || points == 0 && i + 1 < end && (chars[i + 1] == '-' || chars[i + 1] == '+');
                return written && exponent(chars, i + 1, end) && commas + spaces == 0 ? Form.EXPONENT : null;
            } else {
                return null;
            }
        }
        if (digits == 0) {
            return null;
        }
        if (points + commas + spaces == 0) {
            return ofPlain(chars, start, end, end);
        }
        return marked(chars, start, end, points, commas, spaces, lastPoint, lastComma);
    }

    private static @org.jspecify.annotations.Nullable Form marked(
            char[] chars, int start, int end, int points, int commas, int spaces, int lastPoint, int lastComma) {
        int decimal = Math.max(lastPoint, lastComma);
        if (spaces > 0) {
            int wholeEnd = decimal < 0 ? end : decimal;
            if (points + commas > 1 || !grouped(chars, start, wholeEnd, ' ')) {
                return null;
            }
            return decimal < 0 ? Form.SPACED : lastPoint >= 0 ? Form.SPACED_POINT : Form.SPACED_COMMA;
        }
        if (points > 0 && commas > 0) {
            if (lastComma > lastPoint) {
                return commas == 1 && grouped(chars, start, lastComma, '.') ? Form.GROUPED_COMMA : null;
            }
            return points == 1 && grouped(chars, start, lastPoint, ',') ? Form.GROUPED_POINT : null;
        }
        if (points > 1) {
            return grouped(chars, start, end, '.') ? Form.GROUPED_COMMA : null;
        }
        if (commas > 1) {
            return grouped(chars, start, end, ',') ? Form.GROUPED_POINT : null;
        }
        return marked(chars, start, end, decimal, points == 1);
    }

    /** A number with a single mark in it. */
    private static Form marked(char[] chars, int start, int end, int decimal, boolean point) {
        // What has a nought before its digits is a code, as 0302.13 is.
        if (chars[start] == '0' && decimal - start > 1) {
            return Form.ZERO_LED;
        }
        boolean couldGroup = end - decimal == 4 && decimal - start >= 1 && decimal - start <= 3 && chars[start] != '0';
        if (point) {
            return couldGroup ? Form.POINT_OR_GROUP : Form.POINT;
        }
        return couldGroup ? Form.COMMA_OR_GROUP : Form.COMMA;
    }

    /** True for groups of three digits after a first of one to three; a space stands for any kind of space. */
    private static boolean grouped(char[] chars, int start, int end, char by) {
        int run = 0;
        boolean first = true;
        for (int i = start; i < end; i++) {
            char c = chars[i];
            if (c >= '0' && c <= '9') {
                run++;
            } else {
                boolean isBy = by == ' ' ? c != '.' && c != ',' : c == by;
                if (!isBy || (first ? run < 1 || run > 3 : run != 3)) {
                    return false;
                }
                first = false;
                run = 0;
            }
        }
        return first ? run > 0 : run == 3;
    }

    private static boolean exponent(char[] chars, int from, int to) {
        int start = from < to && (chars[from] == '-' || chars[from] == '+') ? from + 1 : from;
        if (start >= to || to - start > 3) {
            return false;
        }
        for (int i = start; i < to; i++) {
            if (chars[i] < '0' || chars[i] > '9') {
                return false;
            }
        }
        return true;
    }

    private static Form other(char[] chars, int start, int end) {
        int length = end - start;
        if (length <= 40) {
            Form date = Dates.form(chars, start, end);
            if (date != null) {
                return date;
            }
            if (chars[end - 1] == '%' && length > 1) {
                Form rest = ofText(chars, start, end - 1);
                if (rest.isTextNumber() && rest != Form.PERCENT_TEXT && rest != Form.MONEY_TEXT) {
                    return Form.PERCENT_TEXT;
                }
            }
            if (amount(chars, start, end) != null && !isUnitOfThousands(chars, start, end)) {
                return Form.MONEY_TEXT;
            }
            Form word = shortWord(chars, start, end);
            if (word != null) {
                return word;
            }
        }
        return words(chars, start, end);
    }

    /** True for {@code EUR 000}: what amounts are stated in, and none. */
    private static boolean isUnitOfThousands(char[] chars, int start, int end) {
        int zeros = 0;
        for (int i = start; i < end; i++) {
            if (chars[i] > '0' && chars[i] <= '9' || chars[i] == '.' || chars[i] == ',') {
                return false;
            }
            zeros += chars[i] == '0' ? 1 : 0;
        }
        return zeros >= 3;
    }

    private static boolean isLetter(char c) {
        return c < 128 ? (c | 0x20) >= 'a' && (c | 0x20) <= 'z' : c >= 0xC0 && Character.isLetter(c);
    }

    /** The few words that are not just words. */
    private static @org.jspecify.annotations.Nullable Form shortWord(char[] chars, int start, int end) {
        if (end - start > LONGEST_NOTHING || !startsShortWord(chars[start], end - start > 1 ? chars[start + 1] : ' ')) {
            return null;
        }
        String word = new String(chars, start, end - start).toLowerCase(Locale.ROOT);
        if (NOTHING.contains(word)) {
            return Form.NOTHING_WORD;
        }
        return word.equals("true") || word.equals("false") ? Form.TRUE_FALSE : null;
    }

    /** True for the first two characters of one of the few words: a look that spares most names a longer one. */
    private static boolean startsShortWord(char first, char second) {
        return switch (first) {
            case 'n', 'N' -> "/a.uio".indexOf(Character.toLowerCase(second)) >= 0;
            case 't', 'T' -> "br".indexOf(Character.toLowerCase(second)) >= 0;
            case 'f', 'F' -> second == 'a' || second == 'A';
            case 'k', 'K' -> second == '.';
            case '-', '.' -> second == first || second == ' ';
            case '#' -> "ndvr".indexOf(Character.toLowerCase(second)) >= 0;
            case 'u', 'U' -> second == 'n' || second == 'N';
            case '–', '—', '?', ':', '…' -> second == ' ';
            default -> false;
        };
    }

    private static Form words(char[] chars, int start, int end) {
        for (int i = start; i < end; i++) {
            if (chars[i] >= '0' && chars[i] <= '9') {
                return Form.WORDS_AND_DIGITS;
            }
        }
        return Form.WORDS;
    }
}
