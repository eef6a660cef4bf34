package org.umberdial.core.circuit.network;

import java.util.Map;
import java.util.Optional;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.SpiceNumber;
import org.umberdial.core.circuit.law.BipolarLaw;
import org.umberdial.core.circuit.law.Conductor;
import org.umberdial.core.circuit.law.Filament;
import org.umberdial.core.circuit.law.GlowLaw;
import org.umberdial.core.circuit.law.JunctionLaw;
import org.umberdial.core.circuit.law.Thermistor;
import org.umberdial.core.tube.Ballast;
import org.umberdial.core.tube.GlowTubes;
import org.umberdial.core.tube.Transistors;

/** Diodes, discharges, transistors, and resistances of their own heat. */
final class DeviceElements {
    private static final double LEAST_OHMS = NetworkBuilder.LEAST_OHMS;
    /** A lamp section and its lamp at 6 V and 0.3 A [Ω]. */
    private static final double LAMP_SECTION_OHMS = 20;
    /** What tables of transistors are for [°C]. */
    private static final double DATA_CELSIUS = 25;

    private final NetworkBuilder built;
    private final TubeElements tubes;
    private final Map<String, Map<String, Double>> models;

    /** @param models of the deck, by name */
    DeviceElements(NetworkBuilder built, TubeElements tubes, Map<String, Map<String, Double>> models) {
        this.built = built;
        this.tubes = tubes;
        this.models = models;
    }

    /** Takes a card of these devices; false when it is another's. */
    boolean takes(Card card) {
        Optional<GlowLaw> glow = GlowTubes.law(card.model());
        Optional<Ballast> ballast = Ballast.of(card.model());
        switch (card.model()) {
            case "SELENIUM" -> selenium(card);
            case "NEON" -> neon(card);
            case "NTC" -> thermistor(card);
            case "BARRETTER" -> barretter(card);
            default -> {
                glow.ifPresent(law -> glow(card, law));
                ballast.ifPresent(code -> ballast(card, code));
                return glow.isPresent() || ballast.isPresent();
            }
        }
        return true;
    }

    void diode(Card card) {
        Map<String, Double> model = models.getOrDefault(card.model(), Map.of());
        if (!models.containsKey(card.model())) {
            built.notes.add("Line " + card.line() + ": " + card.reference() + " has no .model " + card.model()
                    + " in the deck; it is taken as a 1 A silicon rectifier.");
            model = Map.of("IS", 1e-9, "N", 1.8, "RS", 0.05);
        }
        if (model.containsKey("NPN") || model.containsKey("PNP")) {
            built.fault(
                    card,
                    card.model()
                            + " is a transistor's model; a diode needs one of its own, .model NAME D(IS=... N=...).");
            return;
        }
        if (!(model.getOrDefault("IS", 1e-14) > 0)
                || !(model.getOrDefault("N", 1.0) > 0)
                || model.getOrDefault("RS", 0.0) < 0
                || model.containsKey("BV") && model.getOrDefault("IBV", 1e-3) == 0) {
            built.fault(
                    card,
                    "the model " + card.model()
                            + " needs IS and N above 0, RS not below 0, and IBV above 0 where it has a BV.");
            return;
        }
        int[] n = built.at(card);
        JunctionLaw law = JunctionLaw.diode(model.getOrDefault("IS", 1e-14), model.getOrDefault("N", 1.0));
        double breakdown = Math.abs(model.getOrDefault("BV", 0.0));
        metal(
                card,
                n[0],
                n[1],
                breakdown > 0
                        ? law.breakingDown(breakdown, Math.max(Math.abs(model.getOrDefault("IBV", 1e-3)), 1e-9))
                        : law,
                model.getOrDefault("RS", 0.0));
    }

    private void metal(Card card, int a, int b, Conductor law, double series) {
        int anode = a;
        if (series > 0) {
            anode = built.inner(card, "rs");
            built.branch(card, a, anode, Branch.Kind.JUNCTION_SERIES, series);
        }
        built.junctions.add(new Junction(
                card.reference(),
                anode,
                b,
                law,
                -1,
                false,
                built.branch(card, a, b, Branch.Kind.FAULT, Double.POSITIVE_INFINITY)));
    }

    private void selenium(Card card) {
        double plates = card.parameters().getOrDefault("N", 5.0);
        if (!(plates >= 1) || card.nodes().size() != 2) {
            built.fault(card, "a selenium stack is written anode, cathode, SELENIUM N=plates with one plate or more.");
            return;
        }
        int[] n = built.at(card);
        metal(card, n[0], n[1], JunctionLaw.selenium(plates), card.parameters().getOrDefault("RS", plates));
    }

