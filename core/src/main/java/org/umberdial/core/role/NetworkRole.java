package org.umberdial.core.role;

import java.util.Locale;
import java.util.Optional;

/**
 * What a part does in a circuit, as far as the network says it; the roles of the role library that are drawn. Cord,
 * fuse, socket contacts and mechanical parts are in no network.
 */
public enum NetworkRole {
    LINE_SWITCH("line switch"),
    BAND_SWITCH_CONTACT("band switch contact"),
    SURGE_RESISTOR("surge resistor"),
    LINE_BYPASS_CAPACITOR("line bypass"),
    RECTIFIER_TUBE("rectifier"),
    RECTIFIER_SELENIUM("metal rectifier"),
    RECTIFIER_SILICON("silicon rectifier"),
    RESERVOIR_CAPACITOR("reservoir"),
    FILTER_RESISTOR("filter resistor"),
    FILTER_CHOKE("filter choke"),
    FIELD_COIL("field coil"),
    SECOND_FILTER_CAPACITOR("second filter"),
    DECOUPLING_RESISTOR("decoupling resistor"),
    DECOUPLING_CAPACITOR("decoupling"),
    BACK_BIAS_RESISTOR("back bias"),
    HEATER_DROPPER("heater dropper"),
    PILOT_LAMP("pilot lamp"),
    SCREEN_DROPPER("screen dropper"),
    SCREEN_BYPASS("screen bypass"),
    PLATE_LOAD("plate load"),
    CATHODE_BIAS_RESISTOR("cathode bias"),
    CATHODE_BYPASS("cathode bypass"),
    GRID_LEAK("grid leak"),
    CONTACT_BIAS_GRID_LEAK("grid leak, contact bias"),
    GRID_STOPPER("grid stopper"),
    COUPLING_CAPACITOR("coupling"),
    AUDIO_INPUT_CAPACITOR("audio input"),
    PLATE_RF_BYPASS("plate RF bypass"),
    OUTPUT_TRANSFORMER_PRIMARY("output transformer"),
    TONE_CORRECTION_CAPACITOR("plate tone"),
    VOLUME_CONTROL("volume control"),
    TAPPED_VOLUME_CONTROL("tapped volume control"),
    TONE_CONTROL("tone control"),
    FEEDBACK_RESISTOR("feedback"),
    DETECTOR_DIODE("detector"),
    DETECTOR_LOAD("detector load"),
    IF_FILTER_CAPACITOR("IF filter"),
    AVC_FILTER_RESISTOR("AVC filter"),
    AVC_BYPASS("AVC bypass"),
    OSCILLATOR_GRID_CAPACITOR("oscillator grid capacitor"),
    OSCILLATOR_GRID_LEAK("oscillator grid leak"),
    OSCILLATOR_FEED("oscillator plate feed"),
    IF_WINDING("IF or RF winding"),
    OSCILLATOR_COIL("oscillator coil"),
    AERIAL_COIL("aerial or IF winding at the grid"),
    CONVERTER_TUBE("converter"),
    IF_TUBE("RF or IF amplifier"),
    AUDIO_TRIODE("audio amplifier"),
    OUTPUT_TUBE("output tube"),
    EYE_TUBE("tuning eye"),
    EYE_PLATE_RESISTOR("plate load of the eye"),
    RATIO_DETECTOR_ELECTROLYTIC("ratio stabilizer"),
    POWER_TRANSFORMER("power transformer"),
    SPEAKER_VOICE_COIL("voice coil");

    private final String label;

    NetworkRole(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** The role of an id as the role library writes it, such as {@code plate_load}. */
    public static Optional<NetworkRole> of(String id) {
        for (NetworkRole role : values()) {
            if (role.name().equals(id.toUpperCase(Locale.ROOT))) {
                return Optional.of(role);
            }
        }
        return Optional.empty();
    }
}
