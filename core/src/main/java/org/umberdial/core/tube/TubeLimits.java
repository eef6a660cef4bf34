package org.umberdial.core.tube;

import java.util.OptionalDouble;

/**
 * Ratings of a type, SI units; empty where nothing is published.
 *
 * @param plateWatts largest plate dissipation
 * @param plateVolts largest plate voltage
 * @param rectifierAmperes largest DC output of a rectifier
 * @param rectifierVolts largest RMS voltage per plate
 * @param dropVolts voltage lost in the rectifier at {@code dropAmperes}
 * @param reservoirFarads largest reservoir capacitor
 * @param seriesOhms least resistance in series with each plate
 */
public record TubeLimits(
        OptionalDouble plateWatts,
        OptionalDouble plateVolts,
        OptionalDouble rectifierAmperes,
        OptionalDouble rectifierVolts,
        OptionalDouble dropVolts,
        OptionalDouble dropAmperes,
        OptionalDouble reservoirFarads,
        OptionalDouble seriesOhms) {}
