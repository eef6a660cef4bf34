package org.umberdial.core.power;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.power.Suspicion.Moment;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * Watches a run, sample by sample: what is outside the band, when somebody must stop and why, which part would do that,
 * and whether one may go on. The same samples always say the same, so that a run can be replayed.
 */
public final class RunWatch {
    /** What switching makes in the first moments is not followed [s]. */
    private static final double INRUSH_SECONDS = 1.5;
    /** Outside the band for so long it is no jump of a meter [s]. */
    private static final double PERSISTS_SECONDS = 3;

    private static final int TWICE = 2;
    /** So far over the band's edge a current is no longer a healthy set's in any case. */
    private static final double CURRENT_OVER = 1.15;
    /** And so far above it a lamp's glow, as a share of what it is made for. */
    private static final double GLOW_OVER = 0.15;

    private static final double BRIGHT = 0.4;
    /** Below this share of the band's lower edge a rail is missing, not low. */
    private static final double MISSING = 0.4;

    private static final double LEAST_EXPECTED_VOLTS = 4;
    private static final double LEAST_EXPECTED_SHARE = 0.03;
    /** Less than this share of the least current, and nothing flows. */
    private static final double NOTHING_FLOWS = 0.3;
    /** Behind the rating by no more than the meter's share. */
    private static final double RATING_MARGIN = 1.01;

    private static final double MOMENT_SECONDS = 3;
    private static final int MOST_MOMENTS = 12;
    private static final int MOST_WELL = 5;
    /** What a person reads as a shock and not as a tickle [V]; behind an isolation transformer it means nothing. */
    private static final double CHASSIS_VOLTS = 30;

    /**
     * How the run stands.
     *
     * @param mayAdvance whether one may go on to the next step
     * @param holds why one may not; empty when one may
     * @param unexplained amperes through the filter that the stages do not take; empty where nothing tells
     * @param outside ids of what is outside its band
     * @param drift how the first supply point has gone since it was warm, against what a healthy one does; empty before
     *     that
     */
    public record State(
            boolean mayAdvance, String holds, OptionalDouble unexplained, Set<String> outside, Optional<Drift> drift) {}

    /** @param share that it has risen or, below 0, fallen, @param seconds since it was warm */
    public record Drift(String what, double share, double seconds) {}

    private final PowerPlan plan;
    private final FallWatch fall;
    private final Suspicion suspicion;
    private final boolean isolated;
    private final int count;
    private final double[] latest;
    private final double[] readAt;
    private final double[] outsideSince;
    private final int[] outsideTimes;
    private final List<Moment> moments = new ArrayList<>();
    private final Set<String> raised = new HashSet<>();
    private final Sinking sinking;
    private final List<Moment> well = new ArrayList<>();
    private int step;
    private double stepAt;
    /** Of the first supply point in the last step, once it is warm. */
    private double warmVolts = Double.NaN;

    private double warmAt;

    /**
     * @param standing how far a part may still be to blame, 0 to 1: little when it is proven
     * @param isolated whether an isolation transformer feeds the set; then volts from chassis to earth mean nothing
     */
    public RunWatch(PowerPlan plan, HousePolicy policy, ToDoubleFunction<String> standing, boolean isolated) {
        this.plan = plan;
        this.isolated = isolated;
        fall = new FallWatch(plan);
        suspicion = new Suspicion(plan, standing);
        count = plan.watched().size();
        latest = nothing();
        readAt = nothing();
        outsideSince = nothing();
        outsideTimes = new int[count];
        sinking = new Sinking(plan, policy.driftFraction());
    }

    private double[] nothing() {
        double[] none = new double[count];
        Arrays.fill(none, Double.NaN);
        return none;
    }

    /** Goes on to a step at a time since the run began [s]. */
    public void step(int number, double at) {
        step = number;
        stepAt = at;
        Arrays.fill(outsideSince, Double.NaN);
        Arrays.fill(outsideTimes, 0);
        sinking.step(number, at);
        moments.clear();
        well.clear();
    }

    public int step() {
        return step;
    }

    /** Power is off, or somebody goes to the plug; how the set falls is compared from here on. */
    public void off(double at) {
        fall.off(step == plan.steps().size() - 1 && at - stepAt >= lasts());
    }

    /** How its supply points fall since the power is off. */
    public List<FallWatch.Fallen> fallen() {
        return fall.fallen();
    }

    /** When a healthy set would be empty, a sentence. @param safeVolts at or below which it is [V] */
    public String forecast(double safeVolts) {
        return FallWatch.forecast(plan, safeVolts);
    }

