package org.umberdial.core.power;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.IntStream;
import org.umberdial.core.policy.School;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.FuseSizes;
import org.umberdial.core.value.Unit;

/**
 * Plans the first power of a set: steps that start its rectifier and spare it, by its own warm-up; the band of a
 * healthy set by many of its kind; and how it would go with one part bad.
 */
public final class Planner {
    private static final List<Double> LAMPS = List.of(15.0, 25.0, 40.0, 60.0, 75.0, 100.0, 150.0, 200.0, 300.0);
    /** What the set should see on the first lamp, and on the second, as a share of the line. */
    private static final double FIRST_SHARE = 0.50;

    private static final double SECOND_SHARE = 0.75;
    /** Eyes tell two lamps apart when one has this much more of what it is made for. */
    private static final double TELLING_GLOW = 0.15;
    /** A rectifier has started when the first rail has this share of its volts at work. */
    private static final double STARTED = 0.12;
    /** A rail has settled when it is so near to where it ends. */
    private static final double SETTLED = 0.03;

    private static final double LEAST_SECONDS = 20;
    private static final double MOST_SECONDS = 120;
    private static final double TRIAL_SECONDS = 90;
    private static final double LAST_SECONDS = 60;
    /** Old electrolytics form under a ramp, a step at a time [s]. */
    private static final double FORMING_SECONDS = 300;

    /** Below it nothing that is called a line feeds a set [V]. */
    private static final double LEAST_LINE = 60;

    /** @param plan empty with the reason why */
    public record Planned(Optional<PowerPlan> plan, List<LampRow> lamps, String reason) {}

    /**
     * One lamp in series with the whole set, against the same with a shorted first filter.
     *
     * @param setVolts after warming [V RMS], @param railVolts on the first rail [V]
     * @param seconds until the rail is there [s]
     * @param glow as a share of what the lamp is made for, also for {@code shortedGlow}
     */
    public record LampRow(
            double watts,
            double setVolts,
            double railVolts,
            double seconds,
            double glow,
            double shortedSetVolts,
            double shortedRailVolts,
            double shortedGlow,
            boolean started) {}

    private final PowerScene scene;
    private final Simulation simulation;
    private final List<Watched> watched;
    private final boolean forming;
    private final AsItIs asItIs;

    private Planner(PowerScene scene, boolean forming, AsItIs asItIs) {
        this.scene = scene;
        this.forming = forming;
        this.asItIs = asItIs;
        watched = watched(scene);
        simulation = new Simulation(scene, watched, asItIs);
    }

    /**
     * Plans.
     *
     * @param way a school of {@link School.Question#FIRST_POWER}
     * @param line at the plug [V RMS]
     * @param forming whether old electrolytics are to form while the line is raised
     * @param asItIs what of the set is not as drawn meanwhile
     */
    public static Planned plan(BenchSet set, String mode, double line, School way, boolean forming, AsItIs asItIs) {
        Optional<PowerScene> scene = PowerScene.of(set, mode, line);
        if (!set.construction().lineFed()
                || scene.filter(s -> s.line() < LEAST_LINE).isPresent()) {
            return new Planned(
                    Optional.empty(),
                    List.of(),
                    "This set is not fed from the line: bring it up on a bench supply, its current limit a little above what"
                            + " the set draws, and watch volts and amperes there. A lamp or a variable transformer has no"
                            + " place before it.");
        }
        if (scene.isEmpty()) {
            return new Planned(
                    Optional.empty(),
                    List.of(),
                    set.parts().isEmpty()
                            ? "There is no circuit yet, so nothing says what a healthy set would show. Draft it from the"
                                    + " tubes: Circuit, Draft."
                            : "The circuit does not solve yet; Circuit says what is missing.");
        }
        if (scene.get().rails().isEmpty()) {
            return new Planned(
                    Optional.empty(),
                    List.of(),
                    "The circuit has no supply with a filter capacitor on it, so there is no B+ to watch.");
        }
        return new Planner(scene.get(), forming, asItIs).planned(way);
    }

