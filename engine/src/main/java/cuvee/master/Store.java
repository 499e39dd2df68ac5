package cuvee.master;

import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.place.Where;
import cuvee.sheet.Row;
import cuvee.value.Convention;
import cuvee.value.Spellings;
import cuvee.value.Type;
import cuvee.value.ValueReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.duckdb.DuckDBConnection;
import org.duckdb.DuckDBFunctions;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The embedded store of one job: one file in the job's cache. Rows are staged once as found; the master is made from
 * staging by a {@link MasterPlan} and kept in step with it table by table. One process has it open at a time.
 */
public final class Store implements AutoCloseable {
    private static final String FORMAT = "27";

    private static final Logger LOG = LoggerFactory.getLogger(Store.class);

    /** What the store says of a file that is not whole or not a store, in small letters. */
    private static final List<String> PROOFS_OF_DAMAGE = List.of(
            "not a valid duckdb",
            "valid database file",
            "checksum",
            "corrupt",
            "serialization error",
            "magic bytes",
            "could not read enough bytes",
            "unexpected end of",
            "failure while replaying wal",
            "does not exist",
            "invalid error",
            "invalid input error",
            "internal error");

    private final DuckDBConnection connection;
    private final Means means;
    private final Staging staging;
    private @Nullable ArrowFeed feed;
    private final StagedRows rows;

    private boolean functionRegistered;
    private String madeAnew = "";
    private final Path cacheFolder;

    /**
     * How much of the machine the store may use.
     *
     * @param memoryMegabytes its own memory, outside of the heap
     */
    public record Means(int memoryMegabytes, int threads) {
        public static final Means DEFAULT = new Means(320, 2);
    }

    private Store(DuckDBConnection connection, Path cacheFolder, Means means) throws SQLException {
        this.connection = connection;
        this.rows = new StagedRows(connection);
        this.cacheFolder = cacheFolder;
        this.staging = new Staging(connection.duplicate(), cacheFolder.resolve("staged"));
        this.means = means;
    }

    /** Opens the store of a cache folder, making it where there is none; one that cannot be opened is made anew. */
    public static Store open(Path cacheFolder, Means means) {
        Path file = cacheFolder.resolve("store.duckdb");
        try {
            CacheFolder.claim(cacheFolder);
        } catch (IOException failed) {
            throw noCache(cacheFolder, failed);
        }
        String why;
        try {
            Store store = new Store(connect(file, cacheFolder, means), cacheFolder, means);
            boolean ready = false;
            try {
                ready = store.prepare();
            } finally {
                if (!ready) {
                    // A store that stays open would be found again in place of the new one.
                    store.close();
                }
            }
            if (ready) {
                return store;
            }
            why = "it was made by another version of Cuvee, or some of its files are gone";
        } catch (SQLException | CuveeException failed) {
            String said = said(failed);
            if (said.contains("lock")) {
                throw inUse(cacheFolder, failed);
            }
            if (!isTorn(said)) {
                throw noStore(cacheFolder, failed);
            }
            LOG.warn("the store is damaged and made anew", failed);
            why = "it was damaged";
        }
        try {
            Files.deleteIfExists(file);
            Files.deleteIfExists(cacheFolder.resolve("store.duckdb.wal"));
        } catch (IOException failed) {
            throw noCache(cacheFolder, failed);
        }
        String reason = why;
        return Sql.ask("opening", () -> {
            Store store = new Store(connect(file, cacheFolder, means), cacheFolder, means);
            store.prepare();
            store.madeAnew = reason;
            return store;
        });
    }

    private static String said(Throwable failed) {
        StringBuilder said = new StringBuilder();
        for (Throwable cause = failed; cause != null; cause = cause.getCause()) {
            said.append(cause.getMessage()).append(' ');
        }
        return said.toString().toLowerCase(Locale.ROOT);
    }

