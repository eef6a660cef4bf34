package org.umberdial.core.cold;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Block;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.BenchForm.Line;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.set.Part;
import org.umberdial.core.value.Unit;

/** The line side with the switch off, and against the chassis, as far as an ohmmeter sees. */
final class LineTools {
    private static final double CLOSED = 1e6;

    private LineTools() {}

    /** Across the plug with the set switched off. */
    static final class SwitchedOff implements ColdTool {
        @Override
        public List<Block> blocks(ColdScene scene, Figures figures) {
            return List.of(new Block(
                    "Across the plug, switched off",
                    "",
                    List.of(
                            new Line("Pin to pin", "", List.of(Cell.figure("off", "", Unit.OHM, "open"))),
                            new Line(
                                    "A part wired before the switch",
                                    "",
                                    List.of(Cell.yesNo("before", "is there one"))))));
        }

        @Override
        public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
            OptionalDouble off = figures.ohms("off");
            if (off.isEmpty()) {
                return ColdVerdict.wants("Switch the set off and read across the plug.");
            }
            if (off.getAsDouble() > CLOSED) {
                return ColdVerdict.good("Open: the switch parts the chain, and the cord has no short.", claims);
            }
            String read = ColdTool.ohms(off.getAsDouble());
            if (figures.yes("before")) {
                return ColdVerdict.doubt(
                        read + " with a part before the switch: lift that part to know the switch.",
                        List.of(),
                        "Lift it and read again.");
            }
            return off.getAsDouble() < 2
                    ? ColdVerdict.bad(
                            read + ": a short ahead of the load, in cord or switch.",
                            ColdTool.aspects(claims, "short"),
                            "Lift the cord inside and read it alone.")
                    : ColdVerdict.bad(
                            read + ": the switch does not open.",
                            ColdTool.aspects(claims, "opens"),
                            "Read across the switch alone; does the set have a second feed?");
        }
    }

    /** Both plug pins to the chassis. */
    static final class ToChassis implements ColdTool {
        @Override
        public List<Block> blocks(ColdScene scene, Figures figures) {
            return List.of(new Block(
                    "Plug pins to chassis",
                    "",
                    List.of(new Line(
                            "Both pins together to bare metal",
                            "",
                            List.of(Cell.figure("chassis", "", Unit.OHM, text(expected(scene))))))));
        }

        private static String text(double expected) {
            return Double.isInfinite(expected) ? "open" : ColdTool.ohms(expected) + " by the circuit";
        }

        /** What the circuit draws between line and chassis [Ω]; infinite where nothing should be. */
        private static double expected(ColdScene scene) {
            List<Card> line = scene.set().cards().stream()
                    .filter(card -> card.kind().equals("line"))
                    .toList();
            if (line.isEmpty() || scene.set().construction().transformer()) {
                return Double.POSITIVE_INFINITY;
            }
            boolean named =
                    scene.set().cards().stream().anyMatch(card -> card.nodes().contains("chassis"));
            return named ? scene.ohms(line.get(0).nodes().get(1), "chassis").orElse(Double.POSITIVE_INFINITY) : 0;
        }

        /** The resistor that joins line and chassis by itself. */
        private static Optional<Part> joining(ColdScene scene) {
            return scene.set().parts().stream()
                    .filter(p -> p.card().letter() == 'R'
                            && p.nodes().contains("chassis")
                            && p.nodes().stream()
                                    .allMatch(n -> n.equals("chassis")
                                            || n.equals("0")
                                            || scene.chain().nodes().contains(n)))
                    .findFirst();
        }

        @Override
        public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
            OptionalDouble read = figures.ohms("chassis");
            if (read.isEmpty()) {
                return ColdVerdict.wants("Join both pins to one lead, the other to bare metal.");
            }
            double ohms = read.getAsDouble();
            double expected = expected(scene);
            Optional<Part> joining = joining(scene);
            if (joining.isPresent() && !joining.get().unconfirmed() && ohms > 3 * expected) {
                Part part = joining.get();
                return new ColdVerdict(
                        Verdict.BAD,
                        ColdTool.ohms(ohms) + " where " + part.reference() + " of "
                                + ColdTool.ohms(part.workingValue().orElse(expected))
                                + " lies between: " + part.reference() + " is open.",
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(new Claim(part.reference(), Aspect.VALUE)),
                        List.of(),
                        "Replace " + part.reference() + ": without it the chassis floats up to line voltage.");
            }
            if (scene.set().construction().liveChassis() && Double.isFinite(expected)) {
                boolean fits = ohms >= 0.7 * expected - 1;
                String size = ColdTool.ohms(ohms) + " where the circuit has " + ColdTool.ohms(expected);
                return fits
                        ? ColdVerdict.good(
                                size + ". The chassis is tied to the line by design: treat it as live.", claims)
                        : ColdVerdict.bad(
                                size + ": something joins line and chassis that should not.",
                                ColdTool.aspects(claims, "short"),
                                "Lift the capacitor between line and chassis first.");
            }
            if (ohms > 20e6) {
                return ColdVerdict.good(
                        "Open at the meter's few volts: no dead short to the core. A leak at line volts an "
                                + "ordinary ohmmeter cannot see.",
                        claims);
            }
            return ohms > CLOSED
                    ? ColdVerdict.doubt(
                            ColdTool.ohms(ohms) + ": dirt and damp, or an insulation that is going.",
                            claims,
                            "Clean and dry it, then test at 500 V.")
                    : ColdVerdict.bad(
                            ColdTool.ohms(ohms) + " between line and chassis in a set that should have nothing there.",
                            ColdTool.aspects(claims, "short"),
                            "Lift the line capacitors; if it stays, the transformer's primary lies at the core.");
        }
    }
}
