package cuvee.sheet;

import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.sheet.SheetInfo.Visibility;
import java.io.IOException;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/** Reads OpenDocument spreadsheets (ISO/IEC 26300), sheet by sheet as a stream. */
final class OdsReader {
    private final Where where;
    private final ReadLimits limits;

    OdsReader(Where where, ReadLimits limits) {
        this.where = where;
        this.limits = limits;
    }

    void read(WorkbookParts parts, SheetVisitor visitor) throws IOException {
        boolean[] locked = new boolean[1];
        parts.read("META-INF/manifest.xml", xml -> {
            while (xml.hasNext()) {
                if (xml.next() == XMLStreamConstants.START_ELEMENT) {
                    locked[0] |= xml.getLocalName().equals("encryption-data");
                }
            }
        });
        if (locked[0]) {
            throw Unreadable.encrypted(where);
        }
        parts.read("content.xml", new Content(visitor));
    }

    /** The one ugly loop: tables, rows and cells, each of which may stand for many by a count of repeats. */
    private final class Content implements WorkbookParts.XmlReading {
        private final SheetVisitor visitor;
        private final Set<String> hiddenStyles = new HashSet<>();
        private final Row row = new Row();
        private final StringBuilder text = new StringBuilder();
        private String style = "";
        private int sheets;
        private boolean wanted;
        private int rowNumber;
        private int blanks;
        private int rowRepeats;
        private int column;
        private int cellRepeats;
        private String type = "";
        private String value = "";
        private boolean formula;
        private int paragraphs;
        private int aside;
        private int columnsSpanned;
        private int rowsSpanned;
        private boolean rowHidden;
        private int hiddenRows;
        private int hiddenColumns;
        private long repeated;
        private final List<CellRange> merged = new ArrayList<>();

        Content(SheetVisitor visitor) {
            this.visitor = visitor;
        }

        @Override
        public void read(XMLStreamReader xml) throws XMLStreamException {
            boolean inCell = false;
            boolean inParagraph = false;
            while (xml.hasNext()) {
                int event = xml.next();
                if (event == XMLStreamConstants.START_ELEMENT) {
                    String name = xml.getLocalName();
                    switch (name) {
                        case "style" -> style = WorkbookParts.attribute(xml, "name");
                        case "table-properties" -> {
                            if (WorkbookParts.attribute(xml, "display").equals("false")) {
                                hiddenStyles.add(style);
                            }
                        }
                        case "table" -> beginTable(xml);
                        case "table-column" -> {
                            if (isHidden(xml)) {
                                hiddenColumns += count(WorkbookParts.attribute(xml, "number-columns-repeated"));
                            }
                        }
                        case "table-row" -> beginRow(xml);
                        case "table-cell", "covered-table-cell" -> {
                            beginCell(xml);
                            inCell = true;
                        }
                        // Notes and drawings within a cell hold paragraphs too, which are none of its text.
                        case "annotation", "shape", "frame" -> aside++;
                        case "p" -> {
                            if (inCell && aside == 0) {
                                inParagraph = true;
                                if (paragraphs++ > 0) {
                                    text.append('\n');
                                }
                            }
                        }
                        case "s" -> {
                            int spaces = count(WorkbookParts.attribute(xml, "c"));
                            checkLength(spaces);
                            append(inParagraph, " ".repeat(spaces));
                        }
                        case "tab" -> append(inParagraph, "\t");
                        case "line-break" -> append(inParagraph, "\n");
                        default -> {}
                    }
                } else if (event == XMLStreamConstants.END_ELEMENT) {
                    switch (xml.getLocalName()) {
                        case "p" -> inParagraph &= aside > 0;
                        case "annotation", "shape", "frame" -> aside--;
                        case "table-cell", "covered-table-cell" -> {
                            endCell();
                            inCell = false;
                        }
                        case "table-row" -> endRow();
                        case "table" -> endTable();
                        default -> {}
                    }
                } else if (inParagraph && aside == 0 && event == XMLStreamConstants.CHARACTERS) {
                    checkLength(xml.getTextLength());
                    text.append(xml.getTextCharacters(), xml.getTextStart(), xml.getTextLength());
                }
            }
        }

        private void checkLength(int more) {
            if ((long) text.length() + more > limits.cellLength()) {
                throw Unreadable.limit(where, "A cell holds more than " + limits.cellLength() + " characters.");
            }
        }

        private void append(boolean inParagraph, String what) {
            if (inParagraph) {
                text.append(what);
            }
        }

        private void beginTable(XMLStreamReader xml) {
            boolean hidden = hiddenStyles.contains(WorkbookParts.attribute(xml, "style-name"));
            SheetInfo info = new SheetInfo(
                    WorkbookParts.attribute(xml, "name"),
                    sheets++,
                    hidden ? Visibility.HIDDEN : Visibility.VISIBLE,
                    "");
            wanted = visitor.sheet(info) == SheetVisitor.Wanted.ROWS;
            rowNumber = 1;
            blanks = 0;
            hiddenRows = 0;
            hiddenColumns = 0;
            merged.clear();
        }

        private static boolean isHidden(XMLStreamReader xml) {
            String visibility = WorkbookParts.attribute(xml, "visibility");
            return visibility.equals("collapse") || visibility.equals("filter");
        }

        private void endTable() {
            if (wanted && (!merged.isEmpty() || hiddenRows + hiddenColumns > 0)) {
                visitor.sight(new SheetSight(merged, hiddenRows, hiddenColumns));
            }
            visitor.endSheet();
        }

