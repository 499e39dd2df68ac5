package cuvee.sheet;

import cuvee.place.Where;
import cuvee.sheet.NumberFormats.DayCount;
import cuvee.sheet.SheetInfo.Visibility;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;
import org.apache.poi.ss.usermodel.FormulaError;
import org.apache.poi.util.RecordFormatException;
import org.apache.poi.xssf.binary.XSSFBParser;

/**
 * Reads workbooks in the binary form of 2007 and later (MS-XLSB), whose parts are records in a zip archive. The library
 * cuts the parts into records; what they mean is told here, so that no number passes through a display format.
 */
final class XlsbReader {
    private static final int ROW = 0;
    private static final int CELL_RK = 2;
    private static final int CELL_ERROR = 3;
    private static final int CELL_BOOL = 4;
    private static final int CELL_REAL = 5;
    private static final int CELL_TEXT = 6;
    private static final int CELL_SHARED = 7;
    private static final int FORMULA_TEXT = 8;
    private static final int FORMULA_NUMBER = 9;
    private static final int FORMULA_BOOL = 10;
    private static final int FORMULA_ERROR = 11;
    private static final int SHARED_ITEM = 19;
    private static final int FORMAT = 44;
    private static final int CELL_STYLE = 47;
    private static final int COLUMN = 60;
    private static final int WORKBOOK_PROPERTIES = 153;
    private static final int SHEET = 156;
    private static final int MERGED = 176;
    private static final int BEGIN_STYLES = 617;
    private static final int END_STYLES = 618;
    private static final int CELL_HEAD = 8;
    private final Where where;
    private final ReadLimits limits;
    private final List<String> strings = new ArrayList<>();
    private final List<CellFormat> formats = new ArrayList<>();
    private DayCount dayCount = DayCount.FROM_1900;

    private record SheetPart(String name, String relation, Visibility visibility) {}

    /** What to do with a record. */
    private interface Records {
        void record(int type, ByteBuffer data);
    }

    XlsbReader(Where where, ReadLimits limits) {
        this.where = where;
        this.limits = limits;
    }

    void read(WorkbookParts parts, String workbook, SheetVisitor visitor) throws IOException {
        String folder = workbook.substring(0, workbook.lastIndexOf('/') + 1);
        Map<String, String> targets = parts.relations(folder, workbook);
        List<SheetPart> sheets = new ArrayList<>();
        each(parts, workbook, (type, data) -> {
            if (type == WORKBOOK_PROPERTIES) {
                dayCount = (data.getInt(0) & 1) == 1 ? DayCount.FROM_1904 : DayCount.FROM_1900;
            } else if (type == SHEET) {
                boolean hidden = data.getInt(0) != 0;
                data.position(CELL_HEAD);
                String relation = text(data);
                sheets.add(new SheetPart(text(data), relation, hidden ? Visibility.HIDDEN : Visibility.VISIBLE));
            }
        });
        readStyles(parts, folder);
        each(parts, folder + "sharedStrings.bin", (type, data) -> {
            if (type == SHARED_ITEM) {
                data.position(1);
                strings.add(text(data));
            }
        });
        int index = 0;
        for (SheetPart sheet : sheets) {
            String part = targets.getOrDefault(sheet.relation(), "");
            if (part.contains("worksheets/")) {
                SheetInfo info = new SheetInfo(sheet.name(), index, sheet.visibility(), "");
                if (visitor.sheet(info) == SheetVisitor.Wanted.ROWS) {
                    Cells cells = new Cells(visitor, Where.sheet(where.source(), sheet.name()));
                    each(parts, part, cells);
                    cells.end();
                }
                visitor.endSheet();
            }
            index++;
        }
    }

    private void readStyles(WorkbookParts parts, String folder) throws IOException {
        Map<Integer, String> codes = new HashMap<>();
        boolean[] within = new boolean[1];
        each(parts, folder + "styles.bin", (type, data) -> {
            switch (type) {
                case FORMAT -> {
                    int id = data.getShort() & 0xFFFF;
                    codes.put(id, text(data));
                }
                case BEGIN_STYLES -> within[0] = true;
                case END_STYLES -> within[0] = false;
                case CELL_STYLE -> {
                    if (within[0]) {
                        formats.add(CellFormat.of(data.getShort(2) & 0xFFFF, codes));
                    }
                }
                default -> {}
            }
        });
    }

