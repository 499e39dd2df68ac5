package cuvee.deliver;

import cuvee.deliver.WorkbookStyles.Unfit;
import cuvee.finding.CuveeException;
import cuvee.job.Delivery.How;
import cuvee.job.Delivery.Tab;
import cuvee.master.MasterText;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.sheet.CellKind;
import cuvee.sheet.CellRange;
import cuvee.sheet.ReadLimits;
import cuvee.sheet.Row;
import cuvee.sheet.SheetFiles;
import cuvee.sheet.SheetInfo;
import cuvee.sheet.SheetVisitor;
import cuvee.value.Convention;
import cuvee.value.Type;
import cuvee.value.ValueReader;
import cuvee.value.YesNoWords;
import java.io.BufferedWriter;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Enumeration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
    private static final String SHEET_OPEN = "<?xml version=\"1.0\" encoding=\"UTF-8\" standalone=\"yes\"?>\n"
            + "<worksheet xmlns=\"http://schemas.openxmlformats.org/spreadsheetml/2006/main\">";
    private static final Pattern DIMENSION = Pattern.compile("<dimension\\b[^>]*/>");
    private static final Pattern FILTER = Pattern.compile("(<autoFilter\\b[^>]*?ref=\")[^\"]*(\")");
    private static final Pattern MERGED = Pattern.compile("<mergeCell ref=\"([^\"]*)\"");
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

    /** A part of a workbook that is a tab. */
    private record Part(String name, String path, TabFrame frame, boolean there) {}

    /** Tells what writing would do, and writes nothing. */
    public static Report look(Content content, Path target, Tab tab) {
        return new Writing(content, target, tab).look();
    }

    /**
     * Writes the tab in one step.
     *
     * @throws CuveeException where the workbook cannot take it so that all else stays, or columns differ
     */
    public static Report write(Content content, Path target, Tab tab, MasterFiles.Register register) {
        return new Writing(content, target, tab).write(register);
    }

    /** True where a workbook has the tab already, or something in its cell where one is named. */
    public static boolean stands(Path workbook, Tab tab) {
        Optional<CellRange> cell = CellRange.of(tab.cell());
        boolean[] stands = {false};
        SheetFiles.read(workbook, Where.JOB, ReadLimits.DEFAULT, new SheetVisitor() {
            private boolean wanted;

            @Override
            public Wanted sheet(SheetInfo sheet) {
                wanted = sheet.name().equalsIgnoreCase(tab.tab());
                stands[0] |= wanted && cell.isEmpty();
                return wanted && cell.isPresent() ? Wanted.ROWS : Wanted.NOTHING;
            }

            @Override
            public void row(Row row) {
                cell.filter(at -> wanted && at.firstRow() == row.number())
                        .ifPresent(at -> stands[0] |= !row.blank(at.firstColumn()));
            }

            @Override
            public void endSheet() {}
        });
        return stands[0];
    }

    /** Carries what was found out of the reading of the master's rows. */
    private static final class UnfitRow extends RuntimeException {
        private static final long serialVersionUID = 1;
        private final transient Unfit unfit;

        UnfitRow(Unfit unfit) {
            super(unfit);
            this.unfit = unfit;
        }
    }

    /** One writing of one tab. */
    private static final class Writing {
        private final Content content;
        private final Path target;
        private final Tab tab;
        private final String[] names;
        private final Type[] types;
        private final YesNoWords[] words;
        private int others;
        /** The cell in which the header begins; that of the whole tab is A1. */
        private final CellRange start;

        private final boolean block;
        /** The last row of the block that is there; the one above the header where there is none. */
        private int lastThere;
        /** The first row below the block that is there with something in its columns; 0 where there is none. */
        private int nextFilled;

        Writing(Content content, Path target, Tab tab) {
            this.content = content;
            this.target = target;
            this.tab = tab;
            this.names = Columns.names(content.plan());
            this.types = Columns.types(content.plan());
            this.words = Columns.words(content.plan());
            if (!SheetFiles.ending(String.valueOf(target.getFileName())).equals("xlsx")) {
                throw refused("no-xlsx", "only an .xlsx workbook can take a tab", "Name such a workbook.");
            }
            this.block = !tab.cell().isEmpty();
            this.start = CellRange.of(block ? tab.cell() : "A1")
                    .filter(cell -> cell.rows() == 1 && cell.columns() == 1 && cell.firstRow() > 0)
                    .orElseThrow(() -> refused(
                            "no-cell",
                            Says.quoted(tab.cell()) + " is no cell of a tab",
                            "Name one by its column and row, such as C5."));
            this.lastThere = start.firstRow() - 1;
        }

        private CuveeException refused(String kind, String why, String canDo) {
            return MasterFiles.failure(kind, target, why, canDo);
        }

        Report look() {
            TabRows rows = rows(Files.exists(target) ? there() : nothing());
            checkSize(rows);
            return new Report(rows.added(), rows.changed(), rows.removed(), rows.kept(), others, 0);
        }

        /** No rows, as there is no workbook, which is made then. */
        private Optional<List<List<@Nullable String>>> nothing() {
            if (block) {
                throw refused(
                        "no-workbook",
                        "there is no such workbook that has a cell " + tab.cell(),
                        "Make it first, or leave the cell out: then the workbook is made.");
            }
            return Optional.empty();
        }

        private void checkSize(TabRows rows) {
            long last = start.firstRow() + rows.count();
            if (last > MOST_ROWS) {
                throw refused(
                        "too-many-rows",
                        "a tab holds " + Says.number(MOST_ROWS) + " lines, and there would be " + Says.number(last),
                        "Deliver to a workbook of its own, a text file, Parquet or a database.");
            }
            if (nextFilled > 0 && last >= nextFilled) {
                throw refused(
                        "no-room",
                        "the rows would reach line " + last + " of the tab " + Says.quoted(tab.tab()) + ", and in line "
                                + nextFilled + " something else stands below them",
                        "Name a cell with room below it, or a tab of its own.");
            }
        }

        Report write(MasterFiles.Register register) {
            MasterFiles.check(target);
            if (!Files.exists(target)) {
                TabRows rows = rows(nothing());
                long bytes = MasterFiles.write(content.inTab(tab.tab()), target, register);
                return new Report(rows.added(), 0, 0, 0, 0, bytes);
            }
            TabRows rows = rows(there());
            checkSize(rows);
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
                if (block && !isOfBlock(row)) {
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
                    values.add(value(row, at[i], types[i], words[i]));
                }
                rows.add(values);
            }

            /** True for the header of the block and the rows that follow it without a gap. */
            private boolean isOfBlock(Row row) {
                boolean filled = false;
                for (int i = 0; i < names.length; i++) {
                    filled |= !row.blank(start.firstColumn() + i);
                }
                if (row.number() < start.firstRow() || !filled) {
                    return false;
                }
                if (row.number() == start.firstRow()) {
                    for (int i = 0; i < names.length; i++) {
                        int column = start.firstColumn() + i;
                        String said = row.blank(column) ? "" : row.text(column);
                        if (!said.equals(names[i])) {
                            throw refused(
                                    "columns-differ",
                                    "the cell " + Where.columnLetters(column + 1) + row.number() + " of the tab "
                                            + Says.quoted(tab.tab()) + " holds "
                                            + (said.isEmpty() ? "nothing" : Says.quoted(said)) + " where "
                                            + Says.quoted(names[i]) + " is to stand",
                                    "Clear the rows that are there, or name a cell with nothing in it.");
                        }
                    }
                }
                boolean follows = row.number() == lastThere + 1 && nextFilled == 0;
                if (follows) {
                    lastThere = row.number();
                } else if (nextFilled == 0) {
                    nextFilled = row.number();
                }
                return follows;
            }

            private void header(Row row) {
                at = new int[names.length];
                if (block) {
                    Arrays.setAll(at, i -> start.firstColumn() + i);
                    return;
                }
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

            private @Nullable String value(Row row, int column, Type type, YesNoWords words) {
                if (row.blank(column)) {
                    return null;
                }
                if (type == Type.TEXT && row.kind(column) == CellKind.TEXT) {
                    return row.text(column);
                }
                if (type == Type.YES_NO && words.said(row.text(column)).isPresent()) {
                    return String.valueOf(words.said(row.text(column)).get());
                }
                String read = ValueReader.read(row.staged(column), type, Convention.DEFAULT);
                return read == null ? row.text(column) : type.isNumber() ? MasterText.shortest(read) : read;
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

        private TabRows rows(Optional<List<List<@Nullable String>>> there) {
            long all = content.reader().rows();
            List<List<@Nullable String>> before = there.orElse(List.of());
            if (tab.how() == How.REPLACE || there.isEmpty() && !tab.how().isByKey()) {
                return new TabRows(List.of(), true, all, 0, before.size(), 0);
            }
            if (tab.how() == How.ADD) {
                return new TabRows(before, true, all, 0, 0, before.size());
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
            return new RowMatch(names, tab, this::refused).of(before, master);
        }

        // ---- the parts ----

        private void copy(TabRows rows, Path beside) throws IOException, Unfit {
            try (ZipFile zip = ZipFile.builder().setPath(target).get();
                    ZipArchiveOutputStream out = new ZipArchiveOutputStream(beside)) {
                String book = TabList.text(zip, "xl/workbook.xml");
                String links = TabList.text(zip, "xl/_rels/workbook.xml.rels");
                if (!book.contains("<sheets>") || !book.contains(TabList.RELATIONS)) {
                    throw new Unfit("its list of tabs is written in a way that Cuvee does not know");
                }
                Part part = part(zip, book, links);
                Map<String, String> written = new HashMap<>();
                WorkbookStyles styles = new WorkbookStyles(TabList.text(zip, "xl/styles.xml"));
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
                boolean chain = !block && part.frame().formulas();
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
                if (block) {
                    block(rows, zip, part, styles, out);
                } else {
                    sheet(rows, part.frame(), styles, out);
                }
                out.closeArchiveEntry();
            }
        }

        private static void put(ZipArchiveOutputStream out, String name, String text) throws IOException {
            out.putArchiveEntry(new ZipArchiveEntry(name));
            out.write(text.getBytes(StandardCharsets.UTF_8));
            out.closeArchiveEntry();
        }

        /** The tab's part, where there is one; else what a new one is called. */
        private Part part(ZipFile zip, String book, String links) throws IOException, Unfit {
            Matcher sheets = TabList.SHEET.matcher(book);
            while (sheets.find()) {
                if (TabList.plain(TabList.attribute(sheets.group(), "name")).equalsIgnoreCase(tab.tab())) {
                    String id = TabList.attribute(sheets.group(), TabList.prefix(book) + ":id");
                    Matcher link = Pattern.compile("<Relationship\\b[^>]*>").matcher(links);
                    while (link.find()) {
                        if (TabList.attribute(link.group(), "Id").equals(id)) {
                            String to = TabList.attribute(link.group(), "Target");
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
            if (block) {
                return new Part(tab.tab(), path, frame, true);
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
            if (block) {
                return TabFrame.of(SHEET_OPEN + "<dimension ref=\"A1\"/>", "</worksheet>");
            }
            StringBuilder widths = new StringBuilder("<cols>");
            for (int i = 0; i < names.length; i++) {
                int wide = Math.max(types[i] == Type.DATE_AND_TIME ? 20 : 10, Math.min(40, names[i].length() + 3));
                widths.append("<col min=\"" + (i + 1) + "\" max=\"" + (i + 1) + "\" width=\"" + wide
                        + "\" customWidth=\"1\"/>");
            }
            return TabFrame.of(
                    SHEET_OPEN + "<dimension ref=\"A1\"/><sheetViews><sheetView workbookViewId=\"0\"><pane ySplit=\"1\""
                            + " topLeftCell=\"A2\" activePane=\"bottomLeft\" state=\"frozen\"/></sheetView></sheetViews>"
                            + widths + "</cols>",
                    "<autoFilter ref=\"A1\"/></worksheet>");
        }

        /** The list of tabs with one more, and the two parts that name its part. */
        private String withTab(String book, String links, Part part, Map<String, String> written, ZipFile zip)
                throws IOException, Unfit {
            int sheetId = 1;
            Matcher sheets = TabList.SHEET.matcher(book);
            while (sheets.find()) {
                sheetId = Math.max(sheetId, Integer.parseInt(TabList.attribute(sheets.group(), "sheetId")) + 1);
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
                            "<Relationship Id=\"" + id + "\" Type=\"" + TabList.RELATIONS + "/worksheet\" Target=\""
                                    + part.path().substring(3) + "\"/></Relationships>"));
            String types = TabList.text(zip, "[Content_Types].xml");
            written.put(
                    "[Content_Types].xml",
                    types.replace(
                            "</Types>",
                            "<Override PartName=\"/" + part.path()
                                    + "\" ContentType=\"application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml\"/></Types>"));
            return book.replace(
                    "</sheets>",
                    "<sheet name=\"" + TabXml.escaped(part.name()) + "\" sheetId=\"" + sheetId + "\" "
                            + TabList.prefix(book) + ":id=\"" + id + "\"/></sheets>");
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
                String now = written.containsKey(name) ? written.get(name) : TabList.text(zip, name);
                written.put(name, now.replaceAll("<(Override|Relationship)\\b[^>]*calcChain[^>]*/>", ""));
            }
        }

        /** Refuses a block that cells of a tab would share with a table or with merged cells. */
        private void checkRoom(ZipFile zip, Part part, CellRange room) throws IOException, Unfit {
            Matcher merged = MERGED.matcher(part.frame().after());
            while (merged.find()) {
                refuseShared(merged.group(1), "merged cells", room);
            }
            for (String table : TabList.tables(zip, part.path())) {
                refuseShared(table, "a table of its own", room);
            }
        }

        private void refuseShared(String reference, String what, CellRange room) throws Unfit {
            boolean shared = CellRange.of(reference)
                    .filter(there -> there.firstRow() <= room.lastRow()
                            && there.lastRow() >= room.firstRow()
                            && there.firstColumn() <= room.lastColumn()
                            && there.lastColumn() >= room.firstColumn())
                    .isPresent();
            if (shared) {
                throw new Unfit("the tab " + Says.quoted(tab.tab()) + " holds " + what + " in " + reference
                        + ", over cells that would change");
            }
        }

        private CellRange downTo(int row) {
            return new CellRange(start.firstRow(), start.firstColumn(), row, start.firstColumn() + names.length - 1);
        }

        /** The tab with the rows put into it from the cell on; all else of it stays. */
        private void block(TabRows rows, ZipFile zip, Part part, WorkbookStyles styles, OutputStream out)
                throws IOException, Unfit {
            CellRange before = downTo(lastThere);
            CellRange after = downTo((int) (start.firstRow() + rows.count()));
            checkRoom(zip, part, downTo(Math.max(before.lastRow(), after.lastRow())));
            InputStream there = part.there()
                    ? zip.getInputStream(zip.getEntry(part.path()))
                    : new ByteArrayInputStream(
                            (part.frame().before() + "<sheetData/></worksheet>").getBytes(StandardCharsets.UTF_8));
            Writer text = new BufferedWriter(new OutputStreamWriter(out, StandardCharsets.UTF_8));
            StringWriter cells = new StringWriter();
            TabXml xml = new TabXml(
                    content.plan(),
                    format -> String.valueOf(styles.style(format)),
                    cells,
                    start.firstRow(),
                    start.firstColumn());
            try (there) {
                TabBlock tabBlock = new TabBlock(there, text, before, after);
                tabBlock.begin();
                int[] row = {start.firstRow()};
                xml.headerCells();
                tabBlock.row(row[0], taken(cells));
                for (List<@Nullable String> values : rows.first()) {
                    xml.cells(values);
                    tabBlock.row(++row[0], taken(cells));
                }
                if (rows.thenAll()) {
                    content.reader().each(values -> {
                        try {
                            xml.cells(Arrays.asList(values));
                            tabBlock.row(++row[0], taken(cells));
                        } catch (IOException failed) {
                            throw new UncheckedIOException(failed);
                        } catch (Unfit unfit) {
                            throw new UnfitRow(unfit);
                        }
                    });
                }
                tabBlock.end();
            } catch (UnfitRow unfit) {
                throw unfit.unfit;
            }
        }

        private static String taken(StringWriter cells) {
            String text = cells.toString();
            cells.getBuffer().setLength(0);
            return text;
        }

        private void sheet(TabRows rows, TabFrame frame, WorkbookStyles styles, OutputStream out) throws IOException {
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
