package org.umberdial.core.cold;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.procedure.Cells;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.set.Part;

/** Charge that capacitors keep, how to bleed it, and whether it was proven gone. */
public final class Charge {
    private static final double LEAST_FARADS = 0.2e-6;
    private static final String VOLTS = "v.";
    private static final String ANY = "v.any";

    /**
     * A capacitor that can hold a charge worth fearing.
     *
     * @param volts it stands at when the set works, else its rating [V]; empty when nobody knows either
     * @param working whether that is from the circuit at work
     */
    public record Holder(String reference, String name, double farads, OptionalDouble volts, boolean working) {
        /** C V² / 2; 0 when its volts are not known. */
        public double joules() {
            return volts.isPresent() ? farads * volts.getAsDouble() * volts.getAsDouble() / 2 : 0;
        }

        /** To the safe voltage through the bleeder [s]; 0 when it is safe already or its volts are not known. */
        public double seconds(double bleedOhms, double safeVolts) {
            return volts.isPresent() ? Charge.seconds(bleedOhms, farads, volts.getAsDouble(), safeVolts) : 0;
        }

        /** In the bleeder at the first moment [W]. */
        public double watts(double bleedOhms) {
            return volts.isPresent() ? volts.getAsDouble() * volts.getAsDouble() / bleedOhms : 0;
        }
    }

    private Charge() {}

    /** Time to bleed [s]: R C ln(V0/V); 0 when it is not above V already. */
    public static double seconds(double ohms, double farads, double volts, double safeVolts) {
        return volts <= safeVolts ? 0 : ohms * farads * Math.log(volts / safeVolts);
    }

    /** The capacitors to bleed, the most energy first; one whose volts nobody knows is among them. */
    public static List<Holder> holders(ColdScene scene) {
        double safe = scene.policy().safeVolts();
        List<Holder> holders = new ArrayList<>();
        for (Part part : scene.set().parts()) {
            if (part.card().letter() != 'C'
                    || part.workingValue().filter(f -> f < LEAST_FARADS).isPresent()) {
                continue;
            }
            Optional<Double> working = scene.atWork().flatMap(point -> across(point, part));
            Optional<Double> volts = working.or(part::ratingVolts);
            if (volts.isEmpty() || volts.get() > safe) {
                holders.add(new Holder(
                        part.reference(),
                        part.description(),
                        part.workingValue().orElse(0.0),
                        volts.map(OptionalDouble::of).orElse(OptionalDouble.empty()),
                        working.isPresent()));
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
        /** Not read since the set was last charged, or not across every capacitor that can hold some. */
        NOT_READ,
        /** Every one was read at or below the safe voltage, and nothing has charged them since. */
        GONE,
        THERE
    }

    /** @param when a moment; what came after it does not count */
    public static State at(ColdScene scene, EvidenceLog log, Instant when) {
        return state(scene, Cells.of(log, Set.of(), when));
    }

    /** By the figures that stand. */
    static State state(ColdScene scene, Cells cells) {
        Optional<Figures> read = cells.made().stream()
                .filter(made -> made.test().equals(Cells.DISCHARGE))
                .map(made -> made.figures(scene.kit()))
                .findFirst();
        if (read.isEmpty()) {
            return State.NOT_READ;
        }
        double safe = scene.policy().safeVolts();
        boolean there = read.get().entered().keySet().stream()
                .filter(key -> key.startsWith(VOLTS))
                .anyMatch(key -> Math.abs(read.get().number(key).orElse(0)) > safe);
        return there ? State.THERE : required(scene).stream().allMatch(read.get()::has) ? State.GONE : State.NOT_READ;
    }

    /** Keys of the figures that must be read before a charge counts as gone. */
    static List<String> required(ColdScene scene) {
        List<String> keys = holders(scene).stream()
                .map(holder -> VOLTS + holder.reference())
                .toList();
        return keys.isEmpty() ? List.of(ANY) : keys;
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
