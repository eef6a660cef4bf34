package org.umberdial.core.circuit.work;

import java.util.Arrays;
import java.util.Optional;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Source;

/**
 * Adds up what flows out of every node, in the mean and at some moments of the cycle. Nodes that a source joins count
 * as one, since a source carries whatever it must.
 */
final class CurrentSums {
    /** What may be missing at a node in the mean, beside a share of what flows there [A]. */
    private static final double MEAN_AMPERES = 1e-6;

    private static final double MEAN_SHARE = 5e-3;
    /** The same at a single moment, where the line's cycle is taken in steps. */
    private static final double MOMENT_AMPERES = 1e-4;

    private static final double MOMENT_SHARE = 0.03;

    private final Network network;
    private final int nodes;
    private final int[] group;
    private final int stride;
    /** By node, the reference last; {@link #moments} by moment as well. */
    private final double[] means;

    private final double[][] moments;
    private final double[] most;
    private final double[] flow;
    private final double[] slack;

    /**
     * @param steps of the cycle
     * @param stride one moment of so many is added up; means are of all
     */
    CurrentSums(Network network, int steps, int stride) {
        this.network = network;
        this.stride = stride;
        nodes = network.names().size();
        group = new int[nodes + 1];
        Arrays.setAll(group, i -> i);
        for (Source source : network.sources()) {
            group[root(source.plus())] = root(source.minus());
        }
        means = new double[nodes + 1];
        moments = new double[nodes + 1][steps / stride];
        most = new double[nodes + 1];
        flow = new double[nodes + 1];
        slack = new double[nodes + 1];
    }

    private int root(int node) {
        int at = node < 0 ? nodes : node;
        while (group[at] != at) {
            at = group[at];
        }
        return at;
    }

    /** A current from one node to another, known at every moment. */
    void add(int a, int b, double[] amperes) {
        double sum = 0;
        double size = 0;
        for (double now : amperes) {
            sum += now;
            size += Math.abs(now);
        }
        double[] sampled = new double[amperes.length / stride];
        for (int t = 0; t < sampled.length; t++) {
            sampled[t] = amperes[t * stride];
        }
        add(a, b, sampled, sum / amperes.length, size / amperes.length);
    }

    /**
     * A current known at the moments that are added up.
     *
     * @param average over the cycle
     * @param size of it on average, whichever way it flows
     */
    void add(int a, int b, double[] sampled, double average, double size) {
        int from = root(a);
        int to = root(b);
        double largest = sway(from, to, sampled);
        means[from] += average;
        means[to] -= average;
        most[from] = Math.max(most[from], largest);
        most[to] = Math.max(most[to], largest);
        flow[from] = Math.max(flow[from], size);
        flow[to] = Math.max(flow[to], size);
    }

    /** What a current is more or less than a mean that is counted apart, at the moments that are added up. */
    void addSway(int a, int b, double[] sampled) {
        sway(root(a), root(b), sampled);
    }

    private double sway(int from, int to, double[] sampled) {
        double[] out = moments[from];
        double[] in = moments[to];
        double largest = 0;
        for (int t = 0; t < sampled.length; t++) {
            out[t] += sampled[t];
            in[t] -= sampled[t];
            largest = Math.max(largest, Math.abs(sampled[t]));
        }
        return largest;
    }

    /** So much more may be missing at a node [A]. */
    void allow(int node, double amperes) {
        slack[root(node)] += amperes;
    }

    /** Where they do not add up; empty when they do everywhere. */
    Optional<String> doubt() {
        int reference = root(-1);
        for (int node = 0; node < nodes; node++) {
            if (root(node) != node || node == reference) {
                continue;
            }
            // Of the size on average: two capacitors joined by a wire ring for some steps, which moves nothing.
            double size = Arrays.stream(moments[node]).map(Math::abs).average().orElse(0);
            if (!(Math.abs(means[node]) <= MEAN_AMPERES + MEAN_SHARE * flow[node] + slack[node])) {
                return Optional.of("the currents at " + network.names().get(node) + " do not add up in the mean");
            }
            if (!(size <= MOMENT_AMPERES + MOMENT_SHARE * most[node] + slack[node])) {
                return Optional.of(
                        "the currents at " + network.names().get(node) + " do not add up through the line's cycle");
            }
        }
        return Optional.empty();
    }
}
