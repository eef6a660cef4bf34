package org.umberdial.server.accounts;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Locale;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.stereotype.Component;
import org.umberdial.server.accounts.internal.AccountTables;
import org.umberdial.server.security.Caller;
import org.umberdial.server.security.Callers;

/** Tells the framework who has an account, and each request whose it is. */
@Component
class ShopCallers implements Callers, UserDetailsService {
    /** A hash that no password has. */
    private static final String NO_PASSWORD = "{argon2}";

    private final AccountTables tables;
    private final boolean demo;

    ShopCallers(AccountTables tables, @Value("${umber.demo}") boolean demo) {
        this.tables = tables;
        this.demo = demo;
    }

    @Override
    public Optional<Caller> named(String name) {
        return tables.named(name).filter(account -> !account.closed()).map(Account::caller);
    }

    @Override
    public Optional<Caller> unasked(HttpServletRequest request) {
        return demo && Loopback.is(request) ? named(AccountService.DEMO) : Optional.empty();
    }

    @Override
    public UserDetails loadUserByUsername(String name) {
        Account account = tables.named(name.strip().toLowerCase(Locale.ROOT)).orElseThrow(() -> new UsernameNotFoundException("nobody of that name"));
        return User.withUsername(account.name()).password(account.passwordHash() == null ? NO_PASSWORD : account.passwordHash()).disabled(account.closed()).authorities(account.role().authority()).build();
    }
}
