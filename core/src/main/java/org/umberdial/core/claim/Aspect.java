package org.umberdial.core.claim;

import java.util.Arrays;

/** What can be proven of a thing, one by one: continuity is not insulation. */
public enum Aspect {
    VALUE("value", Shows.TOO_MUCH),
    CONTINUITY("continuity", Shows.TOO_MUCH),
    PRIMARY_CONTINUITY("primary continuity", Shows.TOO_MUCH),
    HIGH_VOLTAGE_CONTINUITY("high-voltage continuity", Shows.TOO_MUCH),
    WINDING_CONTINUITY("winding continuity", Shows.TOO_MUCH),
    CLOSES("closes", Shows.TOO_MUCH),
    HEATER_WHOLE("heater whole", Shows.TOO_MUCH),
    WHOLE("whole", Shows.TOO_MUCH),
    TRACK_WHOLE("track whole", Shows.TOO_MUCH),
    NOT_OPEN("not open", Shows.TOO_MUCH),
    OPENS("opens", Shows.TOO_LITTLE),
    NO_SHORT("no short", Shows.TOO_LITTLE),
    NO_DEAD_SHORT("no dead short", Shows.TOO_LITTLE),
    NO_SHORT_TO_CORE("no low-volt short to core", Shows.TOO_LITTLE),
    NO_BROKEN_STRANDS("no broken strands", Shows.BY_ITSELF),
    RIGHT_RATING("right rating", Shows.BY_ITSELF),
    TAP_ORDER("tap order", Shows.BY_ITSELF),
    RATIOS("ratio of every winding", Shows.BY_ITSELF),
    NO_SHORTED_TURNS("no shorted turns of weight", Shows.BY_ITSELF),
    NO_HEAVY_SHORTED_TURNS("no heavy shorted turns", Shows.BY_ITSELF),
    TURNS_RATIO("turns ratio", Shows.BY_ITSELF),
    INSULATION("insulation", Shows.TOO_LITTLE),
    FORWARD_DROP("forward drop", Shows.BY_ITSELF),
    MOVES_FREE("moves free", Shows.BY_ITSELF),
    NOT_DRIED("not dried", Shows.BY_ITSELF),
    NO_LEAK("no leak", Shows.TOO_LITTLE),
    EMISSION("emission", Shows.BY_ITSELF),
    NO_SHORTS("no shorts", Shows.BY_ITSELF),
    NO_GAS("no gas", Shows.BY_ITSELF),
    LOOKS("looks sound", Shows.BY_ITSELF),
    /** The whole of it, by somebody's test apart from the circuit. */
    SOUND("sound", Shows.BY_ITSELF),
    /** What stands at a test point. */
    VOLTS("volts", Shows.BY_ITSELF),
    /** The whole set, brought up under watch. */
    COMES_UP("comes up as a healthy set", Shows.BY_ITSELF),
    /** What flows through a hand on its chassis. */
    TOUCH_CURRENT("touch current", Shows.BY_ITSELF),
    /** How fast a player turns. */
    SPEED("right speed", Shows.BY_ITSELF),
    /** Wow and flutter. */
    STEADY("steady", Shows.BY_ITSELF),
    /** What a dial shows comes in there. */
    TRACKS("shows what comes in", Shows.BY_ITSELF),
    /** Tuned circuits stand where they should. */
    TUNED("in tune", Shows.BY_ITSELF),
    /** A stage gives what its tube and its circuit should. */
    AMPLIFIES("amplifies as it should", Shows.BY_ITSELF),
    /** As the ear judges it. */
    PLAYS("plays as it should", Shows.BY_ITSELF),
    /** A piece of work, looked at afterwards. */
    PUT_RIGHT("put right", Shows.BY_ITSELF),
    /** Something of the taking-in is done. */
    TAKEN_IN("taken in", Shows.BY_ITSELF);

    /** How a failure shows on a meter in circuit. */
    private enum Shows {
        TOO_MUCH,
        TOO_LITTLE,
        BY_ITSELF
    }

    private final String label;
    private final Shows shows;

    Aspect(String label, Shows shows) {
        this.label = label;
        this.shows = shows;
    }

    /** What people call it; the word the tables of tests use too. */
    public String label() {
        return label;
    }

    /** Whether a failure shows as too many ohms, which nothing beside the part can feign. */
    public boolean failsHigh() {
        return shows == Shows.TOO_MUCH;
    }

    /** Whether it is that a winding or a wire is closed from end to end. */
    public boolean continuity() {
        return label.endsWith("continuity");
    }

    /** Whether it is that no turns of a winding are joined. */
    public boolean turns() {
        return this == NO_SHORTED_TURNS || this == NO_HEAVY_SHORTED_TURNS;
    }

    /**
     * By its label.
     *
     * @throws IllegalArgumentException when nothing is called so
     */
    public static Aspect of(String label) {
        return Arrays.stream(values())
                .filter(aspect -> aspect.label.equals(label))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no aspect is called " + label));
    }
}
