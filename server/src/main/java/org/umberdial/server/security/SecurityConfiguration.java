package org.umberdial.server.security;

import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.provisioning.InMemoryUserDetailsManager;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.context.SecurityContextHolderFilter;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter;
import org.umberdial.server.shop.ShopService;

@Configuration
class SecurityConfiguration {
    private static final String POLICY = "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; manifest-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";

    @Bean
    SecurityFilterChain security(HttpSecurity http, ShopService shops, @Value("${umber.hosts}") Set<String> hosts) throws Exception {
        return http
                .addFilterBefore(new HostFilter(hosts), SecurityContextHolderFilter.class)
                .addFilterBefore(new LocalCallerFilter(shops::localShopId), AuthorizationFilter.class)
                .sessionManagement(session -> session.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                // No cookie carries authority here; HostFilter already refuses writes from other origins.
                .csrf(csrf -> csrf.disable())
                .anonymous(anonymous -> anonymous.disable())
                .requestCache(cache -> cache.disable())
                .logout(logout -> logout.disable())
                .authorizeHttpRequests(requests -> requests.requestMatchers("/api/**").authenticated().anyRequest().permitAll())
                .headers(headers -> headers
                        .contentSecurityPolicy(policy -> policy.policyDirectives(POLICY))
                        .referrerPolicy(referrer -> referrer.policy(ReferrerPolicyHeaderWriter.ReferrerPolicy.NO_REFERRER))
                        .permissionsPolicyHeader(permissions -> permissions.policy("camera=(self), microphone=(), geolocation=()")))
                .build();
    }

    /** Nobody signs in yet; without this bean the framework would invent a user and print its password. */
    @Bean
    UserDetailsService nobody() {
        return new InMemoryUserDetailsManager();
    }
}
