package org.umberdial.core.circuit.network;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckRefused;
import org.umberdial.core.circuit.deck.SpiceNumber;
import org.umberdial.core.circuit.law.Saturation;
import org.umberdial.core.tube.TubeModels;

/** Turns cards into elements; one use. */
final class NetworkBuilder {
    /** What a winding or a contact has at least; keeps the matrix sound and drops nothing that a meter shows [Ω]. */
    static final double LEAST_OHMS = 1e-3;

    private static final double LEAST_ESR = 0.05;
    /**
     * Inductance of a transformer's first winding when the deck has no LM: an ordinary small mains or output
     * transformer [H].
     */
    static final double ORDINARY_HENRIES = 20;
    /** Coupled coils below this carry signals only [H]. */
    private static final double SIGNAL_HENRIES = 0.1;

    final List<String> names = new ArrayList<>();
    final List<Branch> branches = new ArrayList<>();
    final List<Store> stores = new ArrayList<>();
    final List<Magnet> magnets = new ArrayList<>();
    final List<Heat> heats = new ArrayList<>();
    final List<Junction> junctions = new ArrayList<>();
    final List<Amplifier> amplifiers = new ArrayList<>();
    final List<Source> sources = new ArrayList<>();
    final List<Network.Injection> injections = new ArrayList<>();
    final List<Eye> eyes = new ArrayList<>();
    final List<String> notes = new ArrayList<>();
    final int namedNodes;
    double highestPeak;

    private final Deck deck;
    private final TubeElements tubes;
    private final DeviceElements devices;
    private final String mode;
    private final Map<String, Integer> index = new LinkedHashMap<>();
    private final List<DeckRefused.Fault> faults = new ArrayList<>();

    NetworkBuilder(Deck deck, TubeModels tubes, String mode) {
        this.deck = deck;
        this.tubes = new TubeElements(this, tubes);
        devices = new DeviceElements(this, this.tubes, deck.models());
        this.mode = mode;
        for (String node : deck.nodes()) {
            at(node);
        }
        namedNodes = names.size();
    }

    Network build() {
        deck.cards().stream().filter(TubeElements::isHeater).forEach(tubes::heater);
        deck.cards().stream().filter(card -> !TubeElements.isHeater(card)).forEach(this::card);
        refuseVoltageLoops();
        if (!faults.isEmpty()) {
            throw new DeckRefused(faults);
        }
        highestPeak = new LineDriven(this).mark();
        return new Network(this, mode);
    }

    private int at(String node) {
        if (node.equals("0")) {
            return -1;
        }
        return index.computeIfAbsent(node, name -> {
            names.add(name);
            return names.size() - 1;
        });
    }

    int inner(Card card, String what) {
        return at(card.reference().toLowerCase(Locale.ROOT) + "#" + what);
    }

    int[] at(Card card) {
        return card.nodes().stream().mapToInt(this::at).toArray();
    }

    void fault(Card card, String text) {
        faults.add(new DeckRefused.Fault(card.line(), card.reference() + ": " + text));
    }

    int branch(Card card, int a, int b, Branch.Kind kind, double ohms) {
        branches.add(new Branch(card.reference(), a, b, kind, ohms));
        return branches.size() - 1;
    }

    private void card(Card card) {
        switch (card.letter()) {
            case 'R' -> resistor(card);
            case 'C' -> capacitor(card);
            case 'L' -> coil(card);
            case 'V' -> source(card);
            case 'I' ->
                injections.add(new Network.Injection(
                        card.reference(), at(card)[0], at(card)[1], card.value().orElse(0.0)));
            case 'D' -> devices.diode(card);
            case 'X' -> subcircuit(card);
            case 'Q' -> devices.transistor(card);
            default -> coupling(card);
        }
    }

    private void resistor(Card card) {
        int[] n = at(card);
        Optional<String> closed = card.key("closed");
        boolean contact = card.kind().equals("switch");
        boolean open = contact
                && closed.isPresent()
                && Arrays.stream(closed.get().split(",")).noneMatch(mode::equalsIgnoreCase);
        double ohms = Math.max(card.value().orElse(LEAST_OHMS), LEAST_OHMS);
        branch(
                card,
                n[0],
                n[1],
                contact ? Branch.Kind.CONTACT : Branch.Kind.RESISTOR,
                open ? Double.POSITIVE_INFINITY : ohms);
    }

    private void capacitor(Card card) {
        int[] n = at(card);
        double leak = key(card, "leak").orElse(Double.POSITIVE_INFINITY);
        double esr = Math.max(key(card, "esr").orElse(LEAST_ESR), LEAST_ESR);
        stores.add(new Store(
                card.reference(),
                n[0],
                n[1],
                card.value().orElse(1e-12),
                esr,
                branch(card, n[0], n[1], Branch.Kind.LEAK, leak),
                card.kind().equals("electrolytic"),
                false));
    }

    private void coil(Card card) {
        int[] n = at(card);
        int winding = branch(
                card, n[0], n[1], Branch.Kind.COIL, Math.max(key(card, "rser").orElse(LEAST_OHMS), LEAST_OHMS));
        branch(card, n[0], n[1], Branch.Kind.FAULT, Double.POSITIVE_INFINITY);
        magnets.add(new Magnet(
                card.reference(),
                new int[] {winding},
                new double[] {1},
                card.value().orElse(1e-6),
                Double.POSITIVE_INFINITY,
                saturation(
                        card, key(card, "swing"), key(card, "at"), card.value().orElse(1e-6))));
    }

