package org.umberdial.core.draft;

/** The stages of a set, in the order one walks a schematic: with the signal, then the supply. */
public enum Stage {
    FM_FRONT("fm_front", "FM front end"),
    RF("rf", "RF"),
    CONVERTER("converter", "Converter"),
    IF("if", "IF"),
    RATIO_DETECTOR("ratio_detector", "Ratio detector"),
    DETECTOR("detector", "Detector and AVC"),
    EYE("eye", "Tuning eye"),
    FIRST_AUDIO("first_audio", "First audio"),
    DRIVER("driver", "Driver"),
    SPLITTER("splitter", "Phase splitter"),
    OUTPUT("output", "Output"),
    SUPPLY("supply", "Supply"),
    HEATERS("heaters", "Heaters");

    private final String id;
    private final String label;

    Stage(String id, String label) {
        this.id = id;
        this.label = label;
    }

    /** The word in a card's {@code stage=} key. */
    public String id() {
        return id;
    }

    public String label() {
        return label;
    }
}
