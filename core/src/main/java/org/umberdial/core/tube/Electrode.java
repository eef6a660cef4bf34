package org.umberdial.core.tube;

/** Electrodes of a tube; {@link #GRID} is the control grid, of a heptode its oscillator grid. */
public enum Electrode {
    PLATE("plate"),
    PLATE2("plate 2"),
    SCREEN("screen"),
    GRID("grid"),
    GRID3("signal grid"),
    CATHODE("cathode"),
    HEATER1("heater"),
    HEATER_TAP("heater tap"),
    HEATER2("heater");

    private final String word;

    Electrode(String word) {
        this.word = word;
    }

    /** The trade's word, North American. */
    public String word() {
        return word;
    }

    public boolean isGrid() {
        return this == GRID || this == GRID3;
    }

    /** Whether the electrode draws the supply's current at work. */
    public boolean carriesStageCurrent() {
        return this == PLATE || this == SCREEN || this == CATHODE;
    }
}
