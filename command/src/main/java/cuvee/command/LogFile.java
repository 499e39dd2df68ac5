package cuvee.command;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.classic.encoder.JsonEncoder;
import ch.qos.logback.classic.spi.Configurator;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.FileAppender;
import ch.qos.logback.core.spi.ContextAwareBase;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/**
 * Logs as one JSON object a line to {@code cuvee.log} in the state folder: what ran and what failed, never data. Found by
 * the logging library as its configurator, which saves reading a configuration file at every start.
 */
public final class LogFile extends ContextAwareBase implements Configurator {
    private static final long LARGE = 4_000_000;
    private static volatile Path folder = Path.of(System.getProperty("java.io.tmpdir"));

    /** Says where the log lies; to be called before anything logs. */
    public static void use(Path stateFolder) {
        folder = stateFolder;
    }

    @Override
    public ExecutionStatus configure(LoggerContext context) {
        Path file = folder.resolve("cuvee.log");
        try {
            Files.createDirectories(folder);
            if (Files.exists(file) && Files.size(file) > LARGE) {
                Files.move(file, folder.resolve("cuvee.log.before"), StandardCopyOption.REPLACE_EXISTING);
            }
        } catch (IOException noLog) {
            context.getLogger("ROOT").setLevel(Level.OFF);
            return ExecutionStatus.DO_NOT_INVOKE_NEXT_IF_ANY;
        }
        JsonEncoder encoder = new JsonEncoder();
        encoder.setContext(context);
        encoder.setWithContext(false);
        encoder.setWithArguments(false);
        encoder.setWithFormattedMessage(true);
        encoder.setWithMessage(false);
        encoder.setWithSequenceNumber(false);
        encoder.start();
        FileAppender<ILoggingEvent> appender = new FileAppender<>();
        appender.setContext(context);
        appender.setFile(file.toString());
        appender.setEncoder(encoder);
        appender.start();
        context.getLogger("ROOT").setLevel(Level.INFO);
        context.getLogger("ROOT").addAppender(appender);
        return ExecutionStatus.DO_NOT_INVOKE_NEXT_IF_ANY;
    }
}
