package org.umberdial.core.circuit.network;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.law.Conductor;
import org.umberdial.core.circuit.law.EyeLaw;
import org.umberdial.core.circuit.law.Filament;
import org.umberdial.core.circuit.law.Oscillation;
import org.umberdial.core.circuit.law.ThermalLaw;
import org.umberdial.core.tube.Eyes;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeModel;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.core.tube.TubeType;

/** Heaters, lamps and the sections of tubes; heaters come first, since a section is warmed by its own. */
final class TubeElements {
    private static final Pattern TUBE = Pattern.compile("X([A-Z]+[0-9]+).*");

    private final NetworkBuilder built;
    private final TubeModels tubes;
    private final Map<String, Integer> heatOf = new HashMap<>();

    TubeElements(NetworkBuilder built, TubeModels tubes) {
        this.built = built;
        this.tubes = tubes;
    }

    static boolean isHeater(Card card) {
        return card.letter() == 'X'
                && (card.model().equals("LAMP") || TubeData.suffix(card.model()).equals("H"));
    }

    void heater(Card card) {
        int[] n = built.at(card);
        if (card.model().equals("LAMP")) {
            double volts = card.parameters().getOrDefault("V", 0.0);
            double amperes = card.parameters().getOrDefault("A", 0.0);
            if (!(volts > 0) || !(amperes > 0) || n.length != 2) {
                built.fault(card, "a lamp is written a b LAMP V=6.3 A=0.15, volts and amperes above 0.");
                return;
            }
            heat(card, "", Filament.lamp(volts, amperes), new int[] {n[0], n[1]}, new double[] {1});
            return;
        }
        Optional<TubeType> type = tubes.data().type(card.model());
        if (type.isEmpty() || type.get().heaterVolts().isEmpty()) {
            built.fault(card, unknown(card));
            return;
        }
        Filament law = Filament.heater(
                type.get().heaterVolts().getAsDouble(),
                type.get().heaterAmperes().orElse(0.3),
                type.get().warmUpSeconds());
        if (n.length == 3 && type.get().heaterTap().isEmpty()) {
            built.fault(
                    card, TubeData.bare(card.model()) + " has no tap on its heater in the tube data; write two nodes.");
        } else if (n.length == 3) {
            double tap = type.get().heaterTap().getAsDouble();
            heat(card, tubeName(card), law, n, new double[] {tap, 1 - tap});
        } else if (n.length == 2) {
            heat(card, tubeName(card), law, n, new double[] {1});
        } else {
            built.fault(card, "a heater has two nodes, or three with its tap in the middle.");
        }
    }

    void heat(Card card, String tube, ThermalLaw law, int[] nodes, double[] shares) {
        heat(card, tube, law, nodes, shares, Optional.empty());
    }

    void heat(Card card, String tube, ThermalLaw law, int[] nodes, double[] shares, Optional<Heat.Range> range) {
        int[] numbers = new int[shares.length];
        for (int i = 0; i < shares.length; i++) {
            numbers[i] = built.branch(card, nodes[i], nodes[i + 1], Branch.Kind.FILAMENT, law.hotOhms() * shares[i]);
        }
        built.branch(card, nodes[0], nodes[nodes.length - 1], Branch.Kind.FAULT, Double.POSITIVE_INFINITY);
        if (!tube.isEmpty() && heatOf.putIfAbsent(tube, built.heats.size()) != null) {
            built.fault(card, tube + " has two heaters; name the tubes apart, as in XV4H and XV5H.");
        }
        built.heats.add(new Heat(card.reference(), tube, law, numbers, shares, range));
    }

    private static String tubeName(Card card) {
        Matcher matcher = TUBE.matcher(card.reference());
        return matcher.matches() ? matcher.group(1) : card.reference().substring(1);
    }

    private String unknown(Card card) {
        return "the type " + TubeData.bare(card.model())
                + " is not in the tube data; add it there, or write a type that is.";
    }

    void tube(Card card) {
        int[] n = built.at(card);
        Optional<TubeModel> found = tubes.model(card.model());
        if (found.isEmpty()) {
            built.fault(card, unknown(card));
            return;
        }
        TubeModel model = found.get();
        int heat = heatOf.getOrDefault(tubeName(card), -1);
        Optional<EyeLaw> eye = Eyes.law(TubeData.bare(card.model()));
        if (eye.isPresent()) {
            eye(card, n, eye.get(), heat);
            return;
        }
        Optional<Section> section = tubes.data().section(card.model(), n.length);
        if (section.isEmpty()) {
            built.fault(
                    card,
                    n.length + " nodes fit no section of " + card.model()
                            + "; a triode has 3, a pentode 4, a heptode 5, a diode or half-wave rectifier 2.");
            return;
        }
        String part = card.reference();
        switch (section.get()) {
            case TRIODE ->
                model.triode()
                        .map(law -> Amplifier.triode(
                                part,
                                law,
                                n[0],
                                n[1],
                                n[2],
                                heat,
                                oscillates(card) ? model.oscillation() : Oscillation.NONE))
                        .ifPresentOrElse(tube -> amplify(card, tube), () -> missing(card, "triode"));
            case PENTODE ->
                model.pentode()
                        .map(law -> Amplifier.pentode(part, law, n[0], n[1], n[2], n[3], heat))
                        .ifPresentOrElse(tube -> amplify(card, tube), () -> missing(card, "pentode"));
            case HEPTODE ->
                model.heptode()
                        .map(law -> Amplifier.heptode(part, law, n, heat))
                        .ifPresentOrElse(tube -> amplify(card, tube), () -> missing(card, "heptode"));
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

    /** Plate, target, grid, cathode. */
    private void eye(Card card, int[] n, EyeLaw law, int heat) {
        if (n.length != 4) {
            built.fault(
                    card,
                    "a tuning eye is written plate, target, grid, cathode and its type, as in XV6 p t g k 6E5_E.");
            return;
        }
        amplify(card, Amplifier.triode(card.reference(), law.triode(), n[0], n[2], n[3], heat, Oscillation.NONE));
        conducts(card, n[1], n[3], law.target(), heat);
        built.eyes.add(new Eye(card.reference(), law, n[0], n[1], n[3]));
    }

    /** The insulation of its grid comes with it, to the plate first and then to the chassis. */
    private void amplify(Card card, Amplifier tube) {
        built.amplifiers.add(tube);
        built.branch(card, tube.grid(), tube.plate(), Branch.Kind.INSULATION, Double.POSITIVE_INFINITY);
        built.branch(card, tube.grid(), -1, Branch.Kind.INSULATION, Double.POSITIVE_INFINITY);
    }

    private static boolean oscillates(Card card) {
        return card.key("role").filter("oscillator"::equalsIgnoreCase).isPresent();
    }

    private void missing(Card card, String section) {
        built.fault(
                card,
                "the tube data has no " + section + " section for " + TubeData.bare(card.model())
                        + "; check the type and the number of nodes.");
    }

    private void conducts(Card card, int plate, int cathode, Conductor law, int heat) {
        built.junctions.add(new Junction(
                card.reference(),
                plate,
                cathode,
                law,
                heat,
                false,
                built.branch(card, plate, cathode, Branch.Kind.FAULT, Double.POSITIVE_INFINITY)));
    }
}
