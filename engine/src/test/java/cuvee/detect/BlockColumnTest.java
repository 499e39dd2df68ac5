package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.sheet.Row;
import cuvee.testing.Rows;
import cuvee.value.Evidence;
import cuvee.value.Form;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What a column of a block is said to hold. */
class BlockColumnTest {
    private static BlockColumn looked(Object... cells) {
        List<Row> rows = new ArrayList<>();
        for (Object cell : cells) {
            rows.add(Rows.row(rows.size() + 1, "Hollin", cell));
        }
        BlockColumn column = new BlockColumn(new Evidence());
        assertThat(column.look(Rows.column(Rows.block(2, rows), 1), false)).isTrue();
        return column;
    }

    @Test
    void whiteSpaceIsNoText() {
        BlockColumn column = looked("Tarsk", "         ", "Eastray", "", 12);
        assertThat(column.longest()).isEqualTo(7);
        assertThat(column.blankChars()).isEqualTo(9);
        assertThat(column.full()).isFalse();
        assertThat(column.blank(1)).isTrue();
        assertThat(column.blank(3)).isTrue();
        assertThat(column.blank(4)).isFalse();
    }

    @Test
    void nothingOfTheBlockBeforeIsLeft() {
        BlockColumn column = looked("     ", "3.5", "2026-03-01", "Tarsk");
        List<Row> rows = List.of(Rows.row(1, "7"), Rows.row(2, "-8"));
        assertThat(column.look(Rows.column(Rows.block(1, rows), 0), false)).isTrue();
        assertThat(column.longest()).isEqualTo(2);
        assertThat(column.blankChars()).isZero();
        assertThat(column.full()).isTrue();
        assertThat(column.seen()).isEqualTo(Form.bits(Form.DIGITS));
        assertThat(column.tally().numbers()).isEqualTo(2);
        assertThat(column.tally().sum()).isEqualTo(-1);
    }

    @Test
    void aTotalInItHasItsRowsToldOneByOne() {
        BlockColumn column = new BlockColumn(new Evidence());
        List<Row> rows = List.of(Rows.row(1, "Tarsk"), Rows.row(2, "Total"));
        assertThat(column.look(Rows.column(Rows.block(1, rows), 0), false)).isFalse();
    }
}
