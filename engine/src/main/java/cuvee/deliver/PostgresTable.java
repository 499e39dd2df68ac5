package cuvee.deliver;

import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.job.Delivery.How;
import cuvee.job.Delivery.Table;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.Type;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import java.util.stream.Collectors;
import org.postgresql.PGConnection;
import org.postgresql.copy.CopyIn;

/**
 * Writes the master into a table of a PostgreSQL database, in one transaction: either all of it is there, or what was there
 * before. Rows go by COPY into a table of the session, and from there into the table, so that what would change can be
 * counted before anything does. A password is taken from the environment (PGPASSWORD) or the database's own password file,
 * never from a job.
 */
public final class PostgresTable {
    /** What an address of a database begins with. */
    public static final String ADDRESS = "postgresql://";

    private static final String MARK = "Cuvee master";
    private static final int FULL = 1 << 16;
    private static final int SECONDS = 10;

    private PostgresTable() {}

    /**
     * What writing came to, or would come to.
     *
     * @param made true where the table was not there
     */
    public record Report(boolean made, long added, long changed, long removed, long kept) {
        public String said() {
            return (made ? "new table; " : "") + Says.count(added, "row") + " added, " + Says.number(changed)
                    + " changed, " + Says.number(removed) + " removed, " + Says.number(kept) + " as they were";
        }
    }

    /** Tells what writing would do, and changes nothing. */
    public static Report look(Content content, String address, Table table) {
        return run(content, address, table, TargetGuard.Existing.REPLACE, false);
    }

    /**
     * Writes the rows.
     *
     * @param existing whether rows of a table that Cuvee did not make may be replaced or removed
     * @throws CuveeException where the database cannot be reached, columns differ, or keys repeat
     */
    public static Report write(Content content, String address, Table table, TargetGuard.Existing existing) {
        return run(content, address, table, existing, true);
    }

    private static Report run(
            Content content, String address, Table table, TargetGuard.Existing existing, boolean keep) {
        if (!address.startsWith(ADDRESS)) {
            throw failure(table, address, "its address does not begin with " + ADDRESS, "Correct the address.");
        }
        try (Connection connection = connect(address)) {
            connection.setAutoCommit(false);
            Writing writing = new Writing(connection, content, address, table);
            Report report = writing.run(existing);
            if (keep) {
                connection.commit();
            } else {
                connection.rollback();
            }
            return report;
        } catch (SQLException failed) {
            throw failure(
                    table,
                    address,
                    said(failed),
                    "Check the address, the rights there and the password (PGPASSWORD, or the database's password file).");
        }
    }

    private static String said(SQLException failed) {
        String first = String.valueOf(failed.getMessage()).lines().findFirst().orElse("it failed");
        return "the database says: " + first.replaceFirst("^ERROR: ", "").replaceAll("[.]$", "");
    }

    private static Connection connect(String address) throws SQLException {
        Properties properties = new Properties();
        String password = System.getenv("PGPASSWORD");
        if (password != null && !password.isEmpty()) {
            properties.setProperty("password", password);
        }
        properties.setProperty("connectTimeout", String.valueOf(SECONDS));
        properties.setProperty("loginTimeout", String.valueOf(SECONDS));
        properties.setProperty("ApplicationName", "Cuvee");
        String rest = address.substring(ADDRESS.length());
        int at = rest.indexOf('@');
        if (at >= 0) {
            properties.setProperty("user", rest.substring(0, at));
            rest = rest.substring(at + 1);
        }
        return DriverManager.getConnection("jdbc:postgresql://" + rest, properties);
    }

    /** Refuses an address that holds a password, which would lie in a job file for anyone to read. */
    public static void check(String address) {
        String rest = address.startsWith(ADDRESS) ? address.substring(ADDRESS.length()) : address;
        int at = rest.indexOf('@');
        if (at >= 0 && rest.substring(0, at).contains(":") || rest.contains("password=")) {
            throw CuveeException.failure(
                    "password-in-address",
                    Where.JOB,
                    "The address of the database holds a password, which would lie in the job file.",
                    "Nothing was kept or written.",
                    "Leave it out; set PGPASSWORD, or use the database's own password file.");
        }
        if (!address.startsWith(ADDRESS)) {
            throw CuveeException.failure(
                    "no-address",
                    Where.JOB,
                    Says.quoted(address) + " is no address of a database.",
                    "Nothing was kept or written.",
                    "Write it as " + ADDRESS + "user@host:5432/database.");
        }
    }

    private static CuveeException failure(Table table, String address, String why, String canDo) {
        return new CuveeException(new Finding(
                Severity.FAILURE,
                "cannot-write-table",
                Where.JOB,
                "The master cannot be written to the table " + Says.quoted(table.table()) + " of " + address + ": "
                        + why + ".",
                "Nothing was written there; the master itself is kept.",
                canDo));
    }

    /** One writing within a transaction. */
    private static final class Writing {
        private final Connection connection;
        private final Content content;
        private final String address;
        private final Table table;
        private final String[] names;
        private final String there;

