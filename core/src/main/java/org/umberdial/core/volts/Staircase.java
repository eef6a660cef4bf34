package org.umberdial.core.volts;

import java.util.List;

/** The supply as steps from the rectifier down to each stage: treads are points, risers what lies between them. */
public record Staircase(List<Tread> treads, List<Riser> risers) {
    /**
     * A point on the stair.
     *
     * @param depth how many risers from the supply, from 0
     * @param near whether it belongs to the magnified part around the reference (grids, cathodes)
     */
    public record Tread(String node, int depth, boolean near) {}

    /** What joins two treads: a part that conducts, a capacitor that must not, or the tube itself. */
    public record Riser(String from, String to, Kind kind, List<String> parts) {
        /** How DC gets from one tread to the next. */
        public enum Kind {
            CONDUCTS,
            BLOCKS,
            TUBE
        }
    }
}
