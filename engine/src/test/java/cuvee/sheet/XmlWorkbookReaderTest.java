package cuvee.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import cuvee.value.Type;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import org.junit.jupiter.api.Test;

/** Workbooks that are one XML file, as servers for reports still write them. */
class XmlWorkbookReaderTest extends BatchTest {
    private static final String WHOLE = """
            <?xml version="1.0"?>
            <Workbook xmlns="urn:schemas-microsoft-com:office:spreadsheet"
             xmlns:ss="urn:schemas-microsoft-com:office:spreadsheet">
            <Styles><Style ss:ID="s1"><NumberFormat ss:Format="0.0%"/></Style></Styles>
            <Worksheet ss:Name="March"><Table>
            <Row><Cell ss:MergeAcross="3"><Data ss:Type="String">Orders of the month</Data></Cell></Row>
            <Row ss:Index="3"><Cell><Data ss:Type="String">Order</Data></Cell><Cell><Data ss:Type="String">Due</Data></Cell>
            <Cell><Data ss:Type="String">Share</Data></Cell><Cell><Data ss:Type="String">Paid</Data></Cell></Row>
            <Row><Cell><Data ss:Type="String">A &amp; B</Data></Cell>
            <Cell><Data ss:Type="DateTime">2026-03-05T00:00:00.000</Data></Cell>
            <Cell ss:StyleID="s1"><Data ss:Type="Number">0.125</Data></Cell><Cell><Data ss:Type="Boolean">1</Data></Cell></Row>
            <Row><Cell><Data ss:Type="String">C</Data></Cell><Cell ss:Index="3" ss:StyleID="s1"><Data ss:Type="Number">0.5</Data></Cell>
            <Cell><Data ss:Type="Boolean">0</Data></Cell></Row>
            </Table></Worksheet></Workbook>
            """;

    private void workbook(String xml) throws IOException {
        Files.createDirectories(folder.resolve("data"));
        Files.writeString(folder.resolve("data/March.xls"), xml, StandardCharsets.UTF_8);
    }

    @Test
    void itsCellsHaveTheirKinds() throws IOException {
        workbook(WHOLE);
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).startsWith("Order", "Due", "Share", "Paid");
        assertThat(made.lines()).hasSize(2);
        assertThat(made.lines().get(0)).startsWith("A & B|2026-03-05|0.125|true");
        assertThat(made.lines().get(1)).startsWith("C||0.5|false");
        assertThat(made.outcome().plan().columns().get(2).type()).isEqualTo(Type.PERCENT);
        assertThat(made.outcome().sheets().get(0).tables().get(0).table().headerRows())
                .containsExactly(3);
    }

    @Test
    void aSheetThatPeopleDoNotSeeIsSetAsideAndHiddenRowsArePointedOut() throws IOException {
        String hidden = """
                <Worksheet ss:Name="Old"><Table><Row><Cell><Data ss:Type="String">Order</Data></Cell>
                <Cell><Data ss:Type="String">Due</Data></Cell></Row><Row><Cell><Data ss:Type="String">Z</Data></Cell>
                <Cell><Data ss:Type="Number">5</Data></Cell></Row></Table>
                <WorksheetOptions><Visible>SheetHidden</Visible></WorksheetOptions></Worksheet></Workbook>
                """;
        workbook(WHOLE.replace("</Workbook>", hidden)
                .replaceFirst(
                        "<Row><Cell><Data ss:Type=\"String\">C<",
                        "<Row ss:Hidden=\"1\"><Cell><Data ss:Type=\"String\">C<"));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(2).noneMatch(line -> line.startsWith("Z"));
        assertThat(made.findings("hidden-sheet")).hasSize(1);
        assertThat(made.findings("hidden-cells").get(0).text()).contains("1 row is hidden");
    }

    @Test
    void whatIsCutOffIsSaid() throws IOException {
        workbook(WHOLE.substring(0, WHOLE.length() / 2));
        batch.csv("a.csv", "Item,Qty", "Rope,5");
        assertThat(batch.refresh().findings("broken")).hasSize(1);
    }
}
