package org.umberdial.core.player;

import org.umberdial.core.value.InvalidEntry;

/**
 * A light that flashes.
 *
 * @param perSecond how often
 * @param label what it is
 */
public record Flashes(double perSecond, String label) {
    /** What light there is. */
    public enum Lamp {
        /** Incandescent, neon between both wires, an LED behind a bridge: two flashes a period. */
        LINE("lamp on the line", 2),
        /** An LED or neon that conducts one way: one flash a period. */
        HALF_WAVE("LED or neon that conducts one way", 1),
        /** Flashes as often as it says. */
        STATED("LED at stated flashes a second", 0);

        private final String label;
        private final int perPeriod;

        Lamp(String label, int perPeriod) {
            this.label = label;
            this.perPeriod = perPeriod;
        }

        public String label() {
            return label;
        }
    }

    /**
     * How often a lamp flashes.
     *
     * @param hertz the line's frequency, or the set's own where its inverter feeds the lamp, or the stated flashes
     * @throws InvalidEntry outside 5 to 2000 flashes a second
     */
    public static Flashes of(Lamp lamp, double hertz) {
        double flashes = lamp == Lamp.STATED ? hertz : lamp.perPeriod * hertz;
        if (!(flashes >= 5 && flashes <= 2000)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "A light of " + flashes
                                    + " flashes a second makes no bars stand still; enter the line’s frequency, 50 or 60.")
                    .at("hertz");
        }
        return new Flashes(flashes, lamp.label);
    }

    /** The nearest whole number of bars for a speed [1/min]. */
    public int bars(double rpm) {
        return (int) Math.rint(perSecond * 60 / rpm);
    }

    /** The speed at which so many bars stand still [1/min]. */
    public double standsStill(int bars) {
        return perSecond * 60 / bars;
    }

    /**
     * The speed at which bars drift.
     *
     * @param drift bars a second that pass a point, forward, as the platter turns; below 0 when they fall back
     */
    public double rpm(int bars, double drift) {
        return (perSecond + drift) * 60 / bars;
    }
}
