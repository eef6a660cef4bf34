package org.umberdial.core.volts;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.expect.DcPaths;
import org.umberdial.core.expect.Reference;
import org.umberdial.core.expect.Solved;
import org.umberdial.core.expect.Topology;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.value.Ohms;

/** A set in one mode as its voltages are judged: how it hangs together, and what it would show when healthy. */
public final class StageModel {
    private final BenchSet set;
    private final Topology topology;
    private final Reference reference;

    public StageModel(BenchSet set, String mode) {
        this.set = set;
        this.topology = new Topology(set, mode);
        this.reference = Reference.of(set, mode, topology);
    }

    BenchSet set() {
        return set;
    }

    DcPaths paths() {
        return topology.paths();
    }

    List<DcPaths.Path> pathsAt(String node) {
        return topology.pathsAt(node);
    }

    public boolean isSupplyFed(String node) {
        return topology.isSupplyFed(node);
    }

    Optional<DcPaths.Stage> gridReachedFrom(String start) {
        return topology.gridReachedFrom(start);
    }

    List<String> island(String start) {
        return topology.island(start);
    }

    /** The healthy circuit at its own line; empty when expected voltages come from elsewhere. */
    Optional<OperatingPoint> solvedPoint() {
        return reference instanceof Solved solved ? solved.point() : Optional.empty();
    }

    /** Whether expected voltages come from the circuit itself and not from the sheet. */
    public boolean isSolved() {
        return reference instanceof Solved;
    }

    /** Volts that feed the solved circuit on this line; 0 for one on batteries. */
    double fedWith(double lineVolts) {
        return reference instanceof Solved solved ? solved.fedWith(lineVolts) : lineVolts;
    }

    /** What the solved circuit shows on a meter at a node; empty when expected voltages come from elsewhere. */
    OptionalDouble solvedShown(String node, double lineVolts, Optional<Meter> meter) {
        return reference instanceof Solved solved ? solved.bySolving(node, lineVolts, meter) : OptionalDouble.empty();
    }

    OptionalDouble healthyShown(String node, double lineVolts, Optional<Meter> meter) {
        return reference.shown(node, lineVolts, meter);
    }

    Optional<double[]> unknownLoading(String node, double lineVolts, Optional<Meter> meter) {
        return reference.unknownLoading(node, lineVolts, meter);
    }

    /** Line voltage its values are of; empty when there are none. */
    public OptionalDouble sheetLine() {
        return reference.line();
    }

    public OptionalDouble healthyVolts(String node, double lineVolts) {
        return reference.volts(node, lineVolts);
    }

    public Ohms sourceResistance(String node, String to) {
        return reference.source(node, to);
    }

    /** Volts at {@code seen} per ampere flowing through an added branch from {@code from} into {@code into} [Ω]. */
    double responseOhms(String seen, String from, String into) {
        return transferOhms(seen, into) - transferOhms(seen, from);
    }

    double transferOhms(String seen, String driven) {
        return reference.transferOhms(seen, driven);
    }
}
