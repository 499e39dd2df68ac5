package cuvee.demo;

import cuvee.demo.Workbooks.Styles;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.util.Arrays;
import java.util.Locale;
import java.util.Random;
import org.apache.poi.poifs.crypt.EncryptionInfo;
import org.apache.poi.poifs.crypt.EncryptionMode;
import org.apache.poi.poifs.crypt.Encryptor;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.ss.usermodel.Workbook;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;

/** Files that lie among the returns and are none, and the fuel plan. */
final class Strangers {
    private Strangers() {}

    static void write(Path returns, Path fuel) {
        try {
            rota(returns.resolve("Brannock"));
            Files.writeString(returns.resolve("Brannock").resolve("~$Brannock 2026-03.xlsx"), "brannock office");
            Files.copy(
                    returns.resolve("Brannock").resolve("Brannock 2026-03.xlsx"),
                    returns.resolve("Brannock").resolve("Brannock 2026-03 (copy).xlsx"),
                    java.nio.file.StandardCopyOption.REPLACE_EXISTING);
            byte[] whole = Files.readAllBytes(returns.resolve("Marsay").resolve("MARSAY_09_2026.xlsx"));
            Files.write(
                    returns.resolve("Marsay").resolve("MARSAY_09_2026 sent twice.xlsx"),
                    Arrays.copyOf(whole, whole.length / 2));
            encrypted(returns.resolve("Eastray").resolve("Eastray bonus list.xlsx"));
            fuelPlan(fuel);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private static void rota(Path folder) {
        Workbook workbook = new XSSFWorkbook();
        Styles styles = new Styles(workbook);
        Sheet sheet = workbook.createSheet("Rota");
        Workbooks.row(sheet, 0, styles.bold, "Watch", "Early", "Late", "Night");
        Workbooks.row(sheet, 1, null, "Monday", "A. Quill", "B. Thorne", "C. Marl");
        Workbooks.row(sheet, 2, null, "Tuesday", "B. Thorne", "C. Marl", "D. Wick");
        Workbooks.row(sheet, 3, null, "Wednesday", "C. Marl", "D. Wick", "A. Quill");
        Workbooks.save(workbook, folder.resolve("rota autumn.xlsx"));
    }

    /** A workbook behind a password; its bytes differ at every writing, so one that is there is left. */
    private static void encrypted(Path file) throws IOException {
        if (Files.exists(file)) {
            return;
        }
        try (POIFSFileSystem files = new POIFSFileSystem()) {
            EncryptionInfo info = new EncryptionInfo(EncryptionMode.agile);
            Encryptor encryptor = info.getEncryptor();
            encryptor.confirmPassword("herring");
            ByteArrayOutputStream plain = new ByteArrayOutputStream();
            try (Workbook workbook = new XSSFWorkbook()) {
                Workbooks.row(workbook.createSheet("Bonus"), 0, null, "Name", "Bonus");
                workbook.write(plain);
            }
            try (OutputStream out = encryptor.getDataStream(files)) {
                out.write(plain.toByteArray());
            }
            try (OutputStream out = Files.newOutputStream(file)) {
                files.writeFilesystem(out);
            }
        } catch (GeneralSecurityException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    /** Months across, subtotals by depot, a grand total. */
    private static void fuelPlan(Path folder) {
        Workbook workbook = new XSSFWorkbook();
        Styles styles = new Styles(workbook);
        Sheet sheet = workbook.createSheet("Plan 2026");
        Object[] header = new Object[12];
        header[0] = "Depot";
        header[1] = "Fuel";
        for (int month = 1; month <= 9; month++) {
            header[month + 1] =
                    java.time.Month.of(month).getDisplayName(java.time.format.TextStyle.FULL, Locale.ENGLISH);
        }
        header[11] = "Year";
        Workbooks.row(sheet, 0, styles.bold, "Fuel plan 2026, litres");
        Workbooks.row(sheet, 2, styles.bold, header);
        Random random = new Random(7);
        int at = 3;
        long[] grand = new long[10];
        for (String depot : java.util.List.of("Brannock", "Hollin", "Tarsk")) {
            long[] sub = new long[10];
            for (String fuel : java.util.List.of("Marine diesel", "Heavy oil", "Lubricants")) {
                Object[] row = new Object[12];
                row[0] = depot;
                row[1] = fuel;
                long year = 0;
                for (int i = 0; i < 9; i++) {
                    int litres = 500 * (4 + random.nextInt(60));
                    row[i + 2] = litres;
                    sub[i] += litres;
                    year += litres;
                }
                row[11] = year;
                sub[9] += year;
                Workbooks.row(sheet, at++, null, row);
            }
            Workbooks.row(sheet, at++, styles.bold, sums("Total " + depot, sub));
            for (int i = 0; i < 10; i++) {
                grand[i] += sub[i];
            }
        }
        Workbooks.row(sheet, at, styles.bold, sums("Grand total", grand));
        Workbooks.save(workbook, folder.resolve("Fuel plan 2026.xlsx"));
    }

    private static Object[] sums(String label, long[] values) {
        Object[] row = new Object[12];
        row[0] = label;
        for (int i = 0; i < 10; i++) {
            row[i + 2] = values[i];
        }
        return row;
    }
}
