package org.umberdial.core.arrival;

/** How grave a finding is, the mildest first. */
public enum Severity {
    /** Worth knowing. */
    NOTE,
    /** To be settled before the set is trusted. */
    DOUBT,
    /** To be settled before any power. */
    STOP
}
