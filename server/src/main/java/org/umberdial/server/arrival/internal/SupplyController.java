package org.umberdial.server.arrival.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.arrival.ArrivalArea;
import org.umberdial.core.arrival.ArrivalState;
import org.umberdial.core.arrival.Inspection;
import org.umberdial.core.arrival.Severity;
import org.umberdial.core.arrival.SupplyFinding;
import org.umberdial.core.caution.Caution;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Extra;
import org.umberdial.core.set.StartingCircuit;
import org.umberdial.core.set.SupplyLabel;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.arrival.ArrivalService;
import org.umberdial.server.guide.ActView;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;
import org.umberdial.server.sets.CircuitService;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.sets.StoredSet;
import org.umberdial.server.shop.Shop;
import org.umberdial.server.shop.ShopService;

/** The set's label against the local supply, its owner, and what its circuit starts from. */
@RestController
@RequestMapping("/api")
class SupplyController {
    record SupplyFindingView(
            String rule, Severity severity, String text, List<String> remedies, List<String> arithmetic) {}

    record CautionLine(String id, String when, String text, Caution.Level level, String deferTo) {}

    /** Steps of the phase: how many are done of how many, with what is open in words. */
    record Step(String id, String title, String state, boolean done) {}

    /** Taps and frequencies as written, with a stroke between them. */
    record SupplyView(
            String taps,
            String setTo,
            String hertz,
            String watts,
            SupplyLabel.Current current,
            boolean motor,
            double localVolts,
            double localHertz,
            List<SupplyFindingView> findings) {}

    record ArrivalView(
            String title,
            String danger,
            boolean liveChassis,
            ConstructionClass construction,
            String constructionLabel,
            Set<Extra> extras,
            String ownerName,
            String ownerContact,
            String plate,
            String sheetOrigin,
            SupplyView supply,
            List<CautionLine> cautions,
            List<Step> steps,
            @Schema(nullable = true) ActView next,
            int version) {}

    record ArrivalEdit(
            @NotNull @Size(max = 120) String ownerName,
            @NotNull @Size(max = 200) String ownerContact,
            @NotNull @Size(max = 300) String plate,
            @NotNull Set<Extra> extras,
            @NotNull @Size(max = 120) String taps,
            @NotNull @Size(max = 20) String setTo,
            @NotNull @Size(max = 40) String hertz,
            @NotNull @Size(max = 20) String watts,
            @NotNull SupplyLabel.Current current,
            boolean motor,
            int version) {}

    record ErasureEdit(@NotNull UUID id) {}

    record StartEdit(@NotBlank String circuit) {}

    record SisterEdit(@NotNull UUID sister) {}

    record StartingView(String id, String title, ConstructionClass construction, int parts) {}

    private final ArrivalService arrivals;
    private final SetService sets;
    private final CircuitService circuits;
    private final ShopService shops;
    private final SetFiles files;

    SupplyController(
            ArrivalService arrivals, SetService sets, CircuitService circuits, ShopService shops, SetFiles files) {
        this.files = files;
        this.arrivals = arrivals;
        this.sets = sets;
        this.circuits = circuits;
        this.shops = shops;
    }

    @GetMapping("/starting-circuits")
    List<StartingView> starting() {
        return StartingCircuit.all().stream()
                .map(s -> new StartingView(
                        s.id(), s.title(), s.construction(), s.deck().cards().size()))
                .toList();
    }

    @GetMapping("/sets/{setId}/arrival")
    ArrivalView arrival(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return view(caller, setId);
    }

