package org.umberdial.server.security;

import java.util.Locale;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.umberdial.server.lan.Lan;

/** The host names this server answers to. */
@Component
class AllowedHosts {
    private final Set<String> named;
    private final Lan lan;

    AllowedHosts(@Value("${umber.hosts}") Set<String> named, Lan lan) {
        this.named = named;
        this.lan = lan;
    }

    boolean allow(String host) {
        String asked = host.toLowerCase(Locale.ROOT);
        return named.contains(asked) || lan.addresses().contains(asked);
    }
}
