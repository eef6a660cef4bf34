package org.umberdial.core.parts;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.nets.Nets;
import org.umberdial.core.expect.Reference;
import org.umberdial.core.expect.Topology;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.role.PartRoles;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Section;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * Where each capacitor of a set sits, in the mode that asks most of it: what stands across it, and the least leak
 * resistance there. An end that nothing leads to is followed through the capacitors at it, so that two of them in
 * series guard a grid together.
 *
 * <p>Source: FORMULAS, Leakage; the least resistance for a rise dU at a grid is Rg (U/dU - 1), here with the network's
 * own figures in the place of Rg.
 */
final class Places {
    /** An electrode below this is judged by this [V]. */
    private static final double LEAST_ELECTRODE_VOLTS = 1;
    /** Of an AVC line nobody knows the volts on a strong station; usual sets have up to this [V]. */
    private static final double AVC_VOLTS = 20;

    private static final double RESTING_AVC_VOLTS = 2;

    private record Watched(String node, boolean grid, String name) {}

    private final BenchSet set;
    private final HousePolicy policy;
    private final PartRoles roles;
    private final Nets nets;
    private final List<Watched> watched = new ArrayList<>();
    private final Map<String, Reference> modes = new LinkedHashMap<>();
    private final Map<String, Place> known = new HashMap<>();
    private final double lineVolts;

    private Places(SetFile file) {
        set = file.set();
        policy = file.policy();
        roles = new PartRoles(set.cards(), set.tubes().data());
        nets = new Nets(set.cards(), set.tubes().data());
        lineVolts = file.contents().bench().lineVolts();
        for (String mode : set.modes().isEmpty() ? List.of("") : set.modes()) {
            modes.put(mode, Reference.of(set, mode, new Topology(set, mode)));
        }
        findElectrodes();
        List<Part> capacitors = set.parts().stream()
                .filter(part -> part.card().letter() == 'C' && part.nodes().size() == 2)
                .toList();
        List<String> seen = Stream.concat(
                        watched.stream().map(Watched::node), capacitors.stream().flatMap(part -> part.nodes().stream()))
                .distinct()
                .toList();
        modes.values().forEach(reference -> reference.prepare(seen));
        capacitors.forEach(part -> known.put(part.reference(), place(part)));
    }

    static Places of(SetFile file) {
        return file.once(Places.class, () -> new Places(file));
    }

    Place at(String reference) {
        return known.getOrDefault(reference, Place.UNKNOWN);
    }

    /** Most that stands across a part of two ends in any mode [V]; empty when nothing tells. */
    OptionalDouble across(Part part) {
        if (part.nodes().size() != 2) {
            return OptionalDouble.empty();
        }
        return modes.values().stream()
                .flatMapToDouble(reference -> {
                    OptionalDouble a = volts(reference, part.nodes().get(0));
                    OptionalDouble b = volts(reference, part.nodes().get(1));
                    return a.isPresent() && b.isPresent()
                            ? DoubleStream.of(Math.abs(a.getAsDouble() - b.getAsDouble()))
                            : DoubleStream.empty();
                })
                .max();
    }

    PartRoles roles() {
        return roles;
    }

    /** Electrodes of amplifying tubes by node, with what people call them. */
    Map<String, String> electrodes() {
        Map<String, String> nodes = new LinkedHashMap<>();
        watched.forEach(one -> nodes.put(one.node, one.name));
        return nodes;
    }

    private void findElectrodes() {
        Set<String> seen = new LinkedHashSet<>();
        for (Card card : set.cards()) {
            Optional<Section> section = nets.section(card).filter(Section::amplifies);
            for (int i = 0; section.isPresent() && i < card.nodes().size(); i++) {
                String node = card.nodes().get(i);
                Electrode electrode = section.get().electrodes().get(i);
                if (!node.equals("0") && seen.add(node)) {
                    String tube = Card.tube(card.reference());
                    watched.add(new Watched(node, electrode == Electrode.GRID, tube + "'s " + electrode.word()));
                }
            }
        }
    }

