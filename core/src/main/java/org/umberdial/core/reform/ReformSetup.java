package org.umberdial.core.reform;

import java.util.List;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.StandardSeries;

/**
 * How a capacitor is put on its volts.
 *
 * @param farads marked [F]
 * @param workingVolts it is to stand in the end [V]
 * @param supplyVolts of the supply at the last step [V]
 * @param seriesOhms between supply and capacitor [Ω]
 * @param shuntOhms in the minus lead, across which the leak is read [Ω]
 */
public record ReformSetup(double farads, double workingVolts, double supplyVolts, double seriesOhms, double shuntOhms) {
    /** A dead short draws no more than this through the usual series resistor [A]. */
    private static final double SHORT_AMPERES = 10e-3;

    private static final double USUAL_SHUNT_OHMS = 100;
    private static final List<Double> STEPS = List.of(0.25, 0.5, 0.75, 1.0);
    private static final double MOST_VOLTS = 1000;

    public ReformSetup {
        within(farads, 1e-7, 0.1, "farads", "A capacitor that is formed has 0.1 µF to 0.1 F");
        within(workingVolts, 1, MOST_VOLTS, "workingVolts", "Working volts are 1 to 1000 V");
        within(supplyVolts, 1, MOST_VOLTS, "supplyVolts", "A forming supply gives 1 to 1000 V");
        within(seriesOhms, 100, 10e6, "seriesOhms", "The series resistor has 100 Ω to 10 MΩ");
        within(shuntOhms, 1, 100e3, "shuntOhms", "The shunt has 1 Ω to 100 kΩ");
    }

    private static void within(double value, double least, double most, String field, String rule) {
        if (!(value >= least && value <= most)) {
            throw new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, rule + ".").at(field);
        }
    }

    /** What a bench would take: no more than 10 mA into a dead short, a shunt that shows a millivolt for 10 µA. */
    public static ReformSetup usual(double farads, double workingVolts) {
        double wanted = workingVolts / SHORT_AMPERES;
        double series = StandardSeries.E12.nearest(wanted);
        return new ReformSetup(
                farads,
                workingVolts,
                workingVolts,
                series < wanted ? StandardSeries.E12.nearest(wanted * 1.15) : series,
                USUAL_SHUNT_OHMS);
    }

    /** What the series resistor has to stand while the capacitor is a dead short [W]: V²/R. */
    public double shortWatts() {
        return supplyVolts * supplyVolts / (seriesOhms + shuntOhms);
    }

    /** Supply volts step by step; each is held until the leak falls no further. */
    public List<Double> steps() {
        return STEPS.stream().map(share -> share * supplyVolts).toList();
    }
}
