package org.umberdial.server.accounts;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import java.util.Optional;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.authentication.event.InteractiveAuthenticationSuccessEvent;
import org.springframework.security.authentication.ott.OneTimeTokenAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.stereotype.Service;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;

/** Lets people in and out. The session is the framework's and lives in the database, so any node knows it. */
@Service
public class SignIn {
    /** Session attribute: what kind of device it is, for its person to recognise. */
    public static final String DEVICE = "umber.device";

    private static final String LINKED_AT = "umber.linked-at";
    private static final String PROVED_AT = "umber.proved-at";
    /** Without being used. */
    private static final Duration STAYS = Duration.ofDays(7);

    private static final Duration LINK_COUNTS_FOR = Duration.ofMinutes(10);
    /**
     * After which whoever sits at an open session must show once more who they are, before giving away another way in.
     */
    private static final Duration PROOF_COUNTS_FOR = Duration.ofMinutes(5);

    private static final int LONGEST_NAME = 40;

    private final AccountService accounts;
    private final TryLimits limits;
    private final KnownDevices devices;
    private final AuthenticationManager doors;
    private final SecurityContextRepository contexts;
    private final Clock clock;
    private final ApplicationEventPublisher events;

    SignIn(
            AccountService accounts,
            TryLimits limits,
            KnownDevices devices,
            AuthenticationManager doors,
            SecurityContextRepository contexts,
            Clock clock,
            ApplicationEventPublisher events) {
        this.events = events;
        this.accounts = accounts;
        this.limits = limits;
        this.devices = devices;
        this.doors = doors;
        this.contexts = contexts;
        this.clock = clock;
    }

    /**
     * Lets a person in by name and password.
     *
     * @throws Problem wrong, or tried too often; never tells whether the name exists
     */
    public Account byPassword(HttpServletRequest request, HttpServletResponse response, String name, String password) {
        String typed = name.strip().toLowerCase(Locale.ROOT);
        String counted = typed.substring(0, Math.min(LONGEST_NAME, typed.length()));
        Optional<Account> account = accounts.named(typed);
        count(request, counted, account);
        try {
            Authentication who =
                    doors.authenticate(UsernamePasswordAuthenticationToken.unauthenticated(typed, password));
            Account entered = enter(request, response, who, AccountEvent.Kind.SIGNED_IN);
            limits.forgive(counted, request.getRemoteAddr());
            request.getSession().setAttribute(PROVED_AT, clock.millis());
            devices.remember(request, response, entered.name());
            return entered;
        } catch (AuthenticationException refused) {
            account.ifPresent(known -> accounts.failed(known, request.getRemoteAddr(), false));
            throw new Problem(
                    Problem.Kind.SIGNED_OUT,
                    "Name and password do not belong together. Check both; capitals count in the password.");
        }
    }

    private void count(HttpServletRequest request, String counted, Optional<Account> account) {
        try {
            limits.count(
                    counted, request.getRemoteAddr(), account.map(Account::shopId), devices.knows(request, counted));
        } catch (Problem tooOften) {
            account.ifPresent(known -> accounts.failed(known, request.getRemoteAddr(), true));
            throw tooOften;
        }
    }

    /** Lets a device in by a one-time link. */
    public Account byLink(HttpServletRequest request, HttpServletResponse response, String token) {
        limits.count(TryLimits.BY_LINK, request.getRemoteAddr(), Optional.empty(), false);
        try {
            Authentication who = doors.authenticate(new OneTimeTokenAuthenticationToken(token));
            Account account = enter(request, response, who, AccountEvent.Kind.SIGNED_IN_BY_LINK);
            request.getSession().setAttribute(LINKED_AT, clock.millis());
            request.getSession().removeAttribute(PROVED_AT);
            limits.forgive(TryLimits.BY_LINK, request.getRemoteAddr());
            devices.remember(request, response, account.name());
            return account;
        } catch (AuthenticationException refused) {
            throw new Problem(
                    Problem.Kind.SIGNED_OUT,
                    "This link has been used, is older than ten minutes, or was not read whole. Make a new "
                            + "one on the other screen.");
        }
    }

    private Account enter(
            HttpServletRequest request, HttpServletResponse response, Authentication who, AccountEvent.Kind kind) {
        Account account = accounts.named(who.getName())
                .filter(a -> !a.closed())
                .orElseThrow(() -> new Problem(
                        Problem.Kind.SIGNED_OUT, "This account is closed; its shop’s owner can open it again."));
        HttpSession session = request.getSession();
        // An id that was there before must not become somebody's.
        request.changeSessionId();
        settle(session, request);
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(who);
        contexts.saveContext(context, request, response);
        accounts.happened(account.shopId(), account.shownName(), kind, account.shownName(), request.getRemoteAddr());
        return account;
    }

