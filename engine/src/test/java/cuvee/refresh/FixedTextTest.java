package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.value.Type;
import org.junit.jupiter.api.Test;

/** Text files as programs print lists, with cells below each other, are sources like any other. */
class FixedTextTest extends BatchTest {
    private void stock(String month) {
        batch.csv(
                "STOCK-2026-" + month + ".TXT",
                "STOCK REPORT                 DATE 2026-" + month + "-28     PAGE 1",
                "",
                "ITEM      DESCRIPTION          ON HAND     VALUE",
                "--------- -------------------- ------- ----------",
                "10000     Rope small               253   1,594.55",
                "10007     Chain large heavy         " + (month.equals("01") ? "44" : "45") + "     103.40",
                "10014     Pump                       0       0.00",
                "--------- -------------------- ------- ----------",
                "          TOTAL                    " + (month.equals("01") ? "297" : "298") + "   1,697.95");
    }

    @Test
    void theyAreLinedUpTypedAndProven() {
        stock("01");
        stock("02");
        Batch.Made made = batch.refresh();
        assertThat(made.columns().subList(0, 4)).containsExactly("ITEM", "DESCRIPTION", "ON HAND", "VALUE");
        assertThat(made.lines()).hasSize(6).anyMatch(line -> line.startsWith("10007|Chain large heavy|45|103.4"));
        assertThat(made.outcome().plan().columns().get(3).type()).isEqualTo(Type.DECIMAL);
        assertThat(made.findings("stated-total")).isEmpty();
        assertThat(made.outcome().questions()).isEmpty();
    }

    @Test
    void theyLineUpWithWorkbooksOfTheSameHeaders() {
        stock("01");
        batch.csv("stock-2026-02.csv", "Item,Description,On hand,Value", "10000,Rope small,7,44.10");
        assertThat(batch.refresh().lines()).hasSize(4).anyMatch(line -> line.startsWith("10000|Rope small|7|44.1"));
    }

    @Test
    void itCanBeSaidThatTheyAreLines() {
        stock("01");
        batch.settle("text-form", "STOCK-2026-01.TXT", "tabs");
        assertThat(batch.refresh().findings("text-form")).isEmpty();
        assertThat(batch.refresh().lines()).noneMatch(line -> line.startsWith("10007|Chain"));
    }

    @Test
    void aTextThatReachesIntoTheNextColumnIsCutAtASpaceAndTold() {
        batch.csv(
                "list.txt",
                "Report of the harbour stores, all that was counted at the end of the month",
                "",
                "ITEM      DESCRIPTION           ON HAND      VALUE",
                "--------- -------------------- -------- ----------",
                "10000     Rope small                253   1,594.55",
                "10007     Chain large, very heavy   44     103.40",
                "10014     Pump                        0       0.00",
                "10021     Buoy, white                17     310.25",
                "10028     Flare                       4      12.10");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(5).anyMatch(line -> line.startsWith("10007|Chain large, very heavy|44|"));
        assertThat(made.findings("cut-cells"))
                .singleElement()
                .asString()
                .contains("In 1 row a text reaches into the next column: row 6.");
    }
}
