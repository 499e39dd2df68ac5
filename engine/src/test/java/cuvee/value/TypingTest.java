package cuvee.value;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.testing.Rows;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TypingTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1;2;3|Whole number",
                "1;2.5|Decimal",
                "007;12|Text",
                "K07;7|Text",
                "1234567890123456;2|Text",
                "2026-01-01;2026-02-01|Date",
                "2026-01-01 10:00;2026-01-02|Date and time",
                "2026-01-01 00:00;2026-01-02 00:00|Date",
                "10:00;11:30|Time",
                "true;FALSE|Yes/No",
                "✓;✗;✓|Yes/No",
                "✓;maybe|Text",
                "fog;late|Text",
                "5 %;7,5 %|Percent",
                "EUR 5;EUR 7|Money",
                "EUR 5;USD 7|Money"
            })
    void textWinsWheneverAnotherTypeWouldLoseSomething(String values, String type) {
        assertThat(Typing.decide(Rows.evidence(List.of(values.split(";"))), true)
                        .type()
                        .word())
                .isEqualTo(type);
    }

    @Test
    void aFewWordsAmongNumbersAreAskedAbout() {
        List<Object> values = new java.util.ArrayList<>(java.util.Collections.nCopies(60, 5));
        values.add("unclear");
        Typing.Verdict verdict = Typing.decide(Rows.evidence(values), true);
        assertThat(verdict.type()).isEqualTo(Type.WHOLE_NUMBER);
        assertThat(verdict.misfits()).isEqualTo(1);
        assertThat(verdict.sure()).isFalse();
    }

    @Test
    void readingsWithFewWordsAmongThemAreAskedAboutHoweverManyTheseAre() {
        Typing.Verdict readings =
                Typing.decide(Rows.evidence(List.of("0.21", "<0.05", "1.37", "n.d.", "<0.05", "2.5")), true);
        assertThat(readings.type()).isEqualTo(Type.TEXT);
        assertThat(readings.sure()).isFalse();
        assertThat(Typing.decide(Rows.evidence(List.of("A1", "7", "B2", "C3", "12", "D4")), true)
                        .sure())
                .isTrue();
    }

    @Test
    void boundsAndUnitsBehindSomeNumbersAreAskedAbout() {
        for (List<Object> values : List.of(
                List.<Object>of("<50", 776, 120, "<50", 300),
                List.<Object>of("8/10", 7, "9/10", "n/a", 6, "4/10", "10/10", 9),
                List.<Object>of("120 cm", "1.01m", 168, 53, "49 cm", "2 m"))) {
            Typing.Verdict verdict = Typing.decide(Rows.evidence(values), true);
            assertThat(verdict.type()).isEqualTo(Type.TEXT);
            assertThat(verdict.sure()).isFalse();
        }
        assertThat(Typing.decide(Rows.evidence(List.of("12 XL", "7", "30 S", "12", "9 M")), true)
                        .sure())
                .isTrue();
    }

    @Test
    void failedFormulasAndWordsForNothingAreNoEvidenceAgainstNumbers() {
        Typing.Verdict few = Typing.decide(
                Rows.evidence(List.of("0.2", "0.1", "0.3", "#DIV/0!", "n/a", "0.4", "#VALUE!", "not known")), true);
        assertThat(few.type()).isEqualTo(Type.DECIMAL);
        assertThat(few.sure()).isTrue();
        Typing.Verdict asked = Typing.decide(
                Rows.evidence(List.of("0.2", "0.1", "0.3", "#DIV/0!", "n/a", "0.4", "#VALUE!", "late")), true);
        assertThat(asked.type()).isEqualTo(Type.DECIMAL);
        assertThat(asked.misfits()).isEqualTo(4);
        assertThat(asked.sure()).isFalse();
        Typing.Verdict words =
                Typing.decide(Rows.evidence(List.of("0.2", "late", "n/a", "fog", "#DIV/0!", "0.1")), true);
        assertThat(words.type()).isEqualTo(Type.TEXT);
    }

    @Test
    void hoursMoreThanADayHasAreNoTimesAndLoseNothing() {
        Typing.Verdict hours = Typing.decide(Rows.evidence(List.of("7:45", "8:15", "26:30", "9:00", "7:45")), true);
        assertThat(hours.type()).isEqualTo(Type.TEXT);
        assertThat(hours.sure()).isTrue();
        assertThat(hours.reason()).contains("more of them than a day has");
        assertThat(Typing.decide(Rows.evidence(List.of("7:45", "8:15", "9:00")), true)
                        .type())
                .isEqualTo(Type.TIME);
    }

    @Test
    void contradictingConventionsMakeTextAndAreAsked() {
        Typing.Verdict verdict = Typing.decide(Rows.evidence(List.of("1.5", "1,5")), false);
        assertThat(verdict.type()).isEqualTo(Type.TEXT);
        assertThat(verdict.sure()).isFalse();
    }

    @Test
    void aGroupedNumberIsWholeOnceTheCommaIsKnownToBeDecimal() {
        Evidence evidence = Rows.evidence(List.of("1.204", "9"));
        assertThat(Typing.decide(evidence.under(Convention.Mark.COMMA), true).type())
                .isEqualTo(Type.WHOLE_NUMBER);
        assertThat(Typing.decide(evidence.under(Convention.Mark.POINT), true).type())
                .isEqualTo(Type.DECIMAL);
    }

    @Test
    void evidenceOfPartsIsEvidenceOfTheWhole() {
        Evidence parts = Rows.evidence(List.of("1.5", "fog"));
        parts.add(Rows.evidence(List.of("2026-01-01", "7")));
        Evidence whole = Rows.evidence(List.of("1.5", "fog", "2026-01-01", "7"));
        assertThat(parts.counts()).isEqualTo(whole.counts());
        assertThat(parts.measures()).isEqualTo(whole.measures());
        assertThat(parts.oddities()).isEqualTo(whole.oddities());
    }
}
