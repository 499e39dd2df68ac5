package cuvee.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.file.Files;
import org.junit.jupiter.api.Test;

/** Web pages under the name of a workbook, as programs export them. */
class HtmlReaderTest extends BatchTest {
    private void page(String name, String charset, String html) throws IOException {
        Files.createDirectories(folder.resolve("data"));
        Files.write(folder.resolve("data").resolve(name), html.getBytes(Charset.forName(charset)));
    }

    @Test
    void itsTableIsATableLikeAnyOther() throws IOException {
        page("January.xls", "windows-1252", """
                <html><head><title>Export</title></head><body>
                <table><tr><td><h1>Orders</h1></td><td>
                  <table border=1>
                    <tr><th>Order</th><th>Site</th><th>Due</th><th>Value<br>(£)</th></tr>
                    <tr><td>00101</td><td rowspan=2>Köln &amp; Bonn</td><td>05/01/2026</td><td align=right>1,204.50</td></tr>
                    <tr><td>00102</td><td>17/01/2026</td><td>88.00</td></tr>
                    <tr><td colspan=3>Total</td><td>1,292.50</td></tr>
                  </table></td></tr></table>
                </body></html>
                """);
        batch.csv("February.csv", "Order,Site,Due,Value (£)", "00103,Tarsk,03/02/2026,12.00");
        Batch.Made made = batch.refresh();
        assertThat(made.lines())
                .hasSize(3)
                .anyMatch(line -> line.startsWith("00101|Köln & Bonn|2026-01-05|1204.5"))
                .anyMatch(line -> line.startsWith("00102|Köln & Bonn|2026-01-17|88"))
                .anyMatch(line -> line.startsWith("00103|Tarsk|2026-02-03|12"));
        assertThat(made.outcome().questions()).isEmpty();
    }

    @Test
    void itsLettersAreAsItSays() throws IOException {
        page("Places.xls", "ISO-8859-2", """
                <html><head><meta http-equiv="Content-Type" content="text/html; charset=iso-8859-2"></head><body>
                <table><tr><th>Place</th><th>Qty</th></tr><tr><td>Łódź</td><td>5</td></tr></table></body></html>
                """);
        assertThat(batch.refresh().lines().get(0)).startsWith("Łódź|5");
    }

    @Test
    void eachOfItsTablesIsASheet() throws IOException {
        page("Sites.xls", "UTF-8", """
                <table><caption>North</caption><tr><th>Item</th><th>Qty</th></tr><tr><td>Rope</td><td>5</td></tr>
                <tr><td>Buoy</td><td>6</td></tr></table>
                <p>and</p>
                <table><tr><th>Item</th><th>Qty</th></tr><tr><td>Pump</td><td>7</td></tr></table>
                """);
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(3);
        assertThat(made.outcome().sheets()).extracting(sheet -> sheet.name()).containsExactly("North", "Table 2");
    }

    @Test
    void aPageWithoutATableIsSetAsideWithTheReason() throws IOException {
        page("Login.xls", "UTF-8", "<!DOCTYPE html><html><body><p>Please sign in.</p></body></html>");
        batch.csv("a.csv", "Item,Qty", "Rope,5");
        assertThat(batch.refresh().findings("not-a-table").get(0).text()).contains("a web page");
    }

    @Test
    void spansThatPromiseMoreThanThereCanBeAreALimit() throws IOException {
        page("Bomb.xls", "UTF-8", "<table><tr><td colspan=99999>a</td><td>b</td></tr></table>");
        batch.csv("a.csv", "Item,Qty", "Rope,5");
        assertThat(batch.refresh().findings("limit")).hasSize(1);
    }
}
