package org.umberdial.core.cold;

import org.umberdial.core.value.StandardSeries;

/**
 * A field coil's place in the supply taken by a resistor, or by a choke with a resistor.
 *
 * @param resistorOhms standard value alone [Ω]
 * @param resistorWatts heat in it [W]
 * @param ratedWatts rating to buy, with the house's margin [W]
 * @param dropVolts over it [V]
 * @param besideChoke standard value in series with the choke [Ω]; 0 when the choke's own resistance is enough
 * @param besideWatts rating of that one, with the margin [W]
 */
public record FieldReplacement(
        double resistorOhms,
        double resistorWatts,
        double ratedWatts,
        double dropVolts,
        double besideChoke,
        double besideWatts) {
    /**
     * @param fieldOhms hot [Ω]
     * @param amperes through it [A]
     * @param chokeOhms resistance of the choke on offer [Ω], 0 for none
     * @param margin rating over heat
     */
    public static FieldReplacement of(double fieldOhms, double amperes, double chokeOhms, double margin) {
        double ohms = StandardSeries.E12.nearest(fieldOhms);
        double rest = Math.max(0, fieldOhms - chokeOhms);
        double beside = rest < 10 ? 0 : StandardSeries.E12.nearest(rest);
        return new FieldReplacement(
                ohms,
                amperes * amperes * ohms,
                margin * amperes * amperes * ohms,
                amperes * ohms,
                chokeOhms > 0 ? beside : 0,
                chokeOhms > 0 ? margin * amperes * amperes * beside : 0);
    }
}
