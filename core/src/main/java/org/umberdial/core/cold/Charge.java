package org.umberdial.core.cold;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.journal.Benched;
import org.umberdial.core.journal.Journal;
import org.umberdial.core.reading.Reading;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.Part;

/** Charge that capacitors keep, how to bleed it, and whether it was proven gone. */
public final class Charge {
    private static final double LEAST_FARADS = 0.2e-6;

    /**
     * A capacitor that can hold a charge worth fearing.
     *
     * @param volts it stands at when the set works [V]
     * @param known whether that is from the circuit at work; else it is its rating
     * @param joules C V² / 2
     * @param seconds to the safe voltage through the bleeder; 0 when it is safe already
     * @param watts in the bleeder at the first moment
     */
    public record Holder(
            String reference,
            String name,
            double farads,
            double volts,
            boolean known,
            double joules,
            double seconds,
            double watts) {}

    private Charge() {}

    /** Time to bleed [s]: R C ln(V0/V); 0 when it is not above V already. */
    public static double seconds(double ohms, double farads, double volts, double safeVolts) {
        return volts <= safeVolts ? 0 : ohms * farads * Math.log(volts / safeVolts);
    }

    /** The capacitors to bleed, the most energy first. */
    public static List<Holder> holders(ColdScene scene, double bleedOhms) {
        double safe = scene.policy().safeVolts();
        List<Holder> holders = new ArrayList<>();
        for (Part part : scene.set().parts()) {
            double farads = part.card().letter() == 'C' ? part.workingValue().orElse(0.0) : 0;
            if (farads >= LEAST_FARADS) {
                Optional<Double> working = scene.atWork().flatMap(point -> across(point, part));
                double volts = working.orElse(part.ratingVolts().orElse(0.0));
                if (volts > safe) {
                    holders.add(new Holder(
                            part.reference(),
                            part.description(),
                            farads,
                            volts,
                            working.isPresent(),
                            farads * volts * volts / 2,
                            seconds(bleedOhms, farads, volts, safe),
                            volts * volts / bleedOhms));
                }
            }
        }
        holders.sort(Comparator.comparingDouble(Holder::joules).reversed());
        return List.copyOf(holders);
    }

    private static Optional<Double> across(OperatingPoint point, Part part) {
        var a = point.volts(part.nodes().get(0));
        var b = point.volts(part.nodes().get(1));
        return a.isPresent() && b.isPresent()
                ? Optional.of(Math.abs(a.getAsDouble() - b.getAsDouble()))
                : Optional.empty();
    }

    /** How the charge stood when it was last read before a moment. */
    public enum State {
        NOT_READ,
        GONE,
        THERE
    }

    /** @param when a moment; readings after it do not count */
    public static State at(Journal journal, Instant when, double safeVolts) {
        return journal.standing(Benched.class).stream()
                .filter(s -> s.fact().test().equals("discharge")
                        && !s.entry().takenAt().isAfter(when))
                .max(Comparator.comparing(
                        (Journal.Standing<Benched> s) -> s.entry().takenAt()))
                .map(s -> highest(s.fact()) > safeVolts ? State.THERE : State.GONE)
                .orElse(State.NOT_READ);
    }

    /** The readings that count: ohms taken while a charge was last read are left out, for they prove nothing. */
    public static List<Reading> evidence(List<Reading> readings, Journal journal, double safeVolts) {
        return readings.stream()
                .filter(r -> r.kind() != ReadingKind.OHMS || at(journal, r.takenAt(), safeVolts) != State.THERE)
                .toList();
    }

    private static double highest(Benched fact) {
        Figures figures = new Figures(fact.figures());
        return fact.figures().keySet().stream()
                .filter(key -> key.startsWith("v."))
                .mapToDouble(key -> Math.abs(figures.number(key).orElse(0)))
                .max()
                .orElse(0);
    }

    /** The sentence about an ohms reading taken while a charge was there. */
    public static String refusal(double safeVolts) {
        return String.format(
                Locale.ROOT,
                "Taken while a capacitor still held more than %.0f V: a charge drives the ohmmeter, so this "
                        + "proves nothing. Bleed, read volts, then read it again.",
                safeVolts);
    }
}
