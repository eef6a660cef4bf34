package org.umberdial.core.circuit.work;

import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;

/**
 * What a meter shows at each node of a running set: the voltage with the meter's own resistance across it.
 *
 * <p>Where the meter matters, the set is solved again with it; a grid that lives from its own current moves much more
 * than a divider would say.
 */
public final class MeterReadings {
    /**
     * Below this share of the meter's resistance a source is loaded by less than can be read, and a divider is exact
     * enough.
     */
    private static final double NEGLIGIBLE = 2e-4;

    private static final int MOST_RANGES = 6;

    private final AtWork work;
    private final Network network;
    private final Values values;
    private final OperatingPoint point;
    /** None until a source is asked for, when {@link #ofLast} made this. */
    private Sensitivities sensitivities;

    /**
     * @param point the operating point of the values
     * @throws IllegalStateException when the values do not settle after all
     */
    public MeterReadings(AtWork work, OperatingPoint point) {
        this.work = work;
        this.point = point;
        network = point.network();
        values = point.values();
        sensitivities =
                Sensitivities.of(work, values).orElseThrow(() -> new IllegalStateException("the values do not settle"));
    }

    private MeterReadings(OperatingPoint point, AtWork work) {
        this.work = work;
        this.point = point;
        network = point.network();
        values = point.values();
        work.keep();
    }

    /** Of the point that was solved last, without solving it again. */
    public static MeterReadings ofLast(AtWork work, OperatingPoint point) {
        return new MeterReadings(point, work);
    }

    /** Source resistance of a node [Ω]; empty when it floats. */
    public OptionalDouble sourceOhms(String node) {
        if (point.volts(node).isEmpty()) {
            return OptionalDouble.empty();
        }
        if (sensitivities == null) {
            sensitivities = Sensitivities.of(work, values)
                    .orElseThrow(() -> new IllegalStateException("the values do not settle"));
        }
        return OptionalDouble.of(sensitivities.sourceOhms(node));
    }

    /**
     * What the meter shows on DC between a node and the reference [V].
     *
     * @param resistance input resistance of the meter for the voltage it shows [Ω]
     * @return empty when the node floats
     */
    public OptionalDouble reads(String node, DoubleUnaryOperator resistance) {
        OptionalDouble volts = point.volts(node);
        int number = network.node(node).orElse(-1);
        if (volts.isEmpty() || number < 0) {
            return volts;
        }
        double meter = resistance.applyAsDouble(volts.getAsDouble());
        double source = sourceOhms(node).getAsDouble();
        return source < NEGLIGIBLE * meter
                ? OptionalDouble.of(volts.getAsDouble() * meter / (meter + source))
                : across(node, resistance);
    }

    /** The same, the set solved again with the meter however little it matters. */
    public OptionalDouble across(String node, DoubleUnaryOperator resistance) {
        OptionalDouble volts = point.volts(node);
        int number = network.node(node).orElse(-1);
        if (volts.isEmpty() || number < 0) {
            return volts;
        }
        double meter = resistance.applyAsDouble(volts.getAsDouble());
        double shown = loaded(number, meter, volts.getAsDouble());
        // The range follows what is shown, and what is shown follows the range.
        for (int i = 0; i < MOST_RANGES && resistance.applyAsDouble(shown) != meter; i++) {
            double next = resistance.applyAsDouble(shown);
            double then = loaded(number, next, volts.getAsDouble());
            if (next < meter && resistance.applyAsDouble(then) > next) {
                break;
            }
            meter = next;
            shown = then;
        }
        return OptionalDouble.of(shown);
    }

    private double loaded(int node, double meter, double otherwise) {
        work.rewind();
        Solver solver = work.solver();
        solver.probed = node;
        solver.probeSiemens = 1 / meter;
        double shown = solver.solve(values) ? solver.x[node] : otherwise;
        solver.probed = -1;
        work.rewind();
        return shown;
    }
}
