package cuvee.detect;

import cuvee.place.Where;
import cuvee.sheet.ReadLimits;
import cuvee.sheet.Row;
import cuvee.sheet.SheetFiles;
import cuvee.sheet.SheetInfo;
import cuvee.sheet.SheetSight;
import cuvee.sheet.SheetVisitor;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Random;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/** What finding tables costs beside the bare reading of the same files, in one run and by turns. */
public final class DetectionProof {
    private static final int ROUNDS = 7;

    private DetectionProof() {}

    public static void main(String[] arguments) throws IOException {
        int rows = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 1_000_000;
        Path folder = Files.createTempDirectory("cuvee-detection");
        Path text = folder.resolve("text.csv");
        Path workbook = folder.resolve("workbook.xlsx");
        writeText(text, rows);
        writeWorkbook(workbook, rows / 10);
        compare("text, " + rows + " rows of 8", text);
        compare("workbook, " + rows / 10 + " rows of 8", workbook);
        Files.delete(text);
        Files.delete(workbook);
        Files.delete(folder);
    }

    private static void compare(String what, Path file) {
        double bare = Double.MAX_VALUE;
        double found = Double.MAX_VALUE;
        for (int round = 0; round < ROUNDS; round++) {
            bare = Math.min(bare, seconds(file, false));
            found = Math.min(found, seconds(file, true));
        }
        System.out.printf(
                Locale.ROOT,
                "%-32s read %.2f s, read and tables found %.2f s: %.2f times (budget 1.33)%n",
                what,
                bare,
                found,
                found / bare);
    }

    private static double seconds(Path file, boolean find) {
        long start = System.nanoTime();
        SheetFiles.read(file, Where.source(file.getFileName().toString()), ReadLimits.DEFAULT, new SheetVisitor() {
            private TableFinder finder = new TableFinder(HeaderHints.NONE);
            private long cells;

            @Override
            public Wanted sheet(SheetInfo sheet) {
                finder = new TableFinder(HeaderHints.NONE);
                return Wanted.ROWS;
            }

            @Override
            public void row(Row row) {
                cells += row.width();
                if (find) {
                    finder.row(row);
                }
            }

            @Override
            public void sight(SheetSight sight) {
                finder.merged(sight.merged());
            }

            @Override
            public void endSheet() {
                if (find && finder.end().size() != 1 || cells == 0) {
                    throw new IllegalStateException("not the table that was written");
                }
            }
        });
        return (System.nanoTime() - start) / 1e9;
    }

    private static Object[] record(Random random, int i) {
        return new Object[] {
            String.format(Locale.ROOT, "2026-%02d-%02d", 1 + i % 12, 1 + i % 28),
            i % 3 == 0 ? "Hollin" : i % 3 == 1 ? "Tarsk" : "Norhaven",
            "MV " + (char) ('A' + random.nextInt(9)),
            random.nextInt(400),
            random.nextInt(60),
            random.nextInt(10_000) / 10.0,
            random.nextInt(1_000_000) / 100.0,
            "B" + (10_000_000 + i)
        };
    }

    private static final String[] HEADER = {
        "Sailing date", "Route", "Vessel", "Passengers", "Vehicles", "Freight tonnes", "Fare revenue", "Booking"
    };

    private static void writeText(Path file, int rows) throws IOException {
        Random random = new Random(1);
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file))) {
            out.write((String.join(",", HEADER) + "\n").getBytes(StandardCharsets.UTF_8));
            for (int i = 0; i < rows; i++) {
                StringBuilder line = new StringBuilder();
                for (Object cell : record(random, i)) {
                    line.append(line.length() == 0 ? "" : ",").append(cell);
                }
                out.write(line.append('\n').toString().getBytes(StandardCharsets.UTF_8));
            }
        }
    }

    private static void writeWorkbook(Path file, int rows) throws IOException {
        Random random = new Random(2);
        try (OutputStream out = Files.newOutputStream(file);
                Workbook workbook = new Workbook(out, "bench", "1.0")) {
            Worksheet sheet = workbook.newWorksheet("Returns");
            for (int c = 0; c < HEADER.length; c++) {
                sheet.value(0, c, HEADER[c]);
            }
            for (int i = 0; i < rows; i++) {
                Object[] cells = record(random, i);
                for (int c = 0; c < cells.length; c++) {
                    if (cells[c] instanceof Number number) {
                        sheet.value(i + 1, c, number);
                    } else {
                        sheet.value(i + 1, c, cells[c].toString());
                    }
                }
            }
        }
    }
}
