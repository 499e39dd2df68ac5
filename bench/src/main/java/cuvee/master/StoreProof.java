package cuvee.master;

import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.gather.Workplace;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.refresh.JobSession;
import cuvee.rework.Asked;
import cuvee.rework.Known;
import cuvee.summary.Summary;
import cuvee.summary.SummaryWords;
import cuvee.tell.Outcome;
import java.io.BufferedWriter;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * Shows that the design of the store carries several million rows: from text to the typed master, retyping a column,
 * turning twelve month columns into rows, pages and trails anywhere. Prints each figure beside the store's own loader
 * making the same table in the same run. Arguments: rows (8,000,000), files (10).
 */
public final class StoreProof {
    private static final Path WORK = Path.of(System.getProperty("java.io.tmpdir"), "cuvee-proof");
    private static final String[] PORTS = {"Brannock", "Eastray", "Hollin", "Marsay", "Norhaven", "Tarsk"};

    private StoreProof() {}

    /** A piece of work that is timed. */
    private interface Timed {
        void run() throws Exception;
    }

    private static double seconds(Timed work) throws Exception {
        long start = System.nanoTime();
        work.run();
        return (System.nanoTime() - start) / 1e9;
    }

    private static void say(String what, double seconds, String note) {
        System.out.printf(Locale.ROOT, "%-56s %8.3f s  %s%n", what, seconds, note);
    }

    public static void main(String[] arguments) throws Exception {
        int rows = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 8_000_000;
        int files = arguments.length > 1 ? Integer.parseInt(arguments[1]) : 10;
        delete(WORK);
        try {
            sailings(rows, files);
            double loader = loader();
            master(rows, loader);
            sideColumn(rows);
            months(rows / 12);
        } finally {
            delete(WORK);
        }
    }

    /** The store's own loader making the same typed table: the measure to hold against. */
    private static double loader() throws Exception {
        Path file = WORK.resolve("loader.duckdb");
        double taken;
        try (var connection = DriverManager.getConnection("jdbc:duckdb:" + file);
                Statement statement = connection.createStatement()) {
            statement.execute("SET threads = 2");
            statement.execute("SET memory_limit = '320MB'");
            statement.execute(
                    "SET temp_directory = " + Sql.literal(WORK.resolve("spill").toString()));
            taken = seconds(() -> statement.execute("CREATE TABLE t AS SELECT * FROM read_csv("
                    + Sql.literal(WORK.resolve("data").resolve("*.csv").toString())
                    + ", header = true, filename = true)"));
        }
        say("the store's own loader, same files, same types", taken, "");
        return taken;
    }

    private static void master(int rows, double loader) throws Exception {
        Workplace workplace = new Workplace(
                WORK.resolve("cache"), WORK.resolve("state"), Clock.systemUTC(), 2, new Store.Means(320, 2));
        Job job = JobDraft.of(WORK.resolve("job.cuvee"), List.of(WORK.resolve("data")));
        try (JobSession session = JobSession.open(workplace, job.id(), WORK)) {
            Outcome[] made = new Outcome[1];
            double taken = seconds(() -> made[0] = session.refresh(job, Reread.CHANGED_ONLY, Progress.NONE));
            say(
                    "from text to the typed master, with all evidence",
                    taken,
                    ratio(taken / loader) + " of the loader; " + made[0].millis());
            Outcome first = made[0];
            check(first.rows() == rows, "rows");
            double again = seconds(() -> made[0] = session.refresh(first.job(), Reread.CHANGED_ONLY, Progress.NONE));
            say("refresh with nothing changed", again, made[0].millis().toString());
            Job retyped = first.job().withSettled(new Decision("type", "Freight tonnes", "Text", "", ""));
            double retype = seconds(() -> made[0] = session.refresh(retyped, Reread.CHANGED_ONLY, Progress.NONE));
            say("retype a column from staging", retype, made[0].millis().toString());
            anywhere(session, made[0], rows);
            looks(session, made[0]);
            Path csv = WORK.resolve("out.csv");
            say(
                    "write the master as CSV",
                    seconds(() -> session.deliver(made[0], csv)),
                    Files.size(csv) / 1_000_000 + " MB");
        }
    }

