package org.umberdial.server.parts.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
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
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Part;
import org.umberdial.core.supply.Backfeed;
import org.umberdial.core.supply.FilterChoices;
import org.umberdial.core.supply.SiliconStudy;
import org.umberdial.core.supply.Vibrator;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** The supply of a set with something of it changed. */
@RestController
@RequestMapping("/api/sets/{setId}/rectifying")
class RectifyingController {
    /**
     * @param over whether it sees more than its rating
     * @param work at work [V], for a drawing
     * @param peak before the tubes draw [V]
     * @param limit its rating [V]; null when nobody knows
     */
    record FilterPoint(
            String capacitor,
            String atWork,
            String before,
            String rated,
            boolean over,
            double work,
            double peak,
            @Schema(nullable = true) Double limit) {}

    record SupplyWay(String name, String does, List<FilterPoint> points, String peak, boolean enough, String says) {}

    /** @param path ohms at switch-on, a sentence */
    record SiliconView(
            List<String> stack,
            List<SupplyWay> ways,
            String reverse,
            String path,
            List<String> beside,
            List<String> says,
            String danger,
            List<String> experiment) {}

    record FilterRow(
            String farads,
            boolean original,
            String volts,
            String ripple,
            String behind,
            String rippleCurrent,
            String peak,
            boolean allowed) {}

    /** @param limits what the rectifier's maker allows, a sentence; empty where nothing is published */
    record FilterView(String reservoir, String rectifier, String limits, List<FilterRow> rows) {}

    /**
     * @param vibrator whether it is fed by one
     * @param usual whether some of the circuit is as such sets usually have it
     */
    record RectifyingView(
            int revision,
            @Schema(nullable = true) SiliconView silicon,
            @Schema(nullable = true) FilterView filter,
            boolean vibrator,
            boolean usual,
            List<String> backfeed) {}

    /** Figures as typed. */
    record ScopeFigures(
            @NotNull @Size(max = 20) String periodDivisions,
            @NotNull @Size(max = 20) String timeBase,
            @NotNull @Size(max = 20) String heightDivisions,
            @NotNull @Size(max = 20) String voltsPerDivision,
            @NotNull @Size(max = 20) String probe,
            @NotNull Vibrator.Wave wave,
            @NotNull @Size(max = 20) String onPercent) {}

    record ScopeResult(String frequency, String peakToPeak, String rms, String averageMeter) {}

    private final SetFiles files;

    RectifyingController(SetFiles files) {
        this.files = files;
    }

    /** Worked out once a revision. */
    private record Studied(Optional<SiliconStudy> silicon, Optional<FilterChoices> filter) {}

    @GetMapping
    RectifyingView supply(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        Studied studied = set.file()
                .once(Studied.class, () -> new Studied(SiliconStudy.of(set.file()), FilterChoices.of(set.file())));
        return new RectifyingView(
                set.revision(),
                studied.silicon.map(RectifyingController::view).orElse(null),
                studied.filter.map(RectifyingController::view).orElse(null),
                set.set().construction() == ConstructionClass.VIBRATOR,
                set.set().parts().stream().anyMatch(Part::unconfirmed),
                Backfeed.of(set.set()));
    }

    private static SiliconView view(SiliconStudy study) {
        double wants = study.leastSeriesOhms();
        String path = study.pathOhms().isEmpty()
                ? "The circuit does not show what is in its path at switch-on; it wants " + ohms(wants) + " at least."
                : study.pathOhms().getAsDouble() >= wants
                        ? "At switch-on " + ohms(study.pathOhms().getAsDouble()) + " are in its path, and it wants "
                                + ohms(wants) + ": enough."
                        : "At switch-on only " + ohms(study.pathOhms().getAsDouble())
                                + " are in its path, and it wants " + ohms(wants)
                                + ": put in a flameproof resistor for the rest.";
        return new SiliconView(
                study.stack().stream().map(r -> r.replaceFirst("^X", "")).toList(),
                study.ways().stream()
                        .map(way -> new SupplyWay(
                                way.name(),
                                way.does(),
                                way.points().stream()
                                        .map(p -> new FilterPoint(
                                                p.capacitor(),
                                                volts(p.atWork()),
                                                volts(p.before()),
                                                p.rated().isPresent()
                                                        ? volts(p.rated().getAsDouble())
                                                        : "",
                                                p.over(),
                                                p.atWork(),
                                                p.before(),
                                                p.rated().isPresent()
                                                        ? p.rated().getAsDouble()
                                                        : null))
                                        .toList(),
                                amperes(way.peakAmperes()),
                                way.enough(),
                                way.says()))
                        .toList(),
                volts(study.reverseVolts()),
                path,
                SiliconStudy.BESIDE,
                study.says(),
                SiliconStudy.EXPERIMENT_DANGER,
                SiliconStudy.EXPERIMENT);
    }

