package org.umberdial.core.circuit.law;

/**
 * A resistance that its own heat decides: heater, lamp, barretter, thermistor.
 *
 * <p>Warmth w is the power it would take to hold its temperature, over its rated power; it follows the true power with
 * one time constant.
 */
public interface ThermalLaw {
    double hotOhms();

    double coldOhms();

    double ratedWatts();

    /** Time constant of its warmth [s]. */
    double seconds();

    /** Resistance at a warmth of 0 (cold) to 1 (rated) and above [Ω]. */
    double ohms(double warmth);

    /** The warmth at which it has this resistance, not below 0. */
    double warmthAt(double ohms);

    /** Share by which the resistance rises per share of power at rest: d ln R / d ln P. */
    double steepness(double warmth);

    /** The conductance as a simulator's expression of the warmth. */
    String siemensExpression(String w);
}
