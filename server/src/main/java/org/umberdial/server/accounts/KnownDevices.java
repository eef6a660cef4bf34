package org.umberdial.server.accounts;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.util.Base64;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Component;
import org.umberdial.server.accounts.internal.TryTables;
import org.umberdial.server.security.Cookies;
import org.umberdial.server.security.Sha256;

/**
 * A cookie that says a person came in on this device before. It opens nothing; it only keeps a flood from shutting them
 * out.
 */
@Component
class KnownDevices {
    private static final String NAME = "known";
    private static final Duration LIVES = Duration.ofDays(180);
    private static final int MOST_A_PERSON = 20;
    private static final int BYTES = 24;
    private static final SecureRandom RANDOM = new SecureRandom();

    private final TryTables tables;
    private final Clock clock;

    KnownDevices(TryTables tables, Clock clock) {
        this.tables = tables;
        this.clock = clock;
    }

    boolean knows(HttpServletRequest request, String name) {
        return token(request)
                .filter(token -> tables.knows(Sha256.of(token), name))
                .isPresent();
    }

    void remember(HttpServletRequest request, HttpServletResponse response, String name) {
        if (knows(request, name)) {
            return;
        }
        byte[] bytes = new byte[BYTES];
        RANDOM.nextBytes(bytes);
        String token = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        tables.remember(Sha256.of(token), name, clock.instant(), MOST_A_PERSON);
        ResponseCookie cookie = ResponseCookie.from(Cookies.name(request, NAME), token)
                .httpOnly(true)
                .secure(request.isSecure())
                .sameSite("Strict")
                .path("/")
                .maxAge(LIVES)
                .build();
        response.addHeader(HttpHeaders.SET_COOKIE, cookie.toString());
    }

    private static Optional<String> token(HttpServletRequest request) {
        Cookie[] cookies = request.getCookies();
        return cookies == null
                ? Optional.empty()
                : Stream.of(cookies)
                        .filter(cookie -> cookie.getName().equals(Cookies.name(request, NAME)))
                        .map(Cookie::getValue)
                        .findFirst();
    }
}
