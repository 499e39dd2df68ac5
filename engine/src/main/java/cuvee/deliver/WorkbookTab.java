package cuvee.deliver;

import cuvee.deliver.WorkbookStyles.Unfit;
import cuvee.finding.CuveeException;
import cuvee.job.Delivery.How;
import cuvee.job.Delivery.Tab;
import cuvee.master.MasterReader;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.sheet.CellKind;
import cuvee.sheet.ReadLimits;
import cuvee.sheet.Row;
import cuvee.sheet.SheetFiles;
import cuvee.sheet.SheetInfo;
import cuvee.sheet.SheetVisitor;
import cuvee.value.Convention;
import cuvee.value.LooseText;
import cuvee.value.Type;
import cuvee.value.ValueReader;
import java.io.BufferedWriter;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Enumeration;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.jspecify.annotations.Nullable;

/**
 * Writes the master into one tab of a workbook that is there, and leaves everything else of it as it is: the other parts are
 * copied as the bytes that they are, and of the few that have to know of the tab (the list of tabs, the styles) only what is
 * added changes. What cannot be done so is refused.
 */
public final class WorkbookTab {
    /** Rows that are there are compared in memory, so there is an end to them. */
    private static final int MOST_COMPARED = 300_000;

    private static final int MOST_ROWS = 1_048_576;
    private static final String RELATIONS = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
    private static final Pattern SHEET = Pattern.compile("<sheet\\b[^>]*/>|<sheet\\b[^>]*>\\s*</sheet>");
    private static final Pattern DIMENSION = Pattern.compile("<dimension\\b[^>]*/>");
    private static final Pattern FILTER = Pattern.compile("(<autoFilter\\b[^>]*?ref=\")[^\"]*(\")");
    private static final Pattern CALCULATION = Pattern.compile("<calcPr\\b[^>]*/>");

    private WorkbookTab() {}

    /**
     * What writing came to, or would come to.
     *
     * @param added rows that are new
     * @param changed rows that had another value
     * @param removed rows that are gone
     * @param kept rows that stay as they were
     * @param others how many other tabs the workbook has, which are untouched
     */
    public record Report(long added, long changed, long removed, long kept, int others, long bytes) {
        public String said() {
            return Says.count(added, "row") + " added, " + Says.number(changed) + " changed, " + Says.number(removed)
                    + " removed, " + Says.number(kept) + " as they were; " + Says.count(others, "other tab")
                    + " untouched";
        }
    }

    /**
     * The rows as they will stand in the tab.
     *
     * @param first those that are written first
     * @param thenAll true where all rows of the master follow, which are never held in memory
     */
    private record Rows(
            List<List<@Nullable String>> first, boolean thenAll, long added, long changed, long removed, long kept) {
        long count() {
            return first.size() + (thenAll ? added : 0);
        }
    }

    /** A part of a workbook that is a tab. */
    private record Part(String name, String path, TabFrame frame, boolean there) {}

    /** Tells what writing would do, and writes nothing. */
    public static Report look(MasterFiles.Content content, Path target, Tab tab) {
        return new Writing(content, target, tab).look();
    }

    /**
     * Writes the tab in one step.
     *
     * @throws CuveeException where the workbook cannot take it so that all else stays, or columns differ
     */
    public static Report write(MasterFiles.Content content, Path target, Tab tab, MasterFiles.Register register) {
        return new Writing(content, target, tab).write(register);
    }

    /** True where a workbook has a tab of a name. */
    public static boolean hasTab(Path workbook, String tab) {
        return tabs(workbook).stream().anyMatch(name -> name.equalsIgnoreCase(tab));
    }

    private static List<String> tabs(Path workbook) {
        List<String> names = new ArrayList<>();
        SheetFiles.read(workbook, Where.JOB, ReadLimits.DEFAULT, new SheetVisitor() {
            @Override
            public Wanted sheet(SheetInfo sheet) {
                names.add(sheet.name());
                return Wanted.NOTHING;
            }

            @Override
            public void row(Row row) {}

            @Override
            public void endSheet() {}
        });
        return names;
    }

