package org.umberdial.launcher;

import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.Properties;

/**
 * What runs for a place: written down for other commands, and for the next start to find what a killed one left.
 *
 * @param application 0 while there is none
 */
record Running(long launcher, long database, long application, int port, String generation, Access access) {
    static Optional<Running> of(Place place) {
        Properties p = new Properties();
        try {
            p.load(new StringReader(Files.readString(file(place))));
            Access access = new Access(
                    Integer.parseInt(p.getProperty("dbPort")), p.getProperty("rows"), p.getProperty("tables"));
            return Optional.of(new Running(
                    Long.parseLong(p.getProperty("launcher")),
                    Long.parseLong(p.getProperty("database")),
                    Long.parseLong(p.getProperty("application")),
                    Integer.parseInt(p.getProperty("port")),
                    p.getProperty("generation"),
                    access));
        } catch (IOException | NumberFormatException nothing) {
            return Optional.empty();
        }
    }

    void write(Place place) {
        Properties p = new Properties();
        p.setProperty("launcher", Long.toString(launcher));
        p.setProperty("database", Long.toString(database));
        p.setProperty("application", Long.toString(application));
        p.setProperty("port", Integer.toString(port));
        p.setProperty("generation", generation);
        p.setProperty("dbPort", Integer.toString(access.port()));
        p.setProperty("rows", access.rowsPassword());
        p.setProperty("tables", access.tablesPassword());
        StringWriter text = new StringWriter();
        try {
            p.store(text, null);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        OwnFiles.write(file(place), text.toString());
    }

    static void forget(Place place) {
        try {
            Files.deleteIfExists(file(place));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Path file(Place place) {
        return place.folder().resolve("running");
    }

    Optional<ProcessHandle> liveDatabase(Place place) {
        return Programs.ours(
                database,
                new Generation(place.folder().resolve(generation)).database().mark());
    }

    Optional<ProcessHandle> liveLauncher() {
        return Programs.ours(launcher, "org.umberdial.launcher");
    }
}
