package org.umberdial.core.diagnosis;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.IntStream;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Heat;
import org.umberdial.core.circuit.network.Junction;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Store;
import org.umberdial.core.set.Part;

/**
 * Every way in which the parts of a circuit fail that a voltage may show. How often which kind of part fails how is of
 * the trade's experience with sets that stood for decades, in round figures: paper capacitors leak, carbon resistors
 * drift up, tubes weaken; mica, ceramic and film seldom do anything.
 */
public final class FaultModes {
    private static final double ELECTROLYTIC_FARADS = 1e-6;
    private static final int GRADES = 7;

    private final Network network;
    private final List<FaultMode> all = new ArrayList<>();
    private final Set<String> seen = new HashSet<>();

    private FaultModes(Network network) {
        this.network = network;
    }

    /** Of a set as its circuit draws it; what nothing can move is among them. */
    public static List<FaultMode> of(Network network, List<Part> parts) {
        FaultModes modes = new FaultModes(network);
        parts.forEach(modes::of);
        modes.tubes();
        return List.copyOf(modes.all);
    }

    private void of(Part part) {
        Card card = part.card();
        switch (card.letter()) {
            case 'R' -> resistor(part);
            case 'C' -> capacitor(part);
            case 'L' -> {
                one(card, FaultMode.Kind.OPEN, 0.7);
                one(card, FaultMode.Kind.SHORTED, 0.2);
            }
            case 'D' -> {
                one(card, FaultMode.Kind.OPEN, 0.4);
                one(card, FaultMode.Kind.SHORTED, 0.8);
            }
            case 'X' -> {
                if (card.model().equals("XFMR")) {
                    one(card, FaultMode.Kind.OPEN, 0.4);
                } else if (card.model().equals("SELENIUM")) {
                    one(card, FaultMode.Kind.OPEN, 0.5);
                    one(card, FaultMode.Kind.SHORTED, 0.7);
                }
            }
            default -> {
                // Sources and models do not fail.
            }
        }
    }

    private void resistor(Part part) {
        Card card = part.card();
        double ohms = card.value().orElse(0.0);
        if (card.kind().equals("switch")) {
            one(card, FaultMode.Kind.OPEN, 0.6);
            return;
        }
        if (!(ohms > 0)) {
            return;
        }
        boolean wound = card.kind().equals("wirewound") || card.kind().equals("winding");
        boolean film = card.kind().equals("film");
        one(card, FaultMode.Kind.OPEN, wound ? 1 : film ? 0.2 : 0.7);
        double least = 1 + 1.5 * part.tolerance().fraction();
        grades(part, FaultMode.Kind.DRIFTED_UP, wound ? 0.1 : film ? 0.2 : 2, ohms * least, ohms * 8);
        grades(part, FaultMode.Kind.DRIFTED_DOWN, wound ? 0.2 : film ? 0.1 : 0.3, ohms / least, ohms / 5);
    }

    private void capacitor(Part part) {
        Card card = part.card();
        double farads = card.value().orElse(0.0);
        boolean electrolytic =
                card.kind().equals("electrolytic") || card.kind().isEmpty() && farads >= ELECTROLYTIC_FARADS;
        boolean steady = Set.of("mica", "ceramic", "film_cap").contains(card.kind());
        one(card, FaultMode.Kind.SHORTED, electrolytic ? 1 : steady ? 0.15 : 0.7);
        if (electrolytic) {
            grades(part, FaultMode.Kind.LEAKS, 2, 100e3, 300);
            grades(part, FaultMode.Kind.DRIED_OUT, 1.5, farads * 0.6, farads / 40);
        } else {
            grades(part, FaultMode.Kind.LEAKS, steady ? 0.25 : 4, 30e6, 3e3);
        }
    }

    private void tubes() {
        for (Amplifier tube : network.amplifiers()) {
            if (tube.bipolar().isPresent()) {
                continue;
            }
            add(new FaultMode(tube.part(), FaultMode.Kind.WEAK, spread(0.75, 0.08), 2, false));
            add(new FaultMode(tube.part(), FaultMode.Kind.DEAD, List.of(1e-4), 0.6, false));
            add(new FaultMode(tube.part(), FaultMode.Kind.GASSY, spread(2e-5, 3e-3), 0.8, false));
        }
        for (Junction junction : network.junctions()) {
            boolean rectifies = junction.heat() >= 0 && junction.acDriven();
            if (rectifies) {
                add(new FaultMode(junction.part(), FaultMode.Kind.WEAK, spread(0.7, 0.06), 1.5, false));
                add(new FaultMode(junction.part(), FaultMode.Kind.DEAD, List.of(1e-4), 0.5, false));
                add(new FaultMode(junction.part(), FaultMode.Kind.SHORTED, List.of(0.0), 0.2, false));
            }
        }
        for (Heat heat : network.heats()) {
            if (!heat.tube().isEmpty()) {
                add(new FaultMode(heat.part(), FaultMode.Kind.HEATER_OPEN, List.of(0.0), 0.8, false));
            }
        }
    }

    private void one(Card card, FaultMode.Kind kind, double prior) {
        add(new FaultMode(card.reference(), kind, List.of(0.0), prior, false));
    }

    private void grades(Part part, FaultMode.Kind kind, double prior, double mild, double grave) {
        boolean drifts = kind == FaultMode.Kind.DRIFTED_UP || kind == FaultMode.Kind.DRIFTED_DOWN;
        add(new FaultMode(part.reference(), kind, spread(mild, grave), prior, drifts && part.unconfirmed()));
    }

    /** Evenly in their logarithm: from a leak of 1 MΩ to one of 100 kΩ is as far as from there to 10 kΩ. */
    private static List<Double> spread(double mild, double grave) {
        return IntStream.range(0, GRADES)
                .mapToObj(i -> mild * Math.pow(grave / mild, i / (GRADES - 1.0)))
                .toList();
    }

    private void add(FaultMode mode) {
        boolean stands = network.stores().stream().map(Store::part).anyMatch(mode.part()::equals)
                || network.branches().stream().anyMatch(branch -> branch.part().equals(mode.part()))
                || network.amplifiers().stream().anyMatch(tube -> tube.part().equals(mode.part()))
                || network.junctions().stream().anyMatch(j -> j.part().equals(mode.part()));
        if (stands && seen.add(mode.part().toUpperCase(Locale.ROOT) + mode.kind())) {
            all.add(mode);
        }
    }
}
