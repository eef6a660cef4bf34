package org.umberdial.core.tube;

import java.util.Optional;
import org.umberdial.core.circuit.law.HeptodeLaw;
import org.umberdial.core.circuit.law.Oscillation;
import org.umberdial.core.circuit.law.PentodeLaw;
import org.umberdial.core.circuit.law.TriodeLaw;
import org.umberdial.core.circuit.law.VacuumDiodeLaw;

/**
 * The laws of one type's sections; empty where it has no such section or too little is published.
 *
 * @param rectifier each plate's law
 * @param oscillation of the triode section, when it oscillates
 */
public record TubeModel(
        String type,
        Optional<TriodeLaw> triode,
        Optional<PentodeLaw> pentode,
        Optional<HeptodeLaw> heptode,
        Optional<VacuumDiodeLaw> rectifier,
        Oscillation oscillation) {
    /**
     * A grid at zero volts draws about 0.17 mA, so that a 10 MΩ grid leak settles near -0.84 V; ordinary contact bias.
     */
    public static final VacuumDiodeLaw GRID = new VacuumDiodeLaw(5e-3);
    /** A small signal diode: a few milliamperes at ten volts. */
    public static final VacuumDiodeLaw SIGNAL_DIODE = new VacuumDiodeLaw(1e-4);
}