        Writing(Connection connection, Content content, String address, Table table) {
            this.connection = connection;
            this.content = content;
            this.address = address;
            this.table = table;
            this.names = Columns.names(content.plan());
            this.there = PostgresWords.table(table.table());
        }

        Report run(TargetGuard.Existing existing) throws SQLException {
            namesFit();
            Map<String, String> columns = columns();
            boolean made = columns.isEmpty();
            if (made) {
                execute("CREATE TABLE " + there + " (" + PostgresWords.columns(content.plan()) + ")");
                execute("COMMENT ON TABLE " + there + " IS '" + MARK + "'");
            } else {
                columnsAgree(columns);
                boolean loses = table.how() == How.REPLACE || table.how() == How.MIRROR;
                if (loses && existing == TargetGuard.Existing.KEEP && !isOurs() && count(there) > 0) {
                    throw failure(
                            table,
                            address,
                            "it holds " + Says.count(count(there), "row") + ", and Cuvee did not make it",
                            "Name another table, add below or match by key; or say that its rows may be replaced"
                                    + " (--replace on the command line).");
                }
            }
            execute("CREATE TEMP TABLE cuvee_rows (" + PostgresWords.columns(content.plan()) + ") ON COMMIT DROP");
            copy();
            return switch (table.how()) {
                case REPLACE -> {
                    long removed = made ? 0 : update("DELETE FROM " + there);
                    yield new Report(made, insertAll(), 0, removed, 0);
                }
                case ADD -> {
                    long kept = made ? 0 : count(there);
                    yield new Report(made, insertAll(), 0, 0, kept);
                }
                case NEW, MATCH, MIRROR -> match(made);
            };
        }

        private void namesFit() {
            for (String name : names) {
                if (name.getBytes(StandardCharsets.UTF_8).length > PostgresWords.LONGEST_NAME) {
                    throw failure(
                            table,
                            address,
                            "the name of the column " + Says.quoted(name) + " is longer than the database keeps ("
                                    + PostgresWords.LONGEST_NAME + " bytes)",
                            "Give the column a shorter name.");
                }
            }
        }

        /** The columns of the table with their types, in their order; none where there is no table. */
        private Map<String, String> columns() throws SQLException {
            Map<String, String> columns = new LinkedHashMap<>();
            try (PreparedStatement query =
                    connection.prepareStatement("SELECT attname, format_type(atttypid, atttypmod) FROM pg_attribute"
                            + " WHERE attrelid = to_regclass(?) AND attnum > 0 AND NOT attisdropped ORDER BY attnum")) {
                query.setString(1, there);
                try (ResultSet rows = query.executeQuery()) {
                    while (rows.next()) {
                        columns.put(rows.getString(1), rows.getString(2));
                    }
                }
            }
            return columns;
        }

        private void columnsAgree(Map<String, String> columns) {
            List<String> lacking = Arrays.stream(names)
                    .filter(name -> !columns.containsKey(name))
                    .toList();
            List<String> differing = new ArrayList<>();
            for (int i = 0; i < names.length; i++) {
                String has = columns.get(names[i]);
                String wants = PostgresWords.type(content.plan(), i);
                if (has != null && !agree(has, wants)) {
                    differing.add(Says.quoted(names[i]) + " is " + has + " there and " + wants + " here");
                }
            }
            if (!lacking.isEmpty() || !differing.isEmpty()) {
                List<String> said = new ArrayList<>();
                if (!lacking.isEmpty()) {
                    said.add("it lacks "
                            + Says.list(lacking.stream().map(Says::quoted).toList()));
                }
                said.addAll(differing);
                throw failure(
                        table,
                        address,
                        "its columns differ: " + String.join("; ", said),
                        "Change the table or the master, or name another table, which is then made.");
            }
        }

        /** True where values of one type go into the other without loss. */
        private static boolean agree(String has, String wants) {
            String plain = has.replaceAll("\\(.*\\)", "");
            boolean precise = plain.equals(has);
            return switch (wants) {
                case "bigint" -> plain.equals("bigint") || plain.equals("numeric") && precise;
                case "numeric" -> plain.equals("numeric") && precise;
                case "timestamp" -> plain.equals("timestamp without time zone");
                case "time" -> plain.equals("time without time zone");
                case "text" -> plain.equals("text") || plain.equals("character varying") && precise;
                default -> plain.equals(wants);
            };
        }

        private boolean isOurs() throws SQLException {
            try (PreparedStatement query =
                    connection.prepareStatement("SELECT obj_description(to_regclass(?), 'pg_class')")) {
                query.setString(1, there);
                try (ResultSet row = query.executeQuery()) {
                    return row.next() && MARK.equals(row.getString(1));
                }
            }
        }

        private void copy() throws SQLException {
            Type[] types = Columns.types(content.plan());
            CopyIn copy = connection.unwrap(PGConnection.class).getCopyAPI().copyIn("COPY cuvee_rows FROM STDIN");
            try {
                StringBuilder rows = new StringBuilder();
                content.reader().each(values -> {
                    PostgresWords.row(values, types, rows);
                    if (rows.length() > FULL) {
                        flush(copy, rows);
                    }
                });
                flush(copy, rows);
                copy.endCopy();
            } catch (Failed failed) {
                throw failed.why;
            } finally {
                if (copy.isActive()) {
                    copy.cancelCopy();
                }
            }
        }