    /** Collector, base, emitter; {@code temp=} is the temperature of its junctions in °C, 25 unless said. */
    void transistor(Card card) {
        Map<String, Double> model = models.get(card.model());
        Optional<BipolarLaw> law = model != null && (model.containsKey("PNP") || model.containsKey("NPN"))
                ? Optional.of(Transistors.ofModel(model.containsKey("PNP"), model))
                : Transistors.law(card.model());
        double celsius = card.key("temp")
                .map(text -> SpiceNumber.read(text).orElse(Double.NaN))
                .orElse(DATA_CELSIUS);
        if (law.isEmpty()) {
            built.fault(
                    card,
                    "the transistor " + card.model()
                            + " is not among those known here; give its figures in the deck, as " + "in .model "
                            + card.model() + " PNP(IS=3u BF=50 BR=10 ISC=2u).");
            return;
        }
        if (!(celsius > -60 && celsius < 200)) {
            built.fault(
                    card,
                    "temp=" + card.key("temp").orElse("")
                            + " is no temperature of a transistor; write °C, as in temp=45.");
            return;
        }
        if (!law.get().isSound()) {
            built.fault(card, "the model " + card.model() + " needs IS, BF and BR above 0 and ISC not below 0.");
            return;
        }
        int[] n = built.at(card);
        built.amplifiers.add(Amplifier.transistor(card.reference(), law.get().at(celsius), n[0], n[1], n[2]));
        built.branch(card, n[0], n[2], Branch.Kind.FAULT, Double.POSITIVE_INFINITY);
    }

    /** Anode and cathode, or two anodes and the cathode of a gas rectifier. */
    private void glow(Card card, GlowLaw law) {
        int[] n = built.at(card);
        if (n.length != 2 && n.length != 3) {
            built.fault(
                    card,
                    "a glow tube is written anode, cathode and its type, as in XV8 b 0 0A2; a gas rectifier may have "
                            + "two anodes before the cathode.");
            return;
        }
        for (int anode = 0; anode < n.length - 1; anode++) {
            built.junctions.add(new Junction(
                    card.reference(),
                    n[anode],
                    n[n.length - 1],
                    law,
                    -1,
                    false,
                    built.branch(card, n[anode], n[n.length - 1], Branch.Kind.FAULT, Double.POSITIVE_INFINITY)));
        }
    }

    private void neon(Card card) {
        Map<String, Double> given = card.parameters();
        double strike = given.getOrDefault("STRIKE", 90.0);
        double burn = given.getOrDefault("BURN", 60.0);
        double least = given.getOrDefault("MIN", 1e-4);
        double most = given.getOrDefault("MAX", 7e-4);
        if (!(burn > 0) || !(strike >= burn) || !(least > 0) || !(most > least)) {
            built.fault(
                    card,
                    "a neon lamp is written a b NEON STRIKE=90 BURN=60 MIN=0.1m MAX=0.7m: it strikes at more volts than "
                            + "it burns at, and its greatest current is above its least.");
            return;
        }
        glow(card, GlowLaw.published(strike, burn, least, most, given.getOrDefault("REG", 0.13 * burn), true));
    }

    private void thermistor(Card card) {
        Thermistor law = new Thermistor(
                card.parameters().getOrDefault("R", 0.0),
                card.parameters().getOrDefault("HOT", 0.0),
                card.parameters().getOrDefault("A", 0.0),
                card.parameters().getOrDefault("B", 3500.0));
        if (card.nodes().size() != 2 || !(law.hotOhms() > 0) || !(law.ratedAmperes() > 0) || !law.isSound()) {
            built.fault(
                    card,
                    "a thermistor is written a b NTC R=1.5k HOT=44 A=0.3: cold ohms, ohms at its rated current, and that "
                            + "current; B=3500 (K) unless it is known.");
            return;
        }
        tubes.heat(card, "", law, built.at(card), new double[] {1});
    }

    private void barretter(Card card) {
        double least = card.parameters().getOrDefault("VMIN", 0.0);
        double most = card.parameters().getOrDefault("VMAX", 0.0);
        double amperes = card.parameters().getOrDefault("A", 0.0);
        if (card.nodes().size() != 2 || !(least > 0) || !(most > least) || !(amperes > 0)) {
            built.fault(
                    card,
                    "a barretter is written a b BARRETTER VMIN=80 VMAX=200 A=0.2: the volts between which it holds its "
                            + "current, and that current.");
            return;
        }
        tubes.heat(
                card,
                "",
                Filament.barretter((least + most) / 2, amperes),
                built.at(card),
                new double[] {1},
                Optional.of(new Heat.Range(least, most)));
    }

    /** Two nodes, or three with the tap to the lamp in the middle. */
    private void ballast(Card card, Ballast ballast) {
        int[] n = built.at(card);
        double lamp = ballast.lampOhms().orElse(0.0);
        if (n.length == 2) {
            built.branch(card, n[0], n[1], Branch.Kind.RESISTOR, ballast.ohms());
        } else if (n.length == 3 && lamp > 0) {
            // The drop is printed with the lamp across its section: the two together carry the string at lamp volts.
            built.branch(
                    card, n[0], n[1], Branch.Kind.RESISTOR, Math.max(ballast.ohms() - LAMP_SECTION_OHMS, LEAST_OHMS));
            built.branch(card, n[1], n[2], Branch.Kind.RESISTOR, lamp);
        } else {
            built.fault(
                    card,
                    "a ballast tube has two nodes, or three with its lamp tap in the middle when its letter is K, L or M.");
        }
    }
}
