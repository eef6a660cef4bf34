package org.umberdial.core.draft;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What the tubes cannot say of a set.
 *
 * @param feed empty: what the heaters say
 * @param lineVolts RMS, empty: what the heaters and the kind of types say [V]
 * @param filter empty: what is usual for the feed
 * @param rectifier empty: the tube of the line-up, silicon without one
 * @param output empty: what is usual for the line-up
 */
public record Answers(
        Optional<Feed> feed,
        OptionalDouble lineVolts,
        Optional<Filter> filter,
        Optional<Metal> rectifier,
        Optional<Ends> output) {
    /** Nothing said. */
    public static final Answers NONE =
            new Answers(Optional.empty(), OptionalDouble.empty(), Optional.empty(), Optional.empty(), Optional.empty());

    /** What smooths the B+. */
    public enum Filter {
        RESISTOR,
        CHOKE,
        /** The speaker's field coil in the plus lead. */
        FIELD_PLUS,
        /** The speaker's field coil in the minus lead; its drop is the bias. */
        FIELD_MINUS
    }

    /** What rectifies where no tube does. */
    public enum Metal {
        SELENIUM,
        SILICON,
        BRIDGE,
        DOUBLER
    }

    /** How two output tubes of a kind work. */
    public enum Ends {
        PUSH_PULL,
        STEREO
    }
}
