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
 * @param bias empty: what is usual for the feed and the filter
 * @param splitter empty: what is usual for the tubes that are there for it
 */
public record Answers(
        Optional<Feed> feed,
        OptionalDouble lineVolts,
        Optional<Filter> filter,
        Optional<Metal> rectifier,
        Optional<Ends> output,
        Optional<Bias> bias,
        Optional<Splitter> splitter) {
    /** Nothing said. */
    public static final Answers NONE = new Answers(
            Optional.empty(),
            OptionalDouble.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty());

    public Answers feed(Optional<Feed> said) {
        return new Answers(said, lineVolts, filter, rectifier, output, bias, splitter);
    }

    public Answers lineVolts(OptionalDouble said) {
        return new Answers(feed, said, filter, rectifier, output, bias, splitter);
    }

    public Answers filter(Optional<Filter> said) {
        return new Answers(feed, lineVolts, said, rectifier, output, bias, splitter);
    }

    public Answers rectifier(Optional<Metal> said) {
        return new Answers(feed, lineVolts, filter, said, output, bias, splitter);
    }

    public Answers output(Optional<Ends> said) {
        return new Answers(feed, lineVolts, filter, rectifier, said, bias, splitter);
    }

    public Answers bias(Optional<Bias> said) {
        return new Answers(feed, lineVolts, filter, rectifier, output, said, splitter);
    }

    public Answers splitter(Optional<Splitter> said) {
        return new Answers(feed, lineVolts, filter, rectifier, output, bias, said);
    }

    /** The same with one more question answered. */
    public Answers and(Answer said) {
        if (said instanceof Filter one) {
            return filter(Optional.of(one));
        }
        if (said instanceof Metal one) {
            return rectifier(Optional.of(one));
        }
        if (said instanceof Ends one) {
            return output(Optional.of(one));
        }
        if (said instanceof Bias one) {
            return bias(Optional.of(one));
        }
        return splitter(Optional.of((Splitter) said));
    }

    /** An answer to a question that has only a few; its class is the question. */
    public sealed interface Answer permits Filter, Metal, Ends, Bias, Splitter {}

    /** What smooths the B+. */
    public enum Filter implements Answer {
        RESISTOR,
        CHOKE,
        /** The speaker's field coil in the plus lead. */
        FIELD_PLUS,
        /** The speaker's field coil in the minus lead; its drop is the bias. */
        FIELD_MINUS
    }

    /** What rectifies where no tube does. */
    public enum Metal implements Answer {
        SELENIUM,
        SILICON,
        BRIDGE,
        DOUBLER
    }

    /** What makes the output grids negative. */
    public enum Bias implements Answer {
        /** A resistor under the cathode. */
        CATHODE,
        /** What all the set draws, through a resistor or the field coil in the minus lead. */
        BACK,
        /** A rectifier of its own. */
        FIXED
    }

    /** What drives the two grids of a push-pull pair apart. */
    public enum Splitter implements Answer {
        SPLIT_LOAD,
        SEE_SAW,
        LONG_TAIL,
        TRANSFORMER
    }

    /** How two output tubes of a kind work. */
    public enum Ends implements Answer {
        PUSH_PULL,
        STEREO
    }
}
