package org.umberdial.core.circuit.cold;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import org.umberdial.core.circuit.network.Branch;
import org.umberdial.core.circuit.network.Heat;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.sparse.SparseLu;
import org.umberdial.core.circuit.sparse.SparsePattern;

/**
 * In-circuit resistances of a cold set, everything settled.
 *
 * <p>Resistors, contacts, windings and leaks conduct; heaters and lamps at their cold resistance; the line is unplugged
 * and batteries are out. One factorisation answers every node against one reference.
 */
public final class ColdOhms {
    private final Network network;
    private final double[] siemens;

    public ColdOhms(Values values) {
        network = values.network();
        siemens = values.siemens().clone();
        for (Heat heat : network.heats()) {
            for (int branch : heat.branches()) {
                siemens[branch] *= heat.law().hotOhms() / heat.law().coldOhms();
            }
        }
        for (int i = 0; i < siemens.length; i++) {
            if (network.branches().get(i).kind() == Branch.Kind.FEED) {
                siemens[i] = 0;
            }
        }
    }

    /**
     * Resistance between two nodes [Ω], infinite when nothing connects them.
     *
     * @throws IllegalArgumentException when there is no such node
     */
    public double between(String a, String b) {
        return chart(b).getOrDefault(a, a.equals(b) ? 0.0 : Double.NaN);
    }

    /**
     * Resistance of every node of the deck to one of them [Ω], infinite when nothing connects them.
     *
     * @param from a node of the deck, {@code 0} included
     * @throws IllegalArgumentException when there is no such node
     */
    public Map<String, Double> chart(String from) {
        int reference = network.node(from)
                .orElseThrow(() -> new IllegalArgumentException("there is no node " + from
                        + " in the deck; node names are case-blind and stand behind the part names."));
        int size = network.names().size() + 1;
        int[] group = groups(size);
        SparsePattern pattern = new SparsePattern(size);
        int[][] slots = new int[siemens.length][];
        for (int i = 0; i < siemens.length; i++) {
            int a = network.branches().get(i).a() + 1;
            int b = network.branches().get(i).b() + 1;
            slots[i] = new int[] {pattern.slot(a, a), pattern.slot(b, b), pattern.slot(a, b), pattern.slot(b, a)};
        }
        double[] matrix = new double[pattern.count()];
        for (int i = 0; i < siemens.length; i++) {
            double g = siemens[i];
            matrix[slots[i][0]] += g;
            matrix[slots[i][1]] += g;
            matrix[slots[i][2]] -= g;
            matrix[slots[i][3]] -= g;
        }
        ground(pattern, matrix, group, reference + 1);
        SparseLu lu = new SparseLu(pattern);
        boolean sound = lu.factor(matrix);
        Map<String, Double> chart = new LinkedHashMap<>();
        double[] right = new double[size];
        double[] answer = new double[size];
        for (int node = -1; node < network.namedNodes(); node++) {
            String name = node < 0 ? "0" : network.names().get(node);
            boolean reached = root(group, node + 1) == root(group, reference + 1);
            if (node == reference) {
                chart.put(name, 0.0);
            } else if (!reached || !sound) {
                chart.put(name, Double.POSITIVE_INFINITY);
            } else {
                Arrays.fill(right, 0);
                right[node + 1] = 1;
                lu.solve(right, answer);
                chart.put(name, answer[node + 1]);
            }
        }
        return chart;
    }

    /** Ties the reference firmly, and one node of every part of the circuit that the reference does not reach. */
    private static void ground(SparsePattern pattern, double[] matrix, int[] group, int reference) {
        boolean[] tied = new boolean[group.length];
        for (int slot = 0; slot < pattern.count(); slot++) {
            int row = pattern.row(slot);
            int column = pattern.column(slot);
            if (row == reference || column == reference) {
                matrix[slot] = row == column ? 1 : 0;
            }
        }
        tied[root(group, reference)] = true;
        for (int slot = 0; slot < pattern.count(); slot++) {
            int row = pattern.row(slot);
            if (row == pattern.column(slot) && !tied[root(group, row)]) {
                tied[root(group, row)] = true;
                matrix[slot] += 1;
            }
        }
    }

    private int[] groups(int size) {
        int[] group = new int[size];
        Arrays.setAll(group, i -> i);
        for (int i = 0; i < siemens.length; i++) {
            if (siemens[i] > 0) {
                group[root(group, network.branches().get(i).a() + 1)] =
                        root(group, network.branches().get(i).b() + 1);
            }
        }
        return group;
    }

    private static int root(int[] group, int node) {
        int at = node;
        while (group[at] != at) {
            group[at] = group[group[at]];
            at = group[at];
        }
        return at;
    }
}
