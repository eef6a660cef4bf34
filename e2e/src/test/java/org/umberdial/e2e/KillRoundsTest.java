package org.umberdial.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
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
 * {@code kill -9}, in turn of the application, the database and the launcher with both, while a writer sends readings:
 * every acknowledged one is there once. {@code -Dumber.kill.rounds} makes it longer; {@code ./umber soak} runs 200.
 */
class KillRoundsTest {
    private static final int READINGS_BETWEEN = 15;

    private final List<String> acknowledged = Collections.synchronizedList(new ArrayList<>());
    private final Semaphore acks = new Semaphore(0);
    private final Object gate = new Object();
    private boolean down;
    private boolean done;

    @Test
    @Timeout(value = 3, unit = TimeUnit.HOURS)
    void everyAcknowledgedReading_isThereOnce(@TempDir Path home) throws IOException, InterruptedException {
        try (Shop shop = new Shop(home, true).start()) {
            Thread writer = new Thread(() -> write(shop));
            writer.start();
            int rounds = Integer.getInteger("umber.kill.rounds", 3);
            for (int round = 0; round < rounds; round++) {
                acks.acquire(READINGS_BETWEEN);
                switch (round % 3) {
                    case 0 -> Shop.kill(shop.process("database"));
                    case 1 -> Shop.kill(shop.process("application"));
                    default -> everything(shop);
                }
            }
            acks.acquire(READINGS_BETWEEN);
            set(false, true);
            writer.join();
            String kept = shop.get("/api" + Journey.IVORY + "/log?size=200").body();
            List<String> wrong = acknowledged.stream()
                    .filter(id -> kept.split(id, -1).length != 2)
                    .toList();
            assertEquals(List.of(), wrong, acknowledged.size() + " acknowledged over " + rounds + " rounds");
            System.out.println(
                    acknowledged.size() + " readings acknowledged over " + rounds + " kills, each there once");
        }
    }

    /** As when a plug is pulled; then somebody starts it again. */
    private void everything(Shop shop) throws IOException {
        set(true, false);
        ProcessHandle database = shop.process("database");
        ProcessHandle application = shop.process("application");
        Shop.kill(shop.launcher());
        Shop.kill(database);
        Shop.kill(application);
        shop.start();
        set(false, false);
    }

    private void set(boolean isDown, boolean isDone) {
        synchronized (gate) {
            down = isDown;
            done |= isDone;
            gate.notifyAll();
        }
    }

    /** Sends one reading after the other; without an acknowledgement the same one again, as the browser does. */
    private void write(Shop shop) {
        int number = 0;
        for (String id = UUID.randomUUID().toString(); !finished(); ) {
            String body = "{\"id\":\"" + id + "\",\"text\":\"" + (90 + number % 30)
                    + "\",\"node\":\"filter_1\",\"confirmed\":true,\"takenAt\":null,\"note\":\"\"}";
            if (taken(shop, body)) {
                acknowledged.add(id);
                acks.release();
                id = UUID.randomUUID().toString();
                number++;
            }
        }
    }

    private static boolean taken(Shop shop, String body) {
        try {
            return shop.post("/api" + Journey.IVORY + "/readings", body).statusCode() == 200;
        } catch (IOException noAnswer) {
            return false;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
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
}
