package org.umberdial.server.model.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.area.Bench;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;
import org.umberdial.core.volts.Flow;
import org.umberdial.core.volts.PartChange;
import org.umberdial.core.volts.PinChart;
import org.umberdial.core.volts.WhatIf;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.SetFiles;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.sets.StoredSet;
import org.umberdial.server.shop.ShopService;

/** What the set's own circuit says: resistances when cold, and what a changed part would do. */
@RestController
@RequestMapping("/api/sets/{setId}")
class ModelController {
    private static final int MOST_CHANGES = 8;

    record PinView(String pin, String node, String name, String toReference, String toSupply) {}

    record SocketView(String socket, String type, List<PinView> pins) {}

    record OhmsPointView(String node, String name, String toReference, String toSupply) {}

    record ColdOhmsView(
            String title,
            String reference,
            String supply,
            String refusal,
            String mode,
            List<SocketView> sockets,
            List<OhmsPointView> points) {}

    record ChangeableView(
            String part,
            String description,
            String working,
            @Schema(nullable = true) String unit,
            List<PartChange.Kind> kinds) {}

    record WhatIfPartsView(String title, String conditions, String refusal, List<ChangeableView> parts) {}

    /** @param strained whether it carries more than it is made for */
    record FlowView(String part, String amperes, String watts, String rated, boolean strained) {}

    /** @param value with its unit or prefix for VALUE and LEAK, percent of the emission for WEAK, empty otherwise */
    record ChangeEdit(
            @NotNull @Size(max = 40) String part,
            @NotNull PartChange.Kind kind,
            @NotNull @Size(max = 40) String value) {}

    record WhatIfQuestion(@NotNull @Size(max = MOST_CHANGES) List<@Valid ChangeEdit> changes) {}

    record StepView(
            String node,
            String name,
            @Schema(nullable = true) Double healthy,
            @Schema(nullable = true) Double changed,
            String healthyText,
            String changedText,
            String change) {}

    record WhatIfAnswer(boolean solved, String sentence, List<StepView> steps, List<String> consequences) {}

    private final SetService sets;
    private final SetFiles files;
    private final ShopService shops;

    ModelController(SetService sets, SetFiles files, ShopService shops) {
        this.sets = sets;
        this.files = files;
        this.shops = shops;
    }

    @GetMapping("/cold-ohms")
    ColdOhmsView coldOhms(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        StoredSet stored = sets.set(caller.shopId(), setId.toString());
        BenchSet set = stored.set();
        PinChart chart = PinChart.of(set, stored.conditions().mode());
        List<SocketView> sockets = chart.sockets().stream()
                .map(socket -> new SocketView(
                        socket.socket(),
                        socket.type(),
                        socket.pins().stream()
                                .map(pin -> new PinView(
                                        pin.pin(),
                                        pin.node(),
                                        set.nameOf(pin.node()),
                                        ohms(pin.toReference()),
                                        ohms(pin.toSupply())))
                                .toList()))
                .toList();
        List<OhmsPointView> points = chart.points().stream()
                .map(line -> new OhmsPointView(
                        line.point().node(), line.point().name(), ohms(line.toReference()), ohms(line.toSupply())))
                .toList();
        return new ColdOhmsView(
                stored.label().title(),
                set.nameOf("0"),
                chart.supply().map(set::nameOf).orElse(""),
                chart.refusal(),
                stored.conditions().mode(),
                sockets,
                points);
    }

    /** What each part carries when all is well. */
    @GetMapping("/flows")
    List<FlowView> flows(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        SetFile file = files.open(caller.shopId(), setId.toString()).file();
        return Flow.of(file.contents().set(), file.contents().bench()).stream()
                .map(flow -> new FlowView(
                        flow.part(),
                        Engineering.print(flow.amperes(), Unit.AMPERE),
                        Engineering.print(flow.watts(), Unit.WATT),
                        flow.ratedWatts().isPresent()
                                ? Engineering.print(flow.ratedWatts().getAsDouble(), Unit.WATT)
                                : "",
                        flow.watts() > flow.ratedWatts().orElse(Double.POSITIVE_INFINITY)))
                .toList();
    }

    @GetMapping("/what-if-parts")
    WhatIfPartsView parts(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        StoredSet stored = sets.set(caller.shopId(), setId.toString());
        Bench bench =
                files.open(caller.shopId(), setId.toString()).file().contents().bench();
        List<ChangeableView> parts = WhatIf.changeable(stored.set()).stream()
                .map(part -> new ChangeableView(
                        part.part(),
                        part.description(),
                        part.working(),
                        part.unit().map(Unit::symbol).orElse(null),
                        part.kinds()))
                .toList();
        String conditions = Engineering.print(bench.lineVolts(), Unit.VOLT) + " line"
                + bench.meter().map(meter -> ", " + meter.notation() + " meter").orElse("")
                + (bench.mode().isEmpty() ? "" : ", " + bench.mode());
        return new WhatIfPartsView(
                stored.label().title(), conditions, WhatIf.whyUnsolved(stored.set(), bench.mode()), parts);
    }

