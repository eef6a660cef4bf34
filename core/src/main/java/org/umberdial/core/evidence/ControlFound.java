package org.umberdial.core.evidence;

import java.util.Optional;

/**
 * A control as it was found.
 *
 * @param name which one, when there are several of a kind; may be empty
 * @param position in words, as a clock position or in turns: {@code phono}, {@code 4 o'clock}, {@code 2 1/4 turns in}
 * @param hidden whether a user would not find it: a trimmer, a preset, a switch at the back
 */
public record ControlFound(Control control, String name, String position, boolean hidden, Optional<Spot> spot)
        implements Fact {
    @Override
    public String subject() {
        return named();
    }

    @Override
    public String sentence() {
        return "Found the " + named() + " at " + position + (hidden ? " (hidden)" : "");
    }

    /** Its name, or what kind of control it is. */
    public String named() {
        return name.isEmpty() ? control.label() : name;
    }
}
