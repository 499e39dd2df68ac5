package cuvee.testing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Writes workbooks for tests part by part, so that any oddity of a writer can be made. */
public final class Workbooks {
    private static final String MAIN = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";
    private static final String RELATIONS = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
    private final Map<String, String> sheets = new LinkedHashMap<>();
    private final Map<String, String> states = new LinkedHashMap<>();
    private final Map<String, String> merged = new LinkedHashMap<>();
    private String namespace = MAIN;
    private String workbookProperties = "";

    /** A raw piece of XML for a cell, its reference left out. */
    public record Raw(String xml) {}

    public static Workbooks workbook() {
        return new Workbooks();
    }

    public Workbooks strict() {
        namespace = "http://purl.oclc.org/ooxml/spreadsheetml/main";
        return this;
    }

    public Workbooks from1904() {
        workbookProperties = "<workbookPr date1904=\"1\"/>";
        return this;
    }

    public Workbooks hidden(String sheet) {
        states.put(sheet, " state=\"hidden\"");
        return this;
    }

    /** Adds a sheet: text, numbers, dates, booleans, null for nothing, or raw XML. */
    public Workbooks sheet(String name, Object[]... rows) {
        StringBuilder xml = new StringBuilder();
        for (int r = 0; r < rows.length; r++) {
            if (rows[r].length == 0) {
                continue;
            }
            xml.append("<row r=\"").append(r + 1).append("\">");
            for (int c = 0; c < rows[r].length; c++) {
                xml.append(cell(cuvee.place.Where.columnLetters(c + 1) + (r + 1), rows[r][c]));
            }
            xml.append("</row>");
        }
        sheets.put(name, xml.toString());
        return this;
    }

    /** Joins cells of a sheet into one. */
    public Workbooks merged(String sheet, String... ranges) {
        StringBuilder xml = new StringBuilder("<mergeCells>");
        for (String range : ranges) {
            xml.append("<mergeCell ref=\"").append(range).append("\"/>");
        }
        merged.put(sheet, xml.append("</mergeCells>").toString());
        return this;
    }

    private static String cell(String reference, Object value) {
        String start = "<c r=\"" + reference + "\"";
        if (value == null) {
            return "";
        } else if (value instanceof Raw raw) {
            return raw.xml().replaceFirst("<c", start);
        } else if (value instanceof LocalDate date) {
            return start + " s=\"1\"><v>" + (date.toEpochDay() + 25569) + "</v></c>";
        } else if (value instanceof Number) {
            return start + "><v>" + value + "</v></c>";
        } else if (value instanceof Boolean yes) {
            return start + " t=\"b\"><v>" + (yes ? 1 : 0) + "</v></c>";
        }
        String text = value.toString().replace("&", "&amp;").replace("<", "&lt;");
        return start + " t=\"inlineStr\"><is><t xml:space=\"preserve\">" + text + "</t></is></c>";
    }

    public Path save(Path file) {
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
            put(
                    zip,
                    "_rels/.rels",
                    "<Relationships><Relationship Id=\"a\" Type=\"x/officeDocument\" Target=\"xl/workbook.xml\"/></Relationships>");
            StringBuilder list = new StringBuilder();
            StringBuilder relations = new StringBuilder();
            int id = 0;
            for (String name : sheets.keySet()) {
                id++;
                list.append("<sheet name=\"")
                        .append(name)
                        .append("\" sheetId=\"")
                        .append(id)
                        .append('"')
                        .append(states.getOrDefault(name, ""))
                        .append(" r:id=\"s")
                        .append(id)
                        .append("\"/>");
                relations
                        .append("<Relationship Id=\"s")
                        .append(id)
                        .append("\" Target=\"worksheets/sheet")
                        .append(id)
                        .append(".xml\"/>");
                put(
                        zip,
                        "xl/worksheets/sheet" + id + ".xml",
                        "<worksheet xmlns=\"" + namespace + "\"><dimension ref=\"A1\"/><sheetData>" + sheets.get(name)
                                + "</sheetData>" + merged.getOrDefault(name, "") + "</worksheet>");
            }
            put(
                    zip,
                    "xl/workbook.xml",
                    "<workbook xmlns=\"" + namespace + "\" xmlns:r=\"" + RELATIONS + "\">" + workbookProperties
                            + "<sheets>" + list + "</sheets></workbook>");
            put(zip, "xl/_rels/workbook.xml.rels", "<Relationships>" + relations + "</Relationships>");
            put(
                    zip,
                    "xl/styles.xml",
                    "<styleSheet xmlns=\"" + namespace
                            + "\"><numFmts><numFmt numFmtId=\"170\" formatCode=\"00000\"/><numFmt numFmtId=\"171\" formatCode=\"#,##0.00 &quot;EUR&quot;\"/><numFmt numFmtId=\"172\" formatCode=\"[$£-809]#,##0.00\"/></numFmts>"
                            + "<cellXfs><xf numFmtId=\"0\"/><xf numFmtId=\"14\"/><xf numFmtId=\"10\"/><xf numFmtId=\"170\"/><xf numFmtId=\"22\"/><xf numFmtId=\"21\"/><xf numFmtId=\"171\"/><xf numFmtId=\"172\"/><xf numFmtId=\"46\"/></cellXfs></styleSheet>");
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        return file;
    }

    private static void put(ZipOutputStream zip, String name, String xml) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(("<?xml version=\"1.0\" encoding=\"UTF-8\"?>" + xml).getBytes(StandardCharsets.UTF_8));
        zip.closeEntry();
    }

    /** Writes a text file. */
    public static Path text(Path file, String text) {
        try {
            Files.createDirectories(file.getParent());
            Files.writeString(file, text);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        return file;
    }
}
