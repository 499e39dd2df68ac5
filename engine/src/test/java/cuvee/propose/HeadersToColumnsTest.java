package cuvee.propose;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.lineup.LineUp;
import org.junit.jupiter.api.Test;

/** What is said of headers that could not all be compared. */
class HeadersToColumnsTest {
    @Test
    void itIsSaidWhereThereAreTooManyHeadersToCompareEachWithEach() {
        assertThat(HeadersToColumns.notCompared(LineUp.MOST_COMPARED)).isEmpty();
        assertThat(HeadersToColumns.notCompared(LineUp.MOST_COMPARED + 1)
                        .orElseThrow()
                        .text())
                .contains("The tables have 1,201 different headers")
                .contains("Leave out files that do not belong to this master");
    }
}
