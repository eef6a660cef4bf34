package org.umberdial.core.circuit.spice;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckWriter;
import org.umberdial.core.circuit.law.ThermalLaw;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Branch;
import org.umberdial.core.circuit.network.Heat;
import org.umberdial.core.circuit.network.Junction;
import org.umberdial.core.circuit.network.Magnet;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Source;
import org.umberdial.core.circuit.network.Store;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.AtWork;

/** Writes one self-contained deck; one use. */
public final class SpiceExport {
    /** What stands for an open circuit [Ω]. */
    private static final double OPEN_OHMS = 1e12;

    private static final double MEASURED_CYCLES = 10;
    /** A junction without any capacitance between two windings stops a transient; real ones have tens of picofarads. */
    private static final double DIODE_FARADS = 30e-12;
    /** Time steps a cycle is cut into at least: half a percent of ripple, a hundredth of the mean. */
    private static final int STEPS_PER_CYCLE = 100;

    private final Deck deck;
    final Network network;
    final Values values;
    private final DeviceText devices = new DeviceText(this);
    private final double settleSeconds;
    private final int stepsPerCycle;
    private final StringBuilder out = new StringBuilder();
    private final Map<String, String> subcircuits = new TreeMap<>();

    private SpiceExport(Deck deck, Values values, double settleSeconds, int stepsPerCycle) {
        this.stepsPerCycle = stepsPerCycle;
        this.deck = deck;
        this.network = values.network();
        this.values = AtWork.asSolved(values);
        this.settleSeconds = settleSeconds;
    }

    /** The deck of a network as it stands in the values, with time to settle for an ordinary set. */
    public static String write(Deck deck, Values values) {
        return write(deck, values, 3, STEPS_PER_CYCLE);
    }

    /**
     * @param settleSeconds of transient before the measured cycles [s]
     * @param stepsPerCycle of the line at least
     */
    public static String write(Deck deck, Values values, double settleSeconds, int stepsPerCycle) {
        return new SpiceExport(deck, values, settleSeconds, stepsPerCycle).text();
    }

    /** The name under which the mean of a node is measured. */
    public static String meanOf(int node) {
        return "dc" + node;
    }

    /** The name under which the peak-to-peak of a node is measured. */
    public static String peakToPeakOf(int node) {
        return "pp" + node;
    }

    /** The name under which the RMS current of the line is measured. */
    public static final String LINE_RMS = "line_rms";

    private String text() {
        out.append("* ").append(deck.title().replaceFirst("^\\*\\s*", "")).append('\n');
        if (!deck.modes().isEmpty()) {
            out.append("*MODES ").append(String.join(" ", deck.modes())).append('\n');
            out.append("* contacts stand as in mode ").append(network.mode()).append('\n');
        }
        network.amplifiers().stream()
                .filter(tube -> isInsulated(tube.part()))
                .forEach(tube ->
                        line("* %s: nothing ties its grid; usual insulation and gas stand in for a leak", tube.part()));
        deck.cards().forEach(this::card);
        models();
        subcircuits.values().forEach(out::append);
        for (Deck.SocketPins socket : deck.sockets()) {
            out.append("*PINS ").append(socket.socket()).append(' ').append(socket.type());
            socket.pins()
                    .forEach((pin, node) ->
                            out.append(' ').append(pin).append('=').append(node));
            out.append('\n');
        }
        if (!deck.testPoints().isEmpty()) {
            out.append("*TP ").append(String.join(" ", deck.testPoints())).append('\n');
        }
        analysis();
        return out.append(".end\n").toString();
    }

    private boolean isInsulated(String part) {
        return IntStream.range(0, network.branches().size())
                .anyMatch(i -> network.branches().get(i).kind() == Branch.Kind.INSULATION
                        && network.branches().get(i).part().equals(part)
                        && values.siemens()[i] > 0);
    }

