package org.umberdial.server.problem;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.UUID;
import java.util.regex.Pattern;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Around everything: what fails where no controller has been reached (the session's own table is the first that is
 * asked) is told in the same sentences, and an address written in a way that no client of ours writes it leads nowhere.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class FaultFilter extends OncePerRequestFilter {
    private static final Logger LOG = LoggerFactory.getLogger(FaultFilter.class);

    /**
     * Letters, digits and {@code - . _ ~} need no percent sign (RFC 3986, 2.3); who writes one wants to get past a
     * rule.
     */
    private static final Pattern DISGUISED =
            Pattern.compile("%(?:[46][1-9A-Fa-f]|[57][0-9Aa]|3[0-9]|2[DdEe]|5[Ff]|7[Ee])");

    private final ProblemWriter problems;

    FaultFilter(ProblemWriter problems) {
        this.problems = problems;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (odd(request)) {
            problems.write(response, Problem.Kind.NOT_FOUND, "There is nothing at this address.");
            return;
        }
        try {
            chain.doFilter(request, response);
        } catch (RuntimeException | ServletException failure) {
            if (response.isCommitted()) {
                throw failure;
            }
            response.reset();
            tell(failure, response);
        }
    }

    private static boolean odd(HttpServletRequest request) {
        String uri = request.getRequestURI();
        return request.getDispatcherType() == DispatcherType.REQUEST
                && (DISGUISED.matcher(uri).find()
                        || uri.contains(";")
                        || uri.equals("/error")
                        || uri.startsWith("/error/"));
    }

    private void tell(Exception failure, HttpServletResponse response) throws IOException {
        var known = DatabaseFault.of(failure);
        if (known.isPresent()) {
            LOG.warn(
                    "{}: {}",
                    known.get().kind(),
                    String.valueOf(failure.getMessage()).lines().findFirst().orElse(""));
            problems.write(response, known.get());
        } else if (failure instanceof Problem problem) {
            problems.write(response, problem);
        } else {
            String reference = UUID.randomUUID().toString().substring(0, 8);
            LOG.error("Unexpected failure, reference {}", reference, failure);
            problems.write(
                    response,
                    Problem.Kind.OUR_FAULT,
                    "Something went wrong on our side. What you entered is still here; try again, and quote "
                            + reference + " if it stays.");
        }
    }
}
