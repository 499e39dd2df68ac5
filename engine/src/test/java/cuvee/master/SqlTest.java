package cuvee.master;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import org.duckdb.DuckDBConnection;
import org.junit.jupiter.api.Test;

/** What failed is told, and not what came of it. */
class SqlTest {
    @Test
    void whereTheMemoryIsFullItIsSaidWhatCanBeLeftOut() {
        assertThatThrownBy(() -> Sql.ask("making the master", () -> {
                    throw new SQLException("Out of Memory Error: could not allocate block of size 256.0 KiB");
                }))
                .hasMessageContaining("Leave out what does not belong to this master, or make several jobs of it.");
        assertThatThrownBy(() -> Sql.ask("making the master", () -> {
                    throw new SQLException("IO Error: no such file");
                }))
                .hasMessageContaining("delete the job's cache folder");
    }

    @Test
    void whatWasBegunIsTakenBackThoughTheStatementIsClosed() throws SQLException {
        try (DuckDBConnection connection =
                DriverManager.getConnection("jdbc:duckdb:").unwrap(DuckDBConnection.class)) {
            Statement statement = connection.createStatement();
            statement.execute("CREATE TABLE kept(a INTEGER)");
            statement.execute("BEGIN");
            statement.execute("INSERT INTO kept VALUES (1)");
            statement.close();
            SQLException failed = new SQLException("no room");
            Sql.rollBack(connection, failed);
            assertThat(failed.getSuppressed()).isEmpty();
            try (Statement after = connection.createStatement();
                    ResultSet rows = after.executeQuery("SELECT count(*) FROM kept")) {
                rows.next();
                assertThat(rows.getLong(1)).isZero();
            }
            Sql.rollBack(connection, failed);
            assertThat(failed.getSuppressed()).as("nothing was begun").hasSize(1);
        }
    }
}
