package org.umberdial.server.security;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Puts the account as it is now in the place of what the session remembers, for this request only: a role taken away or
 * an account closed counts from the next request on, at every node.
 */
final class CallerFilter extends OncePerRequestFilter {
    private final Callers callers;

    CallerFilter(Callers callers) {
        this.callers = callers;
    }

    /** The end of a stream is dispatched anew and must still be somebody's. */
    @Override
    protected boolean shouldNotFilterAsyncDispatch() {
        return false;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        // As the dispatcher will read it, not as it was written.
        String uri = request.getServletPath();
        if (uri.startsWith("/api/") || uri.startsWith("/webauthn/register")) {
            Authentication session = SecurityContextHolder.getContext().getAuthentication();
            Optional<Caller> caller = session == null ? callers.unasked(request) : callers.named(session.getName());
            SecurityContext context = SecurityContextHolder.createEmptyContext();
            caller.ifPresent(c -> context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                    c, null, List.of(new SimpleGrantedAuthority(c.role().authority())))));
            SecurityContextHolder.setContext(context);
        }
        chain.doFilter(request, response);
    }
}
