package org.umberdial.core.circuit.network;

import java.util.List;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;
import org.umberdial.core.circuit.law.Saturation;
import org.umberdial.core.circuit.sparse.ComplexSystem;

/**
 * A coil or a transformer: windings on one core.
 *
 * @param branches the windings' resistances, by number of branch; the dotted end is the branch's first node
 * @param turns volts of each winding per volt of the first
 * @param henries inductance seen by the first winding
 * @param coreOhms resistance across the first winding that stands for core loss, infinite for none
 * @param saturation how it falls under direct current, empty where that is not known
 */
public record Magnet(
        String part, int[] branches, double[] turns, double henries, double coreOhms, Optional<Saturation> saturation) {
    /** Coils from here on hold their current within a line cycle [H]. */
    private static final double HOLDS_HENRIES = 0.05;

    /** Whether its flux is followed within a line cycle. */
    public boolean inCycle() {
        return branches.length > 1 || henries >= HOLDS_HENRIES;
    }

    /**
     * Its row of a phasor system, for the volts a turn of the first winding: e = jwL (sum n i - e/Rc), i = g (v - n e),
     * divided by jwL so that the row stays near one. The windings' own conductances are entered apart.
     *
     * @param row of the system that stands for e
     * @param presentHenries its inductance as it is magnetised [H]
     * @param all branches of the network, by number
     * @param siemens their conductances, by number
     */
    public void enter(
            ComplexSystem.Entries entries,
            int row,
            double omega,
            double presentHenries,
            List<Branch> all,
            IntToDoubleFunction siemens) {
        double own = -1 / coreOhms;
        for (int w = 0; w < branches.length; w++) {
            Branch branch = all.get(branches[w]);
            double g = siemens.applyAsDouble(branches[w]) * turns[w];
            entries.add(row, branch.a(), g, 0);
            entries.add(row, branch.b(), -g, 0);
            entries.add(branch.a(), row, -g, 0);
            entries.add(branch.b(), row, g, 0);
            own -= g * turns[w];
        }
        entries.add(row, row, own, 1 / (omega * presentHenries));
    }
}