    /** A retyped column as a table of its own beside the master, joined when a page is read. */
    private static void sideColumn(int rows) throws Exception {
        Path cache;
        try (Stream<Path> caches = Files.list(WORK.resolve("cache"))) {
            cache = caches.findFirst().orElseThrow();
        }
        try (Store store = Store.open(cache, new Store.Means(320, 2))) {
            double side = seconds(() -> store.execute(
                    "CREATE TABLE side AS SELECT tbl, row, TRY_CAST(c4 AS DECIMAL(18,2)) AS v FROM staging_8"));
            say("retype a column as a side column", side, "");
            Random random = new Random(5);
            int times = 100;
            double pages = seconds(() -> {
                for (int i = 0; i < times; i++) {
                    int table = 1 + random.nextInt(4);
                    int row = 2 + random.nextInt(rows / 20);
                    store.execute("SELECT m.*, s.v FROM (SELECT * FROM master WHERE tbl = " + table
                            + " AND row BETWEEN " + row + " AND "
                            + (row + 99) + ") m LEFT JOIN (SELECT * FROM side WHERE tbl = " + table
                            + " AND row BETWEEN " + row
                            + " AND " + (row + 99) + ") s ON m.row = s.row ORDER BY m.row");
                }
            });
            say("a page of 100 rows with a side column, anywhere", pages / times, "mean of " + times);
        }
    }

    private static void anywhere(JobSession session, Outcome outcome, int rows) throws Exception {
        Random random = new Random(3);
        try (MasterReader reader = session.reader(outcome)) {
            int times = 200;
            double pages = seconds(() -> {
                for (int i = 0; i < times; i++) {
                    check(reader.page(random.nextInt(rows - 100), 100).size() == 100, "page");
                }
            });
            say("a page of 100 rows, anywhere", pages / times, "mean of " + times);
            List<MasterLine> lines = reader.page(random.nextInt(rows - 10), 1);
            double trails = seconds(() -> {
                for (int i = 0; i < times; i++) {
                    MasterLine line = reader.page(random.nextInt(rows), 1).get(0);
                    String raw = session.trail(outcome, line, 3).raw();
                    check(raw.equals(line.values().get(3)), "trail");
                }
            });
            say("a row anywhere with the trail of a cell", trails / times, "mean of " + times + "; " + lines.size());
        }
    }

    /** The master looked at otherwise than it stands, and summed up. */
    private static void looks(JobSession session, Outcome outcome) throws Exception {
        Known known = Known.of(outcome.plan());
        for (String column : List.of("Route", "Fare revenue", "Sailing date", "Booking")) {
            List<RowView.By> order = List.of(new RowView.By(known.at(column), true));
            RowView[] view = new RowView[1];
            double first = seconds(() -> {
                view[0] = session.view(outcome, List.of(), order);
                view[0].page(0, 200);
            });
            double all = seconds(() -> view[0].page(outcome.rows() / 2, 200));
            double page = seconds(() -> view[0].page(outcome.rows() / 3, 200));
            say(
                    "ordered by " + column + ": the first page",
                    first,
                    "all " + seconds(all) + ", a page then " + seconds(page));
            view[0].close();
        }
        RowView[] some = new RowView[1];
        double narrowed = seconds(() -> {
            some[0] = session.view(
                    outcome,
                    Asked.of("Route is Hollin or Tarsk, Fare revenue over 3000", known)
                            .conditions(),
                    List.of(new RowView.By(known.at("Fare revenue"), true)));
            some[0].page(0, 200);
            some[0].page(some[0].rows() / 2, 200);
        });
        say("narrowed down and ordered, a page of the middle", narrowed, some[0].rows() + " rows");
        say("a text searched in all columns", seconds(() -> some[0].holding("grayling")), "");
        some[0].close();
        for (String words : List.of(
                "total Fare revenue and number of rows: a line for each Route, a column for each month of Sailing date",
                "median Fare revenue: a line for each Route",
                "number of different Vessel: a line for each Route")) {
            Summary summary = SummaryWords.read(words, known).summary().orElseThrow();
            say(words, seconds(() -> session.summary(outcome, summary)), "");
        }
    }

