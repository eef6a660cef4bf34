package org.umberdial.server.exchange.internal;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.server.exchange.ExchangeService;
import org.umberdial.server.exchange.ReadingFile;
import org.umberdial.server.limits.Uploads;
import org.umberdial.server.security.Caller;

/** Files in and out. An upload is the file's own bytes, so that its encoding is ours to find. */
@RestController
@RequestMapping("/api/sets/{setId}")
class ExchangeController {
    private static final int LARGEST = 5_000_000;

    private final ExchangeService exchange;
    private final Uploads uploads;

    ExchangeController(ExchangeService exchange, Uploads uploads) {
        this.exchange = exchange;
        this.uploads = uploads;
    }

    @PostMapping(path = "/reading-imports", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ReadingFile readings(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @RequestParam(defaultValue = "readings.csv") String fileName,
            HttpServletRequest request) {
        return taken(caller, request, bytes -> exchange.importReadings(caller, setId.toString(), bytes, fileName));
    }

    @PostMapping(path = "/sheet-imports", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ReadingFile sheet(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, HttpServletRequest request) {
        return taken(caller, request, bytes -> exchange.importSheet(caller, setId.toString(), bytes));
    }

    @PostMapping(path = "/circuit-imports", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ReadingFile circuit(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, HttpServletRequest request) {
        return taken(caller, request, bytes -> exchange.importCircuit(caller, setId.toString(), bytes));
    }

    @PostMapping(path = "/part-imports", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ReadingFile parts(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, HttpServletRequest request) {
        return taken(caller, request, bytes -> exchange.importParts(caller, setId.toString(), bytes));
    }

    @GetMapping("/parts.csv")
    ResponseEntity<String> parts(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return file("parts.csv", "text/csv;charset=UTF-8", exchange.exportParts(caller.shopId(), setId.toString()));
    }

    @GetMapping("/readings.csv")
    ResponseEntity<String> readings(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return file(
                "readings.csv", "text/csv;charset=UTF-8", exchange.exportReadings(caller.shopId(), setId.toString()));
    }

    @GetMapping("/sheet.csv")
    ResponseEntity<String> sheet(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return file("sheet.csv", "text/csv;charset=UTF-8", exchange.exportSheet(caller.shopId(), setId.toString()));
    }

    @GetMapping("/circuit.cir")
    ResponseEntity<String> circuit(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return file(
                "circuit.cir", "text/plain;charset=UTF-8", exchange.exportCircuit(caller.shopId(), setId.toString()));
    }

    private ReadingFile taken(Caller caller, HttpServletRequest request, Function<byte[], ReadingFile> use) {
        return uploads.take(caller, request, LARGEST, "The file", file -> use.apply(bytes(file)));
    }

    static byte[] bytes(Path file) {
        try {
            return Files.readAllBytes(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static ResponseEntity<String> file(String name, String type, String content) {
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .contentType(MediaType.parseMediaType(type))
                .body(content);
    }
}
