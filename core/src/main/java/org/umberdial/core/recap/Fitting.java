package org.umberdial.core.recap;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.expect.Reference;
import org.umberdial.core.expect.Topology;
import org.umberdial.core.parts.CapacitorKind;
import org.umberdial.core.parts.PartRow;
import org.umberdial.core.policy.School;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.role.PartRoles;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Can;
import org.umberdial.core.set.Part;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Ohms;
import org.umberdial.core.value.ResistorColours;

/**
 * How a new part goes in, step by step: for what it is, where it sits, and the schools the set follows.
 *
 * <p>Source: JOB section 3, Capacitors and Planning the recap.
 */
final class Fitting {
    /** A part shut in stands about half its watts. */
    private static final String ENCLOSED = "shut in, it stands about half its watts";

    private static final Set<NetworkRole> TO_A_GRID =
            Set.of(NetworkRole.AUDIO_INPUT_CAPACITOR, NetworkRole.COUPLING_CAPACITOR, NetworkRole.GRID_STOPPER);

    private final SetFile file;
    private final BenchSet set;
    private final PartRoles roles;

    Fitting(SetFile file, PartRoles roles) {
        this.roles = roles;
        this.file = file;
        this.set = file.set();
    }

    /** In the order of the work. */
    List<String> steps(PartRow row, Part part, boolean hot) {
        List<String> steps = new ArrayList<>();
        steps.add(
                part.unconfirmed()
                        ? "Photo before. Its ends and its polarity here are as such sets usually have them: go by the old part’s "
                                + "own joints and marks."
                        : "Photo before. Its ends: " + ends(part) + ".");
        switch (row.kind()) {
            case ELECTROLYTIC -> electrolytic(steps, part);
            case CAPACITOR -> capacitor(steps, part, row.place().line());
            case RESISTOR -> resistor(steps, part, hot);
            case CONTROL -> control(steps, part);
            case TUBE -> tube(steps);
            default -> other(steps, part);
        }
        steps.add("Photo after, tick it here, and read it once more in its place.");
        return steps;
    }

    private String ends(Part part) {
        return part.nodes().stream().map(set::nameOf).distinct().collect(Collectors.joining(" and "));
    }

    private boolean follows(School school) {
        return file.policy().schools().follow(school);
    }

    private String bedding() {
        return follows(School.SILICONE)
                ? "Bed it in neutral silicone, never the acid kind, and give it a day"
                : "Bed it in hot glue, away from what gets hot";
    }

    private void electrolytic(List<String> steps, Part part) {
        steps.add("Test the new one before it goes in: capacitance, and its leak at working volts for some minutes.");
        Optional<Can> can = Can.of(set).stream()
                .filter(c -> c.sections().stream().anyMatch(s -> s.reference().equals(part.reference())))
                .findFirst();
        String mark = can.stream()
                .flatMap(c -> c.sections().stream())
                .filter(s -> s.reference().equals(part.reference()) && !s.mark().isEmpty())
                .map(s -> " Its lug is marked " + s.mark() + ".")
                .findFirst()
                .orElse("");
        if (can.isEmpty()) {
            steps.add("Take the old one out, or cut it free at both ends even if it tests open.");
            steps.add("Sleeve the new one’s leads; keep it clear of what gets hot, its vent free.");
        } else if (follows(School.RESTUFF)) {
            steps.add("Open the old case where its seam is not seen, take the old out, keep every mark." + mark);
            steps.add(
                    "Its vent to the free end, its leads to the lugs by rivet or clamp: nothing solders to aluminium. "
                            + "Drill the case a vent of its own.");
            steps.add(bedding() + "; read each lug by itself before the case goes back.");
        } else {
            steps.add("Cut the old one free at both ends, even if it tests open, and say that it stays for looks."
                    + mark);
            steps.add("Sleeve the new one’s leads; keep it clear of what gets hot, its vent free.");
        }
        if (part.unconfirmed()) {
            return;
        }
        steps.add(String.format(
                "Plus to %s, minus to %s; look twice: reversed it bursts.",
                set.nameOf(part.nodes().get(0)), set.nameOf(part.nodes().get(1))));
    }

    private void capacitor(List<String> steps, Part part, boolean line) {
        steps.add("Test the new one before it goes in: capacitance, and no leak at its working volts.");
        if (line) {
            steps.add("Sleeve both leads and fix its body: a lead that comes off here makes the metal live.");
        } else {
            outerFoil(part)
                    .filter(end -> !part.unconfirmed())
                    .ifPresent(end -> steps.add("Its outer foil to " + end
                            + ", the quieter end. Which end it is: on a scope, a finger round its body, less hum with the foil at "
                            + "the ground clip."));
        }
        CapacitorKind kind = CapacitorKind.of(part.card());
        if (kind.paper() && follows(School.RESTUFF)) {
            steps.add("Inside the old tube: warm the wax out below 100 °C, never over a flame. " + bedding()
                    + ", and close the ends as they were.");
        }
        steps.add("Leads as short as the old ones had, sleeved, no closer to their neighbours.");
    }

    /** The end whose source resistance is lower, where one plainly is. */
    private Optional<String> outerFoil(Part part) {
        String mode = file.contents().bench().mode();
        Reference reference = Reference.of(set, mode, new Topology(set, mode));
        double a = source(reference, part.nodes().get(0));
        double b = source(reference, part.nodes().get(1));
        if (Double.isNaN(a) || Double.isNaN(b) || Math.max(a, b) < 2 * Math.min(a, b)) {
            return Optional.empty();
        }
        return Optional.of(set.nameOf(part.nodes().get(a < b ? 0 : 1)));
    }

