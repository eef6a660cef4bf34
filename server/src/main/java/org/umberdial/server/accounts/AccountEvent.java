package org.umberdial.server.accounts;

import java.time.Instant;

/**
 * Something that happened to an account.
 *
 * @param actor who did it; the typed name when nobody came in
 * @param subject whom it happened to
 * @param address where from; empty when from the machine's own command line
 */
public record AccountEvent(Instant at, String actor, Kind kind, String subject, String address) {
    public enum Kind {
        OPENED,
        SIGNED_IN,
        SIGNED_IN_BY_LINK,
        SIGNED_IN_BY_PASSKEY,
        REFUSED,
        SHUT_OUT,
        SIGNED_OUT,
        SIGNED_OUT_EVERYWHERE,
        LINK_MADE,
        CHANGED,
        CLOSED,
        PASSWORD_SET
    }
}
