package org.umberdial.core.power;

import org.umberdial.core.value.Unit;

/**
 * One thing that is watched while a set is brought up.
 *
 * @param id stable within a plan: {@code set}, {@code amps}, {@code watts}, {@code lamp}, {@code rail:NODE},
 *     {@code drop:PART}, {@code chassis}
 * @param what it is called beside its figure
 * @param node where a meter's plus lead goes; empty for what is read at the line
 * @param to where its minus lead goes
 * @param most volts that the capacitors there stand [V]; 0 when nobody knows or nothing bounds it
 */
public record Watched(String id, Kind kind, String what, String node, String to, double most) {
    /** What is watched. */
    public enum Kind {
        SET_VOLTS(Unit.VOLT),
        LINE_AMPERES(Unit.AMPERE),
        LINE_WATTS(Unit.WATT),
        /** How far the lamps glow, as a share of the power they are made for. */
        LAMP(Unit.PERCENT),
        RAIL(Unit.VOLT),
        /** Volts across a resistor or choke of the filter. */
        DROP(Unit.VOLT),
        /** Between chassis and earth. */
        CHASSIS(Unit.VOLT);

        private final Unit unit;

        Kind(Unit unit) {
            this.unit = unit;
        }

        public Unit unit() {
            return unit;
        }
    }

    static Watched atLine(Kind kind, String id, String what) {
        return new Watched(id, kind, what, "", "", 0);
    }
}
