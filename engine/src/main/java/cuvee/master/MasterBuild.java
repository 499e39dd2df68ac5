package cuvee.master;

import cuvee.layout.Origin;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.duckdb.DuckDBConnection;
import org.jspecify.annotations.Nullable;

/**
 * Makes the master table from staging. Each table's part is described by its shape, the SQL that reads it, and by what is
 * told of the table; a part that is what it was is left alone, so that a refresh costs what changed. Tables of one shape
 * are read in one statement.
 */
final class MasterBuild {
    private static final String HEAD = "a.what = 'head'";

    /** The note that says what columns the master has: the database's own list of them is slow at first. */
    private static final String COLUMNS = "columns";

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

    /** How tables of one shape are read: where from, and a select for each row that a record becomes. */
    private record Shape(String from, List<String> selects, List<String> blanks) {
        String key() {
            return from + String.join(" | ", selects) + String.join(" | ", blanks);
        }
    }

    long run() throws SQLException {
        Map<Integer, Shape> shapes = new LinkedHashMap<>();
        Map<Integer, String> parts = new LinkedHashMap<>();
        String changing = String.join("\n", computing("", true));
        for (MasterPlan.Table table : plan.tables()) {
            Shape shape = shape(table);
            shapes.put(table.id(), shape);
            parts.put(table.id(), digest(shape.key() + "\n" + told(table) + changing));
        }
        if (shapes.values().stream().anyMatch(shape -> Readings.needsFunction(shape.key()))
                || Readings.needsFunction(changing)
                || computing("", false).stream().anyMatch(Readings::needsFunction)) {
            registering.register();
        }
        try (Statement statement = connection.createStatement()) {
            boolean fresh = !columnList().equals(StoreNotes.get(connection, COLUMNS));
            Map<Integer, MasterPart> built = fresh ? Map.of() : MasterPart.in(connection);
            List<Integer> gone = new ArrayList<>();
            built.forEach((table, part) -> {
                if (!part.shape().equals(parts.get(table))) {
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
                long made = insert(statement, shapes, parts, built);
                boolean others = fresh || made > 0 || !gone.isEmpty();
                boolean computed = compute(statement, fresh);
                boolean marked = setAside(statement, others);
                EarlierRows.name(connection, plan);
                if (others || computed || marked) {
                    StoreNotes.put(
                            connection, StoreNotes.VERSION, UUID.randomUUID().toString());
                }
                statement.execute("COMMIT");
                return made;
            } catch (SQLException | RuntimeException failed) {
                Sql.rollBack(connection, failed);
                throw failed;
            }
        }
    }

    private List<String> computing(String where, boolean inPlace) {
        return new Computing(plan)
                .statements(
                        plan.makings().stream()
                                .filter(making -> making.inPlace() == inPlace)
                                .toList(),
                        where);
    }

    /** Fills the made columns: in all rows where a formula is another than before, else in those that are new. */
    private boolean compute(Statement statement, boolean allNew) throws SQLException {
        String fresh = " WHERE tbl IN (SELECT tbl FROM todo WHERE grp >= 0)";
        for (String changing : computing(fresh, true)) {
            // What cells hold is changed once; another formula makes all rows anew.
            statement.execute(changing);
        }
        boolean others = !rememberedAs("makings", computing("", false));
        for (String filling : computing(others || allNew ? "" : fresh, false)) {
            statement.execute(filling);
        }
        return others;
    }

    /** Remembers statements that were carried out; true where they are the same as the last. */
    private boolean rememberedAs(String name, List<String> statements) throws SQLException {
        String digest = statements.isEmpty() ? "" : digest(String.join("\n", statements));
        if (digest.equals(StoreNotes.get(connection, name))) {
            return true;
        }
        StoreNotes.put(connection, name, digest);
        return false;
    }

    /** Marks the rows that rules set aside, where rows, what they hold or rules are others than before. */
    private boolean setAside(Statement statement, boolean otherRows) throws SQLException {
        List<String> markings = new ArrayList<>();
        for (RowRule rule : plan.rules()) {
            markings.add(Marking.statement(rule, markings.size() + 1, plan));
        }
        List<String> all = new ArrayList<>(markings);
        all.addAll(markings.isEmpty() ? List.of() : computing("", false));
        if (rememberedAs("rules", all) && !(otherRows && !markings.isEmpty())) {
            return false;
        }
        statement.execute("UPDATE master SET aside = 0 WHERE aside <> 0");
        for (String marking : markings) {
            statement.execute(marking);
        }
        return true;
    }

    /** What a part is made of in few characters, since the SQL of a table with many columns across is long. */
    static String digest(String made) {
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256").digest(made.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(hash);
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    private String columnList() {
        StringBuilder columns = new StringBuilder("tbl INTEGER, row INTEGER, turned INTEGER, aside INTEGER");
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
        StoreNotes.put(connection, COLUMNS, columnList());
    }

    // ---- the shape of a table's part ----

    /** What is told of a table besides its shape: its rows, its place and the texts that stand for all of it. */
    private static String told(MasterPlan.Table table) {
        return table.firstRow() + "-" + table.lastRow() + "\n" + table.source() + "\n" + table.sheet() + "\n"
                + texts(table) + "\n" + table.lines().hashCode() + "\n" + table.corrected();
    }

    /** The texts that stand for all rows of a table, in the order of the columns that they feed. */
    private static List<String> texts(MasterPlan.Table table) {
        List<String> texts = new ArrayList<>();
        for (MasterPlan.Feed feed : table.feeds()) {
            if (feed != null && feed.origin() instanceof Origin.Told told) {
                texts.add(told.text());
            }
        }
        return texts;
    }

    private Shape shape(MasterPlan.Table table) {
        List<String> selects = new ArrayList<>();
        List<String> blanks = new ArrayList<>();
        int rows = Math.max(1, table.turned());
        for (int turned = 0; turned < rows; turned++) {
            StringBuilder select = new StringBuilder(table.turned() == 0 ? ", 0, 0" : ", " + (turned + 1) + ", 0");
            List<String> values = new ArrayList<>();
            int told = 0;
            for (int i = 0; i < plan.columns().size(); i++) {
                MasterPlan.Feed feed = table.feeds().get(i);
                if (feed == null) {
                    select.append(", NULL");
                    continue;
                }
                String cell = feed.origin().match(new Cells(table, turned, told));
                told += feed.origin() instanceof Origin.Told ? 1 : 0;
                if (feed.origin() instanceof Origin.Values across && !across.blanks() && !cell.equals("NULL")) {
                    values.add(cell);
                }
                select.append(", ")
                        .append(
                                cell.equals("NULL")
                                        ? cell
                                        : Readings.expression(
                                                cell, plan.columns().get(i), feed));
            }
            for (MasterPlan.Tag tag : plan.tags()) {
                select.append(", ")
                        .append(tag.kind() == MasterPlan.TagKind.SOURCE_FILE ? "s.file" : "nullif(s.sheet, '')");
            }
            selects.add(select.toString());
            blanks.add(values.stream().map(Readings::isBlank).collect(Collectors.joining(" AND ")));
        }
        return new Shape(from(table), selects, blanks);
    }

    /** The text of the store that stands for a feed's raw cell in the row that a record becomes. */
    private record Cells(MasterPlan.Table table, int turned, int told) implements Origin.Match<String> {
        @Override
        public String cell(Origin.Cell cell) {
            return "s.c" + cell.index();
        }

        @Override
        public String line(Origin.Line line) {
            return "s.line" + line.level();
        }

        @Override
        public String label(Origin.Label label) {
            String text = label.labels().get(turned);
            return text.isEmpty() ? "NULL" : Sql.literal(text);
        }

        @Override
        public String values(Origin.Values values) {
            int column = values.columns().get(turned);
            return column < 0 ? "NULL" : "s.c" + column;
        }

        @Override
        public String told(Origin.Told text) {
            return "s.g" + told;
        }

        @Override
        public String at(Origin.At at) {
            return table.corrected().stream()
                    .filter(cell -> cell.row() == at.row() && cell.column() == at.index())
                    .map(cell -> "nullif(" + Sql.literal(cell.to()) + ", '')")
                    .findFirst()
                    .orElse("(SELECT any_value(f.c" + at.index() + ") FROM " + Staging.of(table.width())
                            + " f WHERE f.tbl = s.tbl AND f.row = " + at.row() + ")");
        }
    }

    /** The relation that a table's rows are read from; {@code GRP} stands for the group and {@code ZONE} for its range. */
    private static String from(MasterPlan.Table table) {
        int texts = texts(table).size();
        boolean headed = !carried(table).isEmpty() && !table.heads().isEmpty();
        String told = IntStream.range(0, texts).mapToObj(i -> ", p.g" + i).collect(Collectors.joining());
        String rows = "SELECT s.*, p.tbl AS part, p.file, p.sheet" + told + " FROM " + Staging.of(table.width())
                + " s JOIN todo p ON s.tbl = p.staged WHERE p.grp = GRP AND s.row BETWEEN p.first AND p.last ZONE"
                + (table.hasAside()
                        ? " AND NOT EXISTS (" + asideOf("p.tbl") + (headed ? " AND NOT " + HEAD : "") + ")"
                        : "");
        for (int column : correctedColumns(table)) {
            rows = "SELECT s.* REPLACE (CASE WHEN k.row IS NULL THEN s.c" + column + " ELSE nullif(k.said, '') END AS c"
                    + column + ") FROM (" + rows
                    + ") s LEFT JOIN correction k ON k.tbl = s.part AND k.row = s.row AND k.col = "
                    + column;
        }
        String carried = carried(table);
        if (!carried.isEmpty()) {
            String head = headed ? "EXISTS (" + asideOf("s.part") + " AND " + HEAD + ")" : "false";
            rows = "SELECT * REPLACE (" + carried + ") FROM (SELECT s.*, " + head + " AS head FROM (" + rows + ") s)";
            rows = "SELECT * EXCLUDE (head) FROM (" + rows + ") WHERE NOT head";
        }
        for (int level : levels(table)) {
            rows = "SELECT s.*, l.text AS line" + level + " FROM (" + rows
                    + ") s ASOF LEFT JOIN (SELECT tbl, row, text FROM line WHERE level = " + level
                    + ") l ON l.tbl = s.part AND l.row <= s.row";
        }
        return rows;
    }

    private static String asideOf(String table) {
        return "FROM aside a WHERE a.tbl = " + table + " AND a.row = s.row";
    }

    private static Set<Integer> correctedColumns(MasterPlan.Table table) {
        Set<Integer> columns = new TreeSet<>();
        table.corrected().forEach(cell -> columns.add(cell.column()));
        return columns;
    }

    private static Set<Integer> levels(MasterPlan.Table table) {
        Set<Integer> levels = new TreeSet<>();
        for (MasterPlan.Feed feed : table.feeds()) {
            if (feed != null && feed.origin() instanceof Origin.Line line) {
                levels.add(line.level());
            }
        }
        return levels;
    }

    private static String carried(MasterPlan.Table table) {
        List<String> carried = new ArrayList<>();
        for (MasterPlan.Feed feed : table.feeds()) {
            if (feed != null && feed.origin() instanceof Origin.Cell cell && cell.carried()) {
                String c = "c" + cell.index();
                // What a head leaves blank is blank in the rows below it, whatever the head before it says; a ditto
                // mark
                // repeats what is blank, too.
                String own = cell.carrying() == Origin.Carrying.MARKS
                        ? "CASE WHEN NOT " + Readings.isDitto(c) + " THEN coalesce(" + c + ", '') END"
                        : "CASE WHEN " + Readings.isBlank(c) + " THEN CASE WHEN head THEN '' END ELSE " + c + " END";
                carried.add("last_value(" + own + " IGNORE NULLS) OVER (PARTITION BY part ORDER BY row) AS " + c);
            }
        }
        return String.join(", ", carried);
    }

    // ---- making ----

    private long insert(
            Statement statement, Map<Integer, Shape> shapes, Map<Integer, String> parts, Map<Integer, MasterPart> built)
            throws SQLException {
        int texts = plan.tables().stream()
                .mapToInt(table -> texts(table).size())
                .max()
                .orElse(0);
        String told =
                IntStream.range(0, texts).mapToObj(i -> ", g" + i + " VARCHAR").collect(Collectors.joining());
        statement.execute("CREATE OR REPLACE TEMP TABLE todo(tbl INTEGER, staged INTEGER, ord INTEGER, first INTEGER,"
                + " last INTEGER, shape VARCHAR, file VARCHAR, sheet VARCHAR, grp INTEGER" + told + ")");
        statement.execute("CREATE OR REPLACE TEMP TABLE line(tbl INTEGER, row INTEGER, level INTEGER, text VARCHAR)");
        Map<String, Integer> groups = new LinkedHashMap<>();
        Map<Integer, Shape> shapeOf = new HashMap<>();
        try (var appender = connection.createAppender(DuckDBConnection.DEFAULT_SCHEMA, "todo")) {
            int order = 0;
            for (MasterPlan.Table table : plan.tables()) {
                Shape shape = shapes.get(table.id());
                MasterPart before = built.get(table.id());
                boolean unchanged = before != null && before.shape().equals(parts.get(table.id()));
                int group = unchanged || shape == null ? -1 : groups.computeIfAbsent(shape.key(), key -> groups.size());
                if (shape != null && group >= 0) {
                    shapeOf.putIfAbsent(group, shape);
                }
                appender.beginRow();
                appender.append(table.id());
                appender.append(table.staged());
                appender.append(order++);
                appender.append(table.firstRow());
                appender.append(table.lastRow());
                appender.append(parts.get(table.id()));
                appender.append(table.source());
                appender.append(table.sheet());
                appender.append(group);
                List<String> own = texts(table);
                for (int i = 0; i < texts; i++) {
                    appender.append(i < own.size() ? own.get(i) : null);
                }
                appender.endRow();
            }
        }
        putLines();
        putCorrections(statement);
        long made = 0;
        Map<Integer, Long> blanks = new HashMap<>();
        for (Map.Entry<Integer, Shape> group : shapeOf.entrySet()) {
            made += make(statement, group.getKey(), group.getValue(), blanks);
        }
        keepParts(statement, parts, built, blanks);
        return made;
    }

    private void putCorrections(Statement statement) throws SQLException {
        statement.execute(
                "CREATE OR REPLACE TEMP TABLE correction(tbl INTEGER, row INTEGER, col INTEGER, said VARCHAR)");
        try (var appender = connection.createAppender(DuckDBConnection.DEFAULT_SCHEMA, "correction")) {
            for (MasterPlan.Table table : plan.tables()) {
                for (MasterPlan.Corrected cell : table.corrected()) {
                    appender.beginRow();
                    appender.append(table.id());
                    appender.append(cell.row());
                    appender.append(cell.column());
                    appender.append(cell.to());
                    appender.endRow();
                }
            }
        }
    }

    private void putLines() throws SQLException {
        try (var appender = connection.createAppender(DuckDBConnection.DEFAULT_SCHEMA, "line")) {
            for (MasterPlan.Table table : plan.tables()) {
                for (MasterPlan.Line line : table.lines()) {
                    appender.beginRow();
                    appender.append(table.id());
                    appender.append(line.row());
                    appender.append(line.level());
                    appender.append(line.text());
                    appender.endRow();
                }
            }
        }
    }

    /** Makes the rows of one shape's tables, and counts the turned cells that are blank. */
    private static long make(Statement statement, int group, Shape shape, Map<Integer, Long> blanks)
            throws SQLException {
        String from = shape.from().replace("GRP", String.valueOf(group)).replace("ZONE", zone(group, statement));
        long made = 0;
        for (int i = 0; i < shape.selects().size(); i++) {
            String blank = shape.blanks().get(i);
            made += statement.executeUpdate("INSERT INTO master SELECT s.part, s.row"
                    + shape.selects().get(i) + " FROM (" + from + ") s"
                    + (blank.isEmpty() ? "" : " WHERE NOT (" + blank + ")"));
        }
        List<String> counted =
                shape.blanks().stream().filter(blank -> !blank.isEmpty()).toList();
        if (!counted.isEmpty()) {
            String sum = counted.stream()
                    .map(blank -> "count(*) FILTER (WHERE " + blank + ")")
                    .collect(Collectors.joining(" + "));
            try (ResultSet rows =
                    statement.executeQuery("SELECT s.part, " + sum + " FROM (" + from + ") s GROUP BY s.part")) {
                while (rows.next()) {
                    blanks.put(rows.getInt(1), rows.getLong(2));
                }
            }
        }
        return made;
    }

    /** Keeps what each part was made of, and for turned tables how many rows it came to. */
    private void keepParts(
            Statement statement, Map<Integer, String> parts, Map<Integer, MasterPart> built, Map<Integer, Long> blanks)
            throws SQLException {
        Map<Integer, Long> made = new HashMap<>();
        if (plan.tables().stream().anyMatch(table -> table.turned() > 0)) {
            try (ResultSet rows =
                    statement.executeQuery("SELECT tbl, count(*) FROM master WHERE turned > 0 GROUP BY tbl")) {
                while (rows.next()) {
                    made.put(rows.getInt(1), rows.getLong(2));
                }
            }
        }
        statement.execute("DELETE FROM part");
        try (var appender = connection.createAppender(DuckDBConnection.DEFAULT_SCHEMA, "part")) {
            int order = 0;
            for (MasterPlan.Table table : plan.tables()) {
                @Nullable MasterPart before = built.get(table.id());
                appender.beginRow();
                appender.append(table.id());
                appender.append(order++);
                appender.append(parts.get(table.id()));
                appender.append(table.turned() > 0 ? made.getOrDefault(table.id(), 0L) : (long) table.kept());
                appender.append(
                        before != null && before.shape().equals(parts.get(table.id()))
                                ? before.blanks()
                                : blanks.getOrDefault(table.id(), 0L));
                appender.endRow();
            }
        }
    }

    /** The range of table numbers of a group, so that the store skips what lies outside. */
    private static String zone(int group, Statement statement) throws SQLException {
        try (ResultSet range =
                statement.executeQuery("SELECT min(staged), max(staged) FROM todo WHERE grp = " + group)) {
            return range.next() ? " AND s.tbl BETWEEN " + range.getInt(1) + " AND " + range.getInt(2) : "";
        }
    }
}
