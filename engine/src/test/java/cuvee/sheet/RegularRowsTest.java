package cuvee.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.finding.CuveeException;
import cuvee.testing.Rows;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** However a sheet is written, its rows are the same whether they are read from the bytes or by the XML parser. */
class RegularRowsTest {
    private static final String BEFORE =
            "<?xml version=\"1.0\" encoding=\"UTF-8\" standalone=\"yes\"?>\n<worksheet xmlns=\"m\"><cols><col min=\"2\" max=\"3\" hidden=\"1\"/></cols>";
    private static final String AFTER = "<mergeCells count=\"1\"><mergeCell ref=\"A1:B1\"/></mergeCells></worksheet>";
    /** Pieces that sheets are made of: usual ones, and those that only the parser understands. */
    private static final List<String> CELLS = List.of(
            "<c r=\"A@\"><v>12</v></c>",
            "<c r=\"B@\" s=\"1\"><v>-0.25</v></c>",
            "<c s='2' r='C@'><v>1.10000000000000009</v></c>",
            "<c r=\"D@\" t=\"s\"><v>1</v></c>",
            "<c r=\"D@\" t=\"s\"><v>77</v></c>",
            "<c r=\"E@\" t=\"str\"><f>A1&amp;\"&lt;\"</f><v>a &amp; b &lt;c&gt; &quot;d&quot;</v></c>",
            "<c r=\"F@\" t=\"inlineStr\"><is><t>Größe — 5 € 合計</t></is></c>",
            "<c r=\"F@\" t=\"inlineStr\"><is><t xml:space=\"preserve\"> two  </t></is></c>",
            "<c r=\"G@\" t=\"b\"><v>1</v></c>",
            "<c r=\"H@\" t=\"e\"><v>#N/A</v></c>",
            "<c r=\"I@\" t=\"d\"><v>2026-03-31T00:00:00</v></c>",
            "<c r=\"J@\"/>",
            "<c r=\"K@\" s=\"0\" />",
            "<c><v>5</v></c>",
            "<c r=\"L@\"><f t=\"shared\" si=\"0\"/><v>7</v></c>",
            "<c r=\"M@\"><f>1/0</f></c>",
            "<c r=\"N@\" t=\"str\"><v>a_x000D_b</v></c>",
            "<c r=\"O@\" t=\"str\"><v></v></c>",
            "<c r=\"O@\">\n  <v>3</v>\n</c>",
            "<c r=\"T@\"><v>5230.0</v></c>",
            "<c r=\"U@\"><v>-0.0</v></c>",
            "<c r=\"V@\"><v>12.50</v></c>",
            // From here on the parser has to help.
            "<c r=\"P@\" t=\"str\"><v>&#8364; \uD83D\uDE00</v></c>",
            "<c r=\"P@\" t=\"inlineStr\"><is><r><t>rich</t></r><r><t> text</t></r></is></c>",
            "<c r=\"Q@\" t=\"str\"><v><![CDATA[a < b]]></v></c>",
            "<c r=\"Q@\"><!-- a remark --><v>8</v></c>",
            "<c r=\"R@\"><v>9</v><extLst><ext/></extLst></c>",
            "<c r=\"S@\" t=\"str\"><v>line\r\nline</v></c>");

    private static final int USUAL = 22;

    @TempDir
    Path folder;

