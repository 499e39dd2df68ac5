package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.sheet.Row;
import cuvee.testing.Rows;
import cuvee.value.Form;
import cuvee.value.Forms;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is remembered of a text is what a close look sees, whether few texts come again or nearly none do. */
class LateTextsTest {
    private static final List<String> TEXTS = List.of(
            "Hollin",
            "Total",
            "Sum of all",
            "2026-03-31",
            "31.03.2026",
            "B-17",
            "n/a",
            "12 %",
            "EUR 5",
            " ",
            "Summe",
            "yes",
            "x".repeat(60),
            "total\u00A0cost",
            "1 234",
            "Ærø");

    @ParameterizedTest
    @ValueSource(ints = {4, 16, 300, 100_000})
    void rememberedOrNotItIsTheSame(int different) {
        Random random = new Random(different);
        LateTexts late = new LateTexts();
        for (int i = 0; i < 20_000; i++) {
            int which = random.nextInt(different);
            String text = which < TEXTS.size() ? TEXTS.get(which) : TEXTS.get(which % 7) + " " + which;
            Row row = Rows.row(i + 1, "before", text);
            Form form = late.look(row, 1);
            boolean words = form == Form.WORDS || form == Form.WORDS_AND_DIGITS;
            assertThat(form).as(text).isEqualTo(Forms.of(row, 1));
            assertThat(late.mayNameTotal())
                    .as(text)
                    .isEqualTo(words && TotalWords.possible(row.chars(), row.start(1), row.end(1)));
        }
    }
}
