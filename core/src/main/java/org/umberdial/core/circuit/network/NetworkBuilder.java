package org.umberdial.core.circuit.network;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckRefused;
import org.umberdial.core.circuit.deck.SpiceNumber;
import org.umberdial.core.circuit.law.Conductor;
import org.umberdial.core.circuit.law.Filament;
import org.umberdial.core.circuit.law.JunctionLaw;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeModel;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.core.tube.TubeType;

/** Turns cards into elements; one use. */
final class NetworkBuilder {
    private static final Pattern TUBE = Pattern.compile("X([A-Z]+[0-9]+).*");
    /** What a winding or a contact has at least; keeps the matrix sound and drops nothing that a meter shows [Ω]. */
    private static final double LEAST_OHMS = 1e-3;

    private static final double LEAST_ESR = 0.05;
    /**
     * Inductance of a transformer's first winding when the deck has no LM: an ordinary small mains or output
     * transformer [H].
     */
    static final double ORDINARY_HENRIES = 20;
    /** Coupled coils below this carry signals only [H]. */
    private static final double SIGNAL_HENRIES = 0.1;
    /**
     * The line's alternating voltage is followed through branches up to this [Ω]; above, what arrives is a hum and not
     * a supply.
     */
    private static final double SUPPLY_OHMS = 30e3;
    /** A capacitor in series with a rectifier has at least this [F]. */
    private static final double SERIES_FARADS = 0.4e-6;

    private static final double HOLDING_OHMS = 1e3;

    final List<String> names = new ArrayList<>();
    final List<Branch> branches = new ArrayList<>();
    final List<Store> stores = new ArrayList<>();
    final List<Magnet> magnets = new ArrayList<>();
    final List<Heat> heats = new ArrayList<>();
    final List<Junction> junctions = new ArrayList<>();
    final List<Amplifier> amplifiers = new ArrayList<>();
    final List<Source> sources = new ArrayList<>();
    final List<Network.Injection> injections = new ArrayList<>();
    final List<String> notes = new ArrayList<>();
    final int namedNodes;

    private final Deck deck;
    private final TubeModels tubes;
    private final String mode;
    private final Map<String, Integer> index = new LinkedHashMap<>();
    private final Map<String, Integer> heatOf = new HashMap<>();
    private final List<DeckRefused.Fault> faults = new ArrayList<>();

    NetworkBuilder(Deck deck, TubeModels tubes, String mode) {
        this.deck = deck;
        this.tubes = tubes;
        this.mode = mode;
        for (String node : deck.nodes()) {
            at(node);
        }
        namedNodes = names.size();
    }

