package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Block;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.BenchForm.Choice;
import org.umberdial.core.procedure.BenchForm.Line;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.value.Unit;

/** Output transformer, speaker and field coil. */
final class SoundTools {
    /**
     * Loads the usual output tubes want [Ω], class A at their usual plate volts. Source: general tube handbooks; see
     * docs/sources.md S24.
     */
    private static final Map<String, Double> WANTED = Map.ofEntries(
            Map.entry("EL84", 5200.0),
            Map.entry("6BQ5", 5200.0),
            Map.entry("50C5", 2500.0),
            Map.entry("35L6GT", 2500.0),
            Map.entry("50L6GT", 2000.0),
            Map.entry("35C5", 2500.0),
            Map.entry("6V6GT", 5000.0),
            Map.entry("6AQ5", 5000.0),
            Map.entry("42", 7000.0),
            Map.entry("6F6", 7000.0),
            Map.entry("41", 7600.0),
            Map.entry("6K6GT", 7600.0),
            Map.entry("EL41", 7000.0),
            Map.entry("ECL82", 5600.0),
            Map.entry("ECL86", 7000.0),
            Map.entry("UL84", 2400.0),
            Map.entry("UL41", 3000.0),
            Map.entry("EL34", 3500.0),
            Map.entry("6L6", 2500.0),
            Map.entry("47", 7000.0),
            Map.entry("45", 3900.0),
            Map.entry("2A3", 2500.0),
            Map.entry("3V4", 10000.0),
            Map.entry("3S4", 5000.0),
            Map.entry("DL92", 5000.0),
            Map.entry("DL94", 8000.0));

    private SoundTools() {}

    /** Load the output tube wants [Ω]; empty when its type is not in the list. */
    static OptionalDouble wantedLoad(ColdScene scene) {
        return outputTube(scene)
                .map(type -> WANTED.get(type))
                .map(OptionalDouble::of)
                .orElse(OptionalDouble.empty());
    }

    static Optional<String> outputTube(ColdScene scene) {
        List<String> nodes = scene.output().map(t -> t.part().nodes()).orElse(List.of());
        return scene.set().parts().stream()
                .filter(p -> p.card().kind().equals("tube")
                        && nodes.contains(p.nodes().get(0)))
                .map(p -> TubeData.bare(p.card().model()))
                .findFirst();
    }

    /** Ohms, then a tone at the plate pin heard from the speaker. */
    static final class Tone implements ColdTool {
        @Override
        public List<Block> blocks(ColdScene scene, Figures figures) {
            String ohms =
                    scene.output().map(t -> ColdTool.ohms(t.primary().ohms())).orElse("100 to 800 Ω");
            return List.of(new Block(
                    "Primary and tone",
                    "",
                    List.of(
                            new Line("Primary, plate pin to B+", "", List.of(Cell.figure("ohms", "", Unit.OHM, ohms))),
                            new Line(
                                    "1 kHz at the plate pin",
                                    "",
                                    List.of(Cell.choice(
                                            "tone",
                                            "",
                                            new Choice("clear", "clear and steady"),
                                            new Choice("weak", "weak or scraping"),
                                            new Choice("none", "nothing")))),
                            new Line(
                                    "Cone",
                                    "",
                                    List.of(Cell.choice(
                                            "cone",
                                            "",
                                            new Choice("free", "whole, moves free"),
                                            new Choice("torn", "torn"),
                                            new Choice("rubs", "rubs")))))));
        }

