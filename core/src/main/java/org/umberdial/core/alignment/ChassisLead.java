package org.umberdial.core.alignment;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.evidence.EvidenceLog.Standing;
import org.umberdial.core.evidence.LeadProven;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * Whether something earthed may be clipped to a chassis that may be live, by its design or because insulation fails: a
 * generator’s ground, an oscilloscope’s, a computer’s line input. Words do not prove isolation; what flows from chassis
 * to earth does, measured as the set stands and is fed now.
 */
public final class ChassisLead {
    /** Sets are moved and plugs turned: it counts for a day at the bench. */
    private static final Duration HOLDS = Duration.ofHours(12);

    private ChassisLead() {}

    /** What bars a lead, a sentence; empty when nothing does. */
    public static Optional<String> bars(SetFile file, Instant now) {
        boolean leaks =
                file.ledger().standings().stream().anyMatch(s -> s.claim().aspect() == Aspect.INSULATION && s.failed());
        if (!file.set().construction().liveChassis() && !leaks) {
            return Optional.empty();
        }
        List<Standing<LeadProven>> made = file.log().standing(LeadProven.class);
        if (made.isEmpty()) {
            return Optional.of(
                    "This chassis may be live, and an earthed lead on it puts heart and computer at risk. Put the isolation"
                            + " transformer in, then read from chassis to earth across a resistor, both plug ways: only"
                            + " what is measured opens this.");
        }
        Standing<LeadProven> last = made.get(made.size() - 1);
        double limit = file.policy().touchAmperes();
        double amperes = last.fact().amperes();
        if (amperes > limit) {
            return Optional.of(Engineering.print(amperes, Unit.AMPERE) + " flow from chassis to earth, more than "
                    + Engineering.print(limit, Unit.AMPERE)
                    + ": it is not isolated. Nothing earthed touches it.");
        }
        if (last.at().plus(HOLDS).isBefore(now)) {
            return Optional.of(
                    "Its isolation was measured more than twelve hours ago; plugs have been pulled since. Read chassis to"
                            + " earth again.");
        }
        return Optional.empty();
    }
}
