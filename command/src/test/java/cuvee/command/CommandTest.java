package cuvee.command;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
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
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;

/** Commands as a person gives them, with what they say and their exit status. */
abstract class CommandTest {
    static final ObjectMapper JSON = new ObjectMapper();

    @TempDir
    Path folder;

    final ByteArrayOutputStream out = new ByteArrayOutputStream();
    final ByteArrayOutputStream err = new ByteArrayOutputStream();

    @BeforeEach
    void data() throws IOException {
        write("data/a.csv", "Date,Port,Pax\n2026-01-01,Hollin,5\n2026-01-02,Hollin,6\n");
        write("data/b.csv", "port;date;pax\nTarsk;2026-02-01;7\n");
    }

    void write(String name, String text) throws IOException {
        Path file = folder.resolve(name);
        Files.createDirectories(file.getParent());
        Files.writeString(file, text);
    }

    int cuvee(String... arguments) {
        out.reset();
        err.reset();
        Workplace workplace = new Workplace(
                folder.resolve("cache"), folder.resolve("state"), Clock.systemUTC(), 2, new Store.Means(200, 2));
        LogFile.use(folder.resolve("state"));
        Machine machine = new Machine(
                new PrintStream(out, true, StandardCharsets.UTF_8),
                new PrintStream(err, true, StandardCharsets.UTF_8),
                folder,
                workplace);
        return CommandLineMain.run(machine, List.of(arguments));
    }

    String said() {
        return out.toString(StandardCharsets.UTF_8);
    }

    String warned() {
        return err.toString(StandardCharsets.UTF_8);
    }

    JsonNode json() throws IOException {
        return JSON.readTree(said());
    }

    JsonNode questions() throws IOException {
        cuvee("show", "job.cuvee", "--json");
        return json().path("questions");
    }
}
