package org.umberdial.core.instrument;

import java.util.List;
import org.umberdial.core.value.Unit;

/** What an instrument can do, as far as a test needs it. */
public enum Equipment {
    VOLTMETER(
            "voltmeter",
            "DC volts to 500 V and more, just proven on a known voltage",
            Unit.VOLT,
            Limit.INPUT,
            Limit.ACCURACY,
            Limit.HIGHEST),
    OHMMETER("ohmmeter", "Ohms, a fraction of an ohm to megohms", Unit.OHM, Limit.HIGHEST),
    DIODE_TEST("diode test", "The range of a meter that shows a junction's forward volts", Unit.VOLT),
    GENERATOR("generator", "A low voltage at line frequency, and a tone", Unit.VOLT, Limit.OUTPUT_OHMS),
    AC_METER("AC meter", "Millivolts to hundreds of volts", Unit.VOLT, Limit.HIGHEST, Limit.RESPONSE),
    INSULATION_TESTER("insulation tester", "Megohms at 250 to 1000 V", Unit.OHM, Limit.TEST_VOLTS, Limit.HIGHEST),
    CAPACITANCE_METER("capacitance meter", "Picofarads to hundreds of microfarads", Unit.FARAD, Limit.HIGHEST),
    ESR_METER("ESR meter", "Series resistance of electrolytics in place or out", Unit.OHM, Limit.HIGHEST),
    LEAKAGE_TESTER("leakage tester", "A capacitor's leak at its working volts", Unit.OHM, Limit.TEST_VOLTS),
    TUBE_TESTER("tube tester", "Emission, shorts and gas", Unit.AMPERE),
    DC_SUPPLY("low DC supply", "Up to 30 V with a current limit", Unit.VOLT, Limit.HIGHEST),
    DRY_CELL("dry cell", "1.5 V, for a click at the speaker", Unit.VOLT),
    DISCHARGE_TOOL("discharge resistor", "Insulated clips and a power resistor", Unit.OHM);

    /** What can bound an instrument in something it does. */
    public enum Limit {
        /** What it puts across the circuit. */
        INPUT,
        ACCURACY,
        /** The highest it shows or gives, in the unit of what it does. */
        HIGHEST,
        TEST_VOLTS,
        OUTPUT_OHMS,
        /** Whether an AC range answers to the average or to the true RMS. */
        RESPONSE
    }

    private final String label;
    private final String what;
    private final Unit unit;
    private final List<Limit> limits;

    Equipment(String label, String what, Unit unit, Limit... limits) {
        this.label = label;
        this.what = what;
        this.unit = unit;
        this.limits = List.of(limits);
    }

    public String label() {
        return label;
    }

    /** What it must be able to do. */
    public String what() {
        return what;
    }

    /** Of what it shows or gives. */
    public Unit unit() {
        return unit;
    }

    /** What is worth knowing of its reach, in the order it is asked. */
    public List<Limit> limits() {
        return limits;
    }
}
