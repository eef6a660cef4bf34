package org.umberdial.server.power;

import java.io.IOException;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.MediaType;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.umberdial.core.power.Alarm;
import org.umberdial.server.problem.Problem;
import tools.jackson.databind.json.JsonMapper;

/**
 * Sends a run's entries to every screen that looks at it, whichever process they came through. Each goes under its
 * number, so that a screen that was away goes on where it stood.
 */
@Component
public class RunStreams {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Logger LOG = LoggerFactory.getLogger(RunStreams.class);
    /** Then the page opens it anew, as whoever is signed in there by now; from where it stood, so nothing is lost. */
    private static final long OPEN_MILLIS = 15_000;

    private static final long AGAIN_MILLIS = 300;
    private static final int MOST = 200;
    private static final int MOST_AT_ONCE = 2000;
    /** Looks between two words although nothing happened: a page tells by them that it is not cut off. */
    private static final int LOOKS_BETWEEN_WORDS = 6;

    private static final class Page {
        private final String shopId;
        private final String setId;
        private final String run;
        private final SseEmitter emitter;
        private int next;

        Page(String shopId, String setId, String run, SseEmitter emitter, int next) {
            this.shopId = shopId;
            this.setId = setId;
            this.run = run;
            this.emitter = emitter;
            this.next = next;
        }
    }

    private final RunService runs;
    private final List<Page> pages = new CopyOnWriteArrayList<>();
    private int looks;

    RunStreams(RunService runs) {
        this.runs = runs;
    }

    /** @param from number of the first entry the page does not have */
    public SseEmitter open(String shopId, String setId, String run, int from) throws IOException {
        runs.require(shopId, setId, run);
        if (pages.size() >= MOST) {
            throw new Problem(Problem.Kind.TOO_BUSY, "Too many screens look at runs; close some.", 5);
        }
        SseEmitter emitter = new SseEmitter(OPEN_MILLIS);
        Page page = new Page(shopId, setId, run, emitter, from);
        emitter.onCompletion(() -> pages.remove(page));
        emitter.onTimeout(emitter::complete);
        emitter.onError(gone -> pages.remove(page));
        pages.add(page);
        emitter.send(
                SseEmitter.event().reconnectTime(AGAIN_MILLIS).name("ready").data(""));
        return emitter;
    }

    @Scheduled(fixedDelay = 100)
    void look() {
        looks++;
        for (Page page : pages) {
            try {
                send(page);
            } catch (IOException | IllegalStateException gone) {
                pages.remove(page);
            } catch (RuntimeException away) {
                LOG.debug("No look at a run just now", away);
            }
        }
    }

    private void send(Page page) throws IOException {
        List<RunEntry> entries = runs.entries(page.shopId, page.setId, page.run, page.next);
        for (RunEntry entry : entries.subList(0, Math.min(entries.size(), MOST_AT_ONCE))) {
            page.emitter.send(SseEmitter.event()
                    .id(String.valueOf(entry.number()))
                    .name("entry")
                    .data(shown(entry), MediaType.APPLICATION_JSON));
            page.next = entry.number() + 1;
        }
        if (!entries.isEmpty() || looks % LOOKS_BETWEEN_WORDS == 0) {
            page.emitter.send(SseEmitter.event()
                    .name("state")
                    .data(
                            RunState.of(runs, page.shopId, runs.standing(page.shopId, page.setId, page.run)),
                            MediaType.APPLICATION_JSON));
        }
    }

    /** An alarm with its words, so that no screen has to ask for them. */
    private static RunEntry shown(RunEntry entry) {
        return entry.kind().equals(RunEntry.ALARM)
                ? new RunEntry(
                        entry.number(),
                        entry.seconds(),
                        entry.kind(),
                        JSON.writeValueAsString(RunAlarm.of(JSON.readValue(entry.body(), Alarm.class))))
                : entry;
    }

    /** Open streams would hold up an orderly shutdown. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        pages.forEach(page -> page.emitter.complete());
    }
}