    Network build() {
        deck.cards().stream().filter(this::isHeater).forEach(this::heater);
        deck.cards().stream().filter(card -> !isHeater(card)).forEach(this::card);
        refuseVoltageLoops();
        if (!faults.isEmpty()) {
            throw new DeckRefused(faults);
        }
        markDriven();
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

    private int inner(Card card, String what) {
        return at(card.reference().toLowerCase(Locale.ROOT) + "#" + what);
    }

    private int[] at(Card card) {
        return card.nodes().stream().mapToInt(this::at).toArray();
    }

    private void fault(Card card, String text) {
        faults.add(new DeckRefused.Fault(card.line(), card.reference() + ": " + text));
    }

    private int branch(Card card, int a, int b, Branch.Kind kind, double ohms) {
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
            case 'D' -> diode(card);
            case 'X' -> subcircuit(card);
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
                card.kind().equals("electrolytic")));
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
                Double.POSITIVE_INFINITY));
    }

    private Optional<Double> key(Card card, String name) {
        Optional<String> text = card.key(name);
        if (text.isEmpty()) {
            return Optional.empty();
        }
        Optional<Double> value = SpiceNumber.read(text.get());
        if (value.isEmpty() || !(value.get() > 0)) {
            fault(card, name + "=" + text.get() + " is no resistance above 0; write ohms, as in " + name + "=2meg.");
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

    private void diode(Card card) {
        Map<String, Double> model = deck.models().getOrDefault(card.model(), Map.of());
        if (!deck.models().containsKey(card.model())) {
            notes.add("Line " + card.line() + ": " + card.reference() + " has no .model " + card.model()
                    + " in the deck; it is taken as a 1 A silicon rectifier.");
            model = Map.of("IS", 1e-9, "N", 1.8, "RS", 0.05);
        }
        int[] n = at(card);
        JunctionLaw law = JunctionLaw.diode(model.getOrDefault("IS", 1e-14), model.getOrDefault("N", 1.0));
        metal(card, n[0], n[1], law, model.getOrDefault("RS", 0.0));
    }

    private void metal(Card card, int a, int b, Conductor law, double series) {
        int anode = a;
        if (series > 0) {
            anode = inner(card, "rs");
            branch(card, a, anode, Branch.Kind.JUNCTION_SERIES, series);
        }
        junctions.add(new Junction(
                card.reference(),
                anode,
                b,
                law,
                -1,
                false,
                branch(card, a, b, Branch.Kind.FAULT, Double.POSITIVE_INFINITY)));
    }

    private void subcircuit(Card card) {
        switch (card.model()) {
            case "XFMR" -> transformer(card);
            case "SELENIUM" -> selenium(card);
            default -> tube(card);
        }
    }

    private void selenium(Card card) {
        double plates = card.parameters().getOrDefault("N", 5.0);
        if (!(plates >= 1) || card.nodes().size() != 2) {
            fault(card, "a selenium stack is written anode, cathode, SELENIUM N=plates with one plate or more.");
            return;
        }
        int[] n = at(card);
        metal(card, n[0], n[1], JunctionLaw.selenium(plates), card.parameters().getOrDefault("RS", plates));
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
                card.parameters().getOrDefault("RC", Double.POSITIVE_INFINITY)));
    }

    private boolean isHeater(Card card) {
        return card.letter() == 'X'
                && (card.model().equals("LAMP") || TubeData.suffix(card.model()).equals("H"));
    }

    private void heater(Card card) {
        int[] n = at(card);
        if (card.model().equals("LAMP")) {
            double volts = card.parameters().getOrDefault("V", 0.0);
            double amperes = card.parameters().getOrDefault("A", 0.0);
            if (!(volts > 0) || !(amperes > 0) || n.length != 2) {
                fault(card, "a lamp is written a b LAMP V=6.3 A=0.15, volts and amperes above 0.");
                return;
            }
            heat(card, "", Filament.lamp(volts, amperes), new int[] {n[0], n[1]}, new double[] {1});
            return;
        }
        Optional<TubeType> type = tubes.data().type(card.model());
        if (type.isEmpty() || type.get().heaterVolts().isEmpty()) {
            fault(card, unknown(card));
            return;
        }
        Filament law = Filament.heater(
                type.get().heaterVolts().getAsDouble(),
                type.get().heaterAmperes().orElse(0.3),
                type.get().warmUpSeconds());
        if (n.length == 3 && type.get().heaterTap().isEmpty()) {
            fault(card, TubeData.bare(card.model()) + " has no tap on its heater in the tube data; write two nodes.");
        } else if (n.length == 3) {
            double tap = type.get().heaterTap().getAsDouble();
            heat(card, tubeName(card), law, n, new double[] {tap, 1 - tap});
        } else if (n.length == 2) {
            heat(card, tubeName(card), law, n, new double[] {1});
        } else {
            fault(card, "a heater has two nodes, or three with its tap in the middle.");
        }
    }

    private void heat(Card card, String tube, Filament law, int[] nodes, double[] shares) {
        int[] numbers = new int[shares.length];
        for (int i = 0; i < shares.length; i++) {
            numbers[i] = branch(card, nodes[i], nodes[i + 1], Branch.Kind.FILAMENT, law.hotOhms() * shares[i]);
        }
        branch(card, nodes[0], nodes[nodes.length - 1], Branch.Kind.FAULT, Double.POSITIVE_INFINITY);
        if (!tube.isEmpty() && heatOf.putIfAbsent(tube, heats.size()) != null) {
            fault(card, tube + " has two heaters; name the tubes apart, as in XV4H and XV5H.");
        }
        heats.add(new Heat(card.reference(), tube, law, numbers, shares));
    }

    private static String tubeName(Card card) {
        Matcher matcher = TUBE.matcher(card.reference());
        return matcher.matches() ? matcher.group(1) : card.reference().substring(1);
    }

    private String unknown(Card card) {
        return "the type " + TubeData.bare(card.model())
                + " is not in the tube data; add it there, or write a type that is.";
    }

    private void tube(Card card) {
        int[] n = at(card);
        Optional<TubeModel> found = tubes.model(card.model());
        if (found.isEmpty()) {
            fault(card, unknown(card));
            return;
        }
        TubeModel model = found.get();
        int heat = heatOf.getOrDefault(tubeName(card), -1);
        Optional<Section> section = tubes.data().section(card.model(), n.length);
        if (section.isEmpty()) {
            fault(
                    card,
                    n.length + " nodes fit no section of " + card.model()
                            + "; a triode has 3, a pentode 4, a heptode 5, a diode or half-wave rectifier 2.");
            return;
        }
        switch (section.get()) {
            case TRIODE ->
                model.triode()
                        .ifPresentOrElse(
                                law -> amplifiers.add(new Amplifier(
                                        card.reference(),
                                        model.triode(),
                                        Optional.empty(),
                                        Optional.empty(),
                                        n[0],
                                        -1,
                                        -1,
                                        n[1],
                                        n[2],
                                        heat,
                                        oscillates(card) ? model.swing() : 0)),
                                () -> missing(card, "triode"));
            case PENTODE ->
                model.pentode()
                        .ifPresentOrElse(
                                law -> amplifiers.add(new Amplifier(
                                        card.reference(),
                                        Optional.empty(),
                                        model.pentode(),
                                        Optional.empty(),
                                        n[0],
                                        n[1],
                                        -1,
                                        n[2],
                                        n[3],
                                        heat,
                                        0)),
                                () -> missing(card, "pentode"));
            case HEPTODE ->
                model.heptode()
                        .ifPresentOrElse(
                                law -> amplifiers.add(new Amplifier(
                                        card.reference(),
                                        Optional.empty(),
                                        Optional.empty(),
                                        model.heptode(),
                                        n[0],
                                        n[1],
                                        n[2],
                                        n[3],
                                        n[4],
                                        heat,
                                        0)),
                                () -> missing(card, "heptode"));
            case FULL_WAVE ->
                model.rectifier()
                        .ifPresentOrElse(
                                law -> {
                                    conducts(card, n[0], n[2], law, heat);
                                    conducts(card, n[1], n[2], law, heat);
                                },
                                () -> missing(card, "rectifier"));
            default ->
                conducts(
                        card,
                        n[0],
                        n[1],
                        model.rectifier().map(Conductor.class::cast).orElse(TubeModel.SIGNAL_DIODE),
                        heat);
        }
    }

    private static boolean oscillates(Card card) {
        return card.key("role").filter("oscillator"::equalsIgnoreCase).isPresent();
    }

    private void missing(Card card, String section) {
        fault(
                card,
                "the tube data has no " + section + " section for " + TubeData.bare(card.model())
                        + "; check the type and the number of nodes.");
    }

    private void conducts(Card card, int plate, int cathode, Conductor law, int heat) {
        junctions.add(new Junction(
                card.reference(),
                plate,
                cathode,
                law,
                heat,
                false,
                branch(card, plate, cathode, Branch.Kind.FAULT, Double.POSITIVE_INFINITY)));
    }

    /** Voltage sources that close a loop contradict each other, and a matrix cannot say which is right. */
    private void refuseVoltageLoops() {
        int[] group = new int[names.size() + 1];
        Arrays.setAll(group, i -> i);
        Map<Integer, String> first = new HashMap<>();
        for (Source source : sources) {
            int a = root(group, source.plus() + 1);
            int b = root(group, source.minus() + 1);
            if (a == b) {
                Card card = deck.cards().stream()
                        .filter(other -> other.reference().equals(source.part()))
                        .findFirst()
                        .orElseThrow();
                fault(
                        card,
                        source.plus() == source.minus()
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

    /** Follows the line through wires, windings and heaters to the junctions it drives. */
    private void markDriven() {
        Set<Integer> reached = new HashSet<>();
        Deque<Integer> open = new ArrayDeque<>();
        for (Source source : sources) {
            if (source.isLine()) {
                open.add(source.plus());
                open.add(source.minus());
            }
        }
        Map<Integer, Magnet> transformerOf = new HashMap<>();
        magnets.stream()
                .filter(magnet -> magnet.branches().length > 1)
                .forEach(magnet ->
                        Arrays.stream(magnet.branches()).forEach(winding -> transformerOf.put(winding, magnet)));
        Map<Integer, List<Integer>> at = new HashMap<>();
        for (int i = 0; i < branches.size(); i++) {
            at.computeIfAbsent(branches.get(i).a(), node -> new ArrayList<>()).add(i);
            at.computeIfAbsent(branches.get(i).b(), node -> new ArrayList<>()).add(i);
        }
        while (!open.isEmpty()) {
            int node = open.remove();
            if (node < 0 || !reached.add(node)) {
                continue;
            }
            for (int number : at.getOrDefault(node, List.of())) {
                Branch branch = branches.get(number);
                if (branch.kind() == Branch.Kind.LEAK
                        || branch.kind() == Branch.Kind.FAULT
                        || branch.ohms() > SUPPLY_OHMS) {
                    continue;
                }
                open.add(branch.a());
                open.add(branch.b());
                Magnet transformer = transformerOf.get(number);
                if (transformer != null) {
                    for (int winding : transformer.branches()) {
                        open.add(branches.get(winding).a());
                        open.add(branches.get(winding).b());
                    }
                }
            }
        }
        Set<Integer> carried = carriedBySeriesCapacitor(reached, at);
        junctions.replaceAll(junction -> reached.contains(junction.a())
                        || reached.contains(junction.b())
                        || carried.contains(junction.a())
                        || carried.contains(junction.b())
                ? new Junction(
                        junction.part(),
                        junction.a(),
                        junction.b(),
                        junction.law(),
                        junction.heat(),
                        true,
                        junction.shorted())
                : junction);
    }

    /**
     * Nodes that the line reaches through a large capacitor and that nothing but junctions leaves: the middle of a
     * doubler.
     */
    private Set<Integer> carriedBySeriesCapacitor(Set<Integer> reached, Map<Integer, List<Integer>> branchesAt) {
        Set<Integer> carried = new HashSet<>();
        for (Store store : stores) {
            if (store.farads() < SERIES_FARADS || reached.contains(store.a()) == reached.contains(store.b())) {
                continue;
            }
            int far = reached.contains(store.a()) ? store.b() : store.a();
            boolean held = branchesAt.getOrDefault(far, List.of()).stream()
                    .map(branches::get)
                    .anyMatch(branch -> branch.kind() != Branch.Kind.LEAK
                            && branch.kind() != Branch.Kind.FAULT
                            && branch.ohms() <= HOLDING_OHMS);
            if (far >= 0 && !held) {
                carried.add(far);
            }
        }
        return carried;
    }
}
