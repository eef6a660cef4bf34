package org.umberdial.core.circuit.network;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Finds the junctions that the line's alternating voltage drives. */
final class LineDriven {
    /**
     * The line's alternating voltage is followed through branches up to this [Ω]; above, what arrives is a hum and not
     * a supply.
     */
    private static final double SUPPLY_OHMS = 30e3;
    /** A capacitor in series with a rectifier has at least this [F]. */
    private static final double SERIES_FARADS = 0.4e-6;

    private static final double HOLDING_OHMS = 1e3;

    private final List<Source> sources;
    private final List<Magnet> magnets;
    private final List<Branch> branches;
    private final List<Store> stores;
    private final List<Junction> junctions;

    LineDriven(NetworkBuilder built) {
        sources = built.sources;
        magnets = built.magnets;
        branches = built.branches;
        stores = built.stores;
        junctions = built.junctions;
    }

    /** Follows the line through wires, windings and heaters to the junctions it drives. */
    void mark() {
        Set<Integer> reached = new HashSet<>();
        Deque<Integer> open = new ArrayDeque<>();
        for (Source source : sources) {
            if (source.isLine()) {
                open.add(source.plus());
                open.add(source.minus());
            }
        }
        Map<Integer, Magnet> transformerOf = new HashMap<>();
        magnets.stream()
                .filter(magnet -> magnet.branches().length > 1)
                .forEach(magnet ->
                        Arrays.stream(magnet.branches()).forEach(winding -> transformerOf.put(winding, magnet)));
        Map<Integer, List<Integer>> at = new HashMap<>();
        for (int i = 0; i < branches.size(); i++) {
            at.computeIfAbsent(branches.get(i).a(), node -> new ArrayList<>()).add(i);
            at.computeIfAbsent(branches.get(i).b(), node -> new ArrayList<>()).add(i);
        }
        while (!open.isEmpty()) {
            int node = open.remove();
            if (node < 0 || !reached.add(node)) {
                continue;
            }
            for (int number : at.getOrDefault(node, List.of())) {
                Branch branch = branches.get(number);
                if (branch.kind() == Branch.Kind.LEAK
                        || branch.kind() == Branch.Kind.FAULT
                        || branch.ohms() > SUPPLY_OHMS) {
                    continue;
                }
                open.add(branch.a());
                open.add(branch.b());
                Magnet transformer = transformerOf.get(number);
                if (transformer != null) {
                    for (int winding : transformer.branches()) {
                        open.add(branches.get(winding).a());
                        open.add(branches.get(winding).b());
                    }
                }
            }
        }
        Set<Integer> carried = carriedBySeriesCapacitor(reached, at);
        junctions.replaceAll(junction -> reached.contains(junction.a())
                        || reached.contains(junction.b())
                        || carried.contains(junction.a())
                        || carried.contains(junction.b())
                ? new Junction(
                        junction.part(),
                        junction.a(),
                        junction.b(),
                        junction.law(),
                        junction.heat(),
                        true,
                        junction.shorted())
                : junction);
    }

    /**
     * Nodes that the line reaches through a large capacitor and that nothing but junctions leaves: the middle of a
     * doubler.
     */
    private Set<Integer> carriedBySeriesCapacitor(Set<Integer> reached, Map<Integer, List<Integer>> branchesAt) {
        Set<Integer> carried = new HashSet<>();
        for (Store store : stores) {
            if (store.farads() < SERIES_FARADS || reached.contains(store.a()) == reached.contains(store.b())) {
                continue;
            }
            int far = reached.contains(store.a()) ? store.b() : store.a();
            boolean held = branchesAt.getOrDefault(far, List.of()).stream()
                    .map(branches::get)
                    .anyMatch(branch -> branch.kind() != Branch.Kind.LEAK
                            && branch.kind() != Branch.Kind.FAULT
                            && branch.ohms() <= HOLDING_OHMS);
            if (far >= 0 && !held) {
                carried.add(far);
            }
        }
        return carried;
    }
}
