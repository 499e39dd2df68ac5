package cuvee.master;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.duckdb.DuckDBConnection;

/**
 * Makes the master table from staging. Each table's part is described by its shape, the SQL that reads it; a part whose
 * shape and columns are what they were is left alone, so that a refresh costs what changed.
 */
final class MasterBuild {
    private final DuckDBConnection connection;
    private final MasterPlan plan;
    private final Registering registering;

    /** Registers the function that some readings need. */
    interface Registering {
        void register() throws SQLException;
    }

    MasterBuild(DuckDBConnection connection, MasterPlan plan, Registering registering) {
        this.connection = connection;
        this.plan = plan;
        this.registering = registering;
    }

    long run() throws SQLException {
        Map<Integer, String> shapes = new LinkedHashMap<>();
        for (MasterPlan.Table table : plan.tables()) {
            shapes.put(table.id(), shape(table));
        }
        if (shapes.values().stream().anyMatch(Readings::needsFunction)) {
            registering.register();
        }
        try (Statement statement = connection.createStatement()) {
            boolean fresh = !columnsAsPlanned(statement);
            Map<Integer, String> built = fresh ? Map.of() : Store.parts(connection);
            List<Integer> gone = new ArrayList<>();
            built.forEach((table, shape) -> {
                if (!shape.equals(shapes.get(table))) {
                    gone.add(table);
                }
            });
            statement.execute("BEGIN");
            try {
                if (fresh) {
                    createMaster(statement);
                } else if (!gone.isEmpty()) {
                    String ids = gone.stream().map(String::valueOf).collect(Collectors.joining(","));
                    statement.execute("DELETE FROM master WHERE tbl IN (" + ids + ")");
                }
                long made = insert(statement, shapes, built);
                statement.execute("COMMIT");
                return made;
            } catch (SQLException | RuntimeException failed) {
                statement.execute("ROLLBACK");
                throw failed;
            }
        }
    }

    private boolean columnsAsPlanned(Statement statement) throws SQLException {
        StringBuilder found = new StringBuilder();
        try (ResultSet columns = statement.executeQuery(
                "SELECT column_name || ' ' || data_type FROM duckdb_columns() WHERE table_name = 'master' ORDER BY column_index")) {
            while (columns.next()) {
                found.append(found.length() == 0 ? "" : ", ").append(columns.getString(1));
            }
        }
        return found.toString().equals(columnList());
    }

    private String columnList() {
        StringBuilder columns = new StringBuilder("tbl INTEGER, row INTEGER");
        for (int i = 0; i < plan.columns().size(); i++) {
            columns.append(", m")
                    .append(i)
                    .append(' ')
                    .append(plan.columns().get(i).sqlType());
        }
        for (int i = 0; i < plan.tags().size(); i++) {
            columns.append(", t").append(i).append(" VARCHAR");
        }
        return columns.toString();
    }

    private void createMaster(Statement statement) throws SQLException {
        statement.execute("DROP TABLE IF EXISTS master");
        statement.execute("CREATE TABLE master(" + columnList() + ")");
        statement.execute("DELETE FROM part");
    }

    /** The part of a select that reads one table's rows; equal shapes are read in one statement. */
    private String shape(MasterPlan.Table table) {
        StringBuilder shape = new StringBuilder();
        for (int i = 0; i < plan.columns().size(); i++) {
            MasterPlan.Feed feed = table.feeds().get(i);
            shape.append(", ")
                    .append(
                            feed == null
                                    ? "NULL"
                                    : Readings.expression(
                                            "s.c" + feed.column(),
                                            plan.columns().get(i),
                                            feed));
        }
        for (MasterPlan.Tag tag : plan.tags()) {
            shape.append(", ").append(tag.kind() == MasterPlan.TagKind.SOURCE_FILE ? "p.file" : "nullif(p.sheet, '')");
        }
        return shape.append(" FROM ")
                .append(Store.staging(table.width()))
                .append(table.hasAside() ? " s ASIDE " : " s ")
                .append(table.firstRow())
                .append('-')
                .append(table.lastRow())
                .toString();
    }

    private long insert(Statement statement, Map<Integer, String> shapes, Map<Integer, String> built)
            throws SQLException {
        statement.execute(
                "CREATE OR REPLACE TEMP TABLE todo(tbl INTEGER, staged INTEGER, ord INTEGER, first INTEGER, last INTEGER, shape VARCHAR, file VARCHAR, sheet VARCHAR, grp INTEGER)");
        Map<String, Integer> groups = new LinkedHashMap<>();
        List<MasterPlan.Table> samples = new ArrayList<>();
        try (var appender = connection.createAppender(DuckDBConnection.DEFAULT_SCHEMA, "todo")) {
            int order = 0;
            for (MasterPlan.Table table : plan.tables()) {
                String shape = shape(table);
                String select = shape.replaceFirst(" [0-9-]+$", "");
                boolean unchanged =
                        Optional.ofNullable(shapes.get(table.id())).equals(Optional.ofNullable(built.get(table.id())));
                int group = unchanged
                        ? -1
                        : groups.computeIfAbsent(select, s -> {
                            samples.add(table);
                            return groups.size();
                        });
                appender.beginRow();
                appender.append(table.id());
                appender.append(table.staged());
                appender.append(order++);
                appender.append(table.firstRow());
                appender.append(table.lastRow());
                appender.append(shape);
                appender.append(table.source());
                appender.append(table.sheet());
                appender.append(group);
                appender.endRow();
            }
        }
        long made = 0;
        for (Map.Entry<String, Integer> group : groups.entrySet()) {
            boolean aside = group.getKey().contains(" s ASIDE");
            String select = group.getKey().replaceFirst(" ASIDE", "");
            made += statement.executeUpdate("INSERT INTO master SELECT p.tbl, s.row" + select
                    + " JOIN todo p ON s.tbl = p.staged WHERE p.grp = " + group.getValue()
                    + " AND s.row BETWEEN p.first AND p.last"
                    + zone(samples.get(group.getValue()), group.getValue(), statement)
                    + (aside ? " AND NOT EXISTS (FROM aside a WHERE a.tbl = p.tbl AND a.row = s.row)" : ""));
        }
        statement.execute("DELETE FROM part");
        statement.execute("INSERT INTO part SELECT tbl, ord, first, last, shape FROM todo ORDER BY ord");
        return made;
    }

    /** The range of table numbers of a group, so that the store skips what lies outside. */
    private static String zone(MasterPlan.Table sample, int group, Statement statement) throws SQLException {
        try (ResultSet range =
                statement.executeQuery("SELECT min(staged), max(staged) FROM todo WHERE grp = " + group)) {
            return range.next()
                    ? " AND s.tbl BETWEEN " + range.getInt(1) + " AND " + range.getInt(2)
                    : " AND s.tbl = " + sample.staged();
        }
    }
}
