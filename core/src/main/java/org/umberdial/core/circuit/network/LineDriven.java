package org.umberdial.core.circuit.network;

import java.util.ArrayList;
import java.util.List;
import java.util.function.ToDoubleFunction;
import org.umberdial.core.circuit.sparse.ComplexSystem;

/**
 * Finds what the line's alternating voltage drives: the junctions and tubes that only an average over the cycle
 * describes, and the capacitors that matter to them within it.
 *
 * <p>Both follow from the network at the line's frequency, tubes left out. Across a junction that does not conduct
 * stands the most that can ever reach it, so a junction is driven when that is more than its law notices. A further
 * junction may be reached only through one that conducts; so those found are closed and the rest is looked at again. A
 * capacitor matters when a driven junction's volts or current are others without it, open or closed.
 */
final class LineDriven {
    /** Less than this across an open junction shifts its mean by a few hundredths of a volt at most [V peak]. */
    private static final double NOTICED_VOLTS = 0.05;
    /** Through a conducting junction comes a supply or its ripple; a ripple of less drives nothing [V peak]. */
    private static final double RIPPLE_VOLTS = 1;
    /** So much at a plate or screen, rectifiers open, is not hum but what feeds it [V peak]. */
    private static final double PLATE_VOLTS = 5;
    /** And at a grid [V peak]. */
    private static final double GRID_VOLTS = 0.7;
    /** With the rectifiers closed a plate that sees this share of the line's peak has no reservoir behind it. */
    private static final double UNSMOOTHED = 0.8;
    /** A capacitor that changes a junction's volts or current by less is left out of the cycle. */
    private static final double MATTERS = 0.02;
    /** From here on a capacitor holds its charge within a cycle wherever it stands [F]. */
    private static final double HOLDS_FARADS = 0.4e-6;

    private static final double OPEN_SIEMENS = 1e-9;
    private static final double CLOSED_SIEMENS = 0.01;
    private static final double GMIN = 1e-12;
    private static final int MOST_ROUNDS = 6;

    /**
     * @param a looked at against b
     * @param volts that are noticed there [V peak]
     * @param conducts whether it lets current through once it does
     * @param tube number of the amplifier it belongs to, below 0 for a junction
     */
    private record Place(int a, int b, double volts, boolean conducts, int tube) {}

    private final List<Source> sources;
    private final List<Magnet> magnets;
    private final List<Branch> branches;
    private final List<Store> stores;
    private final List<Junction> junctions;
    private final List<Amplifier> amplifiers;
    /** Places where the line's volts are looked at: every junction, then plate, screen and grid of every tube. */
    private final List<Place> places = new ArrayList<>();

    private final int nodes;
    private final int size;
    private final double[] siemens;
    private double omega;

    LineDriven(NetworkBuilder built) {
        sources = built.sources;
        magnets = built.magnets;
        branches = built.branches;
        stores = built.stores;
        junctions = built.junctions;
        amplifiers = built.amplifiers;
        for (int j = 0; j < junctions.size(); j++) {
            places.add(new Place(junctions.get(j).a(), junctions.get(j).b(), NOTICED_VOLTS, true, -1));
        }
        for (int t = 0; t < amplifiers.size(); t++) {
            Amplifier tube = amplifiers.get(t);
            places.add(new Place(tube.plate(), tube.cathode(), PLATE_VOLTS, true, t));
            places.add(new Place(tube.grid(), tube.cathode(), GRID_VOLTS, false, t));
            if (tube.hasScreen()) {
                places.add(new Place(tube.screen(), tube.cathode(), PLATE_VOLTS, false, t));
            }
        }
        nodes = built.names.size();
        size = nodes + sources.size() + magnets.size();
        siemens = new double[places.size()];
    }

    /**
     * Marks junctions and capacitors in place; without an alternating source none.
     *
     * @return the most that the line puts at any node or across any junction while none conducts [V peak]
     */
    double mark() {
        double hertz = sources.stream()
                .filter(Source::isLine)
                .mapToDouble(Source::hertz)
                .findFirst()
                .orElse(0);
        if (hertz == 0) {
            return 0;
        }
        omega = 2 * Math.PI * hertz;
        ComplexSystem system = new ComplexSystem(size, this::walk);
        open();
        double[] open = byLine(system);
        boolean[] driven = new boolean[siemens.length];
        double most = highest(open);
        boolean more = reached(open, place -> place.volts(), driven);
        boolean[] matters = new boolean[stores.size()];
        matter(system, open, driven, matters);
        for (int round = 0; more && round < MOST_ROUNDS; round++) {
            for (int j = 0; j < siemens.length; j++) {
                siemens[j] = driven[j] && places.get(j).conducts() ? CLOSED_SIEMENS : siemens[j];
            }
            double[] closed = byLine(system);
            more = reached(closed, place -> place.tube() < 0 ? RIPPLE_VOLTS : UNSMOOTHED * most, driven);
            if (!more) {
                matter(system, closed, driven, matters);
            }
        }
        for (int j = 0; j < siemens.length; j++) {
            int tube = places.get(j).tube();
            if (driven[j] && tube >= 0) {
                amplifiers.set(tube, amplifiers.get(tube).driven());
            } else if (driven[j]) {
                junctions.set(j, junctions.get(j).driven());
            }
        }
        for (int s = 0; s < matters.length; s++) {
            if (matters[s] || stores.get(s).farads() >= HOLDS_FARADS) {
                stores.set(s, stores.get(s).cycled());
            }
        }
        return most;
    }

