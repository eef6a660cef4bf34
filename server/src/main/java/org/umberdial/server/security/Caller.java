package org.umberdial.server.security;

import org.springframework.security.core.AuthenticatedPrincipal;

/**
 * Whose request this is.
 *
 * @param shopId the only shop it may touch
 * @param author the person it is written down for
 * @param role what that person may do
 * @param accountId the account, in that shop
 * @param name the name that person signs in with
 */
public record Caller(String shopId, String author, Role role, String accountId, String name)
        implements AuthenticatedPrincipal {
    /** One who is nobody's account: what the application itself writes. */
    public Caller(String shopId, String author) {
        this(shopId, author, Role.OWNER, "", "");
    }

    @Override
    public String getName() {
        return name;
    }
}
