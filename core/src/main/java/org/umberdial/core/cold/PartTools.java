package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiFunction;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Block;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.BenchForm.Choice;
import org.umberdial.core.procedure.BenchForm.Line;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeType;
import org.umberdial.core.value.Unit;

/** Tests that go from part to part. */
final class PartTools {
    private PartTools() {}

    /** What one part's figures say. */
    private record One(Verdict word, String value, String note) {}

    /** Against what such sets usually have, a reading proves nothing and accuses nobody; an open part is open. */
    private static One unconfirmed(ColdScene scene, String subject, One one) {
        boolean known = scene.set().part(subject).filter(Part::unconfirmed).isEmpty();
        if (known || one.value.equals(ColdTool.ohms(Double.POSITIVE_INFINITY))) {
            return one;
        }
        return switch (one.word) {
            case GOOD ->
                new One(Verdict.NO_EXPECTATION, one.value, "about what such sets usually have; not known for this one");
            case DOUBT, BAD ->
                new One(
                        Verdict.UNUSUAL,
                        one.value,
                        one.note.replaceAll(":.*", "")
                                + " that such sets usually have: unusual, compare with this set's" + " schematic");
            default -> one;
        };
    }

    /** Adds up the parts: proven are those that passed, refuted those that failed. */
    private static ColdVerdict sum(
            ColdScene scene,
            List<Claim> claims,
            Figures figures,
            String nothingYet,
            String whenBad,
            BiFunction<String, Figures, Optional<One>> each) {
        List<ColdVerdict.Result> results = new ArrayList<>();
        List<Claim> proves = new ArrayList<>();
        List<Claim> refutes = new ArrayList<>();
        List<Claim> doubts = new ArrayList<>();
        List<String> bad = new ArrayList<>();
        List<String> subjects = claims.stream().map(Claim::subject).distinct().toList();
        for (String subject : subjects) {
            Optional<One> one = each.apply(subject, figures).map(o -> unconfirmed(scene, subject, o));
            one.ifPresent(o -> {
                results.add(new ColdVerdict.Result(name(scene, subject), o.value, o.note, o.word));
                List<Claim> own = ColdTool.of(claims, subject);
                switch (o.word) {
                    case GOOD -> proves.addAll(own);
                    case BAD -> refutes.addAll(own);
                    case DOUBT -> doubts.addAll(own);
                    default -> {}
                }
                if (o.word == Verdict.BAD) {
                    bad.add(called(scene, subject));
                }
            });
        }
        if (results.isEmpty()) {
            return ColdVerdict.wants(nothingYet);
        }
        long passed = results.stream().filter(r -> r.word() == Verdict.GOOD).count();
        String left = results.size() < subjects.size()
                ? " " + (subjects.size() - results.size()) + " of " + subjects.size() + " still to be read."
                : "";
        Verdict word = !bad.isEmpty()
                ? Verdict.BAD
                : !doubts.isEmpty() ? Verdict.DOUBT : passed > 0 ? Verdict.GOOD : Verdict.NO_EXPECTATION;
        String sentence = switch (word) {
            case BAD -> String.join(", ", bad) + (bad.size() == 1 ? " fails." : " fail.") + left;
            case DOUBT ->
                "In doubt: "
                        + String.join(
                                ", ",
                                doubts.stream()
                                        .map(claim -> called(scene, claim.subject()))
                                        .distinct()
                                        .toList())
                        + "." + left;
            case GOOD -> passed + (passed == 1 ? " part passes." : " parts pass.") + left;
            default -> {
                long unusual = results.stream()
                        .filter(r -> r.word() == Verdict.UNUSUAL)
                        .count();
                yield unusual == 0
                        ? "These readings prove nothing yet." + left
                        : unusual + (unusual == 1 ? " reads" : " read")
                                + " unlike what such sets usually have: compare with this set's schematic." + left;
            }
        };
        return new ColdVerdict(
                word, sentence, List.of(), List.copyOf(results), proves, refutes, doubts, bad.isEmpty() ? "" : whenBad);
    }

