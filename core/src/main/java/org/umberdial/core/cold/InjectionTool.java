package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Block;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.BenchForm.Line;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;

/** A low voltage at line frequency into the plug: proportion, every winding at full line, shorted turns. */
final class InjectionTool implements ColdTool {
    /** A half that gives less than this of the other is not fed at all: what it shows is picked up. */
    private static final double PICKED_UP = 0.3;

    /** End to end, where the circuit does not say: twice 350 V from 120 V. */
    private static final double USUAL_STEP_UP = 6;

    private static final int LEVELS = 3;
    /**
     * With one half gone the other feeds the whole load in half as many pulses: twice the mean, so four times the heat.
     */
    private static final String OPEN_HALF =
            " gives only what it picks up from the other: open, not shorted turns. Run like this, the half that is left"
                    + " carries the whole current in half as many pulses, about twice its current and four times its"
                    + " heat";

    private static final double OFF_RATIO = 0.08;
    /** RMS over direct current of one half of a centre-tapped winding into a capacitor, the middle of 1.1 to 1.3. */
    static final double HALF_RMS = 1.2;

    private record Out(String key, String name, Transformer.Use use, double volts, double ohms, double amperes) {}

    /**
     * A level fed [V].
     *
     * @throws InvalidEntry above the safe limit
     */
    static OptionalDouble safe(ColdScene scene, Figures figures, String key) {
        OptionalDouble volts = figures.number(key);
        double most = most(scene);
        if (volts.isPresent() && !(volts.getAsDouble() > 0 && volts.getAsDouble() <= most)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            volts.getAsDouble() > most
                                    ? ColdTool.text(
                                            "Feed %.3g V at most: the highest winding makes %.0f V of it, which is as"
                                                    + " much as a hand may meet. 0.5, 1 and 2 V tell all.",
                                            most, scene.policy().injectionVolts())
                                    : "Write the volts read at the plug, above 0.")
                    .at(key);
        }
        return volts;
    }

    /** The most that may be fed, so that no winding, end to end, stands above the house's limit [V]. */
    static double most(ColdScene scene) {
        double ratio = scene.power()
                .map(t -> t.of(Transformer.Use.HIGH_VOLTAGE).stream()
                                .mapToDouble(Transformer.Winding::volts)
                                .sum()
                        / t.primary().volts())
                .filter(r -> r > 0)
                .orElse(USUAL_STEP_UP);
        return scene.policy().injectionVolts() / Math.max(1, ratio);
    }

    private static List<Out> outs(ColdScene scene) {
        List<Out> outs = new ArrayList<>();
        scene.power().ifPresent(t -> {
            for (int k = 0; k < t.secondaries().size(); k++) {
                Transformer.Winding w = t.secondaries().get(k);
                outs.add(new Out(
                        "o" + k,
                        w.name(),
                        w.use(),
                        w.volts() / t.primary().volts(),
                        w.ohms(),
                        scene.windingAmperes(k + 1)
                                .orElse(
                                        w.use() == Transformer.Use.HIGH_VOLTAGE
                                                ? highAmperes(scene, t)
                                                : w.amperes())));
            }
        });
        if (outs.isEmpty()) {
            for (String name : List.of("high voltage 1", "high voltage 2", "heaters")) {
                outs.add(new Out(
                        "o" + outs.size(),
                        name,
                        name.startsWith("high") ? Transformer.Use.HIGH_VOLTAGE : Transformer.Use.HEATERS,
                        0,
                        0,
                        0));
            }
        }
        return outs;
    }

    private static double highAmperes(ColdScene scene, Transformer t) {
        int halves = t.of(Transformer.Use.HIGH_VOLTAGE).size();
        return scene.supplyAmperes().orElse(0) * (halves > 1 ? HALF_RMS : 2.2);
    }

    @Override
    public List<Block> blocks(ColdScene scene, Figures figures) {
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < LEVELS; i++) {
            List<Cell> cells = new ArrayList<>();
            cells.add(Cell.figure("in." + i, "at the plug", Unit.VOLT, ColdTool.text("%.1f V", 0.5 * (1 << i))));
            cells.add(Cell.figure("a." + i, "current", Unit.AMPERE, ""));
            for (Out out : outs(scene)) {
                cells.add(Cell.figure(out.key + "." + i, out.name, Unit.VOLT, ""));
            }
            lines.add(new Line("Level " + (i + 1), "", cells));
        }
        return List.of(
                new Block(
                        "Before",
                        "",
                        List.of(
                                new Line("Tubes and lamps are out", "", List.of(Cell.yesNo("bare", ""))),
                                new Line(
                                        "Primary, by ohms",
                                        "",
                                        List.of(Cell.figure(
                                                "rp",
                                                "",
                                                Unit.OHM,
                                                scene.power()
                                                        .map(t -> ColdTool.ohms(
                                                                t.primary().ohms()))
                                                        .orElse("")))))),
                new Block(
                        "Three levels",
                        ColdTool.text(
                                        "Any three up to %.2g V, in any order; read at the plug itself, since the generator ",
                                        most(scene))
                                + "drops under load.",
                        lines));
    }

    @Override
    public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
        List<Integer> fed = new ArrayList<>();
        for (int i = 0; i < LEVELS; i++) {
            if (safe(scene, figures, "in." + i).isPresent()) {
                fed.add(i);
            }
        }
        List<Out> outs = outs(scene);
        List<Out> read = outs.stream()
                .filter(out -> pairs(figures, out.key, fed).size() >= 2)
                .toList();
        if (fed.size() < 2 || read.isEmpty()) {
            return ColdVerdict.wants("Feed two levels at least, three to be sure, and read every winding at each.");
        }
        if (figures.no("bare")) {
            return ColdVerdict.nothing(
                    "With tubes or lamps in, heaters load the windings: current and volts say nothing of the "
                            + "transformer.",
                    "Pull them, keep a map, and read again.");
        }
        List<ColdVerdict.Result> results = new ArrayList<>();
        List<String> arithmetic = new ArrayList<>();
        List<String> faults = new ArrayList<>();
        double line = scene.lineVolts();
        for (Out out : read) {
            faults.addAll(judged(scene, figures, out, fed, line, results, arithmetic));
        }
        faults.addAll(halves(scene, figures, read, fed));
        boolean current = current(scene, figures, fed, line, results, faults);
        return say(claims, outs, read, faults, current, fed.size()).with(results, arithmetic);
    }

    private static List<Proportion.Pair> pairs(Figures figures, String key, List<Integer> fed) {
        List<Proportion.Pair> pairs = new ArrayList<>();
        for (int i : fed) {
            OptionalDouble out = figures.number(key + "." + i);
            if (out.isPresent()) {
                pairs.add(new Proportion.Pair(figures.number("in." + i).orElseThrow(), Math.abs(out.getAsDouble())));
            }
        }
        return pairs.stream().map(Proportion.Pair::fed).distinct().count() < 2 ? List.of() : pairs;
    }

    private static List<String> judged(
            ColdScene scene,
            Figures figures,
            Out out,
            List<Integer> fed,
            double line,
            List<ColdVerdict.Result> results,
            List<String> arithmetic) {
        Proportion p = Proportion.of(pairs(figures, out.key, fed));
        double open = p.slope() * line;
        List<String> faults = new ArrayList<>();
        if (!p.holds(scene.policy().proportionApart())) {
            faults.add(out.name
                    + (p.rising()
                            ? " strays " + ColdTool.text("%.1f %%", 100 * p.residual()) + " from proportion"
                                    + (Math.abs(p.intercept()) > scene.policy().proportionApart()
                                            ? ": something is picked up without being fed"
                                            : "")
                            : " does not rise with what is fed"));
        }
        if (out.volts > 0 && Math.abs(p.slope() / out.volts - 1) > OFF_RATIO) {
            faults.add(
                    ColdTool.text("%s gives %.3f V a volt where the circuit has %.3f", out.name, p.slope(), out.volts));
        }
        double primaryOhms = figures.ohms("rp")
                .orElseGet(() -> scene.power().map(t -> t.primary().ohms()).orElse(0.0));
        double loaded = open - out.amperes * (out.ohms + p.slope() * p.slope() * primaryOhms);
        String note = ColdTool.text("slope %.4f", p.slope())
                + (out.amperes > 0
                        ? ", under its " + ColdTool.amperes(out.amperes) + " about " + ColdTool.volts(loaded)
                        : "");
        results.add(new ColdVerdict.Result(
                out.name + ColdTool.text(" at %.0f V line", line),
                ColdTool.volts(open),
                note,
                faults.isEmpty() ? Verdict.GOOD : Verdict.DOUBT));
        arithmetic.add(ColdTool.text(
                "%s: slope through zero %.4f, largest residual %.2f %%, intercept %.2f %%; x %.0f V = %.1f V",
                out.name, p.slope(), 100 * p.residual(), 100 * p.intercept(), line, open));
        return faults;
    }

    private static List<String> halves(ColdScene scene, Figures figures, List<Out> read, List<Integer> fed) {
        List<Out> high = read.stream()
                .filter(out -> out.use == Transformer.Use.HIGH_VOLTAGE)
                .toList();
        if (high.size() == 2) {
            double apart = Windings.unlikeness(
                    Proportion.of(pairs(figures, high.get(0).key, fed)).slope(),
                    Proportion.of(pairs(figures, high.get(1).key, fed)).slope());
            double first = Proportion.of(pairs(figures, high.get(0).key, fed)).slope();
            double second = Proportion.of(pairs(figures, high.get(1).key, fed)).slope();
            if (Math.min(first, second) < PICKED_UP * Math.max(first, second)) {
                Out dead = first < second ? high.get(0) : high.get(1);
                return List.of(dead.name + OPEN_HALF);
            }
            if (apart > scene.policy().proportionApart()) {
                return List.of(
                        ColdTool.text("the halves differ by %.1f %%: shorted turns in the lower one", 100 * apart));
            }
        }
        return List.of();
    }

    /** Judges the primary's current; false when it was not read. */
    private static boolean current(
            ColdScene scene,
            Figures figures,
            List<Integer> fed,
            double line,
            List<ColdVerdict.Result> results,
            List<String> faults) {
        double siemens = 0;
        int count = 0;
        for (int i : fed) {
            OptionalDouble amperes = figures.number("a." + i);
            if (amperes.isPresent()) {
                siemens += Math.abs(amperes.getAsDouble())
                        / figures.number("in." + i).orElseThrow();
                count++;
            }
        }
        if (count == 0 || siemens == 0) {
            return false;
        }
        double impedance = count / siemens;
        double rated = scene.label().watts().orElse(50) / line;
        double primaryOhms = figures.ohms("rp")
                .orElseGet(() -> scene.power().map(t -> t.primary().ohms()).orElse(0.0));
        double atLine = line / impedance;
        boolean shorted = impedance < 5 * primaryOhms || atLine > 2 * rated;
        boolean doubtful = atLine > rated;
        results.add(new ColdVerdict.Result(
                "Primary",
                ColdTool.ohms(impedance),
                ColdTool.text(
                        "at this level; in proportion %s at the line, and it works on %s",
                        ColdTool.amperes(atLine), ColdTool.amperes(rated)),
                shorted ? Verdict.BAD : doubtful ? Verdict.DOUBT : Verdict.GOOD));
        if (shorted) {
            faults.add("the primary draws like a loaded one: shorted turns");
        } else if (doubtful) {
            faults.add("the primary draws more than an idle one should; iron is poor at so low a level, so feed "
                    + "more before you condemn it");
        }
        return true;
    }

    private static ColdVerdict say(
            List<Claim> claims, List<Out> outs, List<Out> read, List<String> faults, boolean current, int levels) {
        if (!faults.isEmpty()) {
            String all = String.join("; ", faults);
            List<Claim> doubted = claims.stream()
                    .filter(c -> c.aspect() == Aspect.RATIOS || c.aspect().turns())
                    .toList();
            if (all.contains(OPEN_HALF)) {
                return ColdVerdict.bad(
                        capital(all) + ".",
                        claims.stream()
                                .filter(c -> c.aspect() == Aspect.HIGH_VOLTAGE_CONTINUITY)
                                .toList(),
                        "Read that half by ohms; examine its lead-outs before a replacement is sought.");
            }
            return all.contains("draws like")
                    ? ColdVerdict.bad(
                            capital(all) + ".",
                            ColdTool.aspects(claims, "shorted"),
                            "Lift every secondary and feed it again: if it stays, the transformer is lost.")
                    : ColdVerdict.doubt(
                            capital(all) + ".",
                            doubted,
                            "Read that winding again with short leads twisted together, and a known-good "
                                    + "transformer the same way.");
        }
        List<Claim> proves = new ArrayList<>(claims);
        if (!current) {
            proves.removeIf(c -> c.aspect().turns());
        }
        if (read.size() < outs.size() || levels < LEVELS) {
            proves.removeIf(c -> c.aspect() == Aspect.RATIOS);
        }
        String left = !current
                ? " Read the current too: without it shorted turns are not excluded."
                : read.size() < outs.size()
                        ? " Not every winding was read."
                        : levels < LEVELS ? " A third level would tell proportion from pick-up." : "";
        return ColdVerdict.good("Every winding read follows in proportion." + left, proves);
    }

    private static String capital(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    @Override
    public List<String> cautions(ColdScene scene) {
        return List.of("backfeed");
    }
}