        private void beginRow(XMLStreamReader xml) {
            rowHidden = isHidden(xml);
            rowRepeats = count(WorkbookParts.attribute(xml, "number-rows-repeated"));
            column = 0;
            row.begin(rowNumber, blanks);
        }

        private void endRow() {
            if ((long) rowNumber + rowRepeats > limits.work().rows() && !row.blank()) {
                throw Unreadable.limit(
                        where,
                        "The sheet counts up to row " + Says.number((long) rowNumber + rowRepeats - 1) + ", beyond "
                                + Says.number(limits.work().rows()) + ", which is the limit.");
            }
            rowRepeats = Math.min(rowRepeats, Integer.MAX_VALUE - rowNumber);
            if (!row.blank() && wanted) {
                repeated += (rowRepeats - 1L) * row.width();
                if (repeated > limits.work().repeatedCells()) {
                    throw Unreadable.limit(
                            where,
                            "The file says of more than "
                                    + Says.number(limits.work().repeatedCells())
                                    + " cells that they are repetitions of others, which is the limit.");
                }
                hiddenRows += rowHidden ? rowRepeats : 0;
                for (int i = 0; i < rowRepeats; i++) {
                    Row each = i == 0 ? row : again(rowNumber + i);
                    visitor.row(each);
                }
                blanks = 0;
            } else {
                blanks += rowRepeats;
            }
            rowNumber += rowRepeats;
        }

        private Row again(int number) {
            Row copy = new Row();
            copy.begin(number, 0);
            for (int c = 0; c < row.width(); c++) {
                if (row.kind(c) != CellKind.EMPTY) {
                    copy.set(c, row.kind(c), row.text(c));
                }
            }
            return copy;
        }

        private void beginCell(XMLStreamReader xml) {
            text.setLength(0);
            paragraphs = 0;
            type = "";
            value = "";
            formula = false;
            cellRepeats = 1;
            columnsSpanned = 1;
            rowsSpanned = 1;
            for (int i = 0; i < xml.getAttributeCount(); i++) {
                switch (xml.getAttributeLocalName(i)) {
                    case "value-type" -> type = type.isEmpty() ? xml.getAttributeValue(i) : type;
                    case "value", "date-value", "time-value", "boolean-value", "string-value" ->
                        value = xml.getAttributeValue(i);
                    case "number-columns-repeated" -> cellRepeats = count(xml.getAttributeValue(i));
                    case "formula" -> formula = true;
                    case "number-columns-spanned" -> columnsSpanned = count(xml.getAttributeValue(i));
                    case "number-rows-spanned" -> rowsSpanned = count(xml.getAttributeValue(i));
                    default -> {}
                }
            }
        }

        private void endCell() {
            if (type.isEmpty() && paragraphs == 0) {
                if (formula) {
                    put(CellKind.ERROR, "formula without a stored result");
                }
                column = (int) Math.min(Integer.MAX_VALUE, (long) column + cellRepeats);
                return;
            }
            if ((long) column + cellRepeats > limits.columns()) {
                throw Unreadable.limit(
                        where, "The sheet has more than " + limits.columns() + " columns, which is the limit.");
            }
            if (columnsSpanned > 1 || rowsSpanned > 1) {
                merged.add(new CellRange(rowNumber, column, rowNumber + rowsSpanned - 1, column + columnsSpanned - 1));
            }
            for (int i = 0; i < cellRepeats; i++) {
                cell();
                column++;
            }
        }

        private void cell() {
            switch (type) {
                case "float", "currency" -> number();
                case "percentage" -> put(CellKind.PERCENT, NumberText.plain(value));
                case "date" -> put(CellKind.DATE, value.replaceFirst("T00:00:00(\\.0+)?$", ""));
                case "time" -> clock(value);
                case "boolean" -> put(CellKind.YES_NO, value);
                default -> {
                    String shown = value.isEmpty() ? text.toString() : value;
                    boolean error = formula && (shown.startsWith("#") || shown.startsWith("Err:"));
                    put(error ? CellKind.ERROR : CellKind.TEXT, shown);
                }
            }
        }

        /** A formula may answer true or false as 1 or 0 that is shown as a word. */
        private void number() {
            String shown = text.toString();
            if (shown.equalsIgnoreCase("true") || shown.equalsIgnoreCase("false")) {
                put(CellKind.YES_NO, shown.toLowerCase(Locale.ROOT));
            } else {
                put(CellKind.NUMBER, NumberText.plain(value));
            }
        }

        private void put(CellKind kind, String what) {
            row.set(column, kind, what);
        }

        /** Less than a day is a time; more is text, which no time of day holds. */
        private void clock(String duration) {
            try {
                Duration gone = Duration.parse(duration);
                if (gone.toDays() == 0) {
                    put(CellKind.DATE, NumberFormats.timeText(LocalTime.MIDNIGHT.plus(gone)));
                } else {
                    put(CellKind.TEXT, NumberFormats.elapsed(gone));
                }
            } catch (DateTimeException otherForm) {
                put(CellKind.DATE, text.toString());
            }
        }

        private static int count(String given) {
            try {
                return given.isEmpty() ? 1 : Math.max(1, Integer.parseInt(given));
            } catch (NumberFormatException notGiven) {
                return 1;
            }
        }
    }
}
