package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.testing.Rows;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A table that only says that there is nothing to report has no records. */
class NothingToReportTest {
    private static FoundTable find(Object[]... rows) {
        TableFinder finder = new TableFinder(HeaderHints.NONE);
        for (int i = 0; i < rows.length; i++) {
            finder.row(Rows.row(i + 1, rows[i]));
        }
        return finder.end().get(0);
    }

    @Test
    void whatStandsWhereTheFirstRecordWouldIsANote() {
        for (String text : List.of("None this month", "Nil return", "No leavers", "Keine", "n/a")) {
            FoundTable found = find(
                    new Object[] {"ID", "Name", "Leaving date"}, new Object[] {text}, new Object[] {}, new Object[] {});
            assertThat(found.kept()).as(text).isZero();
            assertThat(found.headerRows()).as(text).containsExactly(1);
        }
    }

    @Test
    void inATableOfOneOrTwoColumnsItIsARecord() {
        assertThat(find(new Object[] {"Allergy", "Count"}, new Object[] {"None"}, new Object[] {"Nuts", 4})
                        .kept())
                .isEqualTo(2);
    }
}