    /** One writing of one tab. */
    private static final class Writing {
        private final MasterFiles.Content content;
        private final Path target;
        private final Tab tab;
        private final String[] names;
        private final Type[] types;
        private int others;

        Writing(MasterFiles.Content content, Path target, Tab tab) {
            this.content = content;
            this.target = target;
            this.tab = tab;
            this.names = Columns.names(content.plan());
            this.types = Columns.types(content.plan());
            if (!SheetFiles.ending(String.valueOf(target.getFileName())).equals("xlsx")) {
                throw refused("no-xlsx", "only an .xlsx workbook can take a tab", "Name such a workbook.");
            }
        }

        private CuveeException refused(String kind, String why, String canDo) {
            return MasterFiles.failure(kind, target, why, canDo);
        }

        Report look() {
            Rows rows = rows(Files.exists(target) ? there() : Optional.empty());
            return new Report(rows.added(), rows.changed(), rows.removed(), rows.kept(), others, 0);
        }

        Report write(MasterFiles.Register register) {
            MasterFiles.check(target);
            if (!Files.exists(target)) {
                Rows rows = rows(Optional.empty());
                long bytes = MasterFiles.write(content.inTab(tab.tab()), target, register);
                return new Report(rows.added(), 0, 0, 0, 0, bytes);
            }
            Rows rows = rows(there());
            if (rows.count() + 1 > MOST_ROWS) {
                throw refused(
                        "too-many-rows",
                        "a tab holds " + Says.number(MOST_ROWS) + " lines, and there would be "
                                + Says.number(rows.count() + 1),
                        "Deliver to a workbook of its own, a text file, Parquet or a database.");
            }
            long bytes = MasterFiles.inOneStep(target, register, beside -> {
                try {
                    copy(rows, beside);
                } catch (UncheckedIOException failed) {
                    throw failed.getCause();
                } catch (Unfit unfit) {
                    throw refused(
                            "unfit-workbook",
                            unfit.why(),
                            "Save it anew with the program that it was made with, or deliver to a workbook of its own.");
                }
            });
            return new Report(rows.added(), rows.changed(), rows.removed(), rows.kept(), others, bytes);
        }

        // ---- what is there, and what will be ----

        /** The rows below the names of the columns in the tab that is there, as the master writes values. */
        private Optional<List<List<@Nullable String>>> there() {
            Reader reader = new Reader();
            SheetFiles.read(target, Where.JOB, ReadLimits.DEFAULT, reader);
            others = reader.others;
            if (!reader.found || tab.how() == How.REPLACE) {
                return reader.found ? Optional.of(reader.counted()) : Optional.empty();
            }
            if (!reader.lacking.isEmpty()) {
                throw refused(
                        "columns-differ",
                        "the tab " + Says.quoted(tab.tab()) + " has other columns: " + reader.lacking,
                        "Give the tab the columns of the master, or replace its rows as a whole.");
            }
            return Optional.of(reader.rows);
        }

        /** Reads the rows of one tab. */
        private final class Reader implements SheetVisitor {
            private final List<List<@Nullable String>> rows = new ArrayList<>();
            private boolean found;
            private boolean wanted;
            private int others;
            private long lines;
            private String lacking = "";
            private int[] at = {};

            @Override
            public Wanted sheet(SheetInfo sheet) {
                wanted = sheet.name().equalsIgnoreCase(tab.tab());
                found |= wanted;
                others += wanted ? 0 : 1;
                return wanted ? Wanted.ROWS : Wanted.NOTHING;
            }

            @Override
            public void row(Row row) {
                if (!wanted || row.blank()) {
                    return;
                }
                lines++;
                if (tab.how() == How.REPLACE) {
                    return;
                }
                if (at.length == 0) {
                    header(row);
                    return;
                }
                if (rows.size() >= MOST_COMPARED) {
                    throw refused(
                            "too-many-rows",
                            "the tab " + Says.quoted(tab.tab()) + " has more than " + Says.number(MOST_COMPARED)
                                    + " rows, too many to be compared",
                            "Replace its rows as a whole, or deliver to a database.");
                }
                List<@Nullable String> values = new ArrayList<>();
                for (int i = 0; i < names.length; i++) {
                    values.add(value(row, at[i], types[i]));
                }
                rows.add(values);
            }

