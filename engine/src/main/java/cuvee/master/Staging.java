package cuvee.master;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.function.IntPredicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.duckdb.DuckDBConnection;

/**
 * Where rows are staged: for each width a table of the store for the few, files of their own for the many
 * ({@link StagedFile}), and one view that has both. A file is kept while most of its rows are needed; one that is not is
 * removed when the store is next opened, as somebody may still be reading it.
 */
final class Staging implements AutoCloseable {
    private static final int SMALL_ROWS = 60_000;
    private static final int MOST_SMALL = 16;

    private final DuckDBConnection connection;
    private final Path folder;
    private final Set<Integer> widths = new TreeSet<>();
    private final Map<String, Kept> files = new LinkedHashMap<>();

    /** A file that is kept: how long it is, how many rows it has, and how many of each sheet that is still needed. */
    private record Kept(int width, long bytes, long rows, Map<Integer, Long> needed) {
        boolean mostlyNeeded() {
            return needed.values().stream().mapToLong(Long::longValue).sum() * 2 >= rows;
        }
    }

    /** Has its own connection, since readers keep files while others are at work; whoever opens it closes it. */
    Staging(DuckDBConnection connection, Path folder) {
        this.connection = connection;
        this.folder = folder;
    }

    /** The relation of all staged rows of a width, with the columns {@code tbl}, {@code row}, {@code c0}, {@code c1} ... */
    static String of(int width) {
        return "staging_" + width;
    }

    private static String table(int width) {
        return "staged_" + width;
    }

    /** The width under which rows of so many cells are staged: the next power of two from 8. */
    static int widthFor(int cells) {
        return Math.max(8, Integer.highestOneBit(Math.max(1, cells - 1)) * 2);
    }

    /** Finds what is staged; false where one of its files is gone or was cut short. */
    boolean open() throws SQLException, IOException {
        Files.createDirectories(folder);
        try (Statement statement = connection.createStatement()) {
            statement.execute(
                    "CREATE TABLE IF NOT EXISTS file(name VARCHAR, width INTEGER, bytes BIGINT, rows BIGINT)");
            statement.execute("CREATE TABLE IF NOT EXISTS file_sheet(name VARCHAR, tbl INTEGER, rows BIGINT)");
            try (ResultSet rows = statement.executeQuery("FROM file")) {
                while (rows.next()) {
                    files.put(
                            rows.getString(1),
                            new Kept(rows.getInt(2), rows.getLong(3), rows.getLong(4), new HashMap<>()));
                }
            }
            try (ResultSet rows = statement.executeQuery("FROM file_sheet")) {
                while (rows.next()) {
                    kept(rows.getString(1)).needed().put(rows.getInt(2), rows.getLong(3));
                }
            }
            statement.execute("CREATE TABLE IF NOT EXISTS staged_width(width INTEGER)");
            try (ResultSet tables = statement.executeQuery("FROM staged_width")) {
                while (tables.next()) {
                    widths.add(tables.getInt(1));
                }
            }
        }
        for (Map.Entry<String, Kept> file : files.entrySet()) {
            if (!StagedFile.isWhole(
                    folder.resolve(file.getKey()), file.getValue().bytes())) {
                return false;
            }
        }
        removeOthers();
        for (int width : widths) {
            view(width);
        }
        return true;
    }

    private Kept kept(String name) throws SQLException {
        Kept kept = files.get(name);
        if (kept == null) {
            throw new SQLException("nothing is known of the file " + name);
        }
        return kept;
    }

    /** Removes files that are not kept, such as those of a run that was stopped. */
    private void removeOthers() throws IOException {
        try (Stream<Path> found = Files.list(folder)) {
            for (Path path : found.toList()) {
                if (!files.containsKey(path.getFileName().toString())) {
                    Files.deleteIfExists(path);
                }
            }
        }
    }

