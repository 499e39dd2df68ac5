package cuvee.rework;

import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.gather.Workplace;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.master.Shaping.How;
import cuvee.master.Store;
import cuvee.refresh.JobSession;
import cuvee.tell.Outcome;
import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** How long a refresh takes that brings a million rows through ten rules, beside one without them. */
public final class RulesProof {
    private static final int ROWS = 1_000_000;
    private static final int FILES = 4;

    private RulesProof() {}

    public static void main(String[] args) throws IOException {
        int rows = args.length > 0 ? Integer.parseInt(args[0]) : ROWS;
        Path folder = Files.createTempDirectory("cuvee-rules");
        try {
            write(folder.resolve("data"), rows);
            Workplace workplace = new Workplace(
                    folder.resolve("cache"), folder.resolve("state"), Clock.systemUTC(), FILES, Store.Means.DEFAULT);
            Job plain = JobDraft.of(folder.resolve("job.cuvee"), List.of(folder.resolve("data")));
            try (JobSession session = JobSession.open(workplace, plain.id(), folder)) {
                Outcome first = session.refresh(plain, Reread.CHANGED_ONLY, Progress.NONE);
                Job decided = first.job();
                // Another type of one column makes the master anew, as most rules do.
                double without = seconds(session, RowRules.byPhrase(typed(decided), "Pax under 0", false));
                Job ten = tenRules(decided);
                double with = seconds(session, ten);
                double again = seconds(session, ten);
                System.out.printf(
                        "%,d rows: without rules made anew in %.2f s, through ten rules in %.2f s (%.1f times), nothing changed"
                                + " %.2f s%n",
                        rows, without, with, with / without, again);
            }
        } finally {
            try (Stream<Path> all = Files.walk(folder)) {
                for (Path path : all.sorted(Comparator.reverseOrder()).toList()) {
                    Files.delete(path);
                }
            }
        }
    }

    private static Job typed(Job job) {
        return cuvee.change.Board.type(job, "Freight", "Text");
    }

    private static Job tenRules(Job job) {
        Job ruled = ValueRule.write(job, "Route", List.of("R1", "R2"), "Route One");
        ruled = Codes.these("Vessel", Map.of("MV Petrel0", "Petrel", "MV Petrel1", "Petrel"))
                .put(ruled);
        ruled = MadeColumns.make(ruled, "Per head", "Fare / Pax rounded to 2");
        ruled = MadeColumns.make(
                ruled, "Size", "\"big\" where Pax over 500, \"small\" where Pax over 0, else \"none\"");
        ruled = MadeColumns.make(ruled, "Month", "start of month of Date");
        ruled = MadeColumns.make(ruled, "Trip", "capitals of Trip");
        ruled = RowRules.byPhrase(ruled, "Route is R5 or R6", false);
        ruled = RowRules.byPhrase(ruled, "Size is none", false);
        ruled = RowRules.equal(ruled, List.of("Date", "Route", "Vessel", "Pax"), RowRules.KEEP_FIRST);
        return Shapings.toColumns(ruled, "Size", How.SUM, "Fare", List.of("Month", "Route", "Vessel"));
    }

    private static double seconds(JobSession session, Job job) {
        long start = System.nanoTime();
        session.refresh(job, Reread.CHANGED_ONLY, Progress.NONE);
        return (System.nanoTime() - start) / 1e9;
    }

    private static void write(Path folder, int rows) throws IOException {
        Files.createDirectories(folder);
        for (int file = 0; file < FILES; file++) {
            try (BufferedWriter out = Files.newBufferedWriter(folder.resolve("r" + file + ".csv"))) {
                out.write("Date,Route,Vessel,Pax,Freight,Fare,Trip\n");
                for (int i = 0; i < rows / FILES; i++) {
                    out.write(String.format(
                            "2026-%02d-%02d,R%d,MV Petrel%d,%d,%d.5,%d.25,t%d%d%n",
                            1 + i % 12, 1 + i % 28, i % 37, (i * 7 + file) % 200, i % 900, i % 77, i % 1000, file, i));
                }
            }
        }
    }
}
