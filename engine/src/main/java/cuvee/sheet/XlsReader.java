package cuvee.sheet;

import cuvee.place.Where;
import cuvee.sheet.NumberFormats.DayCount;
import cuvee.sheet.NumberFormats.Sense;
import cuvee.sheet.SheetInfo.Visibility;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.poi.EncryptedDocumentException;
import org.apache.poi.hssf.eventusermodel.FormatTrackingHSSFListener;
import org.apache.poi.hssf.eventusermodel.HSSFEventFactory;
import org.apache.poi.hssf.eventusermodel.HSSFListener;
import org.apache.poi.hssf.eventusermodel.HSSFRequest;
import org.apache.poi.hssf.eventusermodel.MissingRecordAwareHSSFListener;
import org.apache.poi.hssf.record.BOFRecord;
import org.apache.poi.hssf.record.BoolErrRecord;
import org.apache.poi.hssf.record.BoundSheetRecord;
import org.apache.poi.hssf.record.CellValueRecordInterface;
import org.apache.poi.hssf.record.ColumnInfoRecord;
import org.apache.poi.hssf.record.DateWindow1904Record;
import org.apache.poi.hssf.record.EOFRecord;
import org.apache.poi.hssf.record.FormulaRecord;
import org.apache.poi.hssf.record.LabelRecord;
import org.apache.poi.hssf.record.LabelSSTRecord;
import org.apache.poi.hssf.record.MergeCellsRecord;
import org.apache.poi.hssf.record.NumberRecord;
import org.apache.poi.hssf.record.RKRecord;
import org.apache.poi.hssf.record.Record;
import org.apache.poi.hssf.record.RowRecord;
import org.apache.poi.hssf.record.SSTRecord;
import org.apache.poi.hssf.record.StringRecord;
import org.apache.poi.hssf.record.crypto.Biff8EncryptionKey;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.FormulaError;
import org.apache.poi.ss.util.CellRangeAddress;
import org.jspecify.annotations.Nullable;

/** Reads workbooks in the binary form used before 2007, record by record through the library's event model. */
final class XlsReader {
    private final Where where;
    private final ReadLimits limits;
    private final List<String> passwords;

    XlsReader(Where where, ReadLimits limits, List<String> passwords) {
        this.passwords = passwords;
        this.where = where;
        this.limits = limits;
    }

    void read(Path file, SheetVisitor visitor) throws IOException {
        // The library takes one password a thread; the first is tried.
        Biff8EncryptionKey.setCurrentUserPassword(passwords.isEmpty() ? null : passwords.get(0));
        try (POIFSFileSystem files = new POIFSFileSystem(file.toFile(), true)) {
            String stream = files.getRoot().hasEntryCaseInsensitive("Workbook") ? "Workbook" : "Book";
            try (InputStream in = files.createDocumentInputStream(stream)) {
                Records records = new Records(visitor);
                FormatTrackingHSSFListener formats = new FormatTrackingHSSFListener(
                        new MissingRecordAwareHSSFListener(records), java.util.Locale.ROOT);
                records.formats = formats;
                HSSFRequest request = new HSSFRequest();
                request.addListenerForAllRecords(formats);
                new HSSFEventFactory().processEvents(request, in);
            }
        } catch (EncryptedDocumentException locked) {
            throw passwords.isEmpty() ? Unreadable.encrypted(where) : Unreadable.wrongPassword(where);
        } catch (cuvee.finding.CuveeException known) {
            throw known;
        } catch (java.util.concurrent.CancellationException stopped) {
            throw stopped;
        } catch (RuntimeException damaged) {
            throw Unreadable.broken(where, "its records are damaged");
        } finally {
            Biff8EncryptionKey.setCurrentUserPassword(null);
        }
    }

    /** Turns records into rows. Charts within a sheet bring records of their own, which are passed over. */
    private final class Records implements HSSFListener {
        private final SheetVisitor visitor;
        private final List<BoundSheetRecord> sheets = new ArrayList<>();
        private final Map<Integer, Sense> senses = new HashMap<>();
        private final Row row = new Row();
        private @Nullable SSTRecord strings;
        private @Nullable FormatTrackingHSSFListener formats;
        private @Nullable FormulaRecord awaiting;
        private DayCount dayCount = DayCount.FROM_1900;
        private int depth;
        private int sheet = -1;
        private boolean wanted;
        private boolean inSheet;
        private int current;
        private int hiddenRows;
        private int hiddenColumns;
        private final List<CellRange> merged = new ArrayList<>();

        Records(SheetVisitor visitor) {
            this.visitor = visitor;
        }

        @Override
        public void processRecord(Record found) {
            if (found instanceof BOFRecord begin) {
                begin(begin);
            } else if (found instanceof EOFRecord) {
                end();
            } else if (found instanceof BoundSheetRecord bound) {
                sheets.add(bound);
            } else if (found instanceof SSTRecord table) {
                strings = table;
            } else if (found instanceof DateWindow1904Record window) {
                dayCount = window.getWindowing() == 1 ? DayCount.FROM_1904 : DayCount.FROM_1900;
            } else if (inSheet && depth == 1 && wanted) {
                if (found instanceof MergeCellsRecord cells) {
                    for (int i = 0; i < cells.getNumAreas(); i++) {
                        CellRangeAddress area = cells.getAreaAt(i);
                        merged.add(new CellRange(
                                area.getFirstRow() + 1,
                                area.getFirstColumn(),
                                area.getLastRow() + 1,
                                area.getLastColumn()));
                    }
                } else if (found instanceof RowRecord line) {
                    hiddenRows += line.getZeroHeight() ? 1 : 0;
                } else if (found instanceof ColumnInfoRecord columns) {
                    hiddenColumns += columns.getHidden() ? columns.getLastColumn() - columns.getFirstColumn() + 1 : 0;
                } else {
                    cell(found);
                }
            }
        }

