package org.umberdial.server.calendar.internal;

import java.nio.charset.StandardCharsets;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.server.calendar.CalendarService;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;

/** A shop's waits as a calendar. */
@RestController
class CalendarController {
    private static final MediaType CALENDAR = new MediaType("text", "calendar", StandardCharsets.UTF_8);

    /** @param path where the calendar is fetched; told once, when it is made, else empty */
    record CalendarLinkView(boolean linked, String path) {}

    private final CalendarService calendars;

    CalendarController(CalendarService calendars) {
        this.calendars = calendars;
    }

    @GetMapping(path = "/api/calendar", produces = "text/calendar")
    ResponseEntity<byte[]> file(@AuthenticationPrincipal Caller caller) {
        return answer(calendars.calendar(caller.shopId()));
    }

    @GetMapping("/api/account/calendar-link")
    CalendarLinkView link(@AuthenticationPrincipal Caller caller) {
        return new CalendarLinkView(calendars.linked(caller), "");
    }

    /** Makes the caller's link anew; whatever fetched by the one before is out. */
    @PostMapping("/api/account/calendar-link")
    CalendarLinkView make(@AuthenticationPrincipal Caller caller) {
        return new CalendarLinkView(true, "/calendar/" + calendars.link(caller) + "/bench.ics");
    }

    @DeleteMapping("/api/account/calendar-link")
    CalendarLinkView end(@AuthenticationPrincipal Caller caller) {
        calendars.end(caller);
        return new CalendarLinkView(false, "");
    }

    /** For a calendar program, which signs in nowhere: whoever has the link reads titles of sets and what dries. */
    @GetMapping("/calendar/{token}/bench.ics")
    ResponseEntity<byte[]> feed(@PathVariable String token) {
        return answer(calendars.behind(token).orElseThrow(() -> Problem.notFound("This calendar")));
    }

    private static ResponseEntity<byte[]> answer(String calendar) {
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("bench.ics")
                                .build()
                                .toString())
                .cacheControl(CacheControl.noStore())
                .contentType(CALENDAR)
                .body(calendar.getBytes(StandardCharsets.UTF_8));
    }
}