    private void analysis() {
        double hertz = network.line().map(Source::hertz).orElse(50.0);
        double from = Math.ceil(settleSeconds * hertz) / hertz;
        double to = from + MEASURED_CYCLES / hertz;
        out.append(".options reltol=1e-3 abstol=1e-9 vntol=1e-5 gmin=1e-12 rshunt=1e12 itl4=100 method=gear\n");
        double step = 1 / hertz / stepsPerCycle;
        // A set on the line starts from nothing, its heaters hot; one on batteries from its direct-current solution.
        line(
                ".tran %.6g %.8g %.8g %.6g%s",
                step, to, Math.max(from - 1 / hertz, 0), step, network.line().isPresent() ? " uic" : "");
        for (int i = 0; i < network.namedNodes(); i++) {
            line(
                    ".meas tran %s avg v(%s) from=%.8g to=%.8g",
                    meanOf(i), network.names().get(i), from, to);
            line(
                    ".meas tran %s pp v(%s) from=%.8g to=%.8g",
                    peakToPeakOf(i), network.names().get(i), from, to);
        }
        network.line()
                .ifPresent(source -> line(
                        ".meas tran %s rms i(%s) from=%.8g to=%.8g",
                        LINE_RMS, source.part().toLowerCase(Locale.ROOT), from, to));
    }

    void line(String format, Object... arguments) {
        out.append(String.format(Locale.ROOT, format, arguments)).append('\n');
    }

    private void models() {
        Map<String, Map<String, Double>> needed = new LinkedHashMap<>(deck.models());
        deck.cards().stream()
                .filter(card -> card.letter() == 'D')
                .forEach(card -> needed.putIfAbsent(card.model(), Map.of("IS", 1e-9, "N", 1.8, "RS", 0.05)));
        needed.values().removeIf(model -> model.containsKey("PNP") || model.containsKey("NPN"));
        needed.forEach((name, parameters) -> line(
                ".model %s D(IS=%.8g N=%.8g RS=%.8g CJO=%.8g%s)",
                name,
                parameters.getOrDefault("IS", 1e-14),
                parameters.getOrDefault("N", 1.0),
                parameters.getOrDefault("RS", 0.0),
                parameters.getOrDefault("CJO", DIODE_FARADS),
                parameters.containsKey("BV")
                        ? String.format(
                                Locale.ROOT,
                                " BV=%.8g IBV=%.8g",
                                Math.abs(parameters.get("BV")),
                                Math.abs(parameters.getOrDefault("IBV", 1e-3)))
                        : ""));
    }

    private void card(Card card) {
        switch (card.letter()) {
            case 'R' -> resistor(card);
            case 'C' -> capacitor(card);
            case 'L' -> coil(card);
            case 'V' -> source(card);
            case 'X' -> subcircuit(card);
            case 'Q' -> devices.transistor(card);
            default -> {
                out.append(DeckWriter.line(card)).append('\n');
                shorts(card);
            }
        }
    }

    void original(Card card) {
        out.append("*= ").append(DeckWriter.line(card)).append('\n');
    }

    int branch(Card card, Branch.Kind... kinds) {
        for (int i = 0; i < network.branches().size(); i++) {
            if (network.branches().get(i).part().equals(card.reference())
                    && List.of(kinds).contains(network.branches().get(i).kind())) {
                return i;
            }
        }
        throw new IllegalStateException(card.reference() + " has no branch");
    }

    double ohms(int branch) {
        double g = values.siemens()[branch];
        return g < 1 / OPEN_OHMS ? OPEN_OHMS : 1 / g;
    }

    private void resistor(Card card) {
        double ohms = ohms(branch(card, Branch.Kind.RESISTOR, Branch.Kind.CONTACT));
        if (Math.abs(ohms - card.value().orElse(0.0)) <= 1e-9 * ohms) {
            out.append(DeckWriter.line(card)).append('\n');
        } else {
            original(card);
            line(
                    "%s %s %s %.10g ; of=%s",
                    card.reference(), card.nodes().get(0), card.nodes().get(1), ohms, card.reference());
        }
    }

    private void capacitor(Card card) {
        Store store = network.stores().stream()
                .filter(other -> other.part().equals(card.reference()))
                .findFirst()
                .orElseThrow();
        int number = network.stores().indexOf(store);
        double leak = ohms(store.leak());
        if (leak >= OPEN_OHMS && values.farads()[number] == card.value().orElse(0.0)) {
            out.append(DeckWriter.line(card)).append('\n');
            return;
        }
        original(card);
        line(
                "%s %s %s %.10g ; of=%s",
                card.reference(),
                card.nodes().get(0),
                card.nodes().get(1),
                Math.max(values.farads()[number], 1e-12),
                card.reference());
        if (leak < OPEN_OHMS) {
            line(
                    "R%s_LEAK %s %s %.10g ; of=%s",
                    card.reference(), card.nodes().get(0), card.nodes().get(1), leak, card.reference());
        }
    }

