package org.umberdial.core.mechanics;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.umberdial.core.value.InvalidEntry;

/**
 * The way of a dial's cord over drum and pulleys, laid straight between them: its length, and which way it pulls.
 *
 * <p>A cord leaves a round and reaches the next along a line that touches both. Where it goes on in the same sense the
 * line stays outside, where the sense changes it crosses between them; the cord lies on each round from where it
 * arrives to where it leaves. Lengths in millimetres, angles in radians, the vertical axis downward as on a picture.
 *
 * @param stretches between one round and the next, in order
 * @param rounds how far it lies on each
 * @param length of the cord that is under way [mm], without what is tied off
 */
public record DialCord(List<Stretch> stretches, List<Round> rounds, double length) {
    private static final int LEAST = 2;
    private static final int MOST = 12;
    private static final double MOST_MM = 3000;
    private static final double MOST_TURNS = 12;

    /**
     * Something the cord goes round.
     *
     * @param x from the left [mm], @param y from above [mm]
     * @param diameter [mm]
     * @param clockwise which way the cord goes round it, as one looks at it
     * @param turns whole turns beside what lies on it anyhow, as on a tuning shaft
     */
    public record Pulley(String name, double x, double y, double diameter, boolean clockwise, int turns) {
        double radius() {
            return diameter / 2;
        }
    }

    /** @param fromX where it leaves a round [mm], @param toX where it reaches the next [mm] */
    public record Stretch(double fromX, double fromY, double toX, double toY) {
        public double length() {
            return Math.hypot(toX - fromX, toY - fromY);
        }
    }

    /** @param angle how far the cord lies on it, whole turns included [rad], @param length of it [mm] */
    public record Round(String name, double angle, double length) {}

    public DialCord {
        stretches = List.copyOf(stretches);
        rounds = List.copyOf(rounds);
    }

    /**
     * The way of a cord.
     *
     * @param pulleys in the order the cord passes them
     * @param closed whether it comes back to the first; else both ends are tied at the first and the last
     * @throws InvalidEntry when a pulley cannot be, or two lie in each other
     */
    public static DialCord of(List<Pulley> pulleys, boolean closed) {
        if (pulleys.size() < LEAST || pulleys.size() > MOST) {
            throw refused("A cord goes over two to twelve rounds; there are " + pulleys.size() + ".");
        }
        pulleys.forEach(DialCord::check);
        int legs = closed ? pulleys.size() : pulleys.size() - 1;
        List<Stretch> stretches = new ArrayList<>();
        for (int i = 0; i < legs; i++) {
            stretches.add(between(pulleys.get(i), pulleys.get((i + 1) % pulleys.size())));
        }
        List<Round> rounds = new ArrayList<>();
        for (int i = 0; i < pulleys.size(); i++) {
            boolean arrives = closed || i > 0;
            boolean leaves = closed || i < pulleys.size() - 1;
            Pulley pulley = pulleys.get(i);
            double lies = 0;
            if (arrives && leaves) {
                Stretch in = stretches.get((i - 1 + legs) % legs);
                Stretch out = stretches.get(i);
                lies = turned(pulley, angle(pulley, in.toX, in.toY), angle(pulley, out.fromX, out.fromY));
            }
            double angle = lies + 2 * Math.PI * pulley.turns;
            rounds.add(new Round(pulley.name, angle, angle * pulley.radius()));
        }
        double length = stretches.stream().mapToDouble(Stretch::length).sum()
                + rounds.stream().mapToDouble(Round::length).sum();
        return new DialCord(stretches, rounds, length);
    }

    private static void check(Pulley pulley) {
        if (!(pulley.diameter > 0
                && pulley.diameter <= MOST_MM
                && Math.abs(pulley.x) <= MOST_MM
                && Math.abs(pulley.y) <= MOST_MM)) {
            throw refused(String.format(
                    Locale.ROOT,
                    "%s with %.1f mm at %.0f, %.0f cannot be: enter its diameter in millimetres, and set the picture’s scale.",
                    pulley.name,
                    pulley.diameter,
                    pulley.x,
                    pulley.y));
        }
        if (pulley.turns < 0 || pulley.turns > MOST_TURNS) {
            throw refused(pulley.name + " with " + pulley.turns + " turns is not usual; enter 0 to 12.");
        }
    }

    private static InvalidEntry refused(String words) {
        return new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, words).at("pulleys");
    }

    private static double angle(Pulley pulley, double x, double y) {
        return Math.atan2(y - pulley.y, x - pulley.x);
    }

    /** From one angle on to another, the way the cord goes; downward y makes clockwise the way of growing angles. */
    private static double turned(Pulley pulley, double from, double to) {
        double by = pulley.clockwise ? to - from : from - to;
        double whole = 2 * Math.PI;
        double lies = ((by % whole) + whole) % whole;
        // A cord that only touches is not one that goes all round.
        return whole - lies < 1e-9 ? 0 : lies;
    }

    private static Stretch between(Pulley a, Pulley b) {
        double dx = b.x - a.x;
        double dy = b.y - a.y;
        double apart = Math.hypot(dx, dy);
        double reach = a.clockwise == b.clockwise ? Math.abs(a.radius() - b.radius()) : a.radius() + b.radius();
        if (!(apart > reach) || apart < 1e-6) {
            throw refused(String.format(
                    Locale.ROOT,
                    "%s and %s lie in each other: %.1f mm apart with %.1f and %.1f mm across. Check the scale.",
                    a.name,
                    b.name,
                    apart,
                    a.diameter,
                    b.diameter));
        }
        // Seen along the way, the cord lies to the left of a round it goes round clockwise.
        double signA = a.clockwise ? -1 : 1;
        double signB = b.clockwise ? -1 : 1;
        double across = (signA * a.radius() - signB * b.radius()) / apart;
        double along = Math.sqrt(Math.max(0, 1 - across * across));
        double ux = dx / apart;
        double uy = dy / apart;
        // The normal from a centre to where the cord touches.
        double nx = across * ux - along * uy;
        double ny = across * uy + along * ux;
        return new Stretch(
                a.x + signA * a.radius() * nx,
                a.y + signA * a.radius() * ny,
                b.x + signB * b.radius() * nx,
                b.y + signB * b.radius() * ny);
    }
}
