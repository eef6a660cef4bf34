package org.umberdial.launcher;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * A MariaDB server of our own on loopback: its data folder and its process. Uses nothing but the JDK, since the build
 * starts one before anything else is there.
 *
 * <p>Whoever else is on the machine gets nowhere: both accounts have random passwords made anew at each start, rights
 * on the shop's schema alone, no FILE and no SUPER; the server's own root comes in by a socket in a folder of its user.
 */
public final class Database {
    private static final byte PROTOCOL = 10;
    private static final int LONGEST_SOCKET_PATH = 100;
    private static final int STOPS_WITHIN_SECONDS = 60;

    private final Path folder;
    private final String schemas;

    /**
     * @param folder where its data lies, or will
     * @param schemas what the accounts may touch: a name, or a pattern as GRANT takes it
     */
    public Database(Path folder, String schemas) {
        this.folder = folder.toAbsolutePath().normalize();
        this.schemas = schemas;
    }

    /**
     * MariaDB has a word of its own about who may read what it makes; and a server that starts removes temporary tables
     * of every server that shares its temporary folder, so this one has its own.
     */
    private void keepApart(ProcessBuilder builder) {
        builder.environment().put("UMASK", "0600");
        builder.environment().put("UMASK_DIR", "0700");
        builder.environment()
                .put("TMPDIR", OwnFiles.folder(folder.resolve("tmp")).toString());
    }

    private Path data() {
        return folder.resolve("data");
    }

    /** The server's own words. */
    public Path log() {
        return folder.resolve("error.log");
    }

    /** Makes the data folder of a server that knows nothing of a shop yet. */
    public void install() {
        OwnFiles.folder(folder);
        List<String> command = List.of(
                Programs.path("mariadb-install-db"),
                "--no-defaults",
                "--user=" + Programs.user(),
                "--datadir=" + data(),
                "--auth-root-authentication-method=socket",
                "--auth-root-socket-user=" + Programs.user(),
                "--skip-test-db");
        try {
            ProcessBuilder builder = new ProcessBuilder(Programs.closed(command)).redirectErrorStream(true);
            keepApart(builder);
            OwnFiles.write(folder.resolve("install.log"), "");
            Process process = builder.redirectOutput(
                            folder.resolve("install.log").toFile())
                    .start();
            if (process.waitFor() != 0) {
                throw new Refused(
                        "MariaDB could not make its tables in " + folder + ":\n" + tail(folder.resolve("install.log")));
            }
            OwnFiles.folder(data());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    public boolean installed() {
        return Files.isDirectory(data().resolve("mysql"));
    }

    /** Fresh passwords, and a port that is free at the moment. */
    public static Access access() {
        return new Access(freePort(), Secret.fresh(), Secret.fresh());
    }

    static int freePort() {
        try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            return socket.getLocalPort();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Starts the server and waits until it answers.
     *
     * @throws Refused when it ends instead; with its last words
     */
    public Process start(Access access) {
        try {
            Path run = runFolder();
            Path first = run.resolve("init.sql");
            OwnFiles.write(first, String.join("\n", grants(access)) + "\n");
            ProcessBuilder builder = Programs.apart(command(access, run, first));
            keepApart(builder);
            if (!Files.exists(log())) {
                OwnFiles.write(log(), "");
            }
            OwnFiles.lock(log());
            builder.redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.appendTo(log().toFile()));
            Process process = builder.start();
            while (!answers(access.port())) {
                if (process.waitFor(50, TimeUnit.MILLISECONDS)) {
                    throw new Refused("MariaDB did not start. Its last words, from " + log() + ":\n" + tail(log()));
                }
            }
            Files.deleteIfExists(first);
            return process;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** Ends it in good order; what it has acknowledged is on the disk either way. */
    public static void stop(ProcessHandle process) {
        Programs.end(process, STOPS_WITHIN_SECONDS);
    }

    /** A word by which a process is known to be a server on this folder. */
    public String mark() {
        return "--datadir=" + data();
    }

    private List<String> command(Access access, Path run, Path first) {
        return List.of(
                Programs.path("mariadbd"),
                "--no-defaults",
                "--user=" + Programs.user(),
                mark(),
                "--socket=" + run.resolve("db.sock"),
                "--pid-file=" + run.resolve("pid"),
                "--log-error=" + log(),
                "--bind-address=127.0.0.1",
                "--port=" + access.port(),
                "--skip-name-resolve",
                "--init-file=" + first,
                "--local-infile=0",
                "--secure-file-priv=" + run,
                "--symbolic-links=0",
                // Anybody on this machine may knock; a few bad knocks must not shut the application out.
                "--max-connect-errors=4294967295",
                "--connect-timeout=5",
                "--max-connections=300",
                "--character-set-server=utf8mb4",
                "--collation-server=utf8mb4_uca1400_ai_ci",
                "--default-time-zone=+00:00",
                "--max-allowed-packet=256M",
                "--innodb-flush-log-at-trx-commit=1");
    }

    /** One statement a line, as an init file wants them. It runs before anybody is let in, at every start. */
    private List<String> grants(Access access) {
        String rows = "'" + Access.ROWS + "'@'127.0.0.1'";
        String tables = "'" + Access.TABLES + "'@'127.0.0.1'";
        List<String> statements = new ArrayList<>();
        if (!schemas.contains("%")) {
            statements.add("CREATE DATABASE IF NOT EXISTS `" + schemas + "`;");
        }
        // Earlier versions had one account that could do everything, and its password was everybody's.
        statements.add("DROP USER IF EXISTS " + rows + ", " + tables + ";");
        statements.add("CREATE USER " + rows + " IDENTIFIED BY '" + access.rowsPassword() + "';");
        statements.add("CREATE USER " + tables + " IDENTIFIED BY '" + access.tablesPassword() + "';");
        statements.add("GRANT SELECT, INSERT, UPDATE, DELETE ON `" + schemas + "`.* TO " + rows + ";");
        statements.add("GRANT ALL ON `" + schemas + "`.* TO " + tables + ";");
        return statements;
    }

    /**
     * Where its socket lies: beside the data if the path is short enough for a socket, else in a private temporary
     * folder.
     */
    private Path runFolder() throws IOException {
        Path beside = folder.resolve("run");
        return beside.toString().length() < LONGEST_SOCKET_PATH - "/db.sock".length()
                ? OwnFiles.folder(beside)
                : Files.createTempDirectory("umber-");
    }

    /**
     * Whether a server that speaks MariaDB's protocol lets connections in; it does so only once its init file has run.
     */
    private static boolean answers(int port) {
        try (Socket socket = new Socket()) {
            socket.connect(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 500);
            socket.setSoTimeout(1000);
            InputStream in = socket.getInputStream();
            byte[] head = in.readNBytes(5);
            return head.length == 5 && head[4] == PROTOCOL;
        } catch (IOException notYet) {
            return false;
        }
    }

    private static String tail(Path file) {
        try (Stream<String> lines = Files.lines(file, java.nio.charset.StandardCharsets.ISO_8859_1)) {
            List<String> all = lines.toList();
            return String.join("\n", all.subList(Math.max(0, all.size() - 5), all.size()));
        } catch (IOException unreadable) {
            return "(no log)";
        }
    }
}
