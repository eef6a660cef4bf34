package org.umberdial.server.security;

/** What a person may do in their shop; each role may all that the ones after it may. */
public enum Role {
    /** Also house policy, people, and erasing an owner's data. */
    OWNER,
    /** All work on sets. */
    BENCH,
    /** Looks; changes nothing. */
    VIEWER;

    public String authority() {
        return "ROLE_" + name();
    }
}
