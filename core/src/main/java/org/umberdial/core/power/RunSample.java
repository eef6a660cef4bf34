package org.umberdial.core.power;

/**
 * What was read at one moment of a run.
 *
 * @param seconds since the run began
 * @param figures by the order of the plan's list; NaN for what was not read then. A lamp's is its share of what it is
 *     made for
 * @param byHand whether a person typed it; then it counts at once, since the next one may be a minute away
 */
public record RunSample(double seconds, double[] figures, boolean byHand) {}
