package org.umberdial.server.live.internal;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.umberdial.server.security.Caller;

/** The stream an open page listens to; no part of the published description, which has no word for a stream. */
@Hidden
@RestController
@RequestMapping("/api")
class LiveController {
    private final LivePages pages;

    LiveController(LivePages pages) {
        this.pages = pages;
    }

    @GetMapping(path = "/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter live(@AuthenticationPrincipal Caller caller, HttpServletRequest request) throws IOException {
        HttpSession session = request.getSession(false);
        return pages.open(caller.shopId(), session == null ? "" : session.getId());
    }
}
