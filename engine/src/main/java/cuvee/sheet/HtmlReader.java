package cuvee.sheet;

import cuvee.place.Where;
import cuvee.sheet.SheetInfo.Visibility;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;

/**
 * Reads the tables of a web page, as many programs write them under the name of a workbook. Each table that holds no other
 * one is a sheet; tables around tables are only there for the looks of the page.
 */
final class HtmlReader {
    /** The whole page is in memory while it is read. */
    private static final long MOST_BYTES = 32L << 20;

    private static final int MOST_SPANNED = 10_000;
    /** A page says how it is written within so many bytes. */
    private static final int HEAD = 1 << 13;

    private final Where where;
    private final ReadLimits limits;

    HtmlReader(Where where, ReadLimits limits) {
        this.where = where;
        this.limits = limits;
    }

    void read(Path file, SheetVisitor visitor) throws IOException {
        if (Files.size(file) > MOST_BYTES) {
            throw Unreadable.limit(where, "It is a web page of more than 32 MB, which is the limit.");
        }
        List<Element> tables;
        try (InputStream in = Files.newInputStream(file)) {
            // What the page itself says of its letters holds; one that says nothing is mostly UTF-8, else Western.
            String charset = saysCharset(file) || Utf8Check.valid(file) ? null : "windows-1252";
            tables = Jsoup.parse(in, charset, "").select("table").stream()
                    .filter(table -> table.select("table").size() == 1
                            && table.select("td, th").size() > 1)
                    .toList();
        }
        if (tables.isEmpty()) {
            throw Unreadable.notATable(where, "a web page or other markup");
        }
        for (int index = 0; index < tables.size(); index++) {
            Element table = tables.get(index);
            String caption = table.select("caption").text().strip();
            String name = caption.isEmpty() ? "Table " + (index + 1) : caption;
            SheetInfo info = new SheetInfo(name, index, Visibility.VISIBLE, "");
            if (visitor.sheet(info) == SheetVisitor.Wanted.ROWS) {
                rows(table, name, visitor);
            }
            visitor.endSheet();
        }
    }

    private static boolean saysCharset(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            return new String(in.readNBytes(HEAD), StandardCharsets.ISO_8859_1)
                    .toLowerCase(Locale.ROOT)
                    .contains("charset=");
        }
    }

    private void rows(Element table, String sheet, SheetVisitor visitor) {
        List<CellRange> merged = new ArrayList<>();
        // For each column that a cell of a row above reaches down into, the last row that it does.
        Map<Integer, Integer> reached = new TreeMap<>();
        Row row = new Row();
        int number = 0;
        int blanks = 0;
        for (Element line : table.select("tr")) {
            number++;
            row.begin(number, blanks);
            int column = 0;
            for (Element cell : line.select("td, th")) {
                while (reached.getOrDefault(column, 0) >= number) {
                    column++;
                }
                int across = span(cell, "colspan");
                int down = span(cell, "rowspan");
                if (column + across > limits.columns()) {
                    throw Unreadable.limit(
                            where.row(number),
                            "The row has more than " + limits.columns() + " cells, which is the limit.");
                }
                set(row, column, cell, sheet);
                for (int spanned = column; spanned < column + across; spanned++) {
                    reached.put(spanned, number + down - 1);
                }
                if (across > 1 || down > 1) {
                    merged.add(new CellRange(number, column, number + down - 1, column + across - 1));
                }
                column += across;
            }
            if (row.width() > 0) {
                visitor.row(row);
                blanks = 0;
            } else {
                blanks++;
            }
        }
        if (!merged.isEmpty()) {
            visitor.sight(new SheetSight(merged, 0, 0));
        }
    }

    private void set(Row row, int column, Element cell, String sheet) {
        cell.select("br").forEach(end -> end.before("\\n"));
        String text = cell.text().replace("\\n", "\n").replace("\n ", "\n").strip();
        if (text.length() > limits.cellLength()) {
            throw Unreadable.limit(
                    Where.sheet(where.source(), sheet).cell(row.number(), column + 1),
                    "The cell holds more than " + limits.cellLength() + " characters, which is the limit.");
        }
        if (!text.isEmpty()) {
            row.set(column, CellKind.TEXT, text);
        }
    }

    private static int span(Element cell, String attribute) {
        String said = cell.attr(attribute).strip();
        int span = said.matches("\\d{1,5}") ? Integer.parseInt(said) : 1;
        return Math.min(Math.max(1, span), MOST_SPANNED);
    }
}
