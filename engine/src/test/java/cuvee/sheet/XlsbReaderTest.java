package cuvee.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.finding.CuveeException;
import cuvee.testing.Rows;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Binary workbooks, made record by record as [MS-XLSB] lays them out. */
class XlsbReaderTest {
    @TempDir
    Path folder;

    /** A part under way. */
    private static final class Part {
        private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();

        /** A record: its type and its length in seven bits a byte, then what it holds. */
        Part record(int type, byte[]... pieces) {
            ByteArrayOutputStream data = new ByteArrayOutputStream();
            for (byte[] piece : pieces) {
                data.writeBytes(piece);
            }
            bytes.write(type < 128 ? type : type & 0x7F | 0x80);
            if (type >= 128) {
                bytes.write(type >> 7);
            }
            int length = data.size();
            while (length > 127) {
                bytes.write(length & 0x7F | 0x80);
                length >>= 7;
            }
            bytes.write(length);
            bytes.writeBytes(data.toByteArray());
            return this;
        }

        Part row(int number, boolean hidden) {
            byte[] flags = {0, (byte) (hidden ? 1 << 4 : 0), 0};
            return record(0, integer(number - 1), integer(0), new byte[2], flags, integer(0));
        }

        Part cell(int type, int column, int style, byte[] value) {
            return record(type, integer(column), integer(style), value);
        }
    }

    private static byte[] integer(int value) {
        return ByteBuffer.allocate(4)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putInt(value)
                .array();
    }

    private static byte[] two(int value) {
        return ByteBuffer.allocate(2)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putShort((short) value)
                .array();
    }

    private static byte[] real(double value) {
        return ByteBuffer.allocate(8)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putDouble(value)
                .array();
    }

    private static byte[] text(String text) {
        byte[] letters = text.getBytes(StandardCharsets.UTF_16LE);
        return ByteBuffer.allocate(4 + letters.length)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putInt(text.length())
                .put(letters)
                .array();
    }

    private static Part sheet() {
        return new Part()
                .record(145)
                .row(1, false)
                .cell(7, 0, 0, integer(0))
                .cell(6, 1, 0, text("Größe"))
                .cell(6, 2, 0, text("Day"))
                .row(3, true)
                .cell(2, 0, 0, integer(42 << 2 | 2))
                .cell(5, 1, 0, real(1204.5))
                .cell(5, 2, 1, real(46112))
                .row(4, false)
                .cell(2, 0, 0, integer(1234 << 2 | 3))
                .cell(4, 1, 0, new byte[] {1})
                .cell(3, 2, 0, new byte[] {0x2A})
                .row(5, false)
                .cell(8, 0, 0, text("made"))
                .cell(9, 1, 2, real(0.25))
                .record(146)
                .record(176, integer(5), integer(5), integer(0), integer(2));
    }

    private Path workbook(Part sheet) throws IOException {
        Path file = folder.resolve("binary.xlsb");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
            put(
                    zip,
                    "_rels/.rels",
                    ("<Relationships><Relationship Id=\"a\" Type=\"x/officeDocument\""
                                    + " Target=\"xl/workbook.bin\"/></Relationships>")
                            .getBytes(StandardCharsets.UTF_8));
            put(
                    zip,
                    "xl/_rels/workbook.bin.rels",
                    ("<Relationships><Relationship Id=\"r1\" Target=\"worksheets/sheet1.bin\"/>"
                                    + "<Relationship Id=\"r2\" Target=\"worksheets/sheet2.bin\"/></Relationships>")
                            .getBytes(StandardCharsets.UTF_8));
            Part book = new Part()
                    .record(153, integer(0), integer(0))
                    .record(156, integer(0), integer(1), text("r1"), text("Returns"))
                    .record(156, integer(1), integer(2), text("r2"), text("Old"));
            put(zip, "xl/workbook.bin", book.bytes.toByteArray());
            Part styles = new Part()
                    .record(44, two(170), text("yyyy\\-mm\\-dd"))
                    .record(617, integer(3))
                    .record(47, two(0), two(0), new byte[12])
                    .record(47, two(0), two(170), new byte[12])
                    .record(47, two(0), two(10), new byte[12])
                    .record(618);
            put(zip, "xl/styles.bin", styles.bytes.toByteArray());
            Part strings = new Part().record(159, integer(1), integer(1)).record(19, new byte[1], text("Port"));
            put(zip, "xl/sharedStrings.bin", strings.bytes.toByteArray());
            put(zip, "xl/worksheets/sheet1.bin", sheet.bytes.toByteArray());
            put(zip, "xl/worksheets/sheet2.bin", sheet().bytes.toByteArray());
        }
        return file;
    }

    private static void put(ZipOutputStream zip, String name, byte[] content) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(content);
        zip.closeEntry();
    }

    @Test
    void cellsAreReadAsWhatTheyAre() throws IOException {
        assertThat(Rows.of(workbook(sheet())))
                .containsExactly(
                        "1: Port | Größe | Day",
                        "3: NUMBER 42 | NUMBER 1204.5 | DATE 2026-03-31",
                        "4: NUMBER 12.34 | YES_NO true | ERROR #N/A",
                        "5: made | PERCENT 0.25");
    }

    @Test
    void aCutRecordIsSaidAndNotReadPast() throws IOException {
        Part cut = sheet().row(9, false).cell(6, 0, 0, integer(400));
        Path file = workbook(cut);
        assertThatThrownBy(() -> Rows.of(file))
                .isInstanceOf(CuveeException.class)
                .hasMessageContaining("damaged");
    }
}
