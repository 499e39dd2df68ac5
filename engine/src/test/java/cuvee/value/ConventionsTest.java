package cuvee.value;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.testing.Rows;
import cuvee.value.Conventions.Vote;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ConventionsTest {
    private static Evidence evidence(String values) {
        return Rows.evidence(List.of(values.split(";")));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "12;7|NOT_NEEDED",
                "1.204|OPEN",
                "1.5;1.204|FIRST",
                "1,5|SECOND",
                "1.204,50|SECOND",
                "1,204.50|FIRST",
                "1.5;2,5|CONTRADICTION",
                "12,5 %|SECOND",
                "EUR 1.204,50|SECOND",
                "EUR 1,204|OPEN",
                "1 204,5|SECOND",
                "1'204.5|FIRST"
            })
    void theMarkIsToldByTheValuesThatDecide(String values, Vote vote) {
        assertThat(Conventions.mark(evidence(values))).isEqualTo(vote);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "2026-03-31|NOT_NEEDED",
                "03/04/2026|OPEN",
                "25/03/2026;03/04/2026|FIRST",
                "03/25/2026|SECOND",
                "03.04.2026|FIRST",
                "25/03/2026;03/25/2026|CONTRADICTION",
                "25/03/2026 10:00|FIRST",
                "03/04/2026 10:00|OPEN",
                "31 March 2026|NOT_NEEDED"
            })
    void theOrderIsToldByTheValuesThatDecide(String values, Vote vote) {
        assertThat(Conventions.order(evidence(values))).isEqualTo(vote);
    }

    @Test
    void aConventionHasAShortStableName() {
        for (Convention.Mark mark : Convention.Mark.values()) {
            for (Convention.Order order : Convention.Order.values()) {
                Convention convention = new Convention(mark, order);
                assertThat(Convention.ofCode(convention.code())).isEqualTo(convention);
            }
        }
    }

    @Test
    void evidenceIsKeptAsItWas() {
        Evidence evidence = evidence("1.5;2,5;12 %;EUR 5;fog;K7;2026-03-31;25/03/2026 10:00;n/a;(5)");
        Evidence restored = Evidence.restore(
                evidence.counts(),
                evidence.measures(),
                evidence.oddities(),
                evidence.currencies(),
                evidence.someDates());
        assertThat(restored.counts()).isEqualTo(evidence.counts());
        assertThat(restored.measures()).isEqualTo(evidence.measures());
        assertThat(restored.currencies()).containsExactly(java.util.Map.entry("EUR", 1L));
        assertThat(Conventions.mark(restored)).isEqualTo(Conventions.mark(evidence));
        assertThat(restored.plainSigns()).isFalse();
    }
}
