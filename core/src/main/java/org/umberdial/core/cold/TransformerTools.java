package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.procedure.BenchForm.Block;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.BenchForm.Choice;
import org.umberdial.core.procedure.BenchForm.Line;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.value.Unit;

/** Windings by ohms and by megohms: the halves of the high voltage, unknown groups, lead-outs, insulation. */
final class TransformerTools {
    private TransformerTools() {}

    /** Centre tap to each end. */
    static final class Halves implements ColdTool {
        @Override
        public List<Block> blocks(ColdScene scene, Figures figures) {
            List<Transformer.Winding> high =
                    scene.power().map(t -> t.of(Transformer.Use.HIGH_VOLTAGE)).orElse(List.of());
            String first = high.isEmpty() ? "" : ColdTool.ohms(high.get(0).ohms());
            String second = high.size() < 2 ? "" : ColdTool.ohms(high.get(1).ohms());
            return List.of(new Block(
                    "Centre tap to each end",
                    high.size() == 1
                            ? "This winding has no centre tap in the circuit: read it end to end in the first line."
                            : "The outer half is longer wire, so a few per cent more.",
                    List.of(
                            new Line("One end", "", List.of(Cell.figure("a", "", Unit.OHM, first))),
                            new Line("Other end", "", List.of(Cell.figure("b", "", Unit.OHM, second))))));
        }

