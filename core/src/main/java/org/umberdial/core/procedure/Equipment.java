package org.umberdial.core.procedure;

/** What a bench can have, as far as a test needs it. */
public enum Equipment {
    VOLTMETER("voltmeter", "DC volts to 500 V and more, just proven on a known voltage"),
    OHMMETER("ohmmeter", "Ohms, a fraction of an ohm to megohms"),
    DIODE_TEST("diode test", "The range of a meter that shows a junction's forward volts"),
    GENERATOR("generator", "A low voltage at line frequency, and a tone"),
    AC_METER("AC meter", "Millivolts to hundreds of volts"),
    INSULATION_TESTER("insulation tester", "Megohms at 250 to 1000 V"),
    CAPACITANCE_METER("capacitance meter", "Picofarads to hundreds of microfarads"),
    ESR_METER("ESR meter", "Series resistance of electrolytics in place or out"),
    LEAKAGE_TESTER("leakage tester", "A capacitor's leak at its working volts"),
    TUBE_TESTER("tube tester", "Emission, shorts and gas"),
    DC_SUPPLY("low DC supply", "Up to 30 V with a current limit"),
    DRY_CELL("dry cell", "1.5 V, for a click at the speaker"),
    DISCHARGE_TOOL("discharge resistor", "Insulated clips and a power resistor");

    private final String label;
    private final String what;

    Equipment(String label, String what) {
        this.label = label;
        this.what = what;
    }

    public String label() {
        return label;
    }

    /** What it must be able to do. */
    public String what() {
        return what;
    }
}
