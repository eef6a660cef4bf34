package org.umberdial.e2e;

import java.io.BufferedReader;
import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;

/**
 * The packaged jar as a process of its own, on a schema of its own in the build's database, filled with the demo shop.
 */
final class Application implements AutoCloseable {
    private static final String SERVES = "Started UmberDial in";
    private static final HttpClient HTTP =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();

    private final String schema;
    private final List<String> settings;
    private final int port;
    private Process process;

    Application() throws IOException {
        this("umber_e2e_" + UUID.randomUUID().toString().substring(0, 8), List.of("--umber.demo=true"));
    }

    private Application(String schema, List<String> settings) throws IOException {
        this.schema = schema;
        this.settings = settings;
        this.port = freePort();
        start();
    }

    /** A second process on the same database. */
    Application twin() throws IOException {
        return with("--umber.demo=true");
    }

    /** Another process on the same database, with other settings. */
    Application with(String... other) throws IOException {
        return new Application(schema, List.of(other));
    }

    /** The demo shop in no more memory than a small machine gives. */
    static Application small(int heapMb) throws IOException {
        return new Application(
                "umber_e2e_" + UUID.randomUUID().toString().substring(0, 8),
                List.of("--umber.demo=true", "-Xmx" + heapMb + "m"));
    }

    /** The demo shop, in which runs of first power pass so many times as fast. */
    static Application hurried(int speed) throws IOException {
        return new Application(
                "umber_e2e_" + UUID.randomUUID().toString().substring(0, 8),
                List.of("--umber.demo=true", "--umber.power.speed=" + speed));
    }

    /** One with nothing in it and nobody's yet. */
    static Application empty() throws IOException {
        return new Application("umber_e2e_" + UUID.randomUUID().toString().substring(0, 8), List.of());
    }

    /** Returns once the application says it serves; its own words decide, so waiting takes nothing from its start. */
    void start() throws IOException {
        process = new ProcessBuilder(command()).redirectErrorStream(true).start();
        BufferedReader words = process.inputReader();
        StringBuffer said = new StringBuffer();
        CompletableFuture<Boolean> serving = CompletableFuture.supplyAsync(() ->
                words.lines().peek(line -> said.append(line).append('\n')).anyMatch(line -> line.contains(SERVES)));
        try {
            if (!serving.get(110, TimeUnit.SECONDS)) {
                throw new IllegalStateException("the application ended at its start:\n" + said);
            }
        } catch (InterruptedException | ExecutionException | TimeoutException e) {
            throw new IllegalStateException("the application did not start:\n" + said, e);
        }
        // Read on, or a full pipe would stop it.
        CompletableFuture.runAsync(() -> words.lines().forEach(line -> {}));
    }

    private List<String> command() {
        List<String> command = new ArrayList<>(List.of("java"));
        settings.stream().filter(Application::isForJava).forEach(command::add);
        command.addAll(
                List.of("-jar", System.getProperty("umber.jar"), "--server.port=" + port, "--umber.db.name=" + schema));
        if (settings.stream().noneMatch(setting -> setting.startsWith("--umber.home="))) {
            command.add("--umber.home=target/homes/" + schema);
        }
        settings.stream().filter(setting -> !isForJava(setting)).forEach(command::add);
        return command;
    }

    private static boolean isForJava(String setting) {
        return setting.startsWith("-X");
    }

    static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    String schema() {
        return schema;
    }

    String address(String path) {
        return "http://127.0.0.1:" + port + path;
    }

    HttpResponse<String> get(String path) throws IOException {
        return send(HttpRequest.newBuilder(URI.create(address(path))).GET().build());
    }

    HttpResponse<String> post(String path, String json) throws IOException {
        return send(HttpRequest.newBuilder(URI.create(address(path)))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(json))
                .build());
    }

    private static HttpResponse<String> send(HttpRequest request) throws IOException {
        try {
            return HTTP.send(request, HttpResponse.BodyHandlers.ofString());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    long pid() {
        return process.pid();
    }

    /** As {@code kill -9} does. */
    void kill() {
        process.destroyForcibly();
        process.onExit().join();
    }

    @Override
    public void close() {
        process.destroy();
        process.onExit().join();
    }
}
