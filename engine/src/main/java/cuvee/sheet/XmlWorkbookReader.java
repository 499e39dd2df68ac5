package cuvee.sheet;

import cuvee.place.Where;
import cuvee.sheet.SheetInfo.Visibility;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/** Reads workbooks that are one XML file, a form of 2003 that servers for reports still write. */
final class XmlWorkbookReader {
    /** By this such a file is told from other XML. */
    static final String NAMESPACE = "urn:schemas-microsoft-com:office:spreadsheet";

    private final Where where;
    private final ReadLimits limits;

    XmlWorkbookReader(Where where, ReadLimits limits) {
        this.where = where;
        this.limits = limits;
    }

    void read(Path file, SheetVisitor visitor) throws IOException {
        try {
            // Whether people see a sheet is said behind its rows.
            Set<Integer> hidden = new HashSet<>();
            parse(file, xml -> findHidden(xml, hidden));
            parse(file, xml -> new Content(xml, visitor, hidden).read());
        } catch (XMLStreamException badXml) {
            if (badXml.getNestedException() instanceof IOException io) {
                throw io;
            }
            throw Unreadable.broken(where, "it is cut off or damaged");
        }
    }

    private static void parse(Path file, WorkbookParts.XmlReading reading) throws IOException, XMLStreamException {
        try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
            XMLStreamReader xml = WorkbookParts.parser(in);
            try {
                reading.read(xml);
            } finally {
                xml.close();
            }
        }
    }

    /** The places of the sheets that people do not see. */
    private static void findHidden(XMLStreamReader xml, Set<Integer> hidden) throws XMLStreamException {
        int sheet = -1;
        while (xml.hasNext()) {
            if (xml.next() == XMLStreamConstants.START_ELEMENT) {
                sheet += xml.getLocalName().equals("Worksheet") ? 1 : 0;
                if (xml.getLocalName().equals("Visible") && xml.getElementText().contains("Hidden")) {
                    hidden.add(sheet);
                }
            }
        }
    }

    /** What has been read so far. */
    private final class Content {
        private final XMLStreamReader xml;
        private final SheetVisitor visitor;
        private final Set<Integer> hidden;
        private final Set<String> percents = new HashSet<>();
        private final List<CellRange> merged = new ArrayList<>();
        private final Row row = new Row();
        private final StringBuilder text = new StringBuilder();
        private String style = "";
        private String type = "";
        private boolean inData;
        private boolean wanted;
        private boolean percent;
        private int sheets;
        private int number;
        private int blanks;
        private int column;
        private int across;
        private int hiddenRows;
        private int hiddenColumns;

        Content(XMLStreamReader xml, SheetVisitor visitor, Set<Integer> hidden) {
            this.xml = xml;
            this.visitor = visitor;
            this.hidden = hidden;
        }

        void read() throws XMLStreamException {
            while (xml.hasNext()) {
                switch (xml.next()) {
                    case XMLStreamConstants.START_ELEMENT -> begin(xml.getLocalName());
                    case XMLStreamConstants.END_ELEMENT -> end(xml.getLocalName());
                    case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> {
                        if (inData) {
                            append(xml.getText());
                        }
                    }
                    default -> {}
                }
            }
        }

        private void append(String more) {
            if (text.length() + more.length() > limits.cellLength()) {
                throw Unreadable.limit(
                        where.row(number),
                        "A cell holds more than " + limits.cellLength() + " characters, which is the limit.");
            }
            text.append(more);
        }

        private void begin(String element) {
            switch (element) {
                case "Style" -> style = attribute("ID");
                case "NumberFormat" -> {
                    String format = attribute("Format");
                    if (format.contains("%") || format.equals("Percent")) {
                        percents.add(style);
                    }
                }
                case "Worksheet" -> beginSheet();
                case "Column" -> hiddenColumns += isHidden() ? 1 + count("Span", 0) : 0;
                case "Row" -> {
                    hiddenRows += isHidden() ? 1 : 0;
                    beginRow();
                }
                case "Cell" -> beginCell();
                case "Data" -> {
                    type = attribute("Type");
                    text.setLength(0);
                    inData = true;
                }
                default -> {}
            }
        }

        private void end(String element) {
            switch (element) {
                case "Data" -> {
                    inData = false;
                    set();
                }
                case "Cell" -> column += across;
                case "Row" -> {
                    if (row.width() > 0) {
                        visit();
                    } else {
                        blanks++;
                    }
                }
                case "Worksheet" -> {
                    if (wanted && (!merged.isEmpty() || hiddenRows + hiddenColumns > 0)) {
                        visitor.sight(new SheetSight(merged, hiddenRows, hiddenColumns));
                    }
                    merged.clear();
                    visitor.endSheet();
                }
                default -> {}
            }
        }

        private void beginSheet() {
            number = 0;
            blanks = 0;
            hiddenRows = 0;
            hiddenColumns = 0;
            Visibility visibility = hidden.contains(sheets) ? Visibility.HIDDEN : Visibility.VISIBLE;
            SheetInfo info = new SheetInfo(attribute("Name"), sheets++, visibility, "");
            wanted = visitor.sheet(info) == SheetVisitor.Wanted.ROWS;
        }

        private void beginRow() {
            int at = count("Index", number + 1);
            blanks += Math.max(0, at - number - 1);
            number = Math.max(number + 1, at);
            if (number > limits.work().rows()) {
                throw Unreadable.limit(where, "A sheet counts up to row " + number + ", which is more than the limit.");
            }
            row.begin(number, blanks);
            column = 0;
        }

        private void beginCell() {
            column = Math.max(column, count("Index", column + 1) - 1);
            across = 1 + count("MergeAcross", 0);
            int down = count("MergeDown", 0);
            percent = percents.contains(attribute("StyleID"));
            if (column + across > limits.columns()) {
                throw Unreadable.limit(
                        where.row(number), "The row has more than " + limits.columns() + " cells, which is the limit.");
            }
            if (across > 1 || down > 0) {
                merged.add(new CellRange(number, column, number + down, column + across - 1));
            }
        }

        private void set() {
            String held = text.toString();
            if (held.isEmpty()) {
                return;
            }
            switch (type) {
                case "Number" ->
                    row.set(column, percent ? CellKind.PERCENT : CellKind.NUMBER, NumberText.plain(held.strip()));
                case "DateTime" -> row.set(column, CellKind.DATE, day(held.strip()));
                case "Boolean" -> row.set(column, CellKind.YES_NO, held.strip().equals("1") ? "true" : "false");
                case "Error" -> row.set(column, CellKind.ERROR, held.strip());
                default -> row.set(column, CellKind.TEXT, held);
            }
        }

        private void visit() {
            if (wanted) {
                visitor.row(row);
            }
            blanks = 0;
        }

        private boolean isHidden() {
            return attribute("Hidden").equals("1");
        }

        private String attribute(String name) {
            return WorkbookParts.attribute(xml, name);
        }

        private int count(String attribute, int otherwise) {
            String said = attribute(attribute).strip();
            return said.matches("\\d{1,8}") ? Integer.parseInt(said) : otherwise;
        }
    }

    /** A moment without the parts that are nought. */
    private static String day(String moment) {
        String whole = moment.replaceFirst("\\.0+$", "");
        return whole.endsWith("T00:00:00") ? whole.substring(0, whole.length() - "T00:00:00".length()) : whole;
    }
}
