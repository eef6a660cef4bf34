package org.umberdial.core.expect;

import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.value.Ohms;

/** Of a set of which only the construction class is known no voltage follows; readings are kept and not judged. */
public record ByClass() implements Reference {
    @Override
    public OptionalDouble line() {
        return OptionalDouble.empty();
    }

    @Override
    public OptionalDouble volts(String node, double lineVolts) {
        return node.equals("0") ? OptionalDouble.of(0) : OptionalDouble.empty();
    }

    @Override
    public OptionalDouble shown(String node, double lineVolts, Optional<Meter> meter) {
        return volts(node, lineVolts);
    }

    @Override
    public Optional<double[]> unknownLoading(String node, double lineVolts, Optional<Meter> meter) {
        return Optional.empty();
    }

    @Override
    public Ohms source(String node, String reference) {
        return new Ohms(0);
    }

    @Override
    public double transferOhms(String seen, String driven) {
        return 0;
    }
}
