package cuvee.sheet;

import static org.assertj.core.api.Assertions.assertThat;

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

    private static Row row(Random random, int number) {
        Row row = new Row();
        row.begin(number, 0);
        int width = 1 + random.nextInt(5);
        for (int column = 0; column < width; column++) {
            if (random.nextInt(4) > 0) {
                CellKind kind = CellKind.values()[1 + random.nextInt(CellKind.values().length - 1)];
                row.set(column, kind, TEXTS[random.nextInt(TEXTS.length)]);
            }
        }
        return row;
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
        RowBlock block = new RowBlock(5);
        for (int round = 0; round < 4; round++) {
            List<Row> rows = new ArrayList<>();
            block.clear();
            while (!block.isFull()) {
                rows.add(row(random, 10 + rows.size()));
                block.add(rows.get(rows.size() - 1));
            }
            List<Row> copies = block.copies();
            assertThat(copies).hasSize(RowBlock.ROWS);
            for (int i = 0; i < rows.size(); i++) {
                assertThat(copies.get(i).number()).isEqualTo(rows.get(i).number());
                assertThat(cells(copies.get(i))).isEqualTo(cells(rows.get(i)));
                assertThat(block.width(i)).isEqualTo(rows.get(i).width());
            }
        }
    }

    @Test
    void itTakesWhatFollows() {
        RowBlock block = new RowBlock(2);
        assertThat(block.takes(filled(1, 0, 1))).as("none is there to follow").isFalse();
        block.add(filled(1, 0, 1));
        assertThat(block.takes(filled(2, 0, 1))).isTrue();
        assertThat(block.takes(filled(2, 0, 2))).isTrue();
        assertThat(block.takes(filled(2, 0, 3))).as("wider").isFalse();
        assertThat(block.takes(filled(3, 0, 1))).as("a row is missing").isFalse();
        assertThat(block.takes(filled(2, 1, 1))).as("behind a gap").isFalse();
        Row blank = new Row();
        blank.begin(2, 0);
        blank.set(0, CellKind.TEXT, " ");
        assertThat(block.takes(blank)).as("blank").isFalse();
        while (!block.isFull()) {
            block.add(filled(block.nextNumber(), 0, 1));
        }
        assertThat(block.takes(filled(block.nextNumber(), 0, 1))).as("full").isFalse();
    }

    private static Row filled(int number, int blanks, int width) {
        Row row = new Row();
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
        assertThat(text(block.head(block.start(0, 0)))).isEqualTo("caf\u00e9 123");
        assertThat(text(block.tail(block.end(0, 0)))).isEqualTo("12345 to");
    }

    @Test
    void whatFitsNoByteIsSaid() {
        RowBlock block = new RowBlock(2);
        addNarrow(block, "\u0141und and more", "12345678");
        assertThat(block.isNarrow()).isFalse();
        assertThat(text(block.head(block.start(0, 0)))).isEqualTo("\0und and");
        assertThat(text(block.tail(block.end(1, 0)))).isEqualTo("12345678");
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