    /** Not a number where nothing leads [Ω]. */
    private static double source(Reference reference, String node) {
        if (node.equals("0")) {
            return 0;
        }
        double ohms = reference.source(node, "0").value();
        return ohms > 0 ? ohms : Double.NaN;
    }

    private void resistor(List<String> steps, Part part, boolean hot) {
        steps.add("Read the new one’s ohms before it is painted, bent or shut in.");
        if (hot) {
            steps.add("Stand it off by its own diameter; nothing that melts within a finger’s width.");
        }
        if (follows(School.RESTUFF) && part.workingValue().isPresent()) {
            colours(part)
                    .ifPresent(bands -> steps.add(
                            "For a copy of the old one: " + bands + "; the real one inside, " + ENCLOSED + "."));
        }
        steps.add("Heat on its leads short, and away from the styrene and wax beside it.");
    }

    private static Optional<String> colours(Part part) {
        try {
            return Optional.of(
                    ResistorColours.bandsFor(new Ohms(part.workingValue().orElseThrow()), part.tolerance()).stream()
                            .map(colour -> colour.name().toLowerCase(Locale.ROOT))
                            .collect(Collectors.joining(", ")));
        } catch (InvalidEntry notPaintable) {
            return Optional.empty();
        }
    }

    private void control(List<String> steps, Part part) {
        steps.add(
                "Match value, taper, switch, tap, and the shaft’s length and flat; cut the shaft with the body held.");
        if (roles.role(part.reference())
                .filter(r -> r == NetworkRole.TAPPED_VOLUME_CONTROL)
                .isPresent()) {
            String left = atTap(part);
            steps.add("Where none with a tap is found, one without it plays; what is lost is the bass at low volume."
                    + (left.isEmpty() ? "" : " What went to the tap, " + left + ", stays with that end taped off."));
        }
        steps.add("Its switch, if it carries the line, is rated for it; read it open and closed before power.");
        steps.add(
                follows(School.DRY_FIRST)
                        ? "Before it is condemned: work the old one dry, end to end, thirty times; fluid last."
                        : "Before it is condemned: cleaner, then lubricant, worked end to end, its opening upward.");
    }

    /** Parts that meet the control's track between its ends and not at its wiper. */
    private String atTap(Part part) {
        List<Part> track = set.parts().stream()
                .filter(one -> one.card().kind().equals("pot") && track(one).equals(track(part)))
                .toList();
        return set.parts().stream()
                .filter(other ->
                        !track.contains(other) && "RC".indexOf(other.card().letter()) >= 0)
                .filter(other -> other.nodes().stream()
                        .anyMatch(node -> !node.equals("0")
                                && !isWiper(node, track)
                                && track.stream()
                                                .filter(one -> one.nodes().contains(node))
                                                .count()
                                        > 1))
                .map(Part::reference)
                .collect(Collectors.joining(" and "));
    }

    private static String track(Part pot) {
        return pot.description().replaceAll(",.*", "").strip();
    }

    /** The wiper leads on to a grid; a tap leads back to the chassis. */
    private boolean isWiper(String node, List<Part> track) {
        return set.parts().stream()
                .filter(other -> !track.contains(other) && other.nodes().contains(node))
                .anyMatch(other -> other.card().letter() == 'X'
                        || roles.role(other.reference())
                                .filter(TO_A_GRID::contains)
                                .isPresent());
    }

    private void tube(List<String> steps) {
        steps.add("Test the new one before it goes in. Out one at a time, or with a map.");
        steps.add("Clean the socket’s contacts and the pins; corroded pins glow unevenly and read as bad tubes.");
    }

    private void other(List<String> steps, Part part) {
        switch (part.card().letter()) {
            case 'Q' -> {
                steps.add(
                        "Read both junctions of the new one, and its leak, before it goes in; old germanium only on a "
                                + "heat sink, soldered quickly.");
                steps.add("Its leads may be in another order. Look first for what killed the old one: a missing bias "
                        + "resistor or a shorted emitter capacitor does.");
                siblings(part).ifPresent(steps::add);
                String feeds = set.parts().stream()
                        .filter(other -> other.card().letter() == 'R'
                                && other.nodes().contains(part.nodes().get(0)))
                        .map(Part::reference)
                        .collect(Collectors.joining(" and "));
                if (!feeds.isEmpty()) {
                    steps.add("No volts at its collector: follow the way back, " + feeds
                            + " first, then what feeds and decouples it, until they are there.");
                }
            }
            case 'D' ->
                steps.add("Its ring, or its red end, is plus, the cathode side; read it both ways before it goes in.");
            default -> steps.add("Read the new one before it goes in.");
        }
    }

    /** Others of its type show what a sound one reads. */
    private Optional<String> siblings(Part part) {
        String others = set.parts().stream()
                .filter(other -> other.card().letter() == 'Q'
                        && !other.equals(part)
                        && other.card().model().equalsIgnoreCase(part.card().model()))
                .map(Part::reference)
                .collect(Collectors.joining(" and "));
        return others.isEmpty()
                ? Optional.empty()
                : Optional.of(
                        "Read " + others + ", of the same type, in the same way: they show what a sound one reads.");
    }
}
