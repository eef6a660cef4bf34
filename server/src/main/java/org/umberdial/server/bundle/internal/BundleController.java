package org.umberdial.server.bundle.internal;

import java.io.IOException;
import java.io.InputStream;
import java.util.UUID;
import jakarta.servlet.http.HttpServletRequest;
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
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;

/** Whole sets in and out. */
@RestController
@RequestMapping("/api")
class BundleController {
    private static final int LARGEST = 200_000_000;
    private static final int LONGEST_TITLE = 120;

    private final BundleService bundles;

    BundleController(BundleService bundles) {
        this.bundles = bundles;
    }

    @GetMapping("/sets/{setId}/bundle.zip")
    ResponseEntity<byte[]> write(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return ResponseEntity.ok().header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename("set.zip").build().toString()).contentType(MediaType.parseMediaType("application/zip")).body(bundles.write(caller.shopId(), setId.toString()));
    }

    @PostMapping(path = "/sets/{setId}/bundle-imports", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ReadingFile read(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, HttpServletRequest request) {
        return bundles.read(caller, setId.toString(), body(request));
    }

    /** Takes a bundle in as a set of its own; a second time it is still there once. */
    @PostMapping(path = "/bundles", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    BundleService.Taken take(@AuthenticationPrincipal Caller caller, @RequestParam(defaultValue = "") String title, HttpServletRequest request) {
        return bundles.take(caller, body(request), title.substring(0, Math.min(LONGEST_TITLE, title.length())));
    }

    private static byte[] body(HttpServletRequest request) {
        try (InputStream in = request.getInputStream()) {
            byte[] file = in.readNBytes(LARGEST + 1);
            if (file.length > LARGEST) {
                throw new Problem(Problem.Kind.TOO_LARGE, "The bundle has more than " + LARGEST / 1_000_000 + " MB; send the pictures apart.");
            }
            return file;
        } catch (IOException brokenOff) {
            throw new Problem(Problem.Kind.UNREADABLE, "The upload was cut off half way and nothing of it was kept; send it again.");
        }
    }
}
