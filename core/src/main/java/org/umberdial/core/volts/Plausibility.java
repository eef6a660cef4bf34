package org.umberdial.core.volts;

import java.util.Optional;
import org.umberdial.core.area.Bench;
import org.umberdial.core.entry.Entry;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.SheetValue;
import org.umberdial.core.value.Engineering;

/** Asks before a reading is kept that no set of this kind could give: a slipped decimal point or the wrong range. */
public final class Plausibility {
    /** No home set has more on any DC rail; a reading above it is a slip or needs another meter altogether. */
    private static final double MOST_VOLTS = 2000;

    /** A rail may run half as high again before its load draws; three times is a slip. */
    private static final double OVER_HIGHEST = 3;

    /** A heater far over its rating would be gone already. */
    private static final double MOST_HEATER_VOLTS = 150;

    private Plausibility() {}

    /** The question to ask, or empty when the reading can be kept as it is. */
    public static Optional<String> question(BenchSet set, Entry entry, Bench bench) {
        double size = Math.abs(entry.value());
        String shown = Engineering.print(entry.value(), entry.kind().unit());
        if (entry.kind() == ReadingKind.OHMS) {
            return size > 1e9
                    ? Optional.of(shown + " is beyond what a meter reads. Keep it all the same?")
                    : Optional.empty();
        }
        if (entry.kind() != ReadingKind.DC && entry.kind() != ReadingKind.AC) {
            return size > 10
                    ? Optional.of(shown + " would blow any fuse. Is it in milliamperes? Keep it all the same?")
                    : Optional.empty();
        }
        String name = set.nameOf(entry.subject());
        if (name.toLowerCase(java.util.Locale.ROOT).contains("heater") && size > MOST_HEATER_VOLTS) {
            return Optional.of(shown + " at " + name + ": no heater stands that. Was it "
                    + Engineering.print(entry.value() / 1000, entry.kind().unit()) + "? Keep it all the same?");
        }
        if (size > MOST_VOLTS) {
            return Optional.of(shown + " at " + name + " is beyond any home set. Was it "
                    + Engineering.print(entry.value() / 1000, entry.kind().unit()) + "? Keep it all the same?");
        }
        if (entry.kind() == ReadingKind.DC
                && bench.highest().isPresent()
                && size > bench.highest().getAsDouble()) {
            return Optional.of(shown + " at " + name + " is more than this meter shows ("
                    + Engineering.print(
                            bench.highest().getAsDouble(), entry.kind().unit())
                    + "). Was it read with another? Keep it all the same?");
        }
        double highest = set.sheet().stream()
                .filter(value -> value.kind() == entry.kind())
                .mapToDouble(SheetValue::value)
                .map(Math::abs)
                .max()
                .orElse(Double.POSITIVE_INFINITY);
        double scale = set.sheet().stream()
                .mapToDouble(SheetValue::lineVolts)
                .findFirst()
                .orElse(bench.lineVolts());
        if (size > 50 && size > OVER_HIGHEST * highest * bench.lineVolts() / scale) {
            return Optional.of(shown + " at " + name + " is more than three times the highest voltage on the sheet ("
                    + Engineering.print(highest, entry.kind().unit())
                    + "). Is the decimal sign where it belongs? Keep it all the same?");
        }
        return Optional.empty();
    }
}
