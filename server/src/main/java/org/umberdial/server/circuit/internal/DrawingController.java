package org.umberdial.server.circuit.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.DeckWriter;
import org.umberdial.core.drawing.Svg;
import org.umberdial.core.entry.PartLine;
import org.umberdial.core.entry.PartShorthand;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.policy.Vocabulary;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.set.Part;
import org.umberdial.core.set.PartValue;
import org.umberdial.core.set.ValueOrigin;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.walk.Sibling;
import org.umberdial.core.walk.StageSwap;
import org.umberdial.core.walk.Walk;
import org.umberdial.server.circuit.DrawnCircuit;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.CircuitService;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.sets.StoredSet;
import org.umberdial.server.shop.ShopService;

/** A set's circuit as a schematic, and the walk that compares it with the set's own. */
@RestController
@RequestMapping("/api/sets/{setId}")
class DrawingController {
    record WalkStepView(
            String reference,
            String stage,
            String label,
            String job,
            String between,
            String value,
            String asks,
            boolean confirmed,
            String line) {}

    /** @param word that makes a stage this, typed in the strip */
    record SiblingView(String stage, String word, String label) {}

    record WalkView(List<WalkStepView> steps, int confirmed) {}

    /**
     * @param was the word that makes the stage again what it was, empty for none
     * @param says what a person should know
     */
    record SwapView(WalkView walk, String was, List<String> says) {}

    record SwapEdit(@NotBlank @Size(max = 40) String word) {}

    /**
     * What is said of a part.
     *
     * @param typed its value as read, or empty to say that it is as it stands
     * @param origin where it was read
     * @param seen the part's line as it stood
     */
    record ConfirmEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 40) String reference,
            @NotNull @Size(max = 200) String typed,
            @NotNull ValueOrigin origin,
            @NotNull @Size(max = 500) String seen) {}

    /**
     * @param id of the confirmation
     * @param line the part's line to put back, as it stood before it was confirmed
     */
    record UnconfirmEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 40) String reference,
            @NotBlank @Size(max = 500) String line) {}

    /** @param id as a part line's {@code job=} takes it */
    record RoleView(String id, String label) {}

    record AddedEdit(@NotBlank @Size(max = 200) String typed) {}

    private final SetService sets;
    private final CircuitService circuits;
    private final ShopService shops;

    DrawingController(SetService sets, CircuitService circuits, ShopService shops) {
        this.sets = sets;
        this.circuits = circuits;
        this.shops = shops;
    }

    @GetMapping("/drawing")
    DrawnCircuit.DrawingView drawing(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        StoredSet stored = sets.set(caller.shopId(), setId.toString());
        return DrawnCircuit.view(stored.deck(), stored.set(), iec(caller));
    }

    /** The drawing as a file. */
    @GetMapping("/drawing.svg")
    ResponseEntity<String> file(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @RequestParam(defaultValue = "") String symbols) {
        StoredSet stored = sets.set(caller.shopId(), setId.toString());
        boolean iec = symbols.isEmpty() ? iec(caller) : symbols.equalsIgnoreCase("IEC");
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("image/svg+xml;charset=UTF-8"))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("schematic.svg")
                                .build()
                                .toString())
                .body(Svg.write(
                        DrawnCircuit.drawn(stored.deck(), stored.set()),
                        stored.label().title(),
                        iec));
    }

    /** What a part of this set may do. */
    @GetMapping("/roles")
    List<RoleView> roles(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        sets.require(caller.shopId(), setId.toString());
        return Stream.of(NetworkRole.values())
                .map(role -> new RoleView(role.name(), role.label()))
                .toList();
    }

    @GetMapping("/walk")
    WalkView walk(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return walk(sets.set(caller.shopId(), setId.toString()));
    }

    /** Says of a part that it is as it stands, or what it is instead; nothing of it is usual from then on. */
    @PostMapping("/walk/confirmations")
    WalkView confirm(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody ConfirmEdit edit) {
        if (!edit.origin.own()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.UNKNOWN,
                            "What confirms a part is the set's schematic, the part's own marking, or a reading.")
                    .at("origin");
        }
        StoredSet stored = sets.set(caller.shopId(), setId.toString());
        Part part = stored.set().part(edit.reference).orElseThrow(() -> Problem.notFound("Part " + edit.reference));
        Card card =
                edit.typed.isBlank() ? part.card() : shorthand(caller, stored).revalued(part, edit.typed);
        PartValue value = new PartValue(
                edit.origin,
                card.value().orElse(0.0),
                edit.origin == ValueOrigin.SHEET ? "its schematic" : "compared part by part");
        return walk(circuits.confirm(
                caller,
                setId.toString(),
                edit.id.toString(),
                card,
                value,
                part.unit().isPresent(),
                edit.seen));
    }

    /** Takes the last word on a part back. */
    @PostMapping("/walk/withdrawals")
    WalkView unconfirm(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody UnconfirmEdit edit) {
        return walk(
                circuits.unconfirm(caller.shopId(), setId.toString(), edit.id.toString(), edit.reference, edit.line));
    }

    /** Adds a part that the draft does not have. */
    @PostMapping("/walk/additions")
    WalkView add(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody AddedEdit edit) {
        StoredSet stored = sets.set(caller.shopId(), setId.toString());
        PartLine line = shorthand(caller, stored).added(edit.typed);
        return walk(circuits.putParts(caller.shopId(), setId.toString(), line, java.util.Map.of()));
    }

    /** What the set's stages may be instead. */
    @GetMapping("/walk/siblings")
    List<SiblingView> siblings(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return StageSwap.open(sets.set(caller.shopId(), setId.toString()).set()).stream()
                .map(one -> new SiblingView(one.stage().id(), one.word(), one.label()))
                .toList();
    }

    /** Makes a drafted stage another of its kind, by the word for it. */
    @PostMapping("/walk/swaps")
    SwapView swap(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody SwapEdit edit) {
        Sibling to = Sibling.of(edit.word)
                .orElseThrow(() -> new InvalidEntry(
                                InvalidEntry.Code.UNKNOWN,
                                "“" + edit.word + "” is no stage; one may write "
                                        + Stream.of(Sibling.values())
                                                .map(Sibling::word)
                                                .collect(Collectors.joining(", "))
                                        + ".")
                        .at("word"));
        CircuitService.Swapped swapped = circuits.swap(caller.shopId(), setId.toString(), to);
        return new SwapView(
                walk(swapped.set()), swapped.was().map(Sibling::word).orElse(""), swapped.says());
    }

    private PartShorthand shorthand(Caller caller, StoredSet stored) {
        return new PartShorthand(
                stored.set(), shops.shop(caller.shopId()).policy().decimalSign());
    }

    private boolean iec(Caller caller) {
        HousePolicy policy = shops.shop(caller.shopId()).policy();
        return policy.vocabulary() != Vocabulary.NORTH_AMERICAN;
    }

    private static WalkView walk(StoredSet stored) {
        Walk walk = Walk.of(stored.set());
        return new WalkView(
                walk.steps().stream()
                        .map(step -> new WalkStepView(
                                step.reference(),
                                step.stage(),
                                step.label(),
                                step.job(),
                                step.between(),
                                step.value(),
                                step.asks(),
                                step.confirmed(),
                                stored.set()
                                        .part(step.reference())
                                        .map(part -> DeckWriter.line(part.card()))
                                        .orElse("")))
                        .toList(),
                (int) walk.confirmed());
    }
}
