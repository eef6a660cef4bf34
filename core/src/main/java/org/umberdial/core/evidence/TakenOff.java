package org.umberdial.core.evidence;

import java.util.Optional;

/**
 * Something came off the set, or a joint was undone.
 *
 * @param what which one, for example {@code M4 × 12 slotted}, {@code green lead}
 * @param count how many were there, 0 when every one was missing already
 * @param absent how many should have been there and were not
 * @param place where it sat or what it held: {@code back, lower row}
 * @param ends for a lead or plug, what it joined: {@code V3.5 to tone switch}; may be empty
 * @param fault what was wrong with it: {@code one wood screw among them}; may be empty
 * @param spot where it is on a picture
 */
public record TakenOff(
        ItemKind item, String what, int count, int absent, String place, String ends, String fault, Optional<Spot> spot)
        implements Fact {
    @Override
    public String subject() {
        return place;
    }

    @Override
    public String sentence() {
        return (item == ItemKind.JOINT ? "Unsoldered " : "Took off ")
                + named()
                + (place.isEmpty() ? "" : ", " + place)
                + (ends.isEmpty() ? "" : " (" + ends + ")")
                + (absent == 0 ? "" : "; " + absent + " missing on arrival")
                + (fault.isEmpty() ? "" : "; " + fault);
    }

    /** Count and name, as the lists show it. */
    public String named() {
        return (count == 1 ? "" : count + " × ") + (what.isEmpty() ? item.label() : what);
    }

    /** How many belong there when the set is closed. */
    public int belong() {
        return count + absent;
    }
}
