package org.umberdial.core.area;

/** What must be settled before one goes on to something that can kill. */
public enum Gate {
    /** Before the plug goes in. */
    POWER,
    /** Before a hand goes in. */
    HANDS_IN
}
