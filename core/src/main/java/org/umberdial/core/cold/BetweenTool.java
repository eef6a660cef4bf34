package org.umberdial.core.cold;

import java.util.List;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Block;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.BenchForm.Line;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;

/** Ohms between any two points against the whole cold network. */
final class BetweenTool implements ColdTool {
    private static final double BAND = 0.15;

    @Override
    public List<Block> blocks(ColdScene scene, Figures figures) {
        String expected = figures.has("a") && figures.has("b") ? said(expected(scene, figures)) : "";
        return List.of(
                new Block(
                        "Between",
                        "A node's name, a socket pin as V3.5, a point's name, or chassis.",
                        List.of(
                                new Line("One lead at", "", List.of(Cell.words("a", ""))),
                                new Line("The other at", "", List.of(Cell.words("b", ""))))),
                new Block(
                        "Read",
                        "",
                        List.of(
                                new Line(
                                        "Ohms",
                                        "",
                                        List.of(
                                                Cell.figure("o", "", Unit.OHM, expected),
                                                Cell.figure("t", "after", Unit.SECOND, ""))),
                                new Line(
                                        "Again, when it still moves",
                                        "",
                                        List.of(
                                                Cell.figure("o2", "", Unit.OHM, ""),
                                                Cell.figure("t2", "after", Unit.SECOND, ""))))));
    }

    private static String said(OptionalDouble ohms) {
        return ohms.isEmpty() ? "" : ColdTool.ohms(ohms.getAsDouble());
    }

    private static OptionalDouble expected(ColdScene scene, Figures figures) {
        return scene.ohms(node(scene, figures, "a"), node(scene, figures, "b"));
    }

    private static String node(ColdScene scene, Figures figures, String key) {
        String said = figures.text(key).strip();
        String low = said.toLowerCase(java.util.Locale.ROOT);
        if (List.of("chassis", "minus", "minus rail", "ground", "earth", "0").contains(low)
                && scene.set().cards().stream().noneMatch(c -> c.nodes().contains(low))) {
            return "0";
        }
        if (scene.set().cards().stream().anyMatch(card -> card.nodes().contains(low))) {
            return low;
        }
        return scene.set().sockets().stream()
                .filter(s -> low.startsWith(s.socket().toLowerCase(java.util.Locale.ROOT) + "."))
                .map(s -> s.pins().get(low.substring(low.indexOf('.') + 1)))
                .filter(java.util.Objects::nonNull)
                .findFirst()
                .or(() -> scene.set().testPoints().stream()
                        .filter(p -> p.name().equalsIgnoreCase(said))
                        .map(p -> p.node())
                        .findFirst())
                .orElseThrow(() -> new InvalidEntry(
                                InvalidEntry.Code.UNKNOWN,
                                "There is no point “" + said
                                        + "” in this circuit; write a socket pin as V3.5, a node, or a test "
                                        + "point's name.")
                        .at(key));
    }

    @Override
    public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
        if (!figures.has("a") || !figures.has("b")) {
            return ColdVerdict.wants("Say which two points.");
        }
        OptionalDouble expected = expected(scene, figures);
        Settling settling = Settling.of(figures, "o", "t", "o2", "t2");
        if (settling.last().isEmpty()) {
            return ColdVerdict.wants(
                    expected.isEmpty() ? "Read it." : "Expected " + said(expected) + ", everything settled.");
        }
        double read = settling.last().getAsDouble();
        if (settling.climbing()) {
            return ColdVerdict.nothing(
                    "Still climbing at " + ColdTool.ohms(read) + ": a capacitor charges through the meter.",
                    "Wait until two readings agree within a twentieth.");
        }
        if (expected.isEmpty()) {
            return ColdVerdict.nothing("Without a whole circuit nothing is expected here.", "Enter the circuit.");
        }
        double e = expected.getAsDouble();
        if (Double.isInfinite(e)) {
            return read > 20e6
                    ? ColdVerdict.good("Open, as the circuit has it.", List.of())
                    : ColdVerdict.doubt(
                            ColdTool.ohms(read) + " where nothing should connect: a leak, or a charge.",
                            List.of(),
                            "Turn the leads round: a charge or a junction changes, a leak stays.");
        }
        OptionalDouble beyond = figures.beyond(figures.has("o2") ? "o2" : "o");
        if (beyond.isPresent() && e >= beyond.getAsDouble()) {
            return ColdVerdict.nothing(
                    "Over " + ColdTool.ohms(beyond.getAsDouble())
                            + ", which is all this meter shows; the network shows " + ColdTool.ohms(e) + ".",
                    "Take a meter that reaches further.");
        }
        String size = ColdTool.ohms(read) + " where the network shows " + ColdTool.ohms(e);
        if (Math.abs(read - e) <= BAND * e + 0.5) {
            return ColdVerdict.good(
                    size + ": consistent. A part that hardly matters here is not proven by it.", List.of());
        }
        List<String> fits = scene.ifOpen(node(scene, figures, "a"), node(scene, figures, "b")).entrySet().stream()
                .filter(x -> Double.isInfinite(x.getValue())
                        ? Double.isInfinite(read)
                        : Math.abs(read / x.getValue() - 1) < 0.1)
                .map(java.util.Map.Entry::getKey)
                .limit(4)
                .toList();
        if (read > e) {
            return new ColdVerdict(
                    Verdict.BAD,
                    size + ": too high, and nothing beside can raise it: a part on the way has gone up"
                            + (fits.isEmpty() ? "." : ", or " + String.join(" or ", fits) + " is open."),
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    fits.isEmpty() ? "Read each part on the way." : "Read across " + fits.get(0) + ".");
        }
        return ColdVerdict.nothing(
                size + ": too low, which alone proves nothing: a leak, a charge, or a junction the meter opens.",
                "Turn the leads round; then lift a lead.");
    }
}
