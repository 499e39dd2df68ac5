package cuvee.sheet;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A text file with other texts in some of its cells; every other character stays as it is. */
public final class TextCells {
    private static final Pattern LINE = Pattern.compile("([^\\r\\n]*)(\\r\\n|\\r|\\n|(?<=[^\\r\\n])\\z)");

    private final String text;
    private final char separator;
    private final char quote;

    private TextCells(String text, char separator, char quote) {
        this.text = text;
        this.separator = separator;
        this.quote = quote;
    }

    /** A cell by the line in which its record begins, from 1, and its column, from 0. */
    public record At(int line, int column) {}

    /**
     * The bytes of a file with some of its cells changed.
     *
     * @param met is filled with the cells that were there
     * @throws CharacterCodingException where the file's own encoding has no sign for what a cell is to say, or is not
     *     what it was taken for
     */
    public static byte[] changed(Path file, ReadAs said, Map<At, String> cells, Set<At> met) throws IOException {
        TextForm form = TextForm.of(file, said);
        byte[] bytes = Files.readAllBytes(file);
        byte[] mark = Arrays.copyOf(bytes, form.markBytes());
        String text = form.charset()
                .newDecoder()
                .onMalformedInput(CodingErrorAction.REPORT)
                .onUnmappableCharacter(CodingErrorAction.REPORT)
                .decode(ByteBuffer.wrap(bytes, mark.length, bytes.length - mark.length))
                .toString();
        char quote = form.quoting() == Quoting.NONE ? '\0' : form.quoting().sign();
        String changed = form.separator() == TextForm.FIXED
                ? inFixedColumns(text, form.columns(), cells, met)
                : new TextCells(text, form.separator(), quote).with(cells, met);
        ByteBuffer encoded = form.charset()
                .newEncoder()
                .onMalformedInput(CodingErrorAction.REPORT)
                .onUnmappableCharacter(CodingErrorAction.REPORT)
                .encode(CharBuffer.wrap(changed));
        byte[] all = Arrays.copyOf(mark, mark.length + encoded.remaining());
        encoded.get(all, mark.length, encoded.remaining());
        return all;
    }

    /** Cells that have no room for what they are to say stay as they are. */
    private static String inFixedColumns(String text, FixedColumns columns, Map<At, String> cells, Set<At> met) {
        StringBuilder changed = new StringBuilder(text.length() + 64);
        Matcher lines = LINE.matcher(text);
        for (int number = 1; lines.find(); number++) {
            String line = lines.group(1);
            for (Map.Entry<At, String> cell : cells.entrySet()) {
                Optional<String> with = cell.getKey().line() == number
                        ? columns.with(line, cell.getKey().column(), cell.getValue())
                        : Optional.empty();
                if (with.isPresent()) {
                    met.add(cell.getKey());
                    line = with.get();
                }
            }
            changed.append(line).append(lines.group(2));
        }
        return changed.toString();
    }

    private String with(Map<At, String> cells, Set<At> met) {
        Set<Integer> lines = new HashSet<>();
        cells.keySet().forEach(at -> lines.add(at.line()));
        StringBuilder changed = new StringBuilder(text.length() + 64);
        int line = 1;
        int at = 0;
        while (at < text.length()) {
            int recordLine = line;
            int column = 0;
            boolean ended = false;
            while (!ended) {
                int end = endOfCell(at);
                for (int i = at; i < end; i++) {
                    line += isEndOfLine(i) ? 1 : 0;
                }
                At place = new At(recordLine, column);
                String to = lines.contains(recordLine) ? cells.get(place) : null;
                if (to == null) {
                    changed.append(text, at, end);
                } else {
                    met.add(place);
                    boolean quoted = quote != '\0' && at < end && text.charAt(at) == quote;
                    changed.append(written(to, quoted));
                }
                ended = end >= text.length() || text.charAt(end) != separator;
                int next = end;
                if (end < text.length()) {
                    boolean pair = text.charAt(end) == '\r' && end + 1 < text.length() && text.charAt(end + 1) == '\n';
                    next = end + (pair ? 2 : 1);
                    line += ended ? 1 : 0;
                    changed.append(text, end, next);
                }
                at = next;
                column++;
            }
        }
        return changed.toString();
    }

    /** True for the last character of an end of line within a cell. */
    private boolean isEndOfLine(int at) {
        char c = text.charAt(at);
        return c == '\n' || c == '\r' && (at + 1 >= text.length() || text.charAt(at + 1) != '\n');
    }

    private int endOfCell(int from) {
        int at = from;
        if (quote != '\0' && at < text.length() && text.charAt(at) == quote) {
            at++;
            while (at < text.length()) {
                boolean sign = text.charAt(at) == quote;
                if (sign && at + 1 < text.length() && text.charAt(at + 1) == quote) {
                    at += 2;
                } else if (sign) {
                    at++;
                    break;
                } else {
                    at++;
                }
            }
        }
        while (at < text.length()
                && text.charAt(at) != separator
                && text.charAt(at) != '\n'
                && text.charAt(at) != '\r') {
            at++;
        }
        return at;
    }

    private String written(String to, boolean quoted) {
        boolean needs = to.indexOf(separator) >= 0
                || to.indexOf('\n') >= 0
                || to.indexOf('\r') >= 0
                || quote != '\0' && to.indexOf(quote) >= 0;
        if (quote == '\0' || !needs && !quoted) {
            return to;
        }
        String sign = String.valueOf(quote);
        return sign + to.replace(sign, sign + sign) + sign;
    }
}