    /** A junction leaks when it is open; a tube is as good as not there. */
    private void open() {
        for (int j = 0; j < siemens.length; j++) {
            siemens[j] = places.get(j).tube() < 0 ? OPEN_SIEMENS : 0;
        }
    }

    private double highest(double[] answer) {
        double highest = 0;
        for (int i = 0; i < nodes; i++) {
            highest = Math.max(highest, across(answer, i, -1));
        }
        for (Junction junction : junctions) {
            highest = Math.max(highest, across(answer, junction.a(), junction.b()));
        }
        return highest;
    }

    private boolean reached(double[] answer, ToDoubleFunction<Place> noticed, boolean[] driven) {
        boolean more = false;
        for (int j = 0; j < driven.length; j++) {
            Place place = places.get(j);
            if (!driven[j] && across(answer, place.a(), place.b()) > noticed.applyAsDouble(place)) {
                driven[j] = true;
                more = true;
            }
        }
        return more;
    }

    /** Which capacitors the driven junctions would miss, by what each does to them when it is taken out. */
    private void matter(ComplexSystem system, double[] answer, boolean[] driven, boolean[] matters) {
        for (int s = 0; s < matters.length; s++) {
            Store store = stores.get(s);
            if (matters[s] || store.farads() >= HOLDS_FARADS) {
                continue;
            }
            double[] y = Store.admittance(store.farads(), store.esr(), omega);
            double vr = part(answer, store.a(), store.b(), 0);
            double vi = part(answer, store.a(), store.b(), size);
            // The current it takes now, put back: what its absence does, seen through the network without it.
            double ir = y[0] * vr - y[1] * vi;
            double ii = y[0] * vi + y[1] * vr;
            system.clear();
            system.drive(store.a(), 1, 0);
            system.drive(store.b(), -1, 0);
            double[] unit = system.solve();
            double zr = part(unit, store.a(), store.b(), 0);
            double zi = part(unit, store.a(), store.b(), size);
            double dr = 1 - (y[0] * zr - y[1] * zi);
            double di = -(y[0] * zi + y[1] * zr);
            double square = Math.max(dr * dr + di * di, 1e-30);
            double kr = (ir * dr + ii * di) / square;
            double ki = (ii * dr - ir * di) / square;
            for (int j = 0; j < driven.length; j++) {
                if (driven[j]) {
                    Place place = places.get(j);
                    double ur = part(unit, place.a(), place.b(), 0);
                    double ui = part(unit, place.a(), place.b(), size);
                    double change = Math.hypot(ur * kr - ui * ki, ur * ki + ui * kr);
                    matters[s] |= change > MATTERS * across(answer, place.a(), place.b());
                }
            }
        }
    }

    private double[] byLine(ComplexSystem system) {
        system.clear();
        for (int i = 0; i < sources.size(); i++) {
            if (sources.get(i).isLine()) {
                system.drive(nodes + i, sources.get(i).volts() * Math.sqrt(2), 0);
            }
        }
        return system.fill(this::walk) ? system.solve() : new double[2 * size];
    }

    private void walk(ComplexSystem.Entries entries) {
        for (int i = 0; i < nodes; i++) {
            entries.add(i, i, GMIN, 0);
        }
        for (Branch branch : branches) {
            entries.admit(branch.a(), branch.b(), 1 / branch.ohms(), 0);
        }
        for (int i = 0; i < sources.size(); i++) {
            entries.add(sources.get(i).plus(), nodes + i, 1, 0);
            entries.add(sources.get(i).minus(), nodes + i, -1, 0);
            entries.add(nodes + i, sources.get(i).plus(), 1, 0);
            entries.add(nodes + i, sources.get(i).minus(), -1, 0);
        }
        for (Store store : stores) {
            double[] y = Store.admittance(store.farads(), store.esr(), omega);
            entries.admit(store.a(), store.b(), y[0], y[1]);
        }
        for (int m = 0; m < magnets.size(); m++) {
            magnets.get(m)
                    .enter(
                            entries,
                            nodes + sources.size() + m,
                            omega,
                            magnets.get(m).henries(),
                            branches,
                            branch -> 1 / branches.get(branch).ohms());
        }
        for (int j = 0; j < siemens.length; j++) {
            entries.admit(places.get(j).a(), places.get(j).b(), siemens[j], 0);
        }
    }

    private double across(double[] answer, int a, int b) {
        return Math.hypot(part(answer, a, b, 0), part(answer, a, b, size));
    }

    private static double part(double[] answer, int a, int b, int offset) {
        return (a < 0 ? 0 : answer[a + offset]) - (b < 0 ? 0 : answer[b + offset]);
    }
}
