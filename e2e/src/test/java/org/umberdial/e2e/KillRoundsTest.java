package org.umberdial.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

/**
 * {@code kill -9}, alternately of the application and of the database, while a writer sends readings: every acknowledged one is
 * there once. {@code -Dumber.kill.rounds} makes it longer; {@code ./umber soak} runs 200.
 */
class KillRoundsTest {
    private static final Path MARIADB = Path.of("..", "tools", "private-mariadb").toAbsolutePath().normalize();
    private static final int READINGS_BETWEEN = 15;

    private final List<String> acknowledged = Collections.synchronizedList(new ArrayList<>());
    private final Semaphore acks = new Semaphore(0);
    private final Object gate = new Object();
    private boolean down;
    private boolean done;

    @Test
    @Timeout(value = 3, unit = TimeUnit.HOURS)
    void everyAcknowledgedReading_isThereOnce(@TempDir Path place) throws IOException, InterruptedException {
        String port = mariadb("start", place);
        try (Application application = new Application(port)) {
            Thread writer = new Thread(() -> write(application));
            writer.start();
            int rounds = Integer.getInteger("umber.kill.rounds", 2);
            for (int round = 0; round < rounds; round++) {
                acks.acquire(READINGS_BETWEEN);
                set(true, false);
                if (round % 2 == 0) {
                    application.kill();
                    application.start();
                } else {
                    ProcessHandle server = ProcessHandle.of(Long.parseLong(Files.readString(place.resolve("pid")).strip())).orElseThrow();
                    server.destroyForcibly();
                    server.onExit().join();
                    assertEquals(port, mariadb("start", place));
                }
                set(false, false);
            }
            acks.acquire(READINGS_BETWEEN);
            set(false, true);
            writer.join();
            String kept = application.get("/api" + Journey.IVORY + "/readings").body();
            List<String> wrong = acknowledged.stream().filter(id -> kept.split(id, -1).length != 2).toList();
            assertEquals(List.of(), wrong, acknowledged.size() + " acknowledged over " + rounds + " rounds");
            System.out.println(acknowledged.size() + " readings acknowledged over " + rounds + " kills, each there once");
        } finally {
            mariadb("stop", place);
        }
    }

    private void set(boolean isDown, boolean isDone) {
        synchronized (gate) {
            down = isDown;
            done |= isDone;
            gate.notifyAll();
        }
    }

    /** Sends one reading after the other; without an acknowledgement the same one again, as the browser does. */
    private void write(Application application) {
        int number = 0;
        for (String id = UUID.randomUUID().toString(); !finished(); ) {
            String body = "{\"id\":\"" + id + "\",\"text\":\"" + (90 + number % 30) + "\",\"node\":\"filter_1\",\"confirmed\":true,\"takenAt\":null,\"note\":\"\"}";
            if (taken(application, body)) {
                acknowledged.add(id);
                acks.release();
                id = UUID.randomUUID().toString();
                number++;
            }
        }
    }

    private static boolean taken(Application application, String body) {
        try {
            return application.post("/api" + Journey.IVORY + "/readings", body).statusCode() == 200;
        } catch (IOException noAnswer) {
            return false;
        }
    }

    /** Waits while something is down. */
    private boolean finished() {
        synchronized (gate) {
            while (down && !done) {
                try {
                    gate.wait();
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                    return true;
                }
            }
            return done;
        }
    }

    private static String mariadb(String verb, Path place) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(MARIADB.toString(), verb, place.toString()).redirectError(ProcessBuilder.Redirect.INHERIT).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8).strip();
        assertEquals(0, process.waitFor(), said);
        return said;
    }
}
