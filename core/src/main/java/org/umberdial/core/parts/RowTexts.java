package org.umberdial.core.parts;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.evidence.Measured;
import org.umberdial.core.evidence.PartRead;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.role.PartRoles;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/** The words of a row: what a part does, what stands on it, what was read of it. */
final class RowTexts {
    private final BenchSet set;
    private final PartRoles roles;

    RowTexts(BenchSet set, PartRoles roles) {
        this.set = set;
        this.roles = roles;
    }

    /** What it does, such as {@code coupling, V3 plate to V4 grid}; else how the sheet describes it. */
    String job(Part part) {
        String phrase = roles.phrase(part.reference()).orElse("");
        // What keeps a slow node still filters AVC or bias; whoever drew it knows which.
        boolean slow = roles.role(part.reference())
                .filter(r -> r == NetworkRole.AVC_BYPASS)
                .isPresent();
        if (phrase.isEmpty()
                || part.card().kind().equals("pot")
                || slow && !part.description().isEmpty()) {
            return part.description();
        }
        boolean couples = roles.role(part.reference())
                .filter(r -> r == NetworkRole.COUPLING_CAPACITOR)
                .isPresent();
        return couples
                ? "coupling, " + set.nameOf(part.nodes().get(0)) + " to "
                        + set.nameOf(part.nodes().get(1))
                : phrase;
    }

    /** Value and ratings as read off it, or what was written of a new one. */
    String marked(Part part, Optional<Ledger.Replaced> replaced) {
        if (replaced.isPresent() && !replaced.get().with().isEmpty()) {
            return "new: " + replaced.get().with();
        }
        if (PartsBench.isTube(part)) {
            return TubeData.bare(part.card().model());
        }
        String value = part.unit()
                .filter(unit -> unit != Unit.HENRY)
                .flatMap(unit -> part.workingValue().map(v -> Engineering.round(v, unit)))
                .orElse(
                        part.card().letter() == 'L' || part.card().kind().equals("transformer")
                                ? ""
                                : part.card().model());
        String volts = part.ratingVolts()
                .map(v -> " " + Engineering.round(v, Unit.VOLT))
                .orElse("");
        String watts = part.ratingWatts().map(w -> " " + watts(w)).orElse("");
        return (value + volts + watts).strip();
    }

    private static String watts(double watts) {
        return watts == 0.25 ? "¼ W" : watts == 0.5 ? "½ W" : Engineering.exact(watts) + " W";
    }

    /** The last readings in one line, the last word of each. */
    static String reading(List<Taken> own) {
        Map<Measured, String> last = new LinkedHashMap<>();
        // What condemns a capacitor most often stands first.
        for (Measured first : List.of(Measured.LEAK_OHMS, Measured.LEAK_AMPERES, Measured.FARADS)) {
            last.put(first, "");
        }
        List<String> signs = new ArrayList<>();
        for (Taken taken : own) {
            PartRead read = taken.read();
            read.figures().forEach((measured, value) -> last.put(measured, shown(measured, value, read)));
            signs.clear();
            read.signs().stream().sorted().forEach(sign -> signs.add(sign.label()));
        }
        last.remove(Measured.TEST_VOLTS);
        last.remove(Measured.SCALE_LEAST);
        List<String> words = new ArrayList<>(last.values());
        words.removeIf(String::isEmpty);
        words.addAll(signs);
        return String.join(" · ", words);
    }

    private static String shown(Measured measured, double value, PartRead read) {
        String volts = read.figure(Measured.TEST_VOLTS).isPresent()
                ? " @" + Engineering.plain(read.figure(Measured.TEST_VOLTS).getAsDouble())
                : "";
        return switch (measured) {
            case LEAK_OHMS ->
                (Double.isInfinite(value) ? "no leak" : "leak " + Engineering.round(value, Unit.OHM)) + volts;
            case LEAK_AMPERES -> "leak " + Engineering.round(value, Unit.AMPERE) + volts;
            case ESR_OHMS -> "ESR " + Engineering.round(value, Unit.OHM);
            case SCALE ->
                Engineering.plain(value)
                        + (read.figure(Measured.SCALE_LEAST).isPresent()
                                ? "/"
                                        + Engineering.exact(read.figure(Measured.SCALE_LEAST)
                                                .getAsDouble())
                                : "");
            default -> Engineering.round(value, measured.unit());
        };
    }
}
