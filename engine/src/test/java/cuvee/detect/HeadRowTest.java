package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.sheet.CellKind;
import cuvee.sheet.Row;
import cuvee.testing.Rows;
import cuvee.value.LooseText;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What is asked of a row that may be the header. */
class HeadRowTest {
    private static final String[] TEXTS = {
        "Fare revenue",
        "fare-revenue",
        "(Fare) revenue",
        "Fares",
        "% occupied",
        "occupied",
        "%",
        "#",
        "12",
        "12 %",
        "ﬁsh",
        "fish",
        "Ærøby",
        "ÆRØBY",
        "²5",
        "25",
        "-",
        "...",
        "\u2028",
        "\u00ad",
        "€ 5",
        " 7 "
    };

    @Test
    void aTextHasTheKeyThatIsMadeOfIt() {
        for (String text : TEXTS) {
            for (String other : TEXTS) {
                HeadRow row = new HeadRow(Rows.row(1, text));
                boolean same = LooseText.key(text).equals(LooseText.key(other));
                assertThat(row.hasKey(0, LooseText.key(other)))
                        .as(text + " and " + other)
                        .isEqualTo(same);
            }
        }
    }

    @Test
    void theSameHeaderOnceMoreHasMostOfItsWords() {
        HeadRow header = new HeadRow(Rows.row(1, "Date", "Route", "Vessel", "", "Fare"));
        assertThat(new HeadRow(Rows.row(9, "DATE", "Route:", "Vessel", "Fare (EUR)")).hasWordsOf(header))
                .isTrue();
        assertThat(new HeadRow(Rows.row(9, "Date", "Port", "Tonnes", "Fee")).hasWordsOf(header))
                .isFalse();
    }

    @Test
    void whatItsCellsAre() {
        Row row = Rows.row(3, "Port", "", "2026", 2027, "kg", "(EUR)", 12345, "2026-03-01");
        HeadRow head = new HeadRow(row);
        assertThat(head.filled()).isEqualTo(7);
        assertThat(head.blank(1)).isTrue();
        assertThat(head.blank(99)).isTrue();
        assertThat(head.isWord(0)).isTrue();
        assertThat(head.isYear(2) && head.isYear(3) && head.isYear(7)).isTrue();
        assertThat(head.isMember(6)).as("no number of a column").isFalse();
        assertThat(head.values()).isEqualTo(4);
        assertThat(head.isUnits()).isFalse();
        assertThat(new HeadRow(Rows.row(4, "kg", "", "(EUR)", "%")).isUnits()).isTrue();
    }

    @Test
    void itsWordsAreKnownFromElsewhere() {
        HeaderHints hints = new HeaderHints(Set.of("port", "fare"));
        Row row = Rows.row(1, "Port:", "Vessel", "FARE", "x");
        row.set(3, CellKind.ERROR, "Port");
        assertThat(new HeadRow(row).known(hints)).isEqualTo(0.5);
        assertThat(new HeadRow(row).known(HeaderHints.NONE)).isZero();
    }
}
