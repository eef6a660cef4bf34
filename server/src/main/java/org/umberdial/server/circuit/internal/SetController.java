package org.umberdial.server.circuit.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.area.Bench;
import org.umberdial.core.circuit.deck.DeckWriter;
import org.umberdial.core.entry.PartLine;
import org.umberdial.core.entry.PartShorthand;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.role.PartRoles;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Part;
import org.umberdial.core.set.PartValue;
import org.umberdial.core.set.SheetValue;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.set.ValueOrigin;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;
import org.umberdial.core.walk.Walk;
import org.umberdial.server.instrument.InstrumentService;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;
import org.umberdial.server.sets.ChartService;
import org.umberdial.server.sets.CircuitService;
import org.umberdial.server.sets.Seen;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.sets.StoredSet;
import org.umberdial.server.shop.Shop;
import org.umberdial.server.shop.ShopService;

@RestController
@RequestMapping("/api/sets/{setId}")
class SetController {
    record SetView(
            String id,
            String title,
            String ticket,
            String place,
            String waitsFor,
            @Schema(nullable = true) LocalDate waitsUntil,
            @Schema(nullable = true) LocalDate promisedFor,
            ConstructionClass construction,
            boolean constructionConfirmed,
            String constructionLabel,
            String danger,
            boolean liveChassis,
            List<String> modes,
            int parts,
            int testPoints,
            String paper,
            int version) {}

    /** @param constructionSeen whether somebody saw on this set how it gets its power; absent from earlier browsers */
    record SetEdit(
            @NotBlank @Size(max = 120) String title,
            @Size(max = 40) String ticket,
            @Size(max = 80) String place,
            @Size(max = 160) String waitsFor,
            @Schema(nullable = true) LocalDate waitsUntil,
            @Schema(nullable = true) LocalDate promisedFor,
            @NotNull ConstructionClass construction,
            @Schema(nullable = true) Boolean constructionSeen,
            int version) {}

    /** Line as typed; {@code switchedOn} starts or stops the clock. */
    record ConditionsEdit(
            @NotBlank String lineVolts,
            @Schema(nullable = true) UUID instrumentId,
            @NotNull String mode,
            @Schema(nullable = true) Instant switchedOnAt) {}

    /** {@code exact} reads back as the same value. */
    record ValueView(ValueOrigin origin, String label, String text, String exact, String source) {}

    /**
     * @param description what it does
     * @param role the id of the role somebody gave it, empty where the network says
     * @param found what the network says that it does, empty where it does not say
     */
    record PartView(
            String reference,
            String kind,
            String description,
            String role,
            String found,
            List<String> nodes,
            String line,
            boolean hasValue,
            String working,
            String exact,
            double tolerancePercent,
            String rating,
            String date,
            String can,
            String mark,
            List<ValueView> values,
            @Schema(nullable = true) String conflict) {}

    /** @param seen the part's line as it stood */
    record RoleEdit(
            @Schema(nullable = true) NetworkRole role,
            @NotNull @Size(max = 500) String seen) {}

    record CircuitPoint(String node, String name, String socket, String pin, String hint) {}

    /** @param seen what a change of this value says it was made from */
    record SheetView(
            String node,
            String reference,
            ReadingKind kind,
            double value,
            String text,
            String unit,
            double lineVolts,
            String meter,
            String mode,
            String seen) {}

    /** @param pointsSeen what a change of the list of points says it was made from; {@code unreadSeen} likewise */
    record CircuitView(
            List<PartView> parts,
            List<String> nodes,
            List<CircuitPoint> testPoints,
            String pointsSeen,
            List<SheetView> sheet,
            List<String> unread,
            String unreadSeen,
            String sheetOrigin,
            String paper) {}

    record PaperEdit(
            @NotNull @Size(max = 200, message = "At most 200 letters.")
            String paper) {}

    /** @param seen part lines as they stood when these were begun, by reference; null overwrites whatever is there */
    record LinesEdit(
            @NotNull @Size(max = 500) List<@NotNull @Size(max = 500) String> lines,
            boolean change,
            @Schema(nullable = true) Map<String, String> seen) {}

    /** {@code fault} says why a line is not taken; {@code changes} that it changes a part that is there. */
    record LineView(
            String line,
            String understood,
            @Schema(nullable = true) String fault,
            boolean changes) {}

    /** @param seen the part's line as it stood when the change was begun; null overwrites whatever is there */
    record PartText(
            @NotBlank @Size(max = 500) String line,
            @Schema(nullable = true) String seen) {}

