package cuvee.model;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** A few sentences for whoever opens a job for the first time; the state folder remembers that they were read or left. */
public final class Tour {
    /** What there is to know first. */
    public static final List<String> SENTENCES = List.of(
            "The strip reads from left to right, from files to deliveries. Each figure leads to its stage: Alt+1 to Alt+7.",
            "A “?” stands where Cuvee could not settle something. Alt+Page Down goes to the next one, Ctrl+J lists them all.",
            "Every question has an answer in force already, and every act can be taken back: Ctrl+Z.",
            "In Master the foot line names the file, sheet and cell of what is chosen. Enter goes there.",
            "When new files have come, F5 brings them in. F1 shows what can be done here, Shift+F1 ten tasks with pictures.");

    private static final Logger LOG = LoggerFactory.getLogger(Tour.class);
    private final Path file;

    public Tour(Path stateFolder) {
        this.file = stateFolder.resolve("tour.txt");
    }

    /** True once it was read to its end or left. */
    public boolean isDone() {
        return Files.exists(file);
    }

    /** Remembers that it was; where that fails it comes again. */
    public void done() {
        try {
            Files.createDirectories(file.getParent());
            Files.writeString(file, "seen\n", StandardCharsets.UTF_8);
        } catch (IOException failed) {
            LOG.warn("that the tour was seen cannot be kept");
        }
    }
}
