package cuvee.master;

import cuvee.sheet.Row;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.duckdb.DuckDBConnection;

/**
 * Stages rows as found. One writer belongs to one thread; rows of many small tables share a batch. Whoever opens it
 * closes it; what was not flushed is lost, so {@link #flush} ends the work.
 */
public final class StageWriter implements AutoCloseable {
    private static final int HEAD_ROWS = 64;
    private final Store store;
    private final DuckDBConnection connection;
    private final Map<Integer, StageBatch> batches = new TreeMap<>();
    private final List<Row> head = new ArrayList<>();
    private final Set<Integer> visible = new HashSet<>();
    private int table;
    private int width;

    StageWriter(Store store, DuckDBConnection connection) {
        this.store = store;
        this.connection = connection;
    }

    /** Begins a sheet whose rows get this table number. */
    public void begin(int tableId) {
        settleHead();
        table = tableId;
        width = 0;
    }

    /** The table number under which rows are staged. */
    public int table() {
        return table;
    }

    public void add(Row row) {
        if (width == 0) {
            head.add(row.copy());
            if (head.size() >= HEAD_ROWS) {
                settleHead();
            }
        } else {
            write(row);
        }
    }

    /** Brings everything into the store. */
    public void flush() {
        settleHead();
        batches.values().forEach(this::flush);
        Sql.run("staging rows", this::commit);
    }

    @Override
    public void close() {
        Sql.run("closing", connection::close);
    }

    /** The width of the staging table that holds the sheet's rows; valid after its last row. */
    public int width() {
        settleHead();
        return width;
    }

    private void settleHead() {
        if (head.isEmpty()) {
            return;
        }
        width = Store.widthFor(head.stream().mapToInt(Row::width).max().orElse(1));
        List<Row> rows = new ArrayList<>(head);
        head.clear();
        rows.forEach(this::write);
    }

    private void write(Row row) {
        if (row.width() > width) {
            widen(Store.widthFor(row.width()));
        }
        StageBatch batch = batches.computeIfAbsent(width, StageBatch::new);
        batch.add(table, row);
        if (batch.full()) {
            flush(batch);
        }
    }

    /** A later row is wider than all before: the sheet's rows move to a wider table. */
    private void widen(int wider) {
        StageBatch batch = batches.get(width);
        if (batch != null) {
            flush(batch);
        }
        Sql.run("moving rows", () -> {
            commit();
            store.moveStaged(connection, table, width, wider);
        });
        width = wider;
    }

    private void flush(StageBatch batch) {
        if (batch.count() == 0) {
            return;
        }
        Sql.run("staging rows", () -> insert(batch));
        batch.clear();
    }

    /**
     * All batches of a writer are one transaction: the store then writes whole row groups as they come, rather than
     * every batch twice, to its log and at the next checkpoint (docs/decisions.md).
     */
    private void insert(StageBatch batch) throws SQLException {
        if (!visible.contains(batch.columns())) {
            // A table made after the transaction began, by this writer or another, would not be seen by it.
            commit();
            store.createStaging(batch.columns());
            visible.add(batch.columns());
        }
        if (connection.getAutoCommit()) {
            connection.setAutoCommit(false);
        }
        store.feed().insert(connection, Store.staging(batch.columns()), batch);
    }

    private void commit() throws SQLException {
        if (!connection.getAutoCommit()) {
            connection.commit();
            connection.setAutoCommit(true);
        }
    }
}
