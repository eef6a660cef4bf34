package org.umberdial.core.set;

import java.util.List;

/** How a set gets its power; it decides what can hurt. */
public enum ConstructionClass {
    MAINS_TRANSFORMER(
            "Mains transformer",
            "Isolated by design, not measured",
            false,
            List.of("stored_charge", "one_hand", "probe_slip", "speaker_load", "hot_glass")),
    SERIES_STRING(
            "AC/DC series string",
            "Chassis can be live",
            true,
            List.of(
                    "live_chassis",
                    "isolation_limits",
                    "one_hand",
                    "stored_charge",
                    "scope_clip",
                    "knob_shaft",
                    "hot_resistor")),
    AUTOTRANSFORMER(
            "Autotransformer",
            "Chassis can be live",
            true,
            List.of("live_chassis", "isolation_limits", "one_hand", "stored_charge", "scope_clip", "knob_shaft")),
    VIBRATOR(
            "Vibrator pack",
            "High voltage from a low one",
            false,
            List.of("vibrator_pack", "stored_charge", "one_hand", "accumulator")),
    BATTERY("Battery", "B battery stings", false, List.of("battery_pack", "stored_charge")),
    RECORD_PLAYER(
            "Record player, transformer",
            "Isolated by design, not measured",
            false,
            List.of("stored_charge", "one_hand", "probe_slip", "motor_pinch")),
    RECORD_PLAYER_LIVE(
            "Record player, no transformer",
            "Chassis can be live",
            true,
            List.of("live_chassis", "isolation_limits", "one_hand", "stored_charge", "motor_pinch", "scope_clip")),
    /** Nobody knows yet: it counts as live. */
    UNKNOWN(
            "Not known yet",
            "Take the chassis as live",
            true,
            List.of("live_chassis", "isolation_limits", "one_hand", "stored_charge", "scope_clip", "knob_shaft"));

    private final String label;
    private final String danger;
    private final boolean liveChassis;
    private final List<String> cautionsUnderPower;

    ConstructionClass(String label, String danger, boolean liveChassis, List<String> cautionsUnderPower) {
        this.label = label;
        this.danger = danger;
        this.liveChassis = liveChassis;
        this.cautionsUnderPower = cautionsUnderPower;
    }

    public String label() {
        return label;
    }

    /** The danger of this class in a few words. */
    public String danger() {
        return danger;
    }

    /** Whether the chassis may stand at line voltage by design. */
    public boolean liveChassis() {
        return liveChassis;
    }

    /** Whether the line feeds it at all. */
    public boolean lineFed() {
        return this != BATTERY && this != VIBRATOR;
    }

    /** Whether a transformer with two windings stands between line and chassis. */
    public boolean transformer() {
        return this == MAINS_TRANSFORMER || this == RECORD_PLAYER;
    }

    /** Whether it is a record player and nothing else. */
    public boolean player() {
        return this == RECORD_PLAYER || this == RECORD_PLAYER_LIVE;
    }

    /** Ids of the cautions that belong where voltages are measured, the gravest first. */
    public List<String> cautionsUnderPower() {
        return cautionsUnderPower;
    }
}
