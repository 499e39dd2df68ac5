package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Question;
import cuvee.tell.SourceReport;
import cuvee.testing.Workbooks;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Files that ask for more than they are: each is read or set aside by itself, and the others go on. */
class HostileFilesTest extends BatchTest {
    private static final String GOOD = "Trip,Port,Pax\n1,Hollin,5\n2,Hollin,6\n3,Tarsk,7\n";
    private static final String OPEN_DOCUMENT = "<?xml version=\"1.0\"?><office:document-content"
            + " xmlns:office=\"urn:oasis:names:tc:opendocument:xmlns:office:1.0\""
            + " xmlns:table=\"urn:oasis:names:tc:opendocument:xmlns:table:1.0\""
            + " xmlns:text=\"urn:oasis:names:tc:opendocument:xmlns:text:1.0\"><office:body><office:spreadsheet>"
            + "<table:table table:name=\"S\">%s</table:table></office:spreadsheet></office:body></office:document-content>";

    @BeforeEach
    void others() {
        Workbooks.text(batch.file("good.csv"), GOOD);
    }

    private void openDocument(String rows) throws IOException {
        try (OutputStream out = Files.newOutputStream(batch.file("odd.ods"));
                ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("mimetype"));
            zip.write("application/vnd.oasis.opendocument.spreadsheet".getBytes(StandardCharsets.US_ASCII));
            zip.putNextEntry(new ZipEntry("content.xml"));
            zip.write(OPEN_DOCUMENT.formatted(rows).getBytes(StandardCharsets.UTF_8));
        }
    }

    private static String line(String attributes, String... cells) {
        StringBuilder row = new StringBuilder("<table:table-row " + attributes + ">");
        for (String cell : cells) {
            row.append("<table:table-cell office:value-type=\"string\"><text:p>")
                    .append(cell)
                    .append("</text:p></table:table-cell>");
        }
        return row.append("</table:table-row>").toString();
    }

    private String reason(Batch.Made made, String path) {
        return made.outcome().sources().stream()
                .filter(source -> source.path().equals(path))
                .map(SourceReport::reason)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aSpaceOrARowThatIsRepeatedWithoutEndSetsTheFileAside() throws IOException {
        String head = line("", "Trip", "Port", "Pax");
        openDocument(head + line("", "1", "Ta<text:s text:c=\"2000000000\"/>rsk", "2"));
        Batch.Made spaces = batch.refresh();
        assertThat(spaces.lines()).hasSize(3);
        assertThat(reason(spaces, "odd.ods")).contains("A cell holds more than");
        openDocument(head + line("table:number-rows-repeated=\"1000000000\"", "1", "Tarsk", "2"));
        Batch.Made rows = batch.refresh();
        assertThat(rows.lines()).hasSize(3);
        assertThat(reason(rows, "odd.ods")).contains("The sheet counts up to row 1,000,000,001");
        openDocument(head + line("table:number-rows-repeated=\"16000000\"", "1", "Tarsk", "2"));
        assertThat(reason(batch.refresh(), "odd.ods")).contains("cells that they are repetitions of others");
        openDocument(head + line("table:number-rows-repeated=\"3\"", "1", "Tarsk", "2"));
        assertThat(batch.refresh().lines()).hasSize(6);
    }

    @ParameterizedTest
    @ValueSource(strings = {"1e-999999999", "1e999999999", "-1E-2147483647"})
    void aNumberThatNobodyCouldWriteOutIsKeptAsText(String number) {
        Workbooks.text(batch.file("odd.csv"), "Trip,Port,Pax\n4,Tarsk," + number + "\n5,Tarsk,8\n");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(5);
        assertThat(made.findings("not-conserved")).isEmpty();
    }

    @Test
    void aNumberOfVeryManyDigitsCostsNoTime() {
        String digits = "7".repeat(900_000);
        Workbooks.text(batch.file("odd.csv"), "Trip,Port,Pax\n4,Tarsk," + digits + "\n5,Tarsk,0." + digits + "\n");
        assertThat(batch.refresh().lines()).hasSize(5).anyMatch(line -> line.contains("|" + digits));
    }

    @Test
    void longCommentsAreNotComparedLetterByLetter() {
        Random random = new Random(5);
        StringBuilder text = new StringBuilder("Trip,Port,Pax,Note\n");
        for (int i = 0; i < 20; i++) {
            text.append(i + 4).append(",Tarsk,").append(i).append(',');
            random.ints(8_000, 'a', 'z' + 1).forEach(c -> text.append((char) c));
            text.append('\n');
        }
        Workbooks.text(batch.file("odd.csv"), text.toString());
        assertThat(batch.refresh().lines()).hasSize(23);
    }

    @Test
    void cellsOfSpacesBesideAHeaderAreNothing() {
        batch.sheet("odd.xlsx", row("Trip", "Port", "Pax", "   "), row(4, "Tarsk", 8, null), row(5, "Tarsk", 9, null));
        assertThat(batch.refresh().lines()).hasSize(5);
        batch.sheet("odd.xlsx", row("Word", "   "), row(4, null), row(5, null));
        assertThat(reason(batch.refresh(), "odd.xlsx")).doesNotContain("damaged");
    }

    @Test
    void aQuoteThatTearsAFileIsReadAsTextAndAskedAbout() {
        StringBuilder text = new StringBuilder("Trip,Port,Pax\n");
        for (int i = 4; i < 1004; i++) {
            text.append(i).append(i == 500 ? ",\"Tarsk,8\n" : ",Tarsk,8\n");
        }
        Workbooks.text(batch.file("odd.csv"), text.toString());
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(1003).anyMatch(line -> line.startsWith("500|\"Tarsk|8"));
        Question asked = made.question("text-form");
        assertThat(asked.text()).contains("A quote is opened in line 498 and not closed");
        assertThat(batch.settle(asked, asked.assumed()).refresh().lines()).isEqualTo(made.lines());
        Batch.Made aside = batch.settle(asked, "double quotes").refresh();
        assertThat(aside.lines()).hasSize(3);
        assertThat(aside.outcome().questions()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "old.xls, '9,4,6,0,0,0,16,0', a workbook of a version before 97",
        "base.xlsx, '83,81,76,105,116,101,32,102,111,114,109,97,116,32,51,0', a database file",
        "packed.csv, '31,139,8,0,0,0,0,0', a compressed file",
        "table.csv, '80,65,82,49,21,4', a table in the Parquet format",
        "photo.xlsx, '137,80,78,71,13,10,26,10', a picture"
    })
    void anHonestFileOfAnotherKindIsCalledByItsName(String name, String bytes, String kind) throws IOException {
        String[] each = bytes.split(",");
        byte[] content = new byte[600];
        for (int i = 0; i < each.length; i++) {
            content[i] = (byte) Integer.parseInt(each[i]);
        }
        Files.write(batch.file(name), content);
        assertThat(reason(batch.refresh(), name)).isEqualTo("The file is " + kind + ", which Cuvee does not read.");
    }

    @Test
    void namePatternsOfManyStarsTakeNoTime() {
        String name = "a".repeat(200) + ".csv";
        Workbooks.text(batch.file(name), "Trip,Port,Pax\n9,Hollin,5\n");
        batch.job(batch.job()
                .withPlaces(java.util.List.of(batch.job()
                        .places()
                        .get(0)
                        .withNames(java.util.List.of("a*".repeat(60) + "b", "good*"), java.util.List.of()))));
        assertThat(batch.refresh().lines()).hasSize(3);
    }

    @Test
    void whatGoesWrongInsideCuveeIsNotBlamedOnTheFile() {
        Path file = Workbooks.text(folder.resolve("fine.csv"), GOOD);
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> cuvee.sheet.SheetFiles.read(
                        file, cuvee.place.Where.source("fine.csv"), cuvee.sheet.ReadLimits.DEFAULT, new Faulty()))
                .hasMessageContaining("by a fault of its own")
                .hasMessageContaining("Nothing is wrong with the file")
                .hasMessageNotContaining("damaged");
    }

    private static final class Faulty implements cuvee.sheet.SheetVisitor {
        @Override
        public Wanted sheet(cuvee.sheet.SheetInfo sheet) {
            return Wanted.ROWS;
        }

        @Override
        public void row(cuvee.sheet.Row row) {
            throw new IllegalStateException("a fault of ours");
        }

        @Override
        public void endSheet() {}
    }
}
