package org.umberdial.core.circuit.law;

/** A two-terminal law: current and slope at a voltage from plate (anode) to cathode. */
public interface Conductor {
    /**
     * @param volts plate to cathode [V]
     * @param emission share of the full emission, 0 to 1; silicon and selenium ignore it
     * @param out overwritten: current [A], plate to cathode, and its slope [S]
     */
    void evaluate(double volts, double emission, double[] out);

    /**
     * A step of Newton's method made safe: steep laws let the voltage rise only by a few factors e at a time.
     *
     * @param from voltage before the step [V]
     * @param to voltage the step asks for [V]
     */
    default double limited(double from, double to) {
        return to;
    }

    /** Below this the current is constant to the last digit [V]. */
    double cutOffVolts();

    /** The same law as a simulator's expression of {@code v}, the voltage, and {@code e}, the emission. */
    String expression(String v, String e);
}
