package org.umberdial.server.setfile.internal;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.umberdial.core.stands.Stands;
import org.umberdial.server.setfile.SetFiles;

/** Opens the sets worked on last as soon as the application runs, so that nobody waits for a long log after a start. */
@Component
class OpenAhead {
    private static final Logger LOG = LoggerFactory.getLogger(OpenAhead.class);

    private final StampTables tables;
    private final SetFiles files;
    private final int most;

    OpenAhead(StampTables tables, SetFiles files, @Value("${umber.open-ahead}") int most) {
        this.tables = tables;
        this.files = files;
        this.most = most;
    }

    @EventListener(ApplicationReadyEvent.class)
    void started() {
        if (most > 0) {
            Thread thread = new Thread(this::open, "open-ahead");
            thread.setDaemon(true);
            thread.setPriority(Thread.MIN_PRIORITY);
            thread.start();
        }
    }

    private void open() {
        try {
            tables.touchedLast(most)
                    .forEach(set ->
                            Stands.of(files.open(set.shopId(), set.setId()).file()));
        } catch (RuntimeException failed) {
            // Whoever opens the set is told what is wrong with it; here it is only opened early.
            LOG.debug("a set was not opened ahead", failed);
        }
    }
}
