package org.umberdial.core.volts;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Observation;
import org.umberdial.core.claim.Strength;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.evidence.ReadingLog;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;

/**
 * A wrong point that was read again with one lead of a capacitor lifted. Right again: it conducted. As wrong as before:
 * it does not. A test older than the reading it is to explain says nothing: the part may have been replaced in between.
 *
 * @param part that was lifted
 * @param standing what that says of it
 * @param at when it was read
 */
public record LiftTest(String node, String part, Suspect.Standing standing, Instant at) {
    /** Whether it proves or clears. */
    public boolean settles() {
        return standing != Suspect.Standing.OPEN;
    }

    /** What it says to the ledger. */
    Observation observation(String point) {
        boolean proven = standing == Suspect.Standing.PROVEN;
        return new Observation(
                new Claim(part, Aspect.NO_LEAK),
                proven ? Observation.Word.FAILED : Observation.Word.SOUND,
                Strength.LIFTED,
                false,
                at,
                "",
                proven
                        ? "With it lifted " + point + " was right."
                        : "With it lifted " + point + " was as wrong as before.",
                "",
                List.of());
    }

    /** The latest at each wrong point and part. */
    static List<LiftTest> of(BenchSet set, StageModel model, ReadingLog log, List<Probed> off, HousePolicy policy) {
        List<LiftTest> tests = new ArrayList<>();
        for (Probed point : off) {
            Reading shown = point.reading;
            Map<String, Reading> lifted = new TreeMap<>();
            log.of(point.point.node(), ReadingKind.DC, shown.mode())
                    .filter(reading -> !reading.lifted().isEmpty()
                            && !reading.takenAt().isBefore(shown.takenAt())
                            && set.part(reading.lifted())
                                    .filter(part -> part.card().letter() == 'C')
                                    .isPresent())
                    .forEach(reading -> lifted.put(reading.lifted().toUpperCase(Locale.ROOT), reading));
            lifted.values()
                    .forEach(reading -> tests.add(new LiftTest(
                            point.point.node(),
                            set.part(reading.lifted()).orElseThrow().reference(),
                            standing(point, new Probed(model, point.point, reading, policy, 0)),
                            reading.takenAt())));
        }
        return tests;
    }

    /** Whether a point that was wrong is right without the part. */
    static Suspect.Standing standing(Probed with, Probed without) {
        double before = Math.abs(with.openDeviation());
        double after = Math.abs(without.openDeviation());
        if (after <= Math.max(without.band(), before / 5)) {
            return Suspect.Standing.PROVEN;
        }
        return after > before / 2 ? Suspect.Standing.CLEARED : Suspect.Standing.OPEN;
    }
}
