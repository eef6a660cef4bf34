package org.umberdial.server.photos.internal;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.Metadata;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.ExifIFD0Directory;
import com.drew.metadata.exif.ExifSubIFDDirectory;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.TimeZone;
import java.util.concurrent.Semaphore;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.Thumbnails;
import net.coobird.thumbnailator.filters.Flip;
import net.coobird.thumbnailator.filters.ImageFilter;
import net.coobird.thumbnailator.filters.Pipeline;
import net.coobird.thumbnailator.filters.Rotation;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.springframework.stereotype.Component;
import org.umberdial.server.problem.Problem;

/**
 * Makes uploaded files into pictures worth keeping: upright, shrunk, and written anew, so that nothing of the camera's
 * notes (where it stood, whose it was) is kept.
 */
@Component
public class Pictures {
    private static final int LONGEST_PHOTO = 2560;
    private static final int LONGEST_SHEET = 3600;
    private static final int LONGEST_THUMB = 360;
    private static final long MOST_PIXELS = 300_000_000L;
    private static final int MOST_PAGES = 20;
    private static final float SHEET_DPI = 200;
    private static final double QUALITY = 0.85;
    /**
     * A picture of 60 MB takes some 200 MB while it is decoded: two at once do not fit into a small machine's memory.
     */
    private static final Semaphore WORK = new Semaphore(1);

    /** A file's bytes, wherever they are. */
    @FunctionalInterface
    public interface Source {
        byte[] bytes() throws IOException;
    }

    static {
        ImageIO.setUseCache(false);
    }

    /**
     * Reads a JPEG, PNG or WebP file, or every page of a PDF.
     *
     * @param source where its bytes are; they are fetched only when it is their turn
     * @param drawing whether it is line work, which is kept without loss where it came so
     * @throws Problem with a sentence when it is none of these, broken, or too large
     */
    public List<Picture> read(Source source, boolean drawing, ZoneId zone) {
        WORK.acquireUninterruptibly();
        try {
            byte[] file = source.bytes();
            return starts(file, "%PDF") ? pages(file) : List.of(picture(file, drawing, zone));
        } catch (IOException | RuntimeException broken) {
            throw broken instanceof Problem problem
                    ? problem
                    : refuse("The picture is broken: it begins as one, but cannot be read to its end. Copy it "
                            + "from the camera again.");
        } finally {
            WORK.release();
        }
    }

