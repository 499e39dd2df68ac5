package cuvee.demo;

import cuvee.demo.Workbooks.Styles;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Month;
import java.time.format.DateTimeFormatter;
import java.time.format.TextStyle;
import java.util.List;
import java.util.Locale;
import java.util.TreeMap;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.ss.SpreadsheetVersion;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.ss.usermodel.Workbook;
import org.apache.poi.ss.util.AreaReference;
import org.apache.poi.ss.util.CellReference;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFTable;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;

/** How each port writes its returns. */
final class Ports {
    private static final DateTimeFormatter GERMAN = DateTimeFormatter.ofPattern("dd.MM.yyyy");
    private static final Charset WINDOWS = Charset.forName("windows-1252");
    private static final Object[] TIDY = {
        "Sailing date",
        "Route",
        "Vessel",
        "Passengers",
        "Vehicles",
        "Freight tonnes",
        "Fare revenue",
        "Cancelled",
        "Remarks"
    };
    private final Scenario scenario;

    Ports(Scenario scenario) {
        this.scenario = scenario;
    }

    /** Writes the files of all ports for months from one to another. */
    void write(Path folder, int from, int to) {
        for (int month = from; month <= to; month++) {
            brannock(folder.resolve("Brannock"), month);
            hollin(folder.resolve("Hollin"), month);
            marsay(folder.resolve("Marsay"), month);
            norhaven(folder.resolve("Norhaven"), month);
            tarsk(folder.resolve("Tarsk"), month);
        }
        for (int first = from; first <= to; first += 3) {
            eastray(folder.resolve("Eastray"), first, Math.min(first + 2, to));
        }
    }

    /** One tidy workbook a month. */
    private void brannock(Path folder, int month) {
        Workbook workbook = new XSSFWorkbook();
        Styles styles = new Styles(workbook);
        Sheet sheet = workbook.createSheet("Returns");
        Workbooks.row(sheet, 0, styles.bold, TIDY);
        int at = 1;
        for (Sailing sailing : scenario.of("Brannock", month)) {
            Workbooks.sailing(sheet, at++, sailing, styles);
        }
        Workbooks.save(workbook, folder.resolve(String.format(Locale.ROOT, "Brannock 2026-%02d.xlsx", month)));
    }

    /** One workbook a quarter, a tab a month, three title lines and a total. */
    private void eastray(Path folder, int first, int last) {
        Workbook workbook = new XSSFWorkbook();
        Styles styles = new Styles(workbook);
        for (int month = first; month <= last; month++) {
            String name = Month.of(month).getDisplayName(TextStyle.SHORT, Locale.ENGLISH);
            Sheet sheet = workbook.createSheet(name);
            Workbooks.row(sheet, 0, styles.bold, "Farsound Ferries");
            Workbooks.row(sheet, 1, null, "Port of Eastray, monthly return");
            Workbooks.row(sheet, 2, null, "Month: " + name + " 2026");
            Workbooks.row(
                    sheet,
                    4,
                    styles.bold,
                    "Date",
                    "Route",
                    "Ship",
                    "Pax",
                    "Vehicles",
                    "Freight tonnes",
                    "Revenue (EUR)",
                    "Cancelled",
                    "Remarks");
            int at = 5;
            List<Sailing> sailings = scenario.of("Eastray", month);
            for (Sailing sailing : sailings) {
                Workbooks.sailing(sheet, at++, sailing, styles);
            }
            Workbooks.row(
                    sheet,
                    at,
                    styles.bold,
                    "Total",
                    "",
                    "",
                    sailings.stream().mapToInt(Sailing::passengers).sum(),
                    sailings.stream().mapToInt(Sailing::vehicles).sum(),
                    sailings.stream()
                            .mapToDouble(s -> s.freight().doubleValue())
                            .sum(),
                    sailings.stream()
                            .mapToDouble(s -> s.revenue().doubleValue())
                            .sum());
        }
        int quarter = (first + 2) / 3;
        Workbooks.save(workbook, folder.resolve("Eastray Q" + quarter + " 2026.xlsx"));
    }

