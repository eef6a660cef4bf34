package org.umberdial.core.circuit.linear;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;

/** A network of conductances, controlled and fixed sources around node {@code 0}; built once, solved once. */
public final class LinearNetwork {
    /** Keeps a node without any path to the reference solvable; a gigaohm per hundred volts shows nowhere else. */
    private static final double GMIN_SIEMENS = 1e-13;

    private record VoltageSource(int plus, int minus, double volts) {}

    private final Map<String, Integer> index = new HashMap<>();
    private final List<double[]> stamps = new ArrayList<>();
    private final List<double[]> injections = new ArrayList<>();
    private final List<VoltageSource> sources = new ArrayList<>();

    private int at(String node) {
        return node.equals("0") ? -1 : index.computeIfAbsent(node, name -> index.size());
    }

    /** Declares a node, so that it can be asked about even if nothing connects to it. */
    public void node(String node) {
        at(node);
    }

    /** @param ohms above 0 */
    public void resistor(String a, String b, double ohms) {
        if (!(ohms > 0)) {
            throw new IllegalArgumentException("resistance must be above 0, not " + ohms);
        }
        transconductance(a, b, a, b, 1 / ohms);
    }

    /**
     * A current of {@code siemens} times the voltage from {@code inPlus} to {@code inMinus}, flowing from {@code out}
     * to {@code back}.
     */
    public void transconductance(String out, String back, String inPlus, String inMinus, double siemens) {
        stamps.add(new double[] {at(out), at(back), at(inPlus), at(inMinus), siemens});
    }

    /** A fixed current driven from {@code from} through the source into {@code into}. */
    public void currentSource(String from, String into, double amperes) {
        injections.add(new double[] {at(from), at(into), amperes});
    }

    public void voltageSource(String plus, String minus, double volts) {
        sources.add(new VoltageSource(at(plus), at(minus), volts));
    }

    /**
     * Solves the network.
     *
     * @throws IllegalStateException when voltage sources contradict each other
     */
    public Solution solve() {
        int nodes = index.size();
        int size = nodes + sources.size();
        DMatrixRMaj matrix = new DMatrixRMaj(size, size);
        double[] right = new double[size];
        for (int i = 0; i < nodes; i++) {
            matrix.add(i, i, GMIN_SIEMENS);
        }
        for (double[] stamp : stamps) {
            add(matrix, (int) stamp[0], (int) stamp[2], stamp[4]);
            add(matrix, (int) stamp[0], (int) stamp[3], -stamp[4]);
            add(matrix, (int) stamp[1], (int) stamp[2], -stamp[4]);
            add(matrix, (int) stamp[1], (int) stamp[3], stamp[4]);
        }
        for (double[] injection : injections) {
            addTo(right, (int) injection[0], -injection[2]);
            addTo(right, (int) injection[1], injection[2]);
        }
        for (int k = 0; k < sources.size(); k++) {
            VoltageSource source = sources.get(k);
            add(matrix, source.plus, nodes + k, 1);
            add(matrix, source.minus, nodes + k, -1);
            add(matrix, nodes + k, source.plus, 1);
            add(matrix, nodes + k, source.minus, -1);
            right[nodes + k] = source.volts;
        }
        if (size > 0
                && (!CommonOps_DDRM.invert(matrix) || Arrays.stream(matrix.data).anyMatch(x -> !Double.isFinite(x)))) {
            throw new IllegalStateException("voltage sources form a loop; take one of them out");
        }
        return new Solution(Map.copyOf(index), matrix, right, grounded(nodes));
    }

    /** Nodes with a conducting path to the reference. */
    private boolean[] grounded(int nodes) {
        List<List<Integer>> neighbours = new ArrayList<>();
        for (int i = 0; i <= nodes; i++) {
            neighbours.add(new ArrayList<>());
        }
        for (double[] stamp : stamps) {
            if (stamp[0] == stamp[2] && stamp[1] == stamp[3]) {
                join(neighbours, (int) stamp[0], (int) stamp[1]);
            }
        }
        sources.forEach(source -> join(neighbours, source.plus, source.minus));
        boolean[] reached = new boolean[nodes + 1];
        Deque<Integer> open = new ArrayDeque<>(List.of(0));
        reached[0] = true;
        while (!open.isEmpty()) {
            for (int next : neighbours.get(open.pop())) {
                if (!reached[next]) {
                    reached[next] = true;
                    open.push(next);
                }
            }
        }
        return Arrays.copyOfRange(reached, 1, nodes + 1);
    }

    private static void join(List<List<Integer>> neighbours, int a, int b) {
        neighbours.get(a + 1).add(b + 1);
        neighbours.get(b + 1).add(a + 1);
    }

    private static void add(DMatrixRMaj matrix, int row, int column, double value) {
        if (row >= 0 && column >= 0) {
            matrix.add(row, column, value);
        }
    }

    private static void addTo(double[] vector, int row, double value) {
        if (row >= 0) {
            vector[row] += value;
        }
    }

    /** The solved network: voltages, and the impedance matrix behind them. */
    public static final class Solution {
        private final Map<String, Integer> index;
        private final DMatrixRMaj inverse;
        private final double[] volts;
        private final boolean[] grounded;

        private Solution(Map<String, Integer> index, DMatrixRMaj inverse, double[] right, boolean[] grounded) {
            this.index = index;
            this.inverse = inverse;
            this.grounded = grounded;
            volts = new double[right.length];
            for (int row = 0; row < right.length; row++) {
                for (int column = 0; column < right.length; column++) {
                    volts[row] += inverse.get(row, column) * right[column];
                }
            }
        }

        public boolean knows(String node) {
            return node.equals("0") || index.containsKey(node);
        }

        /** Whether a conducting path leads from the node to the reference; if not, its voltage means nothing. */
        public boolean isGrounded(String node) {
            return node.equals("0") || index.containsKey(node) && grounded[index.get(node)];
        }

        /** Voltage against the reference [V]; 0 for a node the network does not have. */
        public double volts(String node) {
            Integer i = index.get(node);
            return i == null ? 0 : volts[i];
        }

        /** Volts at {@code seen} for each ampere driven into {@code driven} [Ω]; 0 at the reference. */
        public double transferOhms(String seen, String driven) {
            Integer row = index.get(seen);
            Integer column = index.get(driven);
            return row == null || column == null ? 0 : inverse.get(row, column);
        }

        /** Resistance between two nodes with every fixed source at rest [Ω]; +∞ when a node floats. */
        public double sourceOhms(String node, String reference) {
            if (!isGrounded(node) || !isGrounded(reference)) {
                return Double.POSITIVE_INFINITY;
            }
            return transferOhms(node, node)
                    + transferOhms(reference, reference)
                    - transferOhms(node, reference)
                    - transferOhms(reference, node);
        }
    }
}
