package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.value.Type;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
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

    private void station(String name, int from) {
        List<String> lines = new ArrayList<>(List.of(
                name,
                "Location: 412340E 187650N, Lat 51.583 Lon -1.824, 43 metres amsl",
                "Estimated data is marked with a * after the value.",
                "Missing data (more than 2 days missing in month) is marked by  ---.",
                "Sunshine data taken from an automatic sensor are marked with a #.",
                "   yyyy  mm   tmax    tmin      af    rain     sun",
                "              degC    degC    days      mm   hours"));
        for (int month = 1; month <= 12; month++) {
            lines.add("   2004  %2d  %5.1f   %5.1f   %5d   %5.1f   %5.1f%s"
                    .formatted(
                            month,
                            from + month * 0.7,
                            from - 3 + month * 0.3,
                            12 - month,
                            40 + month * 3.3,
                            60 + month * 9.1,
                            month % 3 == 0 ? "#" : ""));
        }
        lines.set(9, "   2004   3    ---     3.1*     ---    49.9    87.3#");
        batch.csv(name.toLowerCase(Locale.ROOT) + "data.txt", lines.toArray(String[]::new));
    }

    @Test
    void sentencesAboveAListAreNoPartOfItsHeader() {
        station("Harlow", 6);
        station("Penwick", 4);
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).startsWith("yyyy", "mm", "tmax (degC)", "tmin (degC)", "af (days)");
        assertThat(made.type("tmin (degC)")).isEqualTo(Type.DECIMAL);
        assertThat(made.type("tmax (degC)")).isEqualTo(Type.DECIMAL);
        assertThat(made.lines()).hasSize(24).anyMatch(line -> line.startsWith("2004|3||3.1||49.9|87.3"));
        assertThat(made.findings("cut-cells")).isEmpty();
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
