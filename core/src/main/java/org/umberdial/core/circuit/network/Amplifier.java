package org.umberdial.core.circuit.network;

import java.util.Optional;
import org.umberdial.core.circuit.law.BipolarLaw;
import org.umberdial.core.circuit.law.HeptodeLaw;
import org.umberdial.core.circuit.law.Oscillation;
import org.umberdial.core.circuit.law.PentodeLaw;
import org.umberdial.core.circuit.law.TriodeLaw;

/**
 * A tube section with a control grid, or a transistor; exactly one of the four laws is there.
 *
 * @param screen below 0 and unused for a triode or transistor
 * @param grid3 of a heptode, unused otherwise
 * @param heat number of its heater, below 0 when the deck has none: then it is taken as hot
 * @param oscillation of a triode that oscillates, none otherwise
 * @param acDriven whether the line's alternating voltage reaches it, so that only an average over the cycle describes
 *     it
 */
public record Amplifier(
        String part,
        Optional<TriodeLaw> triode,
        Optional<PentodeLaw> pentode,
        Optional<HeptodeLaw> heptode,
        Optional<BipolarLaw> bipolar,
        int plate,
        int screen,
        int grid3,
        int grid,
        int cathode,
        int heat,
        Oscillation oscillation,
        boolean acDriven) {
    /** A transistor between collector, base and emitter, which stand for plate, grid and cathode. */
    static Amplifier transistor(String part, BipolarLaw law, int collector, int base, int emitter) {
        return new Amplifier(
                part,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.of(law),
                collector,
                -1,
                -1,
                base,
                emitter,
                -1,
                Oscillation.NONE,
                false);
    }

    public boolean hasScreen() {
        return pentode.isPresent() || heptode.isPresent();
    }

    Amplifier driven() {
        return new Amplifier(
                part, triode, pentode, heptode, bipolar, plate, screen, grid3, grid, cathode, heat, oscillation, true);
    }

    /** The same section on other nodes. */
    public Amplifier on(int newPlate, int newScreen, int newGrid3, int newGrid, int newCathode) {
        return new Amplifier(
                part,
                triode,
                pentode,
                heptode,
                bipolar,
                newPlate,
                newScreen,
                newGrid3,
                newGrid,
                newCathode,
                heat,
                oscillation,
                acDriven);
    }
}
