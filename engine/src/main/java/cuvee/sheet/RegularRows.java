package cuvee.sheet;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Locale;

/**
 * The XML of a sheet without the rows that are written as programs write them. Those are read on the way, straight from the
 * bytes; from the first row that is out of the ordinary on, all is handed over, so that the XML parser behind reads the
 * rest, and judges what is no XML. Where anything about the part is unusual nothing is taken out.
 */
final class RegularRows extends InputStream {
    private static final byte[] BEGIN = bytes("<sheetData>");
    private static final byte[] ROW = bytes("<row");
    private static final byte[] ROW_END = bytes("</row>");
    private static final byte[] INLINE = bytes("<is><t>");
    private static final byte[] INLINE_SPACED = bytes("<is><t xml:space=\"preserve\">");
    private static final byte[] INLINE_END = bytes("</is>");
    private static final int MOST = 1 << 22;
    /** So many bytes behind the last that was read may be looked at; they are nothing that belongs there. */
    private static final int SLACK = 64;
    /** Answers for a place where something is out of the ordinary. */
    private static final int ODD = -1;

    private final InputStream in;
    private final SheetCells cells;
    private byte[] buffer = new byte[1 << 16];
    private int from;
    private int to;
    /** Up to here the bytes may be handed over. */
    private int until;
    /** Up to here the bytes are whole rows. */
    private int whole;

    /** Where the name of the attribute at hand begins, and where its value is quoted. */
    private int name;

    private int quote;
    private int close;

    private State state = State.BEFORE;

    private enum State {
        BEFORE,
        ROWS,
        REST
    }

