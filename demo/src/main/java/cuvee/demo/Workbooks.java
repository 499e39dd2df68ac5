package cuvee.demo;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.Date;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.Font;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.ss.usermodel.Workbook;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.jspecify.annotations.Nullable;

/** Writes workbooks so that the same data gives the same bytes. */
final class Workbooks {
    private static final LocalDateTime STAMP = LocalDateTime.of(2026, 1, 1, 0, 0);

    private Workbooks() {}

    /** The styles that ports use. */
    static final class Styles {
        final CellStyle date;
        final CellStyle money;
        final CellStyle bold;

        Styles(Workbook workbook) {
            date = workbook.createCellStyle();
            date.setDataFormat(workbook.createDataFormat().getFormat("dd.mm.yyyy"));
            money = workbook.createCellStyle();
            money.setDataFormat(workbook.createDataFormat().getFormat("#,##0.00"));
            bold = workbook.createCellStyle();
            Font font = workbook.createFont();
            font.setBold(true);
            bold.setFont(font);
        }
    }

    static void row(Sheet sheet, int at, @Nullable CellStyle style, @Nullable Object... values) {
        Row row = sheet.createRow(at);
        for (int i = 0; i < values.length; i++) {
            Object value = values[i];
            if (value != null && !value.equals("")) {
                Cell cell = row.createCell(i);
                if (value instanceof Number number) {
                    cell.setCellValue(number.doubleValue());
                } else {
                    cell.setCellValue(value.toString());
                }
                if (style != null) {
                    cell.setCellStyle(style);
                }
            }
        }
    }

    /** A sailing as a row: date, route, vessel, passengers, vehicles, freight, revenue, cancelled, remarks, then more. */
    static void sailing(Sheet sheet, int at, Sailing s, Styles styles, Object... more) {
        Row row = sheet.createRow(at);
        Cell date = row.createCell(0);
        date.setCellValue(s.date());
        date.setCellStyle(styles.date);
        row.createCell(1).setCellValue(s.route());
        row.createCell(2).setCellValue(s.vessel());
        row.createCell(3).setCellValue(s.passengers());
        row.createCell(4).setCellValue(s.vehicles());
        row.createCell(5).setCellValue(s.freight().doubleValue());
        Cell revenue = row.createCell(6);
        revenue.setCellValue(s.revenue().doubleValue());
        revenue.setCellStyle(styles.money);
        row.createCell(7).setCellValue(s.cancelled() ? "yes" : "no");
        if (!s.remarks().isEmpty()) {
            row.createCell(8).setCellValue(s.remarks());
        }
        for (int i = 0; i < more.length; i++) {
            if (more[i] instanceof Number number) {
                row.createCell(9 + i).setCellValue(number.doubleValue());
            }
        }
    }

    static void save(Workbook workbook, Path file) {
        try (workbook) {
            Files.createDirectories(file.getParent());
            if (workbook instanceof XSSFWorkbook open) {
                open.getProperties()
                        .getCoreProperties()
                        .setCreated(Optional.of(Date.from(Instant.parse("2026-01-01T00:00:00Z"))));
                open.getProperties().getCoreProperties().setCreator("Farsound Ferries");
            }
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            workbook.write(bytes);
            byte[] content = workbook instanceof XSSFWorkbook ? stamped(bytes.toByteArray()) : bytes.toByteArray();
            Files.write(file, content);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /** The same archive with its parts in the order of their names, all of one time. */
    private static byte[] stamped(byte[] archive) throws IOException {
        TreeMap<String, byte[]> parts = new TreeMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(archive))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                parts.put(entry.getName(), in.readAllBytes());
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        zip(parts, out);
        return out.toByteArray();
    }

    static void zip(Map<String, byte[]> parts, OutputStream into) throws IOException {
        try (ZipOutputStream out = new ZipOutputStream(into)) {
            for (var part : parts.entrySet()) {
                ZipEntry entry = new ZipEntry(part.getKey());
                entry.setTimeLocal(STAMP);
                out.putNextEntry(entry);
                out.write(part.getValue());
                out.closeEntry();
            }
        }
    }
}