    /** True where the store itself says that its file is not whole, or not its own: anything else may pass. */
    private static boolean isTorn(String said) {
        return PROOFS_OF_DAMAGE.stream().anyMatch(said::contains);
    }

    /** Why what was there had to be made anew; empty where it was not. */
    public String madeAnew() {
        return madeAnew;
    }

    private static CuveeException noStore(Path folder, Exception failed) {
        return new CuveeException(
                new Finding(
                        Severity.FAILURE,
                        "cache",
                        Where.JOB,
                        "The cache of this job in " + folder
                                + " cannot be opened, though nothing shows that it is damaged.",
                        "Nothing was read, and the cache was left as it is.",
                        "Check that you may read and write there and that there is space; the log says more. The cache may"
                                + " also be deleted: it is then made anew from the sources."),
                failed);
    }

    private static CuveeException noCache(Path folder, IOException failed) {
        return new CuveeException(
                new Finding(
                        Severity.FAILURE,
                        "cache",
                        Where.JOB,
                        "The cache folder " + folder + " cannot be written: " + failed.getMessage() + ".",
                        "Nothing was read.",
                        "Free space there or set CUVEE_CACHE to another folder."),
                failed);
    }

    private static CuveeException inUse(Path cacheFolder, Exception failed) {
        return new CuveeException(
                new Finding(
                        Severity.FAILURE,
                        "in-use",
                        Where.JOB,
                        "Another Cuvee has this job open (" + cacheFolder.getFileName() + ").",
                        "Nothing was read.",
                        "Close the other one, or wait until it is done."),
                failed);
    }

    private static DuckDBConnection connect(Path file, Path folder, Means means) throws SQLException {
        Properties settings = new Properties();
        settings.setProperty("memory_limit", means.memoryMegabytes() + "MB");
        settings.setProperty("threads", String.valueOf(means.threads()));
        settings.setProperty("temp_directory", folder.resolve("spill").toString());
        settings.setProperty("autoinstall_known_extensions", "false");
        settings.setProperty("autoload_known_extensions", "false");
        try {
            return DuckDBConnection.newConnection("jdbc:duckdb:" + file, false, settings);
        } catch (SQLException failed) {
            throw failed;
        } catch (Exception failed) {
            throw new SQLException(failed);
        }
    }

    /** Makes the tables that are always there; answers false where the file is of another format. */
    private boolean prepare() throws SQLException {
        try (Statement statement = connection.createStatement()) {
            statement.execute("CREATE TABLE IF NOT EXISTS meta(name VARCHAR, content VARCHAR)");
            Optional<String> format = meta("format");
            if (format.isPresent() && !format.get().equals(FORMAT)) {
                return false;
            }
            if (format.isEmpty()) {
                statement.execute("CREATE TABLE source(path VARCHAR, facts VARCHAR)");
                statement.execute("CREATE TABLE aside(tbl INTEGER, row INTEGER, what VARCHAR)");
                statement.execute(
                        "CREATE TABLE part(tbl INTEGER, ord INTEGER, shape VARCHAR, made BIGINT, blanks BIGINT)");
                putMeta("format", FORMAT);
            }
            try {
                return staging.open();
            } catch (IOException failed) {
                throw new SQLException(failed);
            }
        }
    }

    // ---- what is known of the sources ----

    public Optional<String> meta(String name) {
        return Sql.ask("reading its notes", () -> {
            String content = StoreNotes.get(connection, name);
            return content.isEmpty() ? Optional.<String>empty() : Optional.of(content);
        });
    }

    public void putMeta(String name, String content) {
        Sql.run("writing its notes", () -> StoreNotes.put(connection, name, content));
    }

    /** True where the rows of the master were looked at for something, and have not changed since. */
    public boolean isLookedAt(String what) {
        return Sql.ask("reading its notes", () -> {
            String version = StoreNotes.get(connection, StoreNotes.VERSION);
            return !version.isEmpty() && StoreNotes.get(connection, "looked at").equals(version + " " + what);
        });
    }

