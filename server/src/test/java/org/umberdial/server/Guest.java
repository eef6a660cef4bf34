package org.umberdial.server;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.UUID;
import tools.jackson.databind.JsonNode;

/** Somebody at one application with a cookie jar of their own. */
final class Guest {
    static final String PASSWORD = "walnut drawer lantern fog";

    private final String base;
    private final CookieManager cookies;
    private final HttpClient http;

    private String lastCookie = "";

    Guest(String base) {
        this(base, new CookieManager());
    }

    private Guest(String base, CookieManager cookies) {
        this.base = base;
        this.cookies = cookies;
        this.http = HttpClient.newBuilder().cookieHandler(cookies).build();
    }

    /** The same person with the same cookies at another node. */
    Guest at(String other) {
        CookieManager theirs = new CookieManager();
        // Each door has a name of its own for its cookie; nodes behind a balancer have the same door.
        cookies.getCookieStore().getCookies().forEach(cookie -> {
            HttpCookie same = new HttpCookie(
                    cookie.getName()
                            .replaceAll(
                                    "[0-9]+$", String.valueOf(URI.create(other).getPort())),
                    cookie.getValue());
            same.setPath("/");
            same.setVersion(0);
            theirs.getCookieStore().add(URI.create(other), same);
        });
        return new Guest(other, theirs);
    }

    /** The cookie set last, with its attributes. */
    String lastCookie() {
        return lastCookie;
    }

    RunningServer.Answer get(String path) {
        return send("GET", path, "");
    }

    JsonNode whenReady(String path) {
        return RunningServer.whenReady(() -> get(path));
    }

    RunningServer.Answer post(String path, String json) {
        return send("POST", path, json);
    }

    RunningServer.Answer put(String path, String json) {
        return send("PUT", path, json);
    }

    RunningServer.Answer delete(String path) {
        return send("DELETE", path, "");
    }

    RunningServer.Answer send(String method, String path, String body) {
        return send(method, path, "application/json", body);
    }

    RunningServer.Answer send(String method, String path, String type, String body) {
        HttpRequest.BodyPublisher content =
                body.isEmpty() ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(body);
        RunningServer.Answer answer = RunningServer.send(
                http,
                HttpRequest.newBuilder(URI.create(base + path))
                        .header("Content-Type", type)
                        .method(method, content)
                        .build());
        lastCookie = answer.response().headers().allValues("Set-Cookie").stream()
                .filter(cookie -> cookie.contains("umber-session"))
                .findFirst()
                .orElse(lastCookie);
        return answer;
    }

    RunningServer.Answer upload(String path, byte[] file) {
        return RunningServer.send(
                http,
                HttpRequest.newBuilder(URI.create(base + path))
                        .header("Content-Type", "application/octet-stream")
                        .POST(HttpRequest.BodyPublishers.ofByteArray(file))
                        .build());
    }

    byte[] bytes(String path) throws IOException, InterruptedException {
        return http.send(
                        HttpRequest.newBuilder(URI.create(base + path)).build(),
                        HttpResponse.BodyHandlers.ofByteArray())
                .body();
    }

    RunningServer.Answer signIn(String name, String password) {
        return post("/api/session", "{\"name\":\"" + name + "\",\"password\":\"" + password + "\"}");
    }

    RunningServer.Answer redeem(String token) {
        return post("/api/pairing-redemptions", "{\"token\":\"" + token + "\"}");
    }

    /** A new set with the demo table set's circuit and sheet. */
    String newTableSet() throws IOException {
        String id = UUID.randomUUID().toString();
        post(
                "/api/sets",
                "{\"id\":\"" + id
                        + "\",\"title\":\"Test "
                        + "set\",\"ticket\":\"\",\"place\":\"\",\"waitsFor\":\"\",\"construction\":\"SERIES_STRING\"}");
        upload("/api/sets/" + id + "/circuit-imports", RunningServer.resource("table-set.cir"));
        upload("/api/sets/" + id + "/sheet-imports", RunningServer.resource("table-set-sheet.csv"));
        return id;
    }

    /** Adds a person by the owner's hand and lets them in by a link. */
    Guest with(String name, String role) {
        String id = UUID.randomUUID().toString();
        post(
                "/api/accounts",
                "{\"id\":\"" + id + "\",\"name\":\"" + name + "\",\"shownName\":\"" + name + "\",\"role\":\"" + role
                        + "\"}");
        Guest guest = new Guest(base);
        guest.redeem(post("/api/accounts/" + id + "/pairings", "")
                .json()
                .get("token")
                .asString());
        return guest;
    }
}
