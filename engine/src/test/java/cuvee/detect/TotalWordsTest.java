package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.detect.TotalWords.Figure;
import cuvee.detect.TotalWords.Sureness;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The words by which people mark totals, and those that only look like them. */
class TotalWordsTest {
    private static final List<String> WORDS = List.of(
            "Total",
            "TOTAL:",
            "Sub-total",
            "subtotal",
            "Grand Total",
            "Σ",
            "∑",
            "Summe",
            "Zwischensumme",
            "Total général",
            "合計",
            "Итого",
            "Total North",
            "North total",
            "Total, all areas",
            "Total (net)",
            "Average",
            "Ø",
            "Max.",
            "Minimum",
            "Durchschnitt",
            "Median",
            "Number of records",
            "Std. dev.",
            "All regions",
            "Whole country",
            "Overall total",
            "Summa",
            "Totaux",
            "Celkem");

    private static boolean possible(String text) {
        return TotalWords.possible(text.toCharArray(), 0, text.length());
    }

    @ParameterizedTest
    @CsvSource({
        "Total, WHOLLY",
        "TOTAL:, WHOLLY",
        "' Grand  total ', WHOLLY",
        "Subtotal, WHOLLY",
        "Sub-total, WHOLLY",
        "Summe, WHOLLY",
        "Σ, WHOLLY",
        "合計, WHOLLY",
        "Total général, WHOLLY",
        "Total North, PARTLY",
        "North total, PARTLY",
        "'Total, all areas', PARTLY",
        "Total Logistics, PARTLY",
        "Totally, NO",
        "Summer, NO",
        "Sumatra, NO",
        "Totalt, WHOLLY",
        "Consummate, NO",
        "Hollin, NO",
        "'', NO"
    })
    void aTextNamesATotalWhollyPartlyOrNotAtAll(String text, Sureness sureness) {
        assertThat(TotalWords.of(text)).isEqualTo(sureness);
    }

    @ParameterizedTest
    @CsvSource({
        "Average, MEAN",
        "avg., MEAN",
        "Mittelwert:, MEAN",
        "MAX, MOST",
        "Minimum, LEAST",
        "Median, MIDDLE",
        "Anzahl, COUNT",
        "Standard deviation, SPREAD"
    })
    void aTextNamesAFigure(String text, Figure figure) {
        assertThat(TotalWords.figure(text)).contains(figure);
    }

    @ParameterizedTest
    @ValueSource(strings = {"Average grade", "Maximilian", "Mean Street", "Hollin", "Total", ""})
    void aTextWithMoreInItNamesNone(String text) {
        assertThat(TotalWords.figure(text)).isEmpty();
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {1, 2, 3})
    void theFirstLookMissesNothing(long seed) {
        Random random = new Random(seed);
        List<String> around = List.of("", " ", "North ", "3 ", "(", "x-", "Hollin/");
        for (int i = 0; i < 5_000; i++) {
            String text = around.get(random.nextInt(around.size()))
                    + WORDS.get(random.nextInt(WORDS.size()))
                    + around.get(random.nextInt(around.size()));
            boolean told = TotalWords.of(text) != Sureness.NO
                    || TotalWords.figure(text).isPresent()
                    || TotalWords.namesWhole(text);
            if (told) {
                assertThat(possible(text)).as(text).isTrue();
            }
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Hollin",
                "Norhaven",
                "MV Dunlin",
                "Tarsk",
                "SO-04711",
                "Summer",
                "Maxine",
                "Totalise",
                "Grandville"
            })
    void theFirstLookSparesNames(String text) {
        assertThat(possible(text)).isFalse();
    }
}
