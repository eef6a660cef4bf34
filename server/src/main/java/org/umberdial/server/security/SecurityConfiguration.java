package org.umberdial.server.security;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.Filter;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.JdbcOperations;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.ProviderManager;
import org.springframework.security.authentication.dao.DaoAuthenticationProvider;
import org.springframework.security.authentication.ott.JdbcOneTimeTokenService;
import org.springframework.security.authentication.ott.OneTimeTokenAuthenticationProvider;
import org.springframework.security.authentication.ott.OneTimeTokenService;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.crypto.argon2.Argon2PasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.DefaultSecurityFilterChain;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextHolderFilter;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter;
import org.springframework.security.web.webauthn.api.AuthenticatorSelectionCriteria;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRpEntity;
import org.springframework.security.web.webauthn.api.ResidentKeyRequirement;
import org.springframework.security.web.webauthn.api.UserVerificationRequirement;
import org.springframework.security.web.webauthn.authentication.PublicKeyCredentialRequestOptionsFilter;
import org.springframework.security.web.webauthn.authentication.PublicKeyCredentialRequestOptionsRepository;
import org.springframework.security.web.webauthn.authentication.WebAuthnAuthenticationFilter;
import org.springframework.security.web.webauthn.management.JdbcPublicKeyCredentialUserEntityRepository;
import org.springframework.security.web.webauthn.management.JdbcUserCredentialRepository;
import org.springframework.security.web.webauthn.management.PublicKeyCredentialUserEntityRepository;
import org.springframework.security.web.webauthn.management.UserCredentialRepository;
import org.springframework.security.web.webauthn.management.WebAuthnRelyingPartyOperations;
import org.springframework.security.web.webauthn.management.Webauthn4JRelyingPartyOperations;
import org.springframework.session.config.SessionRepositoryCustomizer;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.session.web.http.CookieSerializer;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.problem.ProblemWriter;

@Configuration
class SecurityConfiguration {
    private static final String POLICY =
            "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data: blob:; font-src "
                    + "'self'; connect-src 'self'; manifest-src 'self'; base-uri 'none'; form-action 'none'; "
                    + "frame-ancestors 'none'";

    private static final Pattern LISTENS = Pattern.compile("/sets/[0-9a-f-]{36}/finish");

    /** What somebody who is not signed in may ask for: who they are, and to be let in. */
    private static final String[] DOORS = {
        "/api/session", "/api/first-owner", "/api/pairing-redemptions", "/api/openapi"
    };

    /** Posts that only compute: whoever may look may send them. */
    private static final String[] COMPUTED = {
        "/api/colours/*",
        "/api/sets/*/rectifying/scope",
        "/api/sets/*/what-ifs",
        "/api/sets/*/reading-previews",
        "/api/sets/*/part-lines/readings",
        "/api/sets/*/drafts/readings",
        "/api/sets/*/cold/tests/*/drafts",
        "/api/sets/*/power/check-previews",
        "/api/sets/*/player/speed-previews",
        "/api/sets/*/cord/previews",
        "/api/sets/*/radio-readings/keyed",
        "/api/sets/*/radio-readings/intermediate",
        "/api/sets/*/ledger/entry-previews",
        "/api/sets/*/workshop/turns",
        "/api/sets/*/workshop/field",
        "/api/sets/*/workshop/copper"
    };

