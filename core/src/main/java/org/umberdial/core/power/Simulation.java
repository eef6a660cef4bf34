package org.umberdial.core.power;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.LineSchedule;
import org.umberdial.core.circuit.work.WarmUp;
import org.umberdial.core.set.Part;

/** Lets a set warm up over a plan, whole, with a fault, or as one of many of its kind. */
final class Simulation {
    /** Turning the knob of a variable transformer takes so long [s]. */
    private static final double TURN_SECONDS = 3;

    private static final double EMISSION_SPREAD = 0.10;
    private static final double LAMP_SPREAD = 0.03;
    /** A line that wanders while the set warms, beside what is read. */
    private static final double LINE_SPREAD = 0.01;
    /** Values nobody has compared lie so far from the usual ones. */
    private static final double USUAL_SPREAD = 0.30;

    private static final int PER_SECOND = (int) Math.round(1 / WarmUp.STEP_SECONDS);

    private final PowerScene scene;
    private final List<Watched> watched;
    private final Values nominal;

    /** One set over a plan, and switched off behind it where that was asked for and settles. */
    record Lived(Course course, Optional<List<double[]>> fall) {}

    private final AsItIs asItIs;

    Simulation(PowerScene scene, List<Watched> watched, AsItIs asItIs) {
        this.scene = scene;
        this.watched = watched;
        this.asItIs = asItIs;
        nominal = asItIs.in(Values.nominal(scene.network()));
    }

    Values nominal() {
        return nominal;
    }

    /** Empty when it does not settle all the way. */
    Optional<Course> run(Values values, List<PowerStep> steps) {
        return run(values, steps, 0, 1, 1).map(Lived::course);
    }

    /** The set as another of its kind: every value within its tolerance, every tube with an emission of its own. */
    Optional<Lived> another(List<PowerStep> steps, Random random) {
        Values values = nominal;
        for (Part part : scene.set().parts()) {
            Card card = part.card();
            if ("RC".indexOf(card.letter()) >= 0
                    && card.value().filter(v -> v > 0).isPresent()
                    && !asItIs.lifted().contains(part.reference())) {
                double width =
                        part.unconfirmed() ? USUAL_SPREAD : part.tolerance().fraction();
                double share = Math.max(-1, Math.min(1, random.nextGaussian() / 2));
                values = values.with(part.reference(), card.value().get() * (1 + width * share));
            }
        }
        for (Amplifier amplifier : scene.network().amplifiers()) {
            if (amplifier.bipolar().isEmpty()) {
                values = values.emitting(
                        amplifier.part(), Math.min(1.3, Math.exp(EMISSION_SPREAD * random.nextGaussian())));
            }
        }
        return run(
                values,
                steps,
                Fall.SECONDS,
                1 + LINE_SPREAD * random.nextGaussian(),
                1 + LAMP_SPREAD * random.nextGaussian());
    }

    /** @param off how long it is followed after switching off [s] */
    private Optional<Lived> run(
            Values values, List<PowerStep> steps, double off, double lineFactor, double lampFactor) {
        List<LineSchedule.Ramp> ramp = new ArrayList<>();
        List<LineSchedule.Lamps> lamps = new ArrayList<>();
        double before = 0;
        for (PowerStep step : steps) {
            double turning = ramp.isEmpty() || step.lineVolts() == before ? 0 : Math.min(TURN_SECONDS, step.seconds());
            ramp.add(new LineSchedule.Ramp(step.lineVolts() * lineFactor, turning));
            ramp.add(new LineSchedule.Ramp(step.lineVolts() * lineFactor, step.seconds() - turning));
            lamps.add(new LineSchedule.Lamps(
                    step.lamps().stream().map(w -> w * lampFactor).toList(), step.seconds()));
            before = step.lineVolts();
        }
        int seconds =
                (int) Math.round(steps.stream().mapToDouble(PowerStep::seconds).sum());
        List<String> nodes = watched.stream()
                .flatMap(w -> java.util.stream.Stream.of(w.node(), w.to()))
                .filter(node -> !node.isEmpty())
                .distinct()
                .toList();
        boolean limited = steps.stream().anyMatch(PowerStep::limited);
        if (off > 0) {
            // The last moment of the plan is still on.
            ramp.add(new LineSchedule.Ramp(before * lineFactor, WarmUp.STEP_SECONDS));
            ramp.add(new LineSchedule.Ramp(0, 0));
        }
        WarmUp.Course course =
                WarmUp.run(values, new LineSchedule(ramp, limited ? lamps : List.of()), nodes, seconds + off);
        if (course.samples().size() <= seconds * PER_SECOND) {
            return Optional.empty();
        }
        Course all = Course.of(watched.size(), seconds);
        for (int second = 0; second <= seconds; second++) {
            WarmUp.Sample sample = course.samples().get(second * PER_SECOND);
            for (int row = 0; row < watched.size(); row++) {
                all.rows().get(row)[second] = figure(sample, watched.get(row), nodes, made(steps, second));
            }
        }
        Optional<List<double[]>> fall = off > 0 && course.failure().isEmpty()
                ? Optional.of(fall(
                        course.samples()
                                .subList(seconds * PER_SECOND, course.samples().size()),
                        nodes))
                : Optional.empty();
        return Optional.of(new Lived(all, fall));
    }

    private List<double[]> fall(List<WarmUp.Sample> samples, List<String> nodes) {
        return watched.stream()
                .filter(w -> w.kind() == Watched.Kind.RAIL)
                .map(w -> samples.stream()
                        .mapToDouble(sample -> figure(sample, w, nodes, 0))
                        .toArray())
                .toList();
    }

    private static double made(List<PowerStep> steps, double second) {
        double start = 0;
        for (PowerStep step : steps) {
            start += step.seconds();
            if (second <= start) {
                return step.lampWatts();
            }
        }
        return 0;
    }

    private static double figure(WarmUp.Sample sample, Watched watched, List<String> nodes, double lampWatts) {
        return switch (watched.kind()) {
            case SET_VOLTS -> sample.setVolts();
            case LINE_AMPERES -> sample.lineAmperes();
            case LINE_WATTS -> sample.lineWatts();
            case LAMP -> lampWatts == 0 ? 0 : sample.lampWatts() / lampWatts;
            case RAIL, DROP, CHASSIS ->
                sample.points()[nodes.indexOf(watched.node())] - sample.points()[nodes.indexOf(watched.to())];
        };
    }
}
