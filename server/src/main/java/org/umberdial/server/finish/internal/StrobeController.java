package org.umberdial.server.finish.internal;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.player.Flashes;
import org.umberdial.core.player.StrobeDisc;

/** Strobe discs to print. */
@RestController
@RequestMapping("/api/strobe-discs")
class StrobeController {
    record RingView(double rpm, int bars, double exactRpm) {}

    /** @param svg the disc itself */
    record DiscView(double flashes, List<RingView> rings, String svg) {}

    /** A disc as it will look, with its bars. */
    @GetMapping
    DiscView disc(@RequestParam Flashes.Lamp lamp, @RequestParam double hertz, @RequestParam List<Double> speeds) {
        StrobeDisc disc = made(lamp, hertz, speeds);
        return new DiscView(
                disc.flashes().perSecond(),
                disc.rings().stream()
                        .map(r -> new RingView(r.rpm(), r.bars(), r.exactRpm()))
                        .toList(),
                disc.svg());
    }

    private static StrobeDisc made(Flashes.Lamp lamp, double hertz, List<Double> speeds) {
        return StrobeDisc.of(Flashes.of(lamp, hertz), speeds);
    }

    @GetMapping(path = "/svg", produces = "image/svg+xml")
    ResponseEntity<byte[]> svg(
            @RequestParam Flashes.Lamp lamp, @RequestParam double hertz, @RequestParam List<Double> speeds) {
        return file(
                "strobe-disc.svg",
                "image/svg+xml",
                made(lamp, hertz, speeds).svg().getBytes(StandardCharsets.UTF_8));
    }

    @GetMapping(path = "/pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> pdf(
            @RequestParam Flashes.Lamp lamp, @RequestParam double hertz, @RequestParam List<Double> speeds) {
        return file("strobe-disc.pdf", MediaType.APPLICATION_PDF_VALUE, DiscPdf.of(made(lamp, hertz, speeds)));
    }

    private static ResponseEntity<byte[]> file(String name, String type, byte[] content) {
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .contentType(MediaType.parseMediaType(type))
                .body(content);
    }
}
