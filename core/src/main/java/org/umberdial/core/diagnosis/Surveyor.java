package org.umberdial.core.diagnosis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.umberdial.core.circuit.cold.ColdOhms;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Store;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.AtWork;
import org.umberdial.core.circuit.work.MeterReadings;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.circuit.work.Ripple;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.value.Volts;

/**
 * Solves what an atlas is made of: what a meter shows of a set with a fault, and how far sets of its kind scatter about
 * that. Each place is solved from the one before it; for one thread.
 */
final class Surveyor {
    /** Halving ends here; what is left of a bend is small against what else is unknown. */
    private static final int MOST_HALVINGS = 3;
    /** A straight line may miss the curve by so many deviations of a meter. */
    private static final double BEND = 1;
    /** What moves no point by this share of a meter's deviation is left out of the scatter. */
    private static final double MATTERS = 0.5;
    /** What a meter and the model may be off at each point by itself: a share, and volts. */
    private static final double OWN_SHARE = 0.014;

    private static final double OWN_VOLTS = 0.04;
    /** A grid that biases itself by its own current goes by contact potentials, each tube's another. */
    private static final double CONTACT_SHARE = 0.3;

    private static final double CONTACT_VOLTS = 0.6;
    private static final double MOST_CONTACT_VOLTS = -1.5;
    /** Of a supply that is gone nobody tells a quarter of a volt from none: a share of what should be there. */
    private static final double GONE_SHARE = 0.0015;
    /** Far from where tubes are measured their laws are less sure: a share of what a fault changes. */
    private static final double CHANGE_SHARE = 0.05;
    /** A meter and the warmth of a bench on ohms. */
    private static final double OWN_OHMS_SHARE = 0.03;
    /** Of few ohms the leads, contacts and a heater that is not quite cold are much. */
    private static final double COLD_SHARE = 0.35;

    private static final double FEW_OHMS = 20;
    /** What a sound old electrolytic still lets through at a meter's volts. */
    private static final double SOUND_LEAK_OHMS = 1.5e6;

    private static final double ELECTROLYTIC_FARADS = 1e-6;
    /** Ripple hangs on resistances of old electrolytics that nobody knows. */
    private static final double OWN_RIPPLE_SHARE = 0.25;
    /** A grid that nothing ties lies anywhere in its range, and moves all that follows it together. */
    private static final double GUESS_SHARE = 0.5;
    /** A meter reads everything a little high or low. */
    private static final double GAIN = 0.007;
    /** Sources of less than this share of a meter are not loaded by it. */
    private static final double LOADED = 2e-3;

    private static final double LEAST_VOLTS = 1e-3;
    /** A part that gets so many times its rating chars. */
    private static final double BURNS = 2;
    /** The scatter changes slowly along a fault: it is solved at every so many degrees. */
    private static final int SCATTER_EVERY = 3;

    private final Values values;
    private final Meter meter;
    private final List<Spot> spots;
    /** How many of the spots, the first of them, are direct volts. */
    private final int direct;

    private final List<Spread> spreads;
    /** What parts are made for [W]. */
    private final Map<String, Double> ratings;

    private final AtWork work;
    private OperatingPoint last;
    /** Points whose sources a meter loads so that it shows. */
    private final boolean[] loads;

    private final double[] healthyVolts;
    /** How far sound electrolytics pull down each spot of ohms. */
    private final double[] leaks;
    /** What has the scatter of ohms and ripple; empty while that is being found. */
    private final Optional<Atlas.Place> scattering;

    Surveyor(
            Network network,
            Values values,
            Meter meter,
            List<Spot> spots,
            List<Spread> spreads,
            Map<String, Double> ratings,
            Optional<Atlas.Place> scattering) {
        this.ratings = ratings;
        this.values = values;
        this.meter = meter;
        this.spots = spots;
        this.spreads = spreads;
        this.scattering = scattering;
        work = new AtWork(network);
        direct =
                (int) spots.stream().filter(spot -> spot.kind() == Spot.Kind.DC).count();
        loads = new boolean[direct];
        healthyVolts = new double[direct];
        leaks = new double[spots.size() - direct];
        if (leaks.length > 0) {
            Map<String, Double> tight = new ColdOhms(values).chart("0");
            Map<String, Double> leaky = new ColdOhms(withSoundLeaks(network, values)).chart("0");
            for (int i = direct; i < spots.size(); i++) {
                Spot spot = spots.get(i);
                leaks[i - direct] = spot.kind() == Spot.Kind.OHMS
                        ? spot.figure(tight.get(spot.node())) - spot.figure(leaky.get(spot.node()))
                        : 0;
            }
        }
        work.solve(values).settled().ifPresent(point -> {
            MeterReadings readings = new MeterReadings(work, point);
            for (int i = 0; i < loads.length; i++) {
                healthyVolts[i] = point.volts(spots.get(i).node()).orElse(0);
                double input = meter.inputResistance(new Volts(healthyVolts[i])).value();
                loads[i] = readings.sourceOhms(spots.get(i).node()).orElse(input) > LOADED * input;
            }
        });
    }