        private void begin(BOFRecord begin) {
            depth++;
            if (depth > 1 || begin.getType() == BOFRecord.TYPE_WORKBOOK) {
                return;
            }
            sheet++;
            inSheet = true;
            BoundSheetRecord[] ordered = BoundSheetRecord.orderByBofPosition(sheets);
            BoundSheetRecord bound = sheet < ordered.length ? ordered[sheet] : null;
            String name = bound == null ? "Sheet " + (sheet + 1) : bound.getSheetname();
            boolean hidden = bound != null && (bound.isHidden() || bound.isVeryHidden());
            SheetInfo info = new SheetInfo(name, sheet, hidden ? Visibility.HIDDEN : Visibility.VISIBLE, "");
            wanted = visitor.sheet(info) == SheetVisitor.Wanted.ROWS && begin.getType() == BOFRecord.TYPE_WORKSHEET;
            current = 0;
            row.begin(0, 0);
            merged.clear();
            hiddenRows = 0;
            hiddenColumns = 0;
        }

        private void end() {
            depth--;
            if (depth == 0 && inSheet) {
                flushRow();
                inSheet = false;
                if (wanted && (!merged.isEmpty() || hiddenRows + hiddenColumns > 0)) {
                    visitor.sight(new SheetSight(merged, hiddenRows, hiddenColumns));
                }
                visitor.endSheet();
            }
        }

        private void flushRow() {
            if (wanted && current > 0 && row.width() > 0) {
                visitor.row(row);
            }
        }

        private void cell(Record found) {
            if (found instanceof StringRecord result) {
                FormulaRecord formula = awaiting;
                if (formula != null) {
                    put(formula, CellKind.TEXT, result.getString());
                }
                awaiting = null;
            } else if (found instanceof CellValueRecordInterface value) {
                if (value.getColumn() >= limits.columns()) {
                    throw Unreadable.limit(
                            where, "The sheet has more than " + limits.columns() + " columns, which is the limit.");
                }
                value(value);
            }
        }

        private void value(CellValueRecordInterface value) {
            if (value instanceof NumberRecord number) {
                number(value, number.getValue());
            } else if (value instanceof RKRecord number) {
                number(value, number.getRKNumber());
            } else if (value instanceof LabelSSTRecord label) {
                SSTRecord table = strings;
                put(
                        value,
                        CellKind.TEXT,
                        table == null
                                ? ""
                                : table.getString(label.getSSTIndex()).getString());
            } else if (value instanceof LabelRecord label) {
                put(value, CellKind.TEXT, label.getValue());
            } else if (value instanceof BoolErrRecord either) {
                if (either.isBoolean()) {
                    put(value, CellKind.YES_NO, String.valueOf(either.getBooleanValue()));
                } else {
                    put(
                            value,
                            CellKind.ERROR,
                            FormulaError.forInt(either.getErrorValue()).getString());
                }
            } else if (value instanceof FormulaRecord formula) {
                formula(formula);
            }
        }

        private void formula(FormulaRecord formula) {
            CellType type = formula.getCachedResultTypeEnum();
            switch (type) {
                case STRING -> awaiting = formula;
                case BOOLEAN -> put(formula, CellKind.YES_NO, String.valueOf(formula.getCachedBooleanValue()));
                case ERROR ->
                    put(
                            formula,
                            CellKind.ERROR,
                            FormulaError.forInt(formula.getCachedErrorValue()).getString());
                default -> number(formula, formula.getValue());
            }
        }

        private void number(CellValueRecordInterface at, double value) {
            String plain = NumberText.plain(new java.math.BigDecimal(value));
            switch (sense(at)) {
                case DATE -> {
                    String iso = NumberFormats.isoDate(value, dayCount);
                    put(at, iso == null ? CellKind.NUMBER : CellKind.DATE, iso == null ? plain : iso);
                }
                case ELAPSED -> {
                    String gone = value < 1 ? NumberFormats.isoDate(value, dayCount) : NumberFormats.elapsed(value);
                    CellKind kind = value < 1 ? CellKind.DATE : CellKind.TEXT;
                    put(at, gone == null ? CellKind.NUMBER : kind, gone == null ? plain : gone);
                }
                case PERCENT -> put(at, CellKind.PERCENT, plain);
                case TEXT -> put(at, CellKind.TEXT, plain);
                default -> put(at, CellKind.NUMBER, plain);
            }
        }

        private Sense sense(CellValueRecordInterface at) {
            FormatTrackingHSSFListener tracking = formats;
            if (tracking == null) {
                return Sense.PLAIN;
            }
            int index = tracking.getFormatIndex(at);
            return senses.computeIfAbsent(index, id -> {
                String code = tracking.getFormatString(at);
                Sense builtIn = NumberFormats.ofBuiltIn(id);
                return builtIn != Sense.PLAIN || code == null ? builtIn : NumberFormats.ofCode(code);
            });
        }

        private void put(CellValueRecordInterface at, CellKind kind, String text) {
            int number = at.getRow() + 1;
            if (number != current) {
                flushRow();
                row.begin(number, Math.max(0, number - current - 1));
                current = number;
            }
            row.set(at.getColumn(), kind, text);
        }
    }
}
