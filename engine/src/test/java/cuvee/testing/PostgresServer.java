package cuvee.testing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * A PostgreSQL server of the tests' own: a real one, on loopback, in a folder that goes with it. Where the tests run as root,
 * which the server refuses, it runs as the user that its package brings.
 */
public final class PostgresServer implements AutoCloseable {
    private static final long SECONDS = 60;
    private final Path folder;
    private final Path programs;
    private final int port;

    private PostgresServer(Path folder, Path programs, int port) {
        this.folder = folder;
        this.programs = programs;
        this.port = port;
    }

    /** Starts a server; it is stopped by {@link #close}. */
    public static PostgresServer start() {
        try {
            Path folder = Files.createTempDirectory("cuvee-postgres");
            Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwxrwxrwx"));
            PostgresServer server = new PostgresServer(folder, programs(), freePort());
            server.run(
                    "initdb",
                    "-A",
                    "trust",
                    "--no-sync",
                    "-E",
                    "UTF8",
                    "--locale=C",
                    "-U",
                    "cuvee",
                    "-D",
                    folder.resolve("data").toString());
            server.run(
                    "pg_ctl",
                    "-w",
                    "-D",
                    folder.resolve("data").toString(),
                    "-l",
                    folder.resolve("log").toString(),
                    "-o",
                    "-p " + server.port + " -c listen_addresses=127.0.0.1 -c unix_socket_directories=" + folder
                            + " -c fsync=off",
                    "start");
            return server;
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            return socket.getLocalPort();
        }
    }

    private static Path programs() throws IOException {
        String said = System.getenv("CUVEE_POSTGRES");
        if (said != null && !said.isEmpty()) {
            return Path.of(said);
        }
        Path all = Path.of("/usr/lib/postgresql");
        if (!Files.isDirectory(all)) {
            throw new AssertionError("no PostgreSQL server here; ./check installs one, or set CUVEE_POSTGRES to the"
                    + " folder of its programs");
        }
        try (Stream<Path> versions = Files.list(all)) {
            return versions.max(Comparator.comparing(Path::toString))
                    .orElseThrow()
                    .resolve("bin");
        }
    }

    private void run(String program, String... arguments) throws IOException {
        List<String> command = new ArrayList<>();
        if (System.getProperty("user.name").equals("root")) {
            command.addAll(List.of("runuser", "-u", "postgres", "--"));
        }
        command.add(programs.resolve(program).toString());
        command.addAll(List.of(arguments));
        Path said = folder.resolve(program + ".out");
        Process process = new ProcessBuilder(command)
                .directory(folder.toFile())
                .redirectErrorStream(true)
                .redirectOutput(said.toFile())
                .start();
        try {
            if (!process.waitFor(SECONDS, TimeUnit.SECONDS) || process.exitValue() != 0) {
                throw new AssertionError(program + " failed: " + Files.readString(said, StandardCharsets.UTF_8));
            }
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            throw new AssertionError(program + " was interrupted", stopped);
        }
    }

    /** Its address as a delivery names it. */
    public String address() {
        return "postgresql://cuvee@127.0.0.1:" + port + "/postgres";
    }

    public Connection connect() throws SQLException {
        return DriverManager.getConnection("jdbc:postgresql://127.0.0.1:" + port + "/postgres", "cuvee", "");
    }

    /** The port on loopback. */
    public int port() {
        return port;
    }

    @Override
    public void close() {
        try {
            run("pg_ctl", "-D", folder.resolve("data").toString(), "-m", "immediate", "stop");
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
