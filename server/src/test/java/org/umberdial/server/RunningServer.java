package org.umberdial.server;

import static org.umberdial.tables.Tables.SIGN_IN_TRY;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/**
 * The application, booted once for the whole run on a schema of its own in the private MariaDB. Spring's own test
 * support needs JUnit 6.
 */
public final class RunningServer implements BeforeAllCallback {
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final HttpClient HTTP = HttpClient.newHttpClient();
    private static final String SCHEMA =
            "umber_test_" + UUID.randomUUID().toString().substring(0, 8);
    /** Seconds of a run of first power in one of the clock's. */
    static final double SPEED = 6;

    private static final int MOST_ASKED = 60;

    private static ConfigurableApplicationContext context;

    @Override
    public void beforeAll(ExtensionContext extension) {
        if (context != null) {
            forgetTries();
        } else {
            context = started(SCHEMA, "--umber.demo=true", "--umber.power.speed=" + SPEED);
        }
    }

    /** One more application, on a schema of its own or of another. */
    static ConfigurableApplicationContext started(String schema, String... settings) {
        List<String> arguments =
                new ArrayList<>(List.of("--server.port=0", "--umber.open-ahead=0", "--umber.db.name=" + schema));
        if (Stream.of(settings).noneMatch(setting -> setting.startsWith("--umber.home="))) {
            arguments.add("--umber.home=target/home");
        }
        arguments.addAll(List.of(settings));
        return new SpringApplicationBuilder(UmberDial.class).run(arguments.toArray(String[]::new));
    }

    /** A second process on the same database. */
    static ConfigurableApplicationContext twin(String... settings) {
        return started(SCHEMA, settings);
    }

    static String base(ConfigurableApplicationContext application) {
        return "http://127.0.0.1:" + application.getEnvironment().getProperty("local.server.port");
    }

    /** Failed tries to come in count by address, and every test comes from the same. */
    static void forgetTries() {
        bean(DSLContext.class).deleteFrom(SIGN_IN_TRY).execute();
    }

    static String setting(String name) {
        return context.getEnvironment().getProperty(name);
    }

    static <T> T bean(Class<T> type) {
        return context.getBean(type);
    }

    /** An answer with its body as JSON; a missing node when the body is something else. */
    record Answer(int status, String text, HttpResponse<String> response) {
        JsonNode json() {
            return JSON.readTree(text);
        }
    }

    static String base() {
        return base(context);
    }

    static Answer get(String path) {
        return send(HttpRequest.newBuilder(URI.create(base() + path)).GET().build());
    }

    static Answer post(String path, String json) {
        return send(HttpRequest.newBuilder(URI.create(base() + path))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(json))
                .build());
    }

    /** What is answered once what is worked out for it is ready; each question waits a moment by itself. */
    static JsonNode whenReady(String path) {
        return whenReady(() -> get(path));
    }

    static JsonNode whenReady(Supplier<Answer> ask) {
        JsonNode answer = ask.get().json();
        for (int asked = 1; answer.at("/underway").asBoolean() && asked < MOST_ASKED; asked++) {
            answer = ask.get().json();
        }
        return answer;
    }

    static Answer put(String path, String json) {
        return send(HttpRequest.newBuilder(URI.create(base() + path))
                .header("Content-Type", "application/json")
                .PUT(HttpRequest.BodyPublishers.ofString(json))
                .build());
    }

    static Answer delete(String path) {
        return send(HttpRequest.newBuilder(URI.create(base() + path)).DELETE().build());
    }

    static Answer upload(String path, byte[] bytes) {
        return send(HttpRequest.newBuilder(URI.create(base() + path))
                .header("Content-Type", "application/octet-stream")
                .POST(HttpRequest.BodyPublishers.ofByteArray(bytes))
                .build());
    }

    static Answer send(HttpRequest request) {
        return send(HTTP, request);
    }

    static Answer send(HttpClient http, HttpRequest request) {
        try {
            HttpResponse<String> response = http.send(request, HttpResponse.BodyHandlers.ofString());
            return new Answer(response.statusCode(), response.body(), response);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** A new set of which nothing is known; gives the path to it. */
    static String newSet(String title) {
        String id = UUID.randomUUID().toString();
        post(
                "/api/sets",
                "{\"id\":\"" + id + "\",\"title\":\"" + title + "\",\"ticket\":\"\",\"place\":\"\",\"waitsFor\":\"\","
                        + "\"construction\":\"UNKNOWN\"}");
        return "/api/sets/" + id;
    }

    /** A new set with the demo table set's circuit and sheet. */
    static String newTableSet() throws IOException {
        return new Guest(base()).newTableSet();
    }

    static byte[] resource(String name) throws IOException {
        return RunningServer.class
                .getResourceAsStream("/org/umberdial/core/demo/" + name)
                .readAllBytes();
    }
}
