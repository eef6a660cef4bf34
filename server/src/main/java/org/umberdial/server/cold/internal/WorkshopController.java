package org.umberdial.server.cold.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.cold.ColdArea;
import org.umberdial.core.cold.ColdScene;
import org.umberdial.core.cold.FieldReplacement;
import org.umberdial.core.cold.TransformerSize;
import org.umberdial.core.cold.Windings;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;
import org.umberdial.server.shop.ShopService;
import org.umberdial.server.stock.StockItem;
import org.umberdial.server.stock.StockService;

/** The transformer workshop: size, candidates, turns, and what takes a field coil's place. */
@RestController
@RequestMapping("/api/sets/{setId}/workshop")
class WorkshopController {
    record HeaterGroup(String volts, String amperes, boolean rectifier, List<String> tubes) {}

    record LoadLine(String winding, String volts, String amperes, String ohms, String watts) {}

    record SizeView(
            List<HeaterGroup> heaters,
            String supply,
            boolean byEngine,
            @Schema(nullable = true) String highVolts,
            int halves,
            String loadVa,
            String wantedVa,
            String wantedAmperes,
            List<String> arithmetic,
            List<LoadLine> loads) {}

    record StockView(String id, String name, int onHand, ComparedView compared) {}

    record CandidateResult(String label, String value, String note, Verdict word) {}

    record ComparedView(Verdict word, String sentence, List<CandidateResult> results) {}

    record WorkshopView(
            String title,
            String danger,
            boolean liveChassis,
            String constructionLabel,
            @Schema(nullable = true) SizeView size,
            String without,
            List<StockView> stock) {}

