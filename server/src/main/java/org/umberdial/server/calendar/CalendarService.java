package org.umberdial.server.calendar;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.util.Duration;
import java.security.SecureRandom;
import java.time.Clock;
import java.util.Base64;
import java.util.Date;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.server.calendar.internal.CalendarTables;
import org.umberdial.server.security.Caller;
import org.umberdial.server.security.Sha256;
import org.umberdial.server.waits.TimedWait;
import org.umberdial.server.waits.WaitService;

/** Writes calendars, and lets a calendar program in by a secret link of a person's. */
@Service
public class CalendarService {
    private static final int SECRET_BYTES = 24;
    private static final int LONGEST_SECRET = 64;
    private static final int MINUTES = 15;

    private final WaitService waits;
    private final CalendarTables tables;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    CalendarService(WaitService waits, CalendarTables tables, Clock clock) {
        this.waits = waits;
        this.tables = tables;
        this.clock = clock;
    }

    /** What has a time, as iCalendar (RFC 5545): one event each, known again by its id. */
    public String calendar(String shopId) {
        ICalendar calendar = new ICalendar();
        calendar.setProductId("-//Umber Dial//Waits//EN");
        calendar.addExperimentalProperty("X-WR-CALNAME", "Bench");
        Date now = Date.from(clock.instant());
        for (TimedWait wait : waits.timed(shopId)) {
            VEvent event = new VEvent();
            event.setUid(wait.id() + "@umberdial");
            event.setDateTimeStamp(now);
            event.setSummary(wait.set() + ": " + wait.what());
            event.setDescription(wait.says());
            event.setDateStart(Date.from(wait.until()));
            event.setDuration(Duration.builder().minutes(MINUTES).build());
            calendar.addEvent(event);
        }
        return Biweekly.write(calendar).go();
    }

    /** Makes a person's link anew; the one before works no longer. */
    @Transactional
    public String link(Caller caller) {
        byte[] secret = new byte[SECRET_BYTES];
        random.nextBytes(secret);
        String token = Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
        tables.put(caller.shopId(), caller.accountId(), Sha256.of(token), clock.instant());
        return token;
    }

    @Transactional
    public void end(Caller caller) {
        tables.remove(caller.shopId(), caller.accountId());
    }

    public boolean linked(Caller caller) {
        return tables.has(caller.shopId(), caller.accountId());
    }

    /** The calendar behind a link; empty when it is nobody's, or its person's account is closed. */
    public Optional<String> behind(String token) {
        return token.length() > LONGEST_SECRET
                ? Optional.empty()
                : tables.shopOf(Sha256.of(token)).map(this::calendar);
    }
}
