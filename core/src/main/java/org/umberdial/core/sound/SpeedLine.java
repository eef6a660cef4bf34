package org.umberdial.core.sound;

/**
 * One line in the spectrum of a speed's variation.
 *
 * @param hertz how often it comes
 * @param percent its peak, in percent of the speed
 * @param phase where in its swing it is when the tone begins [rad]: nought at its fastest, growing with time
 */
public record SpeedLine(double hertz, double percent, double phase) {}
