package cuvee.master;

import cuvee.sheet.CellKind;
import cuvee.sheet.Row;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.duckdb.DuckDBConnection;

/** Reads sheets as they were staged, blank rows left out. Whoever opens it closes it. */
public final class SheetReader implements AutoCloseable {
    private final DuckDBConnection connection;

    SheetReader(DuckDBConnection connection) {
        this.connection = connection;
    }

    /**
     * A sheet in staging.
     *
     * @param id the number under which its rows are staged
     * @param width the width of the staging table that holds them
     * @param lines true for text files, where a row takes as many lines as its cells have
     */
    public record Staged(int id, int width, boolean lines) {}

    /** A row with the texts of its cells; empty where there is none. */
    public record Line(int row, List<String> cells) {}

    /** The rows from one to another, both included. */
    public List<Line> page(Staged sheet, int firstRow, int lastRow) {
        List<Line> lines = new ArrayList<>();
        Sql.run(
                "reading a sheet",
                () -> replay(connection, sheet, firstRow, lastRow, row -> {
                    List<String> cells = new ArrayList<>(row.width());
                    for (int i = 0; i < row.width(); i++) {
                        cells.add(row.text(i));
                    }
                    lines.add(new Line(row.number(), cells));
                }));
        return lines;
    }

    /** Hands over rows again as the file had them; the row is valid only during the call. */
    static void replay(DuckDBConnection by, Staged sheet, int firstRow, int lastRow, Consumer<Row> receiver)
            throws SQLException {
        if (sheet.width() == 0) {
            return;
        }
        try (Statement statement = by.createStatement();
                ResultSet rows = statement.executeQuery("SELECT * FROM " + Staging.of(sheet.width())
                        + " WHERE tbl = " + sheet.id() + " AND row BETWEEN " + firstRow + " AND " + lastRow
                        + " ORDER BY row")) {
            Row row = new Row();
            int last = firstRow - 1;
            while (rows.next()) {
                int number = rows.getInt(2);
                int taken = sheet.lines() ? lineBreaks(row) : 0;
                row.begin(number, Math.max(0, number - last - 1 - taken));
                last = number;
                for (int i = 0; i < sheet.width(); i++) {
                    String cell = rows.getString(i + 3);
                    if (cell != null) {
                        row.set(i, CellKind.ofStaged(cell), CellKind.textOf(cell));
                    }
                }
                receiver.accept(row);
            }
        }
    }

    private static int lineBreaks(Row row) {
        int breaks = 0;
        for (int column = 0; column < row.width(); column++) {
            String text = row.text(column);
            for (int i = 0; i < text.length(); i++) {
                breaks += text.charAt(i) == '\n' ? 1 : 0;
            }
        }
        return breaks;
    }

    @Override
    public void close() {
        Sql.run("closing", connection::close);
    }
}