    RegularRows(InputStream in, SheetCells cells) {
        this.in = in;
        this.cells = cells;
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.US_ASCII);
    }

    @Override
    public int read() throws IOException {
        byte[] one = new byte[1];
        return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
    }

    @Override
    public int read(byte[] bytes, int offset, int length) throws IOException {
        if (length == 0) {
            return 0;
        }
        if (from == until && state == State.BEFORE && until == 0) {
            findRows();
        } else if (from == until && state == State.ROWS) {
            takeRows();
        }
        if (from == until) {
            return in.read(bytes, offset, length);
        }
        int count = Math.min(length, until - from);
        System.arraycopy(buffer, from, bytes, offset, count);
        from += count;
        return count;
    }

    /** Reads up to where the rows begin. */
    private void findRows() throws IOException {
        int begin = -1;
        while (begin < 0 && to < MOST && more()) {
            begin = indexOf(BEGIN, Math.max(0, to - (1 << 17)), to);
        }
        boolean usual = begin >= 0 && isUsual(new String(buffer, 0, begin, StandardCharsets.ISO_8859_1));
        state = usual ? State.ROWS : State.REST;
        until = usual ? begin + BEGIN.length : to;
    }

    /** No comment or declaration in which the words could stand, and an encoding in which bytes are what they seem. */
    private static boolean isUsual(String before) {
        int declared = before.indexOf("encoding=");
        boolean utf8 = declared < 0
                || before.substring(declared + 10, Math.min(before.length(), declared + 16))
                        .toLowerCase(Locale.ROOT)
                        .startsWith("utf-8");
        return utf8 && !before.contains("<!");
    }

    /** Takes all rows up to the first that is out of the ordinary. */
    private void takeRows() throws IOException {
        state = State.REST;
        boolean taken = true;
        while (taken) {
            from = space(from);
            if (from >= whole && !moreRows()) {
                break;
            }
            int end = isAt(ROW, from) ? row() : ODD;
            taken = end != ODD;
            from = taken ? end : from;
        }
        until = to;
    }

    /** Reads on until the buffer holds whole rows. Answers false where there are none, or one is too long. */
    private boolean moreRows() throws IOException {
        int end = lastIndexOf(ROW_END, from);
        int searched = to - from;
        while (end < 0 && to - from < MOST && more()) {
            end = lastIndexOf(ROW_END, from + Math.max(0, searched - ROW_END.length));
            searched = to - from;
        }
        whole = end < 0 ? from : end + ROW_END.length;
        from = space(from);
        return from < whole;
    }

    private int space(int at) {
        int i = at;
        while (i < to && (buffer[i] == ' ' || buffer[i] == '\n' || buffer[i] == '\t' || buffer[i] == '\r')) {
            i++;
        }
        return i;
    }

    /** Reads on; what has been handed over or taken makes room. Answers false at the end. */
    private boolean more() throws IOException {
        if (from > 0) {
            System.arraycopy(buffer, from, buffer, 0, to - from);
            to -= from;
            from = 0;
        }
        if (to + SLACK >= buffer.length) {
            buffer = Arrays.copyOf(buffer, buffer.length * 2);
        }
        int read = in.read(buffer, to, buffer.length - SLACK - to);
        to += Math.max(0, read);
        return read > 0;
    }

    private boolean isAt(byte[] word, int at) {
        if (at + word.length > to) {
            return false;
        }
        for (int i = 0; i < word.length; i++) {
            if (buffer[at + i] != word[i]) {
                return false;
            }
        }
        return true;
    }

    private int indexOf(char c, int at) {
        for (int i = at; i < to; i++) {
            if (buffer[i] == c) {
                return i;
            }
        }
        return -1;
    }

    private int indexOf(byte[] word, int at, int end) {
        for (int i = at; i + word.length <= end; i++) {
            if (buffer[i] == word[0] && buffer[i + 1] == word[1] && isAt(word, i)) {
                return i;
            }
        }
        return -1;
    }

    private int lastIndexOf(byte[] word, int start) {
        for (int i = to - word.length; i >= start; i--) {
            if (buffer[i] == word[0] && isAt(word, i)) {
                return i;
            }
        }
        return -1;
    }

    // ---- one row, with the end of some row behind it in the buffer ----

    /** Takes the row that begins here; answers where it ends, {@link #ODD} where it is out of the ordinary. */
    private int row() {
        int given = 0;
        boolean hidden = false;
        int at = from + ROW.length;
        while (buffer[at] != '>' && buffer[at] != '/') {
            if (!attribute(at)) {
                return ODD;
            }
            if (isName('r', name)) {
                given = number(quote + 1, close);
            } else if (isHidden(name)) {
                hidden = buffer[quote + 1] == '1' || buffer[quote + 1] == 't';
            }
            at = spaceBeforeEnd(close + 1);
        }
        cells.beginRow(given, hidden);
        if (buffer[at] == '/') {
            boolean ends = buffer[at + 1] == '>';
            if (ends) {
                cells.endRow();
            }
            return ends ? at + 2 : ODD;
        }
        at = space(at + 1);
        while (buffer[at] == '<' && buffer[at + 1] == 'c') {
            at = cell(at);
            if (at == ODD) {
                return ODD;
            }
            at = space(at);
        }
        if (!isAt(ROW_END, at)) {
            return ODD;
        }
        cells.endRow();
        return at + ROW_END.length;
    }

    /** Finds the attribute that begins here, behind some white space; false where it is out of the ordinary. */
    private boolean attribute(int at) {
        name = space(at);
        quote = quote(name);
        close = quote == ODD ? ODD : valueEnd(quote);
        return close != ODD && name != at;
    }

    /** Blanks before the end of a tag do not begin another attribute. */
    private int spaceBeforeEnd(int at) {
        int next = space(at);
        return buffer[next] == '>' || buffer[next] == '/' ? next : at;
    }

    /** Where the value of the attribute that begins here is quoted. */
    private int quote(int at) {
        int i = at;
        while (buffer[i] != '=' && buffer[i] != '>' && buffer[i] != '<') {
            i++;
        }
        boolean quoted = buffer[i] == '=' && (buffer[i + 1] == '"' || buffer[i + 1] == '\'');
        return quoted ? i + 1 : ODD;
    }

    private int valueEnd(int quote) {
        int i = quote + 1;
        while (buffer[i] != buffer[quote]) {
            if (buffer[i] == '<' || buffer[i] == '&') {
                return ODD;
            }
            i++;
        }
        return i;
    }

    private boolean isName(char name, int at) {
        return buffer[at] == name && buffer[at + 1] == '=';
    }

    private boolean isHidden(int at) {
        return buffer[at] == 'h' && buffer[at + 1] == 'i' && buffer[at + 6] == '=';
    }

    /** A whole number of up to nine digits; -1 for anything else. */
    private int number(int start, int end) {
        int number = end == start || end - start > 9 ? -1 : 0;
        for (int i = start; i < end && number >= 0; i++) {
            number = buffer[i] >= '0' && buffer[i] <= '9' ? number * 10 + buffer[i] - '0' : -1;
        }
        return number;
    }

    /** Takes a cell; answers where it ends. */
    private int cell(int start) {
        byte behind = buffer[start + 2];
        if (buffer[start] != '<' || buffer[start + 1] != 'c' || behind != ' ' && behind != '>' && behind != '/') {
            return ODD;
        }
        int at = start + 2;
        int column = -1;
        int style = 0;
        SheetCells.Kind kind = SheetCells.Kind.NUMBER;
        while (buffer[at] != '>' && buffer[at] != '/') {
            if (!attribute(at)) {
                return ODD;
            }
            if (isName('r', name)) {
                column = columnOf(quote + 1, close);
            } else if (isName('s', name)) {
                style = number(quote + 1, close);
            } else if (isName('t', name)) {
                kind = close == quote + 2 && buffer[quote + 1] == 's'
                        ? SheetCells.Kind.SHARED_TEXT
                        : SheetCells.Kind.of(
                                new String(buffer, quote + 1, close - quote - 1, StandardCharsets.ISO_8859_1));
            }
            at = spaceBeforeEnd(close + 1);
        }
        cells.beginCell(column, style, kind);
        if (buffer[at] == '/') {
            cells.endCell();
            return buffer[at + 1] == '>' ? at + 2 : ODD;
        }
        return inside(at + 1);
    }

    /** Letters and digits as in AB12; below 0 for anything else. */
    private int columnOf(int start, int end) {
        int column = 0;
        int i = start;
        while (i < end && buffer[i] >= 'A' && buffer[i] <= 'Z') {
            column = Math.min(column * 26 + buffer[i] - 'A' + 1, 1 << 20);
            i++;
        }
        return i == start || i == end || buffer[i] < '0' || buffer[i] > '9' ? -1 : column - 1;
    }

    /** What stands between the tags of a cell; answers where the cell ends. */
    private int inside(int start) {
        int at = space(start);
        while (buffer[at] == '<') {
            byte begins = buffer[at + 1];
            if (begins == '/') {
                cells.endCell();
                return buffer[at + 2] == 'c' && buffer[at + 3] == '>' ? at + 4 : ODD;
            } else if (begins == 'v' && buffer[at + 2] == '>') {
                cells.value();
                at = text(at + 3, 'v');
            } else if (begins == 'f') {
                cells.formula();
                at = pastFormula(at);
            } else if (begins == 'i' && (isAt(INLINE, at) || isAt(INLINE_SPACED, at))) {
                cells.value();
                int end = text(indexOf('>', at + 4) + 1, 't');
                at = end != ODD && isAt(INLINE_END, end) ? end + INLINE_END.length : ODD;
            } else {
                return ODD;
            }
            if (at == ODD) {
                return ODD;
            }
            at = space(at);
        }
        return ODD;
    }

    private int pastFormula(int start) {
        byte behind = buffer[start + 2];
        int tag = behind == '>' || behind == ' ' || behind == '/' ? indexOf('>', start) : ODD;
        if (tag == ODD || buffer[tag - 1] == '/') {
            return tag == ODD ? ODD : tag + 1;
        }
        int close = indexOf('<', tag);
        boolean ends = close >= 0 && buffer[close + 1] == '/' && buffer[close + 2] == 'f' && buffer[close + 3] == '>';
        return ends ? close + 4 : ODD;
    }

    /** Adds a text up to the closing tag of its element; answers where that ends. */
    private int text(int start, char element) {
        int at = start;
        while (buffer[at] != '<') {
            byte b = buffer[at];
            if (b >= ' ' && b != '&') {
                cells.append((char) b);
                at++;
            } else {
                at = b == '&' ? entity(at) : b < 0 ? beyondAscii(at) : b == '\n' || b == '\t' ? plain(at) : ODD;
                if (at == ODD) {
                    return ODD;
                }
            }
        }
        boolean ends = buffer[at + 1] == '/' && buffer[at + 2] == element && buffer[at + 3] == '>';
        return ends ? at + 4 : ODD;
    }

    private int plain(int at) {
        cells.append((char) buffer[at]);
        return at + 1;
    }

    private int entity(int at) {
        int end = at + 1;
        while (end < at + 8 && buffer[end] != ';') {
            end++;
        }
        if (buffer[end] != ';') {
            return ODD;
        }
        String name = new String(buffer, at + 1, end - at - 1, StandardCharsets.ISO_8859_1);
        char meant = switch (name) {
            case "amp" -> '&';
            case "lt" -> '<';
            case "gt" -> '>';
            case "quot" -> '"';
            case "apos" -> '\'';
            case "#10", "#xA", "#xa" -> '\n';
            default -> 0;
        };
        if (meant == 0) {
            return ODD;
        }
        cells.append(meant);
        return end + 1;
    }

    /** A character of two or three bytes; longer and wrong ones are left to the parser. */
    private int beyondAscii(int at) {
        int first = buffer[at] & 0xFF;
        int second = buffer[at + 1];
        int third = buffer[at + 2];
        if (first >= 0xC2 && first < 0xE0 && isFollowing(second)) {
            cells.append((char) ((first & 0x1F) << 6 | second & 0x3F));
            return at + 2;
        }
        int three = (first & 0x0F) << 12 | (second & 0x3F) << 6 | third & 0x3F;
        boolean whole = first >= 0xE0 && first < 0xF0 && isFollowing(second) && isFollowing(third);
        if (!whole || three < 0x800 || three >= 0xD800 && three <= 0xDFFF || three >= 0xFFFE) {
            return ODD;
        }
        cells.append((char) three);
        return at + 3;
    }

    private static boolean isFollowing(int b) {
        return (b & 0xC0) == 0x80;
    }
}
