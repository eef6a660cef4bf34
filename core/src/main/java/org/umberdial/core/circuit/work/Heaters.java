package org.umberdial.core.circuit.work;

import java.util.Arrays;
import org.umberdial.core.circuit.law.ThermalLaw;
import org.umberdial.core.circuit.network.Heat;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.sparse.SparseLu;

/** How warm every heater and lamp is, and where it comes to rest. A workspace for one thread. */
final class Heaters {
    /** Below this a filament is cold and what its neighbours do is no matter [V]. */
    private static final double FOLLOWING_VOLTS = 0.05;

    private static final double MOST_WARMTH = 50;
    private static final double LEAST_RELAXED = 0.1;

    private final Network network;
    private final Stamps stamps;
    private final Coupling coupling;
    private final SparseLu lu;
    /** Heat of each filament, 1 at its rating. */
    final double[] warmth;

    final double[] rms;
    /** What warms each filament as its RMS volts would warm a sound one. */
    final double[] effectiveVolts;

    private final double[] heaterMiss;
    private final double[] steepness;
    private final double[][] heaterSlopes;
    /**
     * Share of each step that is taken (B. Irons and R. Tuck, Int. J. Num. Meth. Eng. 1, 1969): a filament whose volts
     * a rectifier decides answers otherwise than the linear network says, and would leap to and fro for long.
     */
    private double relax = 1;

    private final double[] lastMiss;
    private final double[] right;
    private final double[] move;
    /** The conductances last solved for, filaments at rated heat. */
    private double[] nominalSiemens;

    /** @param lu the network's linear system at the present point */
    Heaters(Network network, Stamps stamps, Coupling coupling, SparseLu lu) {
        this.network = network;
        this.stamps = stamps;
        this.coupling = coupling;
        this.lu = lu;
        warmth = new double[network.heats().size()];
        rms = new double[warmth.length];
        effectiveVolts = new double[warmth.length];
        heaterMiss = new double[warmth.length];
        steepness = new double[warmth.length];
        heaterSlopes = new double[warmth.length][warmth.length];
        lastMiss = new double[warmth.length];
        right = new double[stamps.size];
        move = new double[stamps.size];
        Arrays.fill(warmth, 1);
    }

    /** Begins anew: no filament has leapt to and fro yet. */
    void settled() {
        relax = 1;
        Arrays.fill(lastMiss, 0);
    }

    void nominal(double[] siemens) {
        nominalSiemens = siemens;
    }

    /** RMS volts across each heater and lamp, its DC included; after {@link Coupling#spread}. */
    void volts(double[] x) {
        double[] weights = new double[coupling.inputs];
        for (int i = 0; i < rms.length; i++) {
            Heat heat = network.heats().get(i);
            double dc = 0;
            double square = 0;
            // Both parts of a tapped heater are warmed by their own power; together they make one temperature.
            for (int b = 0; b < heat.branches().length; b++) {
                int branch = heat.branches()[b];
                for (int p = 0; p < coupling.inputs; p++) {
                    weights[p] = stamps.across(coupling.columns[p], branch);
                }
                dc = stamps.across(x, branch);
                square += (dc * dc + coupling.meanSquare(weights)) / heat.shares()[b];
            }
            rms[i] = Math.sqrt(square);
            // A filament that has drifted or broken gets its warmth at other volts than a sound one.
            double drifted = network.branches().get(heat.branches()[0]).ohms() * nominalSiemens[heat.branches()[0]];
            effectiveVolts[i] = rms[i] * Math.sqrt(drifted);
        }
    }

    /**
     * Moves every filament to where it rests on its present volts; the change of the farthest, as a share.
     *
     * <p>Heaters in a string share the line, so that one's resistance moves all the others' volts: Newton's method on
     * the logarithms of their resistances, ln R = ln R(P), with the string's own transfer resistances.
     */
    double rest(double[] x) {
        int count = rms.length;
        if (count == 0) {
            return 0;
        }
        volts(x);
        for (int i = 0; i < count; i++) {
            ThermalLaw law = network.heats().get(i).law();
            double power = effectiveVolts[i] * effectiveVolts[i] / law.ohms(warmth[i]) / law.ratedWatts();
            heaterMiss[i] = Math.log(law.ohms(Math.min(power, MOST_WARMTH)) / law.ohms(warmth[i]));
            steepness[i] = law.steepness(power);
        }
        for (int k = 0; k < count; k++) {
            Arrays.fill(right, 0);
            Coupling.out(right, heaterStart(k), heaterEnd(k), -1);
            lu.solve(right, move);
            double ohms = network.heats().get(k).law().ohms(warmth[k])
                    * Math.min(rms[k] * rms[k] / Math.max(effectiveVolts[k] * effectiveVolts[k], 1e-9), 1e9);
            for (int i = 0; i < count; i++) {
                double transfer = Stamps.at(move, heaterEnd(i)) - Stamps.at(move, heaterStart(i));
                double ratio = transfer / ohms * rms[k] / Math.max(rms[i], 1e-3);
                boolean follows = rms[i] > FOLLOWING_VOLTS && rms[k] > FOLLOWING_VOLTS && Double.isFinite(ratio);
                heaterSlopes[i][k] = (i == k ? 1 + steepness[i] : 0)
                        - (follows ? 2 * steepness[i] * Math.max(-5, Math.min(ratio, 1)) : 0);
            }
        }
        if (!Dense.solve(heaterSlopes, heaterMiss)) {
            Arrays.fill(heaterMiss, 0);
        }
        relax();
        double farthest = 0;
        for (int i = 0; i < count; i++) {
            ThermalLaw law = network.heats().get(i).law();
            double ohms = law.ohms(warmth[i]) * Math.exp(relax * heaterMiss[i]);
            double before = warmth[i];
            warmth[i] = Math.min(law.warmthAt(ohms), MOST_WARMTH);
            farthest = Math.max(farthest, Math.abs(warmth[i] - before) / (before + 0.01));
        }
        return farthest / relax;
    }

    private void relax() {
        double along = 0;
        double square = 0;
        for (int i = 0; i < heaterMiss.length; i++) {
            heaterMiss[i] = Math.max(-1, Math.min(heaterMiss[i], 1));
            along += lastMiss[i] * heaterMiss[i];
            square += lastMiss[i] * (lastMiss[i] - heaterMiss[i]);
        }
        if (along < 0) {
            double last = 0;
            for (double miss : lastMiss) {
                last += miss * miss;
            }
            relax = Math.max(relax * last / square, LEAST_RELAXED);
        } else {
            relax = Math.min(2 * relax, 1);
        }
        System.arraycopy(heaterMiss, 0, lastMiss, 0, heaterMiss.length);
    }

    private int heaterStart(int heat) {
        return stamps.branchA(network.heats().get(heat).branches()[0]);
    }

    private int heaterEnd(int heat) {
        int[] branches = network.heats().get(heat).branches();
        return stamps.branchB(branches[branches.length - 1]);
    }
}
