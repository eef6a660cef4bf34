package org.umberdial.core.volts;

/**
 * A resistor whose two ends were read, and what flows in it.
 *
 * @param from node at the higher voltage
 * @param volts drop [V], not negative
 * @param amperes through it [A]
 * @param watts heat in it [W]
 * @param ratedWatts its rating [W], 0 when unknown
 * @param strained whether its rating is below the house's margin over that heat
 */
public record Branch(
        String part,
        String from,
        String to,
        double ohms,
        double volts,
        double amperes,
        double watts,
        double ratedWatts,
        boolean strained) {}
