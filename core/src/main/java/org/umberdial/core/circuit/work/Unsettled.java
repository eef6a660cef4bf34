package org.umberdial.core.circuit.work;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Branch;
import org.umberdial.core.circuit.network.Junction;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Store;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * Words for a circuit that did not settle: where, and the likely cause there. A value is only called extraordinary when
 * it is; when nothing there is, the sentence says that the method failed and not the circuit.
 */
final class Unsettled {
    private static final double FEWEST_OHMS = 0.1;
    private static final double MOST_OHMS = 50e6;
    private static final double MOST_FARADS = 5e-3;
    private static final double SAME = 1e-9;

    private Unsettled() {}

    static NotSettled at(int worst, Values values) {
        Network network = values.network();
        String node = worst < network.namedNodes()
                ? network.names().get(worst)
                : worst < network.names().size() ? network.names().get(worst).replaceFirst("#.*", "") : "";
        String where = node.isEmpty() ? "" : " at " + node;
        return new NotSettled(
                node, "The circuit did not settle;" + where + " the currents do not add up. " + cause(worst, values));
    }

    private static String cause(int worst, Values values) {
        List<String> changed = new ArrayList<>();
        List<String> odd = new ArrayList<>();
        Values nominal = Values.nominal(values.network());
        Set<Integer> near = near(worst, values.network());
        branches(near, values, nominal, changed, odd);
        stores(near, values, nominal, changed, odd);
        tubes(near, values, nominal, changed);
        if (!changed.isEmpty()) {
            return "The likely cause is what was changed there: " + String.join(", ", changed) + ".";
        }
        List<String> elsewhere = new ArrayList<>();
        Set<Integer> everywhere =
                IntStream.range(-1, values.network().names().size()).boxed().collect(Collectors.toSet());
        branches(everywhere, values, nominal, elsewhere, new ArrayList<>());
        stores(everywhere, values, nominal, elsewhere, new ArrayList<>());
        tubes(everywhere, values, nominal, elsewhere);
        if (!elsewhere.isEmpty()) {
            return "The likely cause is what was changed in the set: " + String.join(", ", elsewhere) + ".";
        }
        if (!odd.isEmpty()) {
            return "The likely cause is a value out of the ordinary there: " + String.join(", ", odd)
                    + ". Check whether it is meant so.";
        }
        return "No value there is out of the ordinary, so this says nothing against the set: the method has failed. "
                + "Solve the set in two halves, or load that node with a resistor as a meter would.";
    }

    /** The node and all that a branch or junction joins to it. */
    private static Set<Integer> near(int worst, Network network) {
        Set<Integer> near = new LinkedHashSet<>(Set.of(worst));
        for (Branch branch : network.branches()) {
            join(near, worst, branch.a(), branch.b());
        }
        for (Junction junction : network.junctions()) {
            join(near, worst, junction.a(), junction.b());
        }
        return near;
    }

    private static void join(Set<Integer> near, int worst, int a, int b) {
        if (a == worst && b >= 0) {
            near.add(b);
        } else if (b == worst && a >= 0) {
            near.add(a);
        }
    }

    private static void branches(
            Set<Integer> near, Values values, Values nominal, List<String> changed, List<String> odd) {
        for (int i = 0; i < values.siemens().length; i++) {
            Branch branch = values.network().branches().get(i);
            double g = values.siemens()[i];
            if (!near.contains(branch.a()) && !near.contains(branch.b())) {
                continue;
            }
            if (!same(g, nominal.siemens()[i])) {
                String now = g == 0 ? "open" : Engineering.print(1 / g, Unit.OHM);
                changed.add(
                        branch.kind() == Branch.Kind.LEAK || branch.kind() == Branch.Kind.FAULT
                                ? branch.part() + " (bridged by " + now + ")"
                                : branch.part() + " (now " + now + ")");
            } else if (branch.kind() == Branch.Kind.RESISTOR && (1 / g < FEWEST_OHMS || 1 / g > MOST_OHMS)) {
                odd.add(branch.part() + " (" + Engineering.print(1 / g, Unit.OHM) + ")");
            }
        }
    }

    private static void stores(
            Set<Integer> near, Values values, Values nominal, List<String> changed, List<String> odd) {
        for (int i = 0; i < values.farads().length; i++) {
            Store store = values.network().stores().get(i);
            double c = values.farads()[i];
            if (!near.contains(store.a()) && !near.contains(store.b())) {
                continue;
            }
            if (!same(c, nominal.farads()[i])) {
                changed.add(store.part() + (c == 0 ? " (open)" : " (now " + Engineering.print(c, Unit.FARAD) + ")"));
            } else if (c > MOST_FARADS) {
                odd.add(store.part() + " (" + Engineering.print(c, Unit.FARAD) + ")");
            }
        }
    }

    private static void tubes(Set<Integer> near, Values values, Values nominal, List<String> changed) {
        for (int i = 0; i < values.amplifierHealth().length; i++) {
            Amplifier tube = values.network().amplifiers().get(i);
            boolean there = near.contains(tube.plate()) || near.contains(tube.grid()) || near.contains(tube.cathode());
            boolean other = !same(values.amplifierHealth()[i], nominal.amplifierHealth()[i])
                    || values.gas()[i] != nominal.gas()[i];
            if (there && other) {
                changed.add(tube.part() + (values.gas()[i] > 0 ? " (gassy)" : " (weak or dead)"));
            }
        }
        for (int i = 0; i < values.junctionHealth().length; i++) {
            Junction junction = values.network().junctions().get(i);
            if ((near.contains(junction.a()) || near.contains(junction.b()))
                    && !same(values.junctionHealth()[i], nominal.junctionHealth()[i])) {
                changed.add(junction.part() + " (weak or dead)");
            }
        }
    }

    private static boolean same(double a, double b) {
        return Math.abs(a - b) <= SAME * Math.max(Math.abs(a), Math.abs(b));
    }
}
