package org.umberdial.server.accounts;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.security.authentication.ott.GenerateOneTimeTokenRequest;
import org.springframework.security.authentication.ott.OneTimeToken;
import org.springframework.security.authentication.ott.OneTimeTokenService;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.accounts.internal.AccountTables;
import org.umberdial.server.accounts.internal.TryTables;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.security.Role;
import org.umberdial.server.shop.ShopService;

/** The people of each shop. */
@Service
public class AccountService {
    /** The account the demo acts as on its own machine. */
    public static final String DEMO = "demo";

    private static final Duration LINK_LIVES = Duration.ofMinutes(10);

    private final AccountTables tables;
    private final TryTables tries;
    private final ShopService shops;
    private final PasswordEncoder passwords;
    private final OneTimeTokenService links;
    private final ApplicationEventPublisher events;
    private final FindByIndexNameSessionRepository<? extends Session> sessions;
    private final Clock clock;
    private final boolean demo;
    private final PasswordRule rule = new PasswordRule();

    AccountService(
            AccountTables tables,
            TryTables tries,
            ShopService shops,
            PasswordEncoder passwords,
            OneTimeTokenService links,
            FindByIndexNameSessionRepository<? extends Session> sessions,
            Clock clock,
            @Value("${umber.demo}") boolean demo,
            ApplicationEventPublisher events) {
        this.events = events;
        this.tables = tables;
        this.tries = tries;
        this.shops = shops;
        this.passwords = passwords;
        this.links = links;
        this.sessions = sessions;
        this.clock = clock;
        this.demo = demo;
    }

    /** Whether anybody has an account yet. */
    public boolean opened() {
        return tables.any();
    }

    public boolean isDemo() {
        return demo;
    }

    public Optional<Account> named(String name) {
        return tables.named(name);
    }

    public List<Account> people(Caller caller) {
        return tables.of(caller.shopId());
    }

    public Account account(String shopId, String id) {
        return tables.of(shopId).stream()
                .filter(account -> account.id().equals(id))
                .findFirst()
                .orElseThrow(() -> Problem.notFound("This person"));
    }

    /**
     * The owner the demo acts as, without a password and on loopback only; and two whom that owner can make links for.
     */
    @Transactional
    public void openDemo(String shopId) {
        tables.insert(
                new Account(shopId, "99999999-0000-4000-8000-000000000001", DEMO, "demo", Role.OWNER, null, false, 0),
                clock.instant());
        tables.insert(
                new Account(
                        shopId,
                        "99999999-0000-4000-8000-000000000002",
                        "second",
                        "Second bench",
                        Role.BENCH,
                        null,
                        false,
                        0),
                clock.instant().plusMillis(1));
        tables.insert(
                new Account(
                        shopId,
                        "99999999-0000-4000-8000-000000000003",
                        "counter",
                        "Counter",
                        Role.VIEWER,
                        null,
                        false,
                        0),
                clock.instant().plusMillis(2));
    }

    /**
     * Makes the owner of a server that has nobody yet.
     *
     * @throws Problem somebody has an account already
     * @throws InvalidEntry a name or password that cannot be taken
     */
    @Transactional
    public Account openFirst(String shopName, String name, String shownName, String password, String address) {
        String shopId = shops.localShopId();
        tables.lock(shopId);
        if (tables.any()) {
            throw new Problem(
                    Problem.Kind.NOT_ALLOWED,
                    "This server has its owner already; sign in, or ask the owner for a link.");
        }
        rule.check(password, List.of(name, shownName, shopName));
        Account owner = new Account(
                shopId,
                UUID.randomUUID().toString(),
                name(name),
                shownName.strip(),
                Role.OWNER,
                passwords.encode(password),
                false,
                0);
        insert(owner);
        shops.name(shopId, shopName.strip());
        happened(shopId, owner.shownName(), AccountEvent.Kind.OPENED, owner.shownName(), address);
        return owner;
    }