    static List<Watched> watched(PowerScene scene) {
        List<Watched> all = new ArrayList<>(List.of(
                Watched.atLine(Watched.Kind.SET_VOLTS, "set", "Set volts"),
                Watched.atLine(Watched.Kind.LINE_AMPERES, "amps", "Line current"),
                Watched.atLine(Watched.Kind.LINE_WATTS, "watts", "Line watts")));
        scene.rails()
                .forEach(rail -> all.add(new Watched(
                        "rail:" + rail.node(),
                        Watched.Kind.RAIL,
                        rail.name(),
                        rail.node(),
                        rail.minus(),
                        rail.most())));
        scene.drop()
                .ifPresent(drop -> all.add(new Watched(
                        "drop:" + drop.part(), Watched.Kind.DROP, "Over " + drop.name(), drop.from(), drop.to(), 0)));
        all.add(Watched.atLine(Watched.Kind.LAMP, "lamp", "Lamp"));
        return all;
    }

    /** Chassis to earth has no band: nothing may stand there. */
    private List<Watched> withChassis() {
        List<Watched> all = new ArrayList<>(watched);
        all.add(Watched.atLine(Watched.Kind.CHASSIS, "chassis", "Chassis to earth"));
        return all;
    }

    private int rail() {
        return IntStream.range(0, watched.size())
                .filter(i -> watched.get(i).kind() == Watched.Kind.RAIL)
                .findFirst()
                .orElseThrow();
    }

    private int row(Watched.Kind kind) {
        return IntStream.range(0, watched.size())
                .filter(i -> watched.get(i).kind() == kind)
                .findFirst()
                .orElseThrow();
    }

    private Planned planned(School way) {
        List<String> why = new ArrayList<>();
        List<LampRow> lamps =
                LAMPS.parallelStream().map(this::lamp).flatMap(Optional::stream).toList();
        List<PowerStep> steps = switch (way) {
            case VARIABLE_TRANSFORMER -> ramp(List.of(), why);
            case LAMP_AND_VARIABLE -> both(lamps, why);
            case STRAIGHT_ON -> straight(why);
            default -> lamps(lamps, why);
        };
        List<PowerStep> timed = timed(steps);
        Optional<Course> middle = simulation.run(simulation.nominal(), timed);
        if (middle.isEmpty()) {
            return new Planned(
                    Optional.empty(), lamps, "The warm-up of this circuit does not settle, so there is no plan.");
        }
        List<Simulation.Lived> draws = IntStream.range(0, Band.DRAWS)
                .parallel()
                .mapToObj(i -> simulation.another(timed, new Random(1000 + i)))
                .flatMap(Optional::stream)
                .toList();
        if (draws.size() < Band.DRAWS / 2) {
            return new Planned(
                    Optional.empty(), lamps, "Too few sets of this kind settle in the model to draw a band from.");
        }
        Band band = Band.of(draws.stream().map(Simulation.Lived::course).toList(), timed);
        List<List<double[]>> falls = draws.stream()
                .map(Simulation.Lived::fall)
                .flatMap(Optional::stream)
                .toList();
        asItIs(why);
        double running = scene.healthy().lineAmperes().orElse(0);
        OptionalDouble fuse = FuseSizes.fitting(running);
        why.add(
                fuse.isPresent()
                        ? "Fuse: it draws " + Engineering.print(running, Unit.AMPERE) + " at work; the next size above "
                                + Engineering.plain(FuseSizes.MARGIN) + " times that is "
                                + Engineering.print(fuse.getAsDouble(), Unit.AMPERE)
                                + ", slow, in the live lead ahead of the switch."
                        : "Fuse: no standard size is as large as 1.5 times its current.");
        return new Planned(
                Optional.of(new PowerPlan(
                        way,
                        scene.line(),
                        timed,
                        withChassis(),
                        band.low(),
                        band.middle(),
                        band.high(),
                        new Faults(scene)
                                .courses(simulation, timed).stream()
                                        .filter(fault -> !asItIs.lifted().contains(fault.part()))
                                        .toList(),
                        scene.drop().map(PowerScene.Drop::ohms).orElse(0.0),
                        running,
                        fuse.orElse(0),
                        scene.rectifier() == PowerScene.Rectifier.TUBE,
                        asItIs,
                        falls.size() < Band.DRAWS / 2 || !asItIs.otherwise().isEmpty() ? null : Fall.of(falls),
                        scene.usual(),
                        why)),
                lamps,
                "");
    }

