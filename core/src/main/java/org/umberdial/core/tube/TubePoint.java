package org.umberdial.core.tube;

import java.util.OptionalDouble;

/**
 * One published operating point, SI units; empty where nothing is published.
 *
 * @param kind the row's section word: triode, pentode, beam, heptode, rectifier, ...
 * @param number of the point, from 1; the first is the type's main one
 * @param grid3Volts of the third grid of a mixer
 * @param gridAmperes of an oscillating grid
 * @param mostPlateWatts rating of this section [W]
 * @param mostPlateVolts rating of this section [V]
 * @param confidence how sure the figures are
 */
public record TubePoint(
        String type,
        String kind,
        int number,
        OptionalDouble plateVolts,
        OptionalDouble screenVolts,
        OptionalDouble gridVolts,
        OptionalDouble grid3Volts,
        OptionalDouble plateAmperes,
        OptionalDouble screenAmperes,
        OptionalDouble gridAmperes,
        OptionalDouble transconductanceSiemens,
        OptionalDouble plateOhms,
        OptionalDouble amplification,
        OptionalDouble mostPlateWatts,
        OptionalDouble mostPlateVolts,
        Confidence confidence) {
    /** The same figures for another section word. */
    TubePoint of(String section) {
        return with(section, confidence);
    }

    /** The same figures, trusted no further than to expect something. */
    TubePoint unsure() {
        return with(kind, Confidence.LOW);
    }

    private TubePoint with(String section, Confidence sure) {
        return new TubePoint(
                type,
                section,
                number,
                plateVolts,
                screenVolts,
                gridVolts,
                grid3Volts,
                plateAmperes,
                screenAmperes,
                gridAmperes,
                transconductanceSiemens,
                plateOhms,
                amplification,
                mostPlateWatts,
                mostPlateVolts,
                sure);
    }
}
