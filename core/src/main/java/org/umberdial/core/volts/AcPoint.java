package org.umberdial.core.volts;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.area.Bench;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.evidence.ReadingLog;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.SheetValue;
import org.umberdial.core.set.TestPoint;

/**
 * A point that stands at AC, by its sheet or because only a winding and heaters are there. Such a point has hardly any
 * resistance behind it, so no meter loads it, and it follows the line in proportion.
 */
final class AcPoint {
    private AcPoint() {}

    /** The verdict of a point whose usual reading is AC; empty for every other point. */
    static Optional<PointVerdict> judge(
            BenchSet set, TestPoint point, ReadingLog log, HousePolicy policy, Bench bench) {
        if (set.usualKind(point.node()) != ReadingKind.AC) {
            return Optional.empty();
        }
        return Optional.of(set.sheet().stream()
                .filter(value -> value.kind() == ReadingKind.AC
                        && value.node().equals(point.node())
                        && (value.mode().isEmpty()
                                || bench.mode().isEmpty()
                                || value.mode().equalsIgnoreCase(bench.mode())))
                .findFirst()
                .map(sheet -> verdict(point, sheet, log, policy, bench))
                .orElseGet(() -> unexpected(point, log, bench)));
    }

    private static PointVerdict unexpected(TestPoint point, ReadingLog log, Bench bench) {
        Optional<Reading> reading = log.latest(point.node(), "0", ReadingKind.AC, bench.mode());
        return new PointVerdict(
                point,
                OptionalDouble.empty(),
                0,
                OptionalDouble.empty(),
                0,
                reading,
                reading.isEmpty() ? Verdict.UNREAD : Verdict.NO_EXPECTATION,
                reading.isEmpty() ? "" : "The sheet gives no AC here to judge it by.",
                List.of("A winding with heaters or lamps: AC; the sheet gives no figure for it"));
    }

    private static PointVerdict verdict(
            TestPoint point, SheetValue sheet, ReadingLog log, HousePolicy policy, Bench bench) {
        double expected = sheet.value() * bench.lineVolts() / sheet.lineVolts();
        double band = Probed.band(expected, false, policy, bench.accuracy());
        Optional<Reading> reading = log.latest(point.node(), sheet.reference(), ReadingKind.AC, bench.mode());
        List<String> arithmetic = List.of(
                "Sheet: " + Phrases.volts(sheet.value()) + " AC at " + Phrases.volts(sheet.lineVolts()) + " line",
                "On your " + Phrases.volts(bench.lineVolts()) + " line: " + Phrases.volts(expected)
                        + " AC; a winding follows the line");
        if (reading.isEmpty()) {
            return new PointVerdict(
                    point,
                    OptionalDouble.of(expected),
                    band,
                    OptionalDouble.of(expected),
                    0,
                    reading,
                    Verdict.UNREAD,
                    "",
                    arithmetic);
        }
        double there = sheet.value() * reading.get().lineVolts() / sheet.lineVolts();
        double off = reading.get().value() - there;
        Verdict verdict = Math.abs(off) <= band
                ? Verdict.GOOD
                : Math.abs(off) <= band + policy.doubtMargin() * there ? Verdict.DOUBT : Verdict.BAD;
        String size = Phrases.volts(Math.abs(off)) + (off < 0 ? " low" : " high") + " ("
                + Math.round(100 * Math.abs(off) / there) + " %)";
        String reason = size
                + switch (verdict) {
                    case GOOD -> ", inside the band of ± " + Phrases.volts(band) + ".";
                    case DOUBT -> ": outside " + Phrases.share(policy.spread()) + ", not yet wrong.";
                    default ->
                        off < 0
                                ? ": read the line at the plug and the other windings; a bad contact or a "
                                        + "wrong tap does this."
                                : ": a wrong tap or a heater missing from its string does this, and heaters die of it.";
                };
        return new PointVerdict(
                point,
                OptionalDouble.of(expected),
                band,
                OptionalDouble.of(expected),
                0,
                reading,
                verdict,
                reason,
                arithmetic);
    }
}
