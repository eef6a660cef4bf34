package org.umberdial.core.recap;

import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * A resistor that is made, of any standard value.
 *
 * @param watts at 70 °C
 * @param mostVolts across it
 */
public record ResistorItem(String kind, double watts, double mostVolts) {
    /** As it is ordered: {@code 22 kΩ 2 W metal oxide flameproof}. */
    public String name(double ohms) {
        return Engineering.round(ohms, Unit.OHM)
                + " "
                + (watts == 0.25 ? "¼" : watts == 0.5 ? "½" : Engineering.plain(watts))
                + " W " + kind;
    }
}
