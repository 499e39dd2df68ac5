package cuvee.audit;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Finding;
import cuvee.refresh.BatchTest;
import org.junit.jupiter.api.Test;

/** Headers change places where somebody types them anew; the values stay where they were. */
class SwappedColumnsTest extends BatchTest {
    private void orders(String file, String header, int seed) {
        String[] lines = new String[9];
        lines[0] = header;
        for (int i = 1; i < lines.length; i++) {
            lines[i] = file.charAt(0) + "" + seed + i + ",Hollin," + (i % 2 == 0 ? "Tea" : "Jam") + ","
                    + (1 + seed * i % 17) + "," + (seed + i) + "." + (10 + i * 7 % 80);
        }
        batch.csv(file, lines);
    }

    @Test
    void numbersUnderEachOthersHeadersAreSaid() {
        orders("A Jan.csv", "Order,Port,Product,Qty,Price", 3);
        orders("B Jan.csv", "Order,Port,Product,Qty,Price", 5);
        orders("A Feb.csv", "Order,Port,Product,Qty,Price", 7);
        assertThat(batch.refresh().findings("swapped")).isEmpty();
        orders("B Feb.csv", "Order,Port,Product,Price,Qty", 11);
        assertThat(batch.refresh().findings("swapped"))
                .singleElement()
                .extracting(Finding::text)
                .asString()
                .startsWith(
                        "B Feb.csv: Under “Qty” stands what the others hold under “Price”, and under “Price” what they"
                                + " hold under “Qty”.");
    }

    @Test
    void wordsUnderEachOthersHeadersAreSaid() {
        orders("A Jan.csv", "Order,Port,Product,Qty,Price", 3);
        orders("B Jan.csv", "Order,Port,Product,Qty,Price", 5);
        batch.csv(
                "B Feb.csv",
                "Order,Port,Product,Qty,Price",
                "B21,Tea,Hollin,4,5.10",
                "B22,Jam,Hollin,6,2.45",
                "B23,Tea,Tarsk,9,3.20",
                "B24,Jam,Hollin,8,1.15",
                "B25,Tea,Hollin,7,3.35");
        batch.csv(
                "A Feb.csv",
                "Order,Port,Product,Qty,Price",
                "A21,Tarsk,Tea,4,5.10",
                "A22,Hollin,Jam,6,2.45",
                "A23,Tarsk,Oil,9,3.20");
        assertThat(batch.refresh().findings("swapped"))
                .singleElement()
                .matches(finding ->
                        finding.text().contains("B Feb.csv: Under “Port” stands what the others hold under"));
    }

    @Test
    void aFileOfWholePricesIsLeftInPeace() {
        orders("A Jan.csv", "Order,Port,Product,Qty,Price", 3);
        orders("B Jan.csv", "Order,Port,Product,Qty,Price", 5);
        batch.csv(
                "C Jan.csv",
                "Order,Port,Product,Qty,Price",
                "C1,Oska,Tea,4,5",
                "C2,Oska,Jam,6,2",
                "C3,Pell,Oil,9,3",
                "C4,Pell,Tea,8,1",
                "C5,Oska,Jam,7,3");
        assertThat(batch.refresh().findings("swapped")).isEmpty();
    }
}
