package cuvee.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NumberTextTest {
    @ParameterizedTest
    @CsvSource({
        "0.30000000000000004,0.3",
        "12,12",
        "-12.5,-12.5",
        "1E3,1000",
        "1.0E-5,0.00001",
        "100.00,100",
        "-0,0",
        "007,7",
        "123456789012345678,123456789012346000",
        "abc,abc",
        "1.10,1.1",
        "12.,12"
    })
    void aStoredNumberIsShownAsPeopleSeeIt(String stored, String shown) {
        assertThat(NumberText.plain(stored)).isEqualTo(shown);
    }

    @Test
    void whatOfANumberIsPlainIsSeenWithoutWorkingItOut() {
        Random random = new Random(7);
        String pieces = "0001239.-E";
        int plain = 0;
        for (int i = 0; i < 200_000; i++) {
            StringBuilder text = new StringBuilder(random.nextInt(4) == 0 ? "-" : "");
            for (int length = random.nextInt(18); length >= 0; length--) {
                text.append(pieces.charAt(random.nextInt(length > 3 ? 8 : pieces.length())));
            }
            String stored = text.toString();
            int length = NumberText.plainLength(stored.toCharArray(), stored.length());
            if (length >= 0) {
                plain++;
                assertThat(stored.substring(0, length))
                        .as(stored)
                        .isEqualTo(NumberText.plain(new BigDecimal(stored.endsWith(".") ? stored + "0" : stored)));
            }
        }
        assertThat(plain).isGreaterThan(20_000);
    }
}
