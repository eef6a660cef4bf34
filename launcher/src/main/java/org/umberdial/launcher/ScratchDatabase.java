package org.umberdial.launcher;

import java.io.IOException;
import java.io.StringReader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.Properties;

/**
 * A throw-away server for code generation and tests: {@code start FOLDER} and {@code stop FOLDER}. What it takes to
 * come in is in {@code FOLDER/access}, readable by its user alone, as lines a shell can read.
 */
public final class ScratchDatabase {
    private static final String SCHEMAS = "umber\\_%";

    private ScratchDatabase() {}

    public static void main(String[] arguments) throws IOException {
        Path folder = Path.of(arguments[1]).toAbsolutePath().normalize();
        stop(folder);
        if (arguments[0].equals("start")) {
            start(folder);
        }
    }

    private static void start(Path folder) {
        Database database = new Database(folder, SCHEMAS);
        if (!database.installed()) {
            database.install();
        }
        Access access = Database.access();
        Process process = database.start(access);
        StringBuilder lines = new StringBuilder();
        access.environment()
                .forEach((name, value) ->
                        lines.append(name).append('=').append(value).append('\n'));
        OwnFiles.write(folder.resolve("access"), lines + "UMBER_DB_PID=" + process.pid() + "\n");
    }

    private static void stop(Path folder) throws IOException {
        Path file = folder.resolve("access");
        if (!Files.exists(file)) {
            return;
        }
        Properties access = new Properties();
        access.load(new StringReader(Files.readString(file)));
        Optional<ProcessHandle> running = Programs.ours(
                Long.parseLong(access.getProperty("UMBER_DB_PID", "-1")), new Database(folder, SCHEMAS).mark());
        running.ifPresent(Database::stop);
        Files.delete(file);
    }
}