            private void header(Row row) {
                at = new int[names.length];
                Arrays.fill(at, -1);
                List<String> more = new ArrayList<>();
                for (int column = 0; column < row.width(); column++) {
                    if (!row.blank(column)) {
                        String name = row.text(column);
                        int own = Arrays.asList(names).indexOf(name);
                        if (own < 0) {
                            more.add(name);
                        } else {
                            at[own] = column;
                        }
                    }
                }
                List<String> missing = new ArrayList<>();
                boolean inOrder = true;
                for (int i = 0; i < names.length; i++) {
                    if (at[i] < 0) {
                        missing.add(names[i]);
                    }
                    inOrder &= at[i] == i;
                }
                List<String> said = new ArrayList<>();
                if (!missing.isEmpty()) {
                    said.add("it lacks "
                            + Says.list(missing.stream().map(Says::quoted).toList()));
                }
                if (!more.isEmpty()) {
                    said.add("it has "
                            + Says.list(more.stream().map(Says::quoted).toList()) + " besides");
                }
                if (said.isEmpty() && !inOrder) {
                    said.add("they stand in another order");
                }
                lacking = String.join(", and ", said);
                if (!lacking.isEmpty()) {
                    Arrays.fill(at, 0);
                }
            }

            private @Nullable String value(Row row, int column, Type type) {
                if (row.blank(column)) {
                    return null;
                }
                if (type == Type.TEXT && row.kind(column) == CellKind.TEXT) {
                    return row.text(column);
                }
                String read = ValueReader.read(row.staged(column), type, Convention.DEFAULT);
                return read == null ? row.text(column) : type.isNumber() ? MasterReader.shortest(read) : read;
            }

            @Override
            public void endSheet() {}

            List<List<@Nullable String>> counted() {
                List<List<@Nullable String>> counted = new ArrayList<>();
                for (long i = 1; i < lines; i++) {
                    counted.add(List.of());
                }
                return counted;
            }
        }

        private Rows rows(Optional<List<List<@Nullable String>>> there) {
            long all = content.reader().rows();
            List<List<@Nullable String>> before = there.orElse(List.of());
            if (tab.how() == How.REPLACE || there.isEmpty() && !tab.how().isByKey()) {
                return new Rows(List.of(), true, all, 0, before.size(), 0);
            }
            if (tab.how() == How.ADD) {
                return new Rows(before, true, all, 0, 0, before.size());
            }
            if (all > MOST_COMPARED) {
                throw refused(
                        "too-many-rows",
                        "the master has more than " + Says.number(MOST_COMPARED)
                                + " rows, too many to be matched by key",
                        "Replace the rows as a whole, or deliver to a database.");
            }
            List<List<@Nullable String>> master = new ArrayList<>();
            content.reader().each(values -> master.add(new ArrayList<>(Arrays.asList(values))));
            return matched(before, master);
        }

        private Rows matched(List<List<@Nullable String>> before, List<List<@Nullable String>> master) {
            int[] keys = tab.keys().stream()
                    .mapToInt(key -> {
                        int at = Arrays.asList(names).indexOf(key);
                        if (at < 0) {
                            throw refused(
                                    "no-key", "the master has no column " + Says.quoted(key), "Name the keys anew.");
                        }
                        return at;
                    })
                    .toArray();
            if (keys.length == 0) {
                throw refused("no-key", "it says by no column how rows are matched", "Name the columns of the key.");
            }
            Map<List<String>, List<@Nullable String>> now = new LinkedHashMap<>();
            for (List<@Nullable String> row : master) {
                if (now.put(key(row, keys), row) != null) {
                    throw refused(
                            "key-repeats",
                            "the key " + Says.list(tab.keys()) + " is not unique in the master: "
                                    + Says.quoted(String.join(", ", key(row, keys))) + " stands in several rows",
                            "Name more columns of the key, or set the repeated rows aside.");
                }
            }
            List<List<@Nullable String>> all = new ArrayList<>();
            Set<List<String>> met = new HashSet<>();
            long changed = 0;
            long removed = 0;
            long kept = 0;
            for (List<@Nullable String> row : before) {
                List<String> key = key(row, keys);
                List<@Nullable String> fresh = now.get(key);
                if (fresh == null) {
                    removed += tab.how() == How.MIRROR ? 1 : 0;
                    kept += tab.how() == How.MIRROR ? 0 : 1;
                    if (tab.how() != How.MIRROR) {
                        all.add(row);
                    }
                } else {
                    met.add(key);
                    boolean same = tab.how() == How.NEW || same(row, fresh);
                    changed += same ? 0 : 1;
                    kept += same ? 1 : 0;
                    all.add(same ? row : fresh);
                }
            }
            long added = 0;
            for (Map.Entry<List<String>, List<@Nullable String>> each : now.entrySet()) {
                if (!met.contains(each.getKey())) {
                    all.add(each.getValue());
                    added++;
                }
            }
            return new Rows(all, false, added, changed, removed, kept);
        }