    @PutMapping("/sets/{setId}/arrival")
    ArrivalView save(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody ArrivalEdit edit) {
        ValueReader values =
                new ValueReader(shops.shop(caller.shopId()).policy().decimalSign());
        StoredSet now = sets.set(caller.shopId(), setId.toString());
        List<Double> taps = numbers(
                values, edit.taps, "taps", 1, 1000, "A supply voltage is 1 to 1000 V; several are written 110/127/220");
        OptionalDouble setTo =
                one(values, edit.setTo, "setTo", 1, 1000, "The selector stands on one of the taps, such as 127");
        if (setTo.isPresent() && taps.stream().noneMatch(tap -> Math.abs(tap - setTo.getAsDouble()) < 0.5)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.CONFLICT,
                            "The selector cannot stand on " + edit.setTo.strip()
                                    + " V: that is none of the taps above. Add it there, or leave this empty.")
                    .at("setTo");
        }
        List<Double> hertz = numbers(
                values, edit.hertz, "hertz", 10, 500, "A frequency is 10 to 500 Hz; a set for both is written 50/60");
        OptionalDouble watts = one(values, edit.watts, "watts", 1, 3000, "A set draws 1 to 3000 W");
        StoredSet.Arrival arrival = new StoredSet.Arrival(
                edit.ownerName.strip(),
                edit.ownerContact.strip(),
                edit.plate.strip(),
                now.arrival().sheetOrigin(),
                now.arrival().paper(),
                edit.extras.isEmpty() ? EnumSet.noneOf(Extra.class) : EnumSet.copyOf(edit.extras),
                new SupplyLabel(
                        taps, setTo, hertz, watts, edit.current, edit.motor, ranged(edit.taps) && taps.size() == 2));
        sets.arrival(caller.shopId(), setId.toString(), arrival, edit.version);
        return view(caller, setId);
    }

    /** Erases the owner's name, contact and words for good; the log keeps that it was done and everything technical. */
    @PostMapping("/sets/{setId}/owner-erasures")
    ArrivalView eraseOwner(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody ErasureEdit edit) {
        arrivals.eraseOwner(caller, setId.toString(), edit.id.toString());
        return arrival(caller, setId);
    }

    /** Starts from the usual circuit of a class; refused when the set has parts already. */
    @PostMapping("/sets/{setId}/circuit-starts")
    ArrivalView start(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody StartEdit edit) {
        requireEmpty(caller, setId);
        StartingCircuit circuit =
                StartingCircuit.of(edit.circuit).orElseThrow(() -> Problem.notFound("This starting circuit"));
        circuits.start(caller.shopId(), setId.toString(), circuit);
        return view(caller, setId);
    }

    /** Takes circuit, points and sheet of another set over; refused when the set has parts already. */
    @PostMapping("/sets/{setId}/circuit-copies")
    ArrivalView copy(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody SisterEdit edit) {
        requireEmpty(caller, setId);
        circuits.copy(caller.shopId(), setId.toString(), edit.sister.toString());
        return view(caller, setId);
    }

    @DeleteMapping("/sets/{setId}/sheet-origin")
    ArrivalView own(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        circuits.own(caller.shopId(), setId.toString());
        return view(caller, setId);
    }

    private void requireEmpty(Caller caller, UUID setId) {
        int parts = sets.set(caller.shopId(), setId.toString()).set().parts().size();
        if (parts > 0) {
            throw new Problem(
                    Problem.Kind.INVALID_ENTRY,
                    "This set has " + parts
                            + " parts already; a circuit is taken over only into a set without any. Load a "
                            + "file instead, which says what it replaces.");
        }
    }

    /** {@code 200-250} is a range, {@code 110/220} are taps. */
    private static boolean ranged(String text) {
        return text.matches("(?i)\\s*[0-9.,]+\\s*(v|volts?)?\\s*(-|–|to)\\s*[0-9.,]+\\s*(v|volts?)?\\s*");
    }

    private static List<Double> numbers(
            ValueReader values, String text, String field, double least, double most, String rule) {
        List<Double> numbers = new ArrayList<>();
        for (String piece :
                text.replaceAll("(?i)\\b(v|volts?|hz|cycles?|c/s)\\b", " ").split("[/;\\s–-]+|,\\s+|\\bto\\b")) {
            if (!piece.isBlank()) {
                one(values, piece, field, least, most, rule).ifPresent(numbers::add);
            }
        }
        return numbers;
    }

    private static OptionalDouble one(
            ValueReader values, String text, String field, double least, double most, String rule) {
        if (text.isBlank()) {
            return OptionalDouble.empty();
        }
        double value;
        try {
            value = values.number(text.strip().replaceAll("(?i)\\s*(v|w|watts?|volts?)$", ""));
        } catch (InvalidEntry notANumber) {
            throw notANumber.at(field);
        }
        if (!(value >= least && value <= most)) {
            throw new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, rule + ", not “" + text.strip() + "”.").at(field);
        }
        return OptionalDouble.of(value);
    }

    private ArrivalView view(Caller caller, UUID setId) {
        OpenSet open = files.open(caller.shopId(), setId.toString());
        StoredSet set = open.stored();
        Shop shop = open.shop();
        ArrivalState state = ArrivalArea.state(open.file());
        StoredSet.Arrival arrival = set.arrival();
        ConstructionClass construction = set.set().construction();
        DecimalSign sign = shop.policy().decimalSign();
        SupplyView supply = new SupplyView(
                arrival.supply().ranged()
                        ? join(arrival.supply().taps(), sign).replace('/', '-')
                        : join(arrival.supply().taps(), sign),
                text(arrival.supply().setTo(), sign),
                join(arrival.supply().hertz(), sign),
                text(arrival.supply().watts(), sign),
                arrival.supply().current(),
                arrival.supply().motor(),
                shop.policy().lineVolts(),
                shop.policy().lineHertz(),
                state.findings().stream().map(SupplyController::view).toList());
        List<CautionLine> cautions = Inspection.dangers(construction, arrival.extras(), state.inspection()).stream()
                .map(c -> new CautionLine(c.id(), c.when(), c.text(), c.level(), c.deferTo()))
                .toList();
        return new ArrivalView(
                set.label().title(),
                open.danger(),
                open.liveChassis(),
                construction,
                construction.label(),
                arrival.extras(),
                arrival.ownerName(),
                arrival.ownerContact(),
                arrival.plate(),
                arrival.sheetOrigin(),
                supply,
                cautions,
                steps(state),
                ActView.next(open).orElse(null),
                set.version());
    }

    private static List<Step> steps(ArrivalState state) {
        long looked = state.inspection().areas().stream()
                .filter(Inspection.Area::looked)
                .count();
        int areas = state.inspection().areas().size();
        int stops = state.inspection().stops().size();
        int open = state.register().alarms().size();
        Optional<SupplyFinding> worst = state.findings().stream()
                .filter(f -> f.severity() != Severity.NOTE)
                .findFirst();
        return List.of(
                new Step(
                        "photos",
                        "Photographs",
                        state.photos() == 0 ? "none yet" : state.photos() + " kept",
                        state.photos() > 0),
                new Step(
                        "label",
                        "Label and supply",
                        state.supply().taps().isEmpty()
                                ? "not read yet"
                                : worst.isPresent() ? "needs attention" : "fits the local line",
                        !state.supply().taps().isEmpty()),
                new Step(
                        "complaints",
                        "Owner's words and controls",
                        state.complaints().told().isEmpty()
                                ? "nothing yet"
                                : state.complaints().told().size() + " noted",
                        !state.complaints().told().isEmpty()),
                new Step(
                        "take-apart",
                        "Take-apart register",
                        state.register().items().isEmpty()
                                ? "nothing off yet"
                                : state.register().closed().isPresent()
                                        ? "closed"
                                        : state.register().items().size() + " off or undone"
                                                + (open > 0 ? ", " + open + " open" : ""),
                        state.register().closed().isPresent()),
                new Step(
                        "inspection",
                        "Inspection walk",
                        looked + " of " + areas + " areas"
                                + (stops > 0 ? ", " + stops + (stops == 1 ? " stop" : " stops") : ""),
                        looked == areas),
                new Step("worth", "Worth it?", "hours and parts against its value", false));
    }

    private static SupplyFindingView view(SupplyFinding finding) {
        return new SupplyFindingView(
                finding.rule(), finding.severity(), finding.text(), finding.remedies(), finding.arithmetic());
    }

    private static String join(List<Double> numbers, DecimalSign sign) {
        return numbers.stream()
                .map(number -> text(OptionalDouble.of(number), sign))
                .collect(Collectors.joining("/"));
    }

    private static String text(OptionalDouble number, DecimalSign sign) {
        if (number.isEmpty()) {
            return "";
        }
        String text = java.math.BigDecimal.valueOf(number.getAsDouble())
                .stripTrailingZeros()
                .toPlainString();
        return sign == DecimalSign.COMMA ? text.replace('.', ',') : text;
    }
}