    @PostMapping("/what-ifs")
    WhatIfAnswer whatIf(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @Valid @RequestBody WhatIfQuestion question) {
        StoredSet stored = sets.set(caller.shopId(), setId.toString());
        ValueReader values =
                new ValueReader(shops.shop(caller.shopId()).policy().decimalSign());
        List<PartChange> changes = new ArrayList<>();
        for (int i = 0; i < question.changes().size(); i++) {
            changes.add(change(stored.set(), question.changes().get(i), values, "changes/" + i + "/value"));
        }
        try {
            return view(
                    stored.set(),
                    WhatIf.ask(
                            stored.set(),
                            files.open(caller.shopId(), setId.toString())
                                    .file()
                                    .contents()
                                    .bench(),
                            changes));
        } catch (IllegalArgumentException refused) {
            throw new Problem(Problem.Kind.INVALID_ENTRY, refused.getMessage());
        }
    }

    private static PartChange change(BenchSet set, ChangeEdit edit, ValueReader values, String field) {
        WhatIf.Changeable part = WhatIf.changeable(set).stream()
                .filter(found -> found.part().equalsIgnoreCase(edit.part()))
                .findFirst()
                .orElseThrow(() -> new Problem(
                        Problem.Kind.INVALID_ENTRY, edit.part() + " is no part of this set that can be changed."));
        if (!part.kinds().contains(edit.kind())) {
            throw new Problem(
                    Problem.Kind.INVALID_ENTRY,
                    part.part() + " cannot be changed like that; it can be "
                            + String.join(
                                    ", ",
                                    part.kinds().stream()
                                            .map(kind -> kind.name().toLowerCase(Locale.ROOT))
                                            .toList())
                            + ".");
        }
        double value = switch (edit.kind()) {
            case VALUE -> positive(values, edit.value(), part.unit().orElseThrow(), field);
            case LEAK -> positive(values, edit.value(), Unit.OHM, field);
            case WEAK -> percent(edit.value(), field);
            default -> 0;
        };
        return new PartChange(part.part(), edit.kind(), value);
    }

    private static double positive(ValueReader values, String text, Unit unit, String field) {
        try {
            double value = values.read(text, unit).value();
            if (value > 0) {
                return value;
            }
            throw new InvalidEntry(
                    InvalidEntry.Code.OUT_OF_RANGE,
                    "Give a value above 0; for an open or a shorted part choose that instead.");
        } catch (InvalidEntry refused) {
            throw refused.at(field);
        }
    }

    private static double percent(String text, String field) {
        try {
            double value =
                    Double.parseDouble(text.replace("%", "").replace(',', '.').strip());
            if (value >= 0 && value <= 100) {
                return value / 100;
            }
        } catch (NumberFormatException e) {
            throw new InvalidEntry(
                            InvalidEntry.Code.NOT_A_NUMBER, "Give the emission that is left in percent, as in 40.")
                    .at(field);
        }
        throw new InvalidEntry(
                        InvalidEntry.Code.OUT_OF_RANGE, "Give the emission that is left, from 0 (dead) to 100 (new).")
                .at(field);
    }

    private static WhatIfAnswer view(BenchSet set, WhatIf.Answer answer) {
        List<StepView> steps =
                answer.steps().stream().map(ModelController::step).toList();
        List<String> consequences = new ArrayList<>();
        answer.overloads()
                .forEach(overload ->
                        consequences.add(overload.part() + " gets " + Engineering.print(overload.watts(), Unit.WATT)
                                + " and is made for " + Engineering.print(overload.ratedWatts(), Unit.WATT) + "."));
        answer.heaters()
                .forEach(heater -> consequences.add(
                        heaterName(set, heater.part()) + " gets " + Engineering.print(heater.changed(), Unit.VOLT)
                                + " instead of " + Engineering.print(heater.healthy(), Unit.VOLT) + "."));
        if (answer.lineAmperes().isPresent()
                && Math.abs(answer.changedLineAmperes().orElse(0)
                                - answer.lineAmperes().getAsDouble())
                        > 0.02 * answer.lineAmperes().getAsDouble()) {
            consequences.add("The line gives "
                    + Engineering.print(answer.changedLineAmperes().orElse(0), Unit.AMPERE) + " instead of "
                    + Engineering.print(answer.lineAmperes().getAsDouble(), Unit.AMPERE) + ".");
        }
        return new WhatIfAnswer(answer.solved(), answer.sentence(), steps, consequences);
    }

    /** A heater goes by its tube, a lamp by what it lights. */
    private static String heaterName(BenchSet set, String part) {
        String description = set.part(part).map(Part::description).orElse("");
        boolean heater = part.matches("X[A-Z]+[0-9]+H");
        return heater
                ? "The heater of " + part.substring(1, part.length() - 1)
                : description.isEmpty() ? part : part + ", " + description + ",";
    }

    private static StepView step(WhatIf.Step step) {
        String change = "";
        if (step.healthy().isPresent() && step.changed().isPresent()) {
            double by = step.changed().getAsDouble() - step.healthy().getAsDouble();
            change = Math.abs(by)
                            < Math.max(0.02, 0.003 * Math.abs(step.healthy().getAsDouble()))
                    ? ""
                    : (by > 0 ? "+" : "−") + Engineering.print(Math.abs(by), Unit.VOLT);
        }
        return new StepView(
                step.point().node(),
                step.point().name(),
                boxed(step.healthy()),
                boxed(step.changed()),
                text(step.healthy()),
                text(step.changed()),
                change);
    }

    private static Double boxed(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    private static String text(OptionalDouble volts) {
        return volts.isPresent()
                ? Engineering.print(Math.abs(volts.getAsDouble()) < 5e-4 ? 0 : volts.getAsDouble(), Unit.VOLT)
                : "floats";
    }

    private static String ohms(double ohms) {
        return Double.isInfinite(ohms) ? "open" : Engineering.print(ohms, Unit.OHM);
    }
}
