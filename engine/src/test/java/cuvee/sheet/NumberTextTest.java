package cuvee.sheet;

import static org.assertj.core.api.Assertions.assertThat;

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
}
