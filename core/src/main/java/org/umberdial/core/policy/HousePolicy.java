package org.umberdial.core.policy;

import org.umberdial.core.value.DecimalSign;

/**
 * The shop's house rules as far as voltages need them.
 *
 * @param lineVolts nominal line voltage of the place [V]
 * @param lineHertz its frequency [Hz]
 * @param spread deviation from the corrected sheet value that is taken as normal, a fraction (0.1 or 0.2)
 * @param doubtMargin how much more is doubtful rather than wrong, a fraction of the expected value
 * @param gridRiseVolts how far a grid may stand above its expected voltage before a leak is suspected [V]
 * @param wattsMargin a resistor's rating should be at least this many times what it turns into heat
 * @param driftFraction change of one point between two readings that counts as drifting, a fraction
 * @param heaterOver how far over its rating a heater may run, a fraction of its volts
 * @param safeVolts a capacitor is taken as discharged at or below this [V]
 * @param bleedOhms resistor used to discharge [Ω]
 * @param insulationOhms least insulation to the core or between windings [Ω]
 * @param touchAmperes most current a touch may draw [A]
 * @param halvesApart how unlike the halves of a winding may be, a fraction of their mean
 * @param vaHeadroom a transformer's rating should be at least this many times the load
 * @param hourRate what an hour at the bench costs, in the shop's money
 * @param money sign or name of the shop's money
 */
public record HousePolicy(
        Vocabulary vocabulary,
        DecimalSign decimalSign,
        double lineVolts,
        double lineHertz,
        double spread,
        double doubtMargin,
        double gridRiseVolts,
        double wattsMargin,
        double driftFraction,
        double heaterOver,
        double safeVolts,
        double bleedOhms,
        double insulationOhms,
        double touchAmperes,
        double halvesApart,
        double vaHeadroom,
        double hourRate,
        String money) {

    /** The defaults a new shop starts with. */
    public static HousePolicy standard() {
        return new HousePolicy(
                Vocabulary.NORTH_AMERICAN,
                DecimalSign.POINT,
                120,
                60,
                0.10,
                0.10,
                0.2,
                2,
                0.04,
                0.10,
                30,
                10e3,
                10e6,
                0.5e-3,
                0.15,
                1.25,
                40,
                "$");
    }
}