    private Path workbook(String name, String sheet) throws IOException {
        Path file = folder.resolve(name);
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
            part(
                    zip,
                    "xl/workbook.xml",
                    "<workbook xmlns:r=\"r\"><sheets><sheet name=\"One\" r:id=\"a\"/></sheets></workbook>");
            part(
                    zip,
                    "xl/_rels/workbook.xml.rels",
                    "<Relationships><Relationship Id=\"a\" Target=\"/xl/worksheets/one.xml\"/></Relationships>");
            part(
                    zip,
                    "xl/styles.xml",
                    "<styleSheet><cellXfs><xf numFmtId=\"0\"/><xf numFmtId=\"10\"/><xf numFmtId=\"14\"/></cellXfs></styleSheet>");
            part(zip, "xl/sharedStrings.xml", "<sst><si><t>zero</t></si><si><t>one</t></si></sst>");
            part(zip, "xl/worksheets/one.xml", sheet);
        }
        return file;
    }

    private static void part(ZipOutputStream zip, String name, String text) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(text.getBytes(StandardCharsets.UTF_8));
        zip.closeEntry();
    }

    /** The rows of a sheet, which must be the same with a remark in front, since then the parser reads all of it. */
    private List<String> rows(String data) throws IOException {
        List<String> fromBytes = Rows.of(workbook("a.xlsx", BEFORE + "<sheetData>" + data + "</sheetData>" + AFTER));
        List<String> parsed =
                Rows.of(workbook("b.xlsx", BEFORE + "<!-- x --><sheetData>" + data + "</sheetData>" + AFTER));
        assertThat(fromBytes).isEqualTo(parsed);
        return fromBytes;
    }

    private static String sheet(Random random, int rows, int pieces) {
        StringBuilder data = new StringBuilder();
        int number = 0;
        for (int i = 0; i < rows; i++) {
            number += 1 + (random.nextInt(5) == 0 ? random.nextInt(3) : 0);
            String gap = random.nextInt(4) == 0 ? "\n" : "";
            data.append("<row r=\"").append(number).append('"');
            data.append(random.nextInt(6) == 0 ? " hidden=\"1\" spans=\"1:9\"" : "")
                    .append(">")
                    .append(gap);
            for (int c = 0; c < random.nextInt(8); c++) {
                data.append(CELLS.get(random.nextInt(pieces)).replace("@", String.valueOf(number)))
                        .append(gap);
            }
            data.append("</row>").append(gap);
            if (random.nextInt(9) == 0) {
                number++;
                data.append("<row r=\"").append(number).append("\" ht=\"15\"/>");
            }
        }
        return data.toString();
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void usualRowsAreTheSameFromTheBytesAndFromTheParser(long seed) throws IOException {
        Random random = new Random(seed);
        assertThat(rows(sheet(random, 40 + random.nextInt(4_000), USUAL))).isNotEmpty();
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {21, 22, 23, 24, 25, 26, 27, 28, 29, 30, 31, 32})
    void rowsOutOfTheOrdinaryAmongThemAreLeftToTheParser(long seed) throws IOException {
        Random random = new Random(seed);
        assertThat(rows(sheet(random, 10 + random.nextInt(300), CELLS.size()))).isNotEmpty();
    }

    @Test
    void aRowLongerThanTheBufferIsRead() throws IOException {
        String text = "x".repeat(30_000);
        StringBuilder row = new StringBuilder("<row r=\"1\">");
        for (int c = 0; c < 12; c++) {
            row.append("<c t=\"str\"><v>").append(text).append(c).append("</v></c>");
        }
        assertThat(rows(row + "</row><row><c><v>1</v></c></row>").get(0)).hasSizeGreaterThan(360_000);
    }

    @Test
    void whatStandsAroundTheRowsIsStillSeen() throws IOException {
        Path file = workbook(
                "a.xlsx", BEFORE + "<sheetData><row r=\"1\" hidden=\"true\"><c><v>1</v></c></row></sheetData>" + AFTER);
        SheetSight[] seen = new SheetSight[1];
        SheetFiles.read(file, cuvee.place.Where.source("a.xlsx"), ReadLimits.DEFAULT, new SheetVisitor() {
            @Override
            public Wanted sheet(SheetInfo sheet) {
                return Wanted.ROWS;
            }

            @Override
            public void row(Row row) {}

            @Override
            public void sight(SheetSight sight) {
                seen[0] = sight;
            }

            @Override
            public void endSheet() {}
        });
        assertThat(seen[0].hiddenRows()).isEqualTo(1);
        assertThat(seen[0].hiddenColumns()).isEqualTo(2);
        assertThat(seen[0].merged()).hasSize(1);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "<row r=\"1\"><c><v>1</v></c></row><row r=\"2\"><c><v>2</v>",
                "<row r=\"1\"><c><v>1</v></c></row><row r=\"2\"><c><v>2</c></row></sheetData></worksheet>",
                "<row r=\"1\"><c t=\"str\"><v>\u0001</v></c></row></sheetData></worksheet>"
            })
    void whatIsNoXmlIsDamaged(String data) throws IOException {
        Path file = workbook("a.xlsx", BEFORE + "<sheetData>" + data);
        assertThatThrownBy(() -> Rows.of(file))
                .isInstanceOf(CuveeException.class)
                .hasMessageContaining("is damaged");
    }

    @Test
    void aSheetWithMoreColumnsThanTheLimitIsRefused() throws IOException {
        Path file =
                workbook("a.xlsx", BEFORE + "<sheetData><row><c r=\"ZZZZZ1\"><v>1</v></c></row></sheetData>" + AFTER);
        assertThatThrownBy(() -> Rows.of(file))
                .isInstanceOf(CuveeException.class)
                .hasMessageContaining("columns, which is the limit");
    }
}
