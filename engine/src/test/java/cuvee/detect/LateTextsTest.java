package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.sheet.ColumnCells;
import cuvee.sheet.Row;
import cuvee.testing.Rows;
import cuvee.value.ColumnTally;
import cuvee.value.Form;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A text that was remembered is known again, and no other. */
class LateTextsTest {
    private static ColumnCells cells(String... texts) {
        List<Row> rows = new ArrayList<>();
        for (String text : texts) {
            rows.add(Rows.row(rows.size() + 1, text));
        }
        return Rows.column(Rows.block(1, rows), 0);
    }

    private static boolean knows(String remembered, String other) {
        LateTexts late = new LateTexts();
        late.remember(cells(remembered), 0, Form.WORDS_AND_DIGITS, false);
        return late.take(cells(other), 0, new ColumnTally()) == 1;
    }

    @ParameterizedTest(name = "{0}, {1}: {2}")
    @CsvSource({
        "Hollin, Hollin, true",
        "Hollin, Holler, false",
        "Hollin, Hollin1, false",
        "Hollin, hollin, false",
        "B-17, B-99, true",
        "B-17, B-177, false",
        "B-17, XB-17, false",
        "MV A10000001, MV A29999999, true",
        "MV A10000001, MV B10000001, false",
        // What begins with a digit, or like a month, may be a date with other digits.
        "17-B, 17-B, true",
        "17-B, 18-B, false",
        "Mar 45 2026, Mar 12 2026, false",
        "Mar 45 2026, Mar 45 2026, false",
        "'A text that is longer, and its end', 'A text that is longer, and its end', true",
        "'A text that is longer, and its end', 'A text that has other words and its end', false",
        "'A text that is longer, 1st in its line', 'A text that is longer, 2nd in its line', false",
        "'A text of so many letters that nobody would write one', 'A text of so many letters that nobody would write one', false",
        "Øst, Øst, true",
        "Łund, Łund, false"
    })
    void aTextIsKnownAgain(String remembered, String other, boolean known) {
        assertThat(knows(remembered, other)).isEqualTo(known);
    }

    @Test
    void itStopsAtTheFirstThatIsNotKnown() {
        LateTexts late = new LateTexts();
        ColumnCells cells = cells("Hollin", "Tarsk", "Hollin", "Hollin", "", "Tarsk");
        late.remember(cells, 0, Form.WORDS, false);
        late.remember(cells, 1, Form.WORDS, true);
        ColumnTally tally = new ColumnTally();
        late.begin();
        assertThat(late.take(cells, 2, tally)).isEqualTo(4);
        assertThat(late.metPartly()).isFalse();
        assertThat(late.take(cells, 4, tally)).isEqualTo(4);
        assertThat(late.take(cells, 5, tally)).isEqualTo(6);
        assertThat(late.metPartly()).as("one that names a total in part").isTrue();
    }

    @Test
    void codesOfSeveralKindsAreKnownEachByItsLetters() {
        LateTexts late = new LateTexts();
        ColumnCells cells = cells("B-17", "MV A10000001", "Hollin", "B-22", "MV A10000002", "MV A1000000x", "B-23");
        late.remember(cells, 0, Form.WORDS_AND_DIGITS, false);
        late.remember(cells, 1, Form.WORDS_AND_DIGITS, false);
        late.remember(cells, 2, Form.WORDS, false);
        ColumnTally tally = new ColumnTally();
        assertThat(late.take(cells, 0, tally)).isEqualTo(5);
        assertThat(tally.seen()).isEqualTo(Form.bits(Form.WORDS, Form.WORDS_AND_DIGITS));
        assertThat(late.take(cells, 6, tally)).isEqualTo(7);
    }
}
