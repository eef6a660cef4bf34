package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeType;

/**
 * What a power transformer for this line-up must give.
 *
 * @param heaters by voltage, the rectifier's apart
 * @param supplyAmperes plates and screens together, the rectifier's own not added [A DC]
 * @param byEngine whether that is from the circuit at work; else from the tubes' published points
 * @param highVolts AC volts of each half, or of the whole without a centre tap, under load [V]; empty when no circuit
 *     says
 * @param halves 1 or 2
 * @param highRms RMS current of each half, or of the whole [A]: by the circuit at work, else by rule
 * @param loadVa of all windings together [VA]
 * @param wantedVa with the house's headroom [VA]
 * @param wantedAmperes B+ with the house's headroom [A DC]
 * @param arithmetic one line a step
 */
public record TransformerSize(
        List<Heaters> heaters,
        double supplyAmperes,
        boolean byEngine,
        OptionalDouble highVolts,
        int halves,
        double highRms,
        double loadVa,
        double wantedVa,
        double wantedAmperes,
        List<String> arithmetic) {
    /** RMS over direct current of a winding into a capacitor: each half of a centre tap, a bridge or half-wave. */
    private static final double HALF_WAVE = 2.3;

    private static final double BRIDGE = 1.7;
    private static final double VOLTS_ALIKE = 0.07;

    /** @param volts of the heaters [V], @param amperes of all of them [A] */
    public record Heaters(double volts, double amperes, boolean rectifier, List<String> tubes) {}

    /** A transformer on offer. */
    public enum CentreTap {
        NONE,
        FREE,
        /** Joined to the core or the shield inside: it must be freed for back bias or a bridge. */
        GROUNDED
    }

    /**
     * What is known of a candidate; 0 where it has none.
     *
     * @param highVolts AC volts of each half under its rated load, of the whole without a centre tap
     * @param amperes rated direct current of the high voltage
     */
    public record Candidate(
            String name,
            double va,
            double highVolts,
            double amperes,
            CentreTap centreTap,
            double heaterVolts,
            double heaterAmperes,
            double rectifierVolts,
            double rectifierAmperes,
            boolean fits) {}

    /** @param bplus supply the engine finds with it [V]; empty without a solution */
    public record Compared(
            Candidate candidate,
            Verdict word,
            String sentence,
            OptionalDouble bplus,
            OptionalDouble bplusNow,
            List<ColdVerdict.Result> results) {}

    /** @return empty for a set whose heaters are in series on the line, or without heaters: no transformer feeds it */
    public static Optional<TransformerSize> of(ColdScene scene) {
        return scene.set().construction() == ConstructionClass.SERIES_STRING
                        || heaters(scene.set()).isEmpty()
                ? Optional.empty()
                : Optional.of(sized(scene));
    }

    private static TransformerSize sized(ColdScene scene) {
        List<Heaters> heaters = heaters(scene.set());
        OptionalDouble engine = scene.supplyAmperes();
        double dc = engine.orElseGet(() -> published(scene.set()));
        List<Transformer.Winding> high =
                scene.power().map(t -> t.of(Transformer.Use.HIGH_VOLTAGE)).orElse(List.of());
        OptionalDouble rms = high.isEmpty()
                ? OptionalDouble.empty()
                : scene.windingAmperes(scene.power().orElseThrow().windings().indexOf(high.get(0)));
        double rule = high.size() > 1 ? InjectionTool.HALF_RMS : high.isEmpty() ? BRIDGE : HALF_WAVE;
        double factor = rms.isPresent() && dc > 0 ? rms.getAsDouble() / dc : rule;
        int halves = Math.max(1, high.size());
        OptionalDouble volts =
                high.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(loaded(scene, high.get(0), factor * dc));
        List<String> arithmetic = new ArrayList<>();
        double heaterVa = 0;
        for (Heaters h : heaters) {
            heaterVa += h.volts * h.amperes;
            arithmetic.add(ColdTool.text(
                    "%s%s: %.1f V x %.2f A = %.1f VA",
                    h.rectifier ? "rectifier " : "",
                    String.join(", ", h.tubes),
                    h.volts,
                    h.amperes,
                    h.volts * h.amperes));
        }
        double highVa = volts.orElse(0) * factor * dc * halves;
        arithmetic.add(ColdTool.text(
                "B+ %s %s; RMS %.2f x that in %s = %s, %s",
                ColdTool.amperes(dc),
                engine.isPresent() ? "at the real voltages" : "by published points",
                factor,
                halves > 1 ? "each half" : "the winding",
                ColdTool.amperes(factor * dc),
                rms.isPresent() ? "by the circuit at work" : "by the rule"));
        arithmetic.add(ColdTool.text(
                "high voltage %d x %.0f V x %s = %.1f VA",
                halves, volts.orElse(0), ColdTool.amperes(factor * dc), highVa));
        double headroom = scene.policy().vaHeadroom();
        arithmetic.add(ColdTool.text(
                "together %.1f VA, times the house's headroom %.2f = %.1f VA",
                heaterVa + highVa, headroom, (heaterVa + highVa) * headroom));
        return new TransformerSize(
                heaters,
                dc,
                engine.isPresent(),
                volts,
                halves,
                factor * dc,
                heaterVa + highVa,
                (heaterVa + highVa) * headroom,
                dc * headroom,
                List.copyOf(arithmetic));
    }

    private static double loaded(ColdScene scene, Transformer.Winding winding, double rms) {
        Transformer.Winding primary = scene.power().orElseThrow().primary();
        double ratio = winding.volts() / primary.volts();
        return winding.volts() - rms * (winding.ohms() + ratio * ratio * primary.ohms());
    }

    /** Heater currents by voltage; lamps count with the heaters of their voltage. */
    private static List<Heaters> heaters(BenchSet set) {
        Map<Boolean, TreeMap<Double, Map<String, Double>>> groups =
                Map.of(false, new TreeMap<>(), true, new TreeMap<>());
        for (Part part : set.parts()) {
            Card card = part.card();
            if (card.kind().equals("heater")) {
                Optional<TubeType> type = set.tubeType(part);
                HeaterOhms.draw(set, part).ifPresent(draw -> {
                    boolean apart = type.orElseThrow().isRectifier() && !sharesWinding(set, part);
                    group(groups.get(apart), draw.volts())
                            .merge(
                                    part.reference().replaceAll("(?i)^X|H$", "") + " "
                                            + type.get().name(),
                                    draw.amperes(),
                                    Double::sum);
                });
            } else if (card.kind().equals("lamp")) {
                group(groups.get(false), card.parameters().getOrDefault("V", 6.3))
                        .merge(
                                part.reference().replaceFirst("(?i)^X", "") + " lamp",
                                card.parameters().getOrDefault("A", 0.15),
                                Double::sum);
            }
        }
        List<Heaters> heaters = new ArrayList<>();
        groups.forEach((rectifier, byVolts) -> byVolts.forEach((volts, tubes) -> heaters.add(new Heaters(
                volts, tubes.values().stream().mapToDouble(a -> a).sum(), rectifier, List.copyOf(tubes.keySet())))));
        heaters.sort((a, b) -> Boolean.compare(a.rectifier, b.rectifier));
        return List.copyOf(heaters);
    }

    /**
     * Whether a rectifier's heater hangs on the same winding as other heaters, so that no winding of its own is wanted.
     */
    private static boolean sharesWinding(BenchSet set, Part heater) {
        return set.parts().stream()
                .anyMatch(p -> p != heater
                        && p.card().kind().equals("heater")
                        && p.nodes().containsAll(heater.nodes()));
    }

    private static Map<String, Double> group(TreeMap<Double, Map<String, Double>> groups, double volts) {
        Double near = groups.keySet().stream()
                .filter(v -> Math.abs(v / volts - 1) < VOLTS_ALIKE)
                .findFirst()
                .orElse(volts);
        return groups.computeIfAbsent(near, v -> new LinkedHashMap<>());
    }

    private static double published(BenchSet set) {
        double sum = 0;
        for (Part part : set.parts()) {
            if (part.card().kind().equals("tube") && !set.isRectifier(part)) {
                sum += set.tubes()
                        .data()
                        .section(part.card().model(), part.nodes().size())
                        .flatMap(section ->
                                set.tubes().data().mainPoint(part.card().model(), section))
                        .map(p -> p.plateAmperes().orElse(0) + p.screenAmperes().orElse(0))
                        .orElse(0.0);
            }
        }
        return sum;
    }

    /** A candidate against this size, with the supply the engine finds with it. */
    public Compared compare(ColdScene scene, Candidate candidate) {
        List<ColdVerdict.Result> results = new ArrayList<>();
        results.add(rating("Power", candidate.va, wantedVa, loadVa, "VA"));
        results.add(rating("B+ current", 1e3 * candidate.amperes, 1e3 * wantedAmperes, 1e3 * supplyAmperes, "mA"));
        for (Heaters h : heaters) {
            results.add(heater(h, candidate));
        }
        boolean tapWanted = halves == 2;
        if (tapWanted) {
            boolean back = scene.power()
                    .map(t -> t.of(Transformer.Use.HIGH_VOLTAGE))
                    .filter(w -> w.stream().noneMatch(x -> x.from().equals("0") || x.to().equals("0")))
                    .isPresent();
            String note = candidate.centreTap == CentreTap.NONE
                    ? "none: it needs a bridge of silicon, and the rectifier tube stays for looks"
                    : candidate.centreTap == CentreTap.GROUNDED && back
                            ? "grounded inside, but this set takes its bias from it: free it"
                            : candidate.centreTap == CentreTap.GROUNDED
                                    ? "grounded inside, as this set has it"
                                    : "free";
            results.add(new ColdVerdict.Result(
                    "Centre tap",
                    candidate.centreTap == CentreTap.NONE
                            ? "none"
                            : candidate.centreTap == CentreTap.FREE ? "free" : "grounded",
                    note,
                    candidate.centreTap == CentreTap.NONE || candidate.centreTap == CentreTap.GROUNDED && back
                            ? Verdict.DOUBT
                            : Verdict.GOOD));
        }
        results.add(new ColdVerdict.Result(
                "Place",
                candidate.fits ? "fits" : "does not fit",
                candidate.fits ? "" : "mounting or height; a smaller one runs hot, a bracket is better",
                candidate.fits ? Verdict.GOOD : Verdict.DOUBT));
        OptionalDouble now = supply(scene, scene.set());
        OptionalDouble with = now.isPresent() && highVolts.isPresent() && candidate.highVolts > 0
                ? supply(scene, fitted(scene, candidate))
                : OptionalDouble.empty();
        double high = with.isPresent()
                ? with.getAsDouble() / now.getAsDouble() - 1
                : highVolts.isPresent() ? candidate.highVolts / highVolts.getAsDouble() - 1 : 0;
        String volts = Math.abs(high) < 0.05
                ? "as it was"
                : ColdTool.percent(Math.abs(high))
                        + (high > 0
                                ? " high: put a resistor in the B+ feed or take turns off"
                                : " low: the set will be weaker, but safe");
        results.add(new ColdVerdict.Result(
                "B+",
                with.isPresent() ? ColdTool.volts(with.getAsDouble()) : "not reckoned",
                volts + (now.isPresent() ? "; now " + ColdTool.volts(now.getAsDouble()) : ""),
                high > 0.15 ? Verdict.BAD : Math.abs(high) > 0.05 ? Verdict.DOUBT : Verdict.GOOD));
        return new Compared(candidate, worst(results), say(candidate, results, high), with, now, List.copyOf(results));
    }

    private static ColdVerdict.Result rating(String label, double has, double wants, double load, String unit) {
        Verdict word = has >= wants ? Verdict.GOOD : has >= load ? Verdict.DOUBT : Verdict.BAD;
        return new ColdVerdict.Result(
                label,
                ColdTool.text("%.0f %s", has, unit),
                word == Verdict.GOOD
                        ? ColdTool.text("over the wanted %.0f", wants)
                        : word == Verdict.DOUBT
                                ? ColdTool.text("carries the %.0f, but without the headroom to %.0f", load, wants)
                                : ColdTool.text("the set takes %.0f: runs hot", load),
                word);
    }

    private static ColdVerdict.Result heater(Heaters h, Candidate c) {
        double volts = h.rectifier ? c.rectifierVolts : c.heaterVolts;
        double amperes = h.rectifier ? c.rectifierAmperes : c.heaterAmperes;
        String label = h.rectifier ? "Rectifier's heater" : ColdTool.text("Heaters, %.1f V", h.volts);
        if (volts <= 0) {
            return new ColdVerdict.Result(
                    label,
                    "none",
                    h.rectifier
                            ? "silicon instead of the tube, or a small transformer for it"
                            : "these tubes stay dark",
                    h.rectifier ? Verdict.DOUBT : Verdict.BAD);
        }
        boolean fits = Math.abs(volts / h.volts - 1) <= VOLTS_ALIKE;
        boolean carries = amperes >= h.amperes;
        return new ColdVerdict.Result(
                label,
                ColdTool.text("%.1f V, %.2f A", volts, amperes),
                !fits
                        ? ColdTool.text("wanted %.1f V", h.volts)
                        : carries
                                ? ColdTool.text("they take %.2f A", h.amperes)
                                : ColdTool.text("they take %.2f A: runs hot", h.amperes),
                !fits ? Verdict.BAD : carries ? Verdict.GOOD : Verdict.BAD);
    }

    private static Verdict worst(List<ColdVerdict.Result> results) {
        return results.stream()
                .map(ColdVerdict.Result::word)
                .reduce(
                        Verdict.GOOD,
                        (a, b) -> a == Verdict.BAD || b == Verdict.BAD
                                ? Verdict.BAD
                                : a == Verdict.DOUBT || b == Verdict.DOUBT ? Verdict.DOUBT : Verdict.GOOD);
    }

    private static String say(Candidate candidate, List<ColdVerdict.Result> results, double high) {
        String hot = results.stream()
                .filter(r -> r.note().endsWith("runs hot"))
                .map(r -> r.label().toLowerCase(java.util.Locale.ROOT))
                .collect(Collectors.joining(", "));
        Verdict worst = worst(results);
        if (!hot.isEmpty()) {
            return candidate.name + " runs hot: " + hot + ".";
        }
        if (high > 0.05) {
            return candidate.name + ": volts high by " + ColdTool.percent(high)
                    + (worst == Verdict.BAD ? "; not without a remedy." : ".");
        }
        return switch (worst) {
            case GOOD -> candidate.name + " fits.";
            case DOUBT ->
                candidate.name + " can serve, with: "
                        + results.stream()
                                .filter(r -> r.word() == Verdict.DOUBT)
                                .map(r -> r.label().toLowerCase(java.util.Locale.ROOT))
                                .collect(Collectors.joining(", "))
                        + ".";
            default ->
                candidate.name + " does not serve: "
                        + results.stream()
                                .filter(r -> r.word() == Verdict.BAD)
                                .map(r -> r.label().toLowerCase(java.util.Locale.ROOT))
                                .collect(Collectors.joining(", "))
                        + ".";
        };
    }

    private static OptionalDouble supply(ColdScene scene, BenchSet set) {
        Optional<OperatingPoint> point = set == scene.set() ? scene.atWork() : scene.atWork(set);
        return point.flatMap(p -> p.supplyNode().map(p::volts)).orElse(OptionalDouble.empty());
    }

    /**
     * The set with the candidate's high voltage; its resistances are taken as those of a winding of that many turns.
     */
    private BenchSet fitted(ColdScene scene, Candidate candidate) {
        Part old = scene.power().orElseThrow().part();
        double factor = candidate.highVolts / highVolts.getAsDouble();
        Map<String, Double> parameters = new LinkedHashMap<>(old.card().parameters());
        List<Transformer.Winding> windings = scene.power().orElseThrow().windings();
        for (int k = 1; k < windings.size(); k++) {
            if (windings.get(k).use() == Transformer.Use.HIGH_VOLTAGE) {
                parameters.put("V" + k, windings.get(k).volts() * factor);
                parameters.put("R" + k, windings.get(k).ohms() * factor);
            }
        }
        Part changed = new Part(old.card().withParameters(parameters), old.values());
        BenchSet s = scene.set();
        return new BenchSet(
                s.construction(),
                s.parts().stream().map(p -> p == old ? changed : p).toList(),
                s.sockets(),
                s.testPoints(),
                s.sheet(),
                s.modes(),
                s.models(),
                s.unread(),
                s.tubes());
    }

    /** @param ohms load resistor [Ω], @param watts it turns into heat [W] */
    public record Load(String winding, double volts, double amperes, double ohms, double watts) {}

    /** Resistors that load each winding as the set would, for a test on the bench. */
    public List<Load> loads() {
        List<Load> loads = new ArrayList<>();
        heaters.forEach(h -> loads.add(new Load(
                h.rectifier ? "Rectifier's heater" : ColdTool.text("Heaters, %.1f V", h.volts),
                h.volts,
                h.amperes,
                h.volts / h.amperes,
                h.volts * h.amperes)));
        highVolts.ifPresent(v -> {
            for (int i = 0; i < halves && highRms > 0; i++) {
                loads.add(new Load(
                        halves > 1 ? "High voltage, half " + (i + 1) : "High voltage",
                        v,
                        highRms,
                        v / highRms,
                        v * highRms));
            }
        });
        return List.copyOf(loads);
    }
}
