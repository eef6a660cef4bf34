package org.umberdial.core.parts;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.evidence.Measured;
import org.umberdial.core.evidence.PartRead;
import org.umberdial.core.evidence.Sign;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * What all leakage tests of one capacitor say together.
 *
 * <p>Source: FORMULAS, Leakage. A failure at any voltage is conclusive, except of an electrolytic that was never formed
 * or stood the wrong way round; a pass below a share of the working voltage proves nothing. An electrolytic changes
 * while it is formed, so of several tests the last one holds; anything else that leaked once and then did not is
 * settled by hand.
 */
final class LeakJudge {
    /** Less than this with nothing beside it is a wire [Ω]. */
    private static final double SHORT_OHMS = 100;
    /** An electrolytic that leaks so much by itself cannot be formed [Ω]. */
    private static final double BEYOND_FORMING_OHMS = 1000;
    /** An eye or a lamp shows no leak finer than this [Ω]; a cautious figure for testers of the tube age. */
    private static final double EYE_REACH_OHMS = 20e6;

    private static final double HAIR = 1 + 1e-9;

    /** What it comes to, the gravest last. */
    enum Leak {
        UNREAD,
        IN_PLACE_ONLY,
        TOO_LITTLE,
        PASSES,
        USABLE,
        UNWATCHED,
        HINT,
        CONFLICT,
        FORM_FIRST,
        FAILS,
        SHORTED
    }

    /** @param volts it was tested at; 0 for an ohmmeter's few */
    record Said(Leak leak, String says, Optional<Taken> by, double volts) {}

    private final CapacitorCase part;

    LeakJudge(CapacitorCase part) {
        this.part = part;
    }

    Said judge() {
        List<Said> said = new ArrayList<>();
        for (Taken taken : part.readings()) {
            of(taken).ifPresent(said::add);
        }
        List<Said> alone =
                said.stream().filter(s -> s.leak != Leak.IN_PLACE_ONLY).toList();
        if (alone.isEmpty()) {
            return said.isEmpty() ? new Said(Leak.UNREAD, "", Optional.empty(), 0) : said.get(said.size() - 1);
        }
        return part.electrolytic() ? lastOf(alone) : strictest(alone);
    }

    /** A test that shows more than a glance does holds over a later glance. */
    private static Said lastOf(List<Said> said) {
        Said last = said.get(said.size() - 1);
        return last.leak != Leak.TOO_LITTLE
                ? last
                : said.stream()
                        .filter(s -> s.leak != Leak.TOO_LITTLE)
                        .reduce((first, second) -> second)
                        .orElse(last);
    }

    private static Said strictest(List<Said> said) {
        Optional<Said> failed = lastOf(said, Leak.SHORTED).or(() -> lastOf(said, Leak.FAILS));
        if (failed.isPresent()) {
            int at = said.indexOf(failed.get());
            Optional<Said> against = said.subList(at + 1, said.size()).stream()
                    .filter(s -> s.leak == Leak.PASSES && s.volts >= failed.get().volts)
                    .findFirst();
            return against.map(pass -> new Said(
                            Leak.CONFLICT,
                            failed.get().says + " Later it passed: " + pass.says
                                    + " Settle which holds: warm it, wait a minute on the voltage, and test once more.",
                            pass.by,
                            pass.volts))
                    .orElse(failed.get());
        }
        for (Leak one : List.of(Leak.PASSES, Leak.HINT, Leak.TOO_LITTLE)) {
            Optional<Said> last = lastOf(said, one);
            if (last.isPresent()) {
                return last.get();
            }
        }
        return said.get(said.size() - 1);
    }

    private static Optional<Said> lastOf(List<Said> said, Leak leak) {
        return said.stream().filter(s -> s.leak == leak).reduce((first, second) -> second);
    }

