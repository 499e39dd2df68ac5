package cuvee.gather;

import cuvee.collect.FileContent;
import cuvee.collect.Source;
import cuvee.decision.Kinds;
import cuvee.decision.SourceChoice;
import cuvee.job.Job;
import cuvee.master.StageWriter;
import cuvee.master.Store;
import cuvee.sheet.ReadAs;
import cuvee.sheet.ReadLimits;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Queue;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Brings what is known of the sources up to date: reads those that are new or have changed, on all cores. */
public final class Gathering {

    private static final Logger LOG = LoggerFactory.getLogger(Gathering.class);
    private final Workplace workplace;
    private final Keys keys;
    private final Store store;
    private final AtomicInteger nextId;
    private final Map<String, SourceFacts> known;
    private final Map<String, SourceFacts> facts = new HashMap<>();
    private final Set<String> replaced = new HashSet<>();
    private final OwnMasters own;
    private final Closed closed;

    /** Rows that stay as they were when their period was closed. */
    public interface Closed {
        /** True where a source holds closed rows only. */
        boolean has(String path);

        /** True where what is known of a source are its closed rows, though the file has changed, and they are closed no more. */
        boolean released(SourceFacts known);

        /** A source as it was when its rows were closed, where its file holds something else now; else what was found. */
        SourceFacts asClosed(@Nullable SourceFacts before, SourceFacts found);
    }

    /**
     * What opens locked workbooks.
     *
     * @param passwords those to be tried, never written anywhere
     * @param room a folder where workbooks may lie while they are unlocked
     */
    public record Keys(List<String> passwords, Path room) {}

    public Gathering(
            Workplace workplace,
            Store store,
            AtomicInteger nextId,
            Map<String, SourceFacts> known,
            Keys keys,
            OwnMasters own,
            Closed closed) {
        this.own = own;
        this.closed = closed;
        this.keys = keys;
        this.workplace = workplace;
        this.store = store;
        this.nextId = nextId;
        this.known = known;
    }

    /** What is known now, by path. */
    public Map<String, SourceFacts> facts() {
        return facts;
    }

    /** The paths of sources of which something else is known than before. */
    public Set<String> replaced() {
        return replaced;
    }

    /** Brings what is known up to date with sources as they are now; {@link #facts} and {@link #replaced} tell what came of it. */
    public void gather(Job job, List<Source> sources, Reread mode, Progress progress) {
        List<Source> toRead = new ArrayList<>();
        for (Source source : sources) {
            if (!source.taken()) {
                continue;
            }
            SourceFacts before = known.get(source.path());
            Optional<SourceFacts> same = mode == Reread.CHANGED_ONLY ? same(job, before, source) : Optional.empty();
            same.ifPresentOrElse(found -> facts.put(source.path(), found), () -> toRead.add(source));
        }
        if (!toRead.isEmpty()) {
            Map<String, SourceFacts> read = store.staging(() -> readAll(job, toRead, progress));
            Set<String> stay = new HashSet<>(facts.keySet());
            read.forEach((path, found) -> facts.put(path, kept(job, lastRead(found, read, stay), found)));
        }
        Set<String> read = new HashSet<>();
        toRead.forEach(source -> read.add(source.path()));
        replaced.addAll(read);
        lookAgain(job, sources, read);
    }

    /** What is known of a source, where its content is what it was and would be read in the same way. */
    private Optional<SourceFacts> same(Job job, @Nullable SourceFacts before, Source source) {
        if (before == null
                || !before.readAs().equals(readAs(job, source.path()).words() + own.words(source.path()))
                || closed.released(before)
                || (before.locked() && !keys.passwords().isEmpty())) {
            return Optional.empty();
        }
        if (!before.readable() && before.hasTables() == Removed.asUnreadable(job, source.path())) {
            // What becomes of the rows of the last time has been decided otherwise.
            return Optional.empty();
        }
        if (before.stamp().equals(source.stamp())) {
            return Optional.of(before);
        }
        if (before.isHeldClosed()
                || before.size() != source.size()
                || before.sum().isEmpty()
                || !before.sum().equals(FileContent.sum(source.file()))) {
            return Optional.empty();
        }
        // Only what the system says has changed, not what the file holds.
        replaced.add(source.path());
        return Optional.of(before.withStamp(
                SourceReading.sure(source.stamp(), workplace.clock().millis())));
    }

    /**
     * What was known of a source: of its path, or of another where the same unreadable file lay until now, whose rows are
     * kept for it.
     *
     * @param read what was read just now
     * @param stay the paths of sources that hold what they held
     */
    private @Nullable SourceFacts lastRead(SourceFacts found, Map<String, SourceFacts> read, Set<String> stay) {
        if (!found.readable() && !found.sum().isEmpty()) {
            for (SourceFacts other : known.values()) {
                SourceFacts there = read.get(other.path());
                boolean moved = !stay.contains(other.path())
                        && (there == null || !there.sum().equals(other.sum()));
                if (moved && other.isKept() && other.sum().equals(found.sum())) {
                    return other;
                }
            }
        }
        return known.get(found.path());
    }

