package org.umberdial.server.lan;

import java.io.IOException;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.catalina.connector.Connector;
import org.apache.commons.logging.LogFactory;
import org.apache.coyote.http11.AbstractHttp11Protocol;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ssl.SslBundle;
import org.springframework.boot.ssl.pem.PemSslStoreBundle;
import org.springframework.boot.ssl.pem.PemSslStoreDetails;
import org.springframework.boot.tomcat.SslConnectorCustomizer;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.Ssl;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.umberdial.server.limits.CappedProtocol;

/** Opens the encrypted door when {@code umber.lan.open} says so; plain HTTP stays on loopback either way. */
@Configuration
class LanConfiguration {
    private static final int BETWEEN_PACKETS_MILLIS = 10_000;

    /** What the door was asked to be like; empty addresses are looked up, an empty certificate is made. */
    private record Asked(int port, List<String> addresses, String certificate, String key, Path home) {
        LanCertificate certificate(List<String> named, Clock clock) throws IOException, GeneralSecurityException {
            return certificate.isBlank()
                    ? LanCertificate.at(home.resolve("tls"), named, clock.instant())
                    : new LanCertificate(Path.of(certificate), Path.of(key));
        }
    }

    private record Door(Lan lan, LanCertificate certificate) {}

    private final Door door;

    LanConfiguration(
            @Value("${umber.lan.open}") boolean open,
            @Value("${umber.lan.port}") int port,
            @Value("${umber.lan.addresses}") List<String> addresses,
            @Value("${umber.lan.certificate}") String certificate,
            @Value("${umber.lan.key}") String key,
            @Value("${umber.home}") Path home,
            Clock clock)
            throws IOException, GeneralSecurityException {
        this.door = open ? door(new Asked(port, addresses, certificate, key, home), clock) : new Door(Lan.NONE, null);
    }

    private static Door door(Asked asked, Clock clock) throws IOException, GeneralSecurityException {
        List<String> named = (asked.addresses.isEmpty() ? LanAddresses.found() : asked.addresses)
                .stream().map(name -> name.toLowerCase(Locale.ROOT)).toList();
        LanCertificate certificate = asked.certificate(named, clock);
        return new Door(new Lan(named, asked.port, certificate.fingerprint()), certificate);
    }

    @Bean
    Lan lan() {
        return door.lan;
    }

    @Bean
    @Order(Ordered.HIGHEST_PRECEDENCE)
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> encryptedDoor() {
        return factory -> {
            if (door.certificate != null) {
                factory.addAdditionalConnectors(connector(door));
            }
        };
    }

    private static Connector connector(Door door) {
        Connector connector = new Connector(CappedProtocol.class.getName());
        connector.setPort(door.lan.port());
        connector.setScheme("https");
        connector.setSecure(true);
        AbstractHttp11Protocol<?> protocol = (AbstractHttp11Protocol<?>) connector.getProtocolHandler();
        protocol.setConnectionTimeout(BETWEEN_PACKETS_MILLIS);
        protocol.setCompression("on");
        PemSslStoreDetails pem = PemSslStoreDetails.forCertificate(
                        door.certificate.certificate().toUri().toString())
                .withPrivateKey(door.certificate.key().toUri().toString());
        new SslConnectorCustomizer(LogFactory.getLog(LanConfiguration.class), connector, Ssl.ClientAuth.NONE)
                .customize(SslBundle.of(new PemSslStoreBundle(pem, null)), Map.of());
        return connector;
    }
}
