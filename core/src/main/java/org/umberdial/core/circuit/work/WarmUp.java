package org.umberdial.core.circuit.work;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.umberdial.core.circuit.law.Filament;
import org.umberdial.core.circuit.law.ThermalLaw;
import org.umberdial.core.circuit.network.Branch;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Source;
import org.umberdial.core.circuit.network.Store;
import org.umberdial.core.circuit.network.Values;

/**
 * A set from switching on: heaters warm, capacitors charge, a lamp in series glows and dims, leakage reforms or runs
 * away.
 *
 * <p>A stepper: {@link #advance} goes on from where it stands, on the line and lamps given, with the parts given; all
 * three may be changed in between, charge and heat stay. {@link #mark} keeps a moment to go back to.
 *
 * <p>Slow quantities step by {@value #STEP_SECONDS} s by the implicit Euler method, which is L-stable (E. Hairer and G.
 * Wanner, Solving Ordinary Differential Equations II, 1996): a charge that is much faster than the step goes where it
 * rests and does not ring. Within each step the line cycle is solved as at work, but ends where the slow charging wants
 * it. A step that does not settle, as where a rectifier begins to conduct, is halved down to one cycle of the line.
 * Heaters follow their power with their own time constants. Now and then the guard looks whether the line reaches what
 * is not followed through its cycle; then all since the last look is done again with that followed.
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
    /** A run of this length may take the command line's budget, a longer one more [s]. */
    private static final double BUDGET_SECONDS = 240;
    /** Steps between two looks of the guard. */
    private static final int UNLOOKED_STEPS = 20;
    /** A step fails when it cannot be made in so many halves. */
    private static final int MOST_HALVINGS = 4;

    private static final int MOST_WIDENINGS = 4;
    private static final int CUTS = 10;

    /**
     * One moment.
     *
     * @param lineVolts RMS ahead of the lamps
     * @param setVolts RMS at the set
     * @param lineWatts taken from the line, the lamps' among them
     * @param lampWatts in all lamps in series together
     * @param points DC of the nodes asked for
     */
    public record Sample(
            double seconds,
            double lineVolts,
            double setVolts,
            double lineAmperes,
            double lineWatts,
            double lampWatts,
            double[] points) {}

    /**
     * @param failure why the series ends early, if it does
     * @param notes what is to be said beside it
     */
    public record Course(List<Sample> samples, Optional<NotSettled> failure, List<Note> notes) {}

    /** A moment to go back to; see {@link WarmUp#back}. */
    public static final class Moment {
        private final double now;
        private final Sample latest;
        private final Solver solver;
        private final Solver.State state;
        private final double[] kelvin;
        private final double[] formed;
        private final double[] lampWarmth;
        private final List<Double> lamps;
        private final boolean[] burning;

        private Moment(WarmUp from) {
            now = from.now;
            latest = from.latest;
            solver = from.solver;
            state = from.solver.state();
            kelvin = from.kelvin.clone();
            formed = from.formed.clone();
            lampWarmth = from.lampWarmth.clone();
            lamps = from.lamps;
            burning = from.glow.burning();
        }
    }

    private final Work work = new Work();
    private final List<Note> notes;
    private final int[] points;
    private final double lampVolts;
    private final double[] kelvin;
    private final double[] formed;
    private final Glow glow;
    private Solver solver;
    private Network network;
    private Values nominal;
    private double now;
    private Values lastValues;
    private double volts;
    private double highestLine;
    private boolean leaks;
    private Sample latest;
    /** The one before; none at first and after going back. */
    private Sample earlier;
    /** Where a step failed last [s]. */
    private double failedAt;
    /** How much the farthest filament has warmed since the set was last solved. */
    private double warmed;

    private List<Double> lamps = List.of();
    private double[] lampWarmth = {};

    /**
     * A set that is off and cold.
     *
     * @param values the set, its lamps rated at its nominal line
     * @param points nodes to follow
     * @throws IllegalArgumentException when a node is not there or the set has no line
     */
    public WarmUp(Values values, List<String> points) {
        network = values.network();
        if (network.line().isEmpty()) {
            throw new IllegalArgumentException("the set has no line to switch on");
        }
        GridsAdrift adrift = GridsAdrift.of(values);
        nominal = adrift.in(GridsAdrift.USUAL);
        Notes said = new Notes();
        adrift.tubes().forEach(tube -> said.adrift(tube));
        notes = said.all();
        this.points = points.stream()
                .mapToInt(point -> network.node(point)
                        .orElseThrow(() -> new IllegalArgumentException("there is no node " + point)))
                .toArray();
        solver = new Solver(network, work);
        solver.cold();
        Arrays.fill(solver.heaters.warmth, 0);
        glow = new Glow(network);
        lampVolts = network.line().map(Source::volts).orElse(1.0);
        kelvin = new double[network.stores().size()];
        formed = new double[kelvin.length];
        latest = new Sample(0, 0, 0, 0, 0, 0, new double[this.points.length]);
    }

    /**
     * @param values the set, its lamps rated at its nominal line
     * @param points nodes to follow
     * @param seconds how long, above 0
     * @throws IllegalArgumentException when a node is not there or the set has no line
     */
    public static Course run(Values values, LineSchedule schedule, List<String> points, double seconds) {
        WarmUp set = new WarmUp(values, points);
        List<Sample> samples = new ArrayList<>();
        set.latest = new Sample(0, schedule.volts(0), 0, 0, 0, 0, new double[points.size()]);
        samples.add(set.latest);
        long budget = WorkBudget.COMMAND_LINE.multiplications;
        set.work.give((long) (budget * Math.max(1, seconds / BUDGET_SECONDS)));
        Moment looked = set.mark();
        int lookedAt = samples.size();
        int steps = (int) Math.round(seconds / STEP_SECONDS);
        for (int i = 1, widenings = 0; i <= steps; i++) {
            double end = i * STEP_SECONDS;
            set.lamps(schedule.lampsAt(end - STEP_SECONDS / 2));
            set.line(schedule.volts(end));
            Optional<NotSettled> failure = set.advance();
            if (failure.isPresent()) {
                return new Course(samples, failure, set.notes);
            }
            samples.add(set.latest);
            if (i == 2 || i % UNLOOKED_STEPS == 0 || i == steps) {
                if (widenings < MOST_WIDENINGS && set.follow(looked)) {
                    widenings++;
                    samples.subList(lookedAt, samples.size()).clear();
                    i = lookedAt - 1;
                } else {
                    looked = set.mark();
                    lookedAt = samples.size();
                }
            }
        }
        return new Course(samples, Optional.empty(), set.notes);
    }

    /** Line volts from here on, ahead of the lamps [V RMS]. */
    public void line(double rms) {
        double wanted = Math.max(rms, 1e-3);
        if (wanted != volts) {
            lastValues = null;
        }
        volts = wanted;
        highestLine = Math.max(highestLine, volts);
    }

    /**
     * Lamps in series from here on; cold ones, unless they are there already.
     *
     * @param watts of each, in parallel; empty for none
     */
    public void lamps(List<Double> watts) {
        if (!watts.equals(lamps)) {
            lamps = List.copyOf(watts);
            lampWarmth = new double[watts.size()];
            lastValues = null;
        }
    }

    /**
     * Goes on with other parts, such as a fault that comes in mid-run; charge and heat stay.
     *
     * @param values of the same circuit
     */
    public void change(Values values) {
        if (values.siemens().length != nominal.siemens().length) {
            throw new IllegalArgumentException("these are values of another circuit");
        }
        nominal = GridsAdrift.usual(values.on(network));
        lastValues = null;
    }

    public Moment mark() {
        return new Moment(this);
    }

    /** Back to a moment of this set; its line and parts stay as they are now, to be changed as wished. */
    public void back(Moment moment) {
        now = moment.now;
        latest = moment.latest;
        earlier = null;
        if (solver == moment.solver) {
            solver.restore(moment.state);
        } else {
            solver.takeOver(moment.solver, moment.state);
        }
        System.arraycopy(moment.kelvin, 0, kelvin, 0, kelvin.length);
        System.arraycopy(moment.formed, 0, formed, 0, formed.length);
        lamps = moment.lamps;
        lampWarmth = moment.lampWarmth.clone();
        glow.burning(moment.burning);
        lastValues = null;
    }

    /**
     * One step of {@value #STEP_SECONDS} s; {@link #latest} tells where it led.
     *
     * @return why it could not be made; then the set stands where it stood
     */
    public Optional<NotSettled> advance() {
        double end = now + STEP_SECONDS;
        Values present = present();
        boolean still = warmed < NOTHING_WARMED && present == lastValues && earlier != null && near(latest, earlier);
        if (still) {
            now = end;
            warmHeaters();
            Sample before = latest;
            take(new Sample(
                    now,
                    before.lineVolts(),
                    before.setVolts(),
                    before.lineAmperes(),
                    before.lineWatts(),
                    before.lampWatts(),
                    before.points()));
            return Optional.empty();
        }
        lastValues = present;
        warmed = 0;
        Solver.State before = solver.state();
        if (!step(present, STEP_SECONDS, MOST_HALVINGS)) {
            int worst = solver.worstNode();
            solver.restore(before);
            if (work.isSpent()) {
                return Optional.of(new NotSettled("", WorkBudget.COMMAND_LINE.spent()));
            }
            NotSettled why = Unsettled.at(worst, present);
            return Optional.of(new NotSettled(
                    why.node(),
                    String.format(
                            Locale.ROOT,
                            "Between %.3f and %.3f s: %s",
                            Math.max(now, failedAt - solver.period()),
                            failedAt,
                            why.reason())));
        }
        Optional<String> beyond = solver.beyond(nominal.atLine(highestLine));
        if (beyond.isPresent()) {
            solver.restore(before);
            return Optional.of(new NotSettled(
                    "",
                    String.format(
                            Locale.ROOT,
                            "From %.2f s on the answer is not to be trusted, because %s.",
                            end,
                            beyond.get())));
        }
        now = end;
        take(sample(present));
        Optional<double[]> henries = Cores.changed(nominal, solver.x);
        if (henries.isPresent()) {
            nominal = nominal.magnetised(henries.get());
            lastValues = null;
        }
        if (glow.any() && glow.change(solver.moments())) {
            lastValues = null;
        }
        return Optional.empty();
    }

    /** The moment it has come to. */
    public Sample latest() {
        return latest;
    }

    private void take(Sample sample) {
        earlier = latest.seconds() > 0 ? latest : null;
        latest = sample;
    }

    /** In one step, or in two halves when that does not settle. */
    private boolean step(Values present, double seconds, int halvings) {
        Solver.State before = solver.state();
        if (solver.step(present, seconds)) {
            return true;
        }
        failedAt = now + seconds;
        if (halvings == 0 || seconds / 2 < solver.period()) {
            return false;
        }
        solver.restore(before);
        return step(present, seconds / 2, halvings - 1) && step(present, seconds / 2, halvings - 1);
    }

    /**
     * Looks whether the line reaches what is not followed through its cycle; if so, goes back with that followed.
     *
     * @return whether it went back
     */
    public boolean follow(Moment looked) {
        if (!solver.reachesMore(lastValues == null ? present() : lastValues)) {
            return false;
        }
        network = network.following(solver.guard.unseenJunctions, solver.guard.unseenAmplifiers);
        nominal = nominal.on(network);
        solver = new Solver(network, work);
        back(looked);
        return true;
    }

    private static boolean near(Sample a, Sample b) {
        for (int i = 0; i < a.points().length; i++) {
            if (Math.abs(a.points()[i] - b.points()[i]) > STANDING_VOLTS) {
                return false;
            }
        }
        return a.lampWatts() == 0;
    }

    private Values present() {
        if (lastValues != null && lamps.isEmpty() && !leaks) {
            return lastValues;
        }
        Values present = glow.in(nominal.atLine(volts));
        if (!lamps.isEmpty()) {
            present = present.withFeed(lampOhms());
        }
        double[] factors = new double[kelvin.length];
        boolean leaking = false;
        for (int i = 0; i < factors.length; i++) {
            Store store = network.stores().get(i);
            boolean wet = store.wet() && nominal.siemens()[store.leak()] > 0;
            leaking |= wet;
            factors[i] = wet
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

    private Sample sample(Values present) {
        solver.heaterVolts();
        warmHeaters();
        double lampWatts = 0;
        for (int b = 0; b < network.branches().size() && !lamps.isEmpty(); b++) {
            if (network.branches().get(b).kind() == Branch.Kind.FEED) {
                lampWatts = light(solver.rmsAcross(b));
            }
        }
        for (int i = 0; i < kelvin.length; i++) {
            warmCapacitor(i, present);
        }
        LineSide side = new LineSide(solver);
        double[] shown = new double[points.length];
        for (int i = 0; i < points.length; i++) {
            shown[i] = Stamps.at(solver.x, points[i]);
        }
        return new Sample(
                now, volts, side.setVolts(), side.amperes(), Math.max(0, side.watts(present)), lampWatts, shown);
    }

    /**
     * Lets every filament follow the power it has. A cold one takes many times its power and its resistance runs up
     * within a fraction of a step; so the step is cut, with the volts across it as they are.
     */
    private void warmHeaters() {
        double most = 0;
        for (int i = 0; i < solver.heaters.warmth.length; i++) {
            ThermalLaw law = network.heats().get(i).law();
            double volts = solver.heaters.effectiveVolts[i];
            double share = 1 - Math.exp(-STEP_SECONDS / CUTS / law.seconds());
            double before = solver.heaters.warmth[i];
            double warmth = before;
            for (int cut = 0; cut < CUTS; cut++) {
                warmth += share * (volts * volts / law.ohms(warmth) / law.ratedWatts() - warmth);
            }
            solver.heaters.warmth[i] = warmth;
            most = Math.max(most, Math.abs(warmth - before));
        }
        warmed += most;
    }

    private double light(double across) {
        double watts = 0;
        for (int i = 0; i < lampWarmth.length; i++) {
            Filament law = lamp(lamps.get(i));
            double power = across * across / law.ohms(lampWarmth[i]);
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
