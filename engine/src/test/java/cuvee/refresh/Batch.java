package cuvee.refresh;

import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.gather.Workplace;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.Store;
import cuvee.tell.Outcome;
import cuvee.testing.Workbooks;
import cuvee.value.Type;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A folder of files and the job over it, as a person would work with them. */
public final class Batch {
    private final Path folder;
    private final Path data;
    private final Workplace workplace;
    private Job job;

    public Batch(Path folder) {
        this(folder, Clock.systemUTC());
    }

    public Batch(Path folder, Clock clock) {
        this.folder = folder;
        this.data = folder.resolve("data");
        workplace = new Workplace(folder.resolve("cache"), folder.resolve("state"), clock, 2, new Store.Means(200, 2));
        try {
            Files.createDirectories(data);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        job = JobDraft.of(folder.resolve("job.cuvee"), List.of(data));
    }

    /** What a refresh came to: its master as lines of cells parted by bars, tags for file and sheet left out. */
    public record Made(Outcome outcome, List<String> lines) {
        public List<String> columns() {
            return outcome.plan().columns().stream()
                    .map(MasterPlan.Column::name)
                    .toList();
        }

        public Type type(String column) {
            return outcome.plan().columns().stream()
                    .filter(each -> each.name().equals(column))
                    .map(MasterPlan.Column::type)
                    .findFirst()
                    .orElseThrow();
        }

        /** What stands in a column, row by row; only where no value holds the mark between the cells of a line. */
        public List<String> column(String name) {
            int at = columns().indexOf(name);
            return lines.stream().map(line -> line.split("\\|", -1)[at]).toList();
        }

        public List<Finding> findings(String kind) {
            return outcome.findings().stream()
                    .filter(finding -> finding.kind().equals(kind))
                    .toList();
        }

        public Question question(String kind) {
            return outcome.questions().stream()
                    .filter(question -> question.kind().equals(kind))
                    .findFirst()
                    .orElseThrow(
                            () -> new AssertionError("no question of kind " + kind + " in " + outcome.questions()));
        }
    }

    public Path file(String name) {
        Path file = data.resolve(name);
        try {
            Files.createDirectories(file.getParent());
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        return file;
    }

    /** A file beside the job, which is no source. */
    public Path place(String name) {
        return folder.resolve(name);
    }

    /** A text file: lines of cells parted by commas. */
    public Batch csv(String name, String... lines) {
        Workbooks.text(file(name), String.join("\n", lines) + "\n");
        return this;
    }

    /** A workbook with one sheet. */
    public Batch sheet(String name, Object[]... rows) {
        Workbooks.workbook().sheet("Sheet1", rows).save(file(name));
        return this;
    }

    public Batch changed(String name, String instant) {
        try {
            Files.setLastModifiedTime(file(name), FileTime.from(Instant.parse(instant)));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        return this;
    }

    public void rename(String from, String to) {
        try {
            Files.move(file(from), file(to));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /** Half of what the file held, as after a copy that broke off: no workbook any more. */
    public void tear(String name) {
        try {
            byte[] whole = Files.readAllBytes(file(name));
            Files.write(file(name), Arrays.copyOf(whole, whole.length / 2));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    public void delete(String name) {
        try {
            Files.delete(file(name));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    public Batch settle(String kind, String subject, String answer) {
        job = job.withSettled(new Decision(kind, subject, answer, "", ""));
        return this;
    }

    public Batch settle(Question question, String answer) {
        return settle(question.kind(), question.subject(), answer);
    }

    public Job job() {
        return job;
    }

    public void job(Job changed) {
        job = changed;
    }

    /** The answer that was assumed for decisions of a kind, by subject. */
    public List<String> assumed(String kind) {
        return job.assumed().stream()
                .filter(decision -> decision.kind().equals(kind))
                .map(decision -> decision.subject() + ": " + decision.answer())
                .toList();
    }

    /** The cache is deleted, as it may be at any time. */
    public void forgetCache() {
        try (Stream<Path> all = Files.walk(workplace.cache())) {
            for (Path each : all.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(each);
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    public JobSession open() {
        return JobSession.open(workplace, job.id(), folder);
    }

    public Made refresh() {
        return refresh(Reread.CHANGED_ONLY);
    }

    public Made refresh(Reread mode) {
        try (JobSession session = open()) {
            Outcome outcome = session.refresh(job, mode, Progress.NONE);
            session.conclude(outcome);
            job = outcome.job();
            return new Made(outcome, lines(session, outcome));
        }
    }

    private static List<String> lines(JobSession session, Outcome outcome) {
        List<String> lines = new ArrayList<>();
        int columns = outcome.plan().columns().size();
        try (MasterReader reader = session.reader(outcome)) {
            reader.each(values -> {
                List<String> cells = new ArrayList<>();
                for (int i = 0; i < columns; i++) {
                    cells.add(values[i] == null ? "" : values[i]);
                }
                lines.add(cells.stream().collect(Collectors.joining("|")));
            });
        }
        return lines;
    }
}
