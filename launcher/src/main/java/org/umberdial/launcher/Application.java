package org.umberdial.launcher;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.management.ManagementFactory;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** The application's process. */
final class Application {
    static final String JAR = "umber-dial-app.jar";
    private static final int LEAST_HEAP_MB = 256;
    private static final int MOST_HEAP_MB = 1024;
    private static final int STOPS_WITHIN_SECONDS = 20;
    private static final HttpClient HTTP =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(2)).build();

    /**
     * What is asked of it.
     *
     * @param folder where the finished application lies
     * @param settings as {@code --name=value}
     * @param heapMb 0 to follow from the machine's memory
     */
    record Wanted(Path folder, int port, boolean demo, List<String> settings, int heapMb) {
        String address() {
            return "http://127.0.0.1:" + port + "/";
        }
    }

    private final Place place;
    private final Wanted wanted;

    Application(Place place, Wanted wanted) {
        this.place = place;
        this.wanted = wanted;
    }

    /** A word by which an application of this place is known. */
    static String mark(Place place) {
        return "--umber.home=" + place.folder() + " ";
    }

    Process start(Access access) {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:+UseSerialGC",
                "-Xmx" + heap() + "m",
                "-XX:+ExitOnOutOfMemoryError",
                "-Duser.timezone=UTC",
                "-jar",
                wanted.folder().resolve(JAR).toString(),
                "--server.port=" + wanted.port(),
                "--umber.demo=" + wanted.demo(),
                "--umber.home=" + place.folder(),
                "--umber.time-zone=" + ZoneId.systemDefault(),
                // The launcher has changed the tables already; the application never holds the account that may.
                "--spring.flyway.enabled=false",
                "--logging.file.name=" + place.serverLog(),
                "--logging.threshold.console=off"));
        command.addAll(wanted.settings());
        ProcessBuilder builder = Programs.apart(command);
        builder.environment().put("UMBER_DB_PORT", Integer.toString(access.port()));
        builder.environment().put("UMBER_DB_PASSWORD", access.rowsPassword());
        Path out = place.folder().resolve("server.out");
        OwnFiles.write(out, "");
        try {
            return builder.redirectErrorStream(true)
                    .redirectOutput(out.toFile())
                    .start();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private int heap() {
        if (wanted.heapMb() > 0) {
            return wanted.heapMb();
        }
        var machine = (com.sun.management.OperatingSystemMXBean) ManagementFactory.getOperatingSystemMXBean();
        return (int) Math.max(LEAST_HEAP_MB, Math.min(MOST_HEAP_MB, machine.getTotalMemorySize() / 4_000_000));
    }

    /** Waits until it serves; false when it ended instead. */
    boolean serves(Process process) throws InterruptedException {
        while (process.isAlive()) {
            if (answers()) {
                return true;
            }
            Thread.sleep(100);
        }
        return false;
    }

    private boolean answers() throws InterruptedException {
        try {
            HttpRequest request = HttpRequest.newBuilder(URI.create(wanted.address() + "api/session"))
                    .timeout(Duration.ofSeconds(10))
                    .build();
            return HTTP.send(request, HttpResponse.BodyHandlers.discarding()).statusCode() == 200;
        } catch (IOException notYet) {
            return false;
        }
    }

    static void stop(ProcessHandle process) {
        Programs.end(process, STOPS_WITHIN_SECONDS);
    }

    /** What it said last. */
    String lastWords() {
        return Stream.of(place.folder().resolve("server.out"), place.serverLog())
                .map(Application::tail)
                .filter(text -> !text.isBlank())
                .findFirst()
                .orElse("(it said nothing)");
    }

    private static String tail(Path file) {
        try (Stream<String> lines = Files.lines(file)) {
            List<String> all = lines.toList();
            return String.join("\n", all.subList(Math.max(0, all.size() - 6), all.size()));
        } catch (IOException | UncheckedIOException unreadable) {
            return "";
        }
    }
}
