package cuvee.demo;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.gather.Workplace;
import cuvee.master.Store;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class DemoTest {
    private static final Path FILES = Path.of("files");
    private static final Path TRUTH = Path.of("truth");

    @TempDir
    Path folder;

    /** A password's salt is chance, so that one file differs at every writing. */
    private static boolean isChance(Path path) {
        return path.getFileName().toString().equals("Eastray bonus list.xlsx");
    }

    private static List<Path> files(Path root) throws IOException {
        try (Stream<Path> walk = Files.walk(root)) {
            return walk.filter(Files::isRegularFile)
                    .map(root::relativize)
                    .sorted()
                    .toList();
        }
    }

    @Test
    void theFilesInTheRepositoryAreTheOnesTheProgramWrites() throws IOException {
        DemoFiles.write(folder.resolve("files"), folder.resolve("truth"));
        assertThat(files(folder.resolve("files"))).isEqualTo(files(FILES));
        for (Path path : files(FILES)) {
            if (!isChance(path)) {
                assertThat(folder.resolve("files").resolve(path))
                        .as(path.toString())
                        .hasSameBinaryContentAs(FILES.resolve(path));
            }
        }
        for (Path path : files(TRUTH)) {
            assertThat(folder.resolve("truth").resolve(path)).hasSameBinaryContentAs(TRUTH.resolve(path));
        }
    }

    @Test
    void theWholeDemoIsExactOrPointedOut() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Workplace workplace = new Workplace(
                folder.resolve("cache"), folder.resolve("state"), Clock.systemUTC(), 2, new Store.Means(200, 2));
        boolean honest = new DemoRun(workplace, FILES, TRUTH, new PrintStream(out, true, StandardCharsets.UTF_8))
                .run(folder.resolve("demo"));
        String account = out.toString(StandardCharsets.UTF_8);
        assertThat(honest).as(account).isTrue();
        assertThat(account)
                .contains("Brannock: exact, 1,378 rows.")
                .contains("Eastray: exact, 1,361 rows.")
                .contains("Marsay: exact, 1,367 rows.")
                .contains("Norhaven: exact, 1,362 rows.")
                .contains("Hollin: exact, 1,382 rows.")
                .contains("Tarsk: exact, 1,358 rows.")
                .contains("Brannock/Brannock 2026-03 (copy).xlsx: an exact copy of Brannock/Brannock 2026-03.xlsx")
                .contains("Eastray/Eastray bonus list.xlsx: The workbook is locked with a password.")
                .contains("Nothing is silently wrong.")
                .contains("The fuel plan, a job of its own: 81 rows.");
    }

    @Test
    void anAccountTellsWhatIsWrong() throws IOException {
        Path truth = Files.writeString(
                folder.resolve("t.csv"),
                "Port,Sailing date,Route,Vessel,Passengers,Vehicles,Freight tonnes,Fare revenue,Cancelled,Remarks\n"
                        + "Hollin,2026-01-01,a,v,5,1,1,1,no,\nHollin,2026-01-02,a,v,6,1,1,1,no,\n");
        Path master = Files.writeString(
                folder.resolve("m.csv"),
                "Sailing date,Route,Vessel,Passengers,Vehicles,Freight tonnes,Fare revenue,Cancelled,Remarks,Source file\n"
                        + "2026-01-01,a,v,5,1,1,1,no,,Hollin/x.csv\n2026-01-02,a,v,7,1,1,1,no,,Hollin/x.csv\n");
        Account account = new Account(truth, master);
        assertThat(account.port("Hollin").exact()).isFalse();
        assertThat(account.port("Hollin").sentence())
                .isEqualTo("2 of 2 rows are there; not as in the truth: Passengers.");
        assertThat(account.port("Tarsk").sentence()).contains("exact, 0 rows");
    }
}
