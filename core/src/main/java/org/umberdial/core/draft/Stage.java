package org.umberdial.core.draft;

import java.util.Arrays;
import java.util.Optional;
import org.umberdial.core.circuit.deck.Card;

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

    /** The stage a card says it belongs to; empty when it says none or a word that is none. */
    public static Optional<Stage> of(Card card) {
        return card.key("stage").flatMap(Stage::of);
    }

    public static Optional<Stage> of(String id) {
        return Arrays.stream(values()).filter(stage -> stage.id.equals(id)).findFirst();
    }

    /** The word in a card's {@code stage=} key. */
    public String id() {
        return id;
    }

    public String label() {
        return label;
    }
}
