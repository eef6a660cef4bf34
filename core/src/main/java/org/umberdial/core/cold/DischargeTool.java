package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.List;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Block;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.BenchForm.Line;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.set.Part;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;

/** Which capacitors to bleed, for how long and through how many watts; and whether the volts are gone. */
final class DischargeTool implements ColdTool {
    /** Above this peak [W] a wire-wound 5 W resistor is no longer sure to stand it, and the clip sparks. */
    private static final double SPARK = 50;

    @Override
    public List<Block> blocks(ColdScene scene, Figures figures) {
        double bleeder = bleeder(scene, figures);
        List<Line> lines = new ArrayList<>();
        for (Charge.Holder h : Charge.holders(scene)) {
            String said = ColdTool.text(
                    "%s at %s%s, %.2f J: %.1f s through %s",
                    Engineering.print(h.farads(), Unit.FARAD),
                    ColdTool.volts(h.volts().orElse(0)),
                    h.working() ? "" : " (its rating)",
                    h.joules(),
                    h.seconds(bleeder, scene.policy().safeVolts()),
                    ColdTool.ohms(bleeder));
            if (h.volts().isEmpty()) {
                said = "nobody knows its volts: leave the resistor on until the meter has stopped falling";
            }
            lines.add(new Line(
                    label(h), h.reference(), List.of(Cell.figure("v." + h.reference(), "left", Unit.VOLT, said))));
        }
        if (lines.isEmpty()) {
            lines.add(new Line(
                    "Highest volts found across any large capacitor",
                    "",
                    List.of(Cell.figure("v.any", "left", Unit.VOLT, "0 V"))));
        }
        return List.of(
                new Block(
                        "Bleed through",
                        "Not a bare short: that spits metal and harms the part.",
                        List.of(new Line(
                                "Resistor",
                                "",
                                List.of(Cell.figure(
                                                "bleed",
                                                "",
                                                Unit.OHM,
                                                ColdTool.ohms(scene.policy().bleedOhms()))
                                        .asAside())))),
                new Block("Then prove it", "Volts still across each, after the time stated.", lines));
    }

    private static String label(Charge.Holder h) {
        return h.reference() + (h.name().isEmpty() ? "" : ", " + h.name());
    }

    /** What each was read at, beside its row. */
    private static List<ColdVerdict.Result> left(ColdScene scene, Figures figures) {
        List<ColdVerdict.Result> left = new ArrayList<>();
        for (Charge.Holder h : Charge.holders(scene)) {
            figures.number("v." + h.reference()).ifPresent(volts -> {
                boolean gone = Math.abs(volts) <= scene.policy().safeVolts();
                left.add(new ColdVerdict.Result(
                        label(h),
                        ColdTool.volts(volts),
                        gone ? "gone" : "still charged: bleed it again",
                        gone ? Verdict.GOOD : Verdict.BAD));
            });
        }
        return left;
    }

    private static double bleeder(ColdScene scene, Figures figures) {
        double ohms = figures.ohms("bleed").orElse(scene.policy().bleedOhms());
        if (!(ohms >= 100 && ohms <= 1e6)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "A bleed resistor has 100 Ω to 1 MΩ: less is nearly a short, more takes minutes.")
                    .at("bleed");
        }
        return ohms;
    }

    @Override
    public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
        double bleeder = bleeder(scene, figures);
        List<Charge.Holder> holders = Charge.holders(scene);
        double watts = holders.stream().mapToDouble(h -> h.watts(bleeder)).max().orElse(0);
        double seconds = holders.stream()
                .mapToDouble(h -> h.seconds(bleeder, scene.policy().safeVolts()))
                .max()
                .orElse(0);
        List<ColdVerdict.Result> results = new ArrayList<>(left(scene, figures));
        if (!holders.isEmpty()) {
            boolean spark = watts > SPARK;
            results.add(new ColdVerdict.Result(
                    "Leave it on each for",
                    seconds < 0.05 ? "an instant" : ColdTool.text("%.1f s", seconds),
                    ColdTool.text("until it is at %.0f V", scene.policy().safeVolts()),
                    Verdict.NO_EXPECTATION));
            results.add(new ColdVerdict.Result(
                    "Peak in the resistor",
                    ColdTool.text("%.1f W", watts),
                    spark ? "it sparks at the clip: take more ohms" : "for an instant; a 5 W part takes it",
                    spark ? Verdict.DOUBT : Verdict.NO_EXPECTATION));
        }
        List<String> arithmetic = holders.stream()
                .filter(h -> h.volts().isPresent())
                .map(h -> ColdTool.text(
                        "%s: %s x %s x ln(%.0f / %.0f) = %.2f s; %.0f² / %s = %.1f W",
                        h.reference(),
                        ColdTool.ohms(bleeder),
                        Engineering.print(h.farads(), Unit.FARAD),
                        h.volts().getAsDouble(),
                        scene.policy().safeVolts(),
                        h.seconds(bleeder, scene.policy().safeVolts()),
                        h.volts().getAsDouble(),
                        ColdTool.ohms(bleeder),
                        h.watts(bleeder)))
                .toList();
        return say(scene, figures).with(results, arithmetic);
    }

    private static ColdVerdict say(ColdScene scene, Figures figures) {
        double safe = scene.policy().safeVolts();
        List<String> keys = Charge.required(scene);
        for (String key : keys) {
            double volts = Math.abs(figures.number(key).orElse(0));
            if (volts > safe) {
                String reference = key.substring(2);
                boolean swollen = scene.set()
                        .part(reference)
                        .flatMap(Part::ratingVolts)
                        .filter(rating -> volts > 1.5 * rating)
                        .isPresent();
                return new ColdVerdict(
                        Verdict.BAD,
                        reference + " still holds " + ColdTool.volts(volts)
                                + ColdTool.text(", above the safe %.0f V", safe)
                                + (swollen ? ", which is far over its rating: check the meter's range." : "."),
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(),
                        "Bleed it again, longer, then read it again; no ohms count until then.");
            }
        }
        List<String> missing = keys.stream()
                .filter(key -> !figures.has(key))
                .map(key -> key.substring(2))
                .toList();
        if (!missing.isEmpty()) {
            return ColdVerdict.wants(
                    missing.size() == keys.size()
                            ? "Bleed each, then read the volts left across it."
                            : "Still to be read: " + String.join(", ", missing) + ".");
        }
        return ColdVerdict.good(
                ColdTool.text("Every section is at or below %.0f V", safe)
                        + ". Large ones regain some by themselves: leave the bleeder clipped on, and read "
                        + "again after a break.",
                List.of());
    }

    @Override
    public List<String> cautions(ColdScene scene) {
        return List.of("stored_charge", "discharge_method", "charge_returns");
    }
}
