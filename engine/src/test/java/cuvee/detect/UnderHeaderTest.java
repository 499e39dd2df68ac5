package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.sheet.Row;
import cuvee.testing.Rows;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Rows below a header that number its columns, or name their days. */
class UnderHeaderTest {
    private static Row row(String cells) {
        Object[] parts = cells.split("\\|", -1);
        for (int i = 0; i < parts.length; i++) {
            parts[i] = parts[i].toString().strip();
        }
        return Rows.row(1, parts);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '#',
            value = {
                "1 | 2 | 3 | 4 # true",
                "(1) | (2) | (3) | (4) # true",
                "A | B | 1 | 2 # true",
                "1 | 2 | 3 | 4=2+3 # true",
                "a) | b) | c) | d) # true",
                "1 | 2 | 4 | 5 # false",
                "2 | 3 | 4 | 5 # false",
                "1 | A | 2 | B # false",
                "Mon | Tue | Wed | Thu # true",
                "Mon | Hollin | Wed | Thu # false",
                "F | S | S | M | T # true",
                "T | S | S | M | T # false",
                "M | T | M | T # false",
                "1 | 2 | | # false"
            })
    void aRowNumbersTheColumnsWhereItsNumbersOrLettersGoUpByOne(String cells, boolean numbers) {
        assertThat(UnderHeader.isAgain(row(cells), 4)).isEqualTo(numbers);
    }

    @Test
    void smallNumbersAreARecordWhereAllColumnsHoldNumbers() {
        Row numbers = row("1 | 2 | 3");
        Row header = row("Item | Place | Pieces");
        assertThat(UnderHeader.isIn(numbers, header, List.of(row("Bolts | Hollin | 5"), row("Hoses | Tarsk | 7"))))
                .isTrue();
        assertThat(UnderHeader.isIn(numbers, header, List.of(row("4 | 5 | 6"), row("7 | 8 | 9"))))
                .isFalse();
    }
}