    /**
     * Opens another shop on this server; what comes back lets its owner in. Only the server's keeper may, at the
     * machine.
     */
    @Transactional
    public OneTimeToken openShop(
            Caller keeper, String shopName, String ownerName, String ownerShownName, String address) {
        if (!keeper.shopId().equals(shops.localShopId())) {
            throw new Problem(Problem.Kind.NOT_ALLOWED, "Only the owner of this server's first shop can open another.");
        }
        String shopId = shops.open(shopName.strip());
        Account owner = new Account(
                shopId,
                UUID.randomUUID().toString(),
                name(ownerName),
                ownerShownName.strip(),
                Role.OWNER,
                null,
                false,
                0);
        insert(owner);
        happened(shopId, keeper.author(), AccountEvent.Kind.OPENED, owner.shownName(), address);
        return links.generate(new GenerateOneTimeTokenRequest(owner.name(), LINK_LIVES));
    }

    /** Adds a person, who comes in by a link first; the same id again changes nothing. */
    @Transactional
    public Account add(Caller owner, String id, String name, String shownName, Role role, String address) {
        Optional<Account> there = tables.of(owner.shopId()).stream()
                .filter(a -> a.id().equals(id))
                .findFirst();
        if (there.isPresent()) {
            if (!there.get().name().equals(name(name))) {
                throw Problem.sameId("A person");
            }
            return there.get();
        }
        Account account =
                new Account(owner.shopId(), id, name(name), shown(owner.shopId(), shownName), role, null, false, 0);
        insert(account);
        happened(owner.shopId(), owner.author(), AccountEvent.Kind.OPENED, account.shownName(), address);
        return account;
    }

    /** Changes role or closes; either way the person's open sessions end. A shop keeps at least one open owner. */
    @Transactional
    public Account change(Caller owner, String id, Role role, boolean closed, int version, String address) {
        tables.lock(owner.shopId());
        Account was = account(owner.shopId(), id);
        boolean owns = role == Role.OWNER && !closed;
        if (!owns
                && tables.of(owner.shopId()).stream()
                        .noneMatch(a -> !a.id().equals(id) && a.role() == Role.OWNER && !a.closed())) {
            throw new Problem(Problem.Kind.INVALID_ENTRY, "A shop needs an owner: make somebody else one first.");
        }
        if (!tables.decide(new Account(
                was.shopId(), was.id(), was.name(), was.shownName(), role, was.passwordHash(), closed, version))) {
            throw Problem.changedMeanwhile(was.shownName());
        }
        endSessions(was.name());
        forgetWaysIn(was.name());
        happened(
                owner.shopId(),
                owner.author(),
                closed ? AccountEvent.Kind.CLOSED : AccountEvent.Kind.CHANGED,
                was.shownName(),
                address);
        return account(owner.shopId(), id);
    }

    /** A link that lets one device in as this person, once, within ten minutes. */
    @Transactional
    public OneTimeToken link(Caller caller, String id, String address) {
        Account account = account(caller.shopId(), id);
        if (account.closed()) {
            throw new Problem(
                    Problem.Kind.INVALID_ENTRY, account.shownName() + "’s account is closed; open it again first.");
        }
        happened(caller.shopId(), caller.author(), AccountEvent.Kind.LINK_MADE, account.shownName(), address);
        return links.generate(new GenerateOneTimeTokenRequest(account.name(), LINK_LIVES));
    }

    /** Whether a password is a person's; nobody's when they have none. */
    public boolean isPassword(Account account, String password) {
        return account.passwordHash() != null && passwords.matches(password, account.passwordHash());
    }

    /** Sets a person's own password; their other sessions end, and links that were made for them. */
    @Transactional
    public void setPassword(Caller caller, String password, String keptSession, String address) {
        Account account = account(caller.shopId(), caller.accountId());
        rule.check(
                password,
                List.of(
                        account.name(),
                        account.shownName(),
                        shops.shop(caller.shopId()).name()));
        if (!tables.keepPassword(account, passwords.encode(password))) {
            throw Problem.changedMeanwhile("Your account");
        }
        sessions.findByPrincipalName(account.name()).keySet().stream()
                .filter(id -> !id.equals(keptSession))
                .forEach(sessions::deleteById);
        events.publishEvent(new SessionsEnded());
        forgetWaysIn(account.name());
        happened(caller.shopId(), caller.author(), AccountEvent.Kind.PASSWORD_SET, account.shownName(), address);
    }

