package org.umberdial.server.accounts;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import java.util.Optional;
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
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;

/** Lets people in and out. The session is the framework's and lives in the database, so any node knows it. */
@Service
public class SignIn {
    /** Session attribute: what kind of device it is, for its person to recognise. */
    public static final String DEVICE = "umber.device";
    private static final String LINKED_AT = "umber.linked-at";
    private static final String BY_LINK = "(link)";
    private static final int TRIES_PER_NAME = 5;
    private static final int TRIES_PER_ADDRESS = 30;
    private static final Duration WITHIN = Duration.ofMinutes(15);
    /** Without being used. */
    private static final Duration STAYS = Duration.ofDays(7);
    private static final Duration LINK_COUNTS_FOR = Duration.ofMinutes(10);
    private static final int LONGEST_NAME = 40;

    private final AccountService accounts;
    private final AuthenticationManager doors;
    private final SecurityContextRepository contexts;
    private final Clock clock;

    SignIn(AccountService accounts, AuthenticationManager doors, SecurityContextRepository contexts, Clock clock) {
        this.accounts = accounts;
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
        Optional<Account> known = accounts.named(typed);
        if (accounts.oneTooMany(counted, request.getRemoteAddr(), TRIES_PER_NAME, TRIES_PER_ADDRESS, WITHIN)) {
            known.ifPresent(account -> accounts.happened(account.shopId(), counted, AccountEvent.Kind.SHUT_OUT, account.shownName(), request.getRemoteAddr()));
            throw tooOften();
        }
        try {
            Authentication who = doors.authenticate(UsernamePasswordAuthenticationToken.unauthenticated(typed, password));
            accounts.forgetTries(counted, request.getRemoteAddr());
            return enter(request, response, who, AccountEvent.Kind.SIGNED_IN);
        } catch (AuthenticationException refused) {
            known.ifPresent(account -> accounts.happened(account.shopId(), counted, AccountEvent.Kind.REFUSED, account.shownName(), request.getRemoteAddr()));
            throw new Problem(Problem.Kind.SIGNED_OUT, "Name and password do not belong together. Check both; capitals count in the password.");
        }
    }

    /** Lets a device in by a one-time link. */
    public Account byLink(HttpServletRequest request, HttpServletResponse response, String token) {
        if (accounts.oneTooMany(BY_LINK, request.getRemoteAddr(), TRIES_PER_ADDRESS, TRIES_PER_ADDRESS, WITHIN)) {
            throw tooOften();
        }
        try {
            Authentication who = doors.authenticate(OneTimeTokenAuthenticationToken.unauthenticated(token));
            Account account = enter(request, response, who, AccountEvent.Kind.SIGNED_IN_BY_LINK);
            request.getSession().setAttribute(LINKED_AT, clock.millis());
            accounts.forgetTries(BY_LINK, request.getRemoteAddr());
            return account;
        } catch (AuthenticationException refused) {
            throw new Problem(Problem.Kind.SIGNED_OUT, "This link has been used, is older than ten minutes, or was not read whole. Make a new one on the other screen.");
        }
    }

    private static Problem tooOften() {
        return new Problem(Problem.Kind.TOO_OFTEN, "That was wrong too often. Wait a quarter of an hour, then try again; or ask the owner for a link.");
    }

    private Account enter(HttpServletRequest request, HttpServletResponse response, Authentication who, AccountEvent.Kind kind) {
        Account account = accounts.named(who.getName()).filter(a -> !a.closed()).orElseThrow(() -> new Problem(Problem.Kind.SIGNED_OUT, "This account is closed; its shop’s owner can open it again."));
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

    /** A session that is somebody's lives longer than one that only holds the question a passkey answers. */
    private static void settle(HttpSession session, HttpServletRequest request) {
        session.setMaxInactiveInterval((int) STAYS.toSeconds());
        session.setAttribute(DEVICE, device(request.getHeader("User-Agent")));
    }

    /** A passkey's own filter has let somebody in. */
    @EventListener
    void byPasskey(InteractiveAuthenticationSuccessEvent entered) {
        HttpServletRequest request = ((ServletRequestAttributes) RequestContextHolder.currentRequestAttributes()).getRequest();
        settle(request.getSession(), request);
        accounts.named(entered.getAuthentication().getName()).ifPresent(account -> accounts.happened(account.shopId(), account.shownName(), AccountEvent.Kind.SIGNED_IN_BY_PASSKEY, account.shownName(), request.getRemoteAddr()));
    }

    public void out(HttpServletRequest request, Caller caller) {
        HttpSession session = request.getSession(false);
        if (session != null) {
            session.invalidate();
            accounts.happened(caller.shopId(), caller.author(), AccountEvent.Kind.SIGNED_OUT, caller.author(), request.getRemoteAddr());
        }
    }

    /** Whether this session came in by a link so lately that its person need not know a password. */
    public boolean justLinked(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        return session != null && session.getAttribute(LINKED_AT) instanceof Long at && Instant.ofEpochMilli(at).plus(LINK_COUNTS_FOR).isAfter(clock.instant());
    }

    private static String device(String agent) {
        String of = agent == null ? "" : agent;
        return first(of, "Edg=Edge", "Firefox=Firefox", "Chrome=Chrome", "Safari=Safari") + " on " + first(of, "Android=Android", "iPhone=iPhone", "iPad=iPad", "Windows=Windows", "Macintosh=Mac", "Linux=Linux");
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
