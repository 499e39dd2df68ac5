package cuvee.sheet;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.mozilla.universalchardet.UniversalDetector;

/**
 * How a text file is written, told from its content.
 *
 * @param separator what parts the cells of a line
 * @param columns where cells begin, if they stand below each other with spaces between them; one column else
 * @param quoting what cells are quoted with
 * @param quoted true where cells are seen to be quoted so, or it has been said
 * @param markBytes how many bytes at the start say how the text is encoded
 */
record TextForm(Charset charset, char separator, FixedColumns columns, Quoting quoting, boolean quoted, int markBytes) {
    /** Stands for a separator where cells stand below each other. No text has it. */
    static final char FIXED = '\uFFFE';

    private static final List<Character> SEPARATORS = List.of(';', '\t', ',', '|');
    private static final int SAMPLE = 1 << 16;
    private static final int SAMPLE_LINES = 200;

    /** Tells the form of a file, as far as it is not said. */
    static TextForm of(Path file, ReadAs said) throws IOException {
        byte[] head;
        try (InputStream in = Files.newInputStream(file)) {
            head = in.readNBytes(SAMPLE);
        }
        int mark = markBytes(head);
        Charset charset = mark > 0
                ? markedCharset(head)
                : said.charset().isPresent() ? said.charset().get() : charsetOf(file, head);
        String sample =
                charset.decode(ByteBuffer.wrap(head, mark, head.length - mark)).toString();
        Quoting quoting = said.quoting().orElseGet(() -> Quoting.told(sample));
        FixedColumns one = new FixedColumns(List.of(0));
        FixedColumns fixed = FixedColumns.in(lines(sample)).orElse(one);
        char separator = said.separator().orElseGet(() -> separatorOf(sample, quoting.sign(), fixed));
        return new TextForm(
                charset,
                separator,
                separator == FIXED ? fixed : one,
                quoting,
                quoting == Quoting.NONE || said.quoting().isPresent() || quoting.isIn(sample),
                mark);
    }

    /** In words: {@code semicolons, UTF-8}, and how cells are quoted where some are. */
    @Override
    public String toString() {
        String parted = switch (separator) {
            case ';' -> "semicolons";
            case '\t' -> "tabs";
            case '|' -> "upright bars";
            case FIXED -> "fixed columns";
            default -> "commas";
        };
        return parted + ", " + charset.displayName() + (quoted ? ", " + quoting.words() : "");
    }

    private static int markBytes(byte[] head) {
        if (head.length >= 3 && head[0] == (byte) 0xEF && head[1] == (byte) 0xBB && head[2] == (byte) 0xBF) {
            return 3;
        }
        boolean utf16 = head.length >= 2
                && ((head[0] == (byte) 0xFF && head[1] == (byte) 0xFE)
                        || (head[0] == (byte) 0xFE && head[1] == (byte) 0xFF));
        return utf16 ? 2 : 0;
    }

    /** Encodings with several bytes for a letter. */
    private static final Pattern SEVERAL_BYTES =
            Pattern.compile("(?i)(gb|big5|euc|shift|hz|iso-2022|x-euc|windows-949).*");

    private static Charset markedCharset(byte[] head) {
        if (head[0] == (byte) 0xEF) {
            return StandardCharsets.UTF_8;
        }
        return head[0] == (byte) 0xFF ? StandardCharsets.UTF_16LE : StandardCharsets.UTF_16BE;
    }

    private static Charset charsetOf(Path file, byte[] head) throws IOException {
        int zeroEven = 0;
        int zeroOdd = 0;
        for (int i = 0; i < head.length; i++) {
            if (head[i] == 0 && i % 2 == 0) {
                zeroEven++;
            } else if (head[i] == 0) {
                zeroOdd++;
            }
        }
        if (zeroEven + zeroOdd > head.length / 4) {
            return zeroOdd > zeroEven ? StandardCharsets.UTF_16LE : StandardCharsets.UTF_16BE;
        }
        if (Utf8Check.valid(file)) {
            return StandardCharsets.UTF_8;
        }
        String guessed = UniversalDetector.detectCharset(file);
        // Western single-byte sets differ in quotes and the euro sign only; Windows-1252 holds them all.
        boolean western = guessed == null
                || guessed.equals("UTF-8")
                || guessed.startsWith("ISO-8859-1")
                || guessed.startsWith("US-ASCII")
                || !Charset.isSupported(guessed)
                || SEVERAL_BYTES.matcher(guessed).matches() && standAlone(head);
        return Charset.forName(western ? "windows-1252" : guessed);
    }

    /**
     * True where most bytes over 127 have none beside them, as a pound sign among prices: texts of languages that need
     * several bytes a letter are written in runs of them.
     */
    private static boolean standAlone(byte[] head) {
        int high = 0;
        int alone = 0;
        for (int i = 0; i < head.length; i++) {
            if (head[i] < 0) {
                high++;
                boolean before = i > 0 && head[i - 1] < 0;
                boolean after = i + 1 < head.length && head[i + 1] < 0;
                alone += before || after ? 0 : 1;
            }
        }
        return high > 0 && alone * 4 >= high * 3;
    }

    /**
     * The separator that cuts most lines into the same number of cells. A line counts for a separator by how many cells
     * it makes, so that decimal commas in a file of semicolons do not win.
     */
    private static char separatorOf(String sample, char quote, FixedColumns fixed) {
        char best = ',';
        double bestScore = 0;
        int bestCells = 1;
        for (char separator : SEPARATORS) {
            Score score = score(sample, separator, quote);
            if (score.score() > bestScore) {
                best = separator;
                bestScore = score.score();
                bestCells = score.cells();
            }
        }
        return fixed.starts().size() > bestCells ? FIXED : best;
    }

    /** How well a separator does, and into how many cells it cuts most lines. */
    private record Score(double score, int cells) {}

    /** Whole lines of a sample, as far as a few of them tell. */
    private static List<String> lines(String sample) {
        return sample.substring(
                        0, Math.max(0, sample.length() < SAMPLE / 4 ? sample.length() : sample.lastIndexOf('\n')))
                .lines()
                .limit(SAMPLE_LINES)
                .toList();
    }

    private static Score score(String sample, char separator, char quote) {
        Map<Integer, Integer> linesByCells = new HashMap<>();
        int cells = 1;
        int lines = 0;
        boolean quoted = false;
        for (int i = 0; i < sample.length() && lines < SAMPLE_LINES; i++) {
            char c = sample.charAt(i);
            if (c == quote) {
                quoted = !quoted;
            } else if (c == separator && !quoted) {
                cells++;
            } else if ((c == '\n' || (c == '\r' && !sample.startsWith("\n", i + 1))) && !quoted) {
                linesByCells.merge(cells, 1, Integer::sum);
                lines++;
                cells = 1;
            }
        }
        if (lines == 0 || cells > 1) {
            linesByCells.merge(cells, 1, Integer::sum);
            lines++;
        }
        Score best = new Score(0, 1);
        for (Map.Entry<Integer, Integer> entry : linesByCells.entrySet()) {
            double share = entry.getValue() / (double) lines;
            double score = share * share * (1 + Math.log(entry.getKey()));
            if (entry.getKey() > 1 && score > best.score()) {
                best = new Score(score, entry.getKey());
            }
        }
        return best;
    }
}
