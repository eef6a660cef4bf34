package org.umberdial.core.circuit.work;

import java.util.Optional;
import org.umberdial.core.circuit.network.Branch;
import org.umberdial.core.circuit.network.Magnet;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;

/** Cores that direct current magnetises: their inductance follows the mean ampere-turns. */
final class Cores {
    private static final double SAME = 1e-3;
    /** Share of the way that is gone at once; all of it may leap to and fro where the choke makes its own current. */
    private static final double SHARE = 0.7;

    private Cores() {}

    /**
     * @param means volts by node
     * @return the inductances to go on with; empty when they are what the means make them, or none saturates
     */
    static Optional<double[]> changed(Values values, double[] means) {
        Network network = values.network();
        double[] henries = values.henries().clone();
        boolean changed = false;
        for (int m = 0; m < henries.length; m++) {
            Magnet magnet = network.magnets().get(m);
            if (magnet.saturation().isEmpty()) {
                continue;
            }
            double direct = 0;
            for (int w = 0; w < magnet.branches().length; w++) {
                Branch branch = network.branches().get(magnet.branches()[w]);
                direct += magnet.turns()[w]
                        * values.siemens()[magnet.branches()[w]]
                        * (Stamps.at(means, branch.a()) - Stamps.at(means, branch.b()));
            }
            double right = magnet.saturation().get().henries(magnet.henries(), direct);
            if (Math.abs(right - henries[m]) > SAME * right) {
                henries[m] += SHARE * (right - henries[m]);
                changed = true;
            }
        }
        return changed ? Optional.of(henries) : Optional.empty();
    }
}