        private static boolean same(List<@Nullable String> one, List<@Nullable String> other) {
            for (int i = 0; i < one.size(); i++) {
                String a = one.get(i);
                String b = other.get(i);
                if (!Objects.requireNonNullElse(a, "").equals(Objects.requireNonNullElse(b, ""))) {
                    return false;
                }
            }
            return true;
        }

        private static List<String> key(List<@Nullable String> row, int[] keys) {
            List<String> key = new ArrayList<>();
            for (int at : keys) {
                String value = row.get(at);
                key.add(value == null ? "" : LooseText.tidy(value).toLowerCase(Locale.ROOT));
            }
            return key;
        }

        // ---- the parts ----

        private void copy(Rows rows, Path beside) throws IOException, Unfit {
            try (ZipFile zip = ZipFile.builder().setPath(target).get();
                    ZipArchiveOutputStream out = new ZipArchiveOutputStream(beside)) {
                String book = text(zip, "xl/workbook.xml");
                String links = text(zip, "xl/_rels/workbook.xml.rels");
                if (!book.contains("<sheets>") || !book.contains(RELATIONS)) {
                    throw new Unfit("its list of tabs is written in a way that Cuvee does not know");
                }
                Part part = part(zip, book, links);
                Map<String, String> written = new HashMap<>();
                WorkbookStyles styles = new WorkbookStyles(text(zip, "xl/styles.xml"));
                String nowBook = part.there() ? book : withTab(book, links, part, written, zip);
                written.put("xl/workbook.xml", recalculated(nowBook));
                // The styles have to be known before the rows are written, and the rows are written last.
                for (int i = 0; i < names.length; i++) {
                    String format = Columns.format(content.plan(), i);
                    if (!format.isEmpty()) {
                        styles.style(format);
                    }
                }
                styles.style(TabXml.HEAD);
                if (styles.isChanged()) {
                    written.put("xl/styles.xml", styles.xml());
                }
                boolean chain = part.frame().formulas();
                if (chain && zip.getEntry("xl/calcChain.xml") != null) {
                    withoutChain(zip, written);
                }
                Enumeration<ZipArchiveEntry> entries = zip.getEntriesInPhysicalOrder();
                while (entries.hasMoreElements()) {
                    ZipArchiveEntry entry = entries.nextElement();
                    String name = entry.getName();
                    boolean dropped = chain && name.equals("xl/calcChain.xml");
                    if (!name.equals(part.path()) && !written.containsKey(name) && !dropped) {
                        out.addRawArchiveEntry(entry, zip.getRawInputStream(entry));
                    }
                }
                for (Map.Entry<String, String> each : written.entrySet()) {
                    put(out, each.getKey(), each.getValue());
                }
                out.putArchiveEntry(new ZipArchiveEntry(part.path()));
                sheet(rows, part.frame(), styles, out);
                out.closeArchiveEntry();
            }
        }

        private static void put(ZipArchiveOutputStream out, String name, String text) throws IOException {
            out.putArchiveEntry(new ZipArchiveEntry(name));
            out.write(text.getBytes(StandardCharsets.UTF_8));
            out.closeArchiveEntry();
        }

