package org.umberdial.server.circuit.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.draft.Answers;
import org.umberdial.core.draft.Draft;
import org.umberdial.core.draft.Drafter;
import org.umberdial.core.draft.Feed;
import org.umberdial.core.draft.Fitted;
import org.umberdial.core.draft.LineUp;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.tube.TubeType;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.CircuitService;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.sets.StoredSet;
import org.umberdial.server.shop.ShopService;
import org.umberdial.server.tubes.TubeService;

/** A circuit drafted from a set's line-up. */
@RestController
@RequestMapping("/api/sets/{setId}")
class DraftController {
    /** Lines nearer than this are one. */
    private static final double SAME_LINE = 0.15;

    /** Each answer null or empty where it is left to what is usual. */
    record DraftEdit(
            @NotNull @Size(max = 600) String lineUp,
            @Schema(nullable = true) Feed feed,
            @NotNull @Size(max = 20) String lineVolts,
            @Schema(nullable = true) Answers.Filter filter,
            @Schema(nullable = true) Answers.Metal rectifier,
            @Schema(nullable = true) Answers.Ends output) {}

    record FittedView(String socket, String typed, String type, String use, String heater, boolean known) {}

    /** @param says what could not be drafted, and what was assumed */
    record DraftView(List<FittedView> tubes, Feed feed, double lineVolts, int parts, List<String> says) {}

    private final SetService sets;
    private final CircuitService circuits;
    private final ShopService shops;
    private final TubeService tubes;

    DraftController(SetService sets, CircuitService circuits, ShopService shops, TubeService tubes) {
        this.sets = sets;
        this.circuits = circuits;
        this.shops = shops;
        this.tubes = tubes;
    }

    /** What a line-up would give; nothing is kept. */
    @PostMapping("/drafts/readings")
    DraftView read(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody DraftEdit edit) {
        LineUp lineUp = lineUp(caller, edit);
        return view(lineUp, draft(caller, setId, edit, lineUp));
    }

    /** Gives a set without parts the drafted circuit, all of it as usually built but the tubes themselves. */
    @PostMapping("/drafts")
    DraftView keep(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody DraftEdit edit) {
        StoredSet stored = sets.set(caller.shopId(), setId.toString());
        LineUp lineUp = lineUp(caller, edit);
        Draft draft = draft(caller, setId, edit, lineUp);
        circuits.draft(caller.shopId(), setId.toString(), draft);
        if (stored.set().construction() == ConstructionClass.UNKNOWN) {
            sets.relabel(
                    caller.shopId(),
                    setId.toString(),
                    stored.label(),
                    draft.feed().construction(),
                    false,
                    sets.set(caller.shopId(), setId.toString()).version());
        }
        return view(lineUp, draft);
    }

    private LineUp lineUp(Caller caller, DraftEdit edit) {
        try {
            return LineUp.read(edit.lineUp, tubes.models(caller.shopId()).data());
        } catch (InvalidEntry refused) {
            throw refused.at("lineUp");
        }
    }

    private Draft draft(Caller caller, UUID setId, DraftEdit edit, LineUp lineUp) {
        ValueReader values =
                new ValueReader(shops.shop(caller.shopId()).policy().decimalSign());
        OptionalDouble line = OptionalDouble.empty();
        if (!edit.lineVolts.isBlank()) {
            double volts = read(values, edit.lineVolts);
            if (!(volts >= 1 && volts <= 1000)) {
                throw new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, "A line is 1 to 1000 V, such as 117 or 230.")
                        .at("lineVolts");
            }
            line = OptionalDouble.of(volts);
        }
        ConstructionClass known =
                sets.set(caller.shopId(), setId.toString()).set().construction();
        Answers answers = Answers.NONE
                .feed(Optional.ofNullable(edit.feed).or(() -> Feed.of(known)))
                .lineVolts(line)
                .filter(Optional.ofNullable(edit.filter))
                .rectifier(Optional.ofNullable(edit.rectifier))
                .output(Optional.ofNullable(edit.output));
        Drafter drafter = new Drafter(tubes.models(caller.shopId()));
        Draft usual = drafter.draft(lineUp, answers);
        double local = shops.shop(caller.shopId()).policy().lineVolts();
        boolean lineFed = usual.feed() != Feed.BATTERY && usual.feed() != Feed.VIBRATOR;
        if (!lineFed || line.isPresent() || Math.abs(usual.lineVolts() / local - 1) < SAME_LINE) {
            return usual;
        }
        // A transformer is wound for any line; a string of heaters says what line it is made for.
        return usual.feed() == Feed.TRANSFORMER
                ? drafter.draft(lineUp, answers.lineVolts(OptionalDouble.of(local)))
                : new Draft(
                        usual.deck(),
                        usual.feed(),
                        usual.lineVolts(),
                        Stream.concat(
                                        Stream.of("These tubes are made for a line of about "
                                                + Math.round(usual.lineVolts()) + " V; yours is "
                                                + Math.round(local) + " V. Feed the set what it is made for."),
                                        usual.says().stream())
                                .toList());
    }

    private static double read(ValueReader values, String typed) {
        try {
            return values.read(typed, Unit.VOLT).value();
        } catch (InvalidEntry refused) {
            throw refused.at("lineVolts");
        }
    }

    private static DraftView view(LineUp lineUp, Draft draft) {
        return new DraftView(
                lineUp.tubes().stream().map(DraftController::fitted).toList(),
                draft.feed(),
                draft.lineVolts(),
                draft.deck().cards().size(),
                draft.says());
    }

    private static FittedView fitted(Fitted tube) {
        Optional<TubeType> type = tube.type();
        return new FittedView(
                tube.socket(),
                tube.typed(),
                type.map(TubeType::name).orElse(""),
                type.map(t -> t.use().label() + (t.hasLaw() ? "" : ", pins and heater only"))
                        .orElse("not in the tube data"),
                type.map(TubeType::heater).orElse(""),
                type.isPresent());
    }
}
