package org.umberdial.core.volts;

import org.umberdial.core.circuit.network.Values;

/**
 * One thing changed about a part, to see what it does.
 *
 * @param part reference of its card
 * @param value ohms, farads or volts for {@code VALUE}, ohms for {@code LEAK}, share of the emission for {@code WEAK};
 *     unused otherwise
 */
public record PartChange(String part, Kind kind, double value) {
    /** What can be changed. */
    public enum Kind {
        VALUE,
        OPEN,
        SHORTED,
        LEAK,
        WEAK
    }

    /** @throws IllegalArgumentException when the part cannot be changed like that */
    Values apply(Values values) {
        return switch (kind) {
            case VALUE -> values.with(part, value);
            case OPEN -> values.opened(part);
            case SHORTED -> values.shorted(part);
            case LEAK -> values.leaking(part, value);
            case WEAK -> values.emitting(part, value);
        };
    }
}