    private static String seconds(double taken) {
        return String.format(Locale.ROOT, "%.3f s", taken);
    }

    /** Twelve month columns become rows, each knowing the table, the sheet row and the column that it came from. */
    private static void months(int rows) throws Exception {
        try (Store store = Store.open(WORK.resolve("months"), new Store.Means(320, 2))) {
            StringBuilder columns = new StringBuilder("i::VARCHAR AS c0");
            for (int month = 1; month <= 12; month++) {
                columns.append(", chr(2) || ((i * ")
                        .append(month)
                        .append(") % 9973)::VARCHAR AS c")
                        .append(month);
            }
            store.execute("CREATE TABLE plan_lines(tbl INTEGER, row INTEGER, c0 VARCHAR"
                    + IntStream.rangeClosed(1, 12)
                            .mapToObj(i -> ", c" + i + " VARCHAR")
                            .collect(Collectors.joining()) + ")");
            double stage = seconds(() -> store.execute("INSERT INTO plan_lines SELECT 1 AS tbl, i::INTEGER AS row, "
                    + columns + " FROM range(1, " + (rows + 1) + ") r(i)"));
            say("stage a plan of " + rows + " lines, months across", stage, "");
            StringBuilder turned = new StringBuilder();
            for (int month = 1; month <= 12; month++) {
                turned.append(month == 1 ? "" : ", ").append('c').append(month);
            }
            double turn = seconds(() -> store.execute("CREATE TABLE turned AS SELECT tbl, row, col, c0 AS depot,"
                    + " TRY_CAST(substr(raw, 2) AS BIGINT) AS amount FROM (UNPIVOT plan_lines ON " + turned
                    + " INTO NAME col VALUE raw)"));
            say("turn twelve month columns into " + rows * 12L + " rows", turn, "with table, row and column of each");
            double found = seconds(() ->
                    store.execute("SELECT count(*) FROM turned t JOIN plan_lines s ON s.tbl = t.tbl AND s.row = t.row"
                            + " WHERE t.row = " + rows / 2 + " AND TRY_CAST(substr(s.c7, 2) AS BIGINT) = t.amount"));
            say("the trail of a turned row", found, "");
        }
    }

    private static void sailings(int rows, int files) throws IOException {
        Random random = new Random(1);
        Files.createDirectories(WORK.resolve("data"));
        for (int f = 0; f < files; f++) {
            try (BufferedWriter out = Files.newBufferedWriter(
                    WORK.resolve("data").resolve(String.format(Locale.ROOT, "f%02d.csv", f)), StandardCharsets.UTF_8)) {
                out.write("Sailing date,Route,Vessel,Passengers,Vehicles,Freight tonnes,Fare revenue,Booking\n");
                for (int i = 0; i < rows / files; i++) {
                    out.write("2026-" + two(1 + random.nextInt(12)) + "-" + two(1 + random.nextInt(28)) + ","
                            + PORTS[random.nextInt(6)] + ",MV " + (char) ('A' + random.nextInt(8)) + ","
                            + random.nextInt(500) + ","
                            + random.nextInt(90) + "," + random.nextInt(1000) + "." + random.nextInt(10) + ","
                            + random.nextInt(9999) + "." + two(random.nextInt(100)) + ",B" + (10_000_000 + i) + "\n");
                }
            }
        }
    }

    private static String two(int number) {
        return number < 10 ? "0" + number : String.valueOf(number);
    }

    private static String ratio(double ratio) {
        return String.format(Locale.ROOT, "%.2fx", ratio);
    }

    private static void check(boolean so, String what) {
        if (!so) {
            throw new IllegalStateException("not as it should be: " + what);
        }
    }

    private static void delete(Path folder) {
        if (!Files.exists(folder)) {
            return;
        }
        try (Stream<Path> walk = Files.walk(folder)) {
            walk.sorted(java.util.Comparator.reverseOrder())
                    .forEach(path -> path.toFile().delete());
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
