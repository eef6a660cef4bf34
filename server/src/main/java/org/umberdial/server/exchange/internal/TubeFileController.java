package org.umberdial.server.exchange.internal;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.server.exchange.ReadingFile;
import org.umberdial.server.exchange.TubeFiles;
import org.umberdial.server.limits.Uploads;
import org.umberdial.server.security.Caller;

/** A shop's own tube types as an open file. */
@RestController
@RequestMapping("/api/tubes")
class TubeFileController {
    private static final int LARGEST = 1_000_000;

    private final TubeFiles tubes;
    private final Uploads uploads;

    TubeFileController(TubeFiles tubes, Uploads uploads) {
        this.tubes = tubes;
        this.uploads = uploads;
    }

    @GetMapping("/own.csv")
    ResponseEntity<String> export(@AuthenticationPrincipal Caller caller) {
        return ExchangeController.file("tubes.csv", "text/csv;charset=UTF-8", tubes.export(caller.shopId()));
    }

    @PostMapping(path = "/imports", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ReadingFile take(@AuthenticationPrincipal Caller caller, HttpServletRequest request) {
        return uploads.take(
                caller,
                request,
                LARGEST,
                "The file",
                file -> tubes.take(caller.shopId(), ExchangeController.bytes(file)));
    }
}
