package org.umberdial.server.accounts;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.context.annotation.Lazy;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Making or forgetting a passkey gives away or takes away a way in: whoever does it shows once more who they are. */
@Component
@Order(PasskeyProof.BETWEEN_SESSION_AND_SECURITY)
class PasskeyProof extends OncePerRequestFilter {
    static final int BETWEEN_SESSION_AND_SECURITY = -200;

    private final SignIn signIn;

    PasskeyProof(@Lazy SignIn signIn) {
        this.signIn = signIn;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getServletPath().startsWith("/webauthn/register")) {
            signIn.requireProofOrLink(request);
        }
        chain.doFilter(request, response);
    }
}