    /** What people call a part: {@code V4} for the card {@code XV4}. */
    private static String called(ColdScene scene, String reference) {
        return scene.set()
                .part(reference)
                .filter(p -> p.card().kind().equals("tube"))
                .map(p -> reference.replaceFirst("(?i)^X", "").replaceAll("(?<=[0-9])[A-Z]$", ""))
                .orElse(reference);
    }

    static String name(ColdScene scene, String reference) {
        return scene.set()
                .part(reference)
                .map(p -> {
                    String said = p.card().kind().equals("tube")
                            ? TubeData.bare(p.card().model())
                            : p.description();
                    String shown = called(scene, reference);
                    List<Part> track = track(scene, reference);
                    return track.size() > 1
                            ? String.join(
                                            " and ",
                                            track.stream().map(Part::reference).toList()) + ", " + called(p)
                            : said.isEmpty() ? shown : shown + ", " + said;
                })
                .orElse(
                        reference.equals(Roles.CORD)
                                ? "Line cord"
                                : reference.equals(Roles.FUSE)
                                        ? "Line fuse"
                                        : Character.toUpperCase(reference.charAt(0)) + reference.substring(1));
    }

    private static List<Line> lines(
            ColdScene scene, List<String> subjects, java.util.function.Function<String, List<Cell>> cells) {
        return subjects.stream()
                .map(subject -> new Line(name(scene, subject), subject, cells.apply(subject)))
                .toList();
    }

    private static List<String> subjects(ColdScene scene, TestRow row) {
        return row.proves().stream()
                .flatMap(a -> scene.roles().of(a.role()).stream())
                .distinct()
                .toList();
    }

    /** Expected cold resistance of a part by itself [Ω]; empty when it is not known. */
    private static OptionalDouble own(ColdScene scene, String reference) {
        Optional<Part> part = scene.set().part(reference);
        if (part.isEmpty()) {
            return OptionalDouble.empty();
        }
        Part p = part.get();
        if (p.card().letter() == 'L') {
            return p.card()
                    .key("rser")
                    .map(t -> OptionalDouble.of(Double.parseDouble(t)))
                    .orElse(OptionalDouble.empty());
        }
        if (p.card().kind().equals("lamp")) {
            return OptionalDouble.of(p.card().parameters().getOrDefault("V", 6.3)
                    / p.card().parameters().getOrDefault("A", 0.15)
                    / 13);
        }
        List<Part> track = track(scene, reference);
        return p.card().letter() == 'R'
                        && track.stream().allMatch(t -> t.workingValue().isPresent())
                ? OptionalDouble.of(
                        track.stream().mapToDouble(t -> t.workingValue().get()).sum())
                : OptionalDouble.empty();
    }

    /** The parts a control's track is drawn as: its halves on both sides of the wiper, or it alone. */
    private static List<Part> track(ColdScene scene, String reference) {
        Optional<Part> part = scene.set().part(reference);
        if (part.isEmpty() || !part.get().card().kind().equals("pot")) {
            return part.map(List::of).orElse(List.of());
        }
        String called = called(part.get());
        return scene.set().parts().stream()
                .filter(p -> p.card().kind().equals("pot")
                        && called(p).equals(called)
                        && (p.equals(part.get())
                                || p.nodes().stream().anyMatch(part.get().nodes()::contains)))
                .toList();
    }

    /** {@code volume} of {@code volume, upper part}. */
    private static String called(Part pot) {
        return pot.description().replaceAll(",.*", "").strip();
    }

    /** The part under which a track's reading is kept. */
    static String keeper(ColdScene scene, String reference) {
        return track(scene, reference).stream().map(Part::reference).findFirst().orElse(reference);
    }

    /** Ohms across each part, against its own value; a control end to end, as one track. */
    static final class Ohms implements ColdTool {
        private final TestRow row;

        Ohms(TestRow row) {
            this.row = row;
        }