    private void coil(Card card) {
        original(card);
        String inner = card.reference().toLowerCase(Locale.ROOT) + "_r";
        line(
                "R%s_SER %s %s %.10g ; of=%s",
                card.reference(), card.nodes().get(0), inner, ohms(branch(card, Branch.Kind.COIL)), card.reference());
        Magnet magnet = network.magnets().stream()
                .filter(other -> other.part().equals(card.reference()))
                .findFirst()
                .orElseThrow();
        if (magnet.saturation().isPresent()) {
            String name = "CORE_" + card.reference();
            define(name, "a b", DeviceText.core(magnet, "a", "b"));
            line(
                    "X%s_CORE %s %s %s ; of=%s",
                    card.reference(), inner, card.nodes().get(1), name, card.reference());
        } else {
            line(
                    "%s %s %s %.10g ; of=%s",
                    card.reference(), inner, card.nodes().get(1), magnet.henries(), card.reference());
        }
        shorts(card);
    }

    private void source(Card card) {
        Source source = network.sources().stream()
                .filter(other -> other.part().equals(card.reference()))
                .findFirst()
                .orElseThrow();
        if (!source.isLine()) {
            out.append(DeckWriter.line(card)).append('\n');
            return;
        }
        original(card);
        double feed = ohms(branch(card, Branch.Kind.FEED));
        String inner = card.reference().toLowerCase(Locale.ROOT) + "_feed";
        // Switched on at the crest, where a core has no flux to start with.
        line(
                "%s %s %s SIN(0 %.10g %.8g 0 0 90) ; of=%s",
                card.reference(),
                inner,
                card.nodes().get(1),
                values.volts()[network.sources().indexOf(source)] * Math.sqrt(2),
                source.hertz(),
                card.reference());
        line(
                "R%s_FEED %s %s %.8g ; of=%s",
                card.reference(), inner, card.nodes().get(0), feed, card.reference());
    }

    /** What a fault puts across a part beside its model. */
    void shorts(Card card) {
        for (int i = 0; i < network.branches().size(); i++) {
            Branch branch = network.branches().get(i);
            if (branch.part().equals(card.reference())
                    && (branch.kind() == Branch.Kind.FAULT || branch.kind() == Branch.Kind.INSULATION)
                    && values.siemens()[i] > 1 / OPEN_OHMS) {
                line(
                        "R%s_SHORT%d %s %s %.8g ; of=%s",
                        card.reference(), i, name(branch.a()), name(branch.b()), ohms(i), card.reference());
            }
        }
    }

    String name(int node) {
        return node < 0 ? "0" : network.names().get(node).replace('#', '_');
    }

    private void subcircuit(Card card) {
        original(suffixed(card));
        switch (card.model()) {
            case "XFMR" -> transformer(card);
            case "SELENIUM" -> devices.selenium(card);
            default -> {
                if (devices.isDevice(card)) {
                    devices.device(card);
                } else {
                    tube(card);
                }
            }
        }
        shorts(card);
    }

    /** The card with the section said outright. */
    private Card suffixed(Card card) {
        boolean plain = List.of("XFMR", "SELENIUM", "LAMP", "NTC", "BARRETTER").contains(card.model())
                || devices.isDevice(card)
                || card.model().lastIndexOf('_') > 0;
        if (plain) {
            return card;
        }
        String suffix = heat(card).isPresent()
                ? "_H"
                : amplifier(card)
                        .map(tube -> tube.triode().isPresent()
                                ? "_T"
                                : tube.pentode().isPresent() ? "_P" : "_X")
                        .orElse(card.nodes().size() == 2 ? "_D" : "");
        return card.withModel(card.model() + suffix);
    }

    Optional<Amplifier> amplifier(Card card) {
        return network.amplifiers().stream()
                .filter(tube -> tube.part().equals(card.reference()))
                .findFirst();
    }

    private Optional<Heat> heat(Card card) {
        return network.heats().stream()
                .filter(heat -> heat.part().equals(card.reference()))
                .findFirst();
    }