        /** Carries what went wrong out of the reading of rows. */
        private static final class Failed extends RuntimeException {
            private static final long serialVersionUID = 1L;
            private final transient SQLException why;

            Failed(SQLException why) {
                super(why);
                this.why = why;
            }
        }

        private static void flush(CopyIn copy, StringBuilder rows) {
            byte[] bytes = rows.toString().getBytes(StandardCharsets.UTF_8);
            rows.setLength(0);
            try {
                copy.writeToCopy(bytes, 0, bytes.length);
            } catch (SQLException failed) {
                throw new Failed(failed);
            }
        }

        private String list(String before) {
            return Arrays.stream(names)
                    .map(name -> before + PostgresWords.name(name))
                    .collect(Collectors.joining(", "));
        }

        private long insertAll() throws SQLException {
            return update("INSERT INTO " + there + " (" + list("") + ") SELECT " + list("") + " FROM cuvee_rows");
        }

        private Report match(boolean made) throws SQLException {
            List<String> keys = table.keys();
            for (String key : keys) {
                if (!Arrays.asList(names).contains(key)) {
                    throw failure(
                            table, address, "the master has no column " + Says.quoted(key), "Name the keys anew.");
                }
            }
            if (keys.isEmpty()) {
                throw failure(
                        table, address, "it says by no column how rows are matched", "Name the columns of the key.");
            }
            filled(keys);
            unique(keys, "cuvee_rows", "the master");
            unique(keys, there, "the table");
            execute("ANALYZE cuvee_rows");
            String same = keys.stream()
                    .map(key -> "t." + PostgresWords.name(key) + " = n." + PostgresWords.name(key))
                    .collect(Collectors.joining(" AND "));
            String others = Arrays.stream(names)
                    .filter(name -> !keys.contains(name))
                    .map(name -> "t." + PostgresWords.name(name) + " IS DISTINCT FROM n." + PostgresWords.name(name))
                    .collect(Collectors.joining(" OR "));
            long before = count(there);
            long removed = table.how() == How.MIRROR
                    ? update("DELETE FROM " + there + " t WHERE NOT EXISTS (SELECT 1 FROM cuvee_rows n WHERE " + same
                            + ")")
                    : 0;
            long changed = 0;
            if (table.how() != How.NEW && !others.isEmpty()) {
                String set = Arrays.stream(names)
                        .filter(name -> !keys.contains(name))
                        .map(name -> PostgresWords.name(name) + " = n." + PostgresWords.name(name))
                        .collect(Collectors.joining(", "));
                changed = update("UPDATE " + there + " t SET " + set + " FROM cuvee_rows n WHERE " + same + " AND ("
                        + others + ")");
            }
            long added = update("INSERT INTO " + there + " (" + list("") + ") SELECT " + list("n.")
                    + " FROM cuvee_rows n WHERE NOT EXISTS (SELECT 1 FROM " + there + " t WHERE " + same + ")");
            return new Report(made, added, changed, removed, before - removed - changed);
        }

        /** What is blank is equal to nothing, so it cannot be matched. */
        private void filled(List<String> keys) throws SQLException {
            String blank = keys.stream()
                    .map(key -> PostgresWords.name(key) + " IS NULL")
                    .collect(Collectors.joining(" OR "));
            long blanks = count("cuvee_rows WHERE " + blank);
            if (blanks > 0) {
                throw failure(
                        table,
                        address,
                        Says.count(blanks, "row") + " of the master have a blank in the key " + Says.list(keys),
                        "Name a key that is filled in every row, or set those rows aside.");
            }
        }

        private void unique(List<String> keys, String in, String what) throws SQLException {
            String list = keys.stream().map(PostgresWords::name).collect(Collectors.joining(", "));
            try (Statement statement = connection.createStatement();
                    ResultSet row = statement.executeQuery("SELECT concat_ws(', ', " + list + "), count(*) FROM " + in
                            + " GROUP BY " + list + " HAVING count(*) > 1 LIMIT 1")) {
                if (row.next()) {
                    throw failure(
                            table,
                            address,
                            "the key " + Says.list(keys) + " is not unique in " + what + ": "
                                    + Says.quoted(String.valueOf(row.getString(1))) + " stands in "
                                    + Says.count(row.getLong(2), "row"),
                            "Name more columns of the key, or set the repeated rows aside.");
                }
            }
        }

        private void execute(String sql) throws SQLException {
            try (Statement statement = connection.createStatement()) {
                statement.execute(sql);
            }
        }

        private long update(String sql) throws SQLException {
            try (Statement statement = connection.createStatement()) {
                return statement.executeLargeUpdate(sql);
            }
        }

        private long count(String of) throws SQLException {
            try (Statement statement = connection.createStatement();
                    ResultSet row = statement.executeQuery("SELECT count(*) FROM " + of)) {
                row.next();
                return row.getLong(1);
            }
        }
    }
}
