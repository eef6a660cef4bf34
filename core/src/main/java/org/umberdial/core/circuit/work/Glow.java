package org.umberdial.core.circuit.work;

import java.util.Arrays;
import org.umberdial.core.circuit.law.GlowLaw;
import org.umberdial.core.circuit.network.Junction;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;

/**
 * Which discharges burn. A set is switched on with all of them dark; each that then sees its striking voltage lights,
 * and the set is solved again. One that has struck stays so: where what feeds it falls below its burning voltage its
 * law gives no current.
 */
final class Glow {
    /** Less than this share of its least current is as good as out. */
    static final double OUT = 0.02;

    private final Network network;
    private final boolean[] burning;
    private final boolean any;

    Glow(Network network) {
        this.network = network;
        burning = new boolean[network.junctions().size()];
        any = network.junctions().stream().anyMatch(junction -> junction.law() instanceof GlowLaw);
    }

    boolean any() {
        return any;
    }

    /** The values with every discharge that has not struck dark. */
    Values in(Values values) {
        Values lit = values;
        for (int j = 0; j < burning.length; j++) {
            if (network.junctions().get(j).law() instanceof GlowLaw && !burning[j]) {
                lit = lit.dark(j);
            }
        }
        return lit;
    }

    /**
     * Lights the one that sees most of its striking voltage, if any sees it; what it then takes may keep its neighbour
     * dark, as with two lamps on one resistor.
     *
     * @param moments volts by node, then by moment of the cycle
     * @return whether any was lit
     */
    boolean strike(double[][] moments) {
        int nearest = -1;
        double most = 1;
        for (int j = 0; j < burning.length; j++) {
            Junction junction = network.junctions().get(j);
            if (junction.law() instanceof GlowLaw law && !burning[j]) {
                double share = across(junction, law, moments) / law.strikeVolts();
                if (share > most || share == 1 && nearest < 0) {
                    most = share;
                    nearest = j;
                }
            }
        }
        if (nearest >= 0) {
            share(network.junctions().get(nearest).part(), true);
        }
        return nearest >= 0;
    }

    boolean[] burning() {
        return burning.clone();
    }

    void burning(boolean[] which) {
        System.arraycopy(which, 0, burning, 0, burning.length);
    }

    /** Lights what sees its striking voltage and lets go out what carries nothing; whether any changed. */
    boolean change(double[][] moments) {
        boolean[] before = burning.clone();
        double[] out = new double[2];
        for (int j = 0; j < burning.length; j++) {
            Junction junction = network.junctions().get(j);
            if (burning[j] && junction.law() instanceof GlowLaw law) {
                boolean carries = false;
                for (Junction anode : network.junctions()) {
                    if (anode.part().equals(junction.part())) {
                        law.evaluate(across(anode, law, moments), 1, out);
                        carries |= Math.abs(out[0]) > OUT * law.leastAmperes();
                    }
                }
                share(junction.part(), carries);
            }
        }
        strike(moments);
        return !Arrays.equals(before, burning);
    }

    /** The anodes of one tube share its gas. */
    private void share(String part, boolean lit) {
        for (int j = 0; j < burning.length; j++) {
            burning[j] = network.junctions().get(j).part().equals(part) ? lit : burning[j];
        }
    }

    private static double across(Junction junction, GlowLaw law, double[][] moments) {
        return Arrays.stream(volts(junction, moments)).map(law::across).max().orElse(0);
    }

    /** Volts across a junction, by moment of the cycle. */
    static double[] volts(Junction junction, double[][] moments) {
        double[] volts = new double[moments[0].length];
        for (int t = 0; t < volts.length; t++) {
            volts[t] = (junction.a() < 0 ? 0 : moments[junction.a()][t])
                    - (junction.b() < 0 ? 0 : moments[junction.b()][t]);
        }
        return volts;
    }
}
