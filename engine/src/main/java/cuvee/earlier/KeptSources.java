package cuvee.earlier;

import cuvee.collect.Stamp;
import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.gather.FactsJson;
import cuvee.gather.Removed;
import cuvee.gather.SecondLook;
import cuvee.gather.SourceFacts;
import cuvee.gather.SourceFacts.SheetFacts;
import cuvee.job.Job;
import cuvee.master.Store;
import cuvee.place.Where;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The rows of sources that are gone or cannot be read now, as they were when they last could. They lie in the job's state,
 * so that deleting the cache loses none of them: a folder for each source, with what was found and a file of rows for each
 * sheet.
 */
public final class KeptSources {
    private static final Logger LOG = LoggerFactory.getLogger(KeptSources.class);
    private static final String FACTS = "facts.json";

    private final Path folder;
    private final Store store;
    private final AtomicInteger nextId;
    /** Those that were wanted and could not be taken back. */
    private final Set<Path> torn = new TreeSet<>();

    /** For the rows that are kept in a job's state folder beside those that its store holds. */
    public KeptSources(Path state, Store store, AtomicInteger nextId) {
        this.folder = state.resolve("kept");
        this.store = store;
        this.nextId = nextId;
    }

    /** Sources that are kept and wanted, and of which the store knows nothing (any more): taken back into it. */
    public Map<String, SourceFacts> missingFrom(Set<String> known, Predicate<String> wanted) {
        Map<String, SourceFacts> back = new TreeMap<>();
        for (Path one : folders()) {
            read(one)
                    .filter(facts -> !known.contains(facts.path()) && wanted.test(facts.path()))
                    .ifPresent(facts -> {
                        try {
                            back.put(facts.path(), takeBack(one, facts));
                        } catch (CuveeException failed) {
                            torn.add(one);
                            LOG.warn("kept rows cannot be taken back from {}", one.getFileName(), failed);
                        }
                    });
        }
        return back;
    }

    private SourceFacts takeBack(Path from, SourceFacts facts) {
        List<SheetFacts> sheets = new ArrayList<>();
        for (SheetFacts sheet : facts.sheets()) {
            int id = nextId.getAndIncrement();
            store.takeBack(id, sheet.width(), rows(from, sheet.id()));
            SheetFacts numbered = sheet.numbered(
                    id, nextId.getAndAdd(Math.max(1, sheet.tables().size())));
            Map<Integer, Map<Integer, String>> aside = new TreeMap<>();
            SecondLook.addAside(numbered, aside);
            store.putAside(aside);
            sheets.add(numbered);
        }
        return facts.withSheets(sheets);
    }

    /**
     * Keeps these sources, and no others. What cannot be read stays: another version may read it, or the disk may be mended.
     *
     * @param others says of a path whether what was kept of it before stays
     * @throws IOException where they cannot be written
     */
    void keepOnly(List<SourceFacts> kept, Predicate<String> others) throws IOException {
        Set<String> names = new TreeSet<>();
        for (SourceFacts facts : kept) {
            String name = name(facts.path());
            names.add(name);
            Path target = folder.resolve(name);
            boolean there = read(target)
                    .filter(before -> before.sum().equals(facts.sum())
                            && under(before).equals(under(facts))
                            && before.rows() == facts.rows())
                    .isPresent();
            if (!there) {
                write(facts, target);
            }
        }
        for (Path one : folders()) {
            boolean stays = names.contains(String.valueOf(one.getFileName()))
                    || torn.contains(one)
                    || read(one).map(facts -> others.test(facts.path())).orElse(true);
            if (!stays) {
                delete(one);
            }
        }
    }

    private static List<String> under(SourceFacts facts) {
        return facts.sheets().stream().map(SheetFacts::under).toList();
    }

    private void write(SourceFacts facts, Path target) throws IOException {
        Path beside = target.resolveSibling(target.getFileName() + ".saving");
        delete(beside);
        Files.createDirectories(beside);
        for (SheetFacts sheet : facts.sheets()) {
            store.copyOut(sheet.id(), sheet.width(), rows(beside, sheet.id()));
        }
        Files.writeString(beside.resolve(FACTS), FactsJson.write(facts.withStamp(Stamp.NONE)), StandardCharsets.UTF_8);
        delete(target);
        Files.move(beside, target);
    }

    private static Path rows(Path in, int sheet) {
        return in.resolve("rows-" + sheet + ".parquet");
    }

    private static String name(String path) {
        return cuvee.collect.Fingerprint.ofText(path).substring(0, 32);
    }

    private List<Path> folders() {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> found = Files.list(folder)) {
            return found.filter(each -> !String.valueOf(each.getFileName()).endsWith(".saving"))
                    .sorted()
                    .toList();
        } catch (IOException unreadable) {
            LOG.warn("kept rows cannot be listed", unreadable);
            return List.of();
        }
    }

    private static Optional<SourceFacts> read(Path one) {
        try {
            return Files.exists(one.resolve(FACTS))
                    ? FactsJson.read(Files.readString(one.resolve(FACTS), StandardCharsets.UTF_8))
                    : Optional.empty();
        } catch (IOException unreadable) {
            LOG.warn("kept rows cannot be read", unreadable);
            return Optional.empty();
        }
    }

    private static void delete(Path folder) throws IOException {
        if (Files.exists(folder)) {
            try (Stream<Path> inside = Files.walk(folder)) {
                for (Path each : inside.sorted(Comparator.reverseOrder()).toList()) {
                    Files.delete(each);
                }
            }
        }
    }

    /** Rows of sources that are gone or cannot be read are kept in the job's state, which outlives the cache. */
    public void keep(
            ClosedPeriods closed,
            Job job,
            Map<String, SourceFacts> facts,
            Map<String, SourceFacts> gone,
            List<Finding> findings) {
        List<SourceFacts> kept = new ArrayList<>(gone.values());
        facts.values().stream()
                .filter(found -> found.isKept() || closed.has(found.path()) && found.hasTables())
                .forEach(kept::add);
        try {
            // Rows that were taken out stay where they are, for the analyst may think again.
            keepOnly(
                    kept,
                    path -> Removed.is(job, path)
                            && (!facts.containsKey(path) || !facts.get(path).readable()));
        } catch (IOException | CuveeException failed) {
            LOG.warn("rows cannot be kept", failed);
            findings.add(new Finding(
                    Severity.WARNING,
                    "not-kept",
                    Where.JOB,
                    "The rows of sources that are gone or cannot be read could not be written to Cuvee's state folder.",
                    "They are in this master, but would be lost with the cache.",
                    "Free space there, or set CUVEE_STATE to another folder, and refresh again."));
        }
    }
}
