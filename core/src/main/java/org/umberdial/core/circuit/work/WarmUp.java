package org.umberdial.core.circuit.work;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.umberdial.core.circuit.law.Filament;
import org.umberdial.core.circuit.network.Branch;
import org.umberdial.core.circuit.network.Heat;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Source;
import org.umberdial.core.circuit.network.Store;
import org.umberdial.core.circuit.network.Values;

/**
 * A set from switching on: heaters warm, capacitors charge, a lamp in series glows and dims, leakage reforms or runs
 * away.
 *
 * <p>Slow quantities step by {@value #STEP_SECONDS} s; within each step the line cycle is solved as at work, but ends
 * where the slow charging wants it. Heaters follow their power with their own time constants.
 *
 * <p>Electrolytics that leak: the leak's own heat raises the capacitor (15 K per watt, two minutes), leakage doubles
 * every 15 K, and under voltage a cool one reforms to a fifth with a time constant of two minutes. Ordinary figures of
 * small wet types; they show which way it goes, not when.
 */
public final class WarmUp {
    public static final double STEP_SECONDS = 0.25;
    private static final double KELVIN_PER_WATT = 15;
    private static final double CAPACITOR_SECONDS = 120;
    private static final double DOUBLING_KELVIN = 15;
    private static final double REFORMED_SHARE = 0.2;
    /** So little warmth moves no voltage by more than a few millivolts; the set need not be solved again for it. */
    private static final double NOTHING_WARMED = 1e-3;

    private static final double STANDING_VOLTS = 0.02;
    private static final double LARGEST_FACTOR = 200;

    /**
     * One moment.
     *
     * @param lineVolts RMS ahead of the lamps
     * @param setVolts RMS at the set
     * @param lampWatts in all lamps in series together
     * @param points DC of the nodes asked for
     */
    public record Sample(
            double seconds, double lineVolts, double setVolts, double lineAmperes, double lampWatts, double[] points) {}

    /** @param failure why the series ends early, if it does */
    public record Course(List<Sample> samples, Optional<NotSettled> failure) {}

    private final Solver solver;
    private final Network network;
    private final Values nominal;
    private final LineSchedule schedule;
    private final int[] points;
    private final double lampVolts;
    private final double[] kelvin;
    private final double[] formed;
    private Values lastValues;
    private double lastVolts;
    private double highestLine;
    private boolean leaks;
    /** How much the farthest filament has warmed since the set was last solved. */
    private double warmed;

    private List<Double> lamps = List.of();
    private double[] lampWarmth = {};

    private WarmUp(Values values, LineSchedule schedule, List<String> points) {
        network = values.network();
        nominal = GridsAdrift.usual(values);
        this.schedule = schedule;
        this.points = points.stream()
                .mapToInt(point -> network.node(point)
                        .orElseThrow(() -> new IllegalArgumentException("there is no node " + point)))
                .toArray();
        solver = new Solver(network);
        solver.cold();
        Arrays.fill(solver.heaters.warmth, 0);
        lampVolts = network.line().map(Source::volts).orElse(1.0);
        kelvin = new double[network.stores().size()];
        formed = new double[kelvin.length];
    }

    /**
     * @param values the set, its lamps rated at its nominal line
     * @param points nodes to follow
     * @param seconds how long, above 0
     * @throws IllegalArgumentException when a node is not there or the set has no line
     */
    public static Course run(Values values, LineSchedule schedule, List<String> points, double seconds) {
        if (values.network().line().isEmpty()) {
            throw new IllegalArgumentException("the set has no line to switch on");
        }
        return new WarmUp(values, schedule, points).run(seconds);
    }

    private Course run(double seconds) {
        List<Sample> samples = new ArrayList<>();
        int steps = (int) Math.round(seconds / STEP_SECONDS);
        samples.add(new Sample(0, schedule.volts(0), 0, 0, 0, new double[points.length]));
        for (int i = 1; i <= steps; i++) {
            double now = i * STEP_SECONDS;
            Values present = present(now);
            boolean still = warmed < NOTHING_WARMED
                    && present == lastValues
                    && samples.size() > 2
                    && near(samples.get(samples.size() - 1), samples.get(samples.size() - 2));
            if (still) {
                warmHeaters();
                Sample before = samples.get(samples.size() - 1);
                samples.add(new Sample(
                        now,
                        before.lineVolts(),
                        before.setVolts(),
                        before.lineAmperes(),
                        before.lampWatts(),
                        before.points()));
                continue;
            }
            lastValues = present;
            warmed = 0;
            if (!solver.step(present, STEP_SECONDS)) {
                int worst = solver.worstNode();
                String node = worst < network.names().size() ? network.names().get(worst) : "";
                return new Course(
                        samples,
                        Optional.of(new NotSettled(
                                node,
                                String.format(
                                        Locale.ROOT,
                                        "At %.2f s the circuit did not settle; at %s the currents do not add up.",
                                        now,
                                        node))));
            }
            Optional<String> beyond = solver.beyond(nominal.atLine(highestLine));
            if (beyond.isPresent()) {
                return new Course(
                        samples,
                        Optional.of(new NotSettled(
                                "",
                                String.format(
                                        Locale.ROOT,
                                        "From %.2f s on the answer is not to be trusted, because %s.",
                                        now,
                                        beyond.get()))));
            }
            samples.add(sample(now, present));
        }
        return new Course(samples, Optional.empty());
    }

