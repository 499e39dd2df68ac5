package cuvee.sheet;

import static cuvee.testing.Workbooks.workbook;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.finding.CuveeException;
import cuvee.testing.Rows;
import cuvee.testing.Workbooks;
import cuvee.testing.Workbooks.Raw;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SheetFilesTest {
    @TempDir
    Path folder;

    @Test
    void cellsOfAWorkbookComeAsWhatTheyAre() {
        Path file = workbook()
                .sheet("One", new Object[] {"Text", 12, 0.1 + 0.2, LocalDate.of(2026, 3, 31), true, null, "end"})
                .save(folder.resolve("a.xlsx"));
        assertThat(Rows.of(file))
                .containsExactly("1: Text | NUMBER 12 | NUMBER 0.3 | DATE 2026-03-31 | YES_NO true |  | end");
    }

    @Test
    void oddCellsKeepTheirMeaning() {
        Path file = workbook()
                .sheet("One", new Object[] {
                    new Raw("<c t=\"e\"><v>#N/A</v></c>"),
                    new Raw("<c><f>1/0</f></c>"),
                    new Raw("<c><f>B2*C2</f><v></v></c>"),
                    new Raw("<c t=\"str\"><f>A1</f><v></v></c>"),
                    new Raw("<c t=\"str\"><f>A1</f><v>done</v></c>"),
                    new Raw("<c s=\"2\"><v>0.125</v></c>"),
                    new Raw("<c s=\"3\"><v>123</v></c>"),
                    new Raw("<c s=\"4\"><v>46112.5</v></c>"),
                    new Raw("<c s=\"5\"><v>0.75</v></c>"),
                    new Raw("<c t=\"d\"><v>2026-03-31T00:00:00</v></c>"),
                    new Raw("<c t=\"inlineStr\"><is><r><t>ri</t></r><r><t>ch</t></r><rPh><t>no</t></rPh></is></c>"),
                    new Raw("<c t=\"s\"><v>99</v></c>")
                })
                .save(folder.resolve("a.xlsx"));
        assertThat(Rows.of(file).get(0))
                .isEqualTo(
                        "1: ERROR #N/A | ERROR formula without a stored result | ERROR formula without a stored result |  | done | PERCENT 0.125 | 00123"
                                + " | DATE 2026-03-31T12:00:00 | DATE 18:00:00 | DATE 2026-03-31 | rich"
                                + " | ERROR text number 99 is missing in the workbook");
    }

    @Test
    void strictWorkbooksAndThoseThatCountFrom1904AreUnderstood() {
        Path strict = workbook().strict().sheet("S", new Object[] {"a", 1}).save(folder.resolve("s.xlsx"));
        assertThat(Rows.of(strict)).containsExactly("1: a | NUMBER 1");
        Path later = workbook()
                .from1904()
                .sheet("S", new Object[] {new Raw("<c s=\"1\"><v>0</v></c>"), new Raw("<c s=\"1\"><v>1</v></c>")})
                .save(folder.resolve("l.xlsx"));
        assertThat(Rows.of(later)).containsExactly("1: DATE 1904-01-01 | DATE 1904-01-02");
    }

    @Test
    void theFirstDaysOf1900AreCountedAsWorkbooksDo() {
        assertThat(NumberFormats.isoDate(1, NumberFormats.DayCount.FROM_1900)).isEqualTo("1900-01-01");
        assertThat(NumberFormats.isoDate(59, NumberFormats.DayCount.FROM_1900)).isEqualTo("1900-02-28");
        assertThat(NumberFormats.isoDate(61, NumberFormats.DayCount.FROM_1900)).isEqualTo("1900-03-01");
        assertThat(NumberFormats.isoDate(46112, NumberFormats.DayCount.FROM_1900))
                .isEqualTo("2026-03-31");
        assertThat(NumberFormats.isoDate(-1, NumberFormats.DayCount.FROM_1900)).isNull();
    }

    @ParameterizedTest
    @ValueSource(strings = {"yyyy-mm-dd", "d. mmm yy", "[$-407]dd.mm.yyyy", "h:mm", "m/d/yy h:mm"})
    void aFormatOfDatesIsTold(String code) {
        assertThat(NumberFormats.ofCode(code)).isEqualTo(NumberFormats.Sense.DATE);
    }

    @ParameterizedTest
    @ValueSource(strings = {"[h]:mm", "[hh]:mm:ss", "[mm]:ss", "[Red][h]:mm;[Blue]-[h]:mm"})
    void aFormatOfHoursGoneByIsTold(String code) {
        assertThat(NumberFormats.ofCode(code)).isEqualTo(NumberFormats.Sense.ELAPSED);
    }

    @Test
    void hoursGoneByAreNoDaysOfThe1900s() {
        Path file = workbook()
                .sheet(
                        "Hours",
                        new Object[] {"Worked"},
                        new Object[] {new Raw("<c s=\"8\"><v>0.375</v></c>")},
                        new Object[] {new Raw("<c s=\"8\"><v>3</v></c>")},
                        new Object[] {new Raw("<c s=\"8\"><v>1.1041666667</v></c>")})
                .save(folder.resolve("h.xlsx"));
        assertThat(Rows.of(file)).contains("2: DATE 09:00:00", "3: 72:00:00", "4: 26:30:00");
    }

    @ParameterizedTest
    @ValueSource(strings = {"General", "#,##0.00", "0.00\" days\"", "[Red]0", "#,##0 \\d", "0;[Red]-0"})
    void aFormatOfNumbersIsNotTakenForOneOfDates(String code) {
        assertThat(NumberFormats.ofCode(code)).isEqualTo(NumberFormats.Sense.PLAIN);
    }

    @Test
    void hiddenSheetsAreNamedAndNotRead() {
        Path file = workbook()
                .sheet("Shown", new Object[] {"a"})
                .sheet("Secret", new Object[] {"b"})
                .hidden("Secret")
                .save(folder.resolve("h.xlsx"));
        assertThat(Rows.of(file)).containsExactly("1: a");
    }

    @ParameterizedTest
    @ValueSource(strings = {",", ";", "\t", "|"})
    void theSeparatorIsToldFromTheText(String by) {
        String text = String.join(
                "\n",
                "a,b;c|d\te",
                "Date" + by + "Name" + by + "Sum",
                "1" + by + "x" + by + "1,5",
                "2" + by + "y" + by + "2,5",
                "");
        Path file = Workbooks.text(folder.resolve("t.txt"), text.substring(text.indexOf('\n') + 1));
        assertThat(Rows.of(file).get(0)).isEqualTo("1: Date | Name | Sum");
    }

    @Test
    void theEncodingIsToldFromTheBytes() throws IOException {
        String text = "Strecke;Preis\nGrünholm;5 €\n";
        for (Charset charset : new Charset[] {StandardCharsets.UTF_8, Charset.forName("windows-1252")}) {
            Path file = Files.write(folder.resolve("e.csv"), text.getBytes(charset));
            assertThat(Rows.of(file)).as(charset.name()).contains("2: Grünholm | 5 €");
        }
        for (Charset charset : new Charset[] {StandardCharsets.UTF_16LE, StandardCharsets.UTF_16BE}) {
            Path file = Files.write(folder.resolve("u.csv"), ("\uFEFF" + text).getBytes(charset));
            assertThat(Rows.of(file)).as(charset.name()).contains("2: Grünholm | 5 €");
        }
    }

    @Test
    void poundSignsAmongPricesAreNoChinese() throws IOException {
        StringBuilder text = new StringBuilder("Job,Price\n");
        for (int i = 0; i < 12; i++) {
            text.append("00")
                    .append(i)
                    .append(",\u00a3")
                    .append(5 + i * 37 % 90)
                    .append(".4")
                    .append(i % 10)
                    .append("\n");
        }
        Path file = Files.write(folder.resolve("p.csv"), text.toString().getBytes(Charset.forName("windows-1252")));
        assertThat(Rows.of(file)).contains("2: 000 | \u00a35.40");
        String chinese =
                "\u6e2f\u53e3,\u4e58\u5ba2\n\u9999\u6e2f,12\n\u4e0a\u6d77,15\n\u5929\u6d25,9\n\u5927\u8fde,20\n";
        Path other = Files.write(folder.resolve("c.csv"), chinese.repeat(6).getBytes(Charset.forName("GB18030")));
        assertThat(Rows.of(other)).contains("2: \u9999\u6e2f | 12");
    }

    @Test
    void quotedCellsHoldSeparatorsAndLineBreaks() {
        Path file = Workbooks.text(folder.resolve("q.csv"), "a,b\n\"x,\"\"y\"\"\nz\",2\n\n\nlast,3\n");
        assertThat(Rows.of(file)).containsExactly("1: a | b", "2: x,\"y\"\nz | 2", "6: last | 3");
    }

    @Test
    void aQuoteThatIsNeverClosedSetsTheFileAside() {
        Path file = Workbooks.text(folder.resolve("open.csv"), "a,b\n1,\"two\n3,4\n");
        assertUnreadable(file, "a quote is opened in line 2 and not closed");
    }

    @Test
    void whatIsNoTableSaysWhatItIs() throws IOException {
        assertUnreadable(Workbooks.text(folder.resolve("p.xlsx"), "just text"), "holds plain text");
        assertUnreadable(Workbooks.text(folder.resolve("w.xls"), "<html><table>"), "holds a web page");
        assertUnreadable(
                Workbooks.text(folder.resolve("d.csv"), "%PDF-1.7"), "is a PDF document, which Cuvee does not read");
        assertUnreadable(
                Files.write(folder.resolve("b.csv"), new byte[] {1, 2, 0, 3, 9, 0, 1, 4}),
                "neither a workbook nor text");
        assertUnreadable(Files.createFile(folder.resolve("e.csv")), "is empty (0 bytes)");
        assertUnreadable(folder.resolve("missing.csv"), "no longer there");
    }

    @Test
    void aTornWorkbookIsSetAsideWithTheReason() throws IOException {
        Path whole = workbook().sheet("S", new Object[] {"a", 1}).save(folder.resolve("whole.xlsx"));
        byte[] bytes = Files.readAllBytes(whole);
        assertUnreadable(
                Files.write(folder.resolve("half.xlsx"), Arrays.copyOf(bytes, bytes.length / 2)), "cut off or damaged");
        assertUnreadable(Files.write(folder.resolve("stub.xlsx"), Arrays.copyOf(bytes, 30)), "cut off or damaged");
    }

    @Test
    void aPartThatUnfoldsBeyondSenseIsRefused() {
        Object[] row = new Object[] {"x".repeat(30_000)};
        Object[][] rows = new Object[500][];
        Arrays.fill(rows, row);
        Path file = workbook().sheet("S", rows).save(folder.resolve("bomb.xlsx"));
        assertThatThrownBy(() -> Rows.of(file, new ReadLimits(1 << 20, 100, 100, 1 << 20, 100)))
                .isInstanceOf(CuveeException.class)
                .hasMessageContaining("unfolds to more than is sane");
    }

    @Test
    void noEntityOfAWorkbookIsEverFollowed() throws IOException {
        Path secret = Workbooks.text(folder.resolve("secret.txt"), "secret");
        Path file = workbook()
                .sheet("S", new Object[] {new Raw("<c t=\"inlineStr\"><is><t>&leak;</t></is></c>")})
                .save(folder.resolve("x.xlsx"));
        assertThat(secret).exists();
        assertUnreadable(file, "is damaged");
    }

    private static void assertUnreadable(Path file, String message) {
        assertThatThrownBy(() -> Rows.of(file))
                .isInstanceOf(CuveeException.class)
                .hasMessageContaining(message)
                .hasMessageContaining("set aside");
    }
}