    @Bean
    SecurityFilterChain security(
            HttpSecurity http,
            Callers callers,
            AllowedHosts hosts,
            ProblemWriter problems,
            SecurityContextRepository contexts,
            PublicKeyCredentialRequestOptionsRepository questions)
            throws Exception {
        DefaultSecurityFilterChain chain = http.addFilterBefore(
                        new HostFilter(hosts, problems), SecurityContextHolderFilter.class)
                .addFilterBefore(new CallerFilter(callers), AuthorizationFilter.class)
                .securityContext(context -> context.securityContextRepository(contexts))
                // The cookie is never sent along from another site, and HostFilter refuses writes from other origins
                // (ADR 14).
                .csrf(csrf -> csrf.disable())
                .anonymous(anonymous -> anonymous.disable())
                .requestCache(cache -> cache.disable())
                .logout(logout -> logout.disable())
                .webAuthn(passkeys -> passkeys.disableDefaultRegistrationPage(true))
                .authorizeHttpRequests(requests -> requests.requestMatchers(DOORS)
                        .permitAll()
                        // The end of a stream that was let in at its beginning.
                        .dispatcherTypeMatchers(DispatcherType.ASYNC)
                        .permitAll()
                        .requestMatchers("/api/sessions", "/api/account/**", "/webauthn/register/**")
                        .authenticated()
                        .requestMatchers(
                                "/api/accounts/**", "/api/account-events", "/api/sign-in-failures", "/api/shops")
                        .hasRole(Role.OWNER.name())
                        .requestMatchers(HttpMethod.POST, "/api/instrument-links")
                        .hasRole(Role.OWNER.name())
                        .requestMatchers(HttpMethod.DELETE, "/api/instrument-links/**")
                        .hasRole(Role.OWNER.name())
                        .requestMatchers(HttpMethod.PUT, "/api/shop")
                        .hasRole(Role.OWNER.name())
                        .requestMatchers("/api/sets/*/owner-erasures")
                        .hasRole(Role.OWNER.name())
                        .requestMatchers(HttpMethod.GET, "/api/**")
                        .authenticated()
                        .requestMatchers(HttpMethod.POST, COMPUTED)
                        .authenticated()
                        // Whoever looks may stop what has power.
                        .requestMatchers(HttpMethod.POST, "/api/sets/*/power/runs/*/stops")
                        .authenticated()
                        .requestMatchers("/api/**")
                        .hasAnyRole(Role.OWNER.name(), Role.BENCH.name())
                        .anyRequest()
                        .permitAll())
                .exceptionHandling(failures -> failures.authenticationEntryPoint(
                                (request, response, failure) -> problems.write(
                                        response,
                                        Problem.Kind.SIGNED_OUT,
                                        "You are signed out. What you entered is still here: sign in, then go on."))
                        .accessDeniedHandler((request, response, failure) -> problems.write(
                                response,
                                Problem.Kind.NOT_ALLOWED,
                                "Your role in this shop does not include that; its owner can change your role.")))
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(POLICY))
                        // Other services may share this host name without encryption.
                        .httpStrictTransportSecurity(strict -> strict.includeSubDomains(false))
                        .referrerPolicy(
                                referrer -> referrer.policy(ReferrerPolicyHeaderWriter.ReferrerPolicy.NO_REFERRER))
                        .addHeaderWriter(SecurityConfiguration::permissions))
                .build();
        chain.getFilters().forEach(filter -> askInCookies(filter, questions));
        return chain;
    }

    /** The microphone is for the one page that listens to a record; a script elsewhere does not get it. */
    private static void permissions(HttpServletRequest request, HttpServletResponse response) {
        // Headers are written while the client's one page is already being forwarded to.
        Object asked = request.getAttribute(RequestDispatcher.FORWARD_REQUEST_URI);
        String address = asked == null ? request.getRequestURI() : asked.toString();
        String microphone = LISTENS.matcher(address).matches() ? "(self)" : "()";
        response.setHeader(
                "Permissions-Policy",
                "camera=(self), microphone=" + microphone + ", geolocation=(), publickey-credentials-get=(self), "
                        + "publickey-credentials-create=(self)");
    }

    /** The framework keeps a passkey's question in a session, which whoever asks could then make by the thousand. */
    private static void askInCookies(Filter filter, PublicKeyCredentialRequestOptionsRepository questions) {
        if (filter instanceof PublicKeyCredentialRequestOptionsFilter asking) {
            asking.setRequestOptionsRepository(questions);
        } else if (filter instanceof WebAuthnAuthenticationFilter answering) {
            answering.setRequestOptionsRepository(questions);
        }
    }

    /** A passkey without a finger, a face or a number typed on the device is only a thing somebody has. */
    @Bean
    WebAuthnRelyingPartyOperations passkeyRules(
            PublicKeyCredentialUserEntityRepository users,
            UserCredentialRepository credentials,
            @Value("${umber.passkeys.host}") String host,
            @Value("${umber.passkeys.origins}") Set<String> origins) {
        Webauthn4JRelyingPartyOperations rules = new Webauthn4JRelyingPartyOperations(
                users,
                credentials,
                PublicKeyCredentialRpEntity.builder()
                        .id(host)
                        .name("Umber Dial")
                        .build(),
                origins);
        rules.setCustomizeRequestOptions(options -> options.userVerification(UserVerificationRequirement.REQUIRED));
        rules.setCustomizeCreationOptions(
                options -> options.authenticatorSelection(AuthenticatorSelectionCriteria.builder()
                        .userVerification(UserVerificationRequirement.REQUIRED)
                        .residentKey(ResidentKeyRequirement.REQUIRED)
                        .build()));
        return rules;
    }

    @Bean
    CookieSerializer cookies() {
        return new Cookies();
    }

    @Bean
    SecurityContextRepository contexts() {
        return new HttpSessionSecurityContextRepository();
    }

    /** To the minute is enough, and a row that stays as it is costs no write at each request. */
    @Bean
    SessionRepositoryCustomizer<JdbcIndexedSessionRepository> lastUsedToTheMinute() {
        return sessions -> sessions.setUpdateSessionQuery(
                "UPDATE %TABLE_NAME% SET SESSION_ID = ?, LAST_ACCESS_TIME = ? DIV 60000 * 60000, "
                        + "MAX_INACTIVE_INTERVAL = ?, EXPIRY_TIME = ? DIV 60000 * 60000, PRINCIPAL_NAME = ? "
                        + "WHERE PRIMARY_ID = ?");
    }

    /** New hashes are Argon2id; each names its own kind, so that a later kind can take over one by one. */
    @Bean
    PasswordEncoder passwords() {
        return new DelegatingPasswordEncoder(
                "argon2", Map.of("argon2", Argon2PasswordEncoder.defaultsForSpringSecurity_v5_8()));
    }

    @Bean
    OneTimeTokenService oneTimeTokens(JdbcOperations jdbc) {
        return new JdbcOneTimeTokenService(jdbc);
    }

    @Bean
    AuthenticationManager doors(UserDetailsService people, PasswordEncoder passwords, OneTimeTokenService tokens) {
        DaoAuthenticationProvider byPassword = new DaoAuthenticationProvider(people);
        byPassword.setPasswordEncoder(passwords);
        return new ProviderManager(byPassword, new OneTimeTokenAuthenticationProvider(tokens, people));
    }

    @Bean
    PublicKeyCredentialUserEntityRepository passkeyUsers(JdbcOperations jdbc) {
        return new JdbcPublicKeyCredentialUserEntityRepository(jdbc);
    }

    @Bean
    UserCredentialRepository passkeys(JdbcOperations jdbc) {
        return new JdbcUserCredentialRepository(jdbc);
    }
}
