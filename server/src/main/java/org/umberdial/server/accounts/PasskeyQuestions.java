package org.umberdial.server.accounts;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.stream.Stream;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.security.web.webauthn.api.Bytes;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRequestOptions;
import org.springframework.security.web.webauthn.api.UserVerificationRequirement;
import org.springframework.security.web.webauthn.authentication.PublicKeyCredentialRequestOptionsRepository;
import org.springframework.stereotype.Component;
import org.umberdial.server.accounts.internal.ServerSecrets;
import org.umberdial.server.accounts.internal.TryTables;
import org.umberdial.server.security.Cookies;
import org.umberdial.server.security.Sha256;

/**
 * Keeps the question a passkey answers in the asker's own browser, signed and short-lived, so that asking costs this
 * server nothing. An answer counts once.
 */
@Component
class PasskeyQuestions implements PublicKeyCredentialRequestOptionsRepository {
    private static final String NAME = "passkey";
    private static final String SECRET = "passkey questions";
    private static final String MAC = "HmacSHA256";
    private static final Duration LIVES = Duration.ofMinutes(5);
    private static final SecureRandom RANDOM = new SecureRandom();

    private final ServerSecrets secrets;
    private final TryTables tables;
    private final Clock clock;
    private final String host;

    PasskeyQuestions(
            ServerSecrets secrets, TryTables tables, Clock clock, @Value("${umber.passkeys.host}") String host) {
        this.secrets = secrets;
        this.tables = tables;
        this.clock = clock;
        this.host = host;
    }

    @Override
    public void save(
            HttpServletRequest request, HttpServletResponse response, PublicKeyCredentialRequestOptions options) {
        String value = "";
        if (options != null) {
            String said = options.getChallenge().toBase64UrlString() + "."
                    + clock.instant().plus(LIVES).getEpochSecond();
            value = said + "." + sign(said);
        }
        ResponseCookie cookie = ResponseCookie.from(Cookies.name(request, NAME), value)
                .httpOnly(true)
                .secure(request.isSecure())
                .sameSite("Strict")
                .path("/")
                .maxAge(options == null ? Duration.ZERO : LIVES)
                .build();
        response.addHeader(HttpHeaders.SET_COOKIE, cookie.toString());
    }

    @Override
    public PublicKeyCredentialRequestOptions load(HttpServletRequest request) {
        return cookie(request)
                .map(value -> value.split("\\."))
                .filter(parts -> parts.length == 3 && same(sign(parts[0] + "." + parts[1]), parts[2]))
                .filter(parts -> Instant.ofEpochSecond(Long.parseLong(parts[1])).isAfter(clock.instant()))
                .filter(parts -> tables.firstUse(Sha256.of(parts[0]), clock.instant()))
                .map(parts -> PublicKeyCredentialRequestOptions.builder()
                        .challenge(Bytes.fromBase64(parts[0]))
                        .rpId(host)
                        .timeout(LIVES)
                        .userVerification(UserVerificationRequirement.REQUIRED)
                        .build())
                .orElse(null);
    }

    private static Optional<String> cookie(HttpServletRequest request) {
        Cookie[] cookies = request.getCookies();
        return cookies == null
                ? Optional.empty()
                : Stream.of(cookies)
                        .filter(cookie -> cookie.getName().equals(Cookies.name(request, NAME)))
                        .map(Cookie::getValue)
                        .findFirst();
    }

    private static boolean same(String expected, String given) {
        return MessageDigest.isEqual(
                expected.getBytes(java.nio.charset.StandardCharsets.US_ASCII),
                given.getBytes(java.nio.charset.StandardCharsets.US_ASCII));
    }

    private String sign(String text) {
        byte[] fresh = new byte[32];
        RANDOM.nextBytes(fresh);
        try {
            Mac mac = Mac.getInstance(MAC);
            mac.init(new SecretKeySpec(secrets.get(SECRET, fresh), MAC));
            return java.util.HexFormat.of()
                    .formatHex(mac.doFinal(text.getBytes(java.nio.charset.StandardCharsets.US_ASCII)));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }
}
