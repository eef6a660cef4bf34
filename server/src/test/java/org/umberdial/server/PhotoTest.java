package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class PhotoTest {
    @Test
    void aPhotoIsTurnedUprightShrunkAndStrippedOfWhereItWasTaken() throws Exception {
        String set = set();
        String id = UUID.randomUUID().toString();
        JsonNode kept = put(set, id, "chassis.jpg", "SET", withExif(picture(3000, 1500, "jpg")))
                .json();
        assertEquals(1280, kept.at("/0/width").asInt());
        assertEquals(2560, kept.at("/0/height").asInt());
        byte[] full = bytes(set + "/photos/" + id + "/full");
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(full));
        assertTrue(
                new Color(image.getRGB(640, 100)).getRed() > 180,
                "the left half of a picture held on its right side is its top");
        assertFalse(new String(full, StandardCharsets.ISO_8859_1).contains("Exif"));
        BufferedImage thumb = ImageIO.read(new ByteArrayInputStream(bytes(set + "/photos/" + id + "/thumb")));
        assertEquals(360, thumb.getHeight());
        RunningServer.Answer other = put(set, id, "chassis.jpg", "SET", picture(30, 30, "jpg"));
        assertEquals("/problems/same-id", other.json().get("type").asString(), "the same id with another picture");
        assertArrayEquals(full, bytes(set + "/photos/" + id + "/full"));
    }

    @Test
    void captionsPairsAndRemoval() throws Exception {
        String set = set();
        String before = UUID.randomUUID().toString();
        String after = UUID.randomUUID().toString();
        put(set, before, "a.png", "SET", picture(40, 30, "png"));
        put(set, after, "b.png", "SET", picture(40, 30, "png"));
        JsonNode paired = RunningServer.put(
                        set + "/photos/" + after,
                        "{\"shows\":\"SET\",\"phase\":\"RECAP\",\"caption\":\"after the new cans\",\"beforeId\":\""
                                + before + "\",\"showsOwner\":true,\"version\":0}")
                .json();
        assertEquals(before, paired.at("/1/beforeId").asString());
        assertEquals(
                409,
                RunningServer.put(
                                set + "/photos/" + after,
                                "{\"shows\":\"SET\",\"phase\":\"RECAP\",\"caption\":\"x\","
                                        + "\"showsOwner\":false,\"version\":0}")
                        .status());
        assertEquals(
                422,
                RunningServer.put(
                                set + "/photos/" + after,
                                "{\"shows\":\"SET\",\"phase\":\"LUNCH\",\"caption\":\"x\","
                                        + "\"showsOwner\":false,\"version\":1}")
                        .status());
        assertEquals(1, RunningServer.delete(set + "/photos/" + before).json().size());
        assertEquals(404, RunningServer.delete(set + "/photos/" + before).status());
        for (String size : List.of("full", "thumb")) {
            assertEquals(
                    404,
                    RunningServer.get(set + "/photos/" + before + "/" + size).status(),
                    "a picture that was taken away is gone at once");
        }
        var kept =
                RunningServer.get(set + "/photos/" + after + "/full").response().headers();
        assertTrue(kept.firstValue("Cache-Control").orElse("").contains("no-cache"), kept.toString());
        assertEquals(
                404, RunningServer.get(set() + "/photos/" + after + "/full").status(), "by another set's address");
        RunningServer.post(set + "/owner-erasures", "{\"id\":\"" + UUID.randomUUID() + "\"}");
        assertEquals(404, RunningServer.get(set + "/photos/" + after + "/full").status(), "it showed the owner");
        assertEquals(
                0,
                RunningServer.bean(org.jooq.DSLContext.class)
                        .fetchCount(
                                org.umberdial.tables.Tables.PHOTO_BYTES,
                                org.umberdial.tables.Tables.PHOTO_BYTES.PHOTO_ID.eq(after)));
    }

    @Test
    void everyPageOfASheetBecomesAPicture() throws Exception {
        String set = set();
        ByteArrayOutputStream pdf = new ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            document.addPage(new PDPage());
            document.addPage(new PDPage());
            document.save(pdf);
        }
        JsonNode pages = put(set, UUID.randomUUID().toString(), "sheet.pdf", "SHEET", pdf.toByteArray())
                .json();
        assertEquals(2, pages.size());
        assertEquals("page 2", pages.at("/1/caption").asString());
        assertEquals(1699, pages.at("/0/width").asInt());
        assertEquals(
                422,
                put(set, UUID.randomUUID().toString(), "sheet.pdf", "SHEET", Arrays.copyOf(pdf.toByteArray(), 60))
                        .status());
    }

    @Test
    void whatIsNoPictureIsSaidAndNothingIsKept() throws Exception {
        String set = set();
        byte[] jpeg = picture(400, 300, "jpg");
        refused(set, "MZ\u0090\u0000 a program".getBytes(StandardCharsets.ISO_8859_1), "This is a program");
        refused(set, Arrays.copyOf(jpeg, 40), "The picture is broken");
        refused(set, new byte[0], "The file is empty");
        refused(
                set,
                "\u0000\u0000\u0000\u0018ftypheic and more".getBytes(StandardCharsets.ISO_8859_1),
                "This is a HEIC picture");
        refused(set, huge(), "megapixels");
        assertEquals(0, RunningServer.get(set + "/photos").json().size());
    }

    private static void refused(String set, byte[] file, String sentence) throws Exception {
        RunningServer.Answer answer = put(set, UUID.randomUUID().toString(), "photo.jpg", "SET", file);
        assertTrue(answer.status() == 422 || answer.status() == 413, answer.text());
        assertTrue(answer.json().at("/detail").asString().contains(sentence), answer.text());
    }

    @Test
    void aSixtyMegapixelPhotoIsTaken() throws Exception {
        String set = set();
        JsonNode kept = put(set, UUID.randomUUID().toString(), "large.png", "SET", picture(9000, 6700, "png"))
                .json();
        assertEquals(2560, kept.at("/0/width").asInt(), kept.toString());
    }

    @Test
    void twoHundredMegabytesAreRefusedWithASentence() throws Exception {
        RunningServer.Answer answer =
                put(set(), UUID.randomUUID().toString(), "large.jpg", "SET", new byte[200_000_000]);
        assertEquals(413, answer.status());
        assertTrue(answer.json().at("/detail").asString().startsWith("The file has 200 MB"));
    }

    @Test
    void anUploadCutOffKeepsNothingAndTheSameIdCanBeSentAgain() throws Exception {
        String set = set();
        String id = UUID.randomUUID().toString();
        byte[] jpeg = picture(400, 300, "jpg");
        URI base = URI.create(RunningServer.base());
        try (Socket socket = new Socket(base.getHost(), base.getPort())) {
            String head = "PUT " + set + "/photos/" + id
                    + "/content?fileName=x.jpg HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: "
                    + "application/octet-stream\r\nContent-Length: "
                    + jpeg.length + "\r\n\r\n";
            socket.getOutputStream().write(head.getBytes(StandardCharsets.US_ASCII));
            socket.getOutputStream().write(jpeg, 0, jpeg.length / 2);
            socket.shutdownOutput();
            String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertTrue(answer.isEmpty() || answer.startsWith("HTTP/1.1 400"), answer);
        }
        assertEquals(0, RunningServer.get(set + "/photos").json().size());
        assertEquals(1, put(set, id, "x.jpg", "SET", jpeg).json().size());
    }

    @Test
    void aMarkIsPlacedMovedAndTakenAway() throws Exception {
        String set = set();
        String photo = UUID.randomUUID().toString();
        put(set, photo, "a.png", "SET", picture(40, 30, "png"));
        String mark = "{\"photo\":\"" + photo + "\",\"subject\":\"r5\",\"x\":0.25,\"y\":0.5}";
        assertEquals(
                "R5",
                RunningServer.put(set + "/marks", mark)
                        .json()
                        .at("/marks/0/subject")
                        .asString());
        assertEquals(
                0.75,
                RunningServer.put(set + "/marks", mark.replace("0.25", "0.75"))
                        .json()
                        .at("/marks/0/x")
                        .asDouble());
        assertEquals(
                422,
                RunningServer.put(set + "/marks", mark.replace("0.25", "1.75")).status());
        assertEquals(
                404,
                RunningServer.put(set + "/marks", mark.replace("r5", "R555")).status());
        assertEquals(
                0,
                RunningServer.delete(set + "/marks?photo=" + photo + "&subject=R5")
                        .json()
                        .at("/marks")
                        .size());
    }

    private static String set() throws IOException {
        return "/api/sets/" + RunningServer.newTableSet();
    }

    private static RunningServer.Answer put(String set, String id, String name, String shows, byte[] file) {
        return RunningServer.send(HttpRequest.newBuilder(URI.create(
                        RunningServer.base() + set + "/photos/" + id + "/content?fileName=" + name + "&shows=" + shows))
                .header("Content-Type", "application/octet-stream")
                .PUT(HttpRequest.BodyPublishers.ofByteArray(file))
                .build());
    }

    private static byte[] bytes(String path) throws Exception {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(RunningServer.base() + path))
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray())
                .body();
    }

    /** Left half red, right half blue. */
    private static byte[] picture(int width, int height, String format) throws IOException {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        var pen = image.createGraphics();
        pen.setColor(Color.RED);
        pen.fillRect(0, 0, width / 2, height);
        pen.setColor(Color.BLUE);
        pen.fillRect(width / 2, 0, width - width / 2, height);
        pen.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, format, out);
        return out.toByteArray();
    }

    /**
     * The same picture with a camera's note that it was held on its side (orientation 6: turn it right to see it
     * upright).
     */
    private static byte[] withExif(byte[] jpeg) {
        byte[] exif = {
            (byte) 0xFF,
            (byte) 0xE1,
            0,
            34,
            'E',
            'x',
            'i',
            'f',
            0,
            0,
            'M',
            'M',
            0,
            42,
            0,
            0,
            0,
            8,
            0,
            1,
            1,
            0x12,
            0,
            3,
            0,
            0,
            0,
            1,
            0,
            6,
            0,
            0,
            0,
            0,
            0,
            0
        };
        byte[] all = new byte[jpeg.length + exif.length];
        System.arraycopy(jpeg, 0, all, 0, 2);
        System.arraycopy(exif, 0, all, 2, exif.length);
        System.arraycopy(jpeg, 2, all, 2 + exif.length, jpeg.length - 2);
        return all;
    }

    /** A few bytes that claim to be a picture of 40000 by 40000. */
    private static byte[] huge() throws IOException {
        byte[] png = picture(8, 8, "png");
        for (int side : new int[] {16, 20}) {
            png[side] = 0;
            png[side + 1] = 0;
            png[side + 2] = (byte) 0x9C;
            png[side + 3] = 0x40;
        }
        return png;
    }
}
