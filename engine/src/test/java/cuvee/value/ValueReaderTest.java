package cuvee.value;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ValueReaderTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            nullValues = "none",
            value = {
                "DECIMAL|.d|1.204,50|1204.50",
                "DECIMAL|,d|1.204|1204",
                "DECIMAL|.d|1.204|1.204",
                "DECIMAL|.d|1,204|1204",
                "DECIMAL|,d|1,204|1.204",
                "DECIMAL|.d|1,204,500|1204500",
                "DECIMAL|.d|(1,204.5)|-1204.5",
                "DECIMAL|.d|12-|-12",
                "DECIMAL|.d|1 204,5|1204.5",
                "DECIMAL|.d|1'204.5|1204.5",
                "DECIMAL|.d|abc|none",
                "DECIMAL|.d|1.5E3|1500",
                "PERCENT|.d|12.5 %|0.125",
                "PERCENT|,d|12,5%|0.125",
                "MONEY|,d|EUR 1.204,50|1204.50",
                "MONEY|.d|€1,204|1204",
                "MONEY|.d|£350k|350000",
                "MONEY|.d|€1.2m|1200000",
                "MONEY|,d|-€1,25 m|-1250000",
                "MONEY|.d|$3bn|3000000000",
                "WHOLE_NUMBER|.d|12|12",
                "WHOLE_NUMBER|.d|12.5|none",
                "WHOLE_NUMBER|,d|1.204|1204",
                "DATE|.d|03/04/2026|2026-04-03",
                "DATE|.m|03/04/2026|2026-03-04",
                "DATE|.m|25/03/2026|none",
                "DATE|.d|31.12.26|2026-12-31",
                "DATE|.d|1 March 2026|2026-03-01",
                "DATE|.d|31.02.2026|none",
                "DATE|.d|2026-03-31T00:00:00|2026-03-31",
                "DATE|.d|2026-03-31 10:00|none",
                "DATE_AND_TIME|.d|2026-03-31 10:05|2026-03-31T10:05:00",
                "DATE_AND_TIME|.d|31.03.2026|2026-03-31T00:00:00",
                "TIME|.d|2:05 pm|14:05:00",
                "YES_NO|.d|TRUE|true",
                "TEXT|.d|007|007"
            })
    void aTextIsReadAsATypeUnderAConvention(Type type, String convention, String text, String expected) {
        assertThat(ValueReader.read(text, type, Convention.ofCode(convention))).isEqualTo(expected);
    }

    @Test
    void anErrorCellIsNoValueOfAnyType() {
        for (Type type : Type.values()) {
            assertThat(ValueReader.read("\u0005#N/A", type, Convention.DEFAULT)).isNull();
        }
    }

    @Test
    void aWorkbooksNumberAsTextIsItsDigits() {
        assertThat(ValueReader.read("\u00021204.5", Type.TEXT, Convention.DEFAULT))
                .isEqualTo("1204.5");
    }
}
