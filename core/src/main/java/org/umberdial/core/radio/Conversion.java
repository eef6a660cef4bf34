package org.umberdial.core.radio;

import java.util.OptionalDouble;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubePoint;

/**
 * What a converter makes of a signal: amperes of the intermediate frequency at its plate for each volt of signal at its
 * grid.
 *
 * <p>The published figure is taken along with the current: a mixer is an average over the oscillator's cycle, and both
 * its mean current and its conversion are what the same pulses leave (E. W. Herold, Proc. IRE 30, 1942).
 */
final class Conversion {
    /** Far above the published current a mixer is no longer driven as it was published. */
    private static final double MOST = 1.6;

    private Conversion() {}

    /**
     * Conversion transconductance at an operating point [S].
     *
     * @return empty when nothing is published of the type
     */
    static OptionalDouble siemens(Card converter, OperatingPoint point, TubeData tubes) {
        for (TubePoint published : tubes.points(converter.model(), Section.HEPTODE)) {
            if (published.transconductanceSiemens().isPresent()
                    && published.plateAmperes().isPresent()
                    && published.grid3Volts().isPresent()) {
                double share = point.plateAmperes(converter.reference()).orElse(0)
                        / published.plateAmperes().getAsDouble();
                return OptionalDouble.of(published.transconductanceSiemens().getAsDouble() * Math.min(share, MOST));
            }
        }
        return OptionalDouble.empty();
    }
}
