package cuvee.sheet;

import cuvee.place.Where;
import cuvee.sheet.NumberFormats.DayCount;
import cuvee.sheet.SheetInfo.Visibility;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/**
 * Reads workbooks in the Office Open XML form (ECMA-376, transitional and strict), sheet by sheet as a stream. Element
 * names are compared without namespace, so that both forms and any prefix are understood.
 */
final class XlsxReader {
    private final Where where;
    private final ReadLimits limits;
    private final List<String> strings = new ArrayList<>();
    private final List<CellFormat> formats = new ArrayList<>();
    /** The styles whose text is struck through. */
    private final Set<Integer> struck = new HashSet<>();

    private final XlsxNames names = new XlsxNames();
    private DayCount dayCount = DayCount.FROM_1900;

    private record SheetPart(String name, String part, Visibility visibility) {}

    XlsxReader(Where where, ReadLimits limits) {
        this.where = where;
        this.limits = limits;
    }

    void read(WorkbookParts parts, SheetVisitor visitor) throws IOException {
        String workbook = workbookPart(parts);
        if (workbook.endsWith(".bin")) {
            new XlsbReader(where, limits).read(parts, workbook, visitor);
            return;
        }
        String folder = workbook.contains("/") ? workbook.substring(0, workbook.lastIndexOf('/') + 1) : "";
        Map<String, String> targets = parts.relations(folder, workbook);
        List<SheetPart> sheets = sheets(parts, workbook, targets);
        readStyles(parts, folder);
        readStrings(parts, folder);
        for (int i = 0; i < sheets.size(); i++) {
            SheetPart sheet = sheets.get(i);
            SheetInfo info =
                    new SheetInfo(sheet.name(), i, sheet.visibility(), "", names.of(parts, sheet.name(), sheet.part()));
            if (visitor.sheet(info) == SheetVisitor.Wanted.ROWS) {
                SheetCells cells = new SheetCells(
                        visitor,
                        Where.sheet(where.source(), sheet.name()),
                        limits,
                        new SheetCells.Shared(strings, formats, dayCount, struck));
                if (!parts.read(sheet.part(), in -> new RegularRows(in, cells), new SheetXml(cells))) {
                    throw Unreadable.broken(where, "its sheet " + sheet.name() + " is missing");
                }
                cells.tellSight();
            }
            visitor.endSheet();
        }
    }

    private String workbookPart(WorkbookParts parts) throws IOException {
        List<String> found = new ArrayList<>();
        parts.read(
                "_rels/.rels",
                xml -> WorkbookParts.eachStart(xml, "Relationship", () -> {
                    if (WorkbookParts.attribute(xml, "Type").endsWith("/officeDocument")) {
                        found.add(WorkbookParts.attribute(xml, "Target").replaceFirst("^/", ""));
                    }
                }));
        String usual = parts.has("xl/workbook.bin") ? "xl/workbook.bin" : "xl/workbook.xml";
        String part = found.isEmpty() ? usual : found.get(0);
        if (!parts.has(part)) {
            throw Unreadable.notATable(where, "a zip archive that is no workbook");
        }
        return part;
    }

    private List<SheetPart> sheets(WorkbookParts parts, String workbook, Map<String, String> targets)
            throws IOException {
        List<SheetPart> sheets = new ArrayList<>();
        parts.read(workbook, xml -> {
            while (xml.hasNext()) {
                if (xml.next() != XMLStreamConstants.START_ELEMENT) {
                    continue;
                }
                if (xml.getLocalName().equals("definedName")) {
                    String name = WorkbookParts.attribute(xml, "name");
                    names.define(name, xml.getElementText());
                } else if (xml.getLocalName().equals("workbookPr")) {
                    String count = WorkbookParts.attribute(xml, "date1904");
                    dayCount = count.equals("1") || count.equals("true") ? DayCount.FROM_1904 : DayCount.FROM_1900;
                } else if (xml.getLocalName().equals("sheet")) {
                    String part = targets.getOrDefault(WorkbookParts.attribute(xml, "id"), "");
                    // Charts and dialogs are sheets of a workbook too, and hold no cells.
                    if (!part.contains("chartsheets/") && !part.contains("dialogsheets/")) {
                        boolean hidden = WorkbookParts.attribute(xml, "state")
                                .toLowerCase(java.util.Locale.ROOT)
                                .contains("hidden");
                        sheets.add(new SheetPart(
                                WorkbookParts.attribute(xml, "name"),
                                part,
                                hidden ? Visibility.HIDDEN : Visibility.VISIBLE));
                    }
                }
            }
        });
        return sheets;
    }