    /** What is known of a candidate, as typed; empty where it has none. */
    record CandidateEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 120) String name,
            @NotNull String va,
            @NotNull String highVolts,
            @NotNull String amperes,
            @NotNull TransformerSize.CentreTap centreTap,
            @NotNull String heaterVolts,
            @NotNull String heaterAmperes,
            @NotNull String rectifierVolts,
            @NotNull String rectifierAmperes,
            boolean fits,
            boolean keep) {}

    /** {@code testVolts} of ten turns wound for a test stands in where the primary's turns are not known. */
    record TurnsEdit(
            @NotNull String primaryTurns,
            @NotNull String testVolts,
            @NotNull String lineVolts,
            @NotNull String wantedVolts,
            @NotNull String amperes,
            @NotNull String windingOhms,
            @NotNull String primaryOhms,
            @NotNull String turnsNow,
            boolean outermost) {}

    record TurnsView(Verdict word, String sentence, List<String> arithmetic, List<String> steps) {}

    record FieldEdit(
            @NotNull String ohms,
            @NotNull String amperes,
            @NotNull String chokeOhms) {}

    record FieldView(String sentence, String resistor, String resistorWatts, String beside, List<String> arithmetic) {}

    record CopperEdit(
            @NotNull String coldOhms,
            @NotNull String coldCelsius,
            @NotNull String hotOhms) {}

    record CopperView(String celsius, String sentence, Verdict word) {}

    private final StockService stock;
    private final SetFiles files;
    private final ShopService shops;

    WorkshopController(StockService stock, SetFiles files, ShopService shops) {
        this.stock = stock;
        this.files = files;
        this.shops = shops;
    }

    @GetMapping
    WorkshopView workshop(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        ColdScene scene = ColdArea.scene(set.file());
        Optional<TransformerSize> size = TransformerSize.of(scene);
        List<StockView> there = size.map(s -> stock.transformers(caller.shopId()).values().stream()
                        .map(item -> new StockView(
                                item.id(),
                                item.name(),
                                item.onHand(),
                                view(s.compare(scene, item.transformer().orElseThrow()))))
                        .toList())
                .orElse(List.of());
        String without = size.isPresent()
                ? ""
                : set.set().parts().isEmpty()
                        ? "Its circuit is not entered yet; a size follows from its tubes."
                        : "Its heaters are in series on the line: there is no power transformer to size.";
        return new WorkshopView(
                set.stored().label().title(),
                set.set().construction().danger(),
                set.set().construction().liveChassis(),
                set.set().construction().label(),
                size.map(WorkshopController::view).orElse(null),
                without,
                there);
    }

    /** Compares a candidate with what the set needs; keeps it in stock when asked to. */
    @PostMapping("/candidates")
    ComparedView compare(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody CandidateEdit edit) {
        ColdScene scene =
                ColdArea.scene(files.open(caller.shopId(), setId.toString()).file());
        TransformerSize size = TransformerSize.of(scene)
                .orElseThrow(() ->
                        new Problem(Problem.Kind.INVALID_ENTRY, "This set has no power transformer to compare with."));
        ValueReader values = values(caller);
        TransformerSize.Candidate candidate = new TransformerSize.Candidate(
                edit.name.strip(),
                number(values, edit.va.replaceAll("(?i)\\s*va$", ""), "va", 0, 5000),
                some(values, edit.highVolts, Unit.VOLT, "highVolts", 2000),
                some(values, edit.amperes, Unit.AMPERE, "amperes", 5),
                edit.centreTap,
                some(values, edit.heaterVolts, Unit.VOLT, "heaterVolts", 150),
                some(values, edit.heaterAmperes, Unit.AMPERE, "heaterAmperes", 50),
                some(values, edit.rectifierVolts, Unit.VOLT, "rectifierVolts", 20),
                some(values, edit.rectifierAmperes, Unit.AMPERE, "rectifierAmperes", 20),
                edit.fits);
        if (edit.keep) {
            stock.add(
                    caller,
                    new StockItem(
                            edit.id.toString(),
                            StockItem.Kind.TRANSFORMER,
                            candidate.name(),
                            "",
                            Optional.of(candidate),
                            0),
                    1);
        }
        return view(size.compare(scene, candidate));
    }

    @PostMapping("/turns")
    TurnsView turns(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody TurnsEdit edit) {
        ValueReader values = values(caller);
        double line = required(values, edit.lineVolts, Unit.VOLT, "lineVolts", 1, 1000);
        double primary = edit.primaryTurns.isBlank()
                ? testTurns(values, edit, line)
                : number(values, edit.primaryTurns, "primaryTurns", 10, 100_000);
        double wanted = required(values, edit.wantedVolts, Unit.VOLT, "wantedVolts", 1, 5000);
        double amperes = some(values, edit.amperes, Unit.AMPERE, "amperes", 50);
        double noLoad = Windings.noLoadVolts(
                wanted,
                amperes,
                some(values, edit.windingOhms, Unit.OHM, "windingOhms", 1e5),
                some(values, edit.primaryOhms, Unit.OHM, "primaryOhms", 1e4),
                line);
        int now = (int) Math.round(number(values, edit.turnsNow, "turnsNow", 1, 100_000));
        Windings.Turns turns = Windings.turns(primary, line, noLoad, now);
        List<String> arithmetic = List.of(
                text(
                        "%.1f V under load + drop at %s = %.1f V without",
                        wanted, Engineering.print(amperes, Unit.AMPERE), noLoad),
                text("%.0f turns x %.1f V / %.1f V = %.1f turns", primary, noLoad, line, turns.wanted()),
                text("rounded down, so that it ends low: %d turns, %.1f V without load", turns.left(), turns.volts()));
        if (!edit.outermost) {
            return new TurnsView(
                    Verdict.BAD,
                    text(
                            "%d turns would have to come off, but the winding is not the outermost: it cannot "
                                    + "be reached without unwinding what lies over it.",
                            Math.max(0, turns.remove())),
                    arithmetic,
                    List.of("A resistor in the B+ feed, or a bucking winding of thick wire over the outside."));
        }
        if (turns.remove() <= 0) {
            return new TurnsView(
                    Verdict.DOUBT,
                    text("It has %d turns, %d too few: nothing comes off.", now, -turns.remove()),
                    arithmetic,
                    List.of());
        }
        return new TurnsView(
                Verdict.GOOD,
                text(
                        "Take off %d of %d turns: %d are left and give %.1f V without load.",
                        turns.remove(), now, turns.left(), turns.volts()),
                arithmetic,
                List.of(
                        "Unwind in steps of a third, stack a few laminations each time, feed the primary low "
                                + "and read the ratio.",
                        "Count aloud in tens and mark each hundred.",
                        "The last ten turns only after a reading: low is safe, high is not.",
                        "Varnish, stack fully, test under the loads on this page for an hour."));
    }

    /** Turns of the primary from ten test turns. */
    private static double testTurns(ValueReader values, TurnsEdit edit, double line) {
        if (edit.testVolts.isBlank()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.EMPTY,
                            "Enter the primary's turns, or the volts of ten turns wound for a test.")
                    .at("primaryTurns");
        }
        return 10 * line / required(values, edit.testVolts, Unit.VOLT, "testVolts", 0.01, 100);
    }

    @PostMapping("/field")
    FieldView field(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody FieldEdit edit) {
        ValueReader values = values(caller);
        double ohms = required(values, edit.ohms, Unit.OHM, "ohms", 10, 50_000);
        double amperes = required(values, edit.amperes, Unit.AMPERE, "amperes", 0.001, 2);
        double choke = some(values, edit.chokeOhms, Unit.OHM, "chokeOhms", 50_000);
        FieldReplacement r = FieldReplacement.of(
                ohms, amperes, choke, shops.shop(caller.shopId()).policy().wattsMargin());
        String beside = choke <= 0
                ? ""
                : r.besideChoke() == 0
                        ? "The choke's own resistance is enough."
                        : Engineering.print(r.besideChoke(), Unit.OHM) + ", " + text("%.1f W", r.besideWatts())
                                + " in series with the choke keeps B+ where it was.";
        return new FieldView(
                text(
                        "It dropped %.0f V. A resistor alone smooths less than the coil did: give the second "
                                + "filter capacitor more, or use a choke. The speaker needs a permanent magnet then.",
                        r.dropVolts()),
                Engineering.print(r.resistorOhms(), Unit.OHM),
                text("%.1f W of heat, buy %.0f W", r.resistorWatts(), Math.ceil(r.ratedWatts())),
                beside,
                List.of(text(
                        "(%s)² x %s = %.1f W",
                        Engineering.print(amperes, Unit.AMPERE),
                        Engineering.print(r.resistorOhms(), Unit.OHM),
                        r.resistorWatts())));
    }

    @PostMapping("/copper")
    CopperView copper(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody CopperEdit edit) {
        ValueReader values = values(caller);
        double cold = required(values, edit.coldOhms, Unit.OHM, "coldOhms", 0.001, 1e6);
        double room = edit.coldCelsius.isBlank() ? 21 : number(values, edit.coldCelsius, "coldCelsius", -20, 60);
        double hot = Windings.celsius(cold, required(values, edit.hotOhms, Unit.OHM, "hotOhms", 0.001, 1e6), room);
        HousePolicy.Cold limits = shops.shop(caller.shopId()).policy().cold();
        Verdict word = hot > limits.copperMostCelsius()
                ? Verdict.BAD
                : hot > limits.copperDoubtfulCelsius() || hot < room - 3 ? Verdict.DOUBT : Verdict.GOOD;
        String says = hot > limits.copperMostCelsius()
                ? "Too hot for old paper and enamel."
                : hot > limits.copperDoubtfulCelsius()
                        ? "Warm for an old one: give it air, or less load."
                        : hot < room - 3
                                ? "Colder than the room: one of the readings is wrong."
                                : "An old transformer stands that.";
        return new CopperView(text("%.1f °C", hot), says, word);
    }

    private ValueReader values(Caller caller) {
        DecimalSign sign = shops.shop(caller.shopId()).policy().decimalSign();
        return new ValueReader(sign);
    }

    private static double some(ValueReader values, String text, Unit unit, String field, double most) {
        return text.isBlank() ? 0 : required(values, text, unit, field, 0, most);
    }

    private static double required(
            ValueReader values, String text, Unit unit, String field, double least, double most) {
        try {
            return within(values.read(text, unit).value(), least, most, field, unit.symbol());
        } catch (InvalidEntry refused) {
            throw refused.field().isEmpty() ? refused.at(field) : refused;
        }
    }

    private static double number(ValueReader values, String text, String field, double least, double most) {
        try {
            return within(values.number(text), least, most, field, "");
        } catch (InvalidEntry refused) {
            throw refused.field().isEmpty() ? refused.at(field) : refused;
        }
    }

    private static double within(double value, double least, double most, String field, String unit) {
        if (!(value >= least && value <= most)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            text("Between %s and %s %s is usual here.", plain(least), plain(most), unit))
                    .at(field);
        }
        return value;
    }

    private static String plain(double value) {
        return java.math.BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }

    private static String text(String format, Object... values) {
        return String.format(java.util.Locale.ROOT, format, values);
    }

    private static SizeView view(TransformerSize s) {
        List<HeaterGroup> heaters = s.heaters().stream()
                .map(h -> new HeaterGroup(
                        text("%.1f V", h.volts()), text("%.2f A", h.amperes()), h.rectifier(), h.tubes()))
                .toList();
        List<LoadLine> loads = s.loads().stream()
                .map(l -> new LoadLine(
                        l.winding(),
                        Engineering.print(l.volts(), Unit.VOLT),
                        Engineering.print(l.amperes(), Unit.AMPERE),
                        Engineering.print(l.ohms(), Unit.OHM),
                        text("%.1f W", l.watts())))
                .toList();
        OptionalDouble high = s.highVolts();
        return new SizeView(
                heaters,
                Engineering.print(s.supplyAmperes(), Unit.AMPERE),
                s.byEngine(),
                high.isPresent() ? text("%.0f V", high.getAsDouble()) : null,
                s.halves(),
                text("%.0f VA", s.loadVa()),
                text("%.0f VA", s.wantedVa()),
                Engineering.print(s.wantedAmperes(), Unit.AMPERE),
                s.arithmetic(),
                loads);
    }

    private static ComparedView view(TransformerSize.Compared c) {
        return new ComparedView(
                c.word(),
                c.sentence(),
                c.results().stream()
                        .map(r -> new CandidateResult(r.label(), r.value(), r.note(), r.word()))
                        .toList());
    }
}
