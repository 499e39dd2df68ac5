package cuvee.sheet;

import java.util.Arrays;
import java.util.Optional;

/** How the cells of a text file are quoted that hold separators or line breaks. */
public enum Quoting {
    DOUBLE("double quotes", '"'),
    SINGLE("single quotes", '\''),
    /** Quotes are text like any other. The sign is a character that no text has. */
    NONE("no quotes", '\uFFFF');

    private static final String BOUNDARIES = ",;\t|\r\n";
    /** So many quoted cells are no accident. */
    private static final int SOME = 3;

    private final String words;
    private final char sign;

    Quoting(String words, char sign) {
        this.words = words;
        this.sign = sign;
    }

    public String words() {
        return words;
    }

    char sign() {
        return sign;
    }

    /** Reads what {@link #words} says. */
    static Optional<Quoting> of(String words) {
        return Arrays.stream(values()).filter(each -> each.words.equals(words)).findFirst();
    }

    /**
     * Quoted cells of a text, whatever parts its cells.
     *
     * @param whole those that end with a quote before the next cell
     * @param torn those that begin with a quote and do not end with one
     * @param lines how many lines have one that is whole
     */
    private record Cells(int whole, int torn, int lines) {}

    /**
     * How the beginning of a file is quoted: with double quotes unless only single ones do their work, and not at all
     * where most quotes that begin a cell do not end it.
     */
    static Quoting told(String sample) {
        Cells doubled = cells(sample, DOUBLE.sign);
        if (doubled.torn() > doubled.whole()) {
            return NONE;
        }
        Cells single = cells(sample, SINGLE.sign);
        boolean singly = doubled.whole() == 0
                && single.torn() == 0
                && single.whole() >= SOME
                && single.lines() * 2L >= sample.lines().count() - 1;
        return singly ? SINGLE : DOUBLE;
    }

    /** True where a text has cells that are quoted so. */
    boolean isIn(String sample) {
        return this != NONE && cells(sample, sign).whole() > 0;
    }

    private static Cells cells(String sample, char sign) {
        int whole = 0;
        int torn = 0;
        int lines = 0;
        int lineOfLast = -1;
        int line = 0;
        boolean begins = true;
        int at = 0;
        while (at < sample.length()) {
            char c = sample.charAt(at);
            if (begins && c == sign) {
                int end = closing(sample, at, sign);
                if (end == sample.length()) {
                    // The sample may end within the cell.
                    break;
                }
                if (end > 0) {
                    whole++;
                    lines += lineOfLast == line ? 0 : 1;
                    lineOfLast = line;
                    at = end;
                } else {
                    torn++;
                }
            }
            c = sample.charAt(at);
            begins = BOUNDARIES.indexOf(c) >= 0;
            line += c == '\n' ? 1 : 0;
            at++;
        }
        return new Cells(whole, torn, lines);
    }

    /** Where the quote that ends a cell stands; the end of the text where none does, -1 where the next is not at its end. */
    private static int closing(String sample, int start, char sign) {
        int at = sample.indexOf(sign, start + 1);
        while (at >= 0 && at + 1 < sample.length() && sample.charAt(at + 1) == sign) {
            at = sample.indexOf(sign, at + 2);
        }
        if (at < 0) {
            return sample.length();
        }
        boolean ends = at + 1 == sample.length() || BOUNDARIES.indexOf(sample.charAt(at + 1)) >= 0;
        return ends ? at : -1;
    }
}
