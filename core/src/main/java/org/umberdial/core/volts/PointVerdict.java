package org.umberdial.core.volts;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.set.TestPoint;

/**
 * One point, what it should show and what its latest reading says.
 *
 * @param expected what the bench's meter would show on a healthy set on the bench's line [V]
 * @param band half width of what is taken as normal around it [V]
 * @param openVolts the same with no meter connected [V]
 * @param sourceOhms resistance of the point as a meter sees it [Ω]
 * @param reason one sentence: what the verdict rests on; empty when unread
 * @param arithmetic the steps behind it, one a line
 */
public record PointVerdict(
        TestPoint point,
        OptionalDouble expected,
        double band,
        OptionalDouble openVolts,
        double sourceOhms,
        Optional<Reading> reading,
        Verdict verdict,
        String reason,
        List<String> arithmetic) {}
