package org.umberdial.core.player;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.umberdial.core.value.InvalidEntry;

/**
 * A disc that stands still under a flashing light at each of its speeds: one ring of bars for each, the fastest
 * innermost, with a ruler by which a print is checked. All lengths in millimetres.
 *
 * @param flashes the light
 * @param rings outermost first
 */
public record StrobeDisc(Flashes flashes, List<Ring> rings) {
    private static final int MOST_SPEEDS = 8;
    private static final double LEAST_RPM = 1;
    private static final double MOST_RPM = 500;
    private static final double OUTER = 90;
    private static final double INNER = 22;
    private static final double GAP = 1.5;
    private static final double THICKEST = 10;
    /** The hole of a record, a little wide so that a print goes over the spindle. */
    private static final double HOLE = 3.65;
    /** Bars thinner than this run together on paper. */
    private static final double FINEST = 0.35;

    private static final double RULER = 100;
    private static final double WIDE = 190;
    private static final double HIGH = 210;

    /**
     * One ring.
     *
     * @param rpm speed that was asked for [1/min]
     * @param bars how many
     * @param exactRpm speed at which they stand still [1/min]
     * @param innerMm radius it begins at, @param outerMm radius it ends at
     */
    public record Ring(double rpm, int bars, double exactRpm, double innerMm, double outerMm) {}

    public StrobeDisc {
        rings = List.copyOf(rings);
    }

    /**
     * A disc for some speeds.
     *
     * @param speeds [1/min], up to eight
     * @throws InvalidEntry when a speed cannot be, or its bars would be too fine to print
     */
    public static StrobeDisc of(Flashes flashes, List<Double> speeds) {
        List<Double> slowestFirst = speeds.stream().distinct().sorted().toList();
        if (slowestFirst.isEmpty() || slowestFirst.size() > MOST_SPEEDS) {
            throw refused("A disc holds one to eight speeds, as in 33.33, 45, 78.26; there are " + speeds.size() + ".");
        }
        double thick = Math.min(THICKEST, (OUTER - INNER) / slowestFirst.size() - GAP);
        List<Ring> rings = new ArrayList<>();
        double outer = OUTER;
        for (double rpm : slowestFirst) {
            if (!(rpm >= LEAST_RPM && rpm <= MOST_RPM)) {
                throw refused("A speed of " + plain(rpm) + " turns a minute cannot be; enter 1 to 500, as in 33.33.");
            }
            int bars = flashes.bars(rpm);
            double inner = outer - thick;
            if (bars < 3) {
                throw refused("At " + plain(rpm) + " turns a minute only " + bars
                        + " bars would stand still: choose a light with more flashes.");
            }
            if (Math.PI * inner / bars < FINEST) {
                throw refused("For " + plain(rpm) + " turns a minute the ring needs " + bars
                        + " bars, too fine to print: choose a light with fewer flashes, or fewer speeds.");
            }
            rings.add(new Ring(rpm, bars, flashes.standsStill(bars), inner, outer));
            outer = inner - GAP;
        }
        return new StrobeDisc(flashes, rings);
    }

    private static InvalidEntry refused(String words) {
        return new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, words).at("speeds");
    }

    private static String plain(double value) {
        return value == Math.rint(value) ? String.valueOf((long) value) : String.valueOf(value);
    }

    /** The disc as a drawing in true size. */
    public String svg() {
        StringBuilder svg = new StringBuilder();
        line(
                svg,
                "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%smm\" height=\"%smm\" viewBox=\"0 0 %s %s\">",
                WIDE,
                HIGH,
                WIDE,
                HIGH);
        line(svg, "<title>Strobe disc, %s flashes a second</title>", plain(flashes.perSecond()));
        line(svg, "<rect width=\"%s\" height=\"%s\" fill=\"#fff\"/>", WIDE, HIGH);
        line(svg, "<g transform=\"translate(95 95)\" fill=\"#000\" font-family=\"sans-serif\" text-anchor=\"middle\">");
        line(svg, "<circle r=\"%s\" fill=\"none\" stroke=\"#000\" stroke-width=\"0.2\"/>", OUTER + 1);
        rings.forEach(ring -> line(svg, "<path d=\"%s\"/>", path(ring)));
        line(svg, "<circle r=\"%s\" fill=\"none\" stroke=\"#000\" stroke-width=\"0.2\"/>", HOLE);
        line(svg, "<path d=\"M-2 0H2M0 -2V2\" stroke=\"#000\" stroke-width=\"0.15\"/>");
        double y = 8;
        for (Ring ring : rings) {
            line(
                    svg,
                    "<text y=\"%s\" font-size=\"2.6\">%s · %d bars · still at %s</text>",
                    round(y),
                    plain(ring.rpm),
                    ring.bars,
                    String.format(Locale.ROOT, "%.2f", ring.exactRpm));
            y += 3.2;
        }
        line(svg, "<text y=\"-8\" font-size=\"3\">%s flashes/s</text>", plain(flashes.perSecond()));
        line(svg, "<text y=\"-12\" font-size=\"2.4\">%s</text>", flashes.label());
        line(svg, "</g>");
        ruler(svg);
        line(svg, "</svg>");
        return svg.toString();
    }

    /** Every second half-bar, as sectors of the ring. */
    private static String path(Ring ring) {
        StringBuilder path = new StringBuilder();
        for (int i = 0; i < ring.bars; i++) {
            double from = 2 * Math.PI * i / ring.bars;
            double to = from + Math.PI / ring.bars;
            path.append('M').append(at(ring.outerMm, from));
            path.append('A')
                    .append(ring.outerMm)
                    .append(' ')
                    .append(ring.outerMm)
                    .append(" 0 0 1 ")
                    .append(at(ring.outerMm, to));
            path.append('L').append(at(ring.innerMm, to));
            path.append('A')
                    .append(ring.innerMm)
                    .append(' ')
                    .append(ring.innerMm)
                    .append(" 0 0 0 ")
                    .append(at(ring.innerMm, from));
            path.append('Z');
        }
        return path.toString();
    }

    private static String at(double radius, double angle) {
        return round(radius * Math.cos(angle)) + " " + round(radius * Math.sin(angle));
    }

    private static String round(double mm) {
        return String.format(Locale.ROOT, "%.4f", mm);
    }

    private static void ruler(StringBuilder svg) {
        double left = (WIDE - RULER) / 2;
        double y = HIGH - 14;
        line(svg, "<path d=\"M%s %sH%s\" stroke=\"#000\" stroke-width=\"0.25\"/>", left, y, left + RULER);
        for (int mm = 0; mm <= RULER; mm += 10) {
            line(
                    svg,
                    "<path d=\"M%s %sV%s\" stroke=\"#000\" stroke-width=\"0.2\"/>",
                    left + mm,
                    y,
                    y - (mm % 50 == 0 ? 4 : 2.5));
        }
        line(
                svg,
                "<text x=\"%s\" y=\"%s\" font-size=\"3\" font-family=\"sans-serif\" text-anchor=\"middle\">%s</text>",
                WIDE / 2,
                y + 5,
                "Print at 100 %. This line must measure 100 mm; if it does not, the bars still count, the hole may not fit.");
    }

    private static void line(StringBuilder svg, String format, Object... values) {
        svg.append(String.format(Locale.ROOT, format, values)).append('\n');
    }
}
