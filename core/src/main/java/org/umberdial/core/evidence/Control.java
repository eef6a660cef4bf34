package org.umberdial.core.evidence;

/** Kinds of control; those that can make a good set look dead are asked about first. */
public enum Control {
    BAND("band switch", true),
    PHONO("phono / radio switch", true),
    STANDBY("standby switch", true),
    POWER("power switch", true),
    SPEAKER("speaker plug or switch", true),
    SELECTOR("voltage selector", true),
    TONE("tone control", false),
    VOLUME("volume control", true),
    TUNING("tuning", false),
    TRIMMER("trimmer or preset", false),
    SPEED("speed selector", true),
    OTHER("other control", false);

    private final String label;
    private final boolean silences;

    Control(String label, boolean silences) {
        this.label = label;
        this.silences = silences;
    }

    public String label() {
        return label;
    }

    /** Whether a wrong position can silence a good set. */
    public boolean silences() {
        return silences;
    }
}