    /** Keeps that the rows of the master were looked at for something, as they are; of several things the last is kept. */
    public void putLookedAt(String what) {
        Sql.run(
                "writing its notes",
                () -> StoreNotes.put(
                        connection, "looked at", StoreNotes.get(connection, StoreNotes.VERSION) + " " + what));
    }

    /** What was found in each source when it was last read, by its path. */
    public Map<String, String> facts() {
        return Sql.ask("reading what is known", () -> {
            Map<String, String> facts = new LinkedHashMap<>();
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery("SELECT path, facts FROM source")) {
                while (rows.next()) {
                    facts.put(rows.getString(1), rows.getString(2));
                }
            }
            return facts;
        });
    }

    /** Keeps what was found in sources, and forgets those gone. */
    public void putFacts(Map<String, String> changed, Collection<String> forgotten) {
        if (changed.isEmpty() && forgotten.isEmpty()) {
            return;
        }
        Sql.run("writing what is known", () -> {
            Set<String> out = new HashSet<>(forgotten);
            out.addAll(changed.keySet());
            try (Statement statement = connection.createStatement()) {
                statement.execute("BEGIN");
                statement.execute("DELETE FROM source WHERE path IN ("
                        + out.stream().map(Sql::literal).collect(Collectors.joining(",")) + ")");
                try (var appender = connection.createAppender("source")) {
                    for (Map.Entry<String, String> entry : changed.entrySet()) {
                        appender.beginRow();
                        appender.append(entry.getKey());
                        appender.append(entry.getValue());
                        appender.endRow();
                    }
                }
                statement.execute("COMMIT");
            }
        });
    }

    // ---- staging ----

    /**
     * Does work in which several writers stage rows. The store's own threads rest meanwhile: every writer brings one, and
     * more would only get in each other's way (docs/decisions.md).
     */
    public <T> T staging(Supplier<T> work) {
        execute("SET threads = 1");
        try {
            return work.get();
        } finally {
            execute("SET threads = " + means.threads());
        }
    }

    /** A writer for one thread, to be used while {@link #staging}. */
    public StageWriter stageWriter() {
        return Sql.ask("opening", () -> new StageWriter(staging, feed(), connection.duplicate()));
    }

    synchronized ArrowFeed feed() {
        if (feed == null) {
            feed = new ArrowFeed();
        }
        return feed;
    }

    /** A table number that nothing in the store bears. */
    public int nextTable() {
        return Sql.ask("opening", () -> {
            int most = staging.lastSheet();
            try (Statement statement = connection.createStatement()) {
                for (String table : List.of("part", "aside")) {
                    try (ResultSet max = statement.executeQuery("SELECT coalesce(max(tbl), 0) FROM " + table)) {
                        max.next();
                        most = Math.max(most, max.getInt(1));
                    }
                }
            }
            return most + 1;
        });
    }

    /** Removes what was staged for sheets, and set aside for tables, that no source has any more. */
    public void keepOnly(Set<Integer> liveSheets, Set<Integer> liveTables) {
        Sql.run("clearing away", () -> {
            staging.keepOnly(liveSheets);
            try (Statement statement = connection.createStatement()) {
                List<Integer> dead = new ArrayList<>();
                try (ResultSet ids = statement.executeQuery("SELECT DISTINCT tbl FROM aside")) {
                    while (ids.next()) {
                        if (!liveTables.contains(ids.getInt(1))) {
                            dead.add(ids.getInt(1));
                        }
                    }
                }
                if (!dead.isEmpty()) {
                    statement.execute("DELETE FROM aside WHERE tbl IN (" + join(dead) + ")");
                }
            }
        });
    }

    /** Keeps which rows of a table are no records. */
    public void putAside(Map<Integer, Map<Integer, String>> rowsByTable) {
        if (rowsByTable.isEmpty()) {
            return;
        }
        Sql.run("setting rows aside", () -> {
            try (var appender = connection.createAppender("aside")) {
                for (Map.Entry<Integer, Map<Integer, String>> table : rowsByTable.entrySet()) {
                    for (Map.Entry<Integer, String> row : table.getValue().entrySet()) {
                        appender.beginRow();
                        appender.append(table.getKey());
                        appender.append(row.getKey());
                        appender.append(row.getValue());
                        appender.endRow();
                    }
                }
            }
        });
    }

    /** Writes the rows of a sheet to a file beside the store, to be kept whatever becomes of the store. */
    public void copyOut(int sheet, int width, Path file) {
        Sql.run("keeping rows", () -> staging.copyOut(sheet, width, file));
    }

    /** Takes kept rows back as those of a sheet under a new number; answers how many. */
    public long takeBack(int sheet, int width, Path file) {
        return Sql.ask("taking kept rows back", () -> staging.takeBack(sheet, width, file));
    }

    private static String join(Collection<Integer> numbers) {
        return numbers.stream().map(String::valueOf).collect(Collectors.joining(","));
    }

    /** Rows as they were staged, a few at a time. */
    public StagedRows rows() {
        return rows;
    }

    /** Hands over the rows of a sheet again as they were staged. */
    public void replay(SheetReader.Staged sheet, Consumer<Row> receiver) {
        Sql.run("reading rows again", () -> SheetReader.replay(connection, sheet, 1, Integer.MAX_VALUE, receiver));
    }

    /** Reads sheets as they were staged; many may be made. */
    public SheetReader sheetReader() {
        return new SheetReader(Sql.ask("opening", connection::duplicate));
    }

    // ---- the master ----

    /**
     * Brings the master in step with a plan: tables whose part in it is unchanged are left alone.
     *
     * @return how many rows were made anew
     */
    public long build(MasterPlan plan) {
        return Sql.ask("making the master", () -> new MasterBuild(connection, plan, this::registerFunction).run());
    }

    /** Brings the master of a plan that was built into the shape that the plan asks for; empty where it asks for none. */
    public Optional<Shaped> shape(MasterPlan plan) {
        return plan.shaping().isNone()
                ? Optional.empty()
                : Sql.ask(
                        "shaping the master",
                        () -> Optional.of(
                                new Shaper(connection, plan).run(StoreNotes.get(connection, StoreNotes.VERSION))));
    }

    private void registerFunction() throws SQLException {
        if (functionRegistered) {
            return;
        }
        try (var builder = DuckDBFunctions.scalarFunction()) {
            builder.withName(Readings.FUNCTION)
                    .withParameters(String.class, String.class, String.class)
                    .withReturnType(String.class)
                    .withVectorizedFunction((in, out) -> {
                        long rows = in.rowCount();
                        var cells = in.vector(0);
                        String wanted = rows == 0 ? "" : in.vector(1).getString(0);
                        boolean currency = wanted.equals(Readings.CURRENCY);
                        Type type = rows == 0 || currency ? Type.TEXT : Type.valueOf(wanted);
                        Convention convention = rows == 0
                                ? Convention.DEFAULT
                                : Convention.ofCode(in.vector(2).getString(0));
                        for (long i = 0; i < rows; i++) {
                            String cell = cells.isNull(i) ? null : cells.getString(i);
                            String read = cell == null
                                    ? null
                                    : currency ? ValueReader.currency(cell) : ValueReader.read(cell, type, convention);
                            if (read == null) {
                                out.setNull(i);
                            } else {
                                out.setString(i, read);
                            }
                        }
                    })
                    .register(connection);
        }
        functionRegistered = true;
    }

    /**
     * Copies what is kept to another folder, where it can be opened as a store of its own. Files of staged rows are never
     * written to again, so that they are shared where the file system can.
     */
    public void copyTo(Path folder) throws IOException {
        Sql.run("copying", () -> {
            try (Statement statement = connection.createStatement()) {
                statement.execute("CHECKPOINT");
            }
        });
        CacheFolder.claim(folder);
        Files.copy(cacheFolder.resolve("store.duckdb"), folder.resolve("store.duckdb"));
        Path staged = cacheFolder.resolve("staged");
        Path copy = Files.createDirectories(folder.resolve("staged"));
        try (Stream<Path> files = Files.list(staged)) {
            for (Path file : files.toList()) {
                Path target = copy.resolve(file.getFileName());
                try {
                    Files.createLink(target, file);
                } catch (IOException | UnsupportedOperationException noLinks) {
                    Files.copy(file, target, StandardCopyOption.REPLACE_EXISTING);
                }
            }
        }
    }

    /** Reads the master; many may be made, each for one plan. */
    public MasterReader reader(MasterPlan plan) {
        return new MasterReader(Sql.ask("opening", connection::duplicate), plan);
    }

    /** Some rows of the master in an order of their own; whoever asks for it closes it. */
    public RowView view(
            MasterPlan plan,
            List<RowRule.Condition> conditions,
            List<RowView.By> order,
            Optional<RowView.Counted> all) {
        return new RowView(Sql.ask("opening", connection::duplicate), plan, conditions, order, all);
    }

    /** Figures over the rows of the master, group by group; the groups of each set that is asked for. */
    public List<List<Grouped.Group>> grouped(MasterPlan plan, Grouped.Asked asked) {
        return Sql.ask("summing up", () -> {
            try (DuckDBConnection own = connection.duplicate()) {
                return Grouped.of(own, plan, asked);
            }
        });
    }

    /**
     * Reads the rows of the master that hold given values in columns, or none there; for writing them, not for looking at
     * pages.
     */
    public MasterReader readerOf(MasterPlan plan, List<Integer> columns, List<@Nullable String> values) {
        return new MasterReader(Sql.ask("opening", connection::duplicate), plan, Grouped.holds(plan, columns, values));
    }

    /** The rows of the master that do not meet a test, the first of them shown. */
    public RowTest.Fails failing(MasterPlan plan, RowTest test, int most) {
        return Sql.ask("checking rows", () -> {
            try (DuckDBConnection own = connection.duplicate()) {
                return RowTest.fails(own, plan, test, most);
            }
        });
    }

    /** The rows and values that the rules of a plan touch; many may be made. */
    public RuleRows ruleRows(MasterPlan plan) {
        return new RuleRows(Sql.ask("opening", connection::duplicate), plan);
    }

    /** The different values of a column of the master, tags behind the others; whoever asks for it closes it. */
    public ValueList values(MasterPlan plan, int column) {
        return new ValueList(Sql.ask("opening", connection::duplicate), plan, column);
    }

    /** Values of a text column of the master that look like one spelled in several ways. */
    public List<Spellings.Group> nearlyAlike(int column) {
        return ValueList.nearlyAlike(connection, column);
    }

    /** The cells of sources that feed the master, over all rows; for as long as the store is open. */
    public SourceCells cells() {
        return new SourceCells(connection, this::registerFunction);
    }

    /** Rows of the master from before it is made anew. */
    public EarlierRows earlierRows() {
        return new EarlierRows(connection);
    }

    /** Writes everything to disk, so that a crash finds it there. */
    public void checkpoint() {
        Sql.run("saving", () -> {
            try (Statement statement = connection.createStatement()) {
                statement.execute("CHECKPOINT");
            }
        });
    }

    @Override
    public void close() {
        rows.close();
        Sql.run("closing", staging::close);
        Sql.run("closing", connection::close);
        if (feed != null) {
            feed.close();
        }
    }

    /** For tests and measures: runs a statement. */
    void execute(String sql) {
        Sql.run("running a statement", () -> {
            try (Statement statement = connection.createStatement()) {
                statement.execute(sql);
            }
        });
    }

    DuckDBConnection connection() {
        return connection;
    }
}
