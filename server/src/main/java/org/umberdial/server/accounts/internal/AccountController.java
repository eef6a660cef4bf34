package org.umberdial.server.accounts.internal;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.security.authentication.ott.OneTimeToken;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialUserEntity;
import org.springframework.security.web.webauthn.management.PublicKeyCredentialUserEntityRepository;
import org.springframework.security.web.webauthn.management.UserCredentialRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.server.accounts.Account;
import org.umberdial.server.accounts.AccountEvent;
import org.umberdial.server.accounts.AccountService;
import org.umberdial.server.accounts.Loopback;
import org.umberdial.server.accounts.SignIn;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.security.Role;

/** A shop's people, for its owner; and each person's own way in. */
@RestController
@RequestMapping("/api")
class AccountController {
    record PersonView(
            String id, String name, String shownName, Role role, boolean closed, boolean hasPassword, int version) {}

    record PersonEntry(
            @NotNull UUID id,
            @NotBlank @Size(max = 40) String name,
            @NotBlank @Size(max = 80) String shownName,
            @NotNull Role role) {}

    record PersonEdit(@NotNull Role role, boolean closed, int version) {}

    /** @param token to be put behind {@code /pair#} of an address of this server */
    record PairingView(String token, Instant expiresAt) {}

    record ShopEntry(
            @NotBlank @Size(max = 120) String shopName,
            @NotBlank @Size(max = 40) String ownerName,
            @NotBlank @Size(max = 80) String ownerShownName) {}

    record PasswordEdit(
            @NotNull @Size(max = 1000) String current,
            @NotNull @Size(max = 1000) String password) {}

    record ProofEntry(@NotNull @Size(max = 1000) String password) {}

    /** @param wrong tries that were looked at; {@code shutOut} came too soon after others */
    record FailureView(String name, String address, Instant since, Instant lastAt, int wrong, int shutOut) {}

    record DeviceView(String id, String device, Instant since, Instant lastUsed, boolean here) {}

    record PasskeyView(String id, String label, Instant since, Instant lastUsed) {}

    record AccountEventView(Instant at, String actor, AccountEvent.Kind kind, String subject, String address) {}

    private final AccountService accounts;
    private final SignIn signIn;
    private final PublicKeyCredentialUserEntityRepository passkeyUsers;
    private final UserCredentialRepository passkeys;

    AccountController(
            AccountService accounts,
            SignIn signIn,
            PublicKeyCredentialUserEntityRepository passkeyUsers,
            UserCredentialRepository passkeys) {
        this.accounts = accounts;
        this.signIn = signIn;
        this.passkeyUsers = passkeyUsers;
        this.passkeys = passkeys;
    }

    @GetMapping("/accounts")
    List<PersonView> people(@AuthenticationPrincipal Caller caller) {
        return accounts.people(caller).stream().map(AccountController::view).toList();
    }

    @PostMapping("/accounts")
    PersonView add(
            @AuthenticationPrincipal Caller caller, @Valid @RequestBody PersonEntry entry, HttpServletRequest request) {
        return view(accounts.add(
                caller, entry.id.toString(), entry.name, entry.shownName, entry.role, request.getRemoteAddr()));
    }

    @PutMapping("/accounts/{id}")
    PersonView change(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID id,
            @Valid @RequestBody PersonEdit edit,
            HttpServletRequest request) {
        return view(
                accounts.change(caller, id.toString(), edit.role, edit.closed, edit.version, request.getRemoteAddr()));
    }

    @PostMapping("/accounts/{id}/pairings")
    PairingView pair(@AuthenticationPrincipal Caller caller, @PathVariable UUID id, HttpServletRequest request) {
        signIn.requireProof(request);
        return view(accounts.link(caller, id.toString(), request.getRemoteAddr()));
    }

    @PostMapping("/account/pairings")
    PairingView pairMine(@AuthenticationPrincipal Caller caller, HttpServletRequest request) {
        signIn.requireProof(request);
        return view(accounts.link(caller, caller.accountId(), request.getRemoteAddr()));
    }

    @PostMapping("/shops")
    PairingView openShop(
            @AuthenticationPrincipal Caller caller, @Valid @RequestBody ShopEntry entry, HttpServletRequest request) {
        if (!Loopback.is(request)) {
            throw new Problem(Problem.Kind.NOT_ALLOWED, "Another shop is opened at the machine itself.");
        }
        signIn.requireProof(request);
        return view(accounts.openShop(
                caller, entry.shopName, entry.ownerName, entry.ownerShownName, request.getRemoteAddr()));
    }

    @PutMapping("/account/password")
    void password(
            @AuthenticationPrincipal Caller caller, @Valid @RequestBody PasswordEdit edit, HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        if (!signIn.justLinked(request)) {
            if (accounts.account(caller.shopId(), caller.accountId()).passwordHash() == null) {
                signIn.requireProof(request);
            } else {
                signIn.prove(request, caller, edit.current, "current");
            }
        }
        accounts.setPassword(caller, edit.password, session == null ? "" : session.getId(), request.getRemoteAddr());
    }

    /** Shows once more who sits at an open session; what gives away a way in asks for it. */
    @PostMapping("/account/proofs")
    void prove(
            @AuthenticationPrincipal Caller caller, @Valid @RequestBody ProofEntry proof, HttpServletRequest request) {
        signIn.prove(request, caller, proof.password, "password");
    }

    @GetMapping("/account/devices")
    List<DeviceView> devices(@AuthenticationPrincipal Caller caller, HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        return accounts.sessions(caller).stream()
                .map(s -> {
                    String device = s.getAttribute(SignIn.DEVICE);
                    return new DeviceView(
                            AccountService.handle(s.getId()),
                            device == null ? "a device" : device,
                            s.getCreationTime(),
                            s.getLastAccessedTime(),
                            session != null && s.getId().equals(session.getId()));
                })
                .toList();
    }

    @DeleteMapping("/account/devices/{id}")
    void signOutThere(@AuthenticationPrincipal Caller caller, @PathVariable UUID id, HttpServletRequest request) {
        accounts.signOutThere(caller, id.toString(), request.getRemoteAddr());
    }

    @GetMapping("/account/passkeys")
    List<PasskeyView> passkeys(@AuthenticationPrincipal Caller caller) {
        PublicKeyCredentialUserEntity user = passkeyUsers.findByUsername(caller.name());
        return user == null
                ? List.of()
                : passkeys.findByUserId(user.getId()).stream()
                        .map(key -> new PasskeyView(
                                key.getCredentialId().toBase64UrlString(),
                                key.getLabel(),
                                key.getCreated(),
                                key.getLastUsed()))
                        .toList();
    }

    @GetMapping("/account-events")
    List<AccountEventView> events(@AuthenticationPrincipal Caller caller) {
        return accounts.events(caller).stream()
                .map(e -> new AccountEventView(e.at(), e.actor(), e.kind(), e.subject(), e.address()))
                .toList();
    }

    /** Failed tries to come in, counted by the hour. */
    @GetMapping("/sign-in-failures")
    List<FailureView> failures(@AuthenticationPrincipal Caller caller) {
        return accounts.failures(caller).stream()
                .map(f -> new FailureView(f.name(), f.address(), f.since(), f.lastAt(), f.wrong(), f.shutOut()))
                .toList();
    }

    private static PersonView view(Account account) {
        return new PersonView(
                account.id(),
                account.name(),
                account.shownName(),
                account.role(),
                account.closed(),
                account.passwordHash() != null,
                account.version());
    }

    private static PairingView view(OneTimeToken token) {
        return new PairingView(token.getTokenValue(), token.getExpiresAt());
    }
}