        @Override
        public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
            OptionalDouble ohms = figures.ohms("ohms");
            if (ohms.isEmpty() && !figures.has("tone")) {
                return ColdVerdict.wants("Read the primary, then listen.");
            }
            if (ohms.isPresent() && ohms.getAsDouble() > 50_000) {
                return ColdVerdict.bad(
                        "The primary is open.",
                        ColdTool.aspects(claims, "primary continuity"),
                        "Examine its lead-outs before a replacement is sought.");
            }
            if (!figures.has("tone")) {
                return ColdVerdict.good(
                        ColdTool.ohms(ohms.getAsDouble())
                                + ": the primary is continuous; a tone would prove secondary and speaker too.",
                        ColdTool.aspects(claims, "primary continuity"));
            }
            String cone = figures.text("cone").equals("torn")
                    ? " The cone is torn: mend it with thin paper and flexible glue."
                    : figures.text("cone").equals("rubs")
                            ? " The coil rubs: centre it, or look for dirt in the gap."
                            : "";
            return switch (figures.text("tone")) {
                case "clear" ->
                    ColdVerdict.good(
                            "A clear tone: primary, secondary, voice coil and their wiring work together." + cone,
                            claims);
                case "weak" ->
                    ColdVerdict.doubt(
                            "A weak tone: shorted turns, a poor voice-coil joint, or too little drive." + cone,
                            claims,
                            "Read the ratio with the speaker lifted: shorted turns show there.");
                default ->
                    ohms.isPresent()
                            ? ColdVerdict.doubt(
                                    "No tone although the primary reads " + ColdTool.ohms(ohms.getAsDouble())
                                            + ": secondary, voice coil, their leads or a speaker plug." + cone,
                                    claims.stream()
                                            .filter(c -> c.aspect() != Aspect.PRIMARY_CONTINUITY)
                                            .toList(),
                                    "A click from a dry cell at the voice coil tells speaker from transformer.")
                            : ColdVerdict.doubt("No tone." + cone, claims, "Read the primary's ohms.");
            };
        }