    private void readStyles(WorkbookParts parts, String folder) throws IOException {
        Map<Integer, String> codes = new HashMap<>();
        Set<Integer> struckFonts = new HashSet<>();
        parts.read(folder + "styles.xml", xml -> {
            boolean inCellFormats = false;
            boolean inFonts = false;
            int fonts = 0;
            while (xml.hasNext()) {
                int event = xml.next();
                if (event == XMLStreamConstants.START_ELEMENT) {
                    switch (xml.getLocalName()) {
                        case "numFmt" ->
                            codes.put(
                                    number(WorkbookParts.attribute(xml, "numFmtId")),
                                    WorkbookParts.attribute(xml, "formatCode"));
                        case "cellXfs" -> inCellFormats = true;
                        case "fonts" -> inFonts = true;
                        case "font" -> fonts += inFonts ? 1 : 0;
                        case "strike" -> {
                            String said = WorkbookParts.attribute(xml, "val");
                            if (inFonts && (said.isEmpty() || said.equals("1") || said.equals("true"))) {
                                struckFonts.add(fonts - 1);
                            }
                        }
                        case "xf" -> {
                            if (inCellFormats && struckFonts.contains(number(WorkbookParts.attribute(xml, "fontId")))) {
                                struck.add(formats.size());
                            }
                            if (inCellFormats) {
                                formats.add(CellFormat.of(number(WorkbookParts.attribute(xml, "numFmtId")), codes));
                            }
                        }
                        default -> {}
                    }
                } else if (event == XMLStreamConstants.END_ELEMENT) {
                    inCellFormats &= !xml.getLocalName().equals("cellXfs");
                    inFonts &= !xml.getLocalName().equals("fonts");
                }
            }
        });
    }

    private void readStrings(WorkbookParts parts, String folder) throws IOException {
        parts.read(folder + "sharedStrings.xml", xml -> {
            StringBuilder text = new StringBuilder();
            while (xml.hasNext()) {
                int event = xml.next();
                if (event == XMLStreamConstants.START_ELEMENT
                        && xml.getLocalName().equals("si")) {
                    text.setLength(0);
                    richText(xml, "si", run -> append(run, text));
                    strings.add(SheetCells.unescape(text));
                }
            }
        });
    }

    /** Gathers the text of all runs up to the end of an element, without the readings given for pronunciation. */
    private static void richText(XMLStreamReader xml, String element, Consumer<XMLStreamReader> run)
            throws XMLStreamException {
        boolean inText = false;
        boolean inReading = false;
        while (xml.hasNext()) {
            int event = xml.next();
            if (event == XMLStreamConstants.START_ELEMENT) {
                inText |= xml.getLocalName().equals("t");
                inReading |= xml.getLocalName().equals("rPh");
            } else if (event == XMLStreamConstants.END_ELEMENT) {
                switch (xml.getLocalName()) {
                    case "t" -> inText = false;
                    case "rPh" -> inReading = false;
                    default -> {
                        if (xml.getLocalName().equals(element)) {
                            return;
                        }
                    }
                }
            } else if (inText && !inReading && isText(event)) {
                run.accept(xml);
            }
        }
    }

