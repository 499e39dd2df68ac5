package cuvee.value;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.value.Spellings.Counted;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Values that look like one are found, values that only resemble each other are not. */
class SpellingsTest {
    private static List<Spellings.Group> alike(Object... textsAndRows) {
        List<Counted> values = new ArrayList<>();
        for (int i = 0; i < textsAndRows.length; i += 2) {
            values.add(new Counted((String) textsAndRows[i], (int) textsAndRows[i + 1]));
        }
        return Spellings.nearlyAlike(values);
    }

    @ParameterizedTest
    @CsvSource({
        "Marine diesel,marine Diesel",
        "Marine diesel,'Marine  diesel '",
        "Marine diesel,Marine-diesel",
        "Ada Moss,'Moss, Ada'",
        "Marine diesel,Marine deisel",
        "Marine diesel,Marine diesl",
        "Marine diesel,Marine diessel",
        "Marine diesel,Marine diexel",
        "Pier 4 North,pier 4  north",
        "00044,44",
        "7,007"
    })
    void spellingsOfOneValue(String meant, String other) {
        assertThat(alike(meant, 90, other, 3, "Heavy oil", 50))
                .containsExactly(new Spellings.Group(new Counted(meant, 90), List.of(new Counted(other, 3))));
    }

    @ParameterizedTest
    @CsvSource({
        "K-07,K-08",
        "1.5,15",
        "A+,A-",
        "North,South",
        "Pier 4,Pier 5",
        "Oslo,Oslu",
        "Marta,Berta",
        "70,007",
        "0,00700"
    })
    void valuesOfTheirOwn(String one, String other) {
        assertThat(alike(one, 90, other, 3)).isEmpty();
    }

    @Test
    void aSpellingThatIsAsFrequentIsNoSlip() {
        assertThat(alike("Petrel", 40, "Petral", 35)).isEmpty();
        assertThat(alike("Petrel", 40, "PETREL", 35)).hasSize(1);
    }

    @Test
    void theCostGrowsWithTheValuesNotWithTheirPairs() {
        Random random = new Random(5);
        List<Counted> values = new ArrayList<>();
        for (int i = 0; i < 20_000; i++) {
            StringBuilder text = new StringBuilder();
            for (int c = 0; c < 12; c++) {
                text.append((char) ('a' + random.nextInt(26)));
            }
            values.add(new Counted(text.toString(), 10));
        }
        values.add(new Counted(values.get(7).text().substring(1), 1));
        assertThat(Spellings.nearlyAlike(values)).hasSize(1);
    }
}
