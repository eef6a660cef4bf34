package org.umberdial.server.limits;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;

/**
 * Places for what takes long, some for each sender and some for all together. Nobody waits: who finds none is told so.
 */
final class Slots {
    private final Semaphore all;
    private final int each;
    private final Map<String, Integer> held = new ConcurrentHashMap<>();

    Slots(int all, int each) {
        this.all = new Semaphore(all);
        this.each = each;
    }

    boolean take(String sender) {
        if (!all.tryAcquire()) {
            return false;
        }
        if (held.merge(sender, 1, Integer::sum) > each) {
            give(sender);
            return false;
        }
        return true;
    }

    void give(String sender) {
        held.computeIfPresent(sender, (who, count) -> count == 1 ? null : count - 1);
        all.release();
    }
}
