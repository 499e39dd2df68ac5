package cuvee.deliver;

import cuvee.master.MasterPlan;
import cuvee.value.Type;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;

/**
 * A database in one file, with the master as its table {@code master}. It has no decimals and no dates: numbers with more
 * digits than it keeps exactly go in as text, dates as ISO text, yes and no as 1 and 0.
 */
final class SqliteForm implements FileForm {
    private static final String TABLE = "master";
    private static final int BATCH = 5_000;
    /** Digits beyond this would be lost in one of its numbers. */
    private static final int EXACT_DIGITS = 15;

    private static final int WHOLE_DIGITS = 18;

    @Override
    public void write(Content content, Path file) throws IOException {
        FileForm.deleteQuietly(file);
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file)) {
            try (Statement statement = connection.createStatement()) {
                statement.execute("PRAGMA journal_mode = OFF");
                statement.execute("PRAGMA synchronous = OFF");
            }
            connection.setAutoCommit(false);
            table(connection, content);
            connection.commit();
        } catch (Failed failed) {
            throw new IOException(failed.getMessage(), failed);
        } catch (SQLException failed) {
            throw new IOException(failed.getMessage(), failed);
        }
    }

    private static void table(Connection connection, Content content) throws SQLException {
        String[] names = Columns.names(content.plan());
        Type[] types = Columns.types(content.plan());
        List<String> columns = new ArrayList<>();
        for (int i = 0; i < names.length; i++) {
            columns.add(name(names[i]) + type(content.plan(), i, types[i]));
        }
        try (Statement statement = connection.createStatement()) {
            statement.execute("CREATE TABLE " + TABLE + " (" + String.join(", ", columns) + ")");
        }
        String marks = "?, ".repeat(names.length - 1) + "?";
        try (PreparedStatement insert =
                connection.prepareStatement("INSERT INTO " + TABLE + " VALUES (" + marks + ")")) {
            int[] waiting = {0};
            content.reader().each(values -> {
                try {
                    for (int i = 0; i < values.length; i++) {
                        set(insert, i + 1, values[i], types[i]);
                    }
                    insert.addBatch();
                    if (++waiting[0] % BATCH == 0) {
                        insert.executeBatch();
                    }
                } catch (SQLException failed) {
                    throw new Failed(failed);
                }
            });
            insert.executeBatch();
        }
    }

    /** Carries what went wrong out of the reading of rows. */
    private static final class Failed extends RuntimeException {
        private static final long serialVersionUID = 1L;

        Failed(SQLException cause) {
            super(cause.getMessage(), cause);
        }
    }

    private static void set(
            PreparedStatement insert, int at, @org.jspecify.annotations.Nullable String value, Type type)
            throws SQLException {
        if (value == null) {
            insert.setObject(at, null);
        } else if (type == Type.YES_NO) {
            insert.setInt(at, value.equals("true") ? 1 : 0);
        } else if (type.isNumber()) {
            BigDecimal number = new BigDecimal(value);
            boolean whole = number.stripTrailingZeros().scale() <= 0;
            if (whole && number.precision() <= WHOLE_DIGITS) {
                insert.setLong(at, number.longValueExact());
            } else if (number.stripTrailingZeros().precision() <= EXACT_DIGITS) {
                insert.setDouble(at, number.doubleValue());
            } else {
                insert.setString(at, value);
            }
        } else {
            insert.setString(at, value);
        }
    }

    private static String type(MasterPlan plan, int column, Type type) {
        return switch (type) {
            // A column without a type keeps what it is given; any other makes a number of digits, and loses some.
            case WHOLE_NUMBER, DECIMAL, MONEY, PERCENT -> {
                MasterPlan.Column of = plan.columns().get(column);
                boolean whole = type == Type.WHOLE_NUMBER;
                boolean exact = of.wholeDigits() + of.scale() <= (whole ? WHOLE_DIGITS : EXACT_DIGITS);
                yield exact ? whole ? " INTEGER" : " NUMERIC" : "";
            }
            case YES_NO -> " INTEGER";
            default -> " TEXT";
        };
    }

    static String name(String name) {
        return '"' + name.replace("\"", "\"\"") + '"';
    }
}
