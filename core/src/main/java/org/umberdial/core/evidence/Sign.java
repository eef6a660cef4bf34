package org.umberdial.core.evidence;

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
    SISTER_SETTINGS("by a sister type's settings");

    private final String label;

    Sign(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