    /** Semicolons, decimal commas, day first, in German. */
    private void hollin(Path folder, int month) {
        StringBuilder text =
                new StringBuilder("Datum;Strecke;Schiff;Fahrgaeste;Fahrzeuge;Fracht t;Erloes;Ausfall;Bemerkung\r\n");
        for (Sailing s : scenario.of("Hollin", month)) {
            text.append(GERMAN.format(s.date()))
                    .append(';')
                    .append(s.route())
                    .append(';')
                    .append(s.vessel())
                    .append(';')
                    .append(s.passengers())
                    .append(';')
                    .append(s.vehicles())
                    .append(';')
                    .append(s.freight().toPlainString().replace('.', ','))
                    .append(';')
                    .append(String.format(Locale.GERMANY, "%,.2f", s.revenue()))
                    .append(';')
                    .append(s.cancelled() ? "ja" : "nein")
                    .append(';')
                    .append(s.remarks())
                    .append("\r\n");
        }
        write(folder.resolve(String.format(Locale.ROOT, "hollin-%02d26.csv", month)), text.toString(), WINDOWS);
    }

    /** A named table with untidy headers; a column more from April on. */
    private void marsay(Path folder, int month) {
        XSSFWorkbook workbook = new XSSFWorkbook();
        Styles styles = new Styles(workbook);
        XSSFSheet sheet = workbook.createSheet("Sheet1");
        boolean crew = month >= 4;
        Workbooks.row(
                sheet,
                0,
                null,
                "sailing date",
                "route ",
                "vessel",
                "passen gers",
                "vehicles",
                "freight  tonnes",
                "fare revenue",
                "cancelled",
                "Remark",
                crew ? "Crew on board" : "");
        int at = 1;
        for (Sailing sailing : scenario.of("Marsay", month)) {
            if (crew) {
                Workbooks.sailing(sheet, at, sailing, styles, 6 + sailing.passengers() / 60);
            } else {
                Workbooks.sailing(sheet, at, sailing, styles);
            }
            at++;
        }
        AreaReference area = new AreaReference(
                new CellReference(0, 0), new CellReference(at - 1, crew ? 9 : 8), SpreadsheetVersion.EXCEL2007);
        XSSFTable table = sheet.createTable(area);
        table.setName("Returns");
        table.setDisplayName("Returns");
        Workbooks.save(workbook, folder.resolve(String.format(Locale.ROOT, "MARSAY_%02d_2026.xlsx", month)));
    }

    /** The form used before 2007 until June, an open one from July on. */
    private void norhaven(Path folder, int month) {
        String name = String.format(Locale.ROOT, "Norhaven 2026 %02d", month);
        List<Sailing> sailings = scenario.of("Norhaven", month);
        if (month > 6) {
            openDocument(folder.resolve(name + ".ods"), sailings);
            return;
        }
        Workbook workbook = new HSSFWorkbook();
        Styles styles = new Styles(workbook);
        Sheet sheet = workbook.createSheet("Returns");
        Workbooks.row(sheet, 0, styles.bold, TIDY);
        int at = 1;
        for (Sailing sailing : sailings) {
            Workbooks.sailing(sheet, at++, sailing, styles);
        }
        Workbooks.save(workbook, folder.resolve(name + ".xls"));
    }

