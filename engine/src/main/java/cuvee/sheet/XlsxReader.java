package cuvee.sheet;

import cuvee.place.Where;
import cuvee.sheet.NumberFormats.DayCount;
import cuvee.sheet.SheetInfo.Visibility;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
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
        Map<String, String> targets = relations(parts, folder, workbook);
        List<SheetPart> sheets = sheets(parts, workbook, targets);
        readStyles(parts, folder);
        readStrings(parts, folder);
        for (int i = 0; i < sheets.size(); i++) {
            SheetPart sheet = sheets.get(i);
            SheetInfo info =
                    new SheetInfo(sheet.name(), i, sheet.visibility(), "", names.of(parts, sheet.name(), sheet.part()));
            if (visitor.sheet(info) == SheetVisitor.Wanted.ROWS) {
                SheetXml reading = new SheetXml(visitor, where.row(0), sheet.name());
                if (!parts.read(sheet.part(), reading)) {
                    throw Unreadable.broken(where, "its sheet " + sheet.name() + " is missing");
                }
                reading.tellSight();
            }
            visitor.endSheet();
        }
    }

    private String workbookPart(WorkbookParts parts) throws IOException {
        List<String> found = new ArrayList<>();
        parts.read(
                "_rels/.rels",
                xml -> eachStart(xml, "Relationship", () -> {
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

    /** The targets of a part's relations, by their ids. */
    static Map<String, String> relations(WorkbookParts parts, String folder, String workbook) throws IOException {
        Map<String, String> targets = new HashMap<>();
        String name = workbook.substring(folder.length());
        parts.read(
                folder + "_rels/" + name + ".rels",
                xml -> eachStart(xml, "Relationship", () -> {
                    String target = WorkbookParts.attribute(xml, "Target");
                    targets.put(
                            WorkbookParts.attribute(xml, "Id"),
                            target.startsWith("/") ? target.substring(1) : resolve(folder, target));
                }));
        return targets;
    }

    private static String resolve(String folder, String target) {
        return Path.of(folder, target).normalize().toString().replace('\\', '/');
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
        parts.read(folder + "styles.xml", xml -> {
            boolean inCellFormats = false;
            while (xml.hasNext()) {
                int event = xml.next();
                if (event == XMLStreamConstants.START_ELEMENT) {
                    switch (xml.getLocalName()) {
                        case "numFmt" ->
                            codes.put(
                                    number(WorkbookParts.attribute(xml, "numFmtId")),
                                    WorkbookParts.attribute(xml, "formatCode"));
                        case "cellXfs" -> inCellFormats = true;
                        case "xf" -> {
                            if (inCellFormats) {
                                formats.add(CellFormat.of(number(WorkbookParts.attribute(xml, "numFmtId")), codes));
                            }
                        }
                        default -> {}
                    }
                } else if (event == XMLStreamConstants.END_ELEMENT
                        && xml.getLocalName().equals("cellXfs")) {
                    inCellFormats = false;
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
                    richText(xml, "si", text);
                    strings.add(unescape(text));
                }
            }
        });
    }

    /** Gathers the text of all runs up to the end of an element, without the readings given for pronunciation. */
    private void richText(XMLStreamReader xml, String element, StringBuilder text) throws XMLStreamException {
        text.setLength(0);
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
                append(xml, text);
            }
        }
    }

    private void append(XMLStreamReader xml, StringBuilder text) {
        text.append(xml.getTextCharacters(), xml.getTextStart(), xml.getTextLength());
        if (text.length() > limits.cellLength()) {
            throw Unreadable.limit(where, "A cell holds more than " + limits.cellLength() + " characters.");
        }
    }

    /** Control characters are written as _x000D_ and the like. */
    private static String unescape(CharSequence written) {
        String text = written.toString();
        int at = text.indexOf("_x");
        if (at < 0) {
            return text;
        }
        StringBuilder plain = new StringBuilder(text.length());
        int from = 0;
        while (at >= 0) {
            boolean escape = at + 7 <= text.length()
                    && text.charAt(at + 6) == '_'
                    && text.substring(at + 2, at + 6).matches("[0-9A-Fa-f]{4}");
            if (escape) {
                plain.append(text, from, at).append((char) Integer.parseInt(text.substring(at + 2, at + 6), 16));
                from = at + 7;
            }
            at = text.indexOf("_x", escape ? from : at + 1);
        }
        return plain.append(text, from, text.length()).toString();
    }

    private static boolean isText(int event) {
        return event == XMLStreamConstants.CHARACTERS
                || event == XMLStreamConstants.CDATA
                || event == XMLStreamConstants.SPACE;
    }

    private interface Action {
        void run();
    }

    private static void eachStart(XMLStreamReader xml, String element, Action action) throws XMLStreamException {
        while (xml.hasNext()) {
            if (xml.next() == XMLStreamConstants.START_ELEMENT
                    && xml.getLocalName().equals(element)) {
                action.run();
            }
        }
    }

    private static int number(String text) {
        try {
            return Integer.parseInt(text.trim());
        } catch (NumberFormatException notGiven) {
            return -1;
        }
    }

    /** The one ugly loop: the cells of one sheet. */
    private final class SheetXml implements WorkbookParts.XmlReading {
        private final SheetVisitor visitor;
        private final Where place;
        private final Row row = new Row();
        private final StringBuilder text = new StringBuilder();
        private int rowNumber;
        private int column;
        private int style;
        private String type = "";
        private boolean formula;
        private boolean value;
        private boolean hidden;
        private int hiddenRows;
        private final Map<Integer, String> currencies = new HashMap<>();
        private int hiddenColumns;
        private final List<CellRange> merged = new ArrayList<>();

        SheetXml(SheetVisitor visitor, Where source, String sheet) {
            this.visitor = visitor;
            this.place = Where.sheet(source.source(), sheet);
        }

        @Override
        public void read(XMLStreamReader xml) throws XMLStreamException {
            boolean inValue = false;
            while (xml.hasNext()) {
                int event = xml.next();
                if (event == XMLStreamConstants.START_ELEMENT) {
                    switch (xml.getLocalName()) {
                        case "row" -> beginRow(xml);
                        case "c" -> beginCell(xml);
                        case "v" -> {
                            inValue = true;
                            value = true;
                        }
                        case "f" -> formula = true;
                        case "col" -> column(xml);
                        case "mergeCell" ->
                            CellRange.of(WorkbookParts.attribute(xml, "ref")).ifPresent(merged::add);
                        case "is" -> {
                            richText(xml, "is", text);
                            value = true;
                        }
                        default -> {}
                    }
                } else if (event == XMLStreamConstants.END_ELEMENT) {
                    switch (xml.getLocalName()) {
                        case "v" -> inValue = false;
                        case "c" -> endCell();
                        case "row" -> {
                            hiddenRows += hidden && row.width() > 0 ? 1 : 0;
                            visitor.row(row);
                        }
                        default -> {}
                    }
                } else if (inValue && isText(event)) {
                    append(xml, text);
                }
            }
        }

        private void column(XMLStreamReader xml) {
            if (isTrue(WorkbookParts.attribute(xml, "hidden"))) {
                int first = number(WorkbookParts.attribute(xml, "min"));
                int last = Math.min(number(WorkbookParts.attribute(xml, "max")), limits.columns());
                hiddenColumns += Math.max(0, last - first + 1);
            }
        }

        void tellSight() {
            currencies.values().removeIf(String::isEmpty);
            if (!merged.isEmpty() || hiddenRows + hiddenColumns > 0 || !currencies.isEmpty()) {
                visitor.sight(new SheetSight(merged, hiddenRows, hiddenColumns, currencies));
            }
        }

        private static boolean isTrue(String written) {
            return written.equals("1") || written.equals("true");
        }

        private void beginRow(XMLStreamReader xml) {
            hidden = isTrue(WorkbookParts.attribute(xml, "hidden"));
            int given = number(WorkbookParts.attribute(xml, "r"));
            int next = given > 0 ? given : rowNumber + 1;
            row.begin(next, Math.max(0, next - rowNumber - 1));
            rowNumber = next;
            column = -1;
        }

        private void beginCell(XMLStreamReader xml) {
            text.setLength(0);
            style = 0;
            type = "n";
            formula = false;
            value = false;
            int at = column + 1;
            for (int i = 0; i < xml.getAttributeCount(); i++) {
                switch (xml.getAttributeLocalName(i)) {
                    case "r" -> at = columnOf(xml.getAttributeValue(i), at);
                    case "s" -> style = number(xml.getAttributeValue(i));
                    case "t" -> type = xml.getAttributeValue(i);
                    default -> {}
                }
            }
            column = at;
            if (column >= limits.columns()) {
                throw Unreadable.limit(
                        place, "The sheet has more than " + limits.columns() + " columns, which is the limit.");
            }
        }

        private static int columnOf(String reference, int otherwise) {
            int at = 0;
            for (int i = 0; i < reference.length(); i++) {
                char c = Character.toUpperCase(reference.charAt(i));
                if (c < 'A' || c > 'Z') {
                    break;
                }
                at = Math.min(at * 26 + c - 'A' + 1, 1 << 20);
            }
            return at == 0 ? otherwise : at - 1;
        }

        private void endCell() {
            if (!value) {
                if (formula) {
                    row.set(column, CellKind.ERROR, "formula without a stored result");
                }
                return;
            }
            switch (type) {
                case "s" -> sharedString();
                case "str", "inlineStr" -> row.set(column, CellKind.TEXT, unescape(text));
                case "b" ->
                    row.set(
                            column,
                            CellKind.YES_NO,
                            text.toString().trim().equals("1")
                                            || text.toString().trim().equals("true")
                                    ? "true"
                                    : "false");
                case "e" -> row.set(column, CellKind.ERROR, text);
                case "d" -> isoDate();
                default -> numberCell();
            }
        }

        private void sharedString() {
            int index = number(text.toString());
            if (index < 0 || index >= strings.size()) {
                row.set(column, CellKind.ERROR, "text number " + text + " is missing in the workbook");
            } else {
                row.set(column, CellKind.TEXT, strings.get(index));
            }
        }

        private void isoDate() {
            String iso = text.toString().trim().replaceFirst("Z$", "");
            row.set(column, CellKind.DATE, iso.endsWith("T00:00:00") ? iso.substring(0, iso.length() - 9) : iso);
        }

        private void numberCell() {
            if (text.length() == 0) {
                return;
            }
            CellFormat format = style >= 0 && style < formats.size() ? formats.get(style) : CellFormat.PLAIN;
            format.put(row, column, text.toString(), dayCount);
            if (!format.currency().isEmpty()) {
                currencies.merge(column, format.currency(), (one, other) -> one.equals(other) ? one : "");
            }
        }
    }
}
