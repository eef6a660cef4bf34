package org.umberdial.core.circuit.network;

import java.util.Optional;
import org.umberdial.core.circuit.law.HeptodeLaw;
import org.umberdial.core.circuit.law.Oscillation;
import org.umberdial.core.circuit.law.PentodeLaw;
import org.umberdial.core.circuit.law.TriodeLaw;

/**
 * A tube section with a control grid; exactly one of the three laws is there.
 *
 * @param screen below 0 and unused for a triode
 * @param grid3 of a heptode, unused otherwise
 * @param heat number of its heater, below 0 when the deck has none: then it is taken as hot
 * @param oscillation of a triode that oscillates, none otherwise
 */
public record Amplifier(
        String part,
        Optional<TriodeLaw> triode,
        Optional<PentodeLaw> pentode,
        Optional<HeptodeLaw> heptode,
        int plate,
        int screen,
        int grid3,
        int grid,
        int cathode,
        int heat,
        Oscillation oscillation) {}