    /** Makes what holds rows of a width, where it is not there yet. */
    synchronized void create(int width) throws SQLException {
        if (widths.add(width)) {
            try (Statement statement = connection.createStatement()) {
                statement.execute("CREATE TABLE IF NOT EXISTS " + table(width) + "(tbl INTEGER, row INTEGER"
                        + columns(width)
                                .map(column -> ", " + column + " VARCHAR")
                                .collect(Collectors.joining()) + ")");
                statement.execute("INSERT INTO staged_width VALUES (" + width + ")");
            }
            view(width);
        }
    }

    private static Stream<String> columns(int width) {
        return IntStream.range(0, width).mapToObj(i -> "c" + i);
    }

    /** The view names its files where they lie now: the folder may have been moved since it was last made. */
    private void view(int width) throws SQLException {
        String names = files.entrySet().stream()
                .filter(file -> file.getValue().width() == width)
                .map(file -> Sql.literal(folder.resolve(file.getKey()).toString()))
                .collect(Collectors.joining(", "));
        try (Statement statement = connection.createStatement()) {
            statement.execute("CREATE OR REPLACE VIEW " + of(width) + " AS FROM " + table(width)
                    + (names.isEmpty() ? "" : " UNION ALL FROM read_parquet([" + names + "])"));
        }
    }

    /** Takes a few rows in, as part of the transaction of a connection. */
    void add(DuckDBConnection by, ArrowFeed feed, StageBatch batch) throws SQLException {
        feed.insert(by, table(batch.columns()), batch);
    }

    /** A new file for many rows of a width; they are staged when it was {@linkplain #keep kept}. */
    StagedFile file(int width) throws IOException {
        return new StagedFile(folder.resolve(UUID.randomUUID() + ".parquet"), width);
    }

    /** Keeps a file that is whole. */
    synchronized void keep(StagedFile file) throws SQLException, IOException {
        create(file.columns());
        String name = file.file().getFileName().toString();
        Kept kept = new Kept(file.columns(), Files.size(file.file()), file.rows(), new HashMap<>(file.rowsBySheet()));
        inOneStep(statement -> write(statement, name, kept));
        files.put(name, kept);
        view(file.columns());
    }

    private static void write(Statement statement, String name, Kept kept) throws SQLException {
        statement.execute("INSERT INTO file VALUES (" + Sql.literal(name) + ", " + kept.width() + ", " + kept.bytes()
                + ", " + kept.rows() + ")");
        statement.execute("INSERT INTO file_sheet VALUES "
                + kept.needed().entrySet().stream()
                        .map(sheet -> "(" + Sql.literal(name) + ", " + sheet.getKey() + ", " + sheet.getValue() + ")")
                        .collect(Collectors.joining(", ")));
    }

    /** Moves the rows of a sheet to a greater width. */
    synchronized void move(DuckDBConnection by, int sheet, int from, int to) throws SQLException {
        create(from);
        create(to);
        String columns = columns(from).map(column -> ", " + column).collect(Collectors.joining());
        try (Statement statement = by.createStatement()) {
            statement.execute("INSERT INTO " + table(to) + " (tbl, row" + columns + ") SELECT tbl, row" + columns
                    + " FROM " + of(from) + " WHERE tbl = " + sheet);
            statement.execute("DELETE FROM " + table(from) + " WHERE tbl = " + sheet);
        }
        forget(number -> number == sheet, Set.of(from));
    }

    /** Writes the rows of a sheet to a file, from where {@link #takeBack} takes them. */
    synchronized void copyOut(int sheet, int width, Path file) throws SQLException {
        create(width);
        try (Statement statement = connection.createStatement()) {
            statement.execute("COPY (FROM " + of(width) + " WHERE tbl = " + sheet + " ORDER BY row) TO "
                    + Sql.literal(file.toString()) + " (FORMAT PARQUET)");
        }
    }

    /** Takes rows that were written by {@link #copyOut} as those of a sheet under a new number; answers how many. */
    synchronized long takeBack(int sheet, int width, Path file) throws SQLException {
        create(width);
        String columns = columns(width).map(column -> ", " + column).collect(Collectors.joining());
        try (Statement statement = connection.createStatement()) {
            return statement.executeUpdate("INSERT INTO " + table(width) + " (tbl, row" + columns + ") SELECT " + sheet
                    + ", row" + columns + " FROM read_parquet(" + Sql.literal(file.toString()) + ")");
        }
    }

