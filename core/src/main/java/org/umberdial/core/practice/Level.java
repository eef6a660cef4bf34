package org.umberdial.core.practice;

/** How hard a practice set is. */
public enum Level {
    PLAIN(
            "One part, plainly bad",
            "The classics: a coupling capacitor that leaks, a resistor that drifted, a dried filter."),
    ANY("One part, any way it fails", "Any part, in any way and to any degree that a meter shows."),
    TWO("Two parts at once", "Each shows by itself, and they hide behind each other."),
    MAYBE("Perhaps nothing", "One part, two, or none: calling a sound set sound is part of the trade.");

    private final String label;
    private final String says;

    Level(String label, String says) {
        this.label = label;
        this.says = says;
    }

    public String label() {
        return label;
    }

    public String says() {
        return says;
    }
}
