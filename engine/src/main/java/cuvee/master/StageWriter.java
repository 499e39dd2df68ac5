package cuvee.master;

import cuvee.sheet.Row;
import java.io.IOException;
import java.nio.file.Files;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.duckdb.DuckDBConnection;
import org.jspecify.annotations.Nullable;

/**
 * Stages rows as found. One writer belongs to one thread; rows of many small tables share a batch. A few rows are taken
 * into the store, many are written to a file beside it. Whoever opens it closes it; what was not flushed is lost, so
 * {@link #flush} ends the work.
 */
public final class StageWriter implements AutoCloseable {
    private static final int HEAD_ROWS = 64;
    /** No sheet begins in a file that has so many rows, so that a file is seldom needed for a part of them only. */
    private static final int ENOUGH_ROWS = 500_000;

    private final Staging staging;
    private final ArrowFeed feed;
    private final DuckDBConnection connection;
    private final Map<Integer, StageBatch> batches = new TreeMap<>();
    private final Map<Integer, StagedFile> files = new TreeMap<>();
    private final List<Row> head = new ArrayList<>();
    private final Set<Integer> visible = new HashSet<>();
    private @Nullable StageBatch current;
    private int table;
    private int width;

    StageWriter(Staging staging, ArrowFeed feed, DuckDBConnection connection) {
        this.staging = staging;
        this.feed = feed;
        this.connection = connection;
    }

    /** Begins a sheet whose rows get this table number. */
    public void begin(int tableId) {
        settleHead();
        for (StagedFile file : List.copyOf(files.values())) {
            if (file.rows() >= ENOUGH_ROWS) {
                Sql.run("staging rows", () -> end(file.columns()));
            }
        }
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
        Sql.run("staging rows", () -> {
            for (int each : batches.keySet()) {
                end(each);
            }
            commit();
        });
    }

    @Override
    public void close() {
        Sql.run("closing", () -> {
            try {
                for (StagedFile unfinished : files.values()) {
                    unfinished.close();
                    Files.deleteIfExists(unfinished.file());
                }
            } catch (IOException failed) {
                throw new SQLException(failed);
            } finally {
                connection.close();
            }
        });
    }

    /** The width under which the sheet's rows are staged; valid after its last row. */
    public int width() {
        settleHead();
        return width;
    }

    private void settleHead() {
        if (head.isEmpty()) {
            return;
        }
        width = Staging.widthFor(head.stream().mapToInt(Row::width).max().orElse(1));
        List<Row> rows = new ArrayList<>(head);
        head.clear();
        rows.forEach(this::write);
    }

    private void write(Row row) {
        if (row.width() > width) {
            widen(Staging.widthFor(row.width()));
        }
        StageBatch batch = current;
        if (batch == null || batch.columns() != width) {
            batch = batches.computeIfAbsent(width, StageBatch::new);
            current = batch;
        }
        batch.add(table, row);
        if (batch.full()) {
            write(batch);
        }
    }

    private void write(StageBatch batch) {
        Sql.run("staging rows", () -> toFile(batch));
    }

    /** A later row is wider than all before: the sheet's rows move to a greater width. */
    private void widen(int wider) {
        Sql.run("moving rows", () -> {
            end(width);
            commit();
            staging.move(connection, table, width, wider);
        });
        width = wider;
    }

    /** Brings all rows of a width into the store. */
    private void end(int ofWidth) throws SQLException {
        StageBatch batch = batches.get(ofWidth);
        if (batch == null) {
            return;
        }
        StagedFile file = files.remove(ofWidth);
        if (file != null) {
            try (file) {
                if (batch.count() > 0) {
                    file.add(batch);
                    batch.clear();
                }
                file.finish();
                staging.keep(file);
            } catch (IOException failed) {
                throw new SQLException(failed);
            }
        } else if (batch.count() > 0) {
            toTable(batch);
        }
    }

    private void toFile(StageBatch batch) throws SQLException {
        try {
            StagedFile file = files.get(batch.columns());
            if (file == null) {
                file = staging.file(batch.columns());
                files.put(batch.columns(), file);
            }
            file.add(batch);
        } catch (IOException failed) {
            throw new SQLException(failed);
        }
        batch.clear();
    }

    /**
     * All batches of a writer are one transaction: the store then writes whole row groups as they come, rather than
     * every batch twice, to its log and at the next checkpoint (docs/decisions.md).
     */
    private void toTable(StageBatch batch) throws SQLException {
        if (!visible.contains(batch.columns())) {
            // A table made after the transaction began, by this writer or another, would not be seen by it.
            commit();
            staging.create(batch.columns());
            visible.add(batch.columns());
        }
        if (connection.getAutoCommit()) {
            connection.setAutoCommit(false);
        }
        staging.add(connection, feed, batch);
        batch.clear();
    }

    private void commit() throws SQLException {
        if (!connection.getAutoCommit()) {
            connection.commit();
            connection.setAutoCommit(true);
        }
    }
}
