package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm;
import org.umberdial.core.procedure.BenchForm.Block;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.BenchForm.Line;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;

/** Voltage selector with lost markings. */
final class TapsTool implements ColdTool {
    private static final int MOST = 12;

    @Override
    public List<Block> blocks(ColdScene scene, Figures figures) {
        List<Block> blocks = new ArrayList<>();
        String volts =
                scene.label().taps().stream().map(v -> ColdTool.text("%.0f", v)).collect(Collectors.joining(" "));
        blocks.add(new Block(
                "Names",
                "",
                List.of(
                        new Line("Leads, separated by spaces", "", List.of(Cell.words("leads", ""))),
                        new Line(
                                "Volts on the label",
                                "",
                                List.of(new Cell(
                                        "labels",
                                        "",
                                        BenchForm.Kind.WORDS,
                                        Unit.VOLT,
                                        List.of(),
                                        volts.isEmpty() ? "110 125 220 240" : volts))),
                        new Line("Meter resolution", "", List.of(Cell.figure("digit", "", Unit.OHM, "0.1 Ω"))))));
        List<String> leads = leads(figures);
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < leads.size(); i++) {
            List<Cell> cells = new ArrayList<>();
            for (int j = i + 1; j < leads.size(); j++) {
                cells.add(Cell.figure(key(leads.get(i), leads.get(j)), leads.get(j), Unit.OHM, ""));
            }
            if (!cells.isEmpty()) {
                lines.add(new Line(leads.get(i) + " to", "", cells));
            }
        }
        if (!lines.isEmpty()) {
            blocks.add(new Block(
                    "Ohms",
                    "From one lead to every other, then from the one farthest away back to the others. Write open where "
                            + "nothing connects.",
                    lines));
        }
        return blocks;
    }

    private static String key(String a, String b) {
        return "p." + a + "." + b;
    }

    private static List<String> leads(Figures figures) {
        Set<String> leads =
                new LinkedHashSet<>(Arrays.stream(figures.text("leads").strip().split("[\\s,;]+"))
                        .filter(w -> !w.isEmpty())
                        .map(w -> w.replace('.', '-'))
                        .toList());
        if (leads.size() > MOST) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "At most " + MOST + " leads belong to one selector; take the others as another winding.")
                    .at("leads");
        }
        return List.copyOf(leads);
    }

    private static List<Double> labels(ColdScene scene, Figures figures) {
        if (!figures.has("labels")) {
            return scene.label().taps();
        }
        try {
            return Arrays.stream(figures.text("labels").strip().split("[\\s,;/]+"))
                    .map(w -> w.replaceAll("(?i)v$", ""))
                    .map(Double::valueOf)
                    .toList();
        } catch (NumberFormatException notVolts) {
            throw new InvalidEntry(
                            InvalidEntry.Code.NOT_A_NUMBER,
                            "The label's volts are numbers separated by spaces, as 110 125 220 240.")
                    .at("labels");
        }
    }

    @Override
    public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
        List<String> leads = leads(figures);
        if (leads.size() < 2) {
            return ColdVerdict.wants("Name the leads as you find them: by colour, or by their tags.");
        }
        List<Taps.Between> readings = new ArrayList<>();
        for (String a : leads) {
            for (String b : leads) {
                figures.ohms(key(a, b)).ifPresent(ohms -> readings.add(new Taps.Between(a, b, ohms)));
            }
        }
        if (readings.isEmpty()) {
            return ColdVerdict.wants("Read ohms from one lead to each other.");
        }
        Taps taps = Taps.solve(
                leads, readings, labels(scene, figures), figures.ohms("digit").orElse(0.1));
        return say(taps, claims, labels(scene, figures));
    }

    private static ColdVerdict say(Taps taps, List<Claim> claims, List<Double> labels) {
        List<ColdVerdict.Result> results = new ArrayList<>();
        taps.common()
                .ifPresent(common -> results.add(new ColdVerdict.Result(
                        common,
                        "common",
                        taps.confidence().isPresent()
                                ? "confidence "
                                        + ColdTool.percent(taps.confidence().getAsDouble())
                                : "",
                        Verdict.GOOD,
                        OptionalDouble.of(0))));
        for (Taps.Tap tap : taps.taps()) {
            String label = tap.label().isPresent()
                    ? ColdTool.text("%.0f V", tap.label().getAsDouble())
                    : "no label left";
            String note = ColdTool.ohms(tap.ohms())
                    + (tap.label().isPresent()
                            ? ColdTool.text(
                                    ", %.3f Ω per volt",
                                    tap.ohms() / tap.label().getAsDouble())
                            : "")
                    + (tap.tooClose()
                            ? "; too close to its neighbour to tell"
                            : tap.even() ? "" : "; does not grow with its volts");
            results.add(new ColdVerdict.Result(
                    tap.lead(),
                    label,
                    note,
                    tap.tooClose() || !tap.even() || taps.common().isEmpty() ? Verdict.DOUBT : Verdict.GOOD,
                    OptionalDouble.of(tap.ohms())));
        }
        taps.apart()
                .forEach(lead -> results.add(new ColdVerdict.Result(
                        lead, "apart", "connects to none of the others", Verdict.NO_EXPECTATION)));
        boolean close = taps.taps().stream().anyMatch(Taps.Tap::tooClose);
        boolean uneven = taps.taps().stream().anyMatch(tap -> !tap.even());
        ColdVerdict verdict;
        if (taps.common().isEmpty()) {
            verdict = taps.taps().isEmpty()
                    ? ColdVerdict.nothing(taps.problem(), "")
                    : ColdVerdict.nothing("Cannot tell. " + taps.problem(), "When unsure, start on the highest tap.");
        } else if (close || uneven || taps.taps().size() != labels.size()) {
            String why = taps.taps().size() != labels.size()
                    ? taps.taps().size() + " taps, but " + labels.size() + " volts on the label"
                    : close ? "two taps are too close to call" : "ohms do not grow evenly with the volts";
            verdict = ColdVerdict.nothing(
                    "The common is " + taps.common().get() + ", but " + why + ".",
                    "Tell them by low AC injection: volts are exact where ohms are not.");
        } else {
            verdict = ColdVerdict.good(
                    "The common is " + taps.common().get() + "; ohms grow with the label's volts.", claims);
        }
        return verdict.with(results, List.of());
    }

    @Override
    public List<String> cautions(ColdScene scene) {
        return List.of("voltage_selector");
    }
}
