package org.umberdial.server.lan;

import java.util.List;

/**
 * How other devices reach this server.
 *
 * @param addresses host names and addresses in lower case, the likeliest first; empty when only this machine does
 * @param port of the encrypted door
 * @param fingerprint SHA-256 of the certificate, in pairs of hexadecimal digits
 */
public record Lan(List<String> addresses, int port, String fingerprint) {
    public static final Lan NONE = new Lan(List.of(), 0, "");

    public List<String> origins() {
        return addresses.stream()
                .map(address -> "https://" + address + ":" + port)
                .toList();
    }
}
