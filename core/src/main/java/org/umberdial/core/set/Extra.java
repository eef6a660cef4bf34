package org.umberdial.core.set;

import java.util.List;

/** What a set holds beside its main works, in a combination. */
public enum Extra {
    PLAYER("Record player in it", List.of("motor_pinch", "spring_blade")),
    RECORDER("Wire or tape recorder in it", List.of("motor_pinch", "recording_wire"));

    private final String label;
    private final List<String> cautions;

    Extra(String label, List<String> cautions) {
        this.label = label;
        this.cautions = cautions;
    }

    public String label() {
        return label;
    }

    /** Ids of the cautions it adds. */
    public List<String> cautions() {
        return cautions;
    }
}
