package org.umberdial.core.claim;

/** What a reading says about its point. */
public enum Verdict {
    /** Not read yet under these conditions. */
    UNREAD,
    /** Read, but neither the sheet nor the network says what it should be. */
    NO_EXPECTATION,
    /** Off from what such sets usually have, which is no evidence: nobody knows what this one should have. */
    UNUSUAL,
    /** Inside the house's spread. */
    GOOD,
    /** Off, but only as much as what feeds or drives it is off. */
    FOLLOWS,
    /** Outside the spread, not yet wrong. */
    DOUBT,
    /** Wrong here, whatever stands upstream. */
    BAD
}
