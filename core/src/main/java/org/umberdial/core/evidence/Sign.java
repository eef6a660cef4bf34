package org.umberdial.core.evidence;

import java.util.EnumSet;
import java.util.Set;

/**
 * What a tester without figures shows, what was seen beside a figure, and what is known of the moment. The names are
 * stored; none is ever changed.
 */
public enum Sign {
    EYE_OPENS("the eye opens at once"),
    EYE_SLOW("the eye opens slowly"),
    EYE_INDISTINCT("the eye stays indistinct"),
    EYE_SHUT("the eye stays shut"),
    LAMP_DARK("the lamp goes dark after one flash"),
    LAMP_FLASHES("the lamp keeps flashing"),
    LAMP_LIT("the lamp stays lit"),
    FALLING("still falling"),
    RISING("rising"),
    /** It stood at its working volts until the leak was steady. */
    FORMED("formed before"),
    UNFORMED("never formed"),
    REVERSED("the wrong way round"),
    WARM("got warm"),
    TESTED_GOOD("good"),
    TESTED_WEAK("weak"),
    TESTED_BAD("bad"),
    SHORT("shows a short"),
    GAS("shows gas"),
    ARCS("arcs"),
    HEATER_OPEN("heater open"),
    /** No line of the tester's chart is this type's; that of a sister was used. */
    SISTER_SETTINGS("by a sister type's settings"),
    SWAP_CURES("another in its place cures it"),
    /** With the old one back the fault is back, so that it was no contact. */
    SWAP_RETURNS("the fault comes back with it"),
    SWAP_SAME("another in its place changes nothing");

    private static final Set<Sign> SHOWN_BY_EYE_OR_LAMP = EnumSet.range(EYE_OPENS, LAMP_LIT);
    private static final Set<Sign> TESTER_SAYS = EnumSet.range(TESTED_GOOD, TESTED_BAD);
    private static final Set<Sign> OF_TUBES = EnumSet.range(TESTED_GOOD, SWAP_SAME);

    private final String label;

    Sign(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** Whether a leakage tester's eye or lamp shows it. */
    public boolean shownByEyeOrLamp() {
        return SHOWN_BY_EYE_OR_LAMP.contains(this);
    }

    /** Whether it is a tube tester's verdict. */
    public boolean testerSays() {
        return TESTER_SAYS.contains(this);
    }

    /** Whether it is said of a tube; else it is of a capacitor. */
    public boolean ofTube() {
        return OF_TUBES.contains(this);
    }
}