    private void forgetWaysIn(String name) {
        tables.forgetLinks(name);
        tries.forgetDevices(name);
    }

    public void signOutEverywhere(Caller caller, String address) {
        endSessions(caller.name());
        forgetWaysIn(caller.name());
        happened(caller.shopId(), caller.author(), AccountEvent.Kind.SIGNED_OUT_EVERYWHERE, caller.author(), address);
    }

    /**
     * Ends one of a person's sessions.
     *
     * @param handle as {@link #handle} gives it
     */
    public void signOutThere(Caller caller, String handle, String address) {
        List<String> there = sessions.findByPrincipalName(caller.name()).keySet().stream()
                .filter(id -> handle(id).equals(handle))
                .toList();
        there.forEach(sessions::deleteById);
        events.publishEvent(new SessionsEnded());
        if (!there.isEmpty()) {
            happened(caller.shopId(), caller.author(), AccountEvent.Kind.SIGNED_OUT, caller.author(), address);
        }
    }

    /** What a session may be called where its id must not be seen. */
    public static String handle(String sessionId) {
        return UUID.nameUUIDFromBytes(("session " + sessionId).getBytes(StandardCharsets.UTF_8))
                .toString();
    }

    private void endSessions(String name) {
        sessions.findByPrincipalName(name).keySet().forEach(sessions::deleteById);
        events.publishEvent(new SessionsEnded());
    }

    public List<? extends Session> sessions(Caller caller) {
        return sessions.findByPrincipalName(caller.name()).values().stream()
                .sorted(Comparator.comparing(Session::getLastAccessedTime).reversed())
                .toList();
    }

    public void happened(String shopId, String actor, AccountEvent.Kind kind, String subject, String address) {
        tables.happened(shopId, new AccountEvent(clock.instant(), actor, kind, subject, address));
    }

    public List<AccountEvent> events(Caller owner) {
        return tables.events(owner.shopId());
    }

    /** Notes a failed try for the owner of the account it was for, apart from what happened to accounts. */
    void failed(Account account, String address, boolean shutOut) {
        Instant now = clock.instant();
        tries.failed(account.shopId(), account.name(), address, shutOut, now);
        tries.pruneFailures(account.shopId(), now);
    }

    public List<SignInFailure> failures(Caller owner) {
        return tries.failures(owner.shopId());
    }

    /** Whether a person has any way of their own to prove who they are. */
    public boolean hasPasskey(String name) {
        return tables.hasPasskey(name);
    }

    private void insert(Account account) {
        if (!tables.insert(account, clock.instant())) {
            throw new InvalidEntry(
                            InvalidEntry.Code.UNKNOWN,
                            "“" + account.name() + "” is taken on this server; choose another name to sign in with.")
                    .at("name");
        }
    }

    private static String name(String typed) {
        String name = typed.strip().toLowerCase(Locale.ROOT);
        if (!name.matches("[a-z0-9][a-z0-9._@-]{0,38}[a-z0-9]")) {
            throw new InvalidEntry(
                            InvalidEntry.Code.UNKNOWN,
                            "A name to sign in with has 2 to 40 letters a to z, digits, dots, hyphens or an "
                                    + "@, like ada or ada@bench.")
                    .at("name");
        }
        return name;
    }

    /** Two people of one name would make the log ambiguous. */
    private String shown(String shopId, String typed) {
        String shown = typed.strip();
        if (tables.of(shopId).stream().anyMatch(a -> a.shownName().equalsIgnoreCase(shown))) {
            throw new InvalidEntry(
                            InvalidEntry.Code.AMBIGUOUS,
                            "There is a " + shown + " already; add a letter, so that the log tells them apart.")
                    .at("shownName");
        }
        return shown;
    }
}