    private static void settle(HttpSession session, HttpServletRequest request) {
        session.setMaxInactiveInterval((int) STAYS.toSeconds());
        session.setAttribute(DEVICE, device(request.getHeader("User-Agent")));
    }

    /** A passkey's own filter has let somebody in, or somebody who was in has shown once more who they are. */
    @EventListener
    void byPasskey(InteractiveAuthenticationSuccessEvent entered) {
        HttpServletRequest request =
                ((ServletRequestAttributes) RequestContextHolder.currentRequestAttributes()).getRequest();
        Optional<Account> account =
                accounts.named(entered.getAuthentication().getName()).filter(known -> !known.closed());
        if (account.isEmpty()) {
            request.getSession().invalidate();
            return;
        }
        settle(request.getSession(), request);
        request.getSession().setAttribute(PROVED_AT, clock.millis());
        accounts.happened(
                account.get().shopId(),
                account.get().shownName(),
                AccountEvent.Kind.SIGNED_IN_BY_PASSKEY,
                account.get().shownName(),
                request.getRemoteAddr());
    }

    public void out(HttpServletRequest request, Caller caller) {
        HttpSession session = request.getSession(false);
        if (session != null) {
            session.invalidate();
            events.publishEvent(new SessionsEnded());
            accounts.happened(
                    caller.shopId(),
                    caller.author(),
                    AccountEvent.Kind.SIGNED_OUT,
                    caller.author(),
                    request.getRemoteAddr());
        }
    }

    /** Whether this session came in by a link so lately that its person need not know a password. */
    public boolean justLinked(HttpServletRequest request) {
        return within(request, LINKED_AT, LINK_COUNTS_FOR);
    }

    /**
     * Makes sure that whoever sits at an open session is who came in.
     *
     * @throws Problem {@code PROVE_FIRST} when password or passkey were shown more than five minutes ago
     */
    public void requireProof(HttpServletRequest request) {
        // The demo has neither session nor password; it acts for whoever sits at the machine.
        if (request.getSession(false) != null && !within(request, PROVED_AT, PROOF_COUNTS_FOR)) {
            throw new Problem(
                    Problem.Kind.PROVE_FIRST,
                    "Show once more that it is you: this gives away a way in, and this screen has been open "
                            + "for a while.");
        }
    }

    /**
     * Makes sure of it before a person's own password or passkey is set; one who came in by a link just now may have
     * none yet.
     */
    public void requireProofOrLink(HttpServletRequest request) {
        if (!justLinked(request)) {
            requireProof(request);
        }
    }

    /**
     * Takes a password as proof that the person of an open session sits there.
     *
     * @throws InvalidEntry it is not theirs
     * @throws Problem tried too often
     */
    public void prove(HttpServletRequest request, Caller caller, String password, String field) {
        Account account = accounts.account(caller.shopId(), caller.accountId());
        count(request, account.name(), Optional.of(account));
        if (!accounts.isPassword(account, password)) {
            accounts.failed(account, request.getRemoteAddr(), false);
            throw new InvalidEntry(InvalidEntry.Code.UNKNOWN, "That is not your password.").at(field);
        }
        limits.forgive(account.name(), request.getRemoteAddr());
        HttpSession session = request.getSession(false);
        if (session != null) {
            session.setAttribute(PROVED_AT, clock.millis());
        }
    }

    private boolean within(HttpServletRequest request, String attribute, Duration time) {
        HttpSession session = request.getSession(false);
        return session != null
                && session.getAttribute(attribute) instanceof Long at
                && Instant.ofEpochMilli(at).plus(time).isAfter(clock.instant());
    }

    private static String device(String agent) {
        String of = agent == null ? "" : agent;
        return first(of, "Edg=Edge", "Firefox=Firefox", "Chrome=Chrome", "Safari=Safari") + " on "
                + first(
                        of,
                        "Android=Android",
                        "iPhone=iPhone",
                        "iPad=iPad",
                        "Windows=Windows",
                        "Macintosh=Mac",
                        "Linux=Linux");
    }

    private static String first(String agent, String... known) {
        for (String pair : known) {
            int at = pair.indexOf('=');
            if (agent.contains(pair.substring(0, at))) {
                return pair.substring(at + 1);
            }
        }
        return "something else";
    }
}
