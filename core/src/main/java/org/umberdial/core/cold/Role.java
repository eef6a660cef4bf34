package org.umberdial.core.cold;

/**
 * What a part does, as far as a cold test asks.
 *
 * <p>The odds of a fault in an old set untouched for decades are judgement, not statistics; they only order the tests.
 */
public enum Role {
    LINE_CORD("line cord", 0.20, Worth.GUARDS),
    LINE_FUSE("line fuse", 0.15, Worth.GUARDS),
    LINE_SWITCH("line switch", 0.08, Worth.GUARDS),
    LINE_CAPACITOR("capacitor at the line", 0.30, Worth.GUARDS),
    HEATER_DROPPER("heater dropper", 0.10, Worth.USUAL),
    STRING_HEATER("heater in the string", 0.04, Worth.USUAL),
    HEATER("heater", 0.04, Worth.USUAL),
    TUBE("tube", 0.20, Worth.USUAL),
    LAMP("pilot lamp", 0.20, Worth.USUAL),
    POWER_TRANSFORMER("power transformer", 0.05, Worth.RARE),
    OUTPUT_TRANSFORMER("output transformer", 0.08, Worth.RARE),
    VOICE_COIL("voice coil", 0.05, Worth.RARE),
    FIELD_COIL("field coil", 0.06, Worth.RARE),
    FILTER_PART("filter resistor or choke", 0.06, Worth.USUAL),
    FILTER_CAPACITOR("filter capacitor", 0.40, Worth.USUAL),
    SURGE_RESISTOR("surge resistor", 0.15, Worth.USUAL),
    RECTIFIER_DIODE("rectifier diode", 0.05, Worth.USUAL),
    RECTIFIER_SELENIUM("metal rectifier", 0.35, Worth.USUAL),
    COUPLING_CAPACITOR("coupling capacitor", 0.60, Worth.USUAL),
    CATHODE_BYPASS("cathode bypass", 0.40, Worth.USUAL),
    OTHER_CAPACITOR("paper capacitor", 0.45, Worth.USUAL),
    RESISTOR("resistor", 0.20, Worth.USUAL),
    CONTROL("control", 0.15, Worth.USUAL),
    COIL("coil", 0.03, Worth.RARE),
    SWITCH_CONTACT("switch contact", 0.20, Worth.USUAL),
    MOTOR("motor", 0.05, Worth.RARE);

    /** How much more than usual it is worth to know. */
    private static final class Worth {
        private static final double USUAL = 1;
        /** It can hardly be bought. */
        private static final double RARE = 2;
        /** It stands between the line and a hand. */
        private static final double GUARDS = 3;
    }

    private final String label;
    private final double odds;
    private final double weight;

    Role(String label, double odds, double weight) {
        this.label = label;
        this.odds = odds;
        this.weight = weight;
    }

    public String label() {
        return label;
    }

    /** How likely one aspect of it is bad before anything is known, 0 to 1. */
    public double odds() {
        return odds;
    }

    /**
     * How much it is worth to know about it: 1 usually, 2 for what can hardly be bought, 3 for what guards against the
     * line.
     */
    public double weight() {
        return weight;
    }
}
