package cuvee.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.testing.Rows;
import org.junit.jupiter.api.Test;

class RowTest {
    @Test
    void aRowIsUsedAgainWithoutTraces() {
        Row row = Rows.row(1, "a", 5, "c");
        row.begin(2, 3);
        row.set(1, CellKind.TEXT, "x");
        assertThat(row.width()).isEqualTo(2);
        assertThat(row.kind(0)).isEqualTo(CellKind.EMPTY);
        assertThat(row.text(1)).isEqualTo("x");
        assertThat(row.kind(2)).isEqualTo(CellKind.EMPTY);
        assertThat(row.blanksBefore()).isEqualTo(3);
    }

    @Test
    void aCopyStaysWhenTheRowGoesOn() {
        Row row = Rows.row(7, "a", 5);
        Row copy = row.copy();
        row.begin(8, 0);
        row.set(0, CellKind.TEXT, "other");
        assertThat(copy.number()).isEqualTo(7);
        assertThat(copy.staged(0)).isEqualTo("a");
        assertThat(copy.staged(1)).isEqualTo("\u00025");
    }

    @Test
    void whiteSpaceOfAnyKindIsBlank() {
        Row row = Rows.row(1, " \u00A0\u200B", "\u3000", "x");
        assertThat(row.blank(0)).isTrue();
        assertThat(row.blank(1)).isTrue();
        assertThat(row.blank(9)).isTrue();
        assertThat(row.blank()).isFalse();
        assertThat(row.filled()).isEqualTo(1);
    }

    @Test
    void textThatBeginsLikeAMarkKeepsItsFirstCharacter() {
        Row row = new Row();
        row.begin(1, 0);
        row.set(0, CellKind.TEXT, "\u0003odd");
        assertThat(CellKind.ofStaged(row.staged(0))).isEqualTo(CellKind.TEXT);
        assertThat(CellKind.textOf(row.staged(0))).isEqualTo("\u0003odd");
    }

    @Test
    void aWideRowOfLongTextsFits() {
        Row row = new Row();
        row.begin(1, 0);
        String text = "x".repeat(5000);
        for (int column = 0; column < 300; column++) {
            row.set(column, CellKind.TEXT, new StringBuilder(text).append(column));
        }
        assertThat(row.width()).isEqualTo(300);
        assertThat(row.text(0)).isEqualTo(text + "0");
        assertThat(row.text(299)).isEqualTo(text + "299");
    }
}
