package cuvee.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.fail;

import cuvee.finding.CuveeException;
import cuvee.testing.Rows;
import cuvee.testing.Workbooks;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A damaged file is read as far as it is whole, or set aside with the reason; it never stops the others. */
class DamagedFilesTest {
    private static final int COPIES = 120;

    @TempDir
    Path folder;

    private byte[] whole(String ending) throws IOException {
        Path file = folder.resolve("whole." + ending);
        if (ending.equals("xls")) {
            try (HSSFWorkbook workbook = new HSSFWorkbook();
                    OutputStream out = Files.newOutputStream(file)) {
                Sheet sheet = workbook.createSheet("Returns");
                for (int i = 0; i < 40; i++) {
                    Row row = sheet.createRow(i);
                    row.createCell(0).setCellValue("Hollin " + i);
                    row.createCell(1).setCellValue(i * 2.5);
                }
                workbook.write(out);
            }
        } else if (ending.equals("csv")) {
            Workbooks.text(file, "Port;Fare\nHollin;1,5\n\"Tarsk\";2,5\n".repeat(9));
        } else {
            Object[][] rows = new Object[40][];
            Arrays.setAll(rows, i -> new Object[] {"Hollin " + i, i * 2.5, "x & y"});
            Workbooks.workbook().sheet("Returns", rows).save(file);
        }
        return Files.readAllBytes(file);
    }

    private static byte[] damaged(byte[] whole, Random random) {
        byte[] bytes = whole.clone();
        int at = random.nextInt(bytes.length);
        switch (random.nextInt(3)) {
            case 0 -> bytes = Arrays.copyOf(bytes, at);
            case 1 -> {
                for (int i = 0; i < 1 + random.nextInt(20); i++) {
                    bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
                }
            }
            default -> {
                int gone = Math.min(1 + random.nextInt(200), bytes.length - at);
                System.arraycopy(whole, at + gone, bytes, at, bytes.length - at - gone);
                bytes = Arrays.copyOf(bytes, bytes.length - gone);
            }
        }
        return bytes;
    }

    @ParameterizedTest(name = "{0}, seed {1}")
    @CsvSource({"xls, 1", "xls, 2", "xlsx, 3", "xlsx, 4", "csv, 5"})
    void isReadOrSetAsideAndNothingElse(String ending, long seed) throws IOException {
        byte[] whole = whole(ending);
        Random random = new Random(seed);
        List<String> reasons = new ArrayList<>();
        for (int i = 0; i < COPIES; i++) {
            Path file = Files.write(folder.resolve("copy" + i + "." + ending), damaged(whole, random));
            try {
                Rows.of(file);
            } catch (CuveeException setAside) {
                reasons.add(setAside.finding().what());
                assertThat(setAside.finding().done()).isEqualTo("The file is set aside; the others go on.");
            } catch (RuntimeException other) {
                fail("copy " + i + " failed with " + other, other);
            }
        }
        assertThat(reasons).isNotEmpty().allMatch(reason -> reason.length() > 20);
    }

    @Test
    void rowsThatGoBackOrComeTwiceAreNeverCountedTwice() {
        for (String second : List.of("2", "3")) {
            Path file = Workbooks.workbook()
                    .sheet("One", new Object[][] {
                        {
                            new Workbooks.Raw("<c><v>1</v></c></row><row r=\"3\"><c><v>2</v></c></row><row r=\""
                                    + second + "\"><c><v>3</v></c>")
                        }
                    })
                    .save(folder.resolve("twice.xlsx"));
            assertThatThrownBy(() -> Rows.of(file))
                    .isInstanceOf(CuveeException.class)
                    .hasMessageContaining("row " + second + " comes behind row 3");
        }
    }
}
