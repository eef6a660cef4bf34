package org.umberdial.server.bundle.internal;

import jakarta.servlet.http.HttpServletRequest;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.UUID;
import org.springframework.core.io.InputStreamResource;
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
import org.umberdial.server.bundle.BundleService;
import org.umberdial.server.exchange.ReadingFile;
import org.umberdial.server.limits.Uploads;
import org.umberdial.server.security.Caller;

/** Whole sets in and out. */
@RestController
@RequestMapping("/api")
class BundleController {
    private static final int LARGEST = 200_000_000;
    private static final int LONGEST_TITLE = 120;

    private final BundleService bundles;
    private final Uploads uploads;

    BundleController(BundleService bundles, Uploads uploads) {
        this.bundles = bundles;
        this.uploads = uploads;
    }

    @GetMapping("/sets/{setId}/bundle.zip")
    ResponseEntity<InputStreamResource> write(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId)
            throws IOException {
        Path file = uploads.out();
        try {
            try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file))) {
                bundles.write(caller.shopId(), setId.toString(), out);
            }
            long size = Files.size(file);
            // Gone from the folder at once; its bytes as soon as they have been sent, or could not be.
            InputStream in = Files.newInputStream(file, StandardOpenOption.DELETE_ON_CLOSE);
            return ResponseEntity.ok()
                    .header(
                            HttpHeaders.CONTENT_DISPOSITION,
                            ContentDisposition.attachment()
                                    .filename("set.zip")
                                    .build()
                                    .toString())
                    .contentType(MediaType.parseMediaType("application/zip"))
                    .contentLength(size)
                    .body(new InputStreamResource(in));
        } catch (IOException | RuntimeException failed) {
            Files.deleteIfExists(file);
            throw failed;
        }
    }

    @PostMapping(path = "/sets/{setId}/bundle-imports", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ReadingFile read(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, HttpServletRequest request) {
        return uploads.take(
                caller, request, LARGEST, "The bundle", file -> bundles.read(caller, setId.toString(), file));
    }

    /** Takes a bundle in as a set of its own; a second time it is still there once. */
    @PostMapping(path = "/bundles", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    BundleService.Taken take(
            @AuthenticationPrincipal Caller caller,
            @RequestParam(defaultValue = "") String title,
            HttpServletRequest request) {
        return uploads.take(
                caller,
                request,
                LARGEST,
                "The bundle",
                file -> bundles.take(caller, file, title.substring(0, Math.min(LONGEST_TITLE, title.length()))));
    }
}
