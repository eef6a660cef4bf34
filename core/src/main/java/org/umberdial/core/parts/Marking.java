package org.umberdial.core.parts;

import java.util.Locale;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.set.Part;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;

/**
 * What stands on a part that is in its place now: on a new one what was written of it, never what stood on the old.
 *
 * @param kind what a capacitor is made of; of no meaning for anything else
 * @param value in the part's unit; empty when nobody knows
 * @param confirmed whether the value is known of this very set
 * @param ratedVolts that direct current may put across it [V]; empty when nobody knows
 */
record Marking(CapacitorKind kind, OptionalDouble value, boolean confirmed, OptionalDouble ratedVolts) {
    private static final Pattern FARADS =
            Pattern.compile("(?i)(?<![\\w.,])([0-9]*[.,]?[0-9]+) ?([pnuµμ]f?|mfd|mmfd|mf)(?![a-z0-9])");
    /** Volts that are not said to be alternating. */
    private static final Pattern VOLTS =
            Pattern.compile("(?i)(?<![\\w.,])([0-9]*[.,]?[0-9]+) ?v(?:olts?|dc)?(?![a-z~])(?! ?(?:ac|~))");

    /** As it stands on the sheet. */
    static Marking of(Part part) {
        return new Marking(
                CapacitorKind.of(part.card()),
                part.workingValue().map(OptionalDouble::of).orElse(OptionalDouble.empty()),
                !part.unconfirmed(),
                part.ratingVolts().map(OptionalDouble::of).orElse(OptionalDouble.empty()));
    }

    /** Of a capacitor that went in for the one on the sheet: by the words that were written of it. */
    static Marking of(Part part, Ledger.Replaced replaced) {
        String with = replaced.with();
        return new Marking(
                kind(with, CapacitorKind.of(part.card())),
                figure(FARADS, with, Unit.FARAD),
                true,
                figure(VOLTS, with, Unit.VOLT));
    }

    /** Nobody fits paper any more, and a safety type is one only where somebody wrote so. */
    private static CapacitorKind kind(String with, CapacitorKind before) {
        CapacitorKind written = CapacitorKind.named(with.toLowerCase(Locale.ROOT));
        if (written != CapacitorKind.UNKNOWN) {
            return written;
        }
        return before == CapacitorKind.PAPER || before == CapacitorKind.SAFETY ? CapacitorKind.UNKNOWN : before;
    }

    private static OptionalDouble figure(Pattern pattern, String text, Unit unit) {
        Matcher found = pattern.matcher(text);
        if (!found.find()) {
            return OptionalDouble.empty();
        }
        try {
            String suffix = found.groupCount() > 1 ? found.group(2) : "";
            return OptionalDouble.of(new ValueReader(DecimalSign.POINT)
                    .read(found.group(1).replace(',', '.') + suffix, unit)
                    .value());
        } catch (InvalidEntry unreadable) {
            return OptionalDouble.empty();
        }
    }
}