        private static String text(ZipFile zip, String name) throws IOException, Unfit {
            ZipArchiveEntry entry = zip.getEntry(name);
            if (entry == null) {
                throw new Unfit("it has no part " + name + " where workbooks have it");
            }
            try (InputStream in = zip.getInputStream(entry)) {
                return new String(in.readAllBytes(), StandardCharsets.UTF_8);
            }
        }

        private static String attribute(String element, String name) {
            Matcher found = Pattern.compile("\\b" + Pattern.quote(name) + "=\"([^\"]*)\"")
                    .matcher(element);
            return found.find() ? found.group(1) : "";
        }

        private static String plain(String escaped) {
            return escaped.replace("&lt;", "<")
                    .replace("&gt;", ">")
                    .replace("&quot;", "\"")
                    .replace("&apos;", "'")
                    .replace("&amp;", "&");
        }

        private static String prefix(String book) {
            Matcher found = Pattern.compile("xmlns:(\\w+)=\"" + Pattern.quote(RELATIONS) + "\"")
                    .matcher(book);
            return found.find() ? found.group(1) : "r";
        }

        /** The tab's part, where there is one; else what a new one is called. */
        private Part part(ZipFile zip, String book, String links) throws IOException, Unfit {
            Matcher sheets = SHEET.matcher(book);
            while (sheets.find()) {
                if (plain(attribute(sheets.group(), "name")).equalsIgnoreCase(tab.tab())) {
                    String id = attribute(sheets.group(), prefix(book) + ":id");
                    Matcher link = Pattern.compile("<Relationship\\b[^>]*>").matcher(links);
                    while (link.find()) {
                        if (attribute(link.group(), "Id").equals(id)) {
                            String to = attribute(link.group(), "Target");
                            String path = to.startsWith("/") ? to.substring(1) : "xl/" + to;
                            return known(zip, path);
                        }
                    }
                    throw new Unfit("the tab " + Says.quoted(tab.tab()) + " leads to no part of it");
                }
            }
            int number = 1;
            while (zip.getEntry("xl/worksheets/sheet" + number + ".xml") != null) {
                number++;
            }
            return new Part(tab.tab(), "xl/worksheets/sheet" + number + ".xml", fresh(), false);
        }

        private Part known(ZipFile zip, String path) throws IOException, Unfit {
            ZipArchiveEntry entry = zip.getEntry(path);
            if (entry == null) {
                throw new Unfit("the tab " + Says.quoted(tab.tab()) + " leads to no part of it");
            }
            TabFrame frame;
            try (InputStream in = zip.getInputStream(entry)) {
                frame = TabFrame.read(in);
            }
            for (String held : List.of("<tableParts", "<mergeCells", "<pivotTableDefinition")) {
                if (frame.holds(held)) {
                    throw new Unfit("the tab " + Says.quoted(tab.tab()) + " holds "
                            + (held.equals("<mergeCells") ? "merged cells" : "a table of its own")
                            + " over cells that would change");
                }
            }
            if (tab.how() != How.REPLACE && frame.formulas()) {
                throw new Unfit(
                        "the tab " + Says.quoted(tab.tab()) + " holds formulas among its rows, which would be lost");
            }
            return new Part(tab.tab(), path, frame, true);
        }

        private TabFrame fresh() {
            StringBuilder widths = new StringBuilder("<cols>");
            for (int i = 0; i < names.length; i++) {
                int wide = Math.max(types[i] == Type.DATE_AND_TIME ? 20 : 10, Math.min(40, names[i].length() + 3));
                widths.append("<col min=\"" + (i + 1) + "\" max=\"" + (i + 1) + "\" width=\"" + wide
                        + "\" customWidth=\"1\"/>");
            }
            return TabFrame.of(
                    "<?xml version=\"1.0\" encoding=\"UTF-8\" standalone=\"yes\"?>\n"
                            + "<worksheet xmlns=\"http://schemas.openxmlformats.org/spreadsheetml/2006/main\">"
                            + "<dimension ref=\"A1\"/><sheetViews><sheetView workbookViewId=\"0\"><pane ySplit=\"1\""
                            + " topLeftCell=\"A2\" activePane=\"bottomLeft\" state=\"frozen\"/></sheetView></sheetViews>"
                            + widths + "</cols>",
                    "<autoFilter ref=\"A1\"/></worksheet>");
        }

