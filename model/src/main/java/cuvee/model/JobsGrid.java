package cuvee.model;

import cuvee.finding.CuveeException;
import cuvee.gather.Workplace;
import cuvee.job.Job;
import cuvee.job.Place;
import cuvee.place.Says;
import cuvee.refresh.JobGlance;
import cuvee.tell.Waiting;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The jobs opened last as a ledger: what the last refresh of each left, and what has come since. The files are looked at on
 * a thread of their own, one job after the other; whoever makes the grid closes it.
 */
public final class JobsGrid implements GridModel, AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(JobsGrid.class);
    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm");

    /** A column of the ledger. */
    private enum Column {
        JOB("Job", "and where its files lie", 196),
        ROWS("Rows", "in the master", 96),
        REFRESHED("Last refreshed", "year-month-day", 134),
        SINCE("Since then", "looked just now", 140),
        OPEN("Open", "questions", 76);

        private final String title;
        private final String below;
        private final double width;

        Column(String title, String below, double width) {
            this.title = title;
            this.below = below;
            this.width = width;
        }
    }

    /** What is told of a job. */
    private record Line(
            String places, String rows, String refreshed, String since, String more, Tone tone, long questions) {
        static final Line UNKNOWN = new Line("", "", "", "looking …", "", Tone.QUIET, 0);
    }

    private final List<RecentJobs.Entry> jobs;
    private final List<Line> lines = new ArrayList<>();
    private final ZoneId zone;
    private volatile boolean closed;
    private Runnable arrived = () -> {};

    /** Of jobs; {@code ui} runs what changes what is shown. */
    public JobsGrid(List<RecentJobs.Entry> jobs, Workplace workplace, Executor ui, ZoneId zone) {
        this.jobs = List.copyOf(jobs);
        this.zone = zone;
        this.jobs.forEach(job -> lines.add(Line.UNKNOWN));
        // Each by itself: a folder that hangs keeps nothing of the other jobs back.
        for (int row = 0; row < this.jobs.size(); row++) {
            int at = row;
            Thread looking = new Thread(() -> look(at, workplace, ui), "cuvee-jobs-" + row);
            looking.setDaemon(true);
            looking.start();
        }
    }

    /** The job of a row. */
    public RecentJobs.Entry job(long row) {
        return jobs.get((int) row);
    }

    private void look(int row, Workplace workplace, Executor ui) {
        Line found = line(workplace, jobs.get(row));
        if (!closed) {
            ui.execute(() -> {
                lines.set(row, found);
                arrived.run();
            });
        }
    }

    private Line line(Workplace workplace, RecentJobs.Entry entry) {
        JobGlance glance;
        try {
            glance = JobGlance.of(workplace, entry.file());
        } catch (CuveeException unreadable) {
            return new Line("", "", "", "cannot be read", unreadable.finding().text(), Tone.MARKED, 0);
        }
        String places = places(glance.job());
        Optional<JobGlance.Left> left = glance.left();
        if (left.isEmpty()) {
            return new Line(places, "", "", "not refreshed here", "", Tone.QUIET, 0);
        }
        String rows = Says.number(left.get().rows());
        String when = WHEN.format(left.get().when().atZone(zone));
        long questions = left.get().questions();
        try {
            Waiting since = glance.since();
            return new Line(
                    places,
                    rows,
                    when,
                    since(since),
                    since.said(),
                    since.isNothing() ? Tone.QUIET : Tone.MARKED,
                    questions);
        } catch (CuveeException away) {
            return new Line(
                    places, rows, when, "folder not reached", away.finding().text(), Tone.MARKED, questions);
        } catch (RuntimeException fault) {
            LOG.warn("what has come cannot be told", fault);
            return new Line(places, rows, when, "", "", Tone.QUIET, questions);
        }
    }

    private static String places(Job job) {
        List<Place> places = job.places();
        if (places.isEmpty()) {
            return "no folder yet";
        }
        String first = places.get(0).path();
        return first + (places.size() == 1 ? "" : " and " + Says.count(places.size() - 1, "more place"));
    }

    private static String since(Waiting since) {
        return since.isNothing()
                ? "nothing new"
                : !since.came().isEmpty()
                        ? Says.count(since.came().size(), "new file")
                                + (since.changed().isEmpty() && since.gone().isEmpty() ? "" : " and more")
                        : !since.changed().isEmpty()
                                ? Says.count(since.changed().size(), "file") + " changed"
                                : Says.count(since.gone().size(), "file") + " gone";
    }

    // ---- the grid ----

    @Override
    public long rows() {
        return jobs.size();
    }

    @Override
    public int columns() {
        return Column.values().length;
    }

    @Override
    public String title(int column) {
        return Column.values()[column].title;
    }

    @Override
    public String subtitle(int column) {
        return Column.values()[column].below;
    }

    @Override
    public double width(int column) {
        return Column.values()[column].width;
    }

    @Override
    public boolean numeric(int column) {
        return Column.values()[column] == Column.ROWS;
    }

    @Override
    public boolean isTall(long row) {
        return true;
    }

    @Override
    public String text(long row, int column) {
        Line line = lines.get((int) row);
        return switch (Column.values()[column]) {
            case JOB -> job(row).name();
            case ROWS -> line.rows();
            case REFRESHED -> line.refreshed();
            case SINCE -> line.since();
            case OPEN -> line.questions() == 0 ? "" : Says.number(line.questions());
        };
    }

    @Override
    public String second(long row, int column) {
        return Column.values()[column] == Column.JOB ? lines.get((int) row).places() : "";
    }

    @Override
    public Tone tone(long row, int column) {
        return Column.values()[column] == Column.SINCE ? lines.get((int) row).tone() : Tone.PLAIN;
    }

    @Override
    public Mark mark(long row, int column) {
        boolean asks =
                Column.values()[column] == Column.OPEN && lines.get((int) row).questions() > 0;
        return asks ? Mark.QUESTION : Mark.NONE;
    }

    @Override
    public String hint(long row, int column) {
        return switch (Column.values()[column]) {
            case JOB -> job(row).file().toString();
            case SINCE -> lines.get((int) row).more();
            default -> "";
        };
    }

    @Override
    public String rowLabel(long row) {
        return "";
    }

    @Override
    public void onArrival(Runnable listener) {
        arrived = listener;
    }

    @Override
    public void close() {
        closed = true;
    }
}
