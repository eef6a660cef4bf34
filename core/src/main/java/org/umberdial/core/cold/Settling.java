package org.umberdial.core.cold;

import java.util.OptionalDouble;
import org.umberdial.core.procedure.Figures;

/**
 * Whether a resistance still climbs while a capacitor charges through the meter.
 *
 * @param last the later reading [Ω]
 * @param climbing whether it still moved up by more than a twentieth
 */
record Settling(OptionalDouble last, boolean climbing) {
    private static final double STILL = 0.05;

    /** From one or two readings with their times, in either order. */
    static Settling of(Figures figures, String ohms, String seconds, String ohmsAgain, String secondsAgain) {
        OptionalDouble first = figures.ohms(ohms);
        OptionalDouble second = figures.ohms(ohmsAgain);
        if (first.isEmpty() || second.isEmpty()) {
            return new Settling(first.isPresent() ? first : second, false);
        }
        boolean swapped =
                figures.number(seconds).orElse(0) > figures.number(secondsAgain).orElse(Double.POSITIVE_INFINITY);
        double early = swapped ? second.getAsDouble() : first.getAsDouble();
        double late = swapped ? first.getAsDouble() : second.getAsDouble();
        return new Settling(OptionalDouble.of(late), !Double.isInfinite(late) && late > early * (1 + STILL));
    }
}
