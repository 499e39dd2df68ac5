package cuvee.master;

import cuvee.value.Type;
import java.math.BigDecimal;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The rows of the master, before it is shaped, that have a value in a column; a date has its month as {@code 2026-03} too.
 *
 * @param byTable how many there are, by table number
 * @param sums what the number columns come to, by the place of the column; one without a number has none
 */
public record HeldRows(Map<Integer, Long> byTable, Map<Integer, BigDecimal> sums) {
    public HeldRows {
        byTable = Map.copyOf(byTable);
        sums = Map.copyOf(sums);
    }

    public long rows() {
        return byTable.values().stream().mapToLong(rows -> rows).sum();
    }

    /**
     * Those with a value in a column.
     *
     * @param numbers the places of the columns to be added up
     */
    public static HeldRows of(MasterReader reader, MasterPlan plan, int column, String value, List<Integer> numbers) {
        Type type = plan.columns().get(column).type();
        boolean dated = type.hasDay();
        String month = "strftime(m" + column + ", '%Y-%m')";
        String condition = (dated ? month + " = ? OR " : "") + "CAST(m" + column + " AS VARCHAR) = ?";
        StringBuilder sums = new StringBuilder();
        numbers.forEach(number -> sums.append(", CAST(sum(m").append(number).append(") AS VARCHAR)"));
        return Sql.ask("looking at the rows of a value", () -> {
            Map<Integer, Long> byTable = new HashMap<>();
            Map<Integer, BigDecimal> added = new LinkedHashMap<>();
            try (PreparedStatement statement = reader.connection()
                    .prepareStatement("SELECT tbl, count(*)" + sums + " FROM master WHERE aside = 0 AND (" + condition
                            + ") GROUP BY tbl")) {
                statement.setString(1, value);
                if (dated) {
                    statement.setString(2, value);
                }
                try (ResultSet rows = statement.executeQuery()) {
                    while (rows.next()) {
                        byTable.put(rows.getInt(1), rows.getLong(2));
                        for (int i = 0; i < numbers.size(); i++) {
                            String sum = rows.getString(3 + i);
                            if (sum != null) {
                                added.merge(numbers.get(i), new BigDecimal(sum), BigDecimal::add);
                            }
                        }
                    }
                }
            }
            return new HeldRows(byTable, added);
        });
    }
}
