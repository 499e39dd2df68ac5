package cuvee.demo;

import cuvee.finding.Question;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.gather.Workplace;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.job.JobFile;
import cuvee.place.Says;
import cuvee.refresh.JobSession;
import cuvee.tell.Outcome;
import cuvee.tell.SourceReport;
import java.io.IOException;
import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;

/** The whole demo without a window: draft, refresh, next month's files, refresh again, write, and an account. */
public final class DemoRun {
    private static final String RETURNS = "Farsound returns 2026";
    private static final String FUEL = "Farsound fuel plan 2026";
    private final Workplace workplace;
    private final Path material;
    private final Path truth;
    private final PrintStream out;

    /**
     * @param material the demo's files; written anew where there are none
     * @param truth the demo's truth
     */
    public DemoRun(Workplace workplace, Path material, Path truth, PrintStream out) {
        this.workplace = workplace;
        this.material = material;
        this.truth = truth;
        this.out = out;
    }

    /** Where the demo's files lie; where there are none they are written anew. */
    public static Path material() {
        return Path.of(System.getProperty("cuvee.demo", "demo/files"));
    }

    /** Where the demo's truth lies. */
    public static Path truth() {
        return Path.of(System.getProperty("cuvee.truth", "demo/truth"));
    }

    /** Puts the demo's returns, fuel plan and later files into a folder, and answers the returns job's file. */
    public static Path layOut(Path material, Path into) {
        try {
            Files.createDirectories(into);
            if (Files.isDirectory(material)) {
                DemoFiles.copy(material, into);
            } else {
                DemoFiles.write(into, into.resolve("truth"));
            }
            return into.resolve(RETURNS + ".cuvee");
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /** Drafts the returns job in a folder laid out before, without looking at any file yet. */
    public static Job draft(Path jobFile) {
        Job job = JobDraft.of(jobFile, List.of(jobFile.resolveSibling("returns")));
        JobFile.save(job, jobFile);
        return job;
    }

    /** Runs everything in a folder; answers true where nothing is silently wrong. */
    public boolean run(Path into) throws IOException {
        Path jobFile = layOut(material, into);
        Path truthFile = Files.exists(truth.resolve("master.csv"))
                ? truth.resolve("master.csv")
                : into.resolve("truth").resolve("master.csv");
        boolean honest;
        Job job = draft(jobFile);
        out.println("The demo lies in " + into);
        out.println();
        try (JobSession session = JobSession.open(workplace, job.id(), into)) {
            Outcome drafted = session.refresh(job, Reread.CHANGED_ONLY, Progress.NONE);
            session.conclude(drafted);
            out.println("Drafted: " + Says.count(drafted.rows(), "row") + " from " + Says.count(drafted.taken(), "file")
                    + ", " + Says.count(drafted.questions().size(), "question") + ".");
            Outcome again = session.refresh(drafted.job(), Reread.CHANGED_ONLY, Progress.NONE);
            out.println("Refreshed: " + again.changed().sentence());
            DemoFiles.copy(into.resolve("later"), into.resolve("returns"));
            Outcome later = session.refresh(again.job(), Reread.CHANGED_ONLY, Progress.NONE);
            session.conclude(later);
            out.println("October came in: " + later.changed().sentence());
            JobFile.save(later.job(), jobFile);
            Path master = into.resolve("Farsound master.csv");
            long bytes = session.deliver(later, master);
            session.deliver(later, into.resolve("Farsound master.xlsx"));
            out.println("Written: " + master.getFileName() + " (" + Says.size(bytes) + ") and Farsound master.xlsx.");
            out.println();
            honest = account(later, master, truthFile);
        }
        out.println();
        fuel(into);
        return honest;
    }

    private boolean account(Outcome outcome, Path master, Path truthFile) throws IOException {
        Account account = new Account(truthFile, master);
        boolean honest = true;
        out.println("Against the truth:");
        for (String port : Scenario.PORTS) {
            Account.Port found = account.port(port);
            List<SourceReport> aside = outcome.sources().stream()
                    .filter(source -> source.path().startsWith(port + "/"))
                    .filter(source -> source.state() == SourceReport.State.SET_ASIDE)
                    .toList();
            List<Question> asked = outcome.questions().stream()
                    .filter(question -> question.where().source().startsWith(port + "/"))
                    .toList();
            boolean pointedOut = !asked.isEmpty() || !aside.isEmpty();
            honest &= found.exact() || pointedOut;
            out.println("  " + port + ": " + found.sentence()
                    + (found.exact() ? "" : pointedOut ? " It is pointed out:" : " Nothing points it out."));
            if (!found.exact()) {
                asked.stream().limit(4).forEach(question -> out.println("      asked: " + question.text()));
            }
        }
        out.println();
        out.println("Set aside, each with its reason:");
        outcome.sources().stream()
                .filter(source -> source.state() == SourceReport.State.SET_ASIDE)
                .forEach(source -> out.println("  " + source.path() + ": " + source.reason()));
        out.println();
        out.println(honest ? "Nothing is silently wrong." : "Something is silently wrong.");
        return honest;
    }

    private void fuel(Path into) {
        Path jobFile = into.resolve(FUEL + ".cuvee");
        Job job = JobDraft.of(jobFile, List.of(into.resolve("fuel")));
        try (JobSession session = JobSession.open(workplace, job.id(), into)) {
            Outcome outcome = session.refresh(job, Reread.CHANGED_ONLY, Progress.NONE);
            JobFile.save(outcome.job(), jobFile);
            out.println("The fuel plan, a job of its own: " + Says.count(outcome.rows(), "row") + ".");
            outcome.findings()
                    .forEach(finding -> out.println("  " + finding.severity().word() + ": " + finding.text()));
        }
    }

    /** A folder of its own for a demo that nobody named one for. */
    public static Path temporaryFolder() {
        try {
            Path folder = Files.createTempDirectory("cuvee-demo-");
            Runtime.getRuntime().addShutdownHook(new Thread(() -> delete(folder)));
            return folder;
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private static void delete(Path folder) {
        try (Stream<Path> walk = Files.walk(folder)) {
            walk.sorted(java.util.Comparator.reverseOrder())
                    .forEach(path -> path.toFile().delete());
        } catch (IOException left) {
            // A temporary folder that cannot be deleted is the system's to clear.
            return;
        }
    }
}
