package org.umberdial.core.evidence;

/** What comes off a set or is undone in it. */
public enum ItemKind {
    PLUG("plug"),
    LEAD("lead"),
    SCREW("screw"),
    NUT("nut"),
    WASHER("washer"),
    KNOB("knob"),
    SHIELD("shield"),
    JOINT("solder joint"),
    TUBE("tube"),
    OTHER("other");

    private final String label;

    ItemKind(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
