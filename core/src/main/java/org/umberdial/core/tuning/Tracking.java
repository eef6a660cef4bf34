package org.umberdial.core.tuning;

import java.util.ArrayList;
import java.util.List;
import org.umberdial.core.value.InvalidEntry;

/**
 * An oscillator that runs a fixed frequency above its signal at two or three points of a band, with the same gang in
 * both circuits: a trimmer across it, and for three points a padder in series with it.
 *
 * <p>With {@code y = ω²} of the oscillator and {@code C} of the gang, {@code y = 1/(L Cs) + 1/L · 1/(C + Ct)}; through
 * three points that is solved exactly, and linearly for {@code Ct}; without a padder two points do. Source: the
 * hyperbola's own equation.
 *
 * @param signalHenries inductance of the signal circuit [H]
 * @param oscillatorHenries inductance of the oscillator's [H]
 * @param padderFarads in series with the gang [F]; infinite without one
 * @param trimmerFarads across the gang in the oscillator, beside what is across it in the signal circuit [F]
 * @param exact the points [Hz]
 * @param errors how far the signal circuit is from what comes in, over the band
 */
public record Tracking(
        double signalHenries,
        double oscillatorHenries,
        double padderFarads,
        double trimmerFarads,
        List<Double> exact,
        List<Error> errors) {
    /** @param signal frequency that comes in [Hz], @param off how far the signal circuit is tuned from it [Hz] */
    public record Error(double signal, double off) {}

    private static final int SHOWN = 61;

    public Tracking {
        exact = List.copyOf(exact);
        errors = List.copyOf(errors);
    }

    /** A gang's circuits as they are given: the band, and its signal circuit open. */
    private record Given(double low, double high, double between, double signal) {
        double gang(double hertz) {
            return 1 / (square(2 * Math.PI * hertz) * signal);
        }

        double oscillator(double hertz) {
            return square(2 * Math.PI * (hertz + between));
        }
    }

    private static Given given(Band band, double leastFarads) {
        if (!band.superhet() || !band.said().oscillatorAbove()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "Padder and trimmer are reckoned for an oscillator above its signal; enter the intermediate"
                                    + " frequency.")
                    .at("intermediateKilohertz");
        }
        if (!(leastFarads >= 5e-12 && leastFarads <= 500e-12)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "The open gang with trimmer and wiring has 20 to 60 pF; enter it in pF, as in 45.")
                    .at("leastPicofarads");
        }
        double high = 1000 * band.said().highKilohertz();
        return new Given(
                1000 * band.said().lowKilohertz(),
                high,
                1000 * band.said().intermediateKilohertz(),
                1 / (square(2 * Math.PI * high) * leastFarads));
    }

    /**
     * With padder and trimmer.
     *
     * @param band with an oscillator above its signal
     * @param leastFarads of the gang and what lies across it in the signal circuit, open [F]
     * @throws InvalidEntry when the band needs no such circuit, or the gang cannot cover it
     */
    public static Tracking threePoint(Band band, double leastFarads) {
        Given given = given(band, leastFarads);
        // Where a parabola's error is least: near both ends and in the middle.
        double middle = (given.low + given.high) / 2;
        double reach = (given.high - given.low) / 2 * Math.sqrt(3) / 2;
        double[] f = {middle - reach, middle, middle + reach};
        double[] c = new double[3];
        double[] y = new double[3];
        for (int i = 0; i < 3; i++) {
            c[i] = given.gang(f[i]);
            y[i] = given.oscillator(f[i]);
        }
        double ratio = (y[0] - y[1]) / (y[1] - y[2]);
        // (y0−y1)/(y1−y2) = (c1−c0)(c2+x) / ((c2−c1)(c0+x)), linear in x.
        double k = (c[1] - c[0]) / (c[2] - c[1]);
        double x = (k * c[2] - ratio * c[0]) / (ratio - k);
        double b = (y[0] - y[1]) / (1 / (c[0] + x) - 1 / (c[1] + x));
        double a = y[0] - b / (c[0] + x);
        return new Tracking(given.signal, 1 / b, b / a, x, List.of(f[0], f[1], f[2]), errors(given, a, b, x));
    }

    /**
     * With a trimmer alone, as where the oscillator's plates are cut for it or the band is narrow.
     *
     * @param band with an oscillator above its signal
     * @param leastFarads of the gang and what lies across it in the signal circuit, open [F]
     * @throws InvalidEntry when the band needs no such circuit, or the gang cannot cover it
     */
    public static Tracking twoPoint(Band band, double leastFarads) {
        Given given = given(band, leastFarads);
        double middle = (given.low + given.high) / 2;
        // Of two points the error is least a little inside both ends.
        double reach = (given.high - given.low) / 2 * Math.sqrt(0.5);
        double[] f = {middle - reach, middle + reach};
        double[] c = {given.gang(f[0]), given.gang(f[1])};
        double[] y = {given.oscillator(f[0]), given.oscillator(f[1])};
        double x = (y[1] * c[1] - y[0] * c[0]) / (y[0] - y[1]);
        double b = y[0] * (c[0] + x);
        return new Tracking(
                given.signal, 1 / b, Double.POSITIVE_INFINITY, x, List.of(f[0], f[1]), errors(given, 0, b, x));
    }

    private static List<Error> errors(Given given, double a, double b, double x) {
        List<Error> errors = new ArrayList<>();
        for (int i = 0; i < SHOWN; i++) {
            double tuned = given.low + (given.high - given.low) * i / (SHOWN - 1);
            double comesIn = Math.sqrt(a + b / (given.gang(tuned) + x)) / (2 * Math.PI) - given.between;
            errors.add(new Error(comesIn, tuned - comesIn));
        }
        return errors;
    }

    private static double square(double value) {
        return value * value;
    }
}
