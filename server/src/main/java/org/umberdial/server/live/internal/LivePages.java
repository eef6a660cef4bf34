package org.umberdial.server.live.internal;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.MediaType;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.umberdial.server.accounts.SessionsEnded;
import org.umberdial.server.problem.DatabaseFault;

/**
 * Says to every open page which sets have changed. Fed from the database's revisions, looked at twice a second for all
 * pages of a shop together, so that it does not matter which process a change went through. A stream ends with the
 * session it belongs to, wherever that was ended.
 */
@Component
class LivePages {
    private static final Logger LOG = LoggerFactory.getLogger(LivePages.class);
    private static final long LOOK_MILLIS = 400;
    /** Then the page opens it anew, as whoever is signed in there by now. */
    private static final long OPEN_MILLIS = 300_000;
    /** Now and then a word although nothing happened: it finds connections that are gone. */
    private static final int LOOKS_BETWEEN_WORDS = 40;

    /** @param session empty for the demo, which has none */
    private record Page(String shopId, String session, SseEmitter emitter) {}

    private final LiveTables tables;
    private final List<Page> pages = new CopyOnWriteArrayList<>();
    private final Map<String, Map<String, Integer>> seen = new ConcurrentHashMap<>();
    private volatile boolean closing;
    private int looks;

    LivePages(LiveTables tables) {
        this.tables = tables;
    }

    /** A stream of what changes in a shop from now on. */
    SseEmitter open(String shopId, String session) throws IOException {
        SseEmitter emitter = new SseEmitter(OPEN_MILLIS);
        if (closing) {
            emitter.complete();
            return emitter;
        }
        Page page = new Page(shopId, session, emitter);
        emitter.onCompletion(() -> pages.remove(page));
        emitter.onTimeout(emitter::complete);
        emitter.onError(gone -> pages.remove(page));
        seen.computeIfAbsent(page.shopId, tables::revisions);
        pages.add(page);
        emitter.send(SseEmitter.event().name("ready").data(""));
        return emitter;
    }

    @Scheduled(fixedDelay = LOOK_MILLIS)
    void look() {
        try {
            looks++;
            endThoseSignedOut();
            tellOfChanges();
        } catch (RuntimeException away) {
            if (DatabaseFault.of(away).isEmpty()) {
                throw away;
            }
            LOG.debug("No look at the database just now", away);
        }
    }

    /** A session that ended here takes its streams along at once; one that ended elsewhere at the next look. */
    @EventListener(SessionsEnded.class)
    void endThoseSignedOut() {
        List<String> sessions = pages.stream()
                .map(Page::session)
                .filter(id -> !id.isEmpty())
                .distinct()
                .toList();
        if (sessions.isEmpty()) {
            return;
        }
        Set<String> open = tables.open(sessions);
        pages.stream()
                .filter(page -> !page.session.isEmpty() && !open.contains(page.session))
                .forEach(page -> page.emitter.complete());
    }

    private void tellOfChanges() {
        List<String> shops = pages.stream().map(Page::shopId).distinct().toList();
        seen.keySet().retainAll(shops);
        for (String shop : shops) {
            Map<String, Integer> now = tables.revisions(shop);
            Map<String, Integer> before = seen.put(shop, now);
            List<String> changed = before == null
                    ? List.of()
                    : now.entrySet().stream()
                            .filter(e -> !e.getValue().equals(before.get(e.getKey())))
                            .map(Map.Entry::getKey)
                            .toList();
            // The revision goes along as the event's id: who shows it already has nothing to fetch.
            changed.forEach(id -> tell(
                    shop,
                    SseEmitter.event()
                            .id(String.valueOf(now.get(id)))
                            .name(id.isEmpty() ? "shop" : "set")
                            .data(id, MediaType.TEXT_PLAIN)));
            if (changed.isEmpty() && looks % LOOKS_BETWEEN_WORDS == 0) {
                tell(shop, SseEmitter.event().comment("still here"));
            }
        }
    }

    private void tell(String shop, SseEmitter.SseEventBuilder event) {
        var message = event.build();
        for (Page page : pages) {
            if (page.shopId.equals(shop)) {
                try {
                    page.emitter.send(message);
                } catch (IOException | IllegalStateException gone) {
                    pages.remove(page);
                }
            }
        }
    }

    /** Open streams would hold up an orderly shutdown. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        closing = true;
        pages.forEach(page -> page.emitter.complete());
    }
}