    private void transformer(Card card) {
        Magnet magnet = network.magnets().stream()
                .filter(other -> other.part().equals(card.reference()))
                .findFirst()
                .orElseThrow();
        String name = "XFMR_" + card.reference();
        StringBuilder body = new StringBuilder();
        List<String> pins = new ArrayList<>();
        for (int w = 0; w < magnet.branches().length; w++) {
            pins.add("a" + w);
            pins.add("b" + w);
            append(body, "Rw%d a%d r%d %.8g", w, w, w, ohms(magnet.branches()[w]));
            append(body, "Vw%d r%d e%d 0", w, w, w);
            append(body, "Ew%d e%d b%d m 0 %.10g", w, w, w, magnet.turns()[w]);
            append(body, "Fw%d 0 m Vw%d %.10g", w, w, magnet.turns()[w]);
        }
        append(body, "Lm m 0 %.8g", magnet.henries());
        if (Double.isFinite(magnet.coreOhms())) {
            append(body, "Rcore m 0 %.8g", magnet.coreOhms());
        }
        define(name, String.join(" ", pins), body.toString());
        line("%s %s %s ; of=%s", card.reference(), String.join(" ", card.nodes()), name, card.reference());
    }

    static void append(StringBuilder body, String format, Object... arguments) {
        body.append(String.format(Locale.ROOT, format, arguments)).append('\n');
    }

    void define(String name, String pins, String body) {
        subcircuits.put(name, ".subckt " + name + " " + pins + "\n" + body + ".ends\n");
    }

    List<Junction> junctions(Card card) {
        return network.junctions().stream()
                .filter(junction -> junction.part().equals(card.reference()))
                .toList();
    }

    private void tube(Card card) {
        Optional<Heat> heat = heat(card);
        if (heat.isPresent()) {
            heater(card, heat.get());
            return;
        }
        Optional<Amplifier> amplifier = amplifier(card);
        if (amplifier.isPresent()) {
            int number = network.amplifiers().indexOf(amplifier.get());
            String name = TubeText.define(
                    amplifier.get(),
                    values.amplifierHealth()[number],
                    values.gas()[number],
                    suffixed(card).model(),
                    this::define);
            line(
                    "%s %s %s %s ; of=%s",
                    card.reference(),
                    String.join(" ", card.nodes()),
                    warmth(amplifier.get().heat()),
                    name,
                    card.reference());
            return;
        }
        List<Junction> junctions = junctions(card);
        Junction first = junctions.get(0);
        double health = values.junctionHealth()[network.junctions().indexOf(first)];
        String name =
                TubeText.define(first, junctions.size(), health, suffixed(card).model(), this::define);
        line(
                "%s %s %s %s ; of=%s",
                card.reference(), String.join(" ", card.nodes()), warmth(first.heat()), name, card.reference());
    }

    String warmth(int heat) {
        if (heat < 0) {
            if (out.indexOf("VALWAYS_HOT") < 0) {
                line("VALWAYS_HOT always_hot 0 1 ; of=heat");
            }
            return "always_hot";
        }
        return warmthNode(network.heats().get(heat));
    }

    private static String warmthNode(Heat heat) {
        return "warmth_" + heat.part().toLowerCase(Locale.ROOT);
    }

    private void heater(Card card, Heat heat) {
        ThermalLaw law = heat.law();
        StringBuilder body = new StringBuilder();
        String[] pins = heat.shares().length == 2 ? new String[] {"h1", "tap", "h2"} : new String[] {"h1", "h2"};
        StringBuilder power = new StringBuilder();
        String siemens = law.siemensExpression("v(t)");
        for (int i = 0; i < heat.shares().length; i++) {
            double present = Math.max(
                    values.siemens()[heat.branches()[i]]
                            * network.branches().get(heat.branches()[i]).ohms(),
                    1e-9);
            String across = "v(" + pins[i] + "," + pins[i + 1] + ")";
            append(
                    body,
                    "Bh%d %s %s I=%s*%.8g*%s",
                    i,
                    pins[i],
                    pins[i + 1],
                    across,
                    present / heat.shares()[i],
                    siemens);
            power.append(i == 0 ? "" : "+")
                    .append(String.format(
                            Locale.ROOT, "%s*%s*%.8g*%s", across, across, present / heat.shares()[i], siemens));
        }
        append(body, "Bp 0 t I=(%s)/%.8g", power, law.ratedWatts());
        append(body, "Ct t 0 0.1 IC=1");
        append(body, "Rt t 0 1");
        // So short a time constant lets the cathode flicker at twice the line; a second one keeps that out of the tube.
        append(body, "Rw t w 1k");
        append(body, "Cw w 0 300u IC=1");
        String name = "HEAT_" + card.reference();
        define(name, String.join(" ", pins) + " w", body.toString());
        line(
                "%s %s %s %s ; of=%s",
                card.reference(), String.join(" ", card.nodes()), warmthNode(heat), name, card.reference());
    }
}
