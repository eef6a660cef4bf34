package org.umberdial.core.circuit.work;

import java.util.ArrayList;
import java.util.List;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;

/**
 * Control grids that no part ties to anything, such as one whose leak is open. Such a grid is not at 0 V: what the
 * insulation lets in, what ions of residual gas bring and what electrons the grid then catches make its voltage, and
 * the tube runs accordingly.
 *
 * <p>None of the three is printed anywhere, so the set is solved with usual figures and with both ends of what is met,
 * and only the range is an answer. Insulation of a base and socket: 10 GΩ each to plate and chassis, 300 MΩ when damp
 * or dirty, 1 TΩ clean. Ions: 5 µA per ampere of cathode current, 0.1 µA in a hard tube, 100 µA in one just within the
 * limit that testers set (0.5 µA in a small tube, 2 to 4 µA in an output tube).
 */
final class GridsAdrift {
    /** One assumption about what no sheet says. */
    record Surroundings(double ohmsToPlate, double ohmsToChassis, double gas) {}

    static final Surroundings USUAL = new Surroundings(10e9, 10e9, 5e-6);
    /** Drawn down: a film of dirt to the chassis, a hard tube. */
    static final Surroundings LOWEST = new Surroundings(1e12, 300e6, 1e-7);
    /** Drawn up: a film of dirt to the plate's pin, a gassy tube. */
    static final Surroundings HIGHEST = new Surroundings(300e6, 1e12, 1e-4);

    private final Values values;
    private final List<Amplifier> tubes;

    private GridsAdrift(Values values, List<Amplifier> tubes) {
        this.values = values;
        this.tubes = tubes;
    }

    static GridsAdrift of(Values values) {
        Network network = values.network();
        boolean[] loose = null;
        List<Amplifier> found = new ArrayList<>();
        for (int i = 0; i < network.amplifiers().size(); i++) {
            Amplifier tube = network.amplifiers().get(i);
            if (tube.grid() < 0 || tube.bipolar().isPresent()) {
                continue;
            }
            loose = loose == null ? Floating.withoutStillJunctions(network, values) : loose;
            boolean alive = tube.cathode() < 0 || !loose[tube.cathode()];
            if (loose[tube.grid()] && alive && values.amplifierHealth()[i] > 0) {
                found.add(tube);
            }
        }
        return new GridsAdrift(values, found);
    }

    boolean isEmpty() {
        return tubes.isEmpty();
    }

    List<Amplifier> tubes() {
        return tubes;
    }

    /** The values with insulation and gas for every grid adrift. */
    Values in(Surroundings surroundings) {
        Values changed = values;
        for (Amplifier tube : tubes) {
            changed = changed.insulated(
                    tube.part(), surroundings.ohmsToPlate(), surroundings.ohmsToChassis(), surroundings.gas());
        }
        return changed;
    }

    /** The values as they are usually met; the same when every grid is tied. */
    static Values usual(Values values) {
        return of(values).in(USUAL);
    }
}