    private void asItIs(List<String> why) {
        if (!asItIs.lifted().isEmpty()) {
            why.add("Reckoned without " + String.join(", ", asItIs.lifted())
                    + ", as the set stands now. What goes well so and not with it in lies there or behind it.");
        }
        if (!asItIs.otherwise().isEmpty()) {
            why.add(String.join(", ", asItIs.otherwise())
                    + " for now, which this plan does not reckon with: the band is that of the set as drawn, and no part"
                    + " is named by it.");
        }
    }

    private Optional<LampRow> lamp(double watts) {
        List<PowerStep> one = List.of(new PowerStep(scene.line(), List.of(watts), TRIAL_SECONDS, ""));
        int rail = rail();
        int volts = row(Watched.Kind.SET_VOLTS);
        int glow = row(Watched.Kind.LAMP);
        Optional<Course> healthy = simulation.run(simulation.nominal(), one);
        Optional<Course> shorted = simulation.run(
                simulation.nominal().shorted(scene.rails().get(0).capacitors().get(0)), one);
        if (healthy.isEmpty() || shorted.isEmpty()) {
            return Optional.empty();
        }
        Course h = healthy.get();
        Course s = shorted.get();
        return Optional.of(new LampRow(
                watts,
                h.at(volts, TRIAL_SECONDS),
                h.at(rail, TRIAL_SECONDS),
                settled(h, rail, 0, TRIAL_SECONDS),
                h.at(glow, TRIAL_SECONDS),
                s.at(volts, TRIAL_SECONDS),
                s.at(rail, TRIAL_SECONDS),
                s.at(glow, TRIAL_SECONDS),
                h.at(rail, TRIAL_SECONDS) >= STARTED * scene.rails().get(0).healthyVolts()));
    }

    /** When a row comes near to where it stands at the end and stays there, since the beginning of a stretch [s]. */
    private static double settled(Course course, int row, double from, double to) {
        double end = course.at(row, to);
        double since = from;
        for (double t = from; t <= to; t++) {
            if (Math.abs(course.at(row, t) - end) > SETTLED * Math.max(1, Math.abs(end))) {
                since = t + 1;
            }
        }
        return since - from;
    }

    private List<PowerStep> lamps(List<LampRow> rows, List<String> why) {
        List<PowerStep> steps = new ArrayList<>();
        Optional<LampRow> first = pick(rows, FIRST_SHARE, 0);
        if (first.isEmpty()) {
            why.add("No lamp up to 300 W lets this set have half its volts: it draws too much for a lamp.");
            return straight(why);
        }
        LampRow one = first.get();
        why.add(text(
                "With one %.0f W lamp the set sees %.0f V, %s reaches %.0f V in %.0f s and the lamp is %s. With a"
                        + " shorted first filter it sees %.0f V, %s stays at %.0f V and the lamp is %s.",
                one.watts(),
                one.setVolts(),
                scene.rails().get(0).name(),
                one.railVolts(),
                one.seconds(),
                Glow.of(one.glow()).label(),
                one.shortedSetVolts(),
                scene.rails().get(0).name(),
                one.shortedRailVolts(),
                Glow.of(one.shortedGlow()).label()));
        if (Math.abs(one.shortedGlow() - one.glow()) < TELLING_GLOW) {
            why.add("The glow alone tells nothing here: the lamp starves the rectifier's heater, so a short looks mild."
                    + " Read set volts and B+ at every step.");
        }
        steps.add(new PowerStep(scene.line(), List.of(one.watts()), 0, "it limits what a short can take"));
        pick(rows, SECOND_SHARE, one.watts())
                .ifPresent(two -> steps.add(
                        new PowerStep(scene.line(), List.of(two.watts()), 0, "nearer to its volts, still limited")));
        steps.add(new PowerStep(scene.line(), List.of(), LAST_SECONDS, "only when every figure was in its band"));
        return steps;
    }

    /** The smallest lamp that gives the set so much, and that starts its rectifier. */
    private Optional<LampRow> pick(List<LampRow> rows, double share, double above) {
        return rows.stream()
                .filter(row -> row.watts() > above && row.setVolts() >= share * scene.line() && row.started())
                .min(Comparator.comparingDouble(LampRow::watts));
    }