    private void append(XMLStreamReader xml, StringBuilder text) {
        text.append(xml.getTextCharacters(), xml.getTextStart(), xml.getTextLength());
        if (text.length() > limits.cellLength()) {
            throw Unreadable.limit(where, "A cell holds more than " + limits.cellLength() + " characters.");
        }
    }

    private static boolean isText(int event) {
        return event == XMLStreamConstants.CHARACTERS
                || event == XMLStreamConstants.CDATA
                || event == XMLStreamConstants.SPACE;
    }

    private static int number(String text) {
        try {
            return Integer.parseInt(text.trim());
        } catch (NumberFormatException notGiven) {
            return -1;
        }
    }

    /** What the parser tells of one sheet; most rows are taken before it sees them. */
    private final class SheetXml implements WorkbookParts.XmlReading {
        private final SheetCells cells;

        SheetXml(SheetCells cells) {
            this.cells = cells;
        }

        @Override
        public void read(XMLStreamReader xml) throws XMLStreamException {
            boolean inValue = false;
            while (xml.hasNext()) {
                int event = xml.next();
                if (event == XMLStreamConstants.START_ELEMENT) {
                    switch (xml.getLocalName()) {
                        case "row" ->
                            cells.beginRow(
                                    number(WorkbookParts.attribute(xml, "r")),
                                    isTrue(WorkbookParts.attribute(xml, "hidden")));
                        case "c" -> beginCell(xml);
                        case "v" -> {
                            inValue = true;
                            cells.value();
                        }
                        case "f" -> cells.formula();
                        case "col" -> column(xml);
                        case "mergeCell" ->
                            CellRange.of(WorkbookParts.attribute(xml, "ref")).ifPresent(cells::merged);
                        case "is" -> {
                            richText(xml, "is", this::append);
                            cells.value();
                        }
                        default -> {}
                    }
                } else if (event == XMLStreamConstants.END_ELEMENT) {
                    switch (xml.getLocalName()) {
                        case "v" -> inValue = false;
                        case "c" -> cells.endCell();
                        case "row" -> cells.endRow();
                        default -> {}
                    }
                } else if (inValue && isText(event)) {
                    append(xml);
                }
            }
        }

        private void append(XMLStreamReader xml) {
            cells.append(xml.getTextCharacters(), xml.getTextStart(), xml.getTextLength());
        }

        private void column(XMLStreamReader xml) {
            if (isTrue(WorkbookParts.attribute(xml, "hidden"))) {
                int first = number(WorkbookParts.attribute(xml, "min"));
                int last = Math.min(number(WorkbookParts.attribute(xml, "max")), limits.columns());
                cells.hiddenColumns(Math.max(0, last - first + 1));
            }
        }

        private void beginCell(XMLStreamReader xml) {
            int column = -1;
            int style = 0;
            SheetCells.Kind kind = SheetCells.Kind.NUMBER;
            for (int i = 0; i < xml.getAttributeCount(); i++) {
                switch (xml.getAttributeLocalName(i)) {
                    case "r" -> column = columnOf(xml.getAttributeValue(i));
                    case "s" -> style = number(xml.getAttributeValue(i));
                    case "t" -> kind = SheetCells.Kind.of(xml.getAttributeValue(i));
                    default -> {}
                }
            }
            cells.beginCell(column, style, kind);
        }

        private static boolean isTrue(String written) {
            return written.equals("1") || written.equals("true");
        }

        /** The column of a reference such as AB12, from 0; below 0 where it names none. */
        private static int columnOf(String reference) {
            int at = 0;
            for (int i = 0; i < reference.length(); i++) {
                char c = Character.toUpperCase(reference.charAt(i));
                if (c < 'A' || c > 'Z') {
                    break;
                }
                at = Math.min(at * 26 + c - 'A' + 1, 1 << 20);
            }
            return at - 1;
        }
    }
}
