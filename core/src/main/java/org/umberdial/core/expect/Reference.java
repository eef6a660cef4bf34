package org.umberdial.core.expect;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.value.Ohms;

/**
 * What a healthy set would show: solved from its circuit, by its sheet alone, or by its construction class alone, of
 * which no voltage follows. Voltages are what stands at a node with no meter connected, unless it says shown.
 */
public sealed interface Reference permits Solved, OnSheet, ByClass {
    /**
     * The best there is for a set: its circuit when that is whole and bears out most of the sheet, else the sheet, else
     * nothing but its class.
     */
    static Reference of(BenchSet set, String mode, Topology topology) {
        if (set.parts().isEmpty() && set.sheet().isEmpty()) {
            return new ByClass();
        }
        OnSheet sheet = new OnSheet(set, mode, topology);
        Optional<HealthySet> whole = HealthySet.of(set, mode);
        return whole.filter(sheet::isBorneOutBy)
                .<Reference>map(circuit -> new Solved(set, circuit, sheet))
                .orElseGet(() -> whole.<Reference>map(circuit -> sheet.onLineOf(circuit.nominalLine()))
                        .orElse(sheet));
    }

    /** Line its voltages are of [V]; empty when it has none. */
    OptionalDouble line();

    /** What stands at a node on this line, no meter connected; empty when nothing here tells. */
    OptionalDouble volts(String node, double lineVolts);

    /** What a meter shows at a node against the reference. */
    OptionalDouble shown(String node, double lineVolts, Optional<Meter> meter);

    /**
     * The least and the most a meter may show at a node whose sheet does not name its meter: with the sheet's meter
     * taken as loading nothing, and as the worst that was in use. Empty where it is known.
     */
    Optional<double[]> unknownLoading(String node, double lineVolts, Optional<Meter> meter);

    /**
     * Resistance a meter sees between two nodes [Ω]; 0 where the network does not reach (then nothing is corrected).
     */
    Ohms source(String node, String reference);

    /** Volts at {@code seen} per ampere fed into {@code driven} [Ω]; 0 where nothing leads. */
    double transferOhms(String seen, String driven);

    /** Works out at once how these nodes answer, which is quicker than one by one. */
    default void prepare(List<String> seen) {}
}
