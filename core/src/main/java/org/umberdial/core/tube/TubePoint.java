package org.umberdial.core.tube;

import java.util.OptionalDouble;

/**
 * One published operating point, SI units; empty where nothing is published.
 *
 * @param kind the row's section word: triode, pentode, beam, heptode, rectifier, ...
 * @param number of the point, from 1; the first is the type's main one
 * @param grid3Volts of the third grid of a mixer
 * @param gridAmperes of an oscillating grid
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
        OptionalDouble amplification) {}
