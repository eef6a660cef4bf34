package org.umberdial.e2e;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Properties;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Stream;

/** The finished application as people run it: through its launcher, with a home and a database of its own. */
final class Shop implements AutoCloseable {
    private static final Path APP = Path.of("target", "app").toAbsolutePath();
    private static final HttpClient HTTP = HttpClient.newHttpClient();

    private final Path home;
    private final boolean demo;
    private final int port;
    private Process launcher;
    private final StringBuffer said = new StringBuffer();

    Shop(Path home, boolean demo) throws IOException, InterruptedException {
        this.home = home;
        this.demo = demo;
        this.port = Application.freePort();
        unpack();
    }

    private static synchronized void unpack() throws IOException, InterruptedException {
        if (!Files.exists(APP.resolve("lib"))) {
            Process process = new ProcessBuilder(
                            "java",
                            "-Djarmode=tools",
                            "-jar",
                            System.getProperty("umber.jar"),
                            "extract",
                            "--destination",
                            APP.toString())
                    .inheritIO()
                    .start();
            process.waitFor();
        }
    }

    private List<String> command(String... words) throws IOException {
        try (Stream<Path> lib = Files.list(APP.resolve("lib"))) {
            String jars = String.join(
                    ":",
                    lib.map(Path::toString)
                            .filter(jar ->
                                    jar.matches(".*/(umber-launcher|picocli|flyway|mariadb-java-client|jackson)[^/]*"))
                            .toList());
            List<String> command = new ArrayList<>(List.of(
                    "java",
                    "-XX:TieredStopAtLevel=1",
                    "-Dumber.home=" + home,
                    "-Dumber.app=" + APP,
                    "-cp",
                    jars,
                    "org.umberdial.launcher.Launcher"));
            command.addAll(List.of(words));
            return command;
        }
    }

    /** Starts it and waits until it says where it is. */
    Shop start() throws IOException {
        launcher = new ProcessBuilder(command(demo ? "demo" : "start", "--port", Integer.toString(port)))
                .redirectErrorStream(true)
                .start();
        BufferedReader words = launcher.inputReader();
        for (String line = words.readLine(); line != null; line = words.readLine()) {
            said.append(line).append('\n');
            if (line.startsWith("Umber Dial: ")) {
                CompletableFuture.runAsync(
                        () -> words.lines().forEach(more -> said.append(more).append('\n')));
                return this;
            }
        }
        throw new IllegalStateException("the launcher ended:\n" + said);
    }

    /** Another verb of the launcher on the same home; what it says. */
    String run(String... words) throws IOException, InterruptedException {
        Process process =
                new ProcessBuilder(command(words)).redirectErrorStream(true).start();
        String answer = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return process.waitFor() + " " + answer;
    }

    String said() {
        return said.toString();
    }

    Path place() {
        return home.resolve(demo ? "demo" : "shop");
    }

    String address(String path) {
        return "http://127.0.0.1:" + port + path;
    }

    HttpResponse<String> get(String path) throws IOException, InterruptedException {
        return HTTP.send(
                HttpRequest.newBuilder(URI.create(address(path))).build(), HttpResponse.BodyHandlers.ofString());
    }

    HttpResponse<String> post(String path, String json) throws IOException, InterruptedException {
        return HTTP.send(
                HttpRequest.newBuilder(URI.create(address(path)))
                        .header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofString(json))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    ProcessHandle launcher() {
        return launcher.toHandle();
    }

    /** @param which {@code database} or {@code application} */
    ProcessHandle process(String which) throws IOException {
        Properties running = new Properties();
        try (InputStream in = Files.newInputStream(place().resolve("running"))) {
            running.load(in);
        }
        return ProcessHandle.of(Long.parseLong(running.getProperty(which))).orElseThrow();
    }

    /** As {@code kill -9} does. */
    static void kill(ProcessHandle process) {
        process.destroyForcibly();
        process.onExit().join();
    }

    static void signal(ProcessHandle process, String signal) throws IOException, InterruptedException {
        new ProcessBuilder("kill", "-" + signal, Long.toString(process.pid()))
                .start()
                .waitFor();
    }

    @Override
    public void close() throws IOException, InterruptedException {
        if (launcher != null) {
            launcher.destroy();
            launcher.onExit().join();
        }
        run("stop");
    }
}