        @Override
        public List<Block> blocks(ColdScene scene, Figures figures) {
            return List.of(new Block(
                    "Across each",
                    row.passes().isEmpty() ? "" : "Good: " + row.passes() + ".",
                    lines(
                            scene,
                            subjects(scene, row).stream()
                                    .filter(s -> keeper(scene, s).equals(s))
                                    .toList(),
                            s -> List.of(Cell.figure(
                                    "o." + s,
                                    "",
                                    Unit.OHM,
                                    own(scene, s).isPresent()
                                            ? ColdTool.ohms(own(scene, s).getAsDouble())
                                            : "closed")))));
        }

        @Override
        public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
            return sum(
                    scene,
                    claims,
                    figures,
                    "Read across each part.",
                    "Read it once more with a lead lifted before it is condemned.",
                    (subject, f) -> f.ohms("o." + keeper(scene, subject)).stream()
                            .mapToObj(read -> one(scene, subject, read))
                            .findFirst());
        }

        private One one(ColdScene scene, String subject, double read) {
            String value = ColdTool.ohms(read);
            if (scene.set()
                    .part(subject)
                    .filter(p -> p.card().kind().equals("switch"))
                    .isPresent()) {
                return read < 0.5
                        ? new One(Verdict.GOOD, value, "closes")
                        : read < 5
                                ? new One(Verdict.DOUBT, value, "clean it, then again")
                                : new One(Verdict.BAD, value, "does not close");
            }
            double own = own(scene, subject).orElse(Double.NaN);
            if (Double.isNaN(own)) {
                return Double.isInfinite(read)
                        ? new One(Verdict.BAD, value, "open")
                        : new One(Verdict.GOOD, value, "closed; its value is not known");
            }
            boolean copper = scene.set()
                    .part(subject)
                    .filter(p -> p.card().letter() == 'L' || p.card().kind().equals("lamp"))
                    .isPresent();
            double allowed = copper
                    ? 0.3
                    : scene.set()
                            .part(subject)
                            .map(p -> p.tolerance().fraction())
                            .orElse(0.2);
            if (Double.isInfinite(read) || read > 20 * own + 50) {
                return new One(Verdict.BAD, value, copper ? "open: look at the lead-outs first" : "open");
            }
            double off = read / own - 1;
            String size = ColdTool.percent(Math.abs(off)) + (off < 0 ? " under " : " over ") + ColdTool.ohms(own);
            if (Math.abs(read - own) <= allowed * own + 0.5) {
                return new One(Verdict.GOOD, value, size);
            }
            return off > 0
                    ? new One(
                            copper ? Verdict.DOUBT : Verdict.BAD,
                            value,
                            size + (copper ? ": a poor joint?" : ": drifted"))
                    : new One(
                            Verdict.DOUBT,
                            value,
                            size
                                    + (copper
                                            ? ": shorted turns, or a path beside it"
                                            : ": a path beside it, or lift a lead"));
        }
    }

    /** Passed or failed by eye, ear or another instrument. */
    static final class Check implements ColdTool {
        private final TestRow row;

        Check(TestRow row) {
            this.row = row;
        }

        @Override
        public List<Block> blocks(ColdScene scene, Figures figures) {
            return List.of(new Block(
                    row.path() ? "Once" : "Each",
                    "Good: " + row.passes() + ".",
                    lines(
                            scene,
                            subjects(scene, row),
                            s -> List.of(
                                    Cell.choice(
                                            "c." + s,
                                            "",
                                            new Choice("good", "good"),
                                            new Choice("doubt", "doubtful"),
                                            new Choice("bad", "bad")),
                                    Cell.words("w." + s, "figures").asAside()))));
        }

        @Override
        public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
            return sum(
                    scene,
                    claims,
                    figures,
                    "Say of each whether it is good.",
                    "What fails goes on the list of what is replaced.",
                    (subject, f) -> f.has("c." + subject)
                            ? Optional.of(new One(
                                    f.text("c." + subject).equals("good")
                                            ? Verdict.GOOD
                                            : f.text("c." + subject).equals("bad") ? Verdict.BAD : Verdict.DOUBT,
                                    f.text("c." + subject),
                                    f.text("w." + subject)))
                            : Optional.empty());
        }
    }

    /** Heaters against the tube data. */
    static final class Heaters implements ColdTool {
        @Override
        public List<Block> blocks(ColdScene scene, Figures figures) {
            return List.of(new Block(
                    "Heater pins",
                    "Cold is about a seventh of hot, volts over amperes.",
                    lines(scene, scene.roles().of(Role.HEATER), s -> cells(scene, s))));
        }

        private static List<Cell> cells(ColdScene scene, String tube) {
            List<Cell> cells = new ArrayList<>(List.of(Cell.figure(
                    "o." + tube,
                    pins(scene, tube),
                    Unit.OHM,
                    expected(scene, tube).isPresent()
                            ? ColdTool.ohms(expected(scene, tube).getAsDouble())
                            : "closed")));
            tap(scene, tube)
                    .ifPresent(share -> cells.add(Cell.figure(
                            "t." + tube,
                            "the lamp's part, to its tap",
                            Unit.OHM,
                            ColdTool.ohms(share * expected(scene, tube).orElse(0)))));
            return cells;
        }

        /** Share of the heater that a pilot lamp bridges; empty for one without a tap. */
        private static Optional<Double> tap(ColdScene scene, String tube) {
            return type(scene, tube)
                    .filter(t -> t.heaterTap().isPresent())
                    .map(t -> t.heaterTap().getAsDouble());
        }

        private static Optional<TubeType> type(ColdScene scene, String tube) {
            return scene.set()
                    .part(tube)
                    .flatMap(p -> TubeData.shipped().type(TubeData.bare(p.card().model())));
        }

        private static OptionalDouble expected(ColdScene scene, String tube) {
            return type(scene, tube).map(HeaterOhms::expected).orElse(OptionalDouble.empty());
        }

        private static String pins(ColdScene scene, String tube) {
            String pinout = type(scene, tube).map(TubeType::pinout).orElse("");
            List<String> pins = java.util.Arrays.stream(pinout.split(" "))
                    .filter(p -> p.matches("[0-9]+=[hf][+-]?"))
                    .map(p -> p.substring(0, p.indexOf('=')))
                    .toList();
            return pins.isEmpty() ? "" : "pins " + String.join(" and ", pins);
        }

        @Override
        public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
            return sum(
                    scene,
                    claims,
                    figures,
                    "Read each tube's heater, pulled or one at a time.",
                    "A tube with an open heater is gone; in a series string it darkened all the others.",
                    (subject, f) -> f.ohms("t." + subject).isPresent()
                                    && f.ohms("t." + subject).getAsDouble() > 1000
                            ? Optional.of(new One(
                                    Verdict.BAD,
                                    "tap open",
                                    "the lamp's part is open: the lamp burnt out and its heater part followed"))
                            : f.ohms("o." + subject).stream()
                                    .mapToObj(read -> one(scene, subject, read))
                                    .findFirst());
        }

        private static One one(ColdScene scene, String tube, double read) {
            String value = ColdTool.ohms(read);
            OptionalDouble expected = expected(scene, tube);
            if (expected.isEmpty()) {
                return Double.isInfinite(read)
                        ? new One(Verdict.BAD, value, "open")
                        : new One(Verdict.GOOD, value, "closed; the type's heater is not in the tube data");
            }
            return switch (HeaterOhms.judge(expected.getAsDouble(), read)) {
                case BAD -> new One(Verdict.BAD, value, "open");
                case GOOD ->
                    new One(Verdict.GOOD, value, "cold, expected about " + ColdTool.ohms(expected.getAsDouble()));
                default ->
                    new One(
                            Verdict.DOUBT,
                            value,
                            read > expected.getAsDouble()
                                    ? "high: dirty pins, or still warm"
                                    : "low: another heater beside it, or shorted");
            };
        }
    }

    /** Filter sections: no dead short, given time to charge. */
    static final class Rails implements ColdTool {
        private static final double FREE = 20e3;

        @Override
        public List<Block> blocks(ColdScene scene, Figures figures) {
            return List.of(new Block(
                    "Section by section",
                    "Two readings with their times tell a climbing one from a settled one; their order does "
                            + "not matter.",
                    lines(
                            scene,
                            scene.roles().of(Role.FILTER_CAPACITOR),
                            s -> List.of(
                                    Cell.figure("o." + s, "ohms", Unit.OHM, bleeder(scene, s)),
                                    Cell.figure("t." + s, "after", Unit.SECOND, ""),
                                    Cell.figure("o2." + s, "ohms", Unit.OHM, ""),
                                    Cell.figure("t2." + s, "after", Unit.SECOND, "")))));
        }

        private static String bleeder(ColdScene scene, String reference) {
            double known = known(scene, reference);
            return Double.isInfinite(known) ? "climbs past 20 kΩ" : "to " + ColdTool.ohms(known) + " by the circuit";
        }

        private static double known(ColdScene scene, String reference) {
            return scene.set()
                    .part(reference)
                    .map(Part::nodes)
                    .map(nodes -> scene.ohms(nodes.get(0), nodes.get(1)))
                    .orElse(OptionalDouble.empty())
                    .orElse(Double.POSITIVE_INFINITY);
        }

        @Override
        public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
            return sum(
                    scene,
                    claims,
                    figures,
                    "Read each section and let it climb.",
                    "Lift its lead: the short may be in what hangs on the rail.",
                    (subject, f) -> one(scene, subject, f));
        }

        private static Optional<One> one(ColdScene scene, String subject, Figures f) {
            Settling settling = Settling.of(f, "o." + subject, "t." + subject, "o2." + subject, "t2." + subject);
            if (settling.last().isEmpty()) {
                return Optional.empty();
            }
            double ohms = settling.last().getAsDouble();
            double floor = Math.min(FREE, 0.6 * known(scene, subject));
            String value = ColdTool.ohms(ohms);
            if (settling.climbing()) {
                return Optional.of(new One(Verdict.NO_EXPECTATION, value, "still climbing: wait and read again"));
            }
            if (ohms >= floor) {
                return Optional.of(new One(
                        Verdict.GOOD, value, "no dead short; a leak at working volts an ohmmeter does not see"));
            }
            return Optional.of(
                    ohms < 0.05 * floor
                            ? new One(Verdict.BAD, value, "shorted, it or what hangs on it")
                            : new One(
                                    Verdict.DOUBT,
                                    value,
                                    "lower than its circuit: leaking, or the meter is the wrong way round"));
        }
    }

    /** Every resistor against what the network should show. */
    static final class Resistors implements ColdTool {
        @Override
        public List<Block> blocks(ColdScene scene, Figures figures) {
            return List.of(new Block(
                    "Resistors",
                    "Where the network hides the part, a lead must be lifted; the line says so.",
                    lines(
                            scene,
                            scene.roles().of(Role.RESISTOR),
                            s -> List.of(
                                    Cell.figure(
                                            "o." + s,
                                            "",
                                            Unit.OHM,
                                            InCircuit.of(scene, s)
                                                    .map(InCircuit::says)
                                                    .orElse("")),
                                    Cell.yesNo("l." + s, "lead lifted").asAside()))));
        }

        @Override
        public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
            return sum(
                    scene,
                    claims,
                    figures,
                    "Read across each resistor, settled, both ways round.",
                    "Drifted up is proof: paths beside a part only lower a reading.",
                    (subject, f) -> f.ohms("o." + subject).isEmpty()
                            ? Optional.empty()
                            : InCircuit.of(scene, subject)
                                    .map(at -> at.judge(f.ohms("o." + subject).getAsDouble(), f.yes("l." + subject)))
                                    .map(j -> new One(
                                            j.word(),
                                            ColdTool.ohms(f.ohms("o." + subject).getAsDouble()),
                                            j.reason())));
        }
    }

    /** Diodes both ways. */
    static final class Diodes implements ColdTool {
        @Override
        public List<Block> blocks(ColdScene scene, Figures figures) {
            return List.of(new Block(
                    "One end lifted",
                    "Write 0 for a short, leave reverse empty or write a high figure when it shows open.",
                    lines(
                            scene,
                            scene.roles().of(Role.RECTIFIER_DIODE),
                            s -> List.of(
                                    Cell.figure("f." + s, "forward", Unit.VOLT, "0.4 to 0.7 V"),
                                    Cell.choice(
                                            "r." + s,
                                            "reverse",
                                            new Choice("open", "open"),
                                            new Choice("reads", "reads something"))))));
        }

        @Override
        public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
            return sum(
                    scene,
                    claims,
                    figures,
                    "Read each diode both ways.",
                    "After a blown fuse suspect its neighbours too, and the first filter capacitor.",
                    (subject, f) -> f.number("f." + subject).isEmpty() || !f.has("r." + subject)
                            ? Optional.empty()
                            : Optional.of(one(
                                    f.number("f." + subject).getAsDouble(),
                                    f.text("r." + subject).equals("open"))));
        }

        static One one(double forward, boolean reverseOpen) {
            String value = ColdTool.volts(forward);
            if (!reverseOpen) {
                return new One(Verdict.BAD, value, forward < 0.1 ? "shorted" : "leaks backwards");
            }
            if (forward > 1.2) {
                return new One(Verdict.BAD, value, "open");
            }
            return forward >= 0.35 && forward <= 0.85
                    ? new One(Verdict.GOOD, value, "silicon, sound at the meter's volts")
                    : forward < 0.1
                            ? new One(Verdict.BAD, value, "shorted")
                            : new One(Verdict.DOUBT, value, "not usual for silicon");
        }
    }

    /** Selenium: its drop by cells. */
    static final class Selenium implements ColdTool {
        private static final double LEAST = 0.5;
        private static final double MOST = 1.0;
        private static final double REVERSE = 2e-3;

        @Override
        public List<Block> blocks(ColdScene scene, Figures figures) {
            return List.of(new Block(
                    "On the bench supply",
                    "A fresh cell drops 0.6 to 1 V; an aged one more. Reverse through 10 kΩ.",
                    lines(
                            scene,
                            scene.roles().of(Role.RECTIFIER_SELENIUM),
                            s -> List.of(
                                    Cell.number("n." + s, "cells in series", plates(scene, s)),
                                    Cell.figure("f." + s, "forward", Unit.VOLT, ""),
                                    Cell.figure("r." + s, "reverse", Unit.AMPERE, "under 2 mA")))));
        }

        private static String plates(ColdScene scene, String reference) {
            return scene.set()
                    .part(reference)
                    .map(p -> p.card().parameters().get("N"))
                    .map(n -> ColdTool.text("%.0f", n))
                    .orElse("count them");
        }

        @Override
        public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
            return sum(
                    scene,
                    claims,
                    figures,
                    "Read its forward volts and reverse current.",
                    "Never sniff it: failing selenium gives off poisonous fumes. Silicon in its place drops "
                            + "far less: calculate the peak before the tubes draw; a resistor does nothing until then.",
                    (subject, f) -> {
                        double plates = f.number("n." + subject)
                                .orElse(scene.set()
                                        .part(subject)
                                        .map(p -> p.card().parameters().getOrDefault("N", 0.0))
                                        .orElse(0.0));
                        return f.number("f." + subject).isEmpty() || plates < 1
                                ? Optional.empty()
                                : Optional.of(
                                        one(f.number("f." + subject).getAsDouble() / plates, f.number("r." + subject)));
                    });
        }

        private static One one(double perPlate, OptionalDouble reverse) {
            String value = ColdTool.text("%.2f V a cell", perPlate);
            if (reverse.isPresent() && Math.abs(reverse.getAsDouble()) > REVERSE) {
                return new One(
                        Verdict.BAD,
                        value,
                        "passes " + ColdTool.amperes(Math.abs(reverse.getAsDouble())) + " backwards");
            }
            return perPlate < 0.2
                    ? new One(Verdict.BAD, value, "shorted")
                    : perPlate > 1.5 * MOST
                            ? new One(Verdict.BAD, value, "aged out: B+ will be low, and it will run hot")
                            : perPlate > MOST
                                    ? new One(Verdict.DOUBT, value, "aged")
                                    : perPlate < LEAST
                                            ? new One(Verdict.DOUBT, value, "some cells are bridged")
                                            : new One(
                                                    Verdict.GOOD,
                                                    value,
                                                    reverse.isPresent()
                                                            ? "fresh enough"
                                                            : "forward only; reverse not read");
        }

        @Override
        public List<String> cautions(ColdScene scene) {
            return List.of("selenium_fumes");
        }
    }

    /** A germanium transistor, apart from the circuit. */
    static final class Transistor implements ColdTool {
        @Override
        public List<Block> blocks(ColdScene scene, Figures figures) {
            return List.of(new Block(
                    "The transistor",
                    "",
                    List.of(
                            new Line("Which", "", List.of(Cell.words("which", ""))),
                            junction("Base to emitter", "be"),
                            junction("Base to collector", "bc"),
                            new Line(
                                    "Collector to emitter, base open",
                                    "",
                                    List.of(Cell.figure(
                                            "ce", "leak at the supply's volts", Unit.AMPERE, "under 0.5 mA"))))));
        }

        private static Line junction(String label, String key) {
            return new Line(
                    label,
                    "",
                    List.of(
                            Cell.figure(key, "one way", Unit.VOLT, "0.15 to 0.35 V"),
                            Cell.choice(
                                    key + "b",
                                    "the other way",
                                    new Choice("open", "open or high"),
                                    new Choice("reads", "reads low"))));
        }

        @Override
        public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
            OptionalDouble be = figures.number("be");
            OptionalDouble bc = figures.number("bc");
            if (be.isEmpty() || bc.isEmpty()) {
                return ColdVerdict.wants("Read both junctions on the diode range.");
            }
            String which = figures.has("which") ? figures.text("which") : "It";
            if (be.getAsDouble() < 0.05
                    || bc.getAsDouble() < 0.05
                    || figures.text("beb").equals("reads")
                    || figures.text("bcb").equals("reads")) {
                return ColdVerdict.bad(
                        which + " has a shorted or leaking junction.",
                        List.of(),
                        "Replace it; look first whether what drove it has failed.");
            }
            if (be.getAsDouble() > 1 || bc.getAsDouble() > 1) {
                return ColdVerdict.bad(which + " has an open junction.", List.of(), "Replace it.");
            }
            double leak = Math.abs(figures.number("ce").orElse(0));
            if (leak > 2e-3) {
                return ColdVerdict.doubt(
                        which + " leaks " + ColdTool.amperes(leak)
                                + ", which is much; old germanium leaks, and warmth doubles it every 10 °C.",
                        List.of(),
                        "Read its sisters in the same set first: only one that leaks far more than they do is bad.");
            }
            boolean germanium = be.getAsDouble() <= 0.45;
            return leak > 0.5e-3
                    ? ColdVerdict.doubt(
                            which + " leaks " + ColdTool.amperes(leak) + "; it doubles for every 10 °C.",
                            List.of(),
                            "Warm it between two fingers and watch.")
                    : ColdVerdict.good(
                            which + " is whole both ways" + (germanium ? "" : ", but reads like silicon")
                                    + (figures.has("ce") ? "." : "; its leak was not read."),
                            List.of());
        }
    }
}
