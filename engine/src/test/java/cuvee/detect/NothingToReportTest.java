package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** A table that only says that there is nothing to report has no records. */
class NothingToReportTest {
    @Test
    void whatStandsWhereTheFirstRecordWouldIsANote() {
        for (String text : List.of("None this month", "Nil return", "No leavers", "Keine", "n/a")) {
            FoundTable found = Sheets.table(
                    new Object[] {"ID", "Name", "Leaving date"}, new Object[] {text}, new Object[] {}, new Object[] {});
            assertThat(found.kept()).as(text).isZero();
            assertThat(found.headerRows()).as(text).containsExactly(1);
        }
    }

    @Test
    void inATableOfOneOrTwoColumnsItIsARecord() {
        assertThat(Sheets.table(new Object[] {"Allergy", "Count"}, new Object[] {"None"}, new Object[] {"Nuts", 4})
                        .kept())
                .isEqualTo(2);
    }
}