    private Place place(Part part) {
        Optional<NetworkRole> role = roles.role(part.reference());
        // Where the rail is on the line, what joins it to the metal is all there is between the line and a hand.
        boolean toMetal = set.construction().liveChassis() && part.nodes().contains("chassis");
        if (toMetal || role.filter(r -> r == NetworkRole.LINE_BYPASS_CAPACITOR).isPresent()) {
            return new Place(
                    role,
                    true,
                    OptionalDouble.of(lineVolts * Math.sqrt(2)),
                    OptionalDouble.of(Math.max(lineVolts / policy.touchAmperes(), policy.insulationOhms())),
                    true,
                    false,
                    "it is no insulation between the line and a hand");
        }
        Least least = new Least(CapacitorKind.of(part.card()) != CapacitorKind.ELECTROLYTIC);
        for (Reference reference : modes.values()) {
            for (String a : ends(part, part.nodes().get(0), reference)) {
                for (String b : ends(part, part.nodes().get(1), reference)) {
                    least.look(reference, a, b, role);
                }
            }
        }
        return least.place(role, part);
    }

    /** The node itself, or, where nothing leads to it, what the other capacitors at it lead to. */
    private List<String> ends(Part part, String node, Reference reference) {
        if (volts(reference, node).isPresent()) {
            return List.of(node);
        }
        List<String> beyond = nets.at(node).stream()
                .filter(card -> card.letter() == 'C' && !card.reference().equals(part.reference()))
                .filter(nets::isTwoEnded)
                .map(card -> Nets.other(card, node))
                .filter(other -> volts(reference, other).isPresent())
                .toList();
        return beyond.isEmpty() ? List.of(node) : beyond;
    }

    private static OptionalDouble volts(Reference reference, String node) {
        return node.equals("0")
                ? OptionalDouble.of(0)
                : reference.line().isPresent()
                        ? reference.volts(node, reference.line().getAsDouble())
                        : OptionalDouble.empty();
    }

    /** Whether it and what it hangs between are this set's own. */
    private boolean sure(Part part) {
        return set.parts().stream()
                .filter(other -> other.card().letter() != 'C' || other.equals(part))
                .filter(other -> other.nodes().stream()
                        .anyMatch(node -> !node.equals("0") && part.nodes().contains(node)))
                .noneMatch(Part::unconfirmed);
    }

    /** The strictest of what a place asks. */
    private final class Least {
        private final boolean dry;
        private double ohms;
        private double working = -1;
        private boolean grid;
        private String because = "";

        Least(boolean dry) {
            this.dry = dry;
        }

        void look(Reference reference, String a, String b, Optional<NetworkRole> role) {
            OptionalDouble at = volts(reference, a);
            OptionalDouble bt = volts(reference, b);
            if (at.isEmpty() || bt.isEmpty()) {
                return;
            }
            double across = Math.abs(at.getAsDouble() - bt.getAsDouble());
            working = Math.max(working, across);
            double source = reference.source(a, b).value();
            if (dry) {
                ask(policy.parts().dryLeastOhms(), false, "");
            }
            ask(
                    across * across / policy.parts().leakWatts(),
                    false,
                    "it would turn more than "
                            + Engineering.print(policy.parts().leakWatts(), Unit.WATT) + " into heat");
            for (Watched one : watched) {
                double moves = Math.abs(reference.transferOhms(one.node, a) - reference.transferOhms(one.node, b));
                double allowed = allowed(reference, one);
                if (moves > 0) {
                    ask(
                            across * moves / allowed - source,
                            one.grid,
                            one.name + " would move by more than " + Engineering.print(allowed, Unit.VOLT));
                }
            }
            // One with volts across it at rest filters a bias, and the grid behind it has asked already.
            if (role.filter(r -> r == NetworkRole.AVC_BYPASS).isPresent() && across < RESTING_AVC_VOLTS) {
                working = Math.max(working, AVC_VOLTS);
                ask(
                        source * (1 / policy.spread() - 1),
                        false,
                        String.format(Locale.ROOT, "the AVC would lose more than %.0f %%", 100 * policy.spread()));
            }
        }

        private double allowed(Reference reference, Watched one) {
            double stands = Math.abs(volts(reference, one.node).orElse(0));
            return one.grid ? policy.gridRiseVolts() : policy.spread() * Math.max(LEAST_ELECTRODE_VOLTS, stands);
        }

        /** @param ofGrid whether it is a grid that would move */
        private void ask(double least, boolean ofGrid, String reason) {
            if (least > ohms) {
                ohms = least;
                grid = ofGrid;
                because = reason;
            }
        }

        Place place(Optional<NetworkRole> role, Part part) {
            if (working < 0) {
                return new Place(role, false, OptionalDouble.empty(), OptionalDouble.empty(), true, false, "");
            }
            return new Place(
                    role, false, OptionalDouble.of(working), OptionalDouble.of(ohms), sure(part), grid, because);
        }
    }
}
