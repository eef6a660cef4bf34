package org.umberdial.e2e;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;

/** The packaged jar as a process of its own, on a schema of its own, filled with the demo shop. */
final class Application implements AutoCloseable {
    private static final HttpClient HTTP = HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();

    private final String schema = "umber_e2e_" + UUID.randomUUID().toString().substring(0, 8);
    private final int port;
    private Process process;

    Application() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            port = socket.getLocalPort();
        }
        start();
    }

    void start() throws IOException {
        Path log = Files.createTempFile("umber-e2e", ".log");
        process = new ProcessBuilder("java", "-jar", System.getProperty("umber.jar"), "--server.port=" + port, "--umber.db.port=" + System.getProperty("umber.db.port"), "--umber.db.name=" + schema, "--umber.demo=true").redirectErrorStream(true).redirectOutput(log.toFile()).start();
        Instant limit = Instant.now().plusSeconds(60);
        while (!answers()) {
            if (!process.isAlive() || Instant.now().isAfter(limit)) {
                throw new IllegalStateException("the application did not start:\n" + Files.readString(log));
            }
            Thread.onSpinWait();
        }
    }

    private boolean answers() {
        try {
            return get("/api/shop").statusCode() == 200;
        } catch (IOException notYet) {
            return false;
        }
    }

    String address(String path) {
        return "http://127.0.0.1:" + port + path;
    }

    HttpResponse<String> get(String path) throws IOException {
        return send(HttpRequest.newBuilder(URI.create(address(path))).GET().build());
    }

    HttpResponse<String> post(String path, String json) throws IOException {
        return send(HttpRequest.newBuilder(URI.create(address(path))).header("Content-Type", "application/json").POST(HttpRequest.BodyPublishers.ofString(json)).build());
    }

    private static HttpResponse<String> send(HttpRequest request) throws IOException {
        try {
            return HTTP.send(request, HttpResponse.BodyHandlers.ofString());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
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
