package org.umberdial.server.power.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.power.Link;
import org.umberdial.server.power.Profile;
import org.umberdial.server.power.Switches;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;

/** Instruments of the shop that answer on the network. */
@RestController
@RequestMapping("/api/instrument-links")
class LinkController {
    private static final int MOST = 30;

    record ProfileView(String id, String name, String does, boolean switches) {}

    record LinkView(
            String id, String name, String host, int port, String profile, String profileName, boolean switches) {}

    record LinksView(List<LinkView> links, List<ProfileView> profiles) {}

    record LinkEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 80) String name,

            @NotBlank
            @Size(max = 80)
            @Pattern(regexp = "[A-Za-z0-9.:-]+", message = "A host is a name or an address, as in 192.168.1.40.")
            String host,

            @Min(value = 1, message = "A port is 1 to 65535; instruments mostly listen on 5025.")
            @Max(value = 65535, message = "A port is 1 to 65535; instruments mostly listen on 5025.")
            int port,

            @NotNull String profile) {}

    record LinkAnswer(String says) {}

    private final Switches switches;

    LinkController(Switches switches) {
        this.switches = switches;
    }

    @GetMapping
    LinksView links(@AuthenticationPrincipal Caller caller) {
        return new LinksView(
                switches.links(caller.shopId()).stream()
                        .map(LinkController::view)
                        .toList(),
                Profile.all().stream()
                        .map(p -> new ProfileView(p.id(), p.name(), p.does(), p.switches()))
                        .toList());
    }

    static LinkView view(Link link) {
        return new LinkView(
                link.id(),
                link.name(),
                link.host(),
                link.port(),
                link.profile().id(),
                link.profile().name(),
                link.profile().switches());
    }

    @PostMapping
    LinksView add(@AuthenticationPrincipal Caller caller, @Valid @RequestBody LinkEdit edit) {
        Profile profile = Profile.named(edit.profile)
                .orElseThrow(() -> new InvalidEntry(InvalidEntry.Code.UNKNOWN, "Choose what kind of instrument it is.")
                        .at("profile"));
        if (!Switches.reachable(edit.host)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "“" + edit.host + "” is not in this network; an instrument stands on the bench, as in"
                                    + " 192.168.1.40 or 127.0.0.1.")
                    .at("host");
        }
        if (switches.links(caller.shopId()).size() >= MOST) {
            throw new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, "A shop has at most " + MOST + " of them.");
        }
        switches.add(caller.shopId(), new Link(edit.id.toString(), edit.name.strip(), edit.host, edit.port, profile));
        return links(caller);
    }

    @DeleteMapping("/{id}")
    LinksView remove(@AuthenticationPrincipal Caller caller, @PathVariable UUID id) {
        switches.remove(caller.shopId(), id.toString());
        return links(caller);
    }

    /** Asks an instrument what it is. */
    @PostMapping("/{id}/questions")
    LinkAnswer ask(@AuthenticationPrincipal Caller caller, @PathVariable UUID id) {
        return new LinkAnswer(switches.links(caller.shopId()).stream()
                .filter(link -> link.id().equals(id.toString()))
                .findFirst()
                .map(switches::identity)
                .orElseThrow(() -> Problem.notFound("This instrument")));
    }
}