    private static boolean near(Sample a, Sample b) {
        for (int i = 0; i < a.points().length; i++) {
            if (Math.abs(a.points()[i] - b.points()[i]) > STANDING_VOLTS) {
                return false;
            }
        }
        return a.lampWatts() == 0;
    }

    private Values present(double now) {
        List<Double> wanted = schedule.lampsAt(now - STEP_SECONDS / 2);
        if (!wanted.equals(lamps)) {
            lamps = wanted;
            lampWarmth = new double[wanted.size()];
            lastValues = null;
        }
        double volts = Math.max(schedule.volts(now), 1e-3);
        highestLine = Math.max(highestLine, volts);
        if (lastValues != null && volts == lastVolts && lamps.isEmpty() && !leaks) {
            return lastValues;
        }
        lastVolts = volts;
        Values present = nominal.atLine(volts);
        if (!lamps.isEmpty()) {
            present = present.withFeed(lampOhms());
        }
        double[] factors = new double[kelvin.length];
        boolean leaking = false;
        for (int i = 0; i < factors.length; i++) {
            Store store = network.stores().get(i);
            boolean leaks = store.wet() && nominal.siemens()[store.leak()] > 0;
            leaking |= leaks;
            factors[i] = leaks
                    ? Math.min(
                            Math.pow(2, kelvin[i] / DOUBLING_KELVIN) * (1 - (1 - REFORMED_SHARE) * formed[i]),
                            LARGEST_FACTOR)
                    : 1;
        }
        leaks = leaking;
        return leaking ? present.leakingBy(factors) : present;
    }

    private Filament lamp(double watts) {
        return Filament.lamp(lampVolts, watts / lampVolts);
    }

    private double lampOhms() {
        double siemens = 0;
        for (int i = 0; i < lampWarmth.length; i++) {
            siemens += 1 / lamp(lamps.get(i)).ohms(lampWarmth[i]);
        }
        return 1 / siemens;
    }

    private Sample sample(double now, Values present) {
        solver.heaterVolts();
        warmHeaters();
        double lampWatts = 0;
        for (int b = 0; b < network.branches().size() && !lamps.isEmpty(); b++) {
            if (network.branches().get(b).kind() == Branch.Kind.FEED) {
                lampWatts = glow(solver.rmsAcross(b));
            }
        }
        for (int i = 0; i < kelvin.length; i++) {
            warmCapacitor(i, present);
        }
        LineSide side = new LineSide(solver);
        double[] volts = new double[points.length];
        for (int i = 0; i < points.length; i++) {
            volts[i] = Stamps.at(solver.x, points[i]);
        }
        return new Sample(now, schedule.volts(now), side.setVolts(), side.amperes(), lampWatts, volts);
    }

    /** Lets every filament follow the power it has. */
    private void warmHeaters() {
        double most = 0;
        for (int i = 0; i < solver.heaters.warmth.length; i++) {
            Heat heat = network.heats().get(i);
            double power = solver.heaters.effectiveVolts[i]
                    * solver.heaters.effectiveVolts[i]
                    / heat.law().ohms(solver.heaters.warmth[i])
                    / heat.law().ratedWatts();
            double change = (1 - Math.exp(-STEP_SECONDS / heat.law().seconds())) * (power - solver.heaters.warmth[i]);
            solver.heaters.warmth[i] += change;
            most = Math.max(most, Math.abs(change));
        }
        warmed += most;
    }

    private double glow(double volts) {
        double watts = 0;
        for (int i = 0; i < lampWarmth.length; i++) {
            Filament law = lamp(lamps.get(i));
            double power = volts * volts / law.ohms(lampWarmth[i]);
            watts += power;
            lampWarmth[i] += (1 - Math.exp(-STEP_SECONDS / law.seconds())) * (power / law.ratedWatts() - lampWarmth[i]);
        }
        return watts;
    }

    private void warmCapacitor(int i, Values present) {
        Store store = network.stores().get(i);
        double g = present.siemens()[store.leak()];
        if (!store.wet() || g == 0) {
            return;
        }
        double volts = Stamps.at(solver.x, store.a()) - Stamps.at(solver.x, store.b());
        double heat = volts * volts * g;
        kelvin[i] += STEP_SECONDS / CAPACITOR_SECONDS * (heat * KELVIN_PER_WATT - kelvin[i]);
        if (Math.abs(volts) > 1) {
            formed[i] += STEP_SECONDS / CAPACITOR_SECONDS * (1 - formed[i]);
        }
    }
}
