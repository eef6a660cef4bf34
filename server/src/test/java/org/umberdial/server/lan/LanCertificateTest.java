package org.umberdial.server.lan;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.cert.X509Certificate;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class LanCertificateTest {
    private static final Instant NOW = Instant.parse("2026-11-27T10:00:00Z");
    private static final List<String> HERE = List.of("192.0.2.7", "bench", "bench.local");

    @TempDir
    Path place;

    @Test
    void namesEveryAddress_andItsKeyIsItsUsersAlone() throws Exception {
        LanCertificate made = LanCertificate.at(place, HERE, NOW);
        X509Certificate certificate = made.read();
        assertEquals(
                HERE,
                certificate.getSubjectAlternativeNames().stream()
                        .map(name -> (String) name.get(1))
                        .toList());
        assertEquals(-1, certificate.getBasicConstraints(), "it signs for nobody else");
        certificate.verify(certificate.getPublicKey());
        assertEquals("rw-------", PosixFilePermissions.toString(Files.getPosixFilePermissions(made.key())));
        assertTrue(made.fingerprint().matches("([0-9A-F]{2}:){31}[0-9A-F]{2}"), made.fingerprint());
    }

    @Test
    void isKept_untilItEndsSoonOrTheMachineIsFoundElsewhere() throws Exception {
        String first = LanCertificate.at(place, HERE, NOW).fingerprint();
        assertEquals(
                first,
                LanCertificate.at(place, HERE, NOW.plus(Duration.ofDays(300))).fingerprint());
        String second =
                LanCertificate.at(place, HERE, NOW.plus(Duration.ofDays(370))).fingerprint();
        assertNotEquals(first, second);
        assertNotEquals(
                second,
                LanCertificate.at(place, List.of("192.0.2.9"), NOW.plus(Duration.ofDays(371)))
                        .fingerprint());
    }
}
