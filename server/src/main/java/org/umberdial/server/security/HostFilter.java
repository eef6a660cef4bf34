package org.umberdial.server.security;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.Set;
import org.springframework.http.HttpMethod;
import org.springframework.web.filter.OncePerRequestFilter;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.problem.ProblemWriter;

/** Refuses foreign host names (a rebound DNS name would otherwise reach loopback) and writes from another origin. */
final class HostFilter extends OncePerRequestFilter {
    private static final Set<String> READS =
            Set.of(HttpMethod.GET.name(), HttpMethod.HEAD.name(), HttpMethod.OPTIONS.name());

    private static final int MISDIRECTED = 421;

    private final AllowedHosts hosts;
    private final ProblemWriter problems;

    HostFilter(AllowedHosts hosts, ProblemWriter problems) {
        this.hosts = hosts;
        this.problems = problems;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!hosts.allow(nameOf(request.getHeader("Host")))) {
            problems.write(
                    response, Problem.Kind.NOT_ALLOWED, MISDIRECTED, "This server does not answer to that host name.");
        } else if (!READS.contains(request.getMethod()) && !sameOrigin(request)) {
            problems.write(
                    response, Problem.Kind.NOT_ALLOWED, "Writes are taken only from the application's own pages.");
        } else {
            chain.doFilter(request, response);
        }
    }

    private static boolean sameOrigin(HttpServletRequest request) {
        String site = request.getHeader("Sec-Fetch-Site");
        if (site != null && !site.equals("same-origin") && !site.equals("none")) {
            return false;
        }
        String origin = request.getHeader("Origin");
        return origin == null || authority(origin).equals(request.getHeader("Host"));
    }

    private static String authority(String origin) {
        try {
            String authority = URI.create(origin).getAuthority();
            return authority == null ? "" : authority;
        } catch (IllegalArgumentException e) {
            return "";
        }
    }

    private static String nameOf(String host) {
        if (host == null) {
            return "";
        }
        int port = host.lastIndexOf(':');
        return port > host.lastIndexOf(']') ? host.substring(0, port) : host;
    }
}
