package cuvee.deliver;

import cuvee.deliver.WorkbookStyles.Unfit;
import cuvee.sheet.CellRange;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Enumeration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;
import org.apache.commons.compress.archivers.zip.ZipFile;

/**
 * A workbook (.xlsx, .xlsm) copied with other texts in some of its cells: every part that holds none of them is copied as the
 * bytes that it is, and in the others only those cells change. A cell with a formula stays as it is.
 */
public final class BookCells {
    private static final Pattern PLACE = Pattern.compile("\\br=\"([A-Z]{1,3}\\d+)\"");
    private static final Pattern FORMULA = Pattern.compile("<f[ >/]");
    private static final Pattern STYLE = Pattern.compile("\\bs=\"(\\d+)\"");

    private BookCells() {}

    /** A cell by its sheet and its place, such as {@code B5}. */
    public record At(String sheet, String place) {}

    /**
     * Copies a workbook.
     *
     * @param met is filled with the cells that were there and were changed
     * @return why it cannot be changed so that all else stays, and then nothing was written; empty where it was
     */
    public static Optional<String> copy(Path from, Path to, Map<At, String> cells, Set<At> met) throws IOException {
        try (ZipFile zip = ZipFile.builder().setPath(from).get();
                ZipArchiveOutputStream out = new ZipArchiveOutputStream(to)) {
            TabList tabs = new TabList(zip);
            checkTables(zip, tabs, cells.keySet());
            Map<String, Map<String, String>> byPart = new HashMap<>();
            for (Map.Entry<At, String> cell : cells.entrySet()) {
                tabs.part(cell.getKey().sheet())
                        .ifPresent(part -> byPart.computeIfAbsent(part, any -> new HashMap<>())
                                .put(cell.getKey().place(), cell.getValue()));
            }
            Enumeration<ZipArchiveEntry> entries = zip.getEntriesInPhysicalOrder();
            while (entries.hasMoreElements()) {
                ZipArchiveEntry entry = entries.nextElement();
                Map<String, String> here = byPart.get(entry.getName());
                if (here == null) {
                    out.addRawArchiveEntry(entry, zip.getRawInputStream(entry));
                    continue;
                }
                String text;
                try (InputStream in = zip.getInputStream(entry)) {
                    text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
                }
                String sheet = tabs.name(entry.getName());
                String now = with(text, here, place -> met.add(new At(sheet, place)));
                out.putArchiveEntry(new ZipArchiveEntry(entry.getName()));
                out.write(now.getBytes(StandardCharsets.UTF_8));
                out.closeArchiveEntry();
            }
            return Optional.empty();
        } catch (Unfit unfit) {
            met.clear();
            return Optional.of(unfit.why());
        }
    }

    /** The names over a table of a tab stand in another part too, which would no longer fit. */
    private static void checkTables(ZipFile zip, TabList tabs, Set<At> cells) throws IOException, Unfit {
        Map<String, List<CellRange>> heads = new HashMap<>();
        for (At at : cells) {
            String part = tabs.part(at.sheet()).orElse("");
            if (!part.isEmpty() && !heads.containsKey(part)) {
                heads.put(
                        part,
                        TabList.tables(zip, part).stream()
                                .flatMap(range -> CellRange.of(range).stream())
                                .toList());
            }
            CellRange cell = CellRange.of(at.place()).orElse(null);
            for (CellRange table : heads.getOrDefault(part, List.of())) {
                if (cell != null
                        && cell.firstRow() == table.firstRow()
                        && cell.firstColumn() >= table.firstColumn()
                        && cell.firstColumn() <= table.lastColumn()) {
                    throw new Unfit("its cell " + at.place() + " names a column of a table that the workbook defines");
                }
            }
        }
    }

    private interface Met {
        void add(String place);
    }

    private static String with(String text, Map<String, String> cells, Met met) {
        StringBuilder now = new StringBuilder(text.length() + 256);
        int copied = 0;
        int at = text.indexOf("<c ");
        while (at >= 0) {
            int tagEnd = text.indexOf('>', at);
            if (tagEnd < 0) {
                break;
            }
            boolean empty = text.charAt(tagEnd - 1) == '/';
            int close = empty ? tagEnd + 1 : text.indexOf("</c>", tagEnd) + 4;
            if (close <= tagEnd) {
                break;
            }
            Matcher place = PLACE.matcher(text.substring(at, tagEnd));
            String to = place.find() ? cells.get(place.group(1)) : null;
            if (to != null && !FORMULA.matcher(text.substring(at, close)).find()) {
                Matcher style = STYLE.matcher(text.substring(at, tagEnd));
                now.append(text, copied, at)
                        .append("<c r=\"")
                        .append(place.group(1))
                        .append('"')
                        .append(style.find() ? " s=\"" + style.group(1) + "\"" : "")
                        .append(" t=\"inlineStr\"><is><t xml:space=\"preserve\">")
                        .append(TabXml.escaped(to))
                        .append("</t></is></c>");
                met.add(place.group(1));
                copied = close;
            }
            at = text.indexOf("<c ", close);
        }
        return now.append(text, copied, text.length()).toString();
    }
}
