package org.umberdial.core.evidence;

/**
 * Chassis to earth, as the set stands and is fed now, before something earthed is clipped to it: the set on, a resistor
 * in place of a body, the plug both ways.
 *
 * @param volts across the resistor, one plug way, AC [V]
 * @param turnedVolts the plug turned [V]
 * @param ohms of the resistor [Ω]
 */
public record LeadProven(double volts, double turnedVolts, double ohms) implements Fact {
    private static final double MOST_VOLTS = 1000;

    public LeadProven {
        if (!(volts >= 0 && volts < MOST_VOLTS && turnedVolts >= 0 && turnedVolts < MOST_VOLTS)
                || !(ohms > 0 && ohms < 1e6)) {
            throw new IllegalArgumentException("volts across a resistor, both plug ways");
        }
    }

    /** The worse of both ways [A]. */
    public double amperes() {
        return Math.max(volts, turnedVolts) / ohms;
    }

    @Override
    public String subject() {
        return "CHASSIS";
    }

    @Override
    public String sentence() {
        return "Chassis to earth as it is fed now: " + volts + " V and, plug turned, " + turnedVolts + " V across "
                + ohms + " Ω";
    }
}