    /** The greatest number that a sheet bears; 0 where there is none. */
    synchronized int lastSheet() throws SQLException {
        int last = 0;
        try (Statement statement = connection.createStatement()) {
            for (int width : widths) {
                try (ResultSet most = statement.executeQuery("SELECT coalesce(max(tbl), 0) FROM " + table(width))) {
                    most.next();
                    last = Math.max(last, most.getInt(1));
                }
            }
        }
        for (Kept file : files.values()) {
            for (int sheet : file.needed().keySet()) {
                last = Math.max(last, sheet);
            }
        }
        return last;
    }

    /** Removes the rows of all sheets but some. */
    synchronized void keepOnly(Set<Integer> sheets) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            for (int width : widths) {
                List<Integer> dead = new ArrayList<>();
                try (ResultSet ids = statement.executeQuery("SELECT DISTINCT tbl FROM " + table(width))) {
                    while (ids.next()) {
                        if (!sheets.contains(ids.getInt(1))) {
                            dead.add(ids.getInt(1));
                        }
                    }
                }
                if (!dead.isEmpty()) {
                    statement.execute("DELETE FROM " + table(width) + " WHERE tbl IN (" + join(dead) + ")");
                }
            }
        }
        forget(sheet -> !sheets.contains(sheet), Set.copyOf(widths));
        for (int width : widths) {
            gatherSmall(width);
        }
    }

    /** Some sheets are needed no longer: what is left of a file that is mostly for nothing becomes rows of the table. */
    private void forget(IntPredicate sheets, Set<Integer> ofWidths) throws SQLException {
        Set<Integer> changed = new TreeSet<>();
        for (Map.Entry<String, Kept> entry : Map.copyOf(files).entrySet()) {
            Kept kept = entry.getValue();
            if (!ofWidths.contains(kept.width()) || !kept.needed().keySet().removeIf(sheets::test)) {
                continue;
            }
            if (kept.mostlyNeeded()) {
                inOneStep(statement -> {
                    erase(statement, entry.getKey());
                    write(statement, entry.getKey(), kept);
                });
            } else {
                giveUp(entry.getKey(), kept);
                changed.add(kept.width());
            }
        }
        for (int width : changed) {
            view(width);
        }
    }

    /** Many small files would have to be opened whenever a row is asked for: their rows become rows of the table. */
    private void gatherSmall(int width) throws SQLException {
        Map<String, Kept> small = new LinkedHashMap<>(files);
        small.values().removeIf(kept -> kept.width() != width || kept.rows() >= SMALL_ROWS);
        if (small.size() > MOST_SMALL) {
            for (Map.Entry<String, Kept> entry : small.entrySet()) {
                giveUp(entry.getKey(), entry.getValue());
            }
            view(width);
        }
    }

    private void giveUp(String name, Kept kept) throws SQLException {
        inOneStep(statement -> {
            erase(statement, name);
            if (!kept.needed().isEmpty()) {
                statement.execute("INSERT INTO " + table(kept.width()) + " FROM read_parquet("
                        + Sql.literal(folder.resolve(name).toString()) + ") WHERE tbl IN ("
                        + join(kept.needed().keySet()) + ")");
            }
        });
        files.remove(name);
    }

    private static void erase(Statement statement, String name) throws SQLException {
        String is = " WHERE name = " + Sql.literal(name);
        statement.execute("DELETE FROM file_sheet" + is);
        statement.execute("DELETE FROM file" + is);
    }

    /** Work of several statements. */
    private interface Step {
        void take(Statement statement) throws SQLException;
    }

    private void inOneStep(Step step) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            statement.execute("BEGIN");
            try {
                step.take(statement);
                statement.execute("COMMIT");
            } catch (SQLException failed) {
                Sql.rollBack(connection, failed);
                throw failed;
            }
        }
    }

    @Override
    public void close() throws SQLException {
        connection.close();
    }

    private static String join(Collection<Integer> numbers) {
        return numbers.stream().map(String::valueOf).collect(Collectors.joining(","));
    }
}