    record ValueEdit(
            @NotNull UUID id,
            @NotBlank String reference,
            @NotNull ValueOrigin origin,
            @NotBlank String value,
            @Size(max = 120) String source) {}

    /** @param seen the list as it stood when the change was begun, as the circuit names it */
    record PointsEdit(
            @NotNull List<@Valid PointEdit> points, @NotNull String seen) {}

    record PointEdit(
            @NotNull @Size(max = 60) String node,
            @NotNull @Size(max = 80) String name,
            @Size(max = 20) String socket,
            @Size(max = 10) String pin,
            @Size(max = 120) String hint) {}

    /**
     * A sheet value as typed; an empty value takes it off the sheet.
     *
     * @param seen the value as it stood when the change was begun, as the circuit names it; empty when there was none
     */
    record SheetEdit(
            @NotBlank String node,
            @NotBlank String reference,
            @NotNull ReadingKind kind,
            @NotNull String value,
            @NotBlank String lineVolts,
            @NotNull String meter,
            @NotNull String mode,
            @NotNull String seen) {}

    private final SetService sets;
    private final ChartService charts;
    private final CircuitService circuits;
    private final ShopService shops;
    private final InstrumentService instruments;
    private final SetFiles files;

    SetController(
            SetService sets,
            ChartService charts,
            CircuitService circuits,
            ShopService shops,
            InstrumentService instruments,
            SetFiles files) {
        this.sets = sets;
        this.charts = charts;
        this.circuits = circuits;
        this.shops = shops;
        this.instruments = instruments;
        this.files = files;
    }

    @GetMapping
    SetView set(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return view(caller, setId);
    }

    @PutMapping
    SetView relabel(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody SetEdit edit) {
        sets.relabel(
                caller.shopId(),
                setId.toString(),
                new StoredSet.Label(
                        edit.title,
                        edit.ticket,
                        edit.place,
                        edit.waitsFor,
                        Optional.ofNullable(edit.waitsUntil),
                        Optional.ofNullable(edit.promisedFor)),
                edit.construction,
                Boolean.TRUE.equals(edit.constructionSeen),
                edit.version);
        return view(caller, setId);
    }

