package org.umberdial.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Large files in 512 MB of heap: a photo and a bundle. In the long form ({@code -Dumber.soak=true}) 60 MB and 190 MB,
 * with three photos at once; in every run a twelfth of that.
 */
class LargeFilesTest {
    private static final boolean LONG = Boolean.getBoolean("umber.soak");
    private static final int HEAP_MB = 512;
    /** Noise does not shrink: three bytes a pixel. */
    private static final int SIDE = LONG ? 4400 : 1270;

    private static final int PICTURES = 3;

    @TempDir
    private Path place;

    @Test
    void aLargePhotoAndALargeBundle_fitIntoLittleMemory() throws Exception {
        Path photo = photo();
        try (Application application = Application.small(HEAP_MB)) {
            HttpClient http = HttpClient.newHttpClient();
            var sending = java.util.stream.IntStream.range(0, PICTURES)
                    .mapToObj(i -> http.sendAsync(put(application, photo), HttpResponse.BodyHandlers.ofString()))
                    .toList();
            for (var one : sending) {
                HttpResponse<String> answer = one.get();
                assertEquals(200, answer.statusCode(), answer.body());
            }
            Path bundle = bundle(application, http, photo);
            HttpResponse<String> taken = http.send(
                    HttpRequest.newBuilder(URI.create(application.address("/api/bundles?title=Large")))
                            .header("Content-Type", "application/octet-stream")
                            .POST(HttpRequest.BodyPublishers.ofFile(bundle))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
            assertEquals(200, taken.statusCode(), taken.body());
            assertTrue(taken.body().contains("\"already\":false"), taken.body());
            System.out.println("photo " + Files.size(photo) / 1_000_000 + " MB, bundle "
                    + Files.size(bundle) / 1_000_000 + " MB in " + HEAP_MB + " MB of heap");
            assertEquals(200, application.get("/api/sets").statusCode());
        }
    }

    private Path photo() throws IOException {
        BufferedImage image = new BufferedImage(SIDE, SIDE, BufferedImage.TYPE_INT_RGB);
        Random noise = new Random(7);
        for (int y = 0; y < SIDE; y++) {
            for (int x = 0; x < SIDE; x++) {
                image.setRGB(x, y, noise.nextInt());
            }
        }
        Path file = place.resolve("noise.png");
        ImageIO.write(image, "png", file.toFile());
        return file;
    }

    private static HttpRequest put(Application application, Path photo) {
        try {
            return HttpRequest.newBuilder(URI.create(application.address(
                            "/api" + Journey.IVORY + "/photos/" + UUID.randomUUID() + "/content?fileName=noise.png")))
                    .header("Content-Type", "application/octet-stream")
                    .PUT(HttpRequest.BodyPublishers.ofFile(photo))
                    .build();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    /** A set's bundle whose pictures are the large one, under an id of its own. */
    private Path bundle(Application application, HttpClient http, Path photo) throws IOException, InterruptedException {
        Path own = place.resolve("own.zip");
        http.send(
                HttpRequest.newBuilder(URI.create(application.address("/api" + Journey.IVORY + "/bundle.zip")))
                        .build(),
                HttpResponse.BodyHandlers.ofFile(own));
        Path large = place.resolve("large.zip");
        try (ZipInputStream in = new ZipInputStream(Files.newInputStream(own));
                ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(large))) {
            out.setLevel(1);
            int pictures = 0;
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                out.putNextEntry(new ZipEntry(entry.getName()));
                if (entry.getName().startsWith("pictures/")) {
                    boolean grown = pictures++ < PICTURES;
                    copy(grown ? Files.newInputStream(photo) : null, in, out);
                } else if (entry.getName().equals("set.json")) {
                    String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
                    out.write(text.replaceFirst("\"id\" : \"[0-9a-f-]{36}\"", "\"id\" : \"" + UUID.randomUUID() + "\"")
                            .getBytes(StandardCharsets.UTF_8));
                } else {
                    in.transferTo(out);
                }
            }
        }
        return large;
    }

    private static void copy(InputStream instead, InputStream own, OutputStream out) throws IOException {
        if (instead == null) {
            own.transferTo(out);
            return;
        }
        try (instead) {
            instead.transferTo(out);
        }
    }
}
