package org.umberdial.server.accounts;

import org.umberdial.server.security.Caller;
import org.umberdial.server.security.Role;

/**
 * A person in one shop.
 *
 * @param name what they sign in with; one person's on the whole server, never changed
 * @param shownName what stands beside their readings
 * @param passwordHash with the kind of hash in front; null while they have none and come in by passkey or pairing
 * @param closed may not come in any more; what they wrote stays theirs
 */
public record Account(
        String shopId,
        String id,
        String name,
        String shownName,
        Role role,
        String passwordHash,
        boolean closed,
        int version) {
    public Caller caller() {
        return new Caller(shopId, shownName, role, id, name);
    }
}