    /** Where the plan is at a time [s]. */
    public double place(double seconds) {
        return plan.place(step, seconds - stepAt);
    }

    /**
     * Takes a sample.
     *
     * @return the alarms that it raises; each is raised once a step
     */
    public List<Alarm> take(RunSample sample) {
        fall.take(sample);
        for (int i = 0; i < count; i++) {
            if (!Double.isNaN(sample.figures()[i])) {
                latest[i] = sample.figures()[i];
                readAt[i] = sample.seconds();
            }
        }
        double place = place(sample.seconds());
        boolean settling = sample.seconds() - stepAt < INRUSH_SECONDS;
        if (!settling) {
            remember(sample, place);
        }
        List<Alarm> alarms = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            double read = sample.figures()[i];
            if (!Double.isNaN(read)) {
                look(i, read, place, sample, settling, alarms);
            }
        }
        int rail = plan.row(Watched.Kind.RAIL);
        boolean last = step == plan.steps().size() - 1;
        if (last
                && Double.isNaN(warmVolts)
                && sample.seconds() - stepAt >= lasts()
                && rail >= 0
                && readAt[rail] >= stepAt) {
            warmVolts = latest[rail];
            warmAt = readAt[rail];
        }
        boolean allWell = Arrays.stream(outsideTimes).allMatch(times -> times == 0);
        if (!settling
                && allWell
                && (well.isEmpty() || place - well.get(well.size() - 1).place() >= MOMENT_SECONDS)) {
            well.add(new Moment(place, latest.clone()));
            if (well.size() > MOST_WELL) {
                well.remove(0);
            }
        }
        return alarms;
    }

    private void remember(RunSample sample, double place) {
        boolean later =
                moments.isEmpty() || place - moments.get(moments.size() - 1).place() >= MOMENT_SECONDS;
        if (later || sample.byHand()) {
            moments.add(new Moment(
                    place, Arrays.copyOf(sample.figures(), plan.middle().rows().size())));
            if (moments.size() > MOST_MOMENTS) {
                moments.remove(0);
            }
        }
    }

    private void look(int i, double read, double place, RunSample sample, boolean settling, List<Alarm> alarms) {
        Watched watched = plan.watched().get(i);
        if (watched.kind() == Watched.Kind.CHASSIS) {
            if (!isolated && Math.abs(read) > CHASSIS_VOLTS) {
                raise(
                        Alarm.Kind.CHASSIS,
                        i,
                        sample,
                        shown(watched, read) + " between chassis and earth, and no isolation transformer: pull the plug"
                                + " before a hand comes near.",
                        alarms);
            }
            return;
        }
        if (watched.most() > 0 && read > watched.most() * RATING_MARGIN) {
            raise(
                    Alarm.Kind.OVER_RATING,
                    i,
                    sample,
                    watched.what() + " is at " + shown(watched, read) + "; the capacitors there stand "
                            + shown(watched, watched.most())
                            + (plan.usual() == 0 ? "." : ", as such sets usually have them: read theirs."),
                    alarms);
        }
        double low = plan.low().at(i, place);
        double high = plan.high().at(i, place);
        // Eyes tell a glow by its word, and no finer.
        boolean beyond = watched.kind() == Watched.Kind.LAMP
                ? Glow.of(read).compareTo(Glow.of(low)) < 0 || Glow.of(read).compareTo(Glow.of(high)) > 0
                : read < low || read > high;
        boolean outside = !settling && beyond;
        outsideTimes[i] = outside ? outsideTimes[i] + 1 : 0;
        if (!outside) {
            outsideSince[i] = Double.NaN;
        } else if (Double.isNaN(outsideSince[i])) {
            outsideSince[i] = sample.seconds();
        }
        if (watched.kind() == Watched.Kind.RAIL && !settling) {
            sinking(i, read, place, sample, alarms);
        }
        if (!outside || !sample.byHand() && outsideTimes[i] < TWICE) {
            return;
        }
        String against = shown(watched, read) + " where a healthy set has " + band(watched, low, high);
        boolean grave = switch (watched.kind()) {
            case LINE_AMPERES -> current(i, read, low, high, sample, against, alarms);
            case LAMP -> lamp(i, read, high, sample, alarms);
            case RAIL -> supply(i, read, low, place, sample, against, alarms);
            default -> false;
        };
        if (watched.kind() != Watched.Kind.LINE_AMPERES && nothingFlows(place)) {
            // That is said once, of the current; everything else only follows from it.
            return;
        }
        boolean persists = sample.byHand() || sample.seconds() - outsideSince[i] >= PERSISTS_SECONDS;
        if (!grave && persists) {
            raise(Alarm.Kind.UNLIKE, i, sample, watched.what() + " shows " + against + ".", alarms);
        }
    }

    private boolean nothingFlows(double place) {
        int amps = plan.row(Watched.Kind.LINE_AMPERES);
        return amps >= 0 && readAt[amps] >= stepAt && latest[amps] < plan.low().at(amps, place) * NOTHING_FLOWS;
    }

    private boolean current(
            int i, double read, double low, double high, RunSample sample, String against, List<Alarm> alarms) {
        if (read > high * CURRENT_OVER) {
            raise(Alarm.Kind.CURRENT, i, sample, "The line gives " + against + ".", alarms);
            return true;
        }
        if (read < low * NOTHING_FLOWS) {
            raise(
                    Alarm.Kind.NO_CURRENT,
                    i,
                    sample,
                    "The line gives " + against
                            + ": look at plug, fuse, switch and hidden switches before anything is called dead.",
                    alarms);
            return true;
        }
        return false;
    }

    private boolean lamp(int i, double read, double high, RunSample sample, List<Alarm> alarms) {
        if (read > high + GLOW_OVER && read > BRIGHT) {
            raise(
                    Alarm.Kind.LAMP,
                    i,
                    sample,
                    "The lamp is " + Glow.of(read).label() + "; by now it should be "
                            + Glow.of(Math.max(0, high)).label() + ".",
                    alarms);
            return true;
        }
        return false;
    }

    private boolean supply(
            int i, double read, double low, double place, RunSample sample, String against, List<Alarm> alarms) {
        if (read > MISSING * low) {
            return false;
        }
        double comesTo = plan.middle().at(i, plan.seconds());
        if (low < Math.max(LEAST_EXPECTED_VOLTS, LEAST_EXPECTED_SHARE * comesTo)) {
            // Missing, but no more than a few volts yet: a moment later it is one or the other.
            return true;
        }
        int amps = plan.row(Watched.Kind.LINE_AMPERES);
        boolean known = amps >= 0 && readAt[amps] >= stepAt;
        if (nothingFlows(place)) {
            return false;
        }
        raise(
                Alarm.Kind.NO_SUPPLY,
                i,
                sample,
                plan.watched().get(i).what() + " shows " + against + " by now"
                        + (known
                                ? ", though " + shown(plan.watched().get(amps), latest[amps]) + " flows."
                                : "; the line current was not read."),
                alarms);
        return true;
    }

    private void sinking(int i, double read, double place, RunSample sample, List<Alarm> alarms) {
        OptionalDouble sunk = sinking.take(i, read, place, sample, latest, readAt);
        if (sunk.isPresent()) {
            Watched watched = plan.watched().get(i);
            raise(
                    Alarm.Kind.SINKING,
                    i,
                    sample,
                    watched.what() + " has sunk by " + Math.round(100 * sunk.getAsDouble()) + " % to "
                            + shown(watched, read) + " while the set’s own volts are steady." + why(),
                    alarms);
        }
    }

    /** More load draws a larger drop over the filter, a weaker supply a smaller one. */
    private String why() {
        int drop = plan.row(Watched.Kind.DROP);
        if (drop < 0 || Double.isNaN(latest[drop])) {
            return "";
        }
        double expected = plan.middle().at(drop, place(readAt[drop]));
        return latest[drop] > expected * 1.05
                ? " The drop over the filter is larger than it should be: something draws more."
                : latest[drop] < expected * 0.95
                        ? " The drop over the filter is smaller than it should be: the supply gives less."
                        : "";
    }

    private void raise(Alarm.Kind kind, int i, RunSample sample, String says, List<Alarm> alarms) {
        Watched watched = plan.watched().get(i);
        if (!raised.add(step + " " + kind + " " + watched.id())) {
            return;
        }
        boolean nameable = EnumSet.complementOf(EnumSet.of(Alarm.Kind.CHASSIS, Alarm.Kind.LOST))
                .contains(kind);
        List<Alarm.Suspected> suspects =
                nameable && plan.accuses() ? suspected(kind, i, place(sample.seconds())) : List.of();
        alarms.add(new Alarm(kind, sample.seconds(), watched.id(), says, suspects, unnamed(nameable, suspects)));
    }

    /** By how it goes; by what has changed, where it went well before. */
    private List<Alarm.Suspected> suspected(Alarm.Kind kind, int i, double place) {
        Moment now = new Moment(place, latest);
        if (kind == Alarm.Kind.SINKING) {
            return suspicion.rankChange(sinking.whenBest(i), now);
        }
        List<Alarm.Suspected> going = suspicion.rank(moments);
        return going.isEmpty() && !well.isEmpty() ? suspicion.rankChange(well.get(0), now) : going;
    }

    private String unnamed(boolean nameable, List<Alarm.Suspected> suspects) {
        if (!nameable || !suspects.isEmpty()) {
            return "";
        }
        if (!plan.asItIs().otherwise().isEmpty()) {
            return "No part is named: " + String.join(", ", plan.asItIs().otherwise()) + " for now.";
        }
        return plan.usual() > 0
                ? "No part is named: " + plan.usual()
                        + (plan.usual() == 1 ? " value" : " values")
                        + " of this circuit are as such sets usually have them."
                : "No fault that was reckoned goes like this any better than a healthy set at the edge of its band.";
    }

    /** Says that what is watched is no longer read. */
    public Optional<Alarm> lost(String id, double seconds, String says) {
        return raised.add(step + " LOST " + id)
                ? Optional.of(new Alarm(Alarm.Kind.LOST, seconds, id, says, List.of(), ""))
                : Optional.empty();
    }

    /** It is read again. */
    public void found(String id) {
        raised.remove(step + " LOST " + id);
    }

    /** How it stands at a time since the run began [s]. */
    public State state(double seconds) {
        Set<String> outside = new HashSet<>();
        for (int i = 0; i < plan.middle().rows().size(); i++) {
            if (outsideTimes[i] > 0) {
                outside.add(plan.watched().get(i).id());
            }
        }
        String holds = holds(seconds, outside);
        return new State(holds.isEmpty(), holds, unexplained(), outside, drift());
    }

    private double lasts() {
        return plan.steps().get(step).seconds();
    }

    private Optional<Drift> drift() {
        int rail = plan.row(Watched.Kind.RAIL);
        return rail < 0 || Double.isNaN(warmVolts) || readAt[rail] <= warmAt
                ? Optional.empty()
                : Optional.of(new Drift(
                        plan.watched().get(rail).what(), latest[rail] / warmVolts - 1, readAt[rail] - warmAt));
    }

    private String holds(double seconds, Set<String> outside) {
        double left = lasts() - (seconds - stepAt);
        if (!outside.isEmpty()) {
            return plan.watched().stream()
                            .filter(w -> outside.contains(w.id()))
                            .map(Watched::what)
                            .findFirst()
                            .orElseThrow()
                    + " is outside its band.";
        }
        if (left > 0.5) {
            return Math.round(left) + " s to go in this step.";
        }
        for (int i = 0; i < plan.middle().rows().size(); i++) {
            Watched.Kind kind = plan.watched().get(i).kind();
            boolean needed = kind == Watched.Kind.SET_VOLTS || i == plan.row(Watched.Kind.RAIL);
            if (needed && !(readAt[i] >= stepAt + lasts() / 2)) {
                return "Read " + plan.watched().get(i).what() + " in this step first.";
            }
        }
        return "";
    }

    /** What flows through the filter part beyond what the stages take at this voltage [A]. */
    private OptionalDouble unexplained() {
        int drop = plan.row(Watched.Kind.DROP);
        int rail = plan.row(Watched.Kind.RAIL);
        if (drop < 0 || !(readAt[drop] >= stepAt) || !(readAt[rail] >= stepAt)) {
            return OptionalDouble.empty();
        }
        double place = place(readAt[drop]);
        double healthy = plan.middle().at(rail, place);
        double expected = plan.middle().at(drop, place) * (healthy > 0 ? latest[rail] / healthy : 1);
        double width = (plan.high().at(drop, place) - plan.low().at(drop, place)) / 2;
        double more = latest[drop] - expected;
        return plan.filterOhms() > 0 && more > width
                ? OptionalDouble.of(more / plan.filterOhms())
                : OptionalDouble.empty();
    }

    static String shown(Watched watched, double figure) {
        return switch (watched.kind()) {
            case LAMP -> Glow.of(figure).label();
            // Millivolts of a supply are nothing.
            case LINE_AMPERES -> Engineering.print(Math.abs(figure) < 1e-4 ? 0 : figure, Unit.AMPERE);
            default ->
                Engineering.print(
                        Math.abs(figure) < 0.05 ? 0 : figure, watched.kind().unit());
        };
    }

    /** {@code 17 to 38 V}. */
    static String band(Watched watched, double low, double high) {
        return watched.kind() == Watched.Kind.LAMP
                ? Glow.of(low) == Glow.of(high)
                        ? Glow.of(high).label()
                        : Glow.of(low).label() + " to " + Glow.of(high).label()
                : shown(watched, Math.max(0, low)) + " to " + shown(watched, high);
    }
}