    private static void openDocument(Path file, List<Sailing> sailings) {
        StringBuilder xml = new StringBuilder("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n"
                + "<office:document-content xmlns:office=\"urn:oasis:names:tc:opendocument:xmlns:office:1.0\""
                + " xmlns:table=\"urn:oasis:names:tc:opendocument:xmlns:table:1.0\""
                + " xmlns:text=\"urn:oasis:names:tc:opendocument:xmlns:text:1.0\" office:version=\"1.2\">"
                + "<office:body><office:spreadsheet><table:table table:name=\"Returns\">");
        xml.append("<table:table-row>");
        for (Object header : TIDY) {
            xml.append(text(header.toString()));
        }
        xml.append("</table:table-row>");
        for (Sailing s : sailings) {
            xml.append("<table:table-row><table:table-cell office:value-type=\"date\" office:date-value=\"")
                    .append(s.date())
                    .append("\"><text:p>")
                    .append(GERMAN.format(s.date()))
                    .append("</text:p></table:table-cell>")
                    .append(text(s.route()))
                    .append(text(s.vessel()));
            for (Number number : List.of(s.passengers(), s.vehicles(), s.freight(), s.revenue())) {
                xml.append("<table:table-cell office:value-type=\"float\" office:value=\"")
                        .append(number)
                        .append("\"><text:p>")
                        .append(number)
                        .append("</text:p></table:table-cell>");
            }
            xml.append(text(s.cancelled() ? "yes" : "no"))
                    .append(s.remarks().isEmpty() ? "<table:table-cell/>" : text(s.remarks()))
                    .append("</table:table-row>");
        }
        xml.append("</table:table></office:spreadsheet></office:body></office:document-content>");
        String manifest = "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n"
                + "<manifest:manifest xmlns:manifest=\"urn:oasis:names:tc:opendocument:xmlns:manifest:1.0\" manifest:version=\"1.2\">"
                + "<manifest:file-entry manifest:full-path=\"/\" manifest:media-type=\"application/vnd.oasis.opendocument.spreadsheet\"/>"
                + "<manifest:file-entry manifest:full-path=\"content.xml\" manifest:media-type=\"text/xml\"/></manifest:manifest>";
        TreeMap<String, byte[]> parts = new TreeMap<>();
        parts.put("mimetype", "application/vnd.oasis.opendocument.spreadsheet".getBytes(StandardCharsets.US_ASCII));
        parts.put("content.xml", xml.toString().getBytes(StandardCharsets.UTF_8));
        parts.put("META-INF/manifest.xml", manifest.getBytes(StandardCharsets.UTF_8));
        try {
            Files.createDirectories(file.getParent());
            try (var out = Files.newOutputStream(file)) {
                Workbooks.zip(parts, out);
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private static String text(String value) {
        return "<table:table-cell office:value-type=\"string\"><text:p>" + value + "</text:p></table:table-cell>";
    }

    /** Tabs, junk on top, the header again at every new page. */
    private void tarsk(Path folder, int month) {
        String header = String.join(
                "\t",
                "Sailing Date",
                "Route",
                "Vessel",
                "Passengers",
                "Vehicles",
                "Freight Tonnes",
                "Fare Revenue",
                "Cancelled",
                "Remarks");
        StringBuilder text = new StringBuilder();
        text.append("FARSOUND HARBOUR TERMINAL 4\n");
        text.append("print-out ")
                .append(String.format(Locale.ROOT, "%02d/2026", month))
                .append(", port of TARSK\n\n");
        int line = 0;
        for (Sailing s : scenario.of("Tarsk", month)) {
            if (line++ % 50 == 0) {
                text.append(header).append('\n');
            }
            text.append(String.join(
                            "\t",
                            s.date().toString(),
                            s.route(),
                            s.vessel(),
                            String.valueOf(s.passengers()),
                            String.valueOf(s.vehicles()),
                            s.freight().toPlainString(),
                            s.revenue().toPlainString(),
                            s.cancelled() ? "yes" : "no",
                            s.remarks()))
                    .append('\n');
        }
        text.append("\nend of print-out\n");
        write(
                folder.resolve(String.format(Locale.ROOT, "tarsk_%02d.txt", month)),
                text.toString(),
                StandardCharsets.UTF_8);
    }

    private static void write(Path file, String text, Charset charset) {
        try {
            Files.createDirectories(file.getParent());
            Files.write(file, text.getBytes(charset));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
