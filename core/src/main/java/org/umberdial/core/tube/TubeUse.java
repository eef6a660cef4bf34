package org.umberdial.core.tube;

import java.util.Locale;

/** What a type was made for; with its electrode systems it says which stages of a set it can carry. */
public enum TubeUse {
    TRIODE("triode"),
    TRIODE_DOUBLE("double triode"),
    TRIODE_DIODE("triode with diodes"),
    /** A triode with a pentode in one bulb; the pentode is an output tube, or an RF one. */
    TRIODE_OUTPUT("triode and pentode"),
    TETRODE("screen-grid tube"),
    PENTODE_REMOTE("pentode, remote cut-off"),
    PENTODE_SHARP("pentode, sharp cut-off"),
    PENTODE_DIODE("pentode with diodes"),
    CONVERTER_PENTAGRID("pentagrid converter"),
    CONVERTER_TRIODE_HEXODE("converter with its own oscillator triode"),
    MIXER("mixer"),
    OUTPUT("output tube"),
    OUTPUT_DOUBLE("double output tube"),
    DIODE_DOUBLE("double diode"),
    RECTIFIER_HALF("half-wave rectifier"),
    RECTIFIER_FULL("full-wave rectifier"),
    /** Two plates with a cathode each: a doubler, or two in parallel. */
    RECTIFIER_DOUBLE("rectifier with two cathodes"),
    GAS_RECTIFIER("gas rectifier"),
    EYE("tuning eye"),
    REGULATOR("gas regulator"),
    BALLAST("ballast"),
    OTHER("other");

    private final String label;

    TubeUse(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** Whether it does nothing but rectify the supply. */
    public boolean rectifies() {
        return this == RECTIFIER_HALF || this == RECTIFIER_FULL || this == RECTIFIER_DOUBLE || this == GAS_RECTIFIER;
    }

    /** @param word as in the tables; empty and unknown words are {@link #OTHER} */
    static TubeUse of(String word) {
        for (TubeUse use : values()) {
            if (use.name().equals(word.toUpperCase(Locale.ROOT))) {
                return use;
            }
        }
        return OTHER;
    }
}
