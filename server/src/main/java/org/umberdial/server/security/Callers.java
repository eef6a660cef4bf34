package org.umberdial.server.security;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;

/** Who may call. */
public interface Callers {
    /** The open account that signs in with a name. */
    Optional<Caller> named(String name);

    /** Who calls without having signed in; nobody, but for the demo on the machine itself. */
    Optional<Caller> unasked(HttpServletRequest request);
}
