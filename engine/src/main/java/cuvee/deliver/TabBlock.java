package cuvee.deliver;

import cuvee.deliver.WorkbookStyles.Unfit;
import cuvee.sheet.CellRange;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A tab copied with a block of cells put into it: what stands outside the block, in the same rows too, stays as the
 * characters that it is (ECMA-376, SpreadsheetML). One row is held in memory at a time.
 */
final class TabBlock {
    private static final String OPEN = "<sheetData";
    private static final String CLOSE = "</sheetData>";
    private static final Pattern DIMENSION = Pattern.compile("<dimension ref=\"([^\"]*)\"[^>]*/>");
    private static final Pattern NUMBER = Pattern.compile("\\br=\"(\\d+)\"");
    private static final Pattern SPANS = Pattern.compile("\\s+spans=\"[^\"]*\"");
    private static final Pattern PLACE = Pattern.compile("\\br=\"([A-Z]{1,3}\\d+)\"");

    private final Reader in;
    private final Writer out;
    private final CellRange before;
    private final CellRange after;
    private @Nullable RowText next;
    private boolean rowsEnded;

    /** A row as it stands in the part: its tag without the bracket at its end, and what is in it. */
    private record RowText(int number, String tag, String cells) {}

    /** The cells of a row that stand outside a block: those before it, those behind it, and what follows all cells. */
    private record Around(String left, String right, String tail) {}

    /**
     * @param before the block that is there and goes, its header with it
     * @param after the block that comes, its header with it, from the same cell
     */
    TabBlock(InputStream part, Writer out, CellRange before, CellRange after) {
        this.in = new BufferedReader(new InputStreamReader(part, StandardCharsets.UTF_8), 1 << 16);
        this.out = out;
        this.before = before;
        this.after = after;
    }

    /** Copies all that stands before the rows. */
    void begin() throws IOException, Unfit {
        StringBuilder head = new StringBuilder();
        if (!TabFrame.upTo(OPEN, in, head)) {
            throw new Unfit("the tab holds no cells, or is written in a way that Cuvee does not know");
        }
        Matcher dimension = DIMENSION.matcher(head);
        out.write(dimension.find() ? withDimension(head.toString(), dimension) : head.toString());
        StringBuilder tag = new StringBuilder();
        TabFrame.upTo(">", in, tag);
        rowsEnded = tag.toString().endsWith("/>");
        out.write(rowsEnded ? ">" : tag.toString());
        advance();
    }

    private String withDimension(String head, Matcher dimension) {
        CellRange whole = CellRange.of(dimension.group(1))
                .map(there -> new CellRange(
                        Math.min(there.firstRow(), after.firstRow()),
                        Math.min(there.firstColumn(), after.firstColumn()),
                        Math.max(there.lastRow(), after.lastRow()),
                        Math.max(there.lastColumn(), after.lastColumn())))
                .orElse(after);
        return head.substring(0, dimension.start()) + "<dimension ref=\"" + whole + "\"/>"
                + head.substring(dimension.end());
    }

    /** Puts the cells of the block's next row. */
    void row(int number, String cells) throws IOException, Unfit {
        while (next != null && next.number() < number) {
            pass(next);
            advance();
        }
        if (next != null && next.number() == number) {
            Around around = around(next);
            out.write(SPANS.matcher(next.tag()).replaceAll("") + ">" + around.left() + cells + around.right()
                    + around.tail() + "</row>");
            advance();
        } else {
            out.write("<row r=\"" + number + "\">" + cells + "</row>");
        }
    }

    /** Copies all that stands behind the block. */
    void end() throws IOException, Unfit {
        while (next != null) {
            pass(next);
            advance();
        }
        out.write(CLOSE);
        in.transferTo(out);
        out.flush();
    }

    /** Copies a row, without the cells of the block that goes. */
    private void pass(RowText row) throws IOException, Unfit {
        if (!before.holdsRow(row.number())) {
            out.write(row.tag() + (row.cells().isEmpty() ? "/>" : ">" + row.cells() + "</row>"));
            return;
        }
        Around around = around(row);
        out.write(row.tag() + ">" + around.left() + around.right() + around.tail() + "</row>");
    }

    private Around around(RowText row) throws Unfit {
        StringBuilder left = new StringBuilder();
        StringBuilder right = new StringBuilder();
        String text = row.cells();
        int at = 0;
        while (true) {
            int start = text.indexOf("<c", at);
            while (start >= 0 && start + 2 < text.length() && " />\n\r\t".indexOf(text.charAt(start + 2)) < 0) {
                start = text.indexOf("<c", start + 2);
            }
            if (start < 0) {
                return new Around(left.toString(), right.toString(), text.substring(at));
            }
            int tagEnd = text.indexOf('>', start);
            boolean empty = tagEnd > 0 && text.charAt(tagEnd - 1) == '/';
            int end = empty ? tagEnd + 1 : text.indexOf("</c>", start) + 4;
            if (tagEnd < 0 || end < tagEnd) {
                throw unknown();
            }
            String cell = text.substring(start, end);
            Matcher place = PLACE.matcher(text.substring(start, tagEnd));
            CellRange there = place.find() ? CellRange.of(place.group(1)).orElseThrow(TabBlock::lost) : null;
            if (there == null) {
                throw unknown();
            }
            if (there.firstColumn() < after.firstColumn()) {
                left.append(cell);
            } else if (there.firstColumn() > after.lastColumn()) {
                right.append(cell);
            } else if (cell.contains("<f>") || cell.contains("<f ") || cell.contains("<f/")) {
                throw new Unfit("its cell " + place.group(1)
                        + " holds a formula where rows of the master are to stand, and it would be lost");
            }
            at = end;
        }
    }

    private static IllegalStateException lost() {
        return new IllegalStateException("a place that is none");
    }

    private static Unfit unknown() {
        return new Unfit("its cells are written in a way that Cuvee does not know");
    }

    /** Reads the next row. */
    private void advance() throws IOException, Unfit {
        next = null;
        while (!rowsEnded) {
            StringBuilder tag = new StringBuilder();
            if (!TabFrame.upTo(">", in, tag)) {
                throw unknown();
            }
            String said = tag.toString().strip();
            if (said.equals(CLOSE)) {
                rowsEnded = true;
            } else if (said.startsWith("<row")) {
                boolean empty = said.endsWith("/>");
                StringBuilder cells = new StringBuilder();
                if (!empty) {
                    if (!TabFrame.upTo("</row>", in, cells)) {
                        throw unknown();
                    }
                    cells.setLength(cells.length() - "</row>".length());
                }
                Matcher number = NUMBER.matcher(said);
                if (!number.find()) {
                    throw unknown();
                }
                next = new RowText(
                        Integer.parseInt(number.group(1)),
                        said.substring(0, said.length() - (empty ? 2 : 1)),
                        cells.toString());
                return;
            } else {
                throw unknown();
            }
        }
    }
}
