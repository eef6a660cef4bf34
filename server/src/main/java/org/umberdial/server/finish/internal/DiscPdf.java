package org.umberdial.server.finish.internal;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Locale;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.umberdial.core.player.StrobeDisc;

/** A strobe disc on a page, in true size: it fits A4 and Letter alike. */
final class DiscPdf {
    private static final float POINTS_PER_MM = 72 / 25.4f;
    private static final float RULER_MM = 100;
    private static final float HOLE_MM = 3.65f;
    private static final float OUTLINE_MM = 91;
    /** Of a circle by four Bézier curves. */
    private static final float ROUND = 0.5522847f;

    private DiscPdf() {}

    static byte[] of(StrobeDisc disc) {
        try (PDDocument document = new PDDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            // As wide as A4, as high as Letter.
            PDPage page = new PDPage(new PDRectangle(210 * POINTS_PER_MM, 279.4f * POINTS_PER_MM));
            document.addPage(page);
            document.getDocumentInformation().setTitle("Strobe disc");
            try (PDPageContentStream ink = new PDPageContentStream(document, page)) {
                draw(disc, ink);
            }
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void draw(StrobeDisc disc, PDPageContentStream ink) throws IOException {
        float x = 105 * POINTS_PER_MM;
        float y = 170 * POINTS_PER_MM;
        for (StrobeDisc.Ring ring : disc.rings()) {
            for (int i = 0; i < ring.bars(); i++) {
                bar(ink, x, y, ring, 2 * Math.PI * i / ring.bars(), Math.PI / ring.bars());
            }
        }
        ink.fill();
        ink.setLineWidth(0.5f);
        circle(ink, x, y, OUTLINE_MM * POINTS_PER_MM);
        circle(ink, x, y, HOLE_MM * POINTS_PER_MM);
        PDFont font = new PDType1Font(Standard14Fonts.FontName.HELVETICA);
        float line = y - 7 * POINTS_PER_MM;
        for (StrobeDisc.Ring ring : disc.rings()) {
            line -= 9;
            text(
                    ink,
                    font,
                    7,
                    x,
                    line,
                    words("%s · %d bars · still at %.2f", plain(ring.rpm()), ring.bars(), ring.exactRpm()));
        }
        text(ink, font, 8, x, y + 8 * POINTS_PER_MM, plain(disc.flashes().perSecond()) + " flashes/s");
        text(ink, font, 7, x, y + 12 * POINTS_PER_MM, disc.flashes().label());
        ruler(ink, font, x - RULER_MM / 2 * POINTS_PER_MM, 55 * POINTS_PER_MM);
    }

    /** One bar, its ends straight: at this width a chord is an arc. */
    private static void bar(PDPageContentStream ink, float x, float y, StrobeDisc.Ring ring, double from, double wide)
            throws IOException {
        int pieces = Math.max(1, (int) Math.ceil(wide / 0.02));
        for (int i = 0; i <= pieces; i++) {
            corner(ink, x, y, ring.outerMm(), from + wide * i / pieces, i == 0);
        }
        for (int i = pieces; i >= 0; i--) {
            corner(ink, x, y, ring.innerMm(), from + wide * i / pieces, false);
        }
        ink.closePath();
    }

    private static void corner(PDPageContentStream ink, float x, float y, double mm, double angle, boolean first)
            throws IOException {
        float px = x + (float) (mm * Math.cos(angle)) * POINTS_PER_MM;
        float py = y + (float) (mm * Math.sin(angle)) * POINTS_PER_MM;
        if (first) {
            ink.moveTo(px, py);
        } else {
            ink.lineTo(px, py);
        }
    }

    private static void circle(PDPageContentStream ink, float x, float y, float r) throws IOException {
        float k = ROUND * r;
        ink.moveTo(x + r, y);
        ink.curveTo(x + r, y + k, x + k, y + r, x, y + r);
        ink.curveTo(x - k, y + r, x - r, y + k, x - r, y);
        ink.curveTo(x - r, y - k, x - k, y - r, x, y - r);
        ink.curveTo(x + k, y - r, x + r, y - k, x + r, y);
        ink.stroke();
    }

    private static void ruler(PDPageContentStream ink, PDFont font, float x, float y) throws IOException {
        ink.moveTo(x, y);
        ink.lineTo(x + RULER_MM * POINTS_PER_MM, y);
        for (int mm = 0; mm <= RULER_MM; mm += 10) {
            ink.moveTo(x + mm * POINTS_PER_MM, y);
            ink.lineTo(x + mm * POINTS_PER_MM, y + (mm % 50 == 0 ? 4 : 2.5f) * POINTS_PER_MM);
        }
        ink.stroke();
        text(ink, font, 9, x + RULER_MM / 2 * POINTS_PER_MM, y - 14, "Print at 100 %. This line must measure 100 mm.");
    }

    private static void text(PDPageContentStream ink, PDFont font, float size, float x, float y, String words)
            throws IOException {
        ink.beginText();
        ink.setFont(font, size);
        ink.newLineAtOffset(x - font.getStringWidth(words) / 1000 * size / 2, y);
        ink.showText(words);
        ink.endText();
    }

    private static String plain(double value) {
        return value == Math.rint(value) ? String.valueOf((long) value) : String.valueOf(value);
    }

    private static String words(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }
}
