package org.umberdial.core.circuit.work;

import java.util.Arrays;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Junction;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Source;
import org.umberdial.core.circuit.network.Values;

/** Which nodes have no path for direct current to the reference, so that no voltage can be named for them. */
final class Floating {
    private final int[] group;

    private Floating(int nodes) {
        group = new int[nodes + 1];
        Arrays.setAll(group, i -> i);
    }

    static boolean[] of(Network network, Values values) {
        return of(network, values, true);
    }

    /** The same where a junction that the line does not drive is no path: backward it lets nothing through. */
    static boolean[] withoutStillJunctions(Network network, Values values) {
        return of(network, values, false);
    }

    private static boolean[] of(Network network, Values values, boolean stillJunctions) {
        Floating paths = new Floating(network.names().size());
        for (int i = 0; i < network.branches().size(); i++) {
            if (values.siemens()[i] > 0) {
                paths.join(
                        network.branches().get(i).a(), network.branches().get(i).b());
            }
        }
        for (Source source : network.sources()) {
            paths.join(source.plus(), source.minus());
        }
        for (int i = 0; i < network.junctions().size(); i++) {
            Junction junction = network.junctions().get(i);
            if (values.junctionHealth()[i] > 0 && (stillJunctions || junction.acDriven())) {
                paths.join(junction.a(), junction.b());
            }
        }
        for (int i = 0; i < network.amplifiers().size(); i++) {
            Amplifier tube = network.amplifiers().get(i);
            if (values.amplifierHealth()[i] > 0) {
                paths.join(tube.plate(), tube.cathode());
                if (tube.bipolar().isPresent()) {
                    paths.join(tube.grid(), tube.cathode());
                }
                if (tube.hasScreen()) {
                    paths.join(tube.screen(), tube.cathode());
                }
            }
        }
        boolean[] floating = new boolean[network.names().size()];
        for (int i = 0; i < floating.length; i++) {
            floating[i] = paths.root(i) != paths.root(-1);
        }
        return floating;
    }

    private void join(int a, int b) {
        group[root(a)] = root(b);
    }

    private int root(int node) {
        int at = node + 1;
        while (group[at] != at) {
            group[at] = group[group[at]];
            at = group[at];
        }
        return at;
    }
}
