package org.umberdial.core.expect;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.value.Ohms;

/** By the set's own circuit, solved; where that does not lead, by the sheet. */
public final class Solved implements Reference {
    private final HealthySet circuit;
    private final OnSheet sheet;

    Solved(BenchSet set, HealthySet circuit, OnSheet sheet) {
        this.circuit = circuit;
        this.sheet = sheet;
        circuit.prepare(set.testPoints().stream().map(TestPoint::node).toList());
    }

    /** The healthy circuit at its own line; empty when it does not settle there. */
    public Optional<OperatingPoint> point() {
        return circuit.point(circuit.nominalLine());
    }

    @Override
    public OptionalDouble line() {
        return sheet.line().isPresent() ? sheet.line() : OptionalDouble.of(circuit.nominalLine());
    }

    /** See {@link HealthySet#fedWith}. */
    public double fedWith(double lineVolts) {
        return circuit.fedWith(lineVolts);
    }

    /** What the circuit itself shows at a node; empty where it does not lead. */
    public OptionalDouble bySolving(String node, double lineVolts, Optional<Meter> meter) {
        if (!circuit.knows(node)) {
            return OptionalDouble.empty();
        }
        return meter.isPresent() ? circuit.shown(node, lineVolts, meter.get()) : circuit.volts(node, lineVolts);
    }

    @Override
    public OptionalDouble volts(String node, double lineVolts) {
        if (node.equals("0")) {
            return OptionalDouble.of(0);
        }
        OptionalDouble solved = bySolving(node, lineVolts, Optional.empty());
        return solved.isPresent() ? solved : sheet.volts(node, lineVolts);
    }

    @Override
    public OptionalDouble shown(String node, double lineVolts, Optional<Meter> meter) {
        OptionalDouble solved = bySolving(node, lineVolts, meter);
        return solved.isPresent() ? solved : sheet.shown(node, lineVolts, meter);
    }

    @Override
    public Optional<double[]> unknownLoading(String node, double lineVolts, Optional<Meter> meter) {
        return bySolving(node, lineVolts, meter).isPresent()
                ? Optional.empty()
                : sheet.unknownLoading(node, lineVolts, meter);
    }

    @Override
    public Ohms source(String node, String reference) {
        if (circuit.transferOhms(node, node).isEmpty()) {
            return sheet.source(node, reference);
        }
        double ohms = transferOhms(node, node)
                - transferOhms(node, reference)
                - transferOhms(reference, node)
                + transferOhms(reference, reference);
        return new Ohms(Double.isFinite(ohms) ? Math.max(0, ohms) : 0);
    }

    @Override
    public void prepare(List<String> seen) {
        circuit.prepare(seen);
    }

    @Override
    public double transferOhms(String seen, String driven) {
        return circuit.transferOhms(seen, driven).orElse(0);
    }
}
