package cuvee.value;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.sheet.CellKind;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class FormsTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "12|DIGITS",
                "EUR 12|MONEY_TEXT",
                "Mon 2 Mar 2026|NAMED_DATE",
                "Monday, 2 March 2026|NAMED_DATE",
                "Di., 03.03.2026|POINTED_DATE",
                "Tue 03/17/2026|MONTH_FIRST_DATE",
                "Mon 12|WORDS_AND_DIGITS",
                "9 am|CLOCK",
                "12 p.m.|CLOCK",
                "50,-|MONEY_TEXT",
                "2026-03-01T10:15:00Z|YEAR_FIRST_MOMENT",
                "2026-03-01 10:15:00+02:00|YEAR_FIRST_MOMENT",
                "2026/03/01 9:14:22 AM GMT+1|YEAR_FIRST_MOMENT",
                "2026/03/01 12:49:22 PM UTC|YEAR_FIRST_MOMENT",
                "Mar 3 2026|NAMED_DATE",
                "EUR 000|WORDS_AND_DIGITS",
                "-12|DIGITS",
                "12-|DIGITS",
                "(12)|DIGITS",
                "007|ZERO_LED",
                "0302.13|ZERO_LED",
                "05.01|ZERO_LED",
                "0.50|POINT",
                "-0,5|COMMA",
                "0|DIGITS",
                "1234567890123456|LONG_DIGITS",
                "12.5|POINT",
                "12,5|COMMA",
                ".5|POINT",
                "1.204|POINT_OR_GROUP",
                "1,204|COMMA_OR_GROUP",
                "0.204|POINT",
                "1.204,50|GROUPED_COMMA",
                "1.204.500|GROUPED_COMMA",
                "1,204.50|GROUPED_POINT",
                "1 204|SPACED",
                "1'204.50|SPACED_POINT",
                "1 204,50|SPACED_COMMA",
                "1.5E+03|EXPONENT",
                "1.5E3|EXPONENT",
                "2E-07|EXPONENT",
                "373E03|WORDS_AND_DIGITS",
                "12,5 %|PERCENT_TEXT",
                "EUR 1.204,50|MONEY_TEXT",
                "€ 12|MONEY_TEXT",
                "9am|CLOCK",
                "2pm|CLOCK",
                "2cm|WORDS_AND_DIGITS",
                "£350k|MONEY_TEXT",
                "£1.250k|WORDS_AND_DIGITS",
                "12 USD|MONEY_TEXT",
                "-$5|MONEY_TEXT",
                "2026-03-31|YEAR_FIRST_DATE",
                "2026/3/31|YEAR_FIRST_DATE",
                "2026-03-31T14:05|YEAR_FIRST_MOMENT",
                "25/03/2026|DAY_FIRST_DATE",
                "03/25/2026|MONTH_FIRST_DATE",
                "03/04/2026|DAY_OR_MONTH_DATE",
                "03.04.2026|POINTED_DATE",
                "3. 4. 2026|POINTED_DATE",
                "31 March 2026|NAMED_DATE",
                "31-Mar-26|NAMED_DATE",
                "Mar 31, 2026|NAMED_DATE",
                "31. März 2026|NAMED_DATE",
                "25/03/2026 14:05|OTHER_MOMENT",
                "14:05|CLOCK",
                "2:05 pm|CLOCK",
                "TRUE|TRUE_FALSE",
                "n/a|NOTHING_WORD",
                "-|NOTHING_WORD",
                "fog|WORDS",
                "MV A|WORDS",
                "K07|WORDS_AND_DIGITS",
                "31.02.2026|WORDS_AND_DIGITS",
                "1.2.3.4|WORDS_AND_DIGITS",
                "12.34.56|WORDS_AND_DIGITS",
                "1,20,4|WORDS_AND_DIGITS",
                "B00001234|WORDS_AND_DIGITS"
            })
    void aTextIsToldByItsForm(String text, Form form) {
        assertThat(Forms.ofStaged(text)).isEqualTo(form);
        assertThat(Forms.ofStaged("\u00A0 " + text + " "))
                .as("with spaces around")
                .isEqualTo(form);
    }

    static Stream<Arguments> cells() {
        return Stream.of(
                Arguments.of(CellKind.NUMBER, "12", Form.NUMBER_WHOLE),
                Arguments.of(CellKind.NUMBER, "12.5", Form.NUMBER_FRACTION),
                Arguments.of(CellKind.NUMBER, "1E+300", Form.NUMBER_HUGE),
                Arguments.of(CellKind.DATE, "2026-03-31", Form.CELL_DATE),
                Arguments.of(CellKind.DATE, "2026-03-31T10:00:00", Form.CELL_MOMENT),
                Arguments.of(CellKind.DATE, "10:00:00", Form.CELL_CLOCK),
                Arguments.of(CellKind.YES_NO, "true", Form.CELL_TRUE_FALSE),
                Arguments.of(CellKind.ERROR, "#N/A", Form.CELL_ERROR),
                Arguments.of(CellKind.PERCENT, "0.125", Form.NUMBER_PERCENT));
    }

    @ParameterizedTest
    @MethodSource("cells")
    void aWorkbooksCellIsToldByItsKind(CellKind kind, String text, Form form) {
        assertThat(Forms.ofStaged(kind.mark() + text)).isEqualTo(form);
    }
}
