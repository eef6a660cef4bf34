package org.umberdial.server.exchange.internal;

import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.server.exchange.ExchangeService;
import org.umberdial.server.exchange.ReadingFile;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;

/** Files in and out. An upload is the file's own bytes, so that its encoding is ours to find. */
@RestController
@RequestMapping("/api/sets/{setId}")
class ExchangeController {
    private static final int LARGEST = 5_000_000;

    private final ExchangeService exchange;

    ExchangeController(ExchangeService exchange) {
        this.exchange = exchange;
    }

    @PostMapping(path = "/reading-imports", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ReadingFile readings(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @RequestParam(defaultValue = "readings.csv") String fileName, @RequestBody(required = false) byte[] bytes) {
        return exchange.importReadings(caller, setId.toString(), checked(bytes), fileName);
    }

    @PostMapping(path = "/sheet-imports", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ReadingFile sheet(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @RequestBody(required = false) byte[] bytes) {
        return exchange.importSheet(caller, setId.toString(), checked(bytes));
    }

    @PostMapping(path = "/circuit-imports", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ReadingFile circuit(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @RequestBody(required = false) byte[] bytes) {
        return exchange.importCircuit(caller, setId.toString(), checked(bytes));
    }

    @PostMapping(path = "/part-imports", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ReadingFile parts(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @RequestBody(required = false) byte[] bytes) {
        return exchange.importParts(caller, setId.toString(), checked(bytes));
    }

    @GetMapping("/parts.csv")
    ResponseEntity<String> parts(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return file("parts.csv", "text/csv;charset=UTF-8", exchange.exportParts(caller.shopId(), setId.toString()));
    }

    @GetMapping("/readings.csv")
    ResponseEntity<String> readings(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return file("readings.csv", "text/csv;charset=UTF-8", exchange.exportReadings(caller.shopId(), setId.toString()));
    }

    @GetMapping("/sheet.csv")
    ResponseEntity<String> sheet(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return file("sheet.csv", "text/csv;charset=UTF-8", exchange.exportSheet(caller.shopId(), setId.toString()));
    }

    @GetMapping("/circuit.cir")
    ResponseEntity<String> circuit(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return file("circuit.cir", "text/plain;charset=UTF-8", exchange.exportCircuit(caller.shopId(), setId.toString()));
    }

    private static byte[] checked(byte[] bytes) {
        byte[] file = bytes == null ? new byte[0] : bytes;
        if (file.length > LARGEST) {
            throw new Problem(Problem.Kind.TOO_LARGE, "The file has " + file.length / 1_000_000 + " MB; up to 5 MB are taken.");
        }
        return file;
    }

    private static ResponseEntity<String> file(String name, String type, String content) {
        return ResponseEntity.ok().header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(name).build().toString()).contentType(MediaType.parseMediaType(type)).body(content);
    }
}