    private static Values withSoundLeaks(Network network, Values values) {
        Values leaky = values;
        for (Store store : network.stores()) {
            if (store.farads() >= ELECTROLYTIC_FARADS) {
                leaky = leaky.leaking(store.part(), SOUND_LEAK_OHMS);
            }
        }
        return leaky;
    }

    /** The healthy set's values, which every place departs from. */
    Values values() {
        return values;
    }

    /** What makes sets of a kind scatter, in the order of a place's columns. */
    List<Spread> spreads() {
        return spreads;
    }

    Optional<Atlas.Track> track(FaultMode mode, Atlas.Place healthy) {
        List<Atlas.Place> places = new ArrayList<>();
        Map<String, Double> burns = new TreeMap<>();
        work.solve(values);
        for (int i = 0; i < mode.grades().size(); i++) {
            double grade = mode.grades().get(i);
            boolean mild = mode.byDegrees() && i == 0;
            boolean anew = !mild && (places.isEmpty() || i % SCATTER_EVERY == 0);
            // At its mildest a set scatters as a healthy one.
            Atlas.Place before = places.isEmpty() ? healthy : places.get(places.size() - 1);
            place(mode.in(values, grade), grade, anew ? Optional.of(mode.part()) : Optional.empty())
                    .map(place -> anew ? place : place.scatteringAs(before))
                    .ifPresent(place -> {
                        places.add(place);
                        burns(burns);
                    });
        }
        if (places.isEmpty()) {
            return Optional.empty();
        }
        List<Atlas.Place> curve = new ArrayList<>(List.of(places.get(0)));
        for (int i = 1; i < places.size(); i++) {
            halve(mode, places.get(i - 1), places.get(i), MOST_HALVINGS, curve);
            curve.add(places.get(i));
        }
        return Optional.of(new Atlas.Track(mode, curve, burns));
    }

    /** Adds what was too hot in the point solved last. */
    private void burns(Map<String, Double> burns) {
        ratings.forEach((part, rating) -> {
            double watts = last.watts(part);
            if (watts > BURNS * rating) {
                burns.merge(part, watts, Math::max);
            }
        });
    }

    private void halve(FaultMode mode, Atlas.Place a, Atlas.Place b, int halvings, List<Atlas.Place> curve) {
        if (halvings == 0) {
            return;
        }
        double grade = Math.sqrt(a.grade() * b.grade());
        Optional<Atlas.Place> middle =
                place(mode.in(values, grade), grade, Optional.empty()).map(place -> place.scatteringAs(a));
        if (middle.isEmpty() || bend(a, middle.get(), b) <= BEND) {
            return;
        }
        halve(mode, a, middle.get(), halvings - 1, curve);
        curve.add(middle.get());
        halve(mode, middle.get(), b, halvings - 1, curve);
    }

    private double bend(Atlas.Place a, Atlas.Place middle, Atlas.Place b) {
        double most = 0;
        for (int i = 0; i < middle.volts().length; i++) {
            double off = middle.volts()[i] - (a.volts()[i] + b.volts()[i]) / 2;
            // Where nothing leads nothing bends.
            most = Double.isNaN(off) ? most : Math.max(most, Math.abs(off) / own(spots.get(i), middle.volts()[i]));
        }
        return most;
    }

    /** @param bad the part that is; empty when the scatter is not asked for */
    Optional<Atlas.Place> place(Values here, double grade, Optional<String> bad) {
        return place(here, grade, bad, true);
    }

    /** @param beside whether ohms and ripple are wanted too; without, they are not known */
    Optional<Atlas.Place> place(Values here, double grade, Optional<String> bad, boolean beside) {
        Optional<OperatingPoint> solved = work.solve(here).settled();
        if (solved.isEmpty()) {
            work.solve(values);
            return Optional.empty();
        }
        OperatingPoint point = solved.get();
        last = point;
        MeterReadings readings = MeterReadings.ofLast(work, point);
        double[] volts = new double[spots.size()];
        double[] own = new double[spots.size()];
        for (int i = 0; i < direct; i++) {
            String node = spots.get(i).node();
            OptionalDouble shown = Double.isNaN(point.guessedVolts(node))
                    ? OptionalDouble.empty()
                    : loads[i]
                            ? readings.across(
                                    node,
                                    v -> meter.inputResistance(new Volts(v)).value())
                            : point.volts(node);
            volts[i] = shown.orElse(Double.NaN);
            own[i] = own(spots.get(i), volts[i])
                    + GONE_SHARE * Math.abs(healthyVolts[i])
                    + (Double.isNaN(volts[i]) ? 0 : CHANGE_SHARE * Math.abs(volts[i] - healthyVolts[i]));
        }
        if (beside) {
            beside(here, volts);
        } else {
            Arrays.fill(volts, direct, volts.length, Double.NaN);
        }
        for (int i = direct; i < volts.length; i++) {
            own[i] = own(spots.get(i), volts[i]) + leaks[i - direct];
        }
        double[][] factor = bad.map(part -> factor(here, point, volts, part)).orElse(new double[0][]);
        return Optional.of(new Atlas.Place(grade, volts, factor, own));
    }

