package cuvee.master;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Properties;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.duckdb.DuckDBConnection;

/**
 * A master as it was once, in a Parquet file that {@link MasterReader#writeParquet} wrote, to be read like the present one.
 * Its tags are columns like the others. Whoever opens it closes it.
 */
public final class KeptMaster implements AutoCloseable {
    private final DuckDBConnection connection;
    private final MasterPlan plan;

    private KeptMaster(DuckDBConnection connection, MasterPlan plan) {
        this.connection = connection;
        this.plan = plan;
    }

    /**
     * Opens one.
     *
     * @param columns all its columns in their order, those of its tags as texts
     * @throws IOException where the file is gone or is not such a master
     */
    public static KeptMaster open(Path file, List<MasterPlan.Column> columns) throws IOException {
        if (!Files.exists(file)) {
            throw new NoSuchFileException(file.toString());
        }
        try {
            DuckDBConnection connection = memory();
            boolean ready = false;
            try (Statement statement = connection.createStatement()) {
                String values = IntStream.range(0, columns.size())
                        .mapToObj(i -> ", " + Sql.name(columns.get(i).name()) + " AS m" + i)
                        .collect(Collectors.joining());
                statement.execute(
                        "CREATE VIEW shown AS SELECT 0 AS tbl, CAST(file_row_number + 1 AS INTEGER) AS row, 0 AS"
                                + " turned, 0 AS aside, 0 AS from_tbl, CAST(file_row_number + 1 AS INTEGER) AS from_row, 0 AS"
                                + " from_turned" + values + " FROM read_parquet(" + Sql.literal(file.toString())
                                + ", file_row_number = true)");
                long rows;
                try (ResultSet count = statement.executeQuery("SELECT count(*) FROM shown")) {
                    count.next();
                    rows = count.getLong(1);
                }
                KeptMaster kept =
                        new KeptMaster(connection, new MasterPlan(columns, List.of(), List.of(Shaper.whole(rows))));
                ready = true;
                return kept;
            } finally {
                if (!ready) {
                    connection.close();
                }
            }
        } catch (SQLException broken) {
            throw new IOException(broken);
        }
    }

    private static DuckDBConnection memory() throws SQLException {
        Properties settings = new Properties();
        settings.setProperty("threads", "2");
        settings.setProperty("autoinstall_known_extensions", "false");
        settings.setProperty("autoload_known_extensions", "false");
        try {
            return DuckDBConnection.newConnection("jdbc:duckdb:", false, settings);
        } catch (SQLException failed) {
            throw failed;
        } catch (Exception failed) {
            throw new SQLException(failed);
        }
    }

    /** Its columns; its rows are read by it. */
    public MasterPlan plan() {
        return plan;
    }

    public long rows() {
        return plan.tables().get(0).kept();
    }

    /** Reads its rows; many may be made. */
    public MasterReader reader() {
        return new MasterReader(Sql.ask("opening", connection::duplicate), plan);
    }

    @Override
    public void close() {
        Sql.run("closing", connection::close);
    }
}
