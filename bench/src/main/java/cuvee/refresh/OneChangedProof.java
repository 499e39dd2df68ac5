package cuvee.refresh;

import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.gather.Workplace;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.master.Store;
import cuvee.tell.Outcome;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/** What a refresh costs when one of many sources has changed, beside one that reads all of them. */
public final class OneChangedProof {
    private static final int FILES = 250;
    private static final int ROWS = 2_000;
    private static final int TIMES = 5;

    private OneChangedProof() {}

    /** Without arguments. */
    public static void main(String[] arguments) throws IOException {
        Path folder = Files.createTempDirectory("cuvee-changed");
        try {
            Path data = Files.createDirectory(folder.resolve("data"));
            WorkbooksProof.write(data, FILES, ROWS);
            Workplace workplace = new Workplace(
                    folder.resolve("cache"), folder.resolve("state"), Clock.systemUTC(), 2, new Store.Means(320, 2));
            Job job = JobDraft.of(folder.resolve("job.cuvee"), List.of(data));
            try (JobSession session = JobSession.open(workplace, job.id(), folder)) {
                job = session.refresh(job, Reread.EVERYTHING, Progress.NONE).job();
                double full = 0;
                double one = 0;
                double none = 0;
                for (int time = 0; time < TIMES; time++) {
                    full += seconds(session, job, Reread.EVERYTHING);
                    WorkbooksProof.writeOne(data.resolve("returns-" + time + ".xlsx"), FILES + time, ROWS);
                    one += seconds(session, job, Reread.CHANGED_ONLY);
                    none += seconds(session, job, Reread.CHANGED_ONLY);
                }
                System.out.printf(
                        Locale.ROOT,
                        "%,d workbooks of %,d rows: all %.2f s; one changed %.2f s: %.1f %%; none changed %.2f s: %.1f %%%n",
                        FILES,
                        ROWS,
                        full / TIMES,
                        one / TIMES,
                        100 * one / full,
                        none / TIMES,
                        100 * none / full);
            }
        } finally {
            try (Stream<Path> all = Files.walk(folder)) {
                for (Path path : all.sorted(Comparator.reverseOrder()).toList()) {
                    Files.delete(path);
                }
            }
        }
    }

    private static double seconds(JobSession session, Job job, Reread mode) {
        long start = System.nanoTime();
        Outcome made = session.refresh(job, mode, Progress.NONE);
        if (made.rows() != (long) FILES * ROWS) {
            throw new IllegalStateException(made.rows() + " rows");
        }
        return (System.nanoTime() - start) / 1e9;
    }
}
