package org.umberdial.core.tuning;

import java.util.ArrayList;
import java.util.List;
import org.umberdial.core.value.InvalidEntry;

/**
 * An oscillator that runs a fixed frequency above its signal at three points of a band, with the same gang in both
 * circuits: a padder in series with the gang and a trimmer across it.
 *
 * <p>With {@code y = ω²} of the oscillator and {@code C} of the gang, {@code y = 1/(L Cs) + 1/L · 1/(C + Ct)}; through
 * three points that is solved exactly, and linearly for {@code Ct}. Source: the hyperbola's own equation.
 *
 * @param signalHenries inductance of the signal circuit [H]
 * @param oscillatorHenries inductance of the oscillator's [H]
 * @param padderFarads in series with the gang [F]
 * @param trimmerFarads across the gang in the oscillator, beside what is across it in the signal circuit [F]
 * @param exact the three points [Hz]
 * @param errors how far the signal circuit is from what comes in, over the band
 */
public record ThreePoint(
        double signalHenries,
        double oscillatorHenries,
        double padderFarads,
        double trimmerFarads,
        List<Double> exact,
        List<Error> errors) {
    /** @param signal frequency that comes in [Hz], @param off how far the signal circuit is tuned from it [Hz] */
    public record Error(double signal, double off) {}

    private static final int SHOWN = 61;

    public ThreePoint {
        exact = List.copyOf(exact);
        errors = List.copyOf(errors);
    }

    /**
     * @param band with an oscillator above its signal
     * @param leastFarads of the gang and what lies across it in the signal circuit, open [F]
     * @throws InvalidEntry when the band needs no such circuit, or the gang cannot cover it
     */
    public static ThreePoint of(Band band, double leastFarads) {
        if (!band.superhet() || !band.said().oscillatorAbove()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "Padder and trimmer are reckoned for an oscillator above its signal; enter the intermediate frequency.")
                    .at("intermediateKilohertz");
        }
        if (!(leastFarads >= 5e-12 && leastFarads <= 500e-12)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "The open gang with trimmer and wiring has 20 to 60 pF; enter it in pF, as in 45.")
                    .at("leastPicofarads");
        }
        double low = 1000 * band.said().lowKilohertz();
        double high = 1000 * band.said().highKilohertz();
        double between = 1000 * band.said().intermediateKilohertz();
        double signal = 1 / (square(2 * Math.PI * high) * leastFarads);
        // Where a parabola's error is least: near both ends and in the middle.
        double middle = (low + high) / 2;
        double reach = (high - low) / 2 * Math.sqrt(3) / 2;
        double[] f = {middle - reach, middle, middle + reach};
        double[] c = new double[3];
        double[] y = new double[3];
        for (int i = 0; i < 3; i++) {
            c[i] = 1 / (square(2 * Math.PI * f[i]) * signal);
            y[i] = square(2 * Math.PI * (f[i] + between));
        }
        double ratio = (y[0] - y[1]) / (y[1] - y[2]);
        // (y0−y1)/(y1−y2) = (c1−c0)(c2+x) / ((c2−c1)(c0+x)), linear in x.
        double k = (c[1] - c[0]) / (c[2] - c[1]);
        double x = (k * c[2] - ratio * c[0]) / (ratio - k);
        double b = (y[0] - y[1]) / (1 / (c[0] + x) - 1 / (c[1] + x));
        double a = y[0] - b / (c[0] + x);
        double oscillator = 1 / b;
        double padder = 1 / (a * oscillator);
        List<Error> errors = new ArrayList<>();
        for (int i = 0; i < SHOWN; i++) {
            double tuned = low + (high - low) * i / (SHOWN - 1);
            double gang = 1 / (square(2 * Math.PI * tuned) * signal);
            double comesIn = Math.sqrt(a + b / (gang + x)) / (2 * Math.PI) - between;
            errors.add(new Error(comesIn, tuned - comesIn));
        }
        return new ThreePoint(signal, oscillator, padder, x, List.of(f[0], f[1], f[2]), errors);
    }

    private static double square(double value) {
        return value * value;
    }
}
