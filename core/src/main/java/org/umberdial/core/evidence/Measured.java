package org.umberdial.core.evidence;

import org.umberdial.core.value.Unit;

/** What an instrument showed of a part. The names are stored; none is ever changed. */
public enum Measured {
    FARADS(Unit.FARAD, "capacitance"),
    /** Series resistance at the tester's own frequency. */
    ESR_OHMS(Unit.OHM, "ESR"),
    /** Insulation resistance; infinite when the tester saw no leak. */
    LEAK_OHMS(Unit.OHM, "leak"),
    LEAK_AMPERES(Unit.AMPERE, "leak"),
    /** Direct voltage it was tested at; absent with an ohmmeter's few volts. */
    TEST_VOLTS(Unit.VOLT, "test volts"),
    /** A tube tester's own scale. */
    SCALE(Unit.PERCENT, "scale"),
    /** What that scale wants at least of this type. */
    SCALE_LEAST(Unit.PERCENT, "at least");

    private final Unit unit;
    private final String label;

    Measured(Unit unit, String label) {
        this.unit = unit;
        this.label = label;
    }

    public Unit unit() {
        return unit;
    }

    public String label() {
        return label;
    }
}
