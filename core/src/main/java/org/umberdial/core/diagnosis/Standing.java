package org.umberdial.core.diagnosis;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.claim.Strength;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.role.PartRoles;
import org.umberdial.core.role.Symptom;
import org.umberdial.core.set.BenchSet;

/**
 * How far each fault may still be, by what is known of its part from elsewhere: tests without power, tube tests, what
 * was replaced. What was proven is hardly ever it, and a little, since proofs hold for the volts and the warmth they
 * were made at; what failed a test is most likely it, and not for sure, since what failed may move nothing.
 */
public final class Standing implements ToDoubleFunction<FaultMode> {
    private static final double PROVEN = 0.04;
    private static final double FAILED = 25;
    private static final double DOUBTED = 4;
    private static final double NEW = 0.1;

    private static final Map<FaultMode.Kind, List<Aspect>> CLEARED_BY = new EnumMap<>(Map.of(
            FaultMode.Kind.OPEN, List.of(Aspect.CONTINUITY, Aspect.NOT_OPEN, Aspect.WINDING_CONTINUITY, Aspect.VALUE),
            FaultMode.Kind.SHORTED, List.of(Aspect.NO_SHORT, Aspect.NO_DEAD_SHORT, Aspect.NO_LEAK),
            FaultMode.Kind.LEAKS, List.of(Aspect.NO_LEAK, Aspect.INSULATION),
            FaultMode.Kind.DRIFTED_UP, List.of(Aspect.VALUE),
            FaultMode.Kind.DRIFTED_DOWN, List.of(Aspect.VALUE),
            FaultMode.Kind.DRIED_OUT, List.of(Aspect.NOT_DRIED, Aspect.VALUE),
            FaultMode.Kind.WEAK, List.of(Aspect.EMISSION),
            FaultMode.Kind.DEAD, List.of(Aspect.EMISSION),
            FaultMode.Kind.GASSY, List.of(Aspect.NO_GAS),
            FaultMode.Kind.HEATER_OPEN, List.of(Aspect.HEATER_WHOLE)));

    /** By how much a symptom speaks for what it is most often told of, against what it is not told of. */
    private static final double TOLD_MOST = 9;
    /** The share among a symptom's causes that is most. */
    private static final double MOST = 0.3;
    /** By how much a charred part speaks for what overloads it, against what does not. */
    private static final double CHARRED = 8;

    private final BenchSet set;
    private final Ledger ledger;
    private final List<Symptom> heard;
    private final PartRoles roles;
    private final Atlas atlas;
    private final List<String> charred;

    /** @param atlas that says which faults overload what */
    public Standing(BenchSet set, Background background, Atlas atlas) {
        this.set = set;
        this.atlas = atlas;
        charred = background.charred();
        ledger = background.known();
        heard = background.heard();
        roles = new PartRoles(set.cards(), set.tubes().data());
    }

    /** Whether a factor says that the part was tested, so that its test has nothing more to tell. */
    static boolean isSettled(double factor) {
        return factor <= PROVEN || factor >= FAILED;
    }

    @Override
    public double applyAsDouble(FaultMode mode) {
        String subject = set.tubeOf(mode.part());
        double factor = ledger.replaced(subject).isPresent() ? NEW : 1;
        for (Aspect aspect : CLEARED_BY.get(mode.kind())) {
            Claim claim = new Claim(subject, aspect);
            if (ledger.failed(claim)) {
                return FAILED;
            }
            if (ledger.sound(claim)) {
                factor = Math.min(factor, PROVEN);
            } else if (ledger.of(claim).filter(Standing::isDoubtedByTest).isPresent()) {
                factor = Math.max(factor, DOUBTED);
            }
        }
        return factor * told(mode) * scorched(mode);
    }

    private double scorched(FaultMode mode) {
        double factor = 1;
        for (String part : charred) {
            factor *= atlas.burns(mode).containsKey(part) ? CHARRED : 1;
        }
        return Math.min(FAILED, factor);
    }

    /** What is heard of a set speaks for parts whose role and failure the trade hears so. It clears none. */
    private double told(FaultMode mode) {
        if (heard.isEmpty()) {
            return 1;
        }
        Optional<NetworkRole> role = roles.role(mode.part());
        double told = 1;
        for (Symptom symptom : heard) {
            double share = symptom.roles().stream()
                    .filter(one -> one.failure().equals(mode.kind().failure())
                            && role.isPresent()
                            && NetworkRole.of(one.role()).equals(role))
                    .mapToDouble(Symptom.RoleFault::weight)
                    .max()
                    .orElse(0);
            told *= 1 + TOLD_MOST * Math.min(1, share / MOST);
        }
        return Math.min(FAILED, told);
    }

    /** What was only inferred was inferred from the same voltages that are weighed here: it counts once. */
    private static boolean isDoubtedByTest(Ledger.Standing standing) {
        return standing.doubted() && standing.holds().strength() != Strength.INFERRED;
    }
}
