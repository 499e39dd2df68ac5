package cuvee.refresh;

import cuvee.collect.Fingerprint;
import cuvee.collect.Source;
import cuvee.job.Job;
import cuvee.master.StageWriter;
import cuvee.master.Store;
import cuvee.refresh.JobSession.Mode;
import cuvee.sheet.ReadAs;
import cuvee.sheet.ReadLimits;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;

/** Brings what is known of the sources up to date: reads those that are new or have changed, on all cores. */
final class Gathering {
    /** Decisions about what parts the cells of text files, and how they are encoded. */
    static final String TEXT_FORM = "text-form";

    /** The subject of decisions that hold for all files. */
    static final String ALL_FILES = "all files";

    private final Workplace workplace;
    private final List<String> passwords;
    private final Store store;
    private final AtomicInteger nextId;
    private final Map<String, SourceFacts> known;
    private final Map<String, SourceFacts> facts = new HashMap<>();
    private final Set<String> replaced = new HashSet<>();

    Gathering(
            Workplace workplace,
            Store store,
            AtomicInteger nextId,
            Map<String, SourceFacts> known,
            List<String> passwords) {
        this.passwords = passwords;
        this.workplace = workplace;
        this.store = store;
        this.nextId = nextId;
        this.known = known;
    }

    /** What is known now, by path. */
    Map<String, SourceFacts> facts() {
        return facts;
    }

    /** The paths of sources of which something else is known than before. */
    Set<String> replaced() {
        return replaced;
    }

    void gather(Job job, List<Source> sources, Mode mode, Progress progress) {
        List<Source> toRead = new ArrayList<>();
        for (Source source : sources) {
            if (!source.taken()) {
                continue;
            }
            SourceFacts before = known.get(source.path());
            boolean same = before != null
                    && unchanged(before, source)
                    && before.readAs().equals(readAs(job, source.path()).words())
                    && (!before.locked() || passwords.isEmpty());
            if (before != null && same && mode == Mode.CHANGED_ONLY) {
                facts.put(source.path(), before);
            } else {
                toRead.add(source);
            }
        }
        if (!toRead.isEmpty()) {
            facts.putAll(store.staging(() -> readAll(job, toRead, progress)));
        }
        Set<String> read = new HashSet<>();
        toRead.forEach(source -> read.add(source.path()));
        replaced.addAll(read);
        lookAgain(job, sources, read);
    }

    /** What is said about how a file is to be read: for itself, else for all. */
    private ReadAs readAs(Job job, String path) {
        return job.decision(TEXT_FORM, path)
                .or(() -> job.decision(TEXT_FORM, ALL_FILES))
                .flatMap(decision -> ReadAs.of(decision.answer()))
                .orElse(ReadAs.FOUND)
                .withPasswords(passwords);
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

    private static boolean unchanged(SourceFacts before, Source source) {
        if (before.size() != source.size() || before.modified() != source.modified()) {
            return false;
        }
        return before.fingerprint().isEmpty() || before.fingerprint().equals(Fingerprint.of(source.file()));
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
        List<Future<Map<String, SourceFacts>>> parts = new ArrayList<>();
        for (int i = 0; i < workers; i++) {
            parts.add(pool.submit(() -> {
                Map<String, SourceFacts> part = new HashMap<>();
                SourceReading reading = new SourceReading(nextId, ReadLimits.DEFAULT, path -> readAs(job, path));
                try (StageWriter writer = store.stageWriter()) {
                    int at = next.getAndIncrement();
                    while (at < sources.size()) {
                        part.put(sources.get(at).path(), reading.read(sources.get(at), writer, now));
                        progress.at(Progress.Stage.READING, done.incrementAndGet(), sources.size());
                        at = next.getAndIncrement();
                    }
                    writer.flush();
                }
                return part;
            }));
        }
        try {
            return gather(parts);
        } finally {
            pool.shutdownNow();
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
