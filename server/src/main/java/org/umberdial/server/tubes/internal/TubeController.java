package org.umberdial.server.tubes.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.tube.Confidence;
import org.umberdial.core.tube.OwnTube;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeSystem;
import org.umberdial.core.tube.TubeType;
import org.umberdial.core.tube.TubeUse;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.tubes.TubeService;

/** What is known of tube types, and what a shop adds to it. */
@RestController
@RequestMapping("/api/tubes")
class TubeController {
    private static final int MOST_SHOWN = 60;

    /**
     * @param known whether currents are expected of it, or pins and heater only
     * @param own whether the shop brought it
     */
    record TubeRow(String name, String use, String heater, String base, boolean known, boolean own) {}

    /** @param of how many there are */
    record TubeList(List<TubeRow> tubes, int of) {}

    record TubePinView(String pin, String electrode) {}

    /**
     * A type.
     *
     * @param replaces whether one of this name ships, which the shop's own stands in for
     * @param says what is not known of it, or doubtful
     * @param rows its figures in the open table's columns
     * @param seen to give back with a change
     */
    record TubeView(
            TubeRow row,
            TubeUse useId,
            List<TubePinView> pins,
            List<String> sisters,
            Confidence confidence,
            String note,
            boolean replaces,
            List<String> says,
            List<Map<String, String>> rows,
            String seen) {}

    record TubeUseView(TubeUse id, String label) {}

    /** @param rows cells by the open table's columns */
    record TubeEdit(
            @NotNull @Size(max = 40) String name,
            @NotNull @Size(max = 12) List<@NotNull @Size(max = 40) Map<String, @Size(max = 400) String>> rows,
            @NotNull @Size(max = 40) String seen) {}

    private final TubeService tubes;

    TubeController(TubeService tubes) {
        this.tubes = tubes;
    }

    /** The shop's own first, then by name; with a query those of that name, then those whose name begins so. */
    @GetMapping
    TubeList tubes(@AuthenticationPrincipal Caller caller, @RequestParam(defaultValue = "") String query) {
        TubeData data = tubes.models(caller.shopId()).data();
        Set<String> own = names(caller);
        String asked = query.strip().toUpperCase(Locale.ROOT).replaceAll("[\\s-]", "");
        Optional<TubeType> named = asked.isEmpty() ? Optional.empty() : data.type(asked);
        List<TubeType> found = Stream.concat(
                        named.stream(),
                        data.types().stream()
                                .filter(type -> !named.map(TubeType::name).equals(Optional.of(type.name())))
                                .filter(type -> type.name().contains(asked)
                                        || type.sisters().stream().anyMatch(sister -> sister.contains(asked)))
                                .sorted(Comparator.comparing((TubeType type) -> !own.contains(type.name()))
                                        .thenComparing(type -> !type.name().startsWith(asked))
                                        .thenComparing(TubeType::name)))
                .toList();
        return new TubeList(
                found.stream().limit(MOST_SHOWN).map(type -> row(type, own)).toList(), found.size());
    }

    @GetMapping("/uses")
    List<TubeUseView> uses() {
        return Stream.of(TubeUse.values())
                .map(use -> new TubeUseView(use, use.label()))
                .toList();
    }

    /** A type by any of its names. */
    @GetMapping("/type")
    TubeView tube(@AuthenticationPrincipal Caller caller, @RequestParam String name) {
        TubeType type = tubes.models(caller.shopId()).data().type(name).orElseThrow(() -> Problem.notFound("The type"));
        return view(caller, type, own(caller, type.name()));
    }

    /** What a type would be with these figures; nothing is kept. */
    @PostMapping("/readings")
    TubeView read(@AuthenticationPrincipal Caller caller, @Valid @RequestBody TubeEdit edit) {
        OwnTube tube = OwnTube.of(edit.name, edit.rows);
        return view(caller, tube.type(), Optional.of(tube));
    }

    @PutMapping("/type")
    TubeView keep(@AuthenticationPrincipal Caller caller, @Valid @RequestBody TubeEdit edit) {
        OwnTube tube = OwnTube.of(edit.name, edit.rows);
        tubes.keep(caller.shopId(), tube, edit.seen);
        return tube(caller, tube.name());
    }

    @DeleteMapping("/type")
    TubeList remove(@AuthenticationPrincipal Caller caller, @RequestParam String name, @RequestParam String seen) {
        if (!names(caller).contains(name)) {
            throw Problem.notFound("The type");
        }
        tubes.remove(caller.shopId(), name, seen);
        return tubes(caller, "");
    }

    private Set<String> names(Caller caller) {
        return tubes.own(caller.shopId()).stream().map(OwnTube::name).collect(Collectors.toSet());
    }

    private Optional<OwnTube> own(Caller caller, String name) {
        return tubes.own(caller.shopId()).stream()
                .filter(tube -> tube.name().equals(name))
                .findFirst();
    }

    private TubeView view(Caller caller, TubeType type, Optional<OwnTube> own) {
        OwnTube rows = own.orElseGet(() -> OwnTube.from(type));
        return new TubeView(
                row(type, own.map(tube -> Set.of(tube.name())).orElse(Set.of())),
                type.use(),
                TubeSystem.labels(type).entrySet().stream()
                        .map(pin -> new TubePinView(pin.getKey(), pin.getValue()))
                        .toList(),
                type.sisters(),
                type.confidence(),
                type.note(),
                TubeData.shipped().types().stream()
                        .anyMatch(shipped -> shipped.name().equals(type.name())),
                own.map(OwnTube::says).orElseGet(() -> shippedSays(type)),
                rows.rows(),
                tubes.seen(caller.shopId(), type.name()));
    }

    private static List<String> shippedSays(TubeType type) {
        List<String> says = new ArrayList<>(type.lacks());
        if (type.isUnsure()) {
            says.add("Some of its figures are of low confidence: they help to expect, and accuse no part.");
        }
        return says;
    }

    private static TubeRow row(TubeType type, Set<String> own) {
        return new TubeRow(
                type.name(), type.use().label(), type.heater(), type.base(), type.hasLaw(), own.contains(type.name()));
    }
}
