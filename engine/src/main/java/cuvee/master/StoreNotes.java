package cuvee.master;

import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import org.duckdb.DuckDBConnection;

/** Short notes that a store keeps of itself, by name. */
final class StoreNotes {

    /** The note that changes with every change of the master. */
    static final String VERSION = "version";

    private StoreNotes() {}

    /** A note; empty where there is none. */
    static String get(DuckDBConnection connection, String name) throws SQLException {
        try (PreparedStatement query = connection.prepareStatement("SELECT content FROM meta WHERE name = ?")) {
            query.setString(1, name);
            try (ResultSet rows = query.executeQuery()) {
                return rows.next() ? rows.getString(1) : "";
            }
        }
    }

    static void put(DuckDBConnection connection, String name, String content) throws SQLException {
        try (PreparedStatement delete = connection.prepareStatement("DELETE FROM meta WHERE name = ?");
                PreparedStatement insert = connection.prepareStatement("INSERT INTO meta VALUES (?, ?)")) {
            delete.setString(1, name);
            delete.execute();
            insert.setString(1, name);
            insert.setString(2, content);
            insert.execute();
        }
    }
}
