package org.umberdial.core.cold;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.set.Part;
import org.umberdial.core.value.Unit;

/** Filter sections: no dead short, given time to charge. */
final class RailsTool extends PartByPart {
    private static final double FREE = 20e3;

    RailsTool() {
        super(
                "Section by section",
                "Two readings with their times tell a climbing one from a settled one; their order does not matter.",
                "Read each section and let it climb.",
                "Lift its lead: the short may be in what hangs on the rail.");
    }

    @Override
    List<String> subjects(ColdScene scene) {
        return scene.roles().of(Role.FILTER_CAPACITOR);
    }

    @Override
    List<Cell> cells(ColdScene scene, String s) {
        return List.of(
                Cell.figure("o." + s, "ohms", Unit.OHM, bleeder(scene, s)),
                Cell.figure("t." + s, "after", Unit.SECOND, ""),
                Cell.figure("o2." + s, "ohms", Unit.OHM, ""),
                Cell.figure("t2." + s, "after", Unit.SECOND, ""));
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
    Optional<One> one(ColdScene scene, String subject, Figures f) {
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
            return Optional.of(
                    new One(Verdict.GOOD, value, "no dead short; a leak at working volts an ohmmeter does not see"));
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