    private static FilterView view(FilterChoices choices) {
        return new FilterView(
                choices.reservoir(),
                choices.rectifier().replaceFirst("^X", ""),
                limits(choices),
                choices.choices().stream()
                        .map(one -> new FilterRow(
                                Engineering.print(one.farads(), Unit.FARAD),
                                one.original(),
                                volts(one.volts()),
                                volts(one.ripple()),
                                printed(one.behind(), Unit.VOLT),
                                amperes(one.rippleAmperes()),
                                amperes(one.peakAmperes()),
                                one.allowed()))
                        .toList());
    }

    private static String limits(FilterChoices choices) {
        String most = choices.mostFarads().isEmpty()
                ? ""
                : "It allows " + Engineering.print(choices.mostFarads().getAsDouble(), Unit.FARAD) + " at most. ";
        if (choices.leastSeriesOhms().isEmpty()) {
            return most.strip();
        }
        double wants = choices.leastSeriesOhms().getAsDouble();
        if (choices.pathOhms().isEmpty()) {
            return most + "It wants " + ohms(wants)
                    + " in series with each plate; the circuit does not show what there is.";
        }
        double there = choices.pathOhms().getAsDouble();
        return most + "It wants " + ohms(wants) + " in series with each plate, and "
                + (there >= wants
                        ? ohms(there) + " are there."
                        : "only " + ohms(there) + " are drawn: " + ohms(wants - there) + " more belong in the way.");
    }

    /** What a scope shows of a vibrator's wave. */
    @PostMapping("/scope")
    ScopeResult scope(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody ScopeFigures typed) {
        ValueReader values = new ValueReader(
                files.open(caller.shopId(), setId.toString()).policy().decimalSign());
        Vibrator seen = Vibrator.of(
                number(values, typed.periodDivisions, "periodDivisions"),
                value(values, typed.timeBase, Unit.SECOND, "timeBase"),
                number(values, typed.heightDivisions, "heightDivisions"),
                value(values, typed.voltsPerDivision, Unit.VOLT, "voltsPerDivision"),
                typed.probe.isBlank() ? 1 : number(values, typed.probe, "probe"),
                typed.wave,
                typed.wave == Vibrator.Wave.SQUARE_WITH_DWELL ? number(values, typed.onPercent, "onPercent") / 100 : 1);
        return new ScopeResult(
                Engineering.print(seen.hertz(), Unit.HERTZ),
                volts(seen.peakToPeak()),
                volts(seen.rms()),
                volts(seen.averageMeter()));
    }

    private static double number(ValueReader values, String typed, String field) {
        try {
            return values.number(typed.strip());
        } catch (InvalidEntry refused) {
            throw refused.at(field);
        }
    }

    private static double value(ValueReader values, String typed, Unit unit, String field) {
        try {
            return values.read(typed.strip(), unit).value();
        } catch (InvalidEntry refused) {
            throw refused.at(field);
        }
    }

    private static String printed(OptionalDouble value, Unit unit) {
        return value.isPresent() ? Engineering.print(value.getAsDouble(), unit) : "";
    }

    private static String volts(double volts) {
        return Engineering.print(volts, Unit.VOLT);
    }

    private static String ohms(double ohms) {
        return Engineering.print(ohms, Unit.OHM);
    }

    private static String amperes(double amperes) {
        return Engineering.print(amperes, Unit.AMPERE);
    }
}
