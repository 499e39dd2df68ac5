package cuvee.master;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.sheet.CellKind;
import cuvee.sheet.Row;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Many rows are staged in files of their own; whoever asks for rows sees no difference. */
class StagingTest {
    private static final Store.Means SMALL = new Store.Means(200, 2);
    private static final int MANY = 40_000;
    private static final String[] TEXTS = {
        "",
        "a",
        "Größe",
        "合計",
        "😀 two",
        "\u0002odd",
        "zero\0within",
        "\uD800",
        "x".repeat(5_000),
        "'; DROP TABLE",
        "\n\t"
    };

    @TempDir
    Path folder;

    private Path cache() {
        return folder.resolve("cache");
    }

    private List<Path> files() throws IOException {
        try (Stream<Path> files = Files.list(cache().resolve("staged"))) {
            return files.toList();
        }
    }

    private static void plain(StageWriter writer, int sheet, int count) {
        writer.begin(sheet);
        Row row = new Row();
        for (int i = 1; i <= count; i++) {
            row.begin(i, 0);
            row.set(0, CellKind.TEXT, "sheet " + sheet);
            row.set(2, CellKind.NUMBER, String.valueOf(i));
            writer.add(row);
        }
    }

    private static List<String> page(Store store, int sheet, int width, int first, int last) {
        try (SheetReader reader = store.sheetReader()) {
            return reader.page(new SheetReader.Staged(sheet, width, false), first, last).stream()
                    .map(line -> line.row() + " " + String.join("|", line.cells()))
                    .toList();
        }
    }

    @ParameterizedTest
    @CsvSource({"200,3", "16000,3", "40000,5", "140000,9", "3000,40", "2500,600"})
    void whateverIsStagedComesBackAsItWas(int count, int width) {
        Random random = new Random(count);
        List<String> staged = new ArrayList<>();
        try (Store store = Store.open(cache(), SMALL)) {
            try (StageWriter writer = store.stageWriter()) {
                writer.begin(1);
                Row row = new Row();
                for (int i = 1; i <= count; i++) {
                    row.begin(i * 2, 0);
                    for (int column = 0; column < width; column++) {
                        int sort = random.nextInt(column == 1 ? 9 : 5);
                        String said = sort == 8 ? TEXTS[random.nextInt(TEXTS.length)] : "t" + random.nextInt(1000);
                        if (sort == 0) {
                            row.set(column, CellKind.NUMBER, String.valueOf(random.nextInt()));
                        } else if (sort > 1) {
                            row.set(column, CellKind.TEXT, said);
                        }
                    }
                    if (row.width() > 0) {
                        staged.add(asRead(row));
                        writer.add(row);
                    }
                }
                writer.flush();
            }
            List<String> read = new ArrayList<>();
            int columns = Staging.widthFor(width);
            store.replay(new SheetReader.Staged(1, columns, false), row -> read.add(asRead(row)));
            assertThat(read).isEqualTo(staged);
        }
    }

    /** The store holds no zero characters and no half of a surrogate pair. */
    private static String asRead(Row row) {
        StringBuilder text = new StringBuilder().append(row.number());
        for (int column = 0; column < row.width(); column++) {
            text.append('|').append(row.kind(column)).append(' ').append(row.text(column));
        }
        return text.toString().replace('\0', ' ').replaceAll("[\uD800-\uDBFF](?![\uDC00-\uDFFF])", "\uFFFD");
    }

    @Test
    void fewRowsNeedNoFile() throws IOException {
        try (Store store = Store.open(cache(), SMALL);
                StageWriter writer = store.stageWriter()) {
            plain(writer, 1, 5_000);
            plain(writer, 2, 5_000);
            writer.flush();
            assertThat(files()).isEmpty();
            assertThat(page(store, 2, 8, 5_000, 5_001)).hasSize(1);
        }
    }

    @Test
    void aPageIsFoundAnywhereAlsoAfterTheCacheWasMoved() throws IOException {
        try (Store store = Store.open(cache(), SMALL);
                StageWriter writer = store.stageWriter()) {
            plain(writer, 1, MANY);
            plain(writer, 2, 100);
            writer.flush();
            store.checkpoint();
        }
        assertThat(files()).hasSize(1);
        Path moved = folder.resolve("it's moved");
        Files.move(cache(), moved);
        try (Store store = Store.open(moved, SMALL)) {
            assertThat(page(store, 1, 8, 30_000, 30_001))
                    .containsExactly("30000 sheet 1||30000", "30001 sheet 1||30001");
            assertThat(page(store, 2, 8, 100, 200)).containsExactly("100 sheet 2||100");
            assertThat(store.rows().row(1, 8, MANY)).startsWith("sheet 1", null, "\u000240000");
            assertThat(store.nextTable()).isEqualTo(3);
        }
    }