        /** The list of tabs with one more, and the two parts that name its part. */
        private String withTab(String book, String links, Part part, Map<String, String> written, ZipFile zip)
                throws IOException, Unfit {
            int sheetId = 1;
            Matcher sheets = SHEET.matcher(book);
            while (sheets.find()) {
                sheetId = Math.max(sheetId, Integer.parseInt(attribute(sheets.group(), "sheetId")) + 1);
            }
            int link = 1;
            while (links.contains("\"rIdCuvee" + link + "\"")) {
                link++;
            }
            String id = "rIdCuvee" + link;
            written.put(
                    "xl/_rels/workbook.xml.rels",
                    links.replace(
                            "</Relationships>",
                            "<Relationship Id=\"" + id + "\" Type=\"" + RELATIONS + "/worksheet\" Target=\""
                                    + part.path().substring(3) + "\"/></Relationships>"));
            String types = text(zip, "[Content_Types].xml");
            written.put(
                    "[Content_Types].xml",
                    types.replace(
                            "</Types>",
                            "<Override PartName=\"/" + part.path()
                                    + "\" ContentType=\"application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml\"/></Types>"));
            return book.replace(
                    "</sheets>",
                    "<sheet name=\"" + TabXml.escaped(part.name()) + "\" sheetId=\"" + sheetId + "\" " + prefix(book)
                            + ":id=\"" + id + "\"/></sheets>");
        }

        /** The workbook told to reckon its formulas anew when it is opened. */
        private static String recalculated(String book) {
            Matcher there = CALCULATION.matcher(book);
            if (there.find()) {
                String now = there.group().contains("fullCalcOnLoad")
                        ? there.group().replaceFirst("fullCalcOnLoad=\"[^\"]*\"", "fullCalcOnLoad=\"1\"")
                        : there.group().replace("/>", " fullCalcOnLoad=\"1\"/>");
                return book.substring(0, there.start()) + now + book.substring(there.end());
            }
            for (String before : List.of("</definedNames>", "</externalReferences>", "</sheets>")) {
                if (book.contains(before)) {
                    return book.replace(before, before + "<calcPr fullCalcOnLoad=\"1\"/>");
                }
            }
            return book;
        }

        /** The order of reckoning names cells whose formulas go; whoever opens the workbook makes it anew. */
        private static void withoutChain(ZipFile zip, Map<String, String> written) throws IOException, Unfit {
            for (String name : List.of("[Content_Types].xml", "xl/_rels/workbook.xml.rels")) {
                String now = written.containsKey(name) ? written.get(name) : text(zip, name);
                written.put(name, now.replaceAll("<(Override|Relationship)\\b[^>]*calcChain[^>]*/>", ""));
            }
        }

        private void sheet(Rows rows, TabFrame frame, WorkbookStyles styles, OutputStream out) throws IOException {
            String ref = "A1:" + TabXml.letters(names.length - 1) + (rows.count() + 1);
            Writer text = new BufferedWriter(new OutputStreamWriter(out, StandardCharsets.UTF_8));
            text.write(DIMENSION.matcher(frame.before()).replaceFirst("<dimension ref=\"" + ref + "\"/>"));
            text.write("<sheetData>");
            TabXml cells = new TabXml(content.plan(), format -> String.valueOf(styles.style(format)), text);
            cells.header();
            for (List<@Nullable String> row : rows.first()) {
                cells.row(row);
            }
            if (rows.thenAll()) {
                content.reader().each(values -> {
                    try {
                        cells.row(Arrays.asList(values));
                    } catch (IOException failed) {
                        throw new UncheckedIOException(failed);
                    }
                });
            }
            text.write("</sheetData>");
            text.write(FILTER.matcher(frame.after()).replaceAll("$1" + ref + "$2"));
            text.flush();
        }
    }
}