    private Optional<Said> of(Taken taken) {
        PartRead read = taken.read();
        OptionalDouble leak = read.leakOhms();
        double volts = read.figure(Measured.TEST_VOLTS).orElse(0);
        if (leak.isEmpty()) {
            return bySign(taken, volts);
        }
        if (!taken.alone()) {
            return said(
                    Leak.IN_PLACE_ONLY,
                    "A leak read in place is also that of what is beside it: lift one end and test again.",
                    taken,
                    volts);
        }
        double ohms = leak.getAsDouble();
        if (ohms < SHORT_OHMS) {
            return said(
                    Leak.SHORTED,
                    Engineering.print(ohms, Unit.OHM) + " with nothing beside it: shorted.",
                    taken,
                    volts);
        }
        if (part.electrolytic() && ohms < BEYOND_FORMING_OHMS && !taken.read().has(Sign.REVERSED)) {
            return said(
                    Leak.FAILS,
                    Engineering.print(ohms, Unit.OHM) + " with nothing beside it: no forming brings that back.",
                    taken,
                    volts);
        }
        if (part.electrolytic() && volts > 0) {
            return electrolytic(taken, volts / ohms, volts);
        }
        return volts > 0 || !Double.isInfinite(ohms) && !part.electrolytic()
                ? dry(taken, ohms, volts)
                : said(Leak.TOO_LITTLE, tooLittle(0), taken, 0);
    }

    private Optional<Said> dry(Taken taken, double ohms, double volts) {
        OptionalDouble least = part.place().leastOhms();
        String at = volts > 0 ? " at " + volts(volts) : " at an ohmmeter's few volts";
        if (least.isEmpty()) {
            return said(
                    Double.isInfinite(ohms) ? Leak.TOO_LITTLE : Leak.HINT,
                    (Double.isInfinite(ohms) ? "No leak" : "A leak of " + ohms(ohms)) + at
                            + ". What this place allows is not known: the circuit does not say what stands there.",
                    taken,
                    volts);
        }
        if (!part.place().sure()) {
            return said(
                    ohms < least.getAsDouble() ? Leak.HINT : Leak.TOO_LITTLE,
                    (Double.isInfinite(ohms) ? "No leak" : "A leak of " + ohms(ohms)) + at
                            + ". What this place allows is as such sets usually are, not checked: walk the circuit first.",
                    taken,
                    volts);
        }
        if (ohms < least.getAsDouble()) {
            return said(
                    Leak.FAILS,
                    "Leaks: " + ohms(ohms) + at + ". " + part.place().says(),
                    taken,
                    volts);
        }
        if (volts < part.rules().proofShare() * part.workingVolts().orElse(Double.POSITIVE_INFINITY)) {
            return said(Leak.TOO_LITTLE, tooLittle(volts), taken, volts);
        }
        if (Double.isInfinite(ohms)
                && taken.reachOhms().isPresent()
                && taken.reachOhms().getAsDouble() < least.getAsDouble()) {
            return said(
                    Leak.TOO_LITTLE,
                    "This tester shows no leak finer than "
                            + ohms(taken.reachOhms().getAsDouble()) + "; this place allows none under "
                            + ohms(least.getAsDouble()) + ".",
                    taken,
                    volts);
        }
        return said(
                Leak.PASSES,
                "It holds " + volts(volts)
                        + (Double.isInfinite(ohms) ? " without a leak." : " with " + ohms(ohms) + "."),
                taken,
                volts);
    }

    private String tooLittle(double volts) {
        OptionalDouble working = part.workingVolts();
        String at = volts > 0 ? "At " + volts(volts) : "An ohmmeter's few volts";
        String seen = volts > 0 ? " a leak that comes with the voltage does not show" : " show no leak";
        return at + seen + "; it needs "
                + working.stream()
                        .mapToObj(v -> volts(Math.max(1, part.rules().proofShare() * v)) + " or more")
                        .findFirst()
                        .orElse("its working volts, which nobody has said")
                + ".";
    }

