package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeType;

/**
 * A transformer of the set, its windings named by what hangs on them.
 *
 * @param power whether the line feeds it; else it is an output transformer
 */
public record Transformer(Part part, boolean power, List<Winding> windings) {
    /** What a winding is for. */
    public enum Use {
        PRIMARY("primary"),
        HIGH_VOLTAGE("high voltage"),
        HEATERS("heaters"),
        RECTIFIER_HEATER("rectifier's heater"),
        SPEAKER("speaker side"),
        OTHER("secondary");

        private final String label;

        Use(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /**
     * One winding.
     *
     * @param name with a number where there are several of a kind
     * @param volts without load [V]
     * @param ohms [Ω]
     * @param amperes its heaters and lamps draw [A]; 0 for others
     */
    public record Winding(String name, Use use, String from, String to, double volts, double ohms, double amperes) {}

    public Winding primary() {
        return windings.get(0);
    }

    public List<Winding> secondaries() {
        return windings.subList(1, windings.size());
    }

    /** Secondaries of a kind. */
    public List<Winding> of(Use use) {
        return windings.stream().filter(w -> w.use == use).toList();
    }

    /** Every transformer of a set, the line's first. */
    public static List<Transformer> in(BenchSet set) {
        List<Transformer> all = new ArrayList<>();
        for (Part part : set.parts()) {
            Card card = part.card();
            if (card.model().equals("XFMR") && card.nodes().size() >= 4) {
                all.add(of(set, part));
            }
        }
        all.sort((a, b) -> Boolean.compare(b.power, a.power));
        return List.copyOf(all);
    }

    public static Optional<Transformer> power(BenchSet set) {
        return in(set).stream().filter(Transformer::power).findFirst();
    }

    public static Optional<Transformer> output(BenchSet set) {
        return in(set).stream().filter(t -> !t.power).findFirst();
    }

    private static Transformer of(BenchSet set, Part part) {
        Card card = part.card();
        int count = card.nodes().size() / 2;
        boolean plate = set.parts().stream()
                .anyMatch(p -> isAmplifier(set, p) && touches(card, p.nodes().get(0)));
        List<Winding> windings = new ArrayList<>();
        for (int k = 0; k < count; k++) {
            String a = card.nodes().get(2 * k);
            String b = card.nodes().get(2 * k + 1);
            double volts = card.parameters().getOrDefault(k == 0 ? "VP" : "V" + k, 0.0);
            double ohms = card.parameters().getOrDefault(k == 0 ? "RP" : "R" + k, 0.0);
            windings.add(winding(set, card, k, a, b, volts, ohms, plate));
        }
        return new Transformer(part, !plate, numbered(windings));
    }

    private static Winding winding(
            BenchSet set, Card card, int k, String a, String b, double volts, double ohms, boolean output) {
        if (k == 0) {
            return new Winding("primary", Use.PRIMARY, a, b, volts, ohms, 0);
        }
        if (output) {
            return new Winding("speaker side", Use.SPEAKER, a, b, volts, ohms, 0);
        }
        double amperes = 0;
        boolean rectifier = false;
        boolean heaters = false;
        for (Part part : set.parts()) {
            boolean here = part.nodes().contains(a) && part.nodes().contains(b);
            if (here && part.card().kind().equals("heater")) {
                Optional<TubeType> type = set.tubeType(part);
                amperes +=
                        HeaterOhms.draw(set, part).map(HeaterOhms.Draw::amperes).orElse(0.0);
                boolean own = type.map(TubeType::isRectifier).orElse(false);
                rectifier |= own;
                heaters |= !own;
            } else if (here && part.card().kind().equals("lamp")) {
                amperes += part.card().parameters().getOrDefault("A", 0.0);
                heaters = true;
            }
        }
        Use use = heaters
                ? Use.HEATERS
                : rectifier ? Use.RECTIFIER_HEATER : feedsRectifier(set, a, b) ? Use.HIGH_VOLTAGE : Use.OTHER;
        return new Winding(use.label(), use, a, b, volts, ohms, amperes);
    }

    private static boolean feedsRectifier(BenchSet set, String a, String b) {
        return set.parts().stream().anyMatch(part -> {
            boolean tube = set.isRectifier(part);
            boolean diode =
                    part.card().kind().equals("silicon") || part.card().kind().equals("selenium");
            return (tube || diode) && (part.nodes().contains(a) || part.nodes().contains(b));
        });
    }

    private static boolean isAmplifier(BenchSet set, Part part) {
        return part.card().kind().equals("tube") && part.nodes().size() >= 3 && !set.isRectifier(part);
    }

    private static boolean touches(Card card, String node) {
        return card.nodes().contains(node);
    }

    private static List<Winding> numbered(List<Winding> windings) {
        List<Winding> named = new ArrayList<>();
        for (Winding w : windings) {
            long alike = windings.stream().filter(o -> o.use == w.use).count();
            long before = named.stream().filter(o -> o.use == w.use).count();
            named.add(
                    alike < 2
                            ? w
                            : new Winding(
                                    String.format(Locale.ROOT, "%s %d", w.name, before + 1),
                                    w.use,
                                    w.from,
                                    w.to,
                                    w.volts,
                                    w.ohms,
                                    w.amperes));
        }
        return List.copyOf(named);
    }
}