    /** A source that cannot be read now, and could when it was last read, keeps its rows until the analyst says otherwise. */
    private SourceFacts kept(Job job, @Nullable SourceFacts before, SourceFacts found) {
        if (closed.has(found.path())) {
            SourceFacts asClosed = closed.asClosed(before, found);
            if (!asClosed.equals(found)) {
                return asClosed;
            }
        }
        if (before == null || !before.hasTables() || found.readable() || Removed.asUnreadable(job, found.path())) {
            return found;
        }
        if (!before.readAs().equals(found.readAs())) {
            // It cannot be read in the way that was said just now, which is no change of the file.
            return found;
        }
        boolean ours =
                found.problem().stream().anyMatch(problem -> problem.kind().equals(OwnMasters.KIND));
        return ours ? found : before.keptFor(found);
    }

    /** What is said about how a file is to be read: for itself, else for all. */
    public static ReadAs saidOf(Job job, String path) {
        return job.decision(Kinds.TEXT_FORM, path)
                .or(() -> job.decision(Kinds.TEXT_FORM, SourceChoice.ALL_FILES))
                .flatMap(decision -> ReadAs.of(decision.answer()))
                .orElse(ReadAs.FOUND);
    }

    private ReadAs readAs(Job job, String path) {
        return saidOf(job, path).withPasswords(keys.passwords(), keys.room());
    }

    private void lookAgain(Job job, List<Source> sources, Set<String> read) {
        SecondLook look = new SecondLook(store, job, SheetRules.of(job, sources), nextId, facts.values());
        Map<Integer, Map<Integer, String>> aside = new TreeMap<>();
        for (Map.Entry<String, SourceFacts> entry : facts.entrySet()) {
            look.of(entry.getValue()).ifPresent(looked -> {
                replaced.add(entry.getKey());
                entry.setValue(looked);
            });
            if (read.contains(entry.getKey())) {
                entry.getValue().sheets().stream()
                        .filter(sheet -> sheet.under().equals(SecondLook.PLAIN))
                        .forEach(sheet -> SecondLook.addAside(sheet, aside));
            }
        }
        aside.putAll(look.aside());
        store.putAside(aside);
    }

    private Map<String, SourceFacts> readAll(Job job, List<Source> sources, Progress progress) {
        long now = workplace.clock().millis();
        AtomicInteger next = new AtomicInteger();
        AtomicInteger done = new AtomicInteger();
        progress.at(Progress.Stage.READING, 0, sources.size());
        int workers = Math.min(workplace.readers(), sources.size());
        ExecutorService pool = Executors.newFixedThreadPool(workers, run -> {
            Thread thread = new Thread(run, "cuvee-reader");
            thread.setDaemon(true);
            return thread;
        });
        Queue<Source> alone = new ConcurrentLinkedQueue<>();
        List<Future<Map<String, SourceFacts>>> parts = new ArrayList<>();
        for (int i = 0; i < workers; i++) {
            parts.add(pool.submit(() -> {
                Map<String, SourceFacts> part = new HashMap<>();
                List<Source> mine = new ArrayList<>();
                try (StageWriter writer = store.stageWriter()) {
                    SourceReading reading = reading(job);
                    int at = next.getAndIncrement();
                    while (at < sources.size()) {
                        mine.add(sources.get(at));
                        part.put(sources.get(at).path(), reading.read(sources.get(at), writer, now));
                        progress.at(Progress.Stage.READING, done.incrementAndGet(), sources.size());
                        at = next.getAndIncrement();
                    }
                    writer.flush();
                    return part;
                } catch (OutOfMemoryError | StackOverflowError exhausted) {
                    LOG.warn("memory gave out while several files were read", exhausted);
                    alone.addAll(mine);
                    return Map.of();
                }
            }));
        }
        try {
            Map<String, SourceFacts> all = gather(parts);
            // Where every worker gave up, some have not been looked at.
            sources.stream()
                    .filter(source -> !all.containsKey(source.path()) && !alone.contains(source))
                    .forEach(alone::add);
            for (Source source : alone) {
                all.put(source.path(), readAlone(job, source, now));
            }
            return all;
        } finally {
            pool.shutdownNow();
        }
    }

    private SourceReading reading(Job job) {
        return new SourceReading(nextId, ReadLimits.DEFAULT, path -> readAs(job, path), own);
    }

    /** A source read with nothing else under way; where memory gives out again, that is about this file. */
    private SourceFacts readAlone(Job job, Source source, long now) {
        try (StageWriter writer = store.stageWriter()) {
            SourceFacts facts = reading(job).read(source, writer, now);
            writer.flush();
            return facts;
        } catch (OutOfMemoryError | StackOverflowError exhausted) {
            LOG.warn("memory gave out while one file was read", exhausted);
            return reading(job).tooLarge(source);
        }
    }

    private static Map<String, SourceFacts> gather(List<Future<Map<String, SourceFacts>>> parts) {
        Map<String, SourceFacts> all = new HashMap<>();
        try {
            for (Future<Map<String, SourceFacts>> part : parts) {
                all.putAll(part.get());
            }
            return all;
        } catch (InterruptedException stopped) {
            parts.forEach(part -> part.cancel(true));
            Thread.currentThread().interrupt();
            throw new CancellationException();
        } catch (ExecutionException failed) {
            parts.forEach(part -> part.cancel(true));
            if (failed.getCause() instanceof RuntimeException known) {
                throw known;
            }
            throw new IllegalStateException(failed.getCause());
        }
    }
}