    private Optional<Saturation> saturation(
            Card card, Optional<Double> henries, Optional<Double> amperes, double unmagnetised) {
        if (henries.isEmpty() && amperes.isEmpty()) {
            return Optional.empty();
        }
        if (henries.isEmpty()
                || amperes.isEmpty()
                || !(henries.get() > 0)
                || !(henries.get() <= unmagnetised)
                || !(amperes.get() > 0)) {
            fault(
                    card,
                    "what is left of its inductance under direct current is written as henries and amperes together, not "
                            + "above its own, as in swing=5 at=0.15.");
            return Optional.empty();
        }
        return Optional.of(new Saturation(henries.get(), amperes.get()));
    }

    private Optional<Double> key(Card card, String name) {
        Optional<String> text = card.key(name);
        if (text.isEmpty()) {
            return Optional.empty();
        }
        Optional<Double> value = SpiceNumber.read(text.get());
        if (value.isEmpty() || !(value.get() > 0)) {
            fault(card, name + "=" + text.get() + " is no number above 0; write it as in " + name + "=2meg.");
            return Optional.empty();
        }
        return value;
    }

    private void coupling(Card card) {
        boolean strong = deck.cards().stream()
                .filter(coil -> coil.letter() == 'L' && card.nodes().contains(coil.reference()))
                .anyMatch(coil -> coil.value().orElse(0.0) >= SIGNAL_HENRIES);
        if (strong) {
            fault(
                    card,
                    "couples windings of " + SIGNAL_HENRIES
                            + " H or more; write them as one transformer card (XFMR) with its no-load volts "
                            + "and resistances.");
        } else {
            notes.add("Line " + card.line() + ": " + card.reference()
                    + " couples signal coils; they are solved for DC, where the coupling does nothing.");
        }
    }

    private void source(Card card) {
        int[] n = at(card);
        int plus = n[0];
        if (card.hertz() > 0) {
            plus = inner(card, "feed");
            branch(card, plus, n[0], Branch.Kind.FEED, LEAST_OHMS);
            sources.stream()
                    .filter(Source::isLine)
                    .filter(other -> other.hertz() != card.hertz())
                    .findFirst()
                    .ifPresent(other -> fault(
                            card,
                            "runs at " + card.hertz() + " Hz while " + other.part() + " runs at " + other.hertz()
                                    + " Hz; a set has one line frequency."));
        }
        sources.add(new Source(card.reference(), plus, n[1], card.value().orElse(0.0), card.hertz()));
    }

    private void subcircuit(Card card) {
        switch (card.model()) {
            case "XFMR" -> transformer(card);
            default -> {
                if (!devices.takes(card)) {
                    tubes.tube(card);
                }
            }
        }
    }

    private void transformer(Card card) {
        int[] n = at(card);
        int windings = n.length / 2;
        Double primary = card.parameters().get("VP");
        if (n.length % 2 != 0 || windings < 2 || primary == null || !(primary > 0)) {
            fault(
                    card,
                    "a transformer has two nodes for each of two or more windings, and VP above 0, as in XT1 "
                            + "a b c d XFMR VP=230 RP=14 V1=6.3 R1=0.1.");
            return;
        }
        if (card.parameters().containsKey("LSAT") || card.parameters().containsKey("ISAT")) {
            fault(
                    card,
                    "a transformer's core that saturates within the line's cycle is not followed here; leave LSAT and ISAT "
                            + "out, and reckon with more line current than is shown.");
        }
        int[] numbers = new int[windings];
        double[] turns = new double[windings];
        for (int w = 0; w < windings; w++) {
            Double volts = w == 0 ? primary : card.parameters().get("V" + w);
            double ohms = card.parameters().getOrDefault(w == 0 ? "RP" : "R" + w, 0.0);
            if (volts == null || !(volts > 0) || ohms < 0) {
                fault(
                        card,
                        "winding " + w + " needs its no-load volts above 0 and a resistance not below 0: V" + w + "=, R"
                                + w + "=.");
                return;
            }
            turns[w] = volts / primary;
            numbers[w] = branch(card, n[2 * w], n[2 * w + 1], Branch.Kind.WINDING, Math.max(ohms, LEAST_OHMS));
        }
        branch(card, n[0], n[1], Branch.Kind.FAULT, Double.POSITIVE_INFINITY);
        magnets.add(new Magnet(
                card.reference(),
                numbers,
                turns,
                card.parameters().getOrDefault("LM", ORDINARY_HENRIES),
                card.parameters().getOrDefault("RC", Double.POSITIVE_INFINITY),
                Optional.empty()));
    }

    /** Voltage sources that close a loop contradict each other, and a matrix cannot say which is right. */
    private void refuseVoltageLoops() {
        int[] group = new int[names.size() + 1];
        Arrays.setAll(group, i -> i);
        Map<Integer, String> first = new HashMap<>();
        for (Source source : sources) {
            Card card = deck.cards().stream()
                    .filter(other -> other.reference().equals(source.part()))
                    .findFirst()
                    .orElseThrow();
            // The line's own feed hides that another source stands across it.
            int a = root(group, at(card)[0] + 1);
            int b = root(group, at(card)[1] + 1);
            if (a == b) {
                fault(
                        card,
                        at(card)[0] == at(card)[1]
                                ? "both ends are on one node; give it two."
                                : "closes a loop of voltage sources with " + first.getOrDefault(a, "the others")
                                        + "; remove one or put a resistance in series.");
            }
            group[a] = b;
            first.put(b, source.part());
        }
    }

    private static int root(int[] group, int node) {
        int at = node;
        while (group[at] != at) {
            at = group[at];
        }
        return at;
    }
}