    private void each(WorkbookParts parts, String part, Records records) throws IOException {
        if (!parts.has(part)) {
            return;
        }
        try (InputStream in = parts.open(part)) {
            new XSSFBParser(in) {
                @Override
                public void handleRecord(int type, byte[] data) {
                    records.record(type, ByteBuffer.wrap(data).order(ByteOrder.LITTLE_ENDIAN));
                }
            }.parse();
        } catch (RecordFormatException
                | IndexOutOfBoundsException
                | IllegalStateException
                | java.nio.BufferUnderflowException damaged) {
            if (damaged instanceof CancellationException) {
                throw damaged;
            }
            throw Unreadable.broken(where, "its part " + part + " is damaged");
        }
    }

    /** A text with its length in front; a length below zero stands for none. */
    private String text(ByteBuffer data) {
        int length = data.getInt();
        if (length <= 0) {
            return "";
        }
        if (length > limits.cellLength()) {
            throw Unreadable.limit(where, "A cell holds more than " + limits.cellLength() + " characters.");
        }
        byte[] characters = new byte[length * 2];
        data.get(characters);
        return new String(characters, StandardCharsets.UTF_16LE);
    }

    /** The records of one sheet as rows. */
    private final class Cells implements Records {
        private final SheetVisitor visitor;
        private final Where place;
        private final Row row = new Row();
        private final List<CellRange> merged = new ArrayList<>();
        private int current;
        private int hiddenRows;
        private int hiddenColumns;

        Cells(SheetVisitor visitor, Where place) {
            this.visitor = visitor;
            this.place = place;
        }

        @Override
        public void record(int type, ByteBuffer data) {
            switch (type) {
                case ROW -> begin(data);
                case CELL_RK -> number(data, rk(data.getInt(CELL_HEAD)));
                case CELL_REAL, FORMULA_NUMBER -> number(data, data.getDouble(CELL_HEAD));
                case CELL_TEXT, FORMULA_TEXT -> {
                    int column = column(data);
                    data.position(CELL_HEAD);
                    row.set(column, CellKind.TEXT, text(data));
                }
                case CELL_SHARED -> shared(data);
                case CELL_BOOL, FORMULA_BOOL ->
                    row.set(column(data), CellKind.YES_NO, data.get(CELL_HEAD) == 0 ? "false" : "true");
                case CELL_ERROR, FORMULA_ERROR -> row.set(column(data), CellKind.ERROR, error(data.get(CELL_HEAD)));
                case MERGED ->
                    merged.add(new CellRange(data.getInt(0) + 1, data.getInt(8), data.getInt(4) + 1, data.getInt(12)));
                case COLUMN -> {
                    boolean hidden = data.capacity() > 16 && (data.get(16) & 1) == 1;
                    hiddenColumns += hidden ? Math.min(data.getInt(4), limits.columns()) - data.getInt(0) + 1 : 0;
                }
                default -> {}
            }
        }

        private void begin(ByteBuffer data) {
            flush();
            int number = data.getInt(0) + 1;
            row.begin(number, Math.max(0, number - current - 1));
            current = number;
            hiddenRows += data.capacity() > 11 && (data.get(11) >> 4 & 1) == 1 ? 1 : 0;
        }

        private void flush() {
            if (current > 0) {
                visitor.row(row);
            }
        }

        void end() {
            flush();
            if (!merged.isEmpty() || hiddenRows + hiddenColumns > 0) {
                visitor.sight(new SheetSight(merged, hiddenRows, hiddenColumns));
            }
        }

        private int column(ByteBuffer data) {
            int column = data.getInt(0);
            if (column < 0 || column >= limits.columns()) {
                throw Unreadable.limit(
                        place, "The sheet has more than " + limits.columns() + " columns, which is the limit.");
            }
            return column;
        }

        private void shared(ByteBuffer data) {
            int index = data.getInt(CELL_HEAD);
            if (index < 0 || index >= strings.size()) {
                row.set(column(data), CellKind.ERROR, "text number " + index + " is missing in the workbook");
            } else {
                row.set(column(data), CellKind.TEXT, strings.get(index));
            }
        }

        private void number(ByteBuffer data, double value) {
            int style = data.getInt(4) & 0xFFFFFF;
            CellFormat format = style < formats.size() ? formats.get(style) : CellFormat.PLAIN;
            format.put(row, column(data), Double.toString(value), dayCount);
        }

        /** A number in 30 bits: a whole one or the upper half of a double, either perhaps a hundredth. */
        private static double rk(int packed) {
            double value = (packed & 2) != 0 ? packed >> 2 : Double.longBitsToDouble((long) (packed & ~3) << 32);
            return (packed & 1) != 0 ? value / 100 : value;
        }

        private static String error(byte code) {
            return FormulaError.isValidCode(code) ? FormulaError.forInt(code).getString() : "error " + (code & 0xFF);
        }
    }
}