        @Override
        public List<String> cautions(ColdScene scene) {
            return List.of("speaker_load");
        }
    }

    /** Turns ratio and the load it puts on the tube. */
    static final class Ratio implements ColdTool {
        @Override
        public List<Block> blocks(ColdScene scene, Figures figures) {
            String expected = scene.output()
                    .map(t -> ColdTool.text(
                            "1 : %.1f",
                            t.primary().volts() / t.secondaries().get(0).volts()))
                    .orElse("");
            return List.of(
                    new Block(
                            "Both sides",
                            "Low AC across the primary, speaker lifted.",
                            List.of(
                                    new Line("Primary", "", List.of(Cell.figure("v1", "", Unit.VOLT, ""))),
                                    new Line("Speaker side", "", List.of(Cell.figure("v2", "", Unit.VOLT, expected))))),
                    new Block(
                            "Speaker",
                            "Its impedance as marked, or its coil's ohms: 1.2 times that is a fair guess.",
                            List.of(
                                    new Line("Impedance", "", List.of(Cell.figure("z", "", Unit.OHM, ""))),
                                    new Line(
                                            "Voice coil, by ohms",
                                            "",
                                            List.of(Cell.figure(
                                                    "dc",
                                                    "",
                                                    Unit.OHM,
                                                    scene.roles().of(Role.VOICE_COIL).stream()
                                                            .findFirst()
                                                            .flatMap(r ->
                                                                    scene.set().part(r))
                                                            .flatMap(Part::workingValue)
                                                            .map(ColdTool::ohms)
                                                            .orElse("")))),
                                    new Line(
                                            "Load the tube wants",
                                            "",
                                            List.of(Cell.figure(
                                                    "wanted",
                                                    "",
                                                    Unit.OHM,
                                                    wantedLoad(scene).isPresent()
                                                            ? ColdTool.ohms(wantedLoad(scene)
                                                                            .getAsDouble()) + ", "
                                                                    + outputTube(scene)
                                                                            .orElse("")
                                                            : "from the tube data"))))));
        }

        @Override
        public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
            OptionalDouble v1 = figures.number("v1");
            OptionalDouble v2 = figures.number("v2");
            OptionalDouble z = figures.ohms("z").isPresent()
                    ? figures.ohms("z")
                    : figures.ohms("dc").isPresent()
                            ? OptionalDouble.of(
                                    Windings.speakerImpedance(figures.ohms("dc").getAsDouble()))
                            : OptionalDouble.empty();
            if (v1.isEmpty() || v2.isEmpty() || !(v2.getAsDouble() > 0) || z.isEmpty()) {
                return ColdVerdict.wants("Read both sides, and the speaker's impedance or ohms.");
            }
            double ratio = v1.getAsDouble() / v2.getAsDouble();
            double load = Windings.load(v1.getAsDouble(), v2.getAsDouble(), z.getAsDouble());
            List<ColdVerdict.Result> results = new ArrayList<>();
            results.add(new ColdVerdict.Result("Ratio", ColdTool.text("%.1f : 1", ratio), "", Verdict.NO_EXPECTATION));
            results.add(new ColdVerdict.Result(
                    "Load on the tube",
                    ColdTool.ohms(load),
                    figures.has("z") ? "" : "speaker taken as 1.2 times its ohms",
                    Verdict.NO_EXPECTATION));
            List<String> arithmetic = List.of(ColdTool.text(
                    "(%.4g / %.4g)² x %.3g Ω = %s",
                    v1.getAsDouble(), v2.getAsDouble(), z.getAsDouble(), ColdTool.ohms(load)));
            OptionalDouble wanted = figures.ohms("wanted").isPresent() ? figures.ohms("wanted") : wantedLoad(scene);
            if (wanted.isEmpty()) {
                return ColdVerdict.nothing(
                                "The tube sees " + ColdTool.ohms(load) + "; what it wants is not known here.",
                                "Look its load up and enter it.")
                        .with(results, arithmetic);
            }
            double off = load / wanted.getAsDouble() - 1;
            String size = "The tube sees " + ColdTool.ohms(load) + " and wants " + ColdTool.ohms(wanted.getAsDouble());
            ColdVerdict verdict = Math.abs(off) <= scene.policy().loadApart()
                    ? ColdVerdict.good(
                            size + ": fits within the house's "
                                    + ColdTool.percent(scene.policy().loadApart()) + ".",
                            claims)
                    : Math.abs(off) <= 2 * scene.policy().loadApart()
                            ? ColdVerdict.good(
                                    size + ": " + ColdTool.percent(Math.abs(off)) + " off, which many makers allowed.",
                                    claims)
                            : ColdVerdict.doubt(
                                    size + ": " + ColdTool.percent(Math.abs(off)) + " off.",
                                    claims,
                                    off < 0
                                            ? "Another speaker in it, or shorted turns on the primary: "
                                                    + "compare with the speaker's marking."
                                            : "Another speaker in it: compare with its marking.");
            return verdict.with(results, arithmetic);
        }
    }

    /** Field coil: cold against the sheet's hot figure. */
    static final class Field implements ColdTool {
        @Override
        public List<Block> blocks(ColdScene scene, Figures figures) {
            String cold = scene.roles().of(Role.FIELD_COIL).stream()
                    .findFirst()
                    .flatMap(r -> scene.set().part(r))
                    .flatMap(p -> p.card().key("rser"))
                    .map(r -> ColdTool.ohms(Double.parseDouble(r)))
                    .orElse("");
            return List.of(
                    new Block(
                            "Cold",
                            "",
                            List.of(
                                    new Line("Across the coil", "", List.of(Cell.figure("cold", "", Unit.OHM, cold))),
                                    new Line("Room, in °C", "", List.of(Cell.number("room", "", "21"))))),
                    new Block(
                            "By the sheet",
                            "",
                            List.of(
                                    new Line("Its ohms, hot", "", List.of(Cell.figure("hot", "", Unit.OHM, ""))),
                                    new Line("Volts before it", "", List.of(Cell.figure("v1", "", Unit.VOLT, ""))),
                                    new Line("Volts behind it", "", List.of(Cell.figure("v2", "", Unit.VOLT, ""))))));
        }

        @Override
        public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
            OptionalDouble cold = figures.ohms("cold");
            if (cold.isEmpty()) {
                return ColdVerdict.wants("Read across the coil, cold.");
            }
            if (cold.getAsDouble() > 100_000) {
                return ColdVerdict.bad(
                        "The field coil is open.",
                        claims,
                        "Examine its lead-outs first; else a choke and a permanent-magnet speaker, or a "
                                + "resistor: the workshop page sizes them.");
            }
            double room = figures.number("room").orElse(21);
            OptionalDouble hot = figures.ohms("hot");
            List<ColdVerdict.Result> results = new ArrayList<>();
            List<String> arithmetic = new ArrayList<>();
            Part part = scene.roles().of(Role.FIELD_COIL).stream()
                    .findFirst()
                    .flatMap(r -> scene.set().part(r))
                    .orElse(null);
            double drawn = part == null
                    ? Double.NaN
                    : part.card().key("rser").map(Double::parseDouble).orElse(Double.NaN);
            double celsius = Double.NaN;
            if (hot.isPresent()) {
                celsius = Windings.celsius(cold.getAsDouble(), hot.getAsDouble(), room);
                results.add(new ColdVerdict.Result(
                        "Warmth at the sheet's ohms",
                        ColdTool.text("%.1f °C", celsius),
                        "",
                        celsius > 110 || celsius < room ? Verdict.DOUBT : Verdict.GOOD));
                arithmetic.add(ColdTool.text(
                        "(%.4g / %.4g)(234.5 + %.0f) - 234.5 = %.1f °C",
                        hot.getAsDouble(), cold.getAsDouble(), room, celsius));
            }
            OptionalDouble v1 = figures.number("v1");
            OptionalDouble v2 = figures.number("v2");
            if (v1.isPresent() && v2.isPresent()) {
                double amperes =
                        Windings.fieldAmperes(v1.getAsDouble(), v2.getAsDouble(), hot.orElse(cold.getAsDouble()));
                results.add(new ColdVerdict.Result(
                        "Working current", ColdTool.amperes(amperes), "", Verdict.NO_EXPECTATION));
                results.add(new ColdVerdict.Result(
                        "Test it apart at",
                        ColdTool.amperes(amperes / 2),
                        ColdTool.text("about %s on a bench supply", ColdTool.volts(amperes / 2 * cold.getAsDouble())),
                        Verdict.NO_EXPECTATION));
                arithmetic.add(ColdTool.text(
                        "(%.4g - %.4g) V / %s = %s",
                        v1.getAsDouble(),
                        v2.getAsDouble(),
                        ColdTool.ohms(hot.orElse(cold.getAsDouble())),
                        ColdTool.amperes(amperes)));
            }
            return say(cold.getAsDouble(), hot, drawn, celsius, room, claims).with(results, arithmetic);
        }

        private static ColdVerdict say(
                double cold, OptionalDouble hot, double drawn, double celsius, double room, List<Claim> claims) {
            if (hot.isPresent() && celsius < room - 5) {
                return ColdVerdict.doubt(
                        "Cold it reads more than the sheet's hot figure: a poor joint, or another coil.",
                        claims,
                        "Clean and read at the coil's own tags.");
            }
            if (hot.isPresent() && celsius > 110) {
                return ColdVerdict.doubt(
                        "Much less than the sheet's hot figure: shorted turns, unless the sheet's coil ran very hot.",
                        claims,
                        "Feed it half its current and feel whether it warms evenly.");
            }
            if (!Double.isNaN(drawn) && Math.abs(cold / drawn - 1) > 0.25) {
                return ColdVerdict.doubt(
                        ColdTool.ohms(cold) + " where the circuit has " + ColdTool.ohms(drawn) + ".",
                        claims,
                        "Read at the coil's own tags.");
            }
            return ColdVerdict.good(ColdTool.ohms(cold) + ": continuous, and what copper should read cold.", claims);
        }

        @Override
        public List<String> cautions(ColdScene scene) {
            return List.of("magnet_implant");
        }
    }
}
