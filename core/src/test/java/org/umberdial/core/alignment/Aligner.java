package org.umberdial.core.alignment;

import java.util.ArrayList;
import java.util.List;
import java.util.function.ToDoubleFunction;
import org.hipparchus.util.FastMath;
import org.umberdial.core.alignment.AlignStep.Aim;
import org.umberdial.core.alignment.AlignStep.Read;
import org.umberdial.core.alignment.SimulatedReceiver.Generator;
import org.umberdial.core.alignment.SimulatedReceiver.Shown;

/** Somebody who follows a plan to the letter, with meters of three digits. */
final class Aligner {
    private static final double REACH = 5;
    private static final double COARSE = 0.1;
    private static final int ROUNDS = 4;

    private final SimulatedReceiver set;

    Aligner(SimulatedReceiver set) {
        this.set = set;
    }

    void follow(AlignmentPlan plan) {
        List<AlignStep> steps = plan.steps();
        for (int i = 0; i < steps.size(); i++) {
            work(steps.get(i));
            if (steps.get(i).backTo().isPresent()) {
                int from = index(steps, steps.get(i).backTo().get());
                for (int round = 0; round < ROUNDS; round++) {
                    for (int again = from; again <= i; again++) {
                        work(steps.get(again));
                    }
                }
            }
        }
    }

    private static int index(List<AlignStep> steps, String id) {
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).id().equals(id)) {
                return i;
            }
        }
        throw new AssertionError("the plan goes back to " + id + ", which it does not have");
    }

    private void work(AlignStep step) {
        for (String core : step.cores()) {
            if (set.cores().contains(core) && (step.aim() == Aim.PEAK || step.aim() == Aim.DIP)) {
                extreme(step, core);
            } else if (set.cores().contains(core) && step.aim() == Aim.ZERO && step.read() == Read.BALANCE) {
                nought(step, core);
            }
        }
    }

    /** What the step's meter shows, three digits of it. */
    private double read(AlignStep step, double volts) {
        boolean stopped = step.feed() == Feed.CONVERTER || step.feed() == Feed.LAST_IF || step.feed() == Feed.FM_MIXER;
        Shown shown = set.shown(
                new Generator(step.feed(), step.hertz().orElseThrow(), volts),
                stopped ? "" : step.band(),
                step.dial().orElse(0));
        double value = switch (step.read()) {
            case STABILISER -> shown.stabiliser();
            case BALANCE -> shown.balance();
            case AVC -> shown.avc();
            default -> shown.output();
        };
        return digits(value);
    }

    static double digits(double value) {
        if (value == 0) {
            return 0;
        }
        double unit = FastMath.pow(10, FastMath.floor(FastMath.log10(Math.abs(value))) - 2);
        return Math.rint(value / unit) * unit;
    }

    /** The level at which the meter is in its middle: a generator is turned down as the reading grows. */
    private double level(AlignStep step) {
        double volts = step.volts().orElseThrow();
        double wanted = step.read() == Read.STABILISER ? 1 : 0.15;
        for (int i = 0; i < 40 && read(step, volts) > wanted; i++) {
            volts /= 1.5;
        }
        for (int i = 0; i < 20 && read(step, volts) < wanted / 3 && volts < 0.1; i++) {
            volts *= 1.5;
        }
        return volts;
    }

    private void extreme(AlignStep step, String core) {
        int sign = step.aim() == Aim.DIP ? -1 : 1;
        double volts = level(step);
        double at = best(core, -REACH, COARSE, position -> sign * read(step, volts));
        set.turn(core, at);
        double finer = level(step);
        // The middle between where it has fallen to the same on both sides is sharper than the top.
        double top = sign * read(step, finer);
        double fallen = sign > 0 ? 0.93 * top : 1.15 * top;
        double left = walk(step, core, finer, -0.02, sign, fallen);
        double right = walk(step, core, finer, 0.02, sign, fallen);
        set.turn(core, (left + right) / 2);
    }

    /** How far it can be turned until the reading has fallen; the core stands where it stood afterwards. */
    private double walk(AlignStep step, String core, double volts, double each, int sign, double fallen) {
        double moved = 0;
        while (Math.abs(moved) < REACH && sign * read(step, volts) > fallen) {
            set.turn(core, each);
            moved += each;
        }
        set.turn(core, -moved);
        return moved;
    }

    private double best(String core, double from, double step, ToDoubleFunction<Double> reads) {
        double best = 0;
        double most = reads.applyAsDouble(0.0);
        set.turn(core, from);
        double at = from;
        while (at < -from) {
            double value = reads.applyAsDouble(at);
            if (value > most) {
                most = value;
                best = at;
            }
            set.turn(core, step);
            at += step;
        }
        set.turn(core, -at);
        return best;
    }

    /** The nought with the steepest way through it: those outside the peaks are flat. */
    private void nought(AlignStep step, String core) {
        double volts = step.volts().orElseThrow();
        List<double[]> seen = new ArrayList<>();
        set.turn(core, -REACH);
        for (double at = -REACH; at < REACH; at += COARSE) {
            seen.add(new double[] {at, read(step, volts)});
            set.turn(core, COARSE);
        }
        set.turn(core, -REACH);
        double best = 0;
        double steepest = 0;
        for (int i = 1; i < seen.size(); i++) {
            double a = seen.get(i - 1)[1];
            double b = seen.get(i)[1];
            if (a * b <= 0 && Math.abs(b - a) > steepest) {
                steepest = Math.abs(b - a);
                best = seen.get(i - 1)[0] + COARSE * a / (a - b);
            }
        }
        set.turn(core, best);
    }
}
