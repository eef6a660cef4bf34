package org.umberdial.core.volts;

import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.value.Ohms;
import org.umberdial.core.value.Volts;

/** A point with a reading, both brought to the same footing: the conditions the reading was taken under. */
final class Probed {
    /** Below this a DC voltage is contact potential, stray pick-up and meter zero. */
    private static final double FLOOR_VOLTS = 0.1;

    /** More negative than this a grid without a bias supply rectifies its own oscillation. */
    private static final double SELF_BIASED_VOLTS = -1.5;

    final TestPoint point;
    final Reading reading;
    final boolean grid;
    final boolean selfBiased;
    final boolean supplyFed;
    final Ohms source;
    final OptionalDouble healthyOpen;
    final OptionalDouble healthyShown;
    /** What stands at the node against the reference with no meter connected [V]. */
    final double openVolts;

    private final StageModel model;
    private final HousePolicy policy;
    private final double accuracy;

    Probed(StageModel model, TestPoint point, Reading reading, HousePolicy policy, double accuracy) {
        this.model = model;
        this.point = point;
        this.reading = reading;
        this.policy = policy;
        this.accuracy = accuracy;
        this.grid = isQuietGrid(model, point.node());
        this.selfBiased = isSelfBiased(model, point.node());
        this.supplyFed = model.isSupplyFed(point.node());
        this.source = model.sourceResistance(point.node(), reading.reference());
        OptionalDouble here = model.healthyVolts(point.node(), reading.lineVolts());
        OptionalDouble there = model.healthyVolts(reading.reference(), reading.lineVolts());
        this.healthyOpen = here.isPresent() && there.isPresent()
                ? OptionalDouble.of(here.getAsDouble() - there.getAsDouble())
                : OptionalDouble.empty();
        Optional<Meter> meter = reading.meter();
        this.healthyShown = healthyOpen.isEmpty()
                ? healthyOpen
                : reading.reference().equals("0")
                        ? model.healthyShown(point.node(), reading.lineVolts(), meter)
                        : OptionalDouble.of(shown(meter, healthyOpen.getAsDouble()));
        double unloaded = unloaded(meter);
        this.openVolts = unloaded + (reading.reference().equals("0") ? 0 : there.orElse(0));
    }

    /** A grid with no DC of its own but a little bias: nothing the supply feeds may show on it. */
    static boolean isQuietGrid(StageModel model, String node) {
        return isGrid(model, node)
                && model.healthyVolts(node, model.sheetLine().orElse(1)).orElse(0) > SELF_BIASED_VOLTS;
    }

    /** A grid that its own oscillation biases; how far depends on the whole stage, so its band is wider. */
    static boolean isSelfBiased(StageModel model, String node) {
        return isGrid(model, node) && !isQuietGrid(model, node);
    }

    private static boolean isGrid(StageModel model, String node) {
        return !node.equals("0")
                && !model.isSupplyFed(node)
                && model.gridReachedFrom(node).isPresent();
    }

    /**
     * What stands there without the meter. Around the healthy set that is the reading plus what the meter took from the
     * healthy set; a grid that lives from its own current does not follow a divider.
     */
    private double unloaded(Optional<Meter> meter) {
        if (healthyShown.isPresent()
                && Math.abs(reading.value() - healthyShown.getAsDouble())
                        < 0.25 * Math.abs(healthyShown.getAsDouble())) {
            return reading.value() + healthyOpen.getAsDouble() - healthyShown.getAsDouble();
        }
        return meter.map(m -> m.unloaded(new Volts(reading.value()), source).value())
                .orElse(reading.value());
    }

    double shown(Optional<Meter> meter, double open) {
        return meter.map(m -> m.reads(new Volts(open), source).value()).orElse(open);
    }

    double band() {
        return band(healthyShown.orElse(0), grid, policy, accuracy)
                + (selfBiased ? policy.doubtMargin() * Math.abs(healthyShown.orElse(0)) : 0);
    }

    static double band(double expected, boolean grid, HousePolicy policy, double accuracy) {
        double size = Math.abs(expected);
        return Math.max(policy.spread() * size, grid ? policy.gridRiseVolts() : FLOOR_VOLTS) + accuracy * size;
    }

    double doubtBand() {
        return band() + policy.doubtMargin() * Math.abs(healthyShown.orElse(0));
    }

    /** Deviation of what stands there from the healthy set on the same line, no meter connected [V]. */
    double openDeviation() {
        return openDeviation(1);
    }

    /**
     * The same against a healthy set whose supply stands at a part of its voltage: a rail that is a tenth low takes
     * every stage on it down by about a tenth, which small-signal slopes alone would not show.
     */
    double openDeviation(double supplyScale) {
        return openVolts - healthyOpen.orElse(openVolts) * (supplyFed ? supplyScale : 1);
    }

    /** The verdict by its figures alone, whatever feeds and drives the point. */
    Verdict byFigures() {
        if (healthyShown.isEmpty()) {
            return grid && openVolts > policy.gridRiseVolts() ? Verdict.BAD : Verdict.NO_EXPECTATION;
        }
        double off = shownDeviation();
        if (grid && off > band()) {
            return Verdict.BAD;
        }
        return Math.abs(off) <= band() ? Verdict.GOOD : Math.abs(off) <= doubtBand() ? Verdict.DOUBT : Verdict.BAD;
    }

    /** The same point, read another time. */
    Probed with(Reading other) {
        return new Probed(model, point, other, policy, accuracy);
    }

    double shownDeviation() {
        return reading.value() - healthyShown.orElse(reading.value());
    }
}
