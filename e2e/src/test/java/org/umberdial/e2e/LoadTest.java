package org.umberdial.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/**
 * A busy day in a shop: four screens that fetch anew whatever changes while readings come in, twenty a second. Figures
 * are printed; only the long form ({@code ./umber soak}: ten minutes) judges them, since a short one measures the
 * start.
 */
class LoadTest {
    private static final int SCREENS = 4;
    private static final int READINGS_A_SECOND = 20;
    private static final double P95_MILLIS = 100;
    private static final double HEAP_GROWTH = 1.3;
    private static final int LONG_FORM = 60;
    private static final List<String> SETS = List.of(Journey.BROWN, Journey.GRAND, Journey.IVORY, Journey.ELDER);
    private static final Pattern TOKEN = Pattern.compile("\"token\":\"([^\"]+)\"");
    private static final Pattern NODE = Pattern.compile("\"node\":\"([^\"]+)\"");

    /** One who writes, and the screens: each with a session of its own, as devices have. */
    private final List<HttpClient> devices = new ArrayList<>();

    private final List<Double> writes = Collections.synchronizedList(new ArrayList<>());
    private final List<Double> looks = Collections.synchronizedList(new ArrayList<>());
    private final List<String> faults = Collections.synchronizedList(new ArrayList<>());
    private final List<String> nodes = new ArrayList<>();
    private final AtomicInteger told = new AtomicInteger();

    @Test
    @Timeout(value = 30, unit = TimeUnit.MINUTES)
    void fourScreensAndTwentyReadingsASecond_keepAnswering() throws IOException, InterruptedException {
        int seconds = Integer.getInteger("umber.load.seconds", 5);
        try (Application application = new Application()) {
            // As in a shop: everybody is signed in, and each request looks its session up.
            for (int i = 0; i <= SCREENS; i++) {
                devices.add(signedIn(application));
            }
            for (String set : SETS) {
                Matcher first = NODE.matcher(get(devices.get(0), application, "/api" + set + "/volts")
                        .body());
                assertTrue(first.find(), set);
                nodes.add(first.group(1));
            }
            List<InputStream> streams = new ArrayList<>();
            for (int i = 0; i < SCREENS; i++) {
                streams.add(screen(application, devices.get(i + 1)));
            }
            // The first moments are the compiler's.
            send(application, Math.min(30, seconds));
            double early = heap(application);
            writes.clear();
            looks.clear();
            int sent = send(application, seconds);
            double late = heap(application);
            String figures = String.format(
                    "%d readings in %d s, %d screens told %d times: answers p50 %.0f ms, p95 %.0f ms, worst "
                            + "%.0f ms; looks p95 %.0f ms; heap %.0f then %.0f MB",
                    sent,
                    seconds,
                    SCREENS,
                    told.get(),
                    share(writes, 0.5),
                    share(writes, 0.95),
                    share(writes, 1),
                    share(looks, 0.95),
                    early,
                    late);
            System.out.println(figures);
            assertEquals(List.of(), faults.stream().limit(5).toList(), figures);
            assertEquals(sent, writes.size(), figures);
            assertTrue(told.get() >= SCREENS, figures);
            if (seconds >= LONG_FORM) {
                assertTrue(share(writes, 0.95) < P95_MILLIS, figures);
                assertTrue(late < early * HEAP_GROWTH, figures);
            }
            for (InputStream stream : streams) {
                stream.close();
            }
        }
    }

    /** Sends at a steady pace, whatever the answers take; returns once all have been answered. */
    private int send(Application application, int seconds) throws InterruptedException {
        ScheduledExecutorService pace = Executors.newScheduledThreadPool(8);
        int count = seconds * READINGS_A_SECOND;
        for (int i = 0; i < count; i++) {
            int n = i;
            pace.schedule(() -> read(application, n), 1000L * i / READINGS_A_SECOND, TimeUnit.MILLISECONDS);
        }
        pace.shutdown();
        assertTrue(pace.awaitTermination(seconds + 120L, TimeUnit.SECONDS), "the readings did not all go in");
        return count;
    }

