package org.umberdial.server.accounts;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.umberdial.server.accounts.internal.AccountTables;
import org.umberdial.server.security.Caller;
import org.umberdial.server.security.Callers;

/** Tells the framework who has an account, and each request whose it is. */
@Component
class ShopCallers implements Callers, UserDetailsService {
    private final AccountTables tables;
    private final boolean demo;
    /** The hash of a password nobody knows: looking at it takes as long as looking at anybody's. */
    private final String nobodys;

    ShopCallers(AccountTables tables, PasswordEncoder passwords, @Value("${umber.demo}") boolean demo) {
        this.tables = tables;
        this.demo = demo;
        this.nobodys = passwords.encode(UUID.randomUUID().toString());
    }

    @Override
    public Optional<Caller> named(String name) {
        return tables.named(name).filter(account -> !account.closed()).map(Account::caller);
    }

    @Override
    public Optional<Caller> unasked(HttpServletRequest request) {
        return demo && Loopback.is(request) ? named(AccountService.DEMO) : Optional.empty();
    }

    /**
     * Unknown, closed and without a password alike get a hash that no password has, so that time tells nothing of them.
     */
    @Override
    public UserDetails loadUserByUsername(String name) {
        String typed = name.strip().toLowerCase(Locale.ROOT);
        Optional<Account> account = tables.named(typed).filter(found -> !found.closed());
        String hash = account.map(Account::passwordHash).orElse(nobodys);
        return User.withUsername(account.map(Account::name).orElse("(nobody)"))
                .password(hash)
                .authorities(account.map(found -> found.role().authority()).orElse("ROLE_NOBODY"))
                .build();
    }
}
