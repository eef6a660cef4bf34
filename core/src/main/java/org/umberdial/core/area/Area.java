package org.umberdial.core.area;

import java.util.List;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.claim.Observation;

/** An area of the work, as the middle sees it. Everything it says is a pure function of the set's file. */
public interface Area {
    /** Stable, as it stands in the ids of acts. */
    String id();

    /** What people call it. */
    String title();

    /** What it can settle of this set, in the order it is worked through. */
    List<Claim> claims(SetFile file);

    /**
     * What it reads out of the evidence.
     *
     * @param before what the areas before it know
     */
    List<Observation> observations(SetFile file, Ledger before);

    /** What it would do next, the best first. */
    List<Act> acts(SetFile file);

    /** What it finds in the way of power or of hands. */
    List<Stop> stops(SetFile file);

    /** How it stands, in a sentence or two. */
    String standing(SetFile file);

    /** Whether its work is done with the plug in, so that the power gate bars it. */
    default boolean underPower() {
        return false;
    }
}