    @PutMapping("/conditions")
    SetView conditions(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody ConditionsEdit edit) {
        double line = typed(caller, edit.lineVolts, Unit.VOLT, "lineVolts");
        new Bench(line, Optional.empty(), 0, "");
        Optional<String> instrument = Optional.ofNullable(edit.instrumentId).map(UUID::toString);
        if (instrument.isPresent()
                && instruments
                        .instrument(caller.shopId(), instrument.get())
                        .filter(i -> i.instrument().does(Equipment.VOLTMETER))
                        .isEmpty()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.UNKNOWN, "This shop has no such meter; choose one of its voltmeters.")
                    .at("instrumentId");
        }
        sets.conditions(
                caller.shopId(),
                setId.toString(),
                new StoredSet.Conditions(line, instrument, edit.mode, Optional.ofNullable(edit.switchedOnAt)));
        return view(caller, setId);
    }

    @GetMapping("/circuit")
    CircuitView circuit(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return circuit(sets.set(caller.shopId(), setId.toString()));
    }

    @PostMapping("/parts")
    CircuitView putPart(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody PartText part) {
        return circuit(circuits.putPart(caller.shopId(), setId.toString(), part.line, Optional.ofNullable(part.seen)));
    }

    /** What lines of parts shorthand would mean; nothing is kept. */
    @PostMapping("/part-lines/readings")
    List<LineView> readLines(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody LinesEdit edit) {
        return lines(caller, setId, edit, false);
    }

    /** Keeps the lines that can be taken; the others come back with their reason. */
    @PostMapping("/part-lines")
    List<LineView> keepLines(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody LinesEdit edit) {
        return lines(caller, setId, edit, true);
    }

    private List<LineView> lines(Caller caller, UUID setId, LinesEdit edit, boolean keep) {
        List<LineView> views = new ArrayList<>();
        DecimalSign sign = shops.shop(caller.shopId()).policy().decimalSign();
        StoredSet set = sets.set(caller.shopId(), setId.toString());
        Set<String> here = new HashSet<>();
        for (String line : edit.lines) {
            if (line.isBlank()) {
                continue;
            }
            try {
                PartShorthand shorthand = new PartShorthand(set.set(), sign);
                PartLine part = shorthand.read(line);
                if (!edit.change) {
                    shorthand.requireNew(part);
                }
                if (part.cards().stream().anyMatch(card -> !here.add(card.reference()))) {
                    throw new InvalidEntry(
                            InvalidEntry.Code.DUPLICATE,
                            part.cards().get(0).reference()
                                    + " stands twice among these lines; each part has a reference of its own.");
                }
                if (keep) {
                    set = circuits.putParts(caller.shopId(), setId.toString(), part, seenOf(edit, part));
                }
                views.add(new LineView(
                        line, part.understood(), null, !part.known().isEmpty()));
            } catch (InvalidEntry refused) {
                views.add(new LineView(line, "", refused.getMessage(), false));
            }
        }
        return views;
    }

    /** What the writer saw of the parts in a line; nothing when they did not say. */
    private static Map<String, String> seenOf(LinesEdit edit, PartLine line) {
        Map<String, String> seen = new LinkedHashMap<>();
        if (edit.seen != null) {
            line.cards().forEach(card -> seen.put(card.reference(), edit.seen.getOrDefault(card.reference(), "")));
        }
        return seen;
    }

    @DeleteMapping("/parts/{reference}")
    CircuitView removePart(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable String reference,
            @RequestParam String seen) {
        return circuit(circuits.removePart(caller.shopId(), setId.toString(), reference, seen));
    }

    /** Says what a part does; a role left empty is the network's to say again. */
    @PutMapping("/parts/{reference}/role")
    CircuitView giveRole(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable String reference,
            @Valid @RequestBody RoleEdit edit) {
        return circuit(circuits.giveRole(
                caller.shopId(), setId.toString(), reference, Optional.ofNullable(edit.role), edit.seen));
    }

    @DeleteMapping("/unread-lines")
    CircuitView settleUnread(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @RequestParam String seen) {
        return circuit(circuits.settleUnread(caller.shopId(), setId.toString(), seen));
    }

    @PostMapping("/part-values")
    CircuitView addValue(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody ValueEdit edit) {
        StoredSet set = sets.set(caller.shopId(), setId.toString());
        Unit unit = set.set().part(edit.reference).flatMap(Part::unit).orElse(Unit.OHM);
        double value = typed(caller, edit.value, unit, "value");
        return circuit(circuits.addValue(
                caller,
                setId.toString(),
                edit.id.toString(),
                edit.reference,
                new PartValue(edit.origin, value, edit.source == null ? "" : edit.source)));
    }

    @PutMapping("/test-points")
    CircuitView testPoints(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody PointsEdit edit) {
        List<TestPoint> points = edit.points.stream().map(SetController::point).toList();
        return circuit(charts.changeTestPoints(caller.shopId(), setId.toString(), points, edit.seen));
    }

    /** Without a node the point is one of a set whose circuit nobody has, and goes by its name. */
    private static TestPoint point(PointEdit p) {
        if (p.node.isBlank()) {
            return TestPoint.named(p.name, text(p.hint));
        }
        String node = p.node.strip().toLowerCase(java.util.Locale.ROOT);
        return new TestPoint(node, node, p.name.strip(), text(p.socket), text(p.pin), text(p.hint));
    }

    @PutMapping("/paper")
    CircuitView paper(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody PaperEdit edit) {
        return circuit(circuits.paper(caller.shopId(), setId.toString(), edit.paper));
    }

    @PutMapping("/sheet-values")
    CircuitView sheet(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody SheetEdit edit) {
        StoredSet set = sets.set(caller.shopId(), setId.toString());
        if (set.set().pointAt(edit.node).isEmpty()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.UNKNOWN,
                            "There is no test point at “" + edit.node + "”; add the point first.")
                    .at("node");
        }
        if (!edit.reference.equals("0") && set.set().pointAt(edit.reference).isEmpty()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.UNKNOWN,
                            "There is no test point at “" + edit.reference
                                    + "” to measure against; 0 is the chassis or minus rail.")
                    .at("reference");
        }
        if (!edit.mode.isEmpty() && !set.set().modes().contains(edit.mode)) {
            throw new InvalidEntry(InvalidEntry.Code.UNKNOWN, "“" + edit.mode + "” is no mode of this set.").at("mode");
        }
        Optional<Meter> meter = edit.meter.isBlank() ? Optional.empty() : Optional.of(meter(edit.meter));
        double line = typed(caller, edit.lineVolts, Unit.VOLT, "lineVolts");
        new Bench(line, Optional.empty(), 0, "");
        if (edit.value.isBlank()) {
            return circuit(charts.removeSheet(
                    caller.shopId(),
                    setId.toString(),
                    new SheetValue(edit.node, edit.reference, edit.kind, 0, line, meter, edit.mode),
                    edit.seen));
        }
        double value = typed(caller, edit.value, edit.kind.unit(), "value");
        return circuit(charts.changeSheet(
                caller.shopId(),
                setId.toString(),
                new SheetValue(edit.node, edit.reference, edit.kind, value, line, meter, edit.mode),
                edit.seen));
    }

    private static Meter meter(String text) {
        try {
            return Meter.parse(text);
        } catch (InvalidEntry refused) {
            throw refused.at("meter");
        }
    }

    private double typed(Caller caller, String text, Unit unit, String field) {
        Shop shop = shops.shop(caller.shopId());
        try {
            return new ValueReader(shop.policy().decimalSign()).read(text, unit).value();
        } catch (InvalidEntry refused) {
            throw refused.at(field);
        }
    }

    private static String text(String value) {
        return value == null ? "" : value.strip();
    }

    private SetView view(Caller caller, UUID setId) {
        OpenSet open = files.open(caller.shopId(), setId.toString());
        StoredSet set = open.stored();
        ConstructionClass construction = set.set().construction();
        StoredSet.Label label = set.label();
        return new SetView(
                set.id(),
                label.title(),
                label.ticket(),
                label.place(),
                label.waitsFor(),
                label.waitsUntil().orElse(null),
                label.promisedFor().orElse(null),
                construction,
                set.constructionConfirmed(),
                construction.label(),
                open.danger(),
                open.liveChassis(),
                set.set().modes(),
                set.set().parts().size(),
                set.set().testPoints().size(),
                set.arrival().paper(),
                set.version());
    }

    private static CircuitView circuit(StoredSet set) {
        PartRoles roles = new PartRoles(set.set().cards(), set.set().tubes().data());
        return new CircuitView(
                set.set().parts().stream()
                        .map(part -> part(part, roles, set.set().tubes().data()))
                        .toList(),
                set.deck().nodes().stream().sorted().toList(),
                set.set().testPoints().stream()
                        .map(p -> new CircuitPoint(p.node(), p.name(), p.socket(), p.pin(), p.hint()))
                        .toList(),
                Seen.of(set.set().testPoints()),
                set.set().sheet().stream()
                        .map(v -> new SheetView(
                                v.node(),
                                v.reference(),
                                v.kind(),
                                v.value(),
                                Engineering.print(v.value(), v.kind().unit()),
                                v.kind().unit().symbol(),
                                v.lineVolts(),
                                v.meter().map(Meter::notation).orElse(""),
                                v.mode(),
                                Seen.of(v)))
                        .toList(),
                set.set().unread(),
                Seen.of(set.set().unread()),
                set.arrival().sheetOrigin(),
                set.arrival().paper());
    }

    private static String exact(double value, Unit unit) {
        return java.math.BigDecimal.valueOf(unit == Unit.FARAD ? value * 1e12 : value)
                        .stripTrailingZeros()
                        .toPlainString()
                + (unit == Unit.FARAD ? "p" : "");
    }

    private static PartView part(Part part, PartRoles roles, TubeData tubes) {
        boolean hasValue = "RCL".indexOf(part.card().letter()) >= 0;
        String working = part.unit()
                .flatMap(unit -> part.workingValue().map(value -> Engineering.print(value, unit)))
                .orElse(part.card().model());
        String volts =
                part.ratingVolts().map(v -> Engineering.print(v, Unit.VOLT)).orElse("");
        String watts =
                part.ratingWatts().map(w -> Engineering.print(w, Unit.WATT)).orElse("");
        List<ValueView> values = part.unit()
                .map(unit -> part.values().stream()
                        .map(v -> new ValueView(
                                v.origin(),
                                v.origin().label(),
                                Engineering.print(v.value(), unit),
                                exact(v.value(), unit),
                                v.source()))
                        .toList())
                .orElse(List.of());
        return new PartView(
                part.reference(),
                part.card().kind(),
                Walk.job(part, roles, tubes),
                part.card()
                        .key("job")
                        .flatMap(NetworkRole::of)
                        .map(NetworkRole::name)
                        .orElse(""),
                roles.phrase(part.reference()).orElse(""),
                part.nodes(),
                DeckWriter.line(part.card()),
                hasValue,
                working,
                part.unit()
                        .flatMap(unit -> part.workingValue().map(value -> exact(value, unit)))
                        .orElse(""),
                part.tolerance().percent(),
                (volts + " " + watts).strip(),
                part.card().key("date").orElse(""),
                part.card().key("can").orElse(""),
                part.card().key("mark").orElse(""),
                values,
                part.conflict().orElse(null));
    }
}
