package org.umberdial.server.accounts.internal;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.server.accounts.Account;
import org.umberdial.server.accounts.AccountService;
import org.umberdial.server.accounts.Loopback;
import org.umberdial.server.accounts.SignIn;
import org.umberdial.server.lan.Lan;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.security.Role;
import org.umberdial.server.shop.ShopService;

/** Who sits at this screen. */
@RestController
@RequestMapping("/api")
class SessionController {
    enum State {
        FIRST_START,
        SIGNED_OUT,
        SIGNED_IN
    }

    /**
     * @param demo whether this is the demo acting for whoever sits at the machine
     * @param passkeyHost the host name at which passkeys work
     * @param origins addresses at which other devices reach this server; empty when they do not
     */
    record SessionView(
            State state,
            boolean demo,
            String accountId,
            String name,
            String shownName,
            Role role,
            String shopName,
            boolean hasPassword,
            boolean hasPasskey,
            boolean justLinked,
            boolean atTheMachine,
            String passkeyHost,
            List<String> origins,
            String fingerprint) {}

    record SignInEntry(
            @NotNull @Size(max = 200) String name,
            @NotNull @Size(max = 1000) String password) {}

    record FirstOwner(
            @NotBlank @Size(max = 120) String shopName,
            @NotBlank @Size(max = 40) String name,
            @NotBlank @Size(max = 80) String shownName,
            @NotNull @Size(max = 1000) String password) {}

    record LinkEntry(@NotNull UUID token) {}

    private final AccountService accounts;
    private final SignIn signIn;
    private final ShopService shops;
    private final Lan lan;
    private final String passkeyHost;

    SessionController(
            AccountService accounts,
            SignIn signIn,
            ShopService shops,
            Lan lan,
            @Value("${umber.passkeys.host}") String passkeyHost) {
        this.accounts = accounts;
        this.signIn = signIn;
        this.shops = shops;
        this.lan = lan;
        this.passkeyHost = passkeyHost;
    }

    @GetMapping("/session")
    SessionView session(@AuthenticationPrincipal Caller caller, HttpServletRequest request) {
        if (caller == null) {
            State state = accounts.opened() ? State.SIGNED_OUT : State.FIRST_START;
            return new SessionView(
                    state,
                    false,
                    "",
                    "",
                    "",
                    Role.VIEWER,
                    "",
                    false,
                    false,
                    false,
                    Loopback.is(request),
                    passkeyHost,
                    List.of(),
                    lan.fingerprint());
        }
        return view(accounts.account(caller.shopId(), caller.accountId()), request);
    }

    @PostMapping("/session")
    SessionView enter(@Valid @RequestBody SignInEntry entry, HttpServletRequest request, HttpServletResponse response) {
        return view(signIn.byPassword(request, response, entry.name, entry.password), request);
    }

    @DeleteMapping("/session")
    void leave(@AuthenticationPrincipal Caller caller, HttpServletRequest request) {
        if (caller != null) {
            signIn.out(request, caller);
        }
    }

    @DeleteMapping("/sessions")
    void leaveEverywhere(@AuthenticationPrincipal Caller caller, HttpServletRequest request) {
        accounts.signOutEverywhere(caller, request.getRemoteAddr());
    }

    @PostMapping("/first-owner")
    SessionView open(@Valid @RequestBody FirstOwner owner, HttpServletRequest request, HttpServletResponse response) {
        if (!Loopback.is(request)) {
            throw new Problem(
                    Problem.Kind.NOT_ALLOWED,
                    "The first owner is made at the machine itself: open Umber Dial in a browser there.");
        }
        accounts.openFirst(owner.shopName, owner.name, owner.shownName, owner.password, request.getRemoteAddr());
        return view(signIn.byPassword(request, response, owner.name, owner.password), request);
    }

    @PostMapping("/pairing-redemptions")
    SessionView redeem(@Valid @RequestBody LinkEntry link, HttpServletRequest request, HttpServletResponse response) {
        return view(signIn.byLink(request, response, link.token.toString()), request);
    }

    private SessionView view(Account account, HttpServletRequest request) {
        boolean demo = accounts.isDemo() && account.name().equals(AccountService.DEMO);
        return new SessionView(
                State.SIGNED_IN,
                demo,
                account.id(),
                account.name(),
                account.shownName(),
                account.role(),
                shops.shop(account.shopId()).name(),
                account.passwordHash() != null,
                accounts.hasPasskey(account.name()),
                signIn.justLinked(request),
                Loopback.is(request),
                passkeyHost,
                lan.origins(),
                lan.fingerprint());
    }
}
