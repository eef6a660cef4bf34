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
    static Amplifier triode(
            String part, TriodeLaw law, int plate, int grid, int cathode, int heat, Oscillation oscillation) {
        return new Amplifier(
                part, Optional.of(law), none(), none(), none(), plate, -1, -1, grid, cathode, heat, oscillation, false);
    }

    static Amplifier pentode(String part, PentodeLaw law, int plate, int screen, int grid, int cathode, int heat) {
        return new Amplifier(
                part,
                none(),
                Optional.of(law),
                none(),
                none(),
                plate,
                screen,
                -1,
                grid,
                cathode,
                heat,
                Oscillation.NONE,
                false);
    }

    /** @param nodes plate, screens, third grid, grid, cathode */
    static Amplifier heptode(String part, HeptodeLaw law, int[] nodes, int heat) {
        return new Amplifier(
                part,
                none(),
                none(),
                Optional.of(law),
                none(),
                nodes[0],
                nodes[1],
                nodes[2],
                nodes[3],
                nodes[4],
                heat,
                Oscillation.NONE,
                false);
    }

    /** A transistor between collector, base and emitter, which stand for plate, grid and cathode. */
    static Amplifier transistor(String part, BipolarLaw law, int collector, int base, int emitter) {
        return new Amplifier(
                part,
                none(),
                none(),
                none(),
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

    private static <T> Optional<T> none() {
        return Optional.empty();
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