    private static Picture picture(byte[] file, boolean drawing, ZoneId zone) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (file.length == 0 || !readers.hasNext()) {
                throw refuse(whatItIs(file));
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                int longest = drawing ? LONGEST_SHEET : LONGEST_PHOTO;
                boolean png = reader.getFormatName().equalsIgnoreCase("png");
                BufferedImage image = decoded(reader, longest);
                Metadata notes = notes(file);
                BufferedImage upright = upright(image, notes);
                return made(upright, longest, drawing && png, 0, shotAt(notes, zone));
            } finally {
                reader.dispose();
            }
        }
    }

    /**
     * Reads every n-th pixel only where the picture is far larger than what is kept, so that its size in memory is
     * bounded.
     */
    private static BufferedImage decoded(ImageReader reader, int longest) throws IOException {
        long width = reader.getWidth(0);
        long height = reader.getHeight(0);
        if (width * height > MOST_PIXELS) {
            throw new Problem(
                    Problem.Kind.TOO_LARGE,
                    "The picture has " + width * height / 1_000_000 + " megapixels; up to " + MOST_PIXELS / 1_000_000
                            + " are taken. Save it smaller.");
        }
        int step = (int) Math.max(1, Math.max(width, height) / longest);
        ImageReadParam wanted = reader.getDefaultReadParam();
        wanted.setSourceSubsampling(step, step, 0, 0);
        return reader.read(0, wanted);
    }

    private static List<Picture> pages(byte[] file) throws IOException {
        try (PDDocument document = Loader.loadPDF(file, "", null, null, IOUtils.createMemoryOnlyStreamCache())) {
            int count = document.getNumberOfPages();
            if (count == 0) {
                throw refuse("The PDF has no pages.");
            }
            if (count > MOST_PAGES) {
                throw refuse("The PDF has " + count + " pages; up to " + MOST_PAGES
                        + " are taken. Print the pages you need into a PDF of their own.");
            }
            PDFRenderer renderer = new PDFRenderer(document);
            List<Picture> pages = new ArrayList<>();
            for (int page = 0; page < count; page++) {
                float longestInches = Math.max(
                                document.getPage(page).getCropBox().getWidth(),
                                document.getPage(page).getCropBox().getHeight())
                        / 72f;
                float dpi = Math.min(SHEET_DPI, LONGEST_SHEET / Math.max(0.1f, longestInches));
                pages.add(
                        made(renderer.renderImageWithDPI(page, dpi), LONGEST_SHEET, true, page + 1, Optional.empty()));
            }
            return pages;
        } catch (InvalidPasswordException locked) {
            throw refuse("The PDF asks for a password; save a copy without one.");
        }
    }

    private static Picture made(BufferedImage image, int longest, boolean lossless, int page, Optional<Instant> shotAt)
            throws IOException {
        BufferedImage plain = plain(image);
        BufferedImage kept = Math.max(plain.getWidth(), plain.getHeight()) > longest
                ? Thumbnails.of(plain).size(longest, longest).asBufferedImage()
                : plain;
        return new Picture(
                written(kept, lossless ? "png" : "jpg", Math.max(kept.getWidth(), kept.getHeight())),
                lossless ? "image/png" : "image/jpeg",
                written(kept, "jpg", LONGEST_THUMB),
                kept.getWidth(),
                kept.getHeight(),
                page,
                shotAt);
    }

    private static byte[] written(BufferedImage image, String format, int longest) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        int size = Math.max(1, Math.min(longest, Math.max(image.getWidth(), image.getHeight())));
        Thumbnails.of(image)
                .size(size, size)
                .outputFormat(format)
                .outputQuality(QUALITY)
                .toOutputStream(out);
        return out.toByteArray();
    }

    /** Without transparency or odd colour models, on white as on paper. */
    private static BufferedImage plain(BufferedImage image) {
        BufferedImage plain = new BufferedImage(image.getWidth(), image.getHeight(), BufferedImage.TYPE_INT_RGB);
        var pen = plain.createGraphics();
        pen.setColor(Color.WHITE);
        pen.fillRect(0, 0, plain.getWidth(), plain.getHeight());
        pen.drawImage(image, 0, 0, null);
        pen.dispose();
        return plain;
    }

    private static Metadata notes(byte[] file) {
        try {
            return ImageMetadataReader.readMetadata(new ByteArrayInputStream(file));
        } catch (ImageProcessingException | IOException unreadable) {
            return new Metadata();
        }
    }

    /** Turns the picture as the camera was held (Exif 2.32, tag Orientation). */
    private static BufferedImage upright(BufferedImage image, Metadata notes) {
        ExifIFD0Directory exif = notes.getFirstDirectoryOfType(ExifIFD0Directory.class);
        int held;
        try {
            held = exif == null || !exif.containsTag(ExifIFD0Directory.TAG_ORIENTATION)
                    ? 1
                    : exif.getInt(ExifIFD0Directory.TAG_ORIENTATION);
        } catch (MetadataException odd) {
            held = 1;
        }
        List<ImageFilter> turns = switch (held) {
            case 2 -> List.of(Flip.HORIZONTAL);
            case 3 -> List.of(Rotation.ROTATE_180_DEGREES);
            case 4 -> List.of(Flip.VERTICAL);
            case 5 -> List.of(Rotation.RIGHT_90_DEGREES, Flip.HORIZONTAL);
            case 6 -> List.of(Rotation.RIGHT_90_DEGREES);
            case 7 -> List.of(Rotation.LEFT_90_DEGREES, Flip.HORIZONTAL);
            case 8 -> List.of(Rotation.LEFT_90_DEGREES);
            default -> List.of();
        };
        return turns.isEmpty() ? image : new Pipeline(turns).apply(image);
    }

    private static Optional<Instant> shotAt(Metadata notes, ZoneId zone) {
        ExifSubIFDDirectory exif = notes.getFirstDirectoryOfType(ExifSubIFDDirectory.class);
        return Optional.ofNullable(exif == null ? null : exif.getDateOriginal(TimeZone.getTimeZone(zone)))
                .map(java.util.Date::toInstant);
    }

    private static String whatItIs(byte[] file) {
        String taken = "JPEG, PNG, WebP and PDF are taken.";
        if (file.length == 0) {
            return "The file is empty; " + taken;
        }
        if (starts(file, "MZ") || starts(file, "\u007fELF")) {
            return "This is a program, whatever its name says; " + taken;
        }
        if (file.length > 12 && new String(file, 4, 4, StandardCharsets.ISO_8859_1).equals("ftyp")) {
            return "This is a HEIC picture or a film, which cannot be read here; set the camera to JPEG "
                    + "(“most compatible”), or save it as JPEG. "
                    + taken;
        }
        return "This is no picture that can be read; " + taken;
    }

    private static boolean starts(byte[] file, String sign) {
        byte[] bytes = sign.getBytes(StandardCharsets.ISO_8859_1);
        return file.length >= bytes.length && java.util.Arrays.equals(file, 0, bytes.length, bytes, 0, bytes.length);
    }

    private static Problem refuse(String sentence) {
        return new Problem(Problem.Kind.INVALID_ENTRY, sentence);
    }
}
