package cuvee.master;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.HashMap;
import java.util.Map;
import org.duckdb.DuckDBConnection;

/**
 * A table's part of the master as it is in the store.
 *
 * @param shape what it was made of
 * @param made how many rows of the master it came to
 * @param blanks how many rows it would have come to but for blank cells that were turned
 */
public record MasterPart(String shape, long made, long blanks) {
    /** The parts of the master as they are in the store, by table number. */
    static Map<Integer, MasterPart> in(DuckDBConnection connection) throws SQLException {
        Map<Integer, MasterPart> parts = new HashMap<>();
        try (Statement statement = connection.createStatement();
                ResultSet rows = statement.executeQuery("SELECT tbl, shape, made, blanks FROM part")) {
            while (rows.next()) {
                parts.put(rows.getInt(1), new MasterPart(rows.getString(2), rows.getLong(3), rows.getLong(4)));
            }
        }
        return parts;
    }
}
