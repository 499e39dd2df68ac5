package cuvee.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.testing.Rows;
import cuvee.testing.Workbooks;
import cuvee.testing.Workbooks.Raw;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Workbooks and text files as programs other than the usual ones write them. */
class OddWritersTest {
    @TempDir
    Path folder;

    private final Map<String, String> parts = new LinkedHashMap<>();

    private Path zip(String name) throws IOException {
        Path file = folder.resolve(name);
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
            for (Map.Entry<String, String> part : parts.entrySet()) {
                zip.putNextEntry(new ZipEntry(part.getKey()));
                zip.write(part.getValue().getBytes(StandardCharsets.UTF_8));
                zip.closeEntry();
            }
        }
        return file;
    }

    private void plainParts(String sheetData) {
        parts.put(
                "xl/workbook.xml",
                "<workbook xmlns:r=\"r\"><sheets><sheet name=\"One\" r:id=\"a\"/></sheets></workbook>");
        parts.put(
                "xl/_rels/workbook.xml.rels",
                "<Relationships><Relationship Id=\"a\" Target=\"/xl/worksheets/one.xml\"/></Relationships>");
        parts.put("xl/worksheets/one.xml", "<worksheet><sheetData>" + sheetData + "</sheetData></worksheet>");
    }

    @Test
    void referencesMayBeLeftOut() throws IOException {
        plainParts("<row><c><v>1</v></c><c/><c><v>3</v></c></row><row><c><v>4</v></c></row>");
        assertThat(Rows.of(zip("a.xlsx"))).containsExactly("1: NUMBER 1 |  | NUMBER 3", "2: NUMBER 4");
    }

    @Test
    void elementsMayBearAnyPrefix() throws IOException {
        parts.put(
                "xl/workbook.xml",
                "<x:workbook xmlns:x=\"m\" xmlns:r=\"r\"><x:sheets><x:sheet name=\"One\" r:id=\"a\"/></x:sheets></x:workbook>");
        parts.put(
                "xl/_rels/workbook.xml.rels",
                "<Relationships><Relationship Id=\"a\" Target=\"worksheets/one.xml\"/></Relationships>");
        parts.put(
                "xl/worksheets/one.xml",
                "<x:worksheet xmlns:x=\"m\"><x:sheetData><x:row r=\"2\"><x:c r=\"B2\" t=\"str\"><x:v>hi</x:v></x:c></x:row></x:sheetData></x:worksheet>");
        assertThat(Rows.of(zip("a.xlsx"))).containsExactly("2:  | hi");
    }

    @Test
    void sharedTextMayComeInPiecesWithReadings() throws IOException {
        plainParts(
                "<row r=\"1\"><c r=\"A1\" t=\"s\"><v>0</v></c><c r=\"B1\" t=\"s\"><v>1</v></c><c r=\"C1\" t=\"s\"><v>2</v></c></row>");
        parts.put(
                "xl/sharedStrings.xml",
                "<sst><si><r><t xml:space=\"preserve\">Fare </t></r><r><t>revenue</t></r><rPh><t>no</t></rPh></si><si><t>a_x000D_b_x005F_c</t></si><si><t/></si></sst>");
        assertThat(Rows.of(zip("a.xlsx"))).containsExactly("1: Fare revenue | a\rb_c | ");
    }

    @Test
    void partNamesMayDifferInCapitals() throws IOException {
        parts.put(
                "XL/Workbook.xml",
                "<workbook xmlns:r=\"r\"><sheets><sheet name=\"One\" r:id=\"a\"/></sheets></workbook>");
        parts.put(
                "xl/_rels/workbook.xml.rels",
                "<Relationships><Relationship Id=\"a\" Target=\"worksheets/One.xml\"/></Relationships>");
        parts.put("xl/worksheets/one.xml", "<worksheet><sheetData><row><c><v>7</v></c></row></sheetData></worksheet>");
        assertThat(Rows.of(zip("a.xlsx"))).containsExactly("1: NUMBER 7");
    }

    @Test
    void aMissingSheetOrWorkbookIsSaid() throws IOException {
        plainParts("");
        parts.remove("xl/worksheets/one.xml");
        Path noSheet = zip("a.xlsx");
        assertThatThrownBy(() -> Rows.of(noSheet)).hasMessageContaining("its sheet One is missing");
        parts.clear();
        parts.put("photos/a.jpg", "x");
        Path noWorkbook = zip("b.xlsx");
        assertThatThrownBy(() -> Rows.of(noWorkbook)).hasMessageContaining("a zip archive that is no workbook");
        parts.put("xl/workbook.bin", "x");
        Path binary = zip("c.xlsb");
        assertThatThrownBy(() -> Rows.of(binary)).hasMessageContaining("its part xl/workbook.bin is damaged");
    }

    @Test
    void aSheetOfTooManyColumnsIsRefused() {
        Path file = Workbooks.workbook()
                .sheet("S", new Object[] {new Raw("<c><v>1</v></c>"), 2})
                .save(folder.resolve("w.xlsx"));
        assertThatThrownBy(() -> Rows.of(file, new ReadLimits(1 << 20, 100, 100, 1000, 1)))
                .hasMessageContaining("more than 1 columns");
        Path text = Workbooks.text(folder.resolve("w.csv"), "a,b,c\n1,2,3\n");
        assertThatThrownBy(() -> Rows.of(text, new ReadLimits(1 << 20, 100, 100, 1000, 2)))
                .hasMessageContaining("w.csv, line 1");
    }

    @Test
    void linesMayEndInAnyWayAndTheLastNeedNotEnd() {
        for (String end : new String[] {"\n", "\r\n", "\r"}) {
            Path file = Workbooks.text(folder.resolve("e.csv"), "a,b" + end + "1,2" + end + "3,4");
            assertThat(Rows.of(file))
                    .as(end.replace("\r", "CR").replace("\n", "LF"))
                    .hasSize(3)
                    .endsWith("3: 3 | 4");
        }
    }

    @Test
    void linesOfDifferentLengthAreAllThere() {
        Path file = Workbooks.text(folder.resolve("r.csv"), "a,b,c\n1\n1,2,3,4\n,,\n");
        assertThat(Rows.of(file)).containsExactly("1: a | b | c", "2: 1", "3: 1 | 2 | 3 | 4");
    }

    @Test
    void oneColumnIsATableToo() {
        Path file = Workbooks.text(folder.resolve("one.txt"), "Port\nHollin\nTarsk\n");
        assertThat(Rows.of(file)).containsExactly("1: Port", "2: Hollin", "3: Tarsk");
    }

    @Test
    void aWorkbookCalledTextIsReadForWhatItIs() throws IOException {
        plainParts("<row><c><v>7</v></c></row>");
        assertThat(Rows.of(zip("returns.csv"))).containsExactly("1: NUMBER 7");
    }

    @Test
    void textCalledAnOldWorkbookIsReadForWhatItIs() {
        Path file = Workbooks.text(folder.resolve("export.xls"), "Port\tPax\nHollin\t5\n");
        assertThat(Rows.of(file)).containsExactly("1: Port | Pax", "2: Hollin | 5");
    }

    @Test
    void invalidUtf8IsReadAsWesternText() throws IOException {
        Path file = Files.write(
                folder.resolve("w.csv"),
                new byte[] {'P', 'r', 'e', 'i', 's', ';', 'a', '\n', '5', (byte) 0x80, ';', 'b', '\n'});
        assertThat(Rows.of(file)).containsExactly("1: Preis | a", "2: 5€ | b");
    }
}
