package org.umberdial.server.exchange.internal;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.server.exchange.CatalogueFiles;
import org.umberdial.server.exchange.ReadingFile;
import org.umberdial.server.limits.Uploads;
import org.umberdial.server.security.Caller;

/** A shop's own catalogue and prices as open files. */
@RestController
@RequestMapping("/api/catalogue")
class CatalogueFileController {
    private static final int LARGEST = 1_000_000;

    private final CatalogueFiles catalogue;
    private final Uploads uploads;

    CatalogueFileController(CatalogueFiles catalogue, Uploads uploads) {
        this.catalogue = catalogue;
        this.uploads = uploads;
    }

    @GetMapping("/own.csv")
    ResponseEntity<String> export(@AuthenticationPrincipal Caller caller) {
        return ExchangeController.file("catalogue.csv", "text/csv;charset=UTF-8", catalogue.export(caller.shopId()));
    }

    @PostMapping(path = "/imports", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ReadingFile take(@AuthenticationPrincipal Caller caller, HttpServletRequest request) {
        return uploads.take(
                caller,
                request,
                LARGEST,
                "The file",
                file -> catalogue.take(caller.shopId(), ExchangeController.bytes(file)));
    }

    @PostMapping(path = "/price-imports", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ReadingFile prices(@AuthenticationPrincipal Caller caller, HttpServletRequest request) {
        return uploads.take(
                caller,
                request,
                LARGEST,
                "The file",
                file -> catalogue.takePrices(caller.shopId(), ExchangeController.bytes(file)));
    }
}
