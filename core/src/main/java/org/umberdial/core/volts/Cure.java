package org.umberdial.core.volts;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.evidence.ReadingLog;
import org.umberdial.core.reading.ReadingKind;

/**
 * A point that was wrong and is right since parts were changed.
 *
 * @param parts what was changed between the wrong reading and the right one
 */
public record Cure(String node, List<String> parts) {
    /**
     * Of points that are right now.
     *
     * @param changed every part that was replaced, as it was done last
     */
    static List<Cure> of(List<Probed> right, ReadingLog log, List<Ledger.Replaced> changed) {
        List<Cure> cures = new ArrayList<>();
        for (Probed now : right) {
            log.last(
                            now.point.node(),
                            ReadingKind.DC,
                            now.reading.mode(),
                            Instant.MIN,
                            earlier -> earlier.undisturbed()
                                    && earlier.takenAt().isBefore(now.reading.takenAt())
                                    && now.with(earlier).byFigures() == Verdict.BAD)
                    .map(wrong -> changed.stream()
                            .filter(one -> one.at().isAfter(wrong.takenAt())
                                    && one.at().isBefore(now.reading.takenAt()))
                            .map(Ledger.Replaced::subject)
                            .toList())
                    .filter(parts -> !parts.isEmpty())
                    .ifPresent(parts -> cures.add(new Cure(now.point.node(), parts)));
        }
        return List.copyOf(cures);
    }

    /** What that proves: one part alone was it; of several nobody knows which. */
    public String says(String point) {
        return parts.size() == 1
                ? point + " was wrong and is right since " + parts.get(0)
                        + " was changed: the one taken out was it, or its" + " joint."
                : point + " was wrong and is right since " + String.join(", ", parts)
                        + " were changed: cured, the cause unproven. Test what was taken out if you want to know.";
    }
}