    private void read(Application application, int n) {
        String set = SETS.get(n % SETS.size());
        long start = System.nanoTime();
        try {
            HttpResponse<String> answer = post(
                    devices.get(0),
                    application,
                    "/api" + set + "/readings",
                    "{\"id\":\"" + UUID.randomUUID() + "\",\"text\":\"" + (100 + n % 40) + "\",\"node\":\""
                            + nodes.get(n % SETS.size()) + "\",\"confirmed\":true,\"takenAt\":null,\"note\":\"\"}");
            writes.add((System.nanoTime() - start) / 1e6);
            if (answer.statusCode() != 200) {
                faults.add(set + " " + answer.body());
            }
        } catch (IOException | InterruptedException e) {
            faults.add(e.toString());
        }
    }

    /** A page's stream: whatever it tells of is fetched anew, as a page does. */
    private InputStream screen(Application application, HttpClient screen) throws IOException, InterruptedException {
        InputStream stream = screen.send(
                        HttpRequest.newBuilder(URI.create(application.address("/api/live")))
                                .build(),
                        HttpResponse.BodyHandlers.ofInputStream())
                .body();
        Thread listener = new Thread(() -> {
            try (var lines = new BufferedReader(new InputStreamReader(stream, StandardCharsets.UTF_8))) {
                for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                    if (line.startsWith("data:2222")) {
                        told.incrementAndGet();
                        look(
                                screen,
                                application,
                                line.substring("data:".length()).strip());
                    }
                }
            } catch (IOException | InterruptedException closed) {
                // The screen is switched off at the end.
            }
        });
        listener.setDaemon(true);
        listener.start();
        return stream;
    }

    private void look(HttpClient screen, Application application, String set) throws IOException, InterruptedException {
        long start = System.nanoTime();
        HttpResponse<String> answer = get(screen, application, "/api/sets/" + set + "/volts");
        looks.add((System.nanoTime() - start) / 1e6);
        if (answer.statusCode() != 200) {
            faults.add(set + " " + answer.statusCode());
        }
    }

    private static HttpClient signedIn(Application application) throws IOException, InterruptedException {
        HttpClient device = HttpClient.newBuilder()
                .executor(Executors.newCachedThreadPool())
                .cookieHandler(new CookieManager())
                .build();
        Matcher token = TOKEN.matcher(
                post(device, application, "/api/account/pairings", "").body());
        assertTrue(token.find(), "a link");
        assertEquals(
                200,
                post(device, application, "/api/pairing-redemptions", "{\"token\":\"" + token.group(1) + "\"}")
                        .statusCode());
        return device;
    }

    private static HttpResponse<String> get(HttpClient http, Application application, String path)
            throws IOException, InterruptedException {
        return http.send(
                HttpRequest.newBuilder(URI.create(application.address(path))).build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private static HttpResponse<String> post(HttpClient http, Application application, String path, String json)
            throws IOException, InterruptedException {
        return http.send(
                HttpRequest.newBuilder(URI.create(application.address(path)))
                        .header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofString(json))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    /** What the application holds after a collection, MB. */
    private static double heap(Application application) throws IOException, InterruptedException {
        jcmd(application, "GC.run");
        Matcher used = Pattern.compile("used (\\d+)K").matcher(jcmd(application, "GC.heap_info"));
        double sum = 0;
        // The collectors of this Java each report the heap's parts on lines of their own, metaspace last.
        while (used.find()) {
            sum += Double.parseDouble(used.group(1)) / 1024;
        }
        return sum;
    }

    private static String jcmd(Application application, String command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder("jcmd", Long.toString(application.pid()), command)
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        process.waitFor();
        return said;
    }

    private static double share(List<Double> all, double share) {
        // Copied at once: screens go on looking meanwhile, and a stream of a list that grows breaks off.
        List<Double> sorted = new ArrayList<>(all);
        Collections.sort(sorted);
        return sorted.isEmpty() ? 0 : sorted.get((int) Math.min(sorted.size() - 1, Math.floor(share * sorted.size())));
    }
}