    private Optional<Said> electrolytic(Taken taken, double amperes, double volts) {
        HouseLimits limits = new HouseLimits(volts);
        String leaks = current(amperes) + " at " + volts(volts);
        if (volts < part.rules().proofShare() * part.workingVolts().orElse(Double.POSITIVE_INFINITY)
                && amperes <= limits.asNew) {
            return said(Leak.TOO_LITTLE, tooLittle(volts), taken, volts);
        }
        if (amperes <= limits.asNew) {
            return said(
                    Leak.PASSES,
                    "It leaks " + leaks + ", no more than a new one may (" + current(limits.asNew) + ").",
                    taken,
                    volts);
        }
        boolean tolerant = part.place().is(NetworkRole.CATHODE_BYPASS)
                && volts / amperes >= part.place().leastOhms().orElse(Double.POSITIVE_INFINITY);
        if (amperes <= limits.heat && (amperes <= limits.usable || tolerant)) {
            return taken.read().has(Sign.FALLING) || tolerant
                    ? said(
                            Leak.USABLE,
                            "It leaks " + leaks + ": more than a new one, and this place stands it. Watch it.",
                            taken,
                            volts)
                    : said(
                            Leak.UNWATCHED,
                            "It leaks " + leaks + ", up to " + current(Math.min(limits.usable, limits.heat))
                                    + " would do while it is falling: leave it on its volts and read again.",
                            taken,
                            volts);
        }
        boolean reversed = taken.read().has(Sign.REVERSED);
        if (reversed || !taken.read().has(Sign.FORMED)) {
            return said(
                    Leak.FORM_FIRST,
                    "It leaks " + leaks + ", which is not conclusive: "
                            + (reversed
                                    ? "it stood the wrong way round. Check its polarity, form it, then judge."
                                    : "nobody formed it before. Check its polarity, form it, then judge."),
                    taken,
                    volts);
        }
        return said(
                Leak.FAILS,
                "It leaks " + leaks + ", " + String.format(Locale.ROOT, "%.2f W", amperes * volts)
                        + " of heat, after forming. It may leak "
                        + current(Math.min(limits.usable, limits.heat)) + " at most.",
                taken,
                volts);
    }

    /** What an electrolytic may leak at these volts [A]. */
    private final class HouseLimits {
        private final double asNew;
        private final double usable;
        private final double heat;

        HouseLimits(double volts) {
            // What is read as just so much still is.
            asNew = HAIR
                    * (part.rules().leakPerCv() * part.marked().orElse(0) * volts
                            + part.rules().leakBase());
            usable = part.rules().usableTimes() * asNew;
            heat = HAIR * part.rules().leakWatts() / volts;
        }
    }

    private Optional<Said> bySign(Taken taken, double volts) {
        Optional<Sign> shown =
                taken.read().signs().stream().filter(Sign::shownByEyeOrLamp).findFirst();
        if (shown.isEmpty()) {
            return Optional.empty();
        }
        String says = "At " + (volts > 0 ? volts(volts) : "the tester's volts") + " "
                + shown.get().label();
        if (!taken.alone()) {
            return said(
                    Leak.IN_PLACE_ONLY,
                    says + ", in place, where what is beside it leaks too: lift one end and test again.",
                    taken,
                    volts);
        }
        return switch (shown.get()) {
            case EYE_OPENS, LAMP_DARK -> passesByEye(taken, volts, says);
            case EYE_SLOW, EYE_INDISTINCT ->
                said(
                        Leak.HINT,
                        says + ": it may leak, or charge slowly. A leakage test with figures tells.",
                        taken,
                        volts);
            default ->
                part.electrolytic() && !taken.read().has(Sign.FORMED)
                        ? said(
                                Leak.FORM_FIRST,
                                says + ", as one does that was never formed. Check its polarity, form it, then judge.",
                                taken,
                                volts)
                        : said(Leak.FAILS, says + ": it leaks.", taken, volts);
        };
    }

    private Optional<Said> passesByEye(Taken taken, double volts, String says) {
        if (volts < part.rules().proofShare() * part.workingVolts().orElse(Double.POSITIVE_INFINITY)) {
            return said(Leak.TOO_LITTLE, says + ". " + tooLittle(volts), taken, volts);
        }
        double least = part.place().leastOhms().orElse(Double.POSITIVE_INFINITY);
        return least > EYE_REACH_OHMS
                ? said(
                        Leak.TOO_LITTLE,
                        says + ". Such a tester shows no leak under about " + ohms(EYE_REACH_OHMS)
                                + " surely; this place allows "
                                + (Double.isInfinite(least)
                                        ? "one that is not known."
                                        : "none under " + ohms(least) + "."),
                        taken,
                        volts)
                : said(Leak.PASSES, says + ": it holds.", taken, volts);
    }

    private static Optional<Said> said(Leak leak, String says, Taken by, double volts) {
        return Optional.of(new Said(leak, says, Optional.of(by), volts));
    }

    private static String volts(double volts) {
        return Engineering.round(volts, Unit.VOLT);
    }

    private static String ohms(double ohms) {
        return Engineering.print(ohms, Unit.OHM);
    }

    private static String current(double amperes) {
        return Engineering.print(amperes, Unit.AMPERE);
    }
}
