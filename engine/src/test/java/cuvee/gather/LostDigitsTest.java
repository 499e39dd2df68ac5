package cuvee.gather;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Severity;
import cuvee.refresh.BatchTest;
import org.junit.jupiter.api.Test;

/** Numbers of goods that a program has written in powers of ten have lost their last digits, which is said. */
class LostDigitsTest extends BatchTest {
    @Test
    void numbersThatHaveLostTheirLastDigitsAreSaidOfTheirFile() {
        batch.csv(
                "a.csv", "Barcode,Product,Sold", "5012341290137,Tea,4", "5012344326886,Rolls,9", "5012348123390,Tea,1");
        batch.csv("b.csv", "Barcode,Product,Sold", "5.01234E+12,Tea,3", "5.01235E+12,Rolls,7", "5.01235E+12,Milk,2");
        assertThat(batch.refresh().findings("digits-lost")).singleElement().satisfies(finding -> {
            assertThat(finding.severity()).isEqualTo(Severity.WARNING);
            assertThat(finding.text())
                    .startsWith("b.csv: The column “Barcode” has numbers such as “5.01234E+12”")
                    .contains("their last digits are gone");
        });
    }

    @Test
    void measurementsAndShortNumbersAreLeftInPeace() {
        batch.csv("a.csv", "Probe,Count,Rate", "K1,6.02E+23,1.5E+03", "K2,1.38E-23,2.5E+03", "K3,9.1E+11,1.25E+03");
        batch.csv("b.csv", "Probe,Count,Rate", "K4,5.012341E+12,1.5E+03", "K5,1.38E-02,2.5E+03", "K6,9.1E+07,5E+03");
        assertThat(batch.refresh().findings("digits-lost")).isEmpty();
    }
}
