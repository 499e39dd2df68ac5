package cuvee.master;

import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.place.Where;
import java.sql.SQLException;
import java.sql.Statement;
import org.duckdb.DuckDBConnection;

/** Runs work against the store; what the store cannot do is a failure with what was being done. */
final class Sql {
    private Sql() {}

    /** Work against the store. */
    interface Work {
        void run() throws SQLException;
    }

    /** Work against the store that has an answer. */
    interface Asking<T> {
        T ask() throws SQLException;
    }

    static void run(String doing, Work work) {
        ask(doing, () -> {
            work.run();
            return true;
        });
    }

    static <T> T ask(String doing, Asking<T> asking) {
        try {
            return asking.ask();
        } catch (SQLException failed) {
            if (String.valueOf(failed.getMessage()).contains("INTERRUPT")) {
                throw new java.util.concurrent.CancellationException();
            }
            throw new CuveeException(finding(doing, String.valueOf(failed.getMessage())), failed);
        }
    }

    private static Finding finding(String doing, String message) {
        boolean room = message.contains("Out of Memory");
        return new Finding(
                Severity.FAILURE,
                "store",
                Where.JOB,
                "Cuvee's own store failed while " + doing + ": "
                        + message.lines().findFirst().orElse("") + ".",
                "The work was stopped; sources and deliveries are untouched.",
                room
                        ? "There are more columns or rows than the memory holds. Leave out what does not belong to this"
                                + " master, or make several jobs of it."
                        : "Try again; if it fails again, delete the job's cache folder, which costs only time.");
    }

    /**
     * Takes back what was begun, once it has failed. The driver closes a statement whose work could not be done, so that
     * this takes one of its own; what fails here too is kept beside the reason.
     */
    static void rollBack(DuckDBConnection connection, Exception failed) {
        try (Statement statement = connection.createStatement()) {
            statement.execute("ROLLBACK");
        } catch (SQLException also) {
            failed.addSuppressed(also);
        }
    }

    /** A text as an SQL literal. */
    static String literal(String text) {
        return "'" + text.replace("'", "''") + "'";
    }

    /** A name as an SQL identifier. */
    static String name(String name) {
        return '"' + name.replace("\"", "\"\"") + '"';
    }
}
