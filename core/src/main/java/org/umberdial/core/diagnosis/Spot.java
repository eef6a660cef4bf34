package org.umberdial.core.diagnosis;

import java.util.Locale;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * Somewhere a meter is held, and to what.
 *
 * @param node against chassis
 */
public record Spot(String node, Kind kind) {
    /** More than this is in no set; a figure that slipped by powers of ten is as wrong as this. */
    private static final double MOST_VOLTS = 20e3;

    private static final double LEAST_OHMS = 0.1;
    /** More than this is called open: sound old electrolytics let through as much as this or less. */
    private static final double OPEN_OHMS = 2e6;

    /** Less is what a lead picks up by itself, at a grid more than what is there. */
    private static final double LEAST_RIPPLE_VOLTS = 0.1;

    /** What is read there. */
    public enum Kind {
        /** Direct volts of the running set. */
        DC,
        /** Ohms to chassis, plug out and capacitors empty. */
        OHMS,
        /** What alternates on the direct volts of the running set [V RMS]. */
        RIPPLE
    }

    public static Spot dc(String node) {
        return new Spot(node, Kind.DC);
    }

    /**
     * The figure it is reckoned with: volts as they are; of ohms and ripple the logarithm, since they scatter by
     * shares.
     */
    double figure(double shown) {
        return switch (kind) {
            case DC -> Math.max(-MOST_VOLTS, Math.min(MOST_VOLTS, shown));
            case OHMS -> Math.log(Math.max(LEAST_OHMS, Math.min(OPEN_OHMS, shown)));
            case RIPPLE -> Math.log(Math.max(LEAST_RIPPLE_VOLTS, shown));
        };
    }

    /** The other way [V, Ω]. */
    public double shown(double figure) {
        return kind == Kind.DC ? figure : Math.exp(figure);
    }

    /** As it is read off a meter: {@code 112 V}, {@code 470 kΩ}, {@code 1.2 V AC}. */
    public String text(double shown) {
        return switch (kind) {
            case DC -> Engineering.round(Math.abs(shown) < 0.005 ? 0 : shown, Unit.VOLT);
            case OHMS -> shown >= 0.95 * OPEN_OHMS ? "open" : Engineering.round(shown, Unit.OHM);
            case RIPPLE -> (shown <= 1.05 * LEAST_RIPPLE_VOLTS ? "no" : Engineering.round(shown, Unit.VOLT)) + " AC";
        };
    }

    /** As it is read and kept. */
    public ReadingKind reading() {
        return switch (kind) {
            case DC -> ReadingKind.DC;
            case OHMS -> ReadingKind.OHMS;
            case RIPPLE -> ReadingKind.AC;
        };
    }

    /** {@code Read B1}, with its name in place of the node's. */
    public String asks(String name) {
        return switch (kind) {
            case DC -> "Read " + name;
            case OHMS -> "Plug out, capacitors empty: ohms from " + name + " to chassis";
            case RIPPLE -> "Read the AC on " + name;
        };
    }

    /** How its figure is typed, after {@link #asks}; empty for volts. */
    public String typed() {
        return switch (kind) {
            case DC -> "";
            case OHMS -> "Typed with its unit, as in 4.7k or 150 ohms.";
            case RIPPLE -> "Typed with AC behind it, as in 1.2 AC; through a capacitor where the meter lets DC pass.";
        };
    }

    /** What of a node it is, after its name; empty for volts. */
    public String suffix() {
        return switch (kind) {
            case DC -> "";
            case OHMS -> ", cold ohms to chassis";
            case RIPPLE -> ", ripple";
        };
    }

    @Override
    public String toString() {
        return kind == Kind.DC ? node : node + ' ' + kind.name().toLowerCase(Locale.ROOT);
    }
}
