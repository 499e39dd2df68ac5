package cuvee.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.testing.Rows;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A block keeps the rows that it takes, and takes none but those that follow each other. */
class RowBlockTest {
    private static final String[] TEXTS = {"", "7", "Hollin", "12345678", "123456789", "x".repeat(90), "\u00e9t\u00e9"};

    private static void fill(Row row, Random random, int number) {
        row.begin(number, 0);
        int width = 1 + random.nextInt(5);
        for (int column = 0; column < width; column++) {
            if (random.nextInt(4) > 0) {
                CellKind kind = CellKind.values()[1 + random.nextInt(CellKind.values().length - 1)];
                row.set(column, kind, TEXTS[random.nextInt(TEXTS.length)]);
            }
        }
    }

    private static List<String> cells(Row row) {
        List<String> cells = new ArrayList<>();
        for (int column = 0; column < row.width(); column++) {
            cells.add(row.kind(column) + " " + row.text(column));
        }
        return cells;
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {1, 2, 3})
    void itsRowsAreThoseThatItTook(long seed) {
        Random random = new Random(seed);
        Row row = new Row();
        for (int round = 0; round < 4; round++) {
            // As many columns as the widest has, or more; the row that ended the block before is the first of the next.
            RowBlock block = new RowBlock(5 + round);
            List<List<String>> rows = new ArrayList<>();
            fill(row, random, 10);
            while (rows.size() < RowBlock.ROWS) {
                block.add(row);
                assertThat(cells(row)).as("as long as it is handed over").isEqualTo(cells(row.copy()));
                rows.add(cells(row));
                fill(row, random, 10 + rows.size());
            }
            List<String> behind = cells(row);
            List<Row> copies = block.copies();
            assertThat(copies).hasSize(RowBlock.ROWS);
            for (int i = 0; i < rows.size(); i++) {
                assertThat(copies.get(i).number()).isEqualTo(10 + i);
                assertThat(cells(copies.get(i))).isEqualTo(rows.get(i));
                assertThat(block.width(i)).isEqualTo(rows.get(i).size());
            }
            block.clear();
            assertThat(cells(row)).as("the row behind").isEqualTo(behind);
        }
    }

    @Test
    void itTakesWhatFollows() {
        Row row = new Row();
        RowBlock block = new RowBlock(2);
        fill(row, 1, 0, 1);
        assertThat(block.takes(row)).as("none is there to follow").isFalse();
        block.add(row);
        assertThat(block.takes(fill(row, 2, 0, 1))).isTrue();
        assertThat(block.takes(fill(row, 2, 0, 2))).isTrue();
        assertThat(block.takes(fill(row, 2, 0, 3))).as("wider").isFalse();
        assertThat(block.takes(fill(row, 3, 0, 1))).as("a row is missing").isFalse();
        assertThat(block.takes(fill(row, 2, 1, 1))).as("behind a gap").isFalse();
        assertThat(block.takes(fill(new Row(), 2, 0, 1)))
                .as("of another reader")
                .isFalse();
        row.begin(2, 0);
        row.set(0, CellKind.TEXT, " ");
        assertThat(block.takes(row)).as("blank").isFalse();
        while (block.takes(fill(row, block.nextNumber(), 0, 1))) {
            block.add(row);
        }
        assertThat(block.rows()).as("full").isEqualTo(RowBlock.ROWS);
    }

    @Test
    void itTakesNoMoreThanFitsTheMemory() {
        Row row = new Row();
        RowBlock block = new RowBlock(1);
        String much = "x".repeat(500_000);
        row.begin(1, 0);
        row.set(0, CellKind.TEXT, much);
        block.add(row);
        while (row.number() < 100) {
            row.begin(row.number() + 1, 0);
            row.set(0, CellKind.TEXT, much);
            if (!block.takes(row)) {
                break;
            }
            block.add(row);
        }
        assertThat(block.rows()).isBetween(2, 4);
    }

    @Test
    void whatAnotherBlockHasTakenAwayIsNotMistakenForItsOwn() {
        Row row = new Row();
        RowBlock block = new RowBlock(1);
        block.add(fill(row, 1, 0, 1));
        RowBlock other = new RowBlock(1);
        other.add(fill(row, 2, 0, 1));
        assertThatThrownBy(block::narrow).isInstanceOf(IllegalStateException.class);
        block.clear();
        other.narrow();
        assertThat(other.copies()).hasSize(1);
    }

    private static Row fill(Row row, int number, int blanks, int width) {
        row.begin(number, blanks);
        row.set(width - 1, CellKind.TEXT, "Hollin");
        return row;
    }

    private static void addNarrow(RowBlock block, String... cells) {
        Row row = new Row();
        row.begin(1, 0);
        for (int column = 0; column < cells.length; column++) {
            row.set(column, CellKind.TEXT, cells[column]);
        }
        block.add(row);
        block.narrow();
    }

    @Test
    void eightCharactersAreAllThatStandThere() {
        RowBlock block = new RowBlock(1);
        addNarrow(block, "caf\u00e9 12345 to");
        assertThat(block.isNarrow()).isTrue();
        assertThat(text(Rows.column(block, 0).heads()[0])).isEqualTo("caf\u00e9 123");
        assertThat(text(Rows.column(block, 0).tails()[0])).isEqualTo("12345 to");
    }

    @Test
    void whatFitsNoByteIsSaid() {
        RowBlock block = new RowBlock(2);
        addNarrow(block, "\u0141und and more", "12345678");
        assertThat(block.isNarrow()).isFalse();
        assertThat(text(Rows.column(block, 0).heads()[0])).isEqualTo("\0und and");
        assertThat(text(Rows.column(block, 1).tails()[0])).isEqualTo("12345678");
        block.clear();
        addNarrow(block, "Hollin");
        assertThat(block.isNarrow()).isTrue();
    }

    private static String text(long eight) {
        byte[] bytes = new byte[Long.BYTES];
        for (int i = 0; i < bytes.length; i++) {
            bytes[i] = (byte) (eight >>> 8 * i);
        }
        return new String(bytes, StandardCharsets.ISO_8859_1);
    }
}
