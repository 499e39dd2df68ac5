package cuvee.master;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A row of the master with where it came from.
 *
 * @param turned which of the columns that run across it came from, from 0; -1 where none do
 */
public record MasterLine(int table, int row, int turned, List<@Nullable String> values) {
    /** A row of so many values, behind where it came from. */
    static MasterLine read(ResultSet rows, int width) throws SQLException {
        List<@Nullable String> values = new ArrayList<>(width);
        for (int i = 0; i < width; i++) {
            values.add(rows.getString(i + 4));
        }
        return new MasterLine(rows.getInt(1), rows.getInt(2), rows.getInt(3) - 1, values);
    }
}
