package cuvee.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.finding.CuveeException;
import cuvee.place.Where;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.poi.hssf.record.crypto.Biff8EncryptionKey;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.poifs.crypt.EncryptionInfo;
import org.apache.poi.poifs.crypt.EncryptionMode;
import org.apache.poi.poifs.crypt.Encryptor;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.apache.poi.ss.usermodel.Workbook;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class LockedWorkbookTest {
    @TempDir
    Path folder;

    private Path modern;
    private Path old;

    @BeforeEach
    void lock() throws Exception {
        modern = folder.resolve("locked.xlsx");
        try (POIFSFileSystem files = new POIFSFileSystem();
                Workbook workbook = new XSSFWorkbook()) {
            fill(workbook);
            Encryptor encryptor = new EncryptionInfo(EncryptionMode.agile).getEncryptor();
            encryptor.confirmPassword("north wind");
            try (OutputStream inside = encryptor.getDataStream(files)) {
                workbook.write(inside);
            }
            try (OutputStream out = Files.newOutputStream(modern)) {
                files.writeFilesystem(out);
            }
        }
        old = folder.resolve("locked.xls");
        Biff8EncryptionKey.setCurrentUserPassword("north wind");
        try (Workbook workbook = new HSSFWorkbook();
                OutputStream out = Files.newOutputStream(old)) {
            fill(workbook);
            workbook.write(out);
        } finally {
            Biff8EncryptionKey.setCurrentUserPassword(null);
        }
    }

    private static void fill(Workbook workbook) {
        workbook.createSheet("Bonus").createRow(0).createCell(0).setCellValue("secret");
    }

    private List<String> read(Path file, String... passwords) {
        List<String> texts = new ArrayList<>();
        ReadAs said = ReadAs.FOUND.withPasswords(List.of(passwords), folder.resolve("room"));
        SheetFiles.read(file, Where.source("locked"), ReadLimits.DEFAULT, said, new SheetVisitor() {
            @Override
            public Wanted sheet(SheetInfo sheet) {
                return Wanted.ROWS;
            }

            @Override
            public void row(Row row) {
                texts.add(row.text(0));
            }

            @Override
            public void endSheet() {}
        });
        return texts;
    }

    @Test
    void theRightPasswordOpensIt() {
        assertThat(read(modern, "wrong", "north wind")).containsExactly("secret");
        assertThat(read(old, "north wind")).containsExactly("secret");
    }

    @Test
    void withoutOneOrWithAWrongOneItSaysSoAndLeavesNothingBehind() {
        for (Path file : List.of(modern, old)) {
            assertThatThrownBy(() -> read(file))
                    .isInstanceOf(CuveeException.class)
                    .hasMessageContaining("locked with a password");
            assertThatThrownBy(() -> read(file, "wrong"))
                    .isInstanceOf(CuveeException.class)
                    .hasMessageContaining("does not open it")
                    .hasMessageNotContaining("wrong");
        }
        read(modern, "north wind");
        assertThat(folder.resolve("room")).isEmptyDirectory();
    }
}
