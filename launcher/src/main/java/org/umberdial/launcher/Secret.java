package org.umberdial.launcher;

import java.security.SecureRandom;
import java.util.Base64;

/** Passwords no person ever types. */
final class Secret {
    private static final int BYTES = 24;
    private static final SecureRandom RANDOM = new SecureRandom();

    private Secret() {}

    /** 192 random bits as letters, digits, hyphens and underscores. */
    static String fresh() {
        byte[] bytes = new byte[BYTES];
        RANDOM.nextBytes(bytes);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }
}
