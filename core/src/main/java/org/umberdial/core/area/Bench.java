package org.umberdial.core.area;

import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.value.InvalidEntry;

/**
 * The conditions at the bench right now.
 *
 * @param lineVolts line voltage at the set's plug [V], above 0
 * @param meter empty when none is chosen; then nothing is corrected for loading
 * @param accuracy the meter's accuracy as a fraction of the reading, 0 when unknown
 * @param highest DC volts the meter stands or shows at most; empty when nobody said
 * @param mode empty when the set has only one
 */
public record Bench(double lineVolts, Optional<Meter> meter, double accuracy, OptionalDouble highest, String mode) {
    /** Outside these nobody runs a set on the line; vibrator and battery sets are entered as 6 or 12 V. */
    private static final double LEAST = 1;

    private static final double MOST = 300;

    /** With a meter of which nobody said how far it reaches. */
    public Bench(double lineVolts, Optional<Meter> meter, double accuracy, String mode) {
        this(lineVolts, meter, accuracy, OptionalDouble.empty(), mode);
    }

    public Bench {
        if (!(lineVolts >= LEAST && lineVolts <= MOST)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "A line of " + lineVolts
                                    + " V is not usual; enter what you read at the plug, between 1 and 300 V.")
                    .at("lineVolts");
        }
    }
}