    /** Ohms of the cold set and ripple of the running one, as figures, after its direct volts. */
    private void beside(Values here, double[] figures) {
        Map<String, Double> ohms = Map.of();
        Optional<Ripple> ripple = Optional.empty();
        for (int i = direct; i < figures.length; i++) {
            Spot spot = spots.get(i);
            if (spot.kind() == Spot.Kind.OHMS) {
                ohms = ohms.isEmpty() ? new ColdOhms(here).chart("0") : ohms;
                figures[i] = spot.figure(ohms.get(spot.node()));
            } else {
                ripple = ripple.isEmpty() ? Ripple.strength(work, here) : ripple;
                figures[i] = ripple.map(r -> spot.figure(r.rms(spot.node()))).orElse(Double.NaN);
            }
        }
    }

    /** How far each cause moves each point, when it is one deviation up. */
    private double[][] factor(Values here, OperatingPoint point, double[] volts, String bad) {
        double[][] factor = new double[volts.length][];
        for (int i = 0; i < volts.length; i++) {
            // In shares of what they are, ohms and ripple scatter everywhere as in a healthy set.
            int row = i;
            factor[i] = i < direct || scattering.isEmpty()
                    ? new double[spreads.size() + 2]
                    : scattering.map(place -> place.factor()[row]).orElseThrow();
        }
        double[] moved = new double[volts.length];
        for (int cause = 0; cause < spreads.size(); cause++) {
            if (spreads.get(cause).of().equals(bad) || !isMoving(cause)) {
                // How bad it is is fitted; its tolerance about a value it no longer has is nothing.
                continue;
            }
            work.rewind();
            Optional<OperatingPoint> other = moved(spreads.get(cause), here);
            for (int i = 0; i < direct && other.isPresent(); i++) {
                OptionalDouble before = point.volts(spots.get(i).node());
                OptionalDouble after = other.get().volts(spots.get(i).node());
                factor[i][cause] = before.isPresent() && after.isPresent() && !Double.isNaN(volts[i])
                        ? (after.getAsDouble() - before.getAsDouble()) * loading(before.getAsDouble(), volts[i])
                        : 0;
            }
            if (scattering.isEmpty() && other.isPresent() && direct < volts.length) {
                beside(spreads.get(cause).up().apply(here), moved);
                for (int i = direct; i < volts.length; i++) {
                    factor[i][cause] = Double.isNaN(volts[i] - moved[i]) ? 0 : moved[i] - volts[i];
                }
            }
        }
        for (int i = 0; i < direct; i++) {
            factor[i][spreads.size()] = Double.isNaN(volts[i]) ? 0 : GAIN * volts[i];
            factor[i][spreads.size() + 1] = Double.isNaN(volts[i])
                    ? 0
                    : GUESS_SHARE * point.guessedVolts(spots.get(i).node());
        }
        work.rewind();
        return factor;
    }

    /** Whether a cause moves direct volts at all: what only ohms or ripple know need not be solved again. */
    private boolean isMoving(int cause) {
        return scattering.isEmpty()
                || IntStream.range(0, direct)
                        .anyMatch(i -> Math.abs(scattering.get().factor()[i][cause])
                                > MATTERS * own(spots.get(i), scattering.get().volts()[i]));
    }

    /** What the meter leaves of a change. */
    private static double loading(double open, double shown) {
        return Math.abs(open) < LEAST_VOLTS ? 1 : Math.max(0, Math.min(1, shown / open));
    }

    private Optional<OperatingPoint> moved(Spread spread, Values here) {
        try {
            return work.solve(spread.up().apply(here)).settled();
        } catch (IllegalArgumentException notHere) {
            return Optional.empty();
        }
    }

    /** Causes that move some point of the healthy set by what a meter notices. */
    int[] mattering(Atlas.Place healthy) {
        return IntStream.range(0, spreads.size())
                .filter(cause -> IntStream.range(0, healthy.volts().length)
                        .anyMatch(i ->
                                Math.abs(healthy.factor()[i][cause]) > MATTERS * own(spots.get(i), healthy.volts()[i])))
                .toArray();
    }

    /** What a meter and the model are off at a spot, one deviation of its figure. */
    private static double own(Spot spot, double figure) {
        return switch (spot.kind()) {
            case DC ->
                Double.isNaN(figure)
                        ? OWN_VOLTS
                        : OWN_SHARE * Math.abs(figure)
                                + OWN_VOLTS
                                + (figure < 0 && figure > MOST_CONTACT_VOLTS
                                        ? CONTACT_SHARE * Math.min(-figure, CONTACT_VOLTS)
                                        : 0);
            case OHMS -> {
                double ohms = spot.shown(figure);
                yield OWN_OHMS_SHARE + COLD_SHARE * FEW_OHMS / (FEW_OHMS + ohms);
            }
            case RIPPLE -> OWN_RIPPLE_SHARE;
        };
    }
}
