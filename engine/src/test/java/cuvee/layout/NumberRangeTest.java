package cuvee.layout;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Headers that state ranges of numbers, as those of debts by their age do. */
class NumberRangeTest {
    @ParameterizedTest
    @CsvSource({
        "0-30, 1 - 30 days, same",
        "31-60, 31 to 60, same",
        "Over 90, 90+, same",
        "Over 90 days, 91 and over, same",
        "> 90, 90+ days, same",
        "under 18, 0-17 years, same",
        "0-30, 31-60, differ",
        "61-90, 61+, differ",
        "61+, Over 90, differ",
        "0-30, 30-60, differ",
        "under 18, over 65, differ",
        "16-64, 18-64, open",
        "Site A 0-17, Clinic 0-17, open",
        "30 days, 31-60, open",
        "2025-26, 2026-27, open",
        "2026-03, 2026-04, open",
        "Current, Over 90, open",
        "Site A / 0-17, Clinic / 0-17, open",
        "Clinic / 0-17, Clinic / 0 to 17 years, same",
        "Box 1-5, Box 6-9, differ",
    })
    void rangesAreTheSameOrNot(String one, String other, String expected) {
        assertThat(NumberRange.same(one, other) ? "same" : NumberRange.differ(one, other) ? "differ" : "open")
                .isEqualTo(expected);
        assertThat(HeaderWords.compare(one, other).opposed()).isEqualTo(expected.equals("differ"));
        assertThat(HeaderWords.compare(other, one).same()).isEqualTo(expected.equals("same"));
    }
}
