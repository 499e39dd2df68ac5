package cuvee.value;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LooseTextTest {
    @ParameterizedTest
    @CsvSource({
        "Fare revenue,fare  REVENUE",
        "Fare revenue,Fare_Revenue",
        "Straße,STRASSE",
        "Menge,Ｍenge",
        "passengers,passen gers",
        "Amount,'A\u200Bmount\uFEFF'"
    })
    void headersThatPeopleTakeForTheSameAreTheSame(String one, String other) {
        assertThat(LooseText.key(one)).isEqualTo(LooseText.key(other));
    }

    @Test
    void signsThatCarryMeaningStay() {
        assertThat(LooseText.key("Share %")).isNotEqualTo(LooseText.key("Share"));
        assertThat(LooseText.key("Price €")).isNotEqualTo(LooseText.key("Price $"));
    }

    @Test
    void textOfNothingButSignsStaysItself() {
        assertThat(LooseText.key("A*")).as("a grade").isNotEqualTo(LooseText.key("A"));
        assertThat(LooseText.key("--")).isEqualTo("--");
    }
}
