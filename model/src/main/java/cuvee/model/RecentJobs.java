package cuvee.model;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The jobs opened last, kept as lines in the state folder. */
public final class RecentJobs {
    private static final Logger LOG = LoggerFactory.getLogger(RecentJobs.class);
    private static final int MOST = 8;
    private final Path list;

    public RecentJobs(Path stateFolder) {
        this.list = stateFolder.resolve("recent.txt");
    }

    /** A job that was open. */
    public record Entry(Path file, String name) {}

    /** The jobs that are still there, the last opened first. */
    public List<Entry> entries() {
        if (!Files.exists(list)) {
            return List.of();
        }
        try {
            List<Entry> entries = new ArrayList<>();
            for (String line : Files.readAllLines(list, StandardCharsets.UTF_8)) {
                int tab = line.indexOf('\t');
                if (tab > 0 && Files.exists(Path.of(line.substring(tab + 1)))) {
                    entries.add(new Entry(Path.of(line.substring(tab + 1)), line.substring(0, tab)));
                }
            }
            return entries;
        } catch (IOException unreadable) {
            LOG.warn("the list of recent jobs cannot be read");
            return List.of();
        }
    }

    void opened(Path file, String name) {
        List<Entry> kept = new ArrayList<>();
        kept.add(new Entry(file.toAbsolutePath().normalize(), name.replace('\t', ' ')));
        kept.addAll(without(file));
        write(kept);
    }

    /** Takes a job off the list; its file stays where it is. */
    public void forget(Path file) {
        write(without(file));
    }

    private List<Entry> without(Path file) {
        Path absolute = file.toAbsolutePath().normalize();
        return entries().stream()
                .filter(entry -> !entry.file().equals(absolute))
                .toList();
    }

    private void write(List<Entry> entries) {
        List<String> lines = entries.stream()
                .limit(MOST)
                .map(entry -> entry.name() + "\t" + entry.file())
                .toList();
        try {
            Files.createDirectories(list.getParent());
            Files.write(list, lines, StandardCharsets.UTF_8);
        } catch (IOException failed) {
            LOG.warn("the list of recent jobs cannot be written");
        }
    }
}