    @Test
    void aFileOfWhichLittleIsNeededIsGivenUpAndWhatIsNeededIsKept() throws IOException {
        try (Store store = Store.open(cache(), SMALL);
                StageWriter writer = store.stageWriter()) {
            plain(writer, 1, MANY);
            plain(writer, 2, 10);
            plain(writer, 3, MANY / 4);
            writer.flush();
            store.keepOnly(Set.of(1, 2), Set.of());
            assertThat(page(store, 1, 8, 1, MANY)).hasSize(MANY);
        }
        try (Store store = Store.open(cache(), SMALL)) {
            assertThat(files()).hasSize(1);
            store.keepOnly(Set.of(2), Set.of());
            assertThat(page(store, 1, 8, 1, MANY)).isEmpty();
            assertThat(page(store, 2, 8, 1, MANY)).hasSize(10);
        }
        try (Store store = Store.open(cache(), SMALL)) {
            assertThat(files()).isEmpty();
            assertThat(page(store, 2, 8, 1, MANY)).hasSize(10);
        }
    }

    @Test
    void smallFilesDoNotPileUp() throws IOException {
        Set<Integer> sheets = new HashSet<>();
        try (Store store = Store.open(cache(), SMALL)) {
            for (int sheet = 1; sheet <= 20; sheet++) {
                try (StageWriter writer = store.stageWriter()) {
                    plain(writer, sheet, 16_000);
                    writer.flush();
                }
                sheets.add(sheet);
                store.keepOnly(sheets, Set.of());
            }
        }
        try (Store store = Store.open(cache(), SMALL)) {
            assertThat(files()).hasSizeLessThan(5);
            for (int sheet : sheets) {
                assertThat(page(store, sheet, 8, 16_000, 16_001)).containsExactly("16000 sheet " + sheet + "||16000");
            }
        }
    }

    @Test
    void aSheetThatGetsWiderAfterManyRowsIsWhole() {
        try (Store store = Store.open(cache(), SMALL);
                StageWriter writer = store.stageWriter()) {
            plain(writer, 1, 100);
            plain(writer, 2, MANY);
            Row wide = new Row();
            wide.begin(MANY + 1, 0);
            wide.set(11, CellKind.TEXT, "far out");
            writer.add(wide);
            assertThat(writer.width()).isEqualTo(16);
            writer.flush();
            assertThat(page(store, 2, 16, 1, MANY + 1)).hasSize(MANY + 1).endsWith((MANY + 1) + " |||||||||||far out");
            assertThat(page(store, 1, 8, 1, MANY)).hasSize(100);
        }
    }

    @Test
    void aRunThatStopsLeavesNothingBehind() throws IOException {
        try (Store store = Store.open(cache(), SMALL)) {
            try (StageWriter writer = store.stageWriter()) {
                plain(writer, 1, MANY);
                assertThat(files()).hasSize(1);
            }
            assertThat(files()).isEmpty();
            assertThat(store.nextTable()).isEqualTo(1);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"gone", "cut short", "overwritten", "whole at the end only"})
    void aFileThatIsNotAsItWasCostsOnlyTime(String how) throws IOException {
        try (Store store = Store.open(cache(), SMALL);
                StageWriter writer = store.stageWriter()) {
            plain(writer, 1, MANY);
            writer.flush();
            store.putMeta("known", "yes");
        }
        Path file = files().get(0);
        byte[] whole = Files.readAllBytes(file);
        Files.delete(file);
        if (how.startsWith("whole")) {
            Arrays.fill(whole, whole.length - 2_000, whole.length - 8, (byte) 7);
            Files.write(file, whole);
        } else if (!how.equals("gone")) {
            Files.write(
                    file, how.equals("cut short") ? Arrays.copyOf(whole, whole.length / 2) : new byte[whole.length]);
        }
        try (Store store = Store.open(cache(), SMALL)) {
            assertThat(store.meta("known")).isEmpty();
            assertThat(files()).isEmpty();
        }
    }
}
