package org.umberdial.core.catalogue;

import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * A resistor that is made, of any standard value.
 *
 * @param watts at 70 °C
 * @param mostVolts across it
 */
public record ResistorItem(String kind, double watts, double mostVolts) {
    /** Without a value: {@code 2 W metal oxide flameproof}. */
    public String name() {
        return rating() + " W " + kind;
    }

    /** As it is ordered: {@code 22 kΩ 2 W metal oxide flameproof}. */
    public String name(double ohms) {
        return Engineering.round(ohms, Unit.OHM) + " " + name();
    }

    private String rating() {
        return watts == 0.25 ? "¼" : watts == 0.5 ? "½" : Engineering.plain(watts);
    }
}
