package org.umberdial.core.diagnosis;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Ledger;

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

    private final Ledger ledger;

    public Standing(Ledger ledger) {
        this.ledger = ledger;
    }

    @Override
    public double applyAsDouble(FaultMode mode) {
        double factor = ledger.replaced(mode.name()).isPresent() ? NEW : 1;
        for (Aspect aspect : CLEARED_BY.get(mode.kind())) {
            Claim claim = new Claim(mode.name(), aspect);
            if (ledger.failed(claim)) {
                return FAILED;
            }
            if (ledger.sound(claim)) {
                factor = Math.min(factor, PROVEN);
            } else if (ledger.of(claim).filter(Ledger.Standing::doubted).isPresent()) {
                factor = Math.max(factor, DOUBTED);
            }
        }
        return factor;
    }
}
