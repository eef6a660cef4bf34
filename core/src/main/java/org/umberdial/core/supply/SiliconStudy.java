package org.umberdial.core.supply;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.stream.DoubleStream;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.StandardSeries;
import org.umberdial.core.value.Unit;

/**
 * Silicon in the place of selenium in this very set: what stands at the filter with the tubes at work and in the
 * seconds before they draw, and three remedies side by side.
 *
 * <p>A resistor in series does nothing before the tubes draw; fewer secondary turns lower everything; a delayed start
 * spares the capacitors the unloaded peak and leaves the working volts high (JOB section 3).
 *
 * @param stack references of the selenium cards
 * @param ways selenium as drawn, silicon alone, and the remedies, in that order
 * @param reverseVolts least reverse rating of the silicon: 3.2 times the AC RMS in a half-wave or centre-tapped
 *     circuit, 1.6 times in a bridge [V]
 * @param leastSeriesOhms that a common 1 A type wants in its path at switch-on [Ω]
 * @param pathOhms that are in that path as drawn; empty where none is seen [Ω]
 * @param says what the study cannot say, a sentence each
 */
public record SiliconStudy(
        List<String> stack,
        List<Way> ways,
        double reverseVolts,
        double leastSeriesOhms,
        OptionalDouble pathOhms,
        List<String> says) {
    /**
     * One way to supply the set.
     *
     * @param does what is built, in a few words
     * @param points what stands across each filter capacitor
     * @param peakAmperes in the rectifier at work
     * @param enough whether no capacitor sees more than its rating, and the working volts are the old ones
     * @param says in a sentence or two
     */
    public record Way(String name, String does, List<Stands> points, double peakAmperes, boolean enough, String says) {}

    /**
     * Across one capacitor of the filter.
     *
     * @param atWork [V]
     * @param before the most before the tubes draw, on a line a tenth high; where nothing comes before they do, at work
     *     on such a line [V]
     * @param rated empty when nobody knows [V]
     */
    public record Stands(String capacitor, double atWork, double before, OptionalDouble rated) {
        public boolean over() {
            return rated.isPresent() && Math.max(atWork, before) > rated.getAsDouble();
        }
    }

    private static final String MODEL = "SILICON_FOR_SELENIUM";
    /** As is common to 1 A, 1000 V types: 0.7 V at 10 mA, 0.95 V at 1 A. */
    private static final Map<String, Double> SILICON = Map.of("IS", 7e-9, "N", 1.8, "RS", 0.035);
    /** What such a type stands once, for half a cycle [A]. */
    private static final double SURGE_AMPERES = 30;
    /** 3.2 of the AC's RMS, against the 1.1 × 2√2 that stand there on a high line. */
    private static final double REVERSE_MARGIN = 3.2 / (2 * Math.sqrt(2)) / Supply.LINE_HIGH;
    /** From here on a capacitor belongs to the filter. */
    private static final double FILTER_FARADS = 1e-6;

    private static final double SAME = 0.03;
    /** A rail below this share of what it was is no rail any more. */
    private static final double STARVED = 0.85;
    /** What holds less than this share of the highest is no capacitor of the filter. */
    private static final double OF_THE_FILTER = 0.3;

    private static final double MOST_OHMS = 20e3;
    private static final double LEAST_TURNS = 0.5;
    private static final int HALVINGS = 14;
    private static final String SERIES = "R_SERIES";

    /** What kills in the experiment. */
    public static final String EXPERIMENT_DANGER =
            "Never a bare variable transformer on the rectifier: it puts the chassis on the line. An isolating transformer goes "
                    + "before it.";

    /**
     * How the AC volts are found by experiment, where the circuit is not known well enough (FORMULAS, Windings, Turns).
     */
    public static final List<String> EXPERIMENT = List.of(
            "Plug out, everything read empty. Lift the set’s own high-voltage winding at both ends and tape it off.",
            "Feed the heaters as usual from the set, or from outside with the set’s own heater winding lifted.",
            "Isolating transformer, then variable transformer, then fuse, then the new rectifier: the set is its load.",
            "Warm up on low volts, raise until B+ is right, and read the AC volts there under load.",
            "Without load the winding gives more, by its ohms and the current. Unwind in steps to that, close the core, test, "
                    + "unwind again; end low.");

    /** What goes with any silicon. */
    public static final List<String> BESIDE = List.of(
            "A small capacitor of 10 nF, 1 kV across each diode keeps modulation hum away.",
            "A stack that stays for looks is cut free at both ends.");

    /** Empty when the set has no selenium, or its circuit does not say enough. */
    public static Optional<SiliconStudy> of(SetFile file) {
        BenchSet set = file.set();
        List<Card> stack = set.cards().stream()
                .filter(card -> card.model().equals("SELENIUM"))
                .toList();
        return stack.isEmpty() ? Optional.empty() : new Study(file, set, stack).study();
    }

    private static final class Study {
        private final BenchSet set;
        private final List<Card> stack;
        private final String mode;
        private final double wattsMargin;
        private final List<Part> filter;
        /** Node of the series resistor, and whether it is where the stack gets its alternating current. */
        private final String joint;

        private Supply.Run drawn;

        Study(SetFile file, BenchSet set, List<Card> stack) {
            this.set = set;
            this.stack = stack;
            mode = file.contents().bench().mode();
            wattsMargin = file.policy().wattsMargin();
            Set<String> anodes = new HashSet<>();
            Set<String> cathodes = new HashSet<>();
            stack.forEach(card -> {
                anodes.add(card.nodes().get(0));
                cathodes.add(card.nodes().get(1));
            });
            // In a doubler the two share the alternating end; else the plus end is where only cathodes are.
            Set<String> shared = new HashSet<>(anodes);
            shared.retainAll(cathodes);
            joint = stack.size() == 2 && shared.size() == 1
                    ? shared.iterator().next()
                    : cathodes.stream()
                            .filter(node -> !anodes.contains(node))
                            .findFirst()
                            .orElse("");
            filter = set.parts().stream()
                    .filter(part -> part.card().letter() == 'C'
                            && part.nodes().size() == 2
                            && part.workingValue().orElse(0.0) >= FILTER_FARADS)
                    .toList();
        }

        Optional<SiliconStudy> study() {
            Optional<Supply> original = Supply.of(set, set.cards(), Map.of(), mode);
            Optional<Supply> silicon = silicon(0, 1);
            Optional<Supply.Run> was = original.flatMap(s -> s.atWork(UnaryOperator.identity()));
            Optional<Supply.Run> wasCold = original.flatMap(s -> s.beforeTheTubesDraw(UnaryOperator.identity()));
            Optional<Supply.Run> is = silicon.flatMap(s -> s.atWork(UnaryOperator.identity()));
            Optional<Supply.Run> isHigh = silicon.flatMap(s -> s.atWorkOnAHighLine(UnaryOperator.identity()));
            Optional<Supply.Run> isCold = silicon.flatMap(s -> s.beforeTheTubesDraw(UnaryOperator.identity()));
            if (joint.isEmpty()
                    || was.isEmpty()
                    || wasCold.isEmpty()
                    || is.isEmpty()
                    || isCold.isEmpty()
                    || isHigh.isEmpty()) {
                return Optional.empty();
            }
            drawn = was.get();
            List<String> says = new ArrayList<>();
            List<Way> ways = new ArrayList<>();
            boolean overAsDrawn = points(was.get(), wasCold.get()).stream().anyMatch(Stands::over);
            ways.add(way(
                    "Selenium, new",
                    "as drawn",
                    was.get(),
                    wasCold.get(),
                    "What the set was built for."
                            + (overAsDrawn
                                    ? " Even so its capacitors can see more than their mark on a high line."
                                    : "")));
            ways.add(way(
                    "Silicon alone",
                    "a 1000 V, 1 A type",
                    is.get(),
                    isCold.get(),
                    rises(is.get()) + " Everything behind it runs so much higher, heat included."));
            series(is.get())
                    .ifPresentOrElse(
                            ways::add, () -> says.add("No one resistor brings every rail back to what it was."));
            turns(is.get())
                    .ifPresentOrElse(
                            ways::add,
                            () -> says.add(
                                    "Fewer turns are no remedy here: no winding of its own feeds the stack, or it feeds rails that "
                                            + "would fall unequally."));
            ways.add(delayed(is.get(), isHigh.get()));
            double reverse = stack.stream()
                    .flatMap(card -> isCold.get().duty().rectifier(silicon(card)).stream())
                    .mapToDouble(flow -> flow.reverse())
                    .max()
                    .orElse(0);
            double peak = highest(isCold.get());
            return Optional.of(new SiliconStudy(
                    stack.stream().map(Card::reference).toList(),
                    ways,
                    reverse * REVERSE_MARGIN,
                    peak / SURGE_AMPERES,
                    SeriesPath.ohms(set.cards(), alternating()),
                    says));
        }

        private static String silicon(Card card) {
            return "D_" + card.reference();
        }

        /** Where the stack gets its alternating current. */
        private String alternating() {
            return stack.stream()
                    .flatMap(card -> card.nodes().stream())
                    .filter(node -> !node.equals("0") && !node.equals(joint))
                    .findFirst()
                    .orElse(joint);
        }

        private double highest(Supply.Run run) {
            return filter.stream()
                    .flatMapToDouble(part -> run.across(part.card()).stream())
                    .max()
                    .orElse(0);
        }

        /** The set with silicon, and so many ohms in series with it and so large a share of the winding's turns. */
        private Optional<Supply> silicon(double ohms, double share) {
            List<Card> cards = new ArrayList<>();
            String inner = joint + "_behind";
            for (Card card : set.cards()) {
                if (stack.contains(card)) {
                    cards.add(diode(card, ohms > 0 ? inner : joint));
                } else if (share < 1 && winding(card).isPresent()) {
                    cards.add(fewer(card, share));
                } else {
                    cards.add(card);
                }
            }
            if (ohms > 0) {
                cards.add(new Card(SERIES, List.of(inner, joint), Optional.of(ohms), "", 0, Map.of(), Map.of(), 0));
            }
            return Supply.of(set, cards, Map.of(MODEL, SILICON), mode);
        }

        private Card diode(Card card, String at) {
            List<String> nodes = card.nodes().stream()
                    .map(node -> node.equals(joint) ? at : node)
                    .toList();
            return new Card(silicon(card), nodes, Optional.empty(), MODEL, 0, Map.of(), Map.of(), 0);
        }

        private Way way(String name, String does, Supply.Run run, Supply.Run cold, String says) {
            List<Stands> points = points(run, cold);
            return new Way(name, does, points, peak(run), good(run, points), says);
        }

        private List<Stands> points(Supply.Run run, Supply.Run cold) {
            List<Stands> points = new ArrayList<>();
            for (Part part : filter) {
                OptionalDouble atWork = run.across(part.card());
                OptionalDouble before = cold.across(part.card());
                double asDrawn = drawn.across(part.card()).orElse(0);
                if (atWork.isPresent() && before.isPresent() && asDrawn > OF_THE_FILTER * highest(drawn)) {
                    points.add(new Stands(
                            part.reference(),
                            atWork.getAsDouble(),
                            before.getAsDouble(),
                            part.ratingVolts().map(OptionalDouble::of).orElse(OptionalDouble.empty())));
                }
            }
            return points;
        }

        private boolean good(Supply.Run run, List<Stands> points) {
            return points.stream().noneMatch(Stands::over) && rise(run.point()) <= SAME;
        }

        /** How much more stands across the filter capacitor that rises most, a share of what was drawn. */
        private double rise(OperatingPoint point) {
            return shares(point).max().orElse(1) - 1;
        }

        /** Whether a rail has fallen far below what it was. */
        private boolean starves(OperatingPoint point) {
            return shares(point).min().orElse(0) < STARVED;
        }

        private DoubleStream shares(OperatingPoint point) {
            return filter.stream()
                    .filter(part -> drawn.across(part.card()).orElse(0) > OF_THE_FILTER * highest(drawn))
                    .mapToDouble(part -> across(point, part).orElse(0)
                            / drawn.across(part.card()).orElseThrow());
        }

        private double peak(Supply.Run run) {
            return stack.stream()
                    .flatMap(card -> run.duty().rectifier(card.reference()).stream()
                            .findFirst()
                            .or(() -> run.duty().rectifier(silicon(card)))
                            .stream())
                    .mapToDouble(flow -> flow.peak())
                    .max()
                    .orElse(0);
        }

        private String rises(Supply.Run run) {
            double was = highest(drawn);
            return String.format(
                    Locale.ROOT,
                    "%s instead of %s at work, %.0f %% more.",
                    volts(highest(run)),
                    volts(was),
                    100 * (highest(run) / was - 1));
        }

        /** The resistor that brings the working volts back: it falls with the ohms, so that halving finds them. */
        private Optional<Way> series(Supply.Run alone) {
            Optional<Supply> with = silicon(1, 1);
            if (with.isEmpty() || rise(alone.point()) <= 0) {
                return Optional.empty();
            }
            double low = 1;
            double high = MOST_OHMS;
            for (int i = 0; i < HALVINGS; i++) {
                double middle = Math.sqrt(low * high);
                Optional<OperatingPoint> at = with.get().point(values -> values.with(SERIES, middle));
                if (at.isEmpty()) {
                    return Optional.empty();
                }
                if (rise(at.get()) > 0) {
                    low = middle;
                } else {
                    high = middle;
                }
            }
            double ohms = StandardSeries.E12.nearest(high);
            Optional<Supply.Run> run = with.get().atWork(values -> values.with(SERIES, ohms));
            Optional<Supply.Run> cold = with.get().beforeTheTubesDraw(values -> values.with(SERIES, ohms));
            if (run.isEmpty()
                    || cold.isEmpty()
                    || starves(run.get().point())
                    || rise(run.get().point()) > SAME) {
                return Optional.empty();
            }
            double watts = run.get().point().watts(SERIES);
            return Optional.of(way(
                    "Resistor in series",
                    Engineering.print(ohms, Unit.OHM) + ", turns " + Engineering.print(watts, Unit.WATT)
                            + " into heat: " + Engineering.print(wattsMargin * watts, Unit.WATT)
                            + " or more, wirewound, stood off",
                    run.get(),
                    cold.get(),
                    "Brings the working volts back. It does nothing until the tubes draw: the capacitors must stand the "
                            + "peak, or be replaced by ones that do."));
        }

        private static OptionalDouble across(OperatingPoint point, Part part) {
            double[] ends = new double[2];
            for (int i = 0; i < 2; i++) {
                String node = part.nodes().get(i);
                OptionalDouble volts = node.equals("0") ? OptionalDouble.of(0) : point.volts(node);
                if (volts.isEmpty()) {
                    return OptionalDouble.empty();
                }
                ends[i] = volts.getAsDouble();
            }
            return OptionalDouble.of(Math.abs(ends[0] - ends[1]));
        }

        /** The windings of a transformer that end at the stack's alternating side, by their number. */
        private Optional<List<Integer>> winding(Card card) {
            if (!card.model().equals("XFMR")) {
                return Optional.empty();
            }
            Set<String> at = new HashSet<>();
            stack.forEach(one -> at.addAll(one.nodes()));
            at.remove("0");
            at.remove(joint);
            if (at.isEmpty()) {
                at.add(joint);
            }
            List<Integer> windings = new ArrayList<>();
            for (int winding = 1; winding < card.nodes().size() / 2; winding++) {
                if (at.contains(card.nodes().get(2 * winding))
                        || at.contains(card.nodes().get(2 * winding + 1))) {
                    windings.add(winding);
                }
            }
            return windings.isEmpty() ? Optional.empty() : Optional.of(windings);
        }

        private Card fewer(Card card, double share) {
            Map<String, Double> parameters = new TreeMap<>(card.parameters());
            for (int winding : winding(card).orElseThrow()) {
                parameters.computeIfPresent("V" + winding, (key, volts) -> volts * share);
                parameters.computeIfPresent("R" + winding, (key, ohms) -> ohms * share);
            }
            return new Card(
                    card.reference(),
                    card.nodes(),
                    card.value(),
                    card.model(),
                    card.hertz(),
                    parameters,
                    card.keys(),
                    card.line());
        }

        private Optional<Way> turns(Supply.Run alone) {
            Optional<Card> transformer = set.cards().stream()
                    .filter(card -> winding(card).isPresent())
                    .findFirst();
            if (transformer.isEmpty() || rise(alone.point()) <= 0) {
                return Optional.empty();
            }
            double low = LEAST_TURNS;
            double high = 1;
            for (int i = 0; i < HALVINGS / 2; i++) {
                double middle = (low + high) / 2;
                Optional<OperatingPoint> at = silicon(0, middle).flatMap(s -> s.point(UnaryOperator.identity()));
                if (at.isEmpty()) {
                    return Optional.empty();
                }
                if (rise(at.get()) > 0) {
                    high = middle;
                } else {
                    low = middle;
                }
            }
            double share = low;
            Optional<Supply> with = silicon(0, share);
            Optional<Supply.Run> run = with.flatMap(s -> s.atWork(UnaryOperator.identity()));
            Optional<Supply.Run> cold = with.flatMap(s -> s.beforeTheTubesDraw(UnaryOperator.identity()));
            if (run.isEmpty() || cold.isEmpty() || starves(run.get().point())) {
                return Optional.empty();
            }
            int winding = winding(transformer.get()).orElseThrow().get(0);
            double had = transformer.get().parameters().getOrDefault("V" + winding, 0.0);
            return Optional.of(way(
                    "Fewer secondary turns",
                    String.format(
                            Locale.ROOT,
                            "%.0f %% of them off: %s without load instead of %s",
                            100 * (1 - share),
                            volts(share * had),
                            volts(had)),
                    run.get(),
                    cold.get(),
                    "Lowers the peak too. Only where that winding is the outermost; unwind in steps, err low, read again. "
                            + "Ten test turns tell the turns per volt."));
        }

        private Way delayed(Supply.Run alone, Supply.Run onAHighLine) {
            List<Stands> points = points(alone, onAHighLine);
            return new Way(
                    "Delayed start",
                    "high voltage switched on when the tubes are warm",
                    points,
                    peak(alone),
                    good(alone, points),
                    "Spares the capacitors the peak; at work everything stays as high as with silicon alone. One that limits the "
                            + "current for a few seconds only spares the inrush, not the peak.");
        }

        private static String volts(double volts) {
            return Engineering.print(volts, Unit.VOLT);
        }
    }
}
