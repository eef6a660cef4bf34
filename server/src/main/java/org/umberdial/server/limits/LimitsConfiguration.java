package org.umberdial.server.limits;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.tomcat.TomcatConnectorCustomizer;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

@Configuration
class LimitsConfiguration {
    /**
     * Caps whatever connector is made with {@link CappedProtocol}, the one on loopback and the one for the shop's
     * network.
     */
    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> capped(
            @Value("${umber.connections-per-address}") int most) {
        return factory -> {
            factory.setProtocol(CappedProtocol.class.getName());
            TomcatConnectorCustomizer cap = connector -> {
                if (connector.getProtocolHandler() instanceof CappedProtocol protocol) {
                    protocol.setMostAnAddress(most);
                }
            };
            factory.addConnectorCustomizers(cap);
            factory.getAdditionalConnectors().forEach(cap::customize);
        };
    }
}
