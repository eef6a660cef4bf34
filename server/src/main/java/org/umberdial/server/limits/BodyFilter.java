package org.umberdial.server.limits;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.problem.ProblemWriter;

/**
 * Takes in what is sent, but for files, before anything works on it: little of it, and not for long. Those who are not
 * signed in share few places and may send next to nothing, so that they cannot hold up those who are.
 */
@Component
@Order(BodyFilter.AFTER_SESSION)
class BodyFilter extends OncePerRequestFilter {
    static final int AFTER_SESSION = -250;
    private static final int LARGEST = 1_000_000;
    private static final int LARGEST_OF_STRANGERS = 16_000;
    private static final long NANOS = 15_000_000_000L;
    private static final long NANOS_OF_STRANGERS = 5_000_000_000L;

    private final ProblemWriter problems;
    private final boolean demo;
    private final Slots people = new Slots(120, 40);
    private final Slots strangers = new Slots(60, 20);

    BodyFilter(ProblemWriter problems, @Value("${umber.demo}") boolean demo) {
        this.problems = problems;
        this.demo = demo;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!sendsSomething(request) || isFile(request)) {
            chain.doFilter(request, response);
            return;
        }
        boolean signedIn = demo || request.getSession(false) != null;
        String sender = signedIn && !demo ? request.getSession(false).getId() : request.getRemoteAddr();
        byte[] body;
        try {
            body = taken(request, signedIn, signedIn ? people : strangers, sender);
        } catch (Problem refused) {
            // What is still to come is not read.
            response.setHeader(HttpHeaders.CONNECTION, "close");
            problems.write(response, refused);
            return;
        }
        chain.doFilter(new Taken(request, body), response);
    }

    private static boolean sendsSomething(HttpServletRequest request) {
        return request.getContentLengthLong() > 0 || request.getHeader(HttpHeaders.TRANSFER_ENCODING) != null;
    }

    /** Files are taken in by {@link Uploads}, once it is known who sends them. */
    private static boolean isFile(HttpServletRequest request) {
        return MediaType.APPLICATION_OCTET_STREAM_VALUE.equals(request.getContentType());
    }

    private static byte[] taken(HttpServletRequest request, boolean signedIn, Slots slots, String sender) {
        int largest = signedIn ? LARGEST : LARGEST_OF_STRANGERS;
        if (request.getContentLengthLong() > largest) {
            throw tooLarge(largest);
        }
        if (!slots.take(sender)) {
            throw new Problem(
                    Problem.Kind.TOO_BUSY, "Too much is being sent from there at once; try again in a few seconds.", 5);
        }
        try {
            return read(
                    request.getInputStream(),
                    largest,
                    System.nanoTime() + (signedIn ? NANOS : NANOS_OF_STRANGERS),
                    request.getContentLengthLong());
        } catch (IOException brokenOff) {
            throw new Problem(
                    Problem.Kind.TOO_SLOW, "The request was not sent to its end; nothing was changed. Send it again.");
        } finally {
            slots.give(sender);
        }
    }

    private static byte[] read(InputStream in, int largest, long deadline, long expected) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        byte[] part = new byte[8192];
        for (int n = in.read(part); n >= 0; n = in.read(part)) {
            out.write(part, 0, n);
            if (out.size() > largest) {
                throw tooLarge(largest);
            }
            if (expected >= 0 && out.size() >= expected) {
                break;
            }
            if (System.nanoTime() > deadline) {
                throw new Problem(
                        Problem.Kind.TOO_SLOW,
                        "The request took too long to arrive; nothing was changed. Send it again.");
            }
        }
        return out.toByteArray();
    }

    private static Problem tooLarge(int largest) {
        return new Problem(
                Problem.Kind.TOO_LARGE,
                "The request has more than " + largest / 1000
                        + " kB, which nothing that is typed needs; files go by their own address.");
    }

    /** The same request, with its body at hand. */
    private static final class Taken extends HttpServletRequestWrapper {
        private final byte[] body;

        Taken(HttpServletRequest request, byte[] body) {
            super(request);
            this.body = body;
        }

        @Override
        public ServletInputStream getInputStream() {
            ByteArrayInputStream in = new ByteArrayInputStream(body);
            return new ServletInputStream() {
                @Override
                public boolean isFinished() {
                    return in.available() == 0;
                }

                @Override
                public boolean isReady() {
                    return true;
                }

                @Override
                public void setReadListener(ReadListener listener) {
                    throw new IllegalStateException("The body is at hand already.");
                }

                @Override
                public int read() {
                    return in.read();
                }

                @Override
                public int read(byte[] bytes, int from, int length) {
                    return in.read(bytes, from, length);
                }
            };
        }

        @Override
        public BufferedReader getReader() {
            return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
        }
    }
}