    private List<PowerStep> ramp(List<Double> lamps, List<String> why) {
        List<PowerStep> steps = new ArrayList<>();
        double hold = forming ? FORMING_SECONDS : 0;
        if (scene.rectifier() == PowerScene.Rectifier.TUBE) {
            double starts = starts(lamps);
            why.add(text(
                    "The rectifier is a tube: below about %.0f V of line its heater is too cool and B+ stays away, so a"
                            + " slower ramp there does nothing for the capacitors.",
                    starts));
            double warming = round(0.45 * scene.line());
            if (warming < starts - 8) {
                steps.add(new PowerStep(warming, lamps, LEAST_SECONDS, "heaters only: B+ stays away"));
            }
            steps.add(new PowerStep(round(starts), lamps, hold, "the rectifier starts here"));
            double middle = round((starts + scene.line()) / 2);
            if (middle > starts + 4) {
                steps.add(new PowerStep(middle, lamps, hold, "half way up from there"));
            }
        } else {
            why.add("The rectifier conducts from the first volt, so the capacitors follow the line all the way.");
            for (double share : List.of(0.25, 0.5, 0.75)) {
                steps.add(new PowerStep(round(share * scene.line()), lamps, hold, "the capacitors follow"));
            }
        }
        if (forming) {
            why.add("Each step is held five minutes, so that old electrolytics form on it; go on only when the current"
                    + " has stopped falling.");
        }
        steps.add(new PowerStep(scene.line(), lamps, LAST_SECONDS, "the whole line"));
        if (lamps.isEmpty()) {
            why.add("A variable transformer limits no current and isolates nothing: only the fuse does the one, only an"
                    + " isolation transformer the other.");
        }
        return steps;
    }

    private List<PowerStep> both(List<LampRow> rows, List<String> why) {
        Optional<LampRow> lamp = pick(rows, SECOND_SHARE, 0);
        if (lamp.isEmpty()) {
            why.add("No lamp up to 300 W leaves this set enough volts, so it goes up without one.");
            return ramp(List.of(), why);
        }
        why.add(text(
                "A %.0f W lamp stays in series while the line is raised, and goes last.",
                lamp.get().watts()));
        List<PowerStep> steps = new ArrayList<>(ramp(List.of(lamp.get().watts()), why));
        steps.add(new PowerStep(scene.line(), List.of(), LAST_SECONDS, "only when every figure was in its band"));
        return steps;
    }

    private List<PowerStep> straight(List<String> why) {
        why.add("Nothing limits the current but the fuse: hand on the plug, eyes on B+ and on the rectifier.");
        return List.of(new PowerStep(scene.line(), List.of(), MOST_SECONDS, "straight on"));
    }

    /** The lowest of a few line volts at which B+ comes up [V]. */
    private double starts(List<Double> lamps) {
        for (double share = 0.5; share < 0.95; share += 0.05) {
            double volts = share * scene.line();
            Optional<Course> course =
                    simulation.run(simulation.nominal(), List.of(new PowerStep(volts, lamps, MOST_SECONDS, "")));
            if (course.filter(c -> c.at(rail(), MOST_SECONDS)
                            >= 2 * STARTED * scene.rails().get(0).healthyVolts())
                    .isPresent()) {
                return volts;
            }
        }
        return 0.95 * scene.line();
    }

    /** Steps without a length last until their rail has settled, and a little longer. */
    private List<PowerStep> timed(List<PowerStep> steps) {
        List<PowerStep> all = new ArrayList<>();
        for (PowerStep step : steps) {
            if (step.seconds() > 0) {
                all.add(step);
                continue;
            }
            List<PowerStep> trial = new ArrayList<>(all);
            trial.add(new PowerStep(step.lineVolts(), step.lamps(), MOST_SECONDS, ""));
            double from = all.stream().mapToDouble(PowerStep::seconds).sum();
            double needed = simulation
                    .run(simulation.nominal(), trial)
                    .map(c -> settled(c, rail(), from, from + MOST_SECONDS))
                    .orElse(MOST_SECONDS);
            double seconds = Math.min(MOST_SECONDS, Math.max(LEAST_SECONDS, 10 * Math.ceil((needed + 5) / 10)));
            all.add(new PowerStep(step.lineVolts(), step.lamps(), seconds, step.why()));
        }
        return all;
    }

    private static double round(double volts) {
        return 5 * Math.round(volts / 5);
    }

    private static String text(String format, Object... figures) {
        return String.format(Locale.ROOT, format, figures);
    }
}
