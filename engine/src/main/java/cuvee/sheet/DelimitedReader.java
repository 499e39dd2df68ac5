package cuvee.sheet;

import cuvee.finding.CuveeException;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.sheet.SheetInfo.Visibility;
import de.siegmar.fastcsv.reader.AbstractBaseCsvCallbackHandler;
import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import java.io.BufferedInputStream;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads text files with one record a line, whatever parts the cells of a line. */
final class DelimitedReader {
    private static final Pattern LINE = Pattern.compile("at line (\\d{1,9})");
    private static final int LONGEST_LINE = 1 << 20;
    /** So many rows whose cells had to be cut are remembered. */
    private static final int MOST_CUT = 1000;

    private final Where where;
    private final ReadLimits limits;
    private final ReadAs said;

    DelimitedReader(Where where, ReadLimits limits, ReadAs said) {
        this.said = said;
        this.where = where;
        this.limits = limits;
    }

    void read(Path file, SheetVisitor visitor) throws IOException {
        TextForm form = TextForm.of(file, said);
        boolean wanted =
                visitor.sheet(new SheetInfo("", 0, Visibility.VISIBLE, form.toString())) == SheetVisitor.Wanted.ROWS;
        if (wanted && form.separator() == TextForm.FIXED) {
            readFixed(file, form, visitor);
        } else if (wanted) {
            try (Reader text = open(file, form);
                    CsvReader<Row> lines = CsvReader.builder()
                            .fieldSeparator(form.separator())
                            .quoteCharacter(form.quoting().sign())
                            .skipEmptyLines(false)
                            .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
                            .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
                            .allowUnclosedQuote(false)
                            .maxBufferSize(16 << 20)
                            .build(new Cells(form.separator() == '|'), text)) {
                for (Row row : lines) {
                    if (row.width() > 0) {
                        visitor.row(row);
                    }
                }
            } catch (CsvParseException torn) {
                throw quotes(torn);
            }
        }
        visitor.endSheet();
    }

    private void readFixed(Path file, TextForm form, SheetVisitor visitor) throws IOException {
        try (BufferedReader lines = new BufferedReader(open(file, form))) {
            Row row = new Row();
            int number = 0;
            int blanks = 0;
            List<Integer> cut = new ArrayList<>();
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                number++;
                // A line drawn under the header holds nothing.
                if (line.isBlank() || FixedColumns.isDrawn(line)) {
                    blanks++;
                    continue;
                }
                if (line.length() > LONGEST_LINE) {
                    throw Unreadable.limit(
                            where.row(number),
                            "The line has more than " + LONGEST_LINE + " characters, which is the limit.");
                }
                // A form feed begins a page, and is nothing in a cell.
                String cells = line.replace("\f", "");
                if (cut.size() < MOST_CUT && form.columns().cuts(cells)) {
                    cut.add(number);
                }
                row.begin(number, blanks);
                blanks = 0;
                fill(row, form.columns().cells(cells));
                visitor.row(row);
            }
            if (!cut.isEmpty()) {
                visitor.sight(new SheetSight(List.of(), 0, 0, Map.of(), cut, List.of()));
            }
        }
    }

    private static void fill(Row row, List<String> cells) {
        for (int column = 0; column < cells.size(); column++) {
            if (!cells.get(column).isEmpty()) {
                row.set(column, CellKind.TEXT, cells.get(column));
            }
        }
    }

    /** What stops the parser: a quote that does not end where it should, or a listener of ours. */
    private RuntimeException quotes(CsvParseException torn) {
        for (Throwable cause = torn; cause != null; cause = cause.getCause()) {
            if (cause instanceof CuveeException told) {
                return told;
            }
            if (cause instanceof InOrder.OwnFault fault) {
                return fault;
            }
        }
        Matcher line = LINE.matcher(String.valueOf(torn.getMessage()));
        int number = line.find() ? Integer.parseInt(line.group(1)) : 0;
        return Unreadable.torn(
                number > 0 ? where.row(number) : where,
                "a quote is opened" + (number > 0 ? " in line " + Says.number(number) : "")
                        + " and not closed where a cell could end");
    }

    private static Reader open(Path file, TextForm form) throws IOException {
        InputStream in = Files.newInputStream(file);
        try {
            in.skipNBytes(form.markBytes());
            if (form.charset().equals(StandardCharsets.UTF_8) || form.charset().equals(StandardCharsets.US_ASCII)) {
                return new InputStreamReader(in, form.charset());
            }
            return new InputStreamReader(new BufferedInputStream(in), form.charset());
        } catch (IOException | RuntimeException failed) {
            in.close();
            throw failed;
        }
    }

    /** Fills one reused row from the parser's callbacks. */
    private final class Cells extends AbstractBaseCsvCallbackHandler<Row> {
        private final Row row = new Row();
        /** True where cells are drawn between bars: the spaces around them are those of the drawing. */
        private final boolean drawn;

        private int blanks;

        Cells(boolean drawn) {
            this.drawn = drawn;
        }

        @Override
        protected void handleBegin(long startingLineNumber) {
            blanks = row.width() == 0 && row.number() > 0 ? blanks + 1 : 0;
            row.begin((int) startingLineNumber, blanks);
        }

        @Override
        protected void handleField(int column, char[] buffer, int offset, int length, boolean quoted) {
            if (column >= limits.columns()) {
                throw Unreadable.limit(
                        where.row(row.number()),
                        "The line has more than " + limits.columns() + " cells, which is the limit.");
            }
            int start = offset;
            int end = offset + length;
            while (drawn && !quoted && start < end && buffer[start] == ' ') {
                start++;
            }
            while (drawn && !quoted && start < end && buffer[end - 1] == ' ') {
                end--;
            }
            if (start < end || quoted) {
                row.set(column, CellKind.TEXT, buffer, start, end);
            }
        }

        @Override
        protected Row buildRecord() {
            return row;
        }
    }
}