        @Override
        public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
            boolean single = scene.power()
                    .map(t -> t.of(Transformer.Use.HIGH_VOLTAGE).size() == 1)
                    .orElse(false);
            OptionalDouble a = figures.ohms("a");
            OptionalDouble b = figures.ohms("b");
            if (a.isEmpty() || b.isEmpty() && !single) {
                return ColdVerdict.wants(single ? "Read the winding." : "Read both halves.");
            }
            if (Double.isInfinite(a.getAsDouble()) || b.isPresent() && Double.isInfinite(b.getAsDouble())) {
                return ColdVerdict.bad(
                        "An open half.",
                        claims,
                        "Examine its lead-outs before a replacement is sought; one good half still serves "
                                + "with a bridge or a half-wave rectifier.");
            }
            if (b.isEmpty()) {
                return ColdVerdict.good(ColdTool.ohms(a.getAsDouble()) + ": the winding is whole.", claims);
            }
            double apart = Windings.unlikeness(a.getAsDouble(), b.getAsDouble());
            List<String> arithmetic = List.of(ColdTool.text(
                    "|%.4g - %.4g| / %.4g = %.1f %%",
                    a.getAsDouble(), b.getAsDouble(), (a.getAsDouble() + b.getAsDouble()) / 2, 100 * apart));
            double limit = scene.policy().halvesApart();
            return (apart <= limit
                            ? ColdVerdict.good(
                                    "The halves differ by " + ColdTool.percent(apart) + ", within the house's "
                                            + ColdTool.percent(limit) + ".",
                                    claims)
                            : ColdVerdict.doubt(
                                    "The halves differ by " + ColdTool.percent(apart) + ", more than the house's "
                                            + ColdTool.percent(limit)
                                            + ": shorted turns in the lower one, or a poor joint in the higher.",
                                    claims,
                                    "Feed it a low voltage: equal volts clear it, unequal ones condemn it."))
                    .with(List.of(), arithmetic);
        }
    }

    /** Groups of leads that belong to no known winding. */
    static final class Unknown implements ColdTool {
        private static final int GROUPS = 6;

        @Override
        public List<Block> blocks(ColdScene scene, Figures figures) {
            List<Line> lines = new ArrayList<>();
            int used = 0;
            while (used < GROUPS && figures.has("name." + used)) {
                used++;
            }
            for (int i = 0; i < Math.min(GROUPS, used + 1); i++) {
                lines.add(new Line(
                        "Group " + (i + 1),
                        "",
                        List.of(
                                Cell.words("name." + i, "leads"),
                                Cell.figure("r." + i, "end to end", Unit.OHM, ""),
                                Cell.figure("ha." + i, "middle to one end", Unit.OHM, ""),
                                Cell.figure("hb." + i, "middle to other", Unit.OHM, ""),
                                Cell.figure("v." + i, "volts read", Unit.VOLT, ""))));
            }
            return List.of(
                    new Block(
                            "Fed",
                            "When a low voltage goes into the likely primary, which is sounder than ohms alone.",
                            List.of(new Line("Volts fed", "", List.of(Cell.figure("fed", "", Unit.VOLT, "1.00 V"))))),
                    new Block("Groups of leads that connect", "", lines));
        }

        @Override
        public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
            OptionalDouble fed = InjectionTool.safe(scene, figures, "fed");
            List<WindingSort.Group> groups = new ArrayList<>();
            for (int i = 0; i < GROUPS; i++) {
                OptionalDouble ohms = figures.ohms("r." + i);
                if (figures.has("name." + i) && ohms.isPresent()) {
                    OptionalDouble a = figures.ohms("ha." + i);
                    OptionalDouble b = figures.ohms("hb." + i);
                    OptionalDouble volts = figures.number("v." + i);
                    groups.add(new WindingSort.Group(
                            figures.text("name." + i),
                            ohms.getAsDouble(),
                            a.isPresent() && b.isPresent()
                                    ? Optional.of(new double[] {a.getAsDouble(), b.getAsDouble()})
                                    : Optional.empty(),
                            volts.isPresent() && fed.isPresent()
                                    ? OptionalDouble.of(volts.getAsDouble() / fed.getAsDouble())
                                    : OptionalDouble.empty()));
                }
            }
            if (groups.size() < 2) {
                return ColdVerdict.wants("Name each group by its leads and read it end to end; two groups at least.");
            }
            List<WindingSort.Sorted> sorted = WindingSort.sort(groups, scene.lineVolts());
            List<ColdVerdict.Result> results = sorted.stream()
                    .map(s -> new ColdVerdict.Result(
                            s.group().name(),
                            s.kind().label(),
                            s.why(),
                            s.kind() == WindingSort.Kind.UNKNOWN ? Verdict.DOUBT : Verdict.GOOD))
                    .toList();
            long unknown = sorted.stream()
                    .filter(s -> s.kind() == WindingSort.Kind.UNKNOWN)
                    .count();
            return (unknown == 0
                            ? ColdVerdict.good("Every group has a place.", List.of())
                            : ColdVerdict.nothing(
                                    unknown + (unknown == 1 ? " group" : " groups")
                                            + " cannot be told by these figures.",
                                    "Feed 1 V at line frequency into the likely primary and read the others."))
                    .with(results, List.of());
        }
    }

    /** A winding that reads open: its lead-outs come first. */
    static final class LeadOut implements ColdTool {
        @Override
        public List<Block> blocks(ColdScene scene, Figures figures) {
            List<Choice> windings = new ArrayList<>();
            scene.roles()
                    .of(Role.POWER_TRANSFORMER)
                    .forEach(ref -> windings.add(new Choice(ref, ref + ", power transformer")));
            scene.roles()
                    .of(Role.OUTPUT_TRANSFORMER)
                    .forEach(ref -> windings.add(new Choice(ref, ref + ", output transformer")));
            List.of(Role.FIELD_COIL, Role.COIL, Role.FILTER_PART, Role.MOTOR)
                    .forEach(role -> scene.roles().of(role).stream()
                            .filter(ref -> scene.set()
                                    .part(ref)
                                    .filter(p -> p.card().letter() == 'L')
                                    .isPresent())
                            .forEach(ref -> windings.add(new Choice(
                                    ref,
                                    ref + ", "
                                            + scene.set()
                                                    .part(ref)
                                                    .orElseThrow()
                                                    .description()))));
            return List.of(new Block(
                    "Which, and where it ends",
                    "Most open windings have corroded at a lead-out, where flux and handling reached the wire.",
                    List.of(
                            new Line("Winding", "", List.of(Cell.choice("part", "", windings.toArray(Choice[]::new)))),
                            new Line(
                                    "The break",
                                    "",
                                    List.of(Cell.choice(
                                            "break",
                                            "",
                                            new Choice("outside", "at a lead-out, can be reached"),
                                            new Choice("inside", "inside the winding"),
                                            new Choice("unseen", "not found")))),
                            new Line(
                                    "Mended, and reads",
                                    "",
                                    List.of(Cell.figure("mended", "", Unit.OHM, "as by the sheet"))))));
        }

        @Override
        public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
            if (!figures.has("part") || !figures.has("break")) {
                return ColdVerdict.wants("Choose the winding, then say where it ends.");
            }
            String part = figures.text("part");
            List<Claim> continuity = List.of(new Claim(
                    part,
                    scene.roles().of(Role.POWER_TRANSFORMER).contains(part)
                                    || scene.roles().of(Role.OUTPUT_TRANSFORMER).contains(part)
                            ? Aspect.PRIMARY_CONTINUITY
                            : Aspect.CONTINUITY));
            if (figures.text("break").equals("inside")) {
                return ColdVerdict.bad(
                        "The break is inside: now a replacement may be sought, or a rewinder.",
                        continuity,
                        "Size it on the workshop page before buying.");
            }
            OptionalDouble mended = figures.ohms("mended");
            if (mended.isPresent() && Double.isFinite(mended.getAsDouble())) {
                return ColdVerdict.good(
                        "Mended at its lead-out; reads " + ColdTool.ohms(mended.getAsDouble())
                                + ". Sleeve and anchor it so that it bears no pull.",
                        continuity);
            }
            return figures.text("break").equals("outside")
                    ? ColdVerdict.nothing(
                            "Reachable: tin the clean end, join a flexible lead, anchor it, then read it.", "")
                    : ColdVerdict.doubt(
                            "Not found yet.", continuity, "Look again under a lens before a replacement is sought.");
        }
    }

    /** Megohms at a stated voltage. */
    static final class Insulation implements ColdTool {
        /** Below this a tester is an ordinary ohmmeter. */
        private static final double REAL_TEST = 50;

        private record Path(String key, String label, String subject) {}

        private static List<Path> paths(ColdScene scene) {
            List<Path> paths = new ArrayList<>();
            scene.power().ifPresent(t -> {
                String ref = t.part().reference();
                paths.add(new Path("primary-core", "Primary to core", ref));
                for (Transformer.Use use : t.secondaries().stream()
                        .map(Transformer.Winding::use)
                        .distinct()
                        .toList()) {
                    paths.add(new Path("primary-" + use.name(), "Primary to " + use.label(), ref));
                }
                if (!t.of(Transformer.Use.HIGH_VOLTAGE).isEmpty()) {
                    paths.add(new Path("hv-core", "High voltage to core, centre tap freed", ref));
                }
            });
            if (scene.power().isEmpty()) {
                scene.roles().of(Role.POWER_TRANSFORMER).forEach(ref -> {
                    paths.add(new Path("primary-core", "Primary to core", ref));
                    paths.add(new Path("primary-windings", "Primary to all other windings", ref));
                });
            }
            if (scene.output().isEmpty()) {
                scene.roles()
                        .of(Role.OUTPUT_TRANSFORMER)
                        .forEach(
                                ref -> paths.add(new Path("output-core", "Output transformer's primary to core", ref)));
            }
            scene.output()
                    .ifPresent(t -> paths.add(new Path(
                            "output-core",
                            "Output transformer's primary to core",
                            t.part().reference())));
            if (scene.set().construction().lineFed()) {
                paths.add(new Path(
                        "cord",
                        scene.set().construction().liveChassis()
                                ? "Cord, conductor to conductor, set side lifted"
                                : "Line cord to chassis, set side lifted",
                        Roles.CORD));
            }
            return paths;
        }

        @Override
        public List<Block> blocks(ColdScene scene, Figures figures) {
            List<Line> lines = paths(scene).stream()
                    .map(p -> new Line(
                            p.label,
                            p.subject,
                            List.of(Cell.figure(
                                    "i." + p.key,
                                    "",
                                    Unit.OHM,
                                    "over " + ColdTool.ohms(scene.policy().insulationOhms())))))
                    .toList();
            String lead = scene.set().construction().liveChassis()
                    ? "The chassis of this class is tied to the line by design: never test line to chassis "
                            + "with the parts in."
                    : "Lift tubes, lamps, line capacitors and whatever ties a winding to chassis.";
            return List.of(
                    new Block(
                            "The tester",
                            tooLow(scene),
                            List.of(new Line(
                                    "Test voltage", "", List.of(Cell.figure("volts", "", Unit.VOLT, "500 V"))))),
                    new Block("Megohms after a minute", lead, lines));
        }

        /** What the bench's own testers cannot show here; empty when they can, or when nobody said what they give. */
        private static String tooLow(ColdScene scene) {
            OptionalDouble most = scene.kit().highestTestVolts(Equipment.INSULATION_TESTER);
            double working = working(scene);
            return most.isEmpty() || most.getAsDouble() >= working
                    ? ""
                    : "The highest here tests at " + ColdTool.volts(most.getAsDouble()) + "; this set works at "
                            + ColdTool.volts(working) + ". What fails has failed; what holds is not proven.";
        }

        @Override
        public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
            OptionalDouble volts = figures.number("volts");
            List<Path> paths = paths(scene);
            if (volts.isEmpty()
                    || figures.lacks(paths.stream().map(p -> "i." + p.key).toList())) {
                return ColdVerdict.wants(volts.isEmpty() ? "Enter the tester's voltage." : "Enter what you read.");
            }
            if (volts.getAsDouble() > 1000) {
                throw new org.umberdial.core.value.InvalidEntry(
                                org.umberdial.core.value.InvalidEntry.Code.OUT_OF_RANGE,
                                "Old paper and enamel are not tested above 1000 V; use 250 or 500 V.")
                        .at("volts");
            }
            if (volts.getAsDouble() < REAL_TEST) {
                return ColdVerdict.nothing(
                        "At " + ColdTool.volts(volts.getAsDouble())
                                + " this is an ordinary ohmmeter: it shows a dead short and nothing more. "
                                + "Insulation that breaks down at line volts looks perfect to it.",
                        "Test at 250 V or more.");
            }
            double working = working(scene);
            if (volts.getAsDouble() < working) {
                ColdVerdict seen = read(scene, claims, figures, paths, volts.getAsDouble());
                return seen.refutes().isEmpty()
                        ? ColdVerdict.nothing(
                                "Tested at " + ColdTool.volts(volts.getAsDouble()) + ", below the "
                                        + ColdTool.volts(working)
                                        + " it works at: what holds here can still break down at work.",
                                "Test at " + ColdTool.volts(working <= 500 ? 500 : 1000) + ".")
                        : seen;
            }
            return read(scene, claims, figures, paths, volts.getAsDouble());
        }

        /** The highest voltage the insulation works at: the line's peak, or that of the high-voltage winding [V]. */
        private static double working(ColdScene scene) {
            double high = scene.power()
                    .map(t -> t.of(Transformer.Use.HIGH_VOLTAGE).stream()
                            .mapToDouble(Transformer.Winding::volts)
                            .max()
                            .orElse(0))
                    .orElse(0.0);
            return Math.sqrt(2) * Math.max(scene.lineVolts(), high);
        }

        private static ColdVerdict read(
                ColdScene scene, List<Claim> claims, Figures figures, List<Path> paths, double volts) {
            double least = scene.policy().insulationOhms();
            List<ColdVerdict.Result> results = new ArrayList<>();
            List<Claim> refutes = new ArrayList<>();
            List<String> missing = new ArrayList<>();
            List<String> bad = new ArrayList<>();
            double lowest = Double.POSITIVE_INFINITY;
            for (Path path : paths) {
                OptionalDouble ohms = figures.ohms("i." + path.key);
                if (ohms.isEmpty()) {
                    missing.add(path.subject);
                    continue;
                }
                lowest = path.key.startsWith("primary") || path.key.equals("cord")
                        ? Math.min(lowest, ohms.getAsDouble())
                        : lowest;
                boolean good = ohms.getAsDouble() >= least;
                Verdict word = good ? Verdict.GOOD : ohms.getAsDouble() >= least / 5 ? Verdict.DOUBT : Verdict.BAD;
                results.add(new ColdVerdict.Result(
                        path.label,
                        ColdTool.ohms(ohms.getAsDouble()),
                        ohms.getAsDouble() >= 10 * least
                                ? "very good"
                                : good
                                        ? "enough"
                                        : word == Verdict.DOUBT
                                                ? "dry it for a day in gentle warmth, then again"
                                                : "breaks down",
                        word));
                if (!good) {
                    bad.add(path.label);
                    refutes.addAll(ColdTool.of(claims, path.subject));
                }
            }
            double touch = scene.lineVolts() / lowest;
            if (Double.isFinite(lowest)) {
                results.add(new ColdVerdict.Result(
                        "Touch current through it",
                        ColdTool.amperes(touch),
                        "limit of the house " + ColdTool.amperes(scene.policy().touchAmperes())
                                + "; capacitors to chassis add theirs",
                        touch <= scene.policy().touchAmperes() ? Verdict.GOOD : Verdict.BAD));
            }
            List<Claim> proves = claims.stream()
                    .filter(c ->
                            !missing.contains(c.subject()) && refutes.stream().noneMatch(c::equals))
                    .toList();
            List<String> arithmetic = Double.isFinite(lowest)
                    ? List.of(ColdTool.text(
                            "%.0f V / %s = %s", scene.lineVolts(), ColdTool.ohms(lowest), ColdTool.amperes(touch)))
                    : List.of();
            String at = " at " + ColdTool.volts(volts);
            ColdVerdict verdict = bad.isEmpty()
                    ? ColdVerdict.good("All that was read holds" + at + ".", proves)
                    : new ColdVerdict(
                            Verdict.BAD,
                            String.join("; ", bad) + ": under " + ColdTool.ohms(least) + at
                                    + ". It must not meet the line like this.",
                            List.of(),
                            List.of(),
                            proves,
                            refutes,
                            List.of(),
                            "Clean and dry first: soot and damp leak too. If it stays, the winding is lost.");
            return verdict.with(results, arithmetic);
        }

        @Override
        public List<String> cautions(ColdScene scene) {
            return List.of("insulation_test");
        }
    }
}
