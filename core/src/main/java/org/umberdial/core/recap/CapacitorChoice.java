package org.umberdial.core.recap;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.catalogue.CapacitorItem;
import org.umberdial.core.catalogue.Catalogue;
import org.umberdial.core.parts.CapacitorKind;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * Chooses a capacitor for a place.
 *
 * <p>Source: JOB section 3 (nearest standard, generally -10/+50 % for electrolytics, volts never lower, the first one
 * no larger than the rectifier allows); FORMULAS (touch current 2πfCV).
 */
final class CapacitorChoice {
    /** A mark of so many times what can stand there is asked about: it may be a test voltage. */
    private static final double IMPROBABLE = 3;

    private static final double IMPROBABLE_FROM_VOLTS = 1000;
    /** Electrolytics up to here bypass or couple; more of them does no harm [V]. */
    private static final double LOW_VOLTS = 63;
    /** How much less may stand behind a rectifier that does not stand what it was built with. */
    private static final double LESS_FOR_ITS_RECTIFIER = 0.6;

    private static final double A_HAIR = 1.001;

    /**
     * A capacitor's place.
     *
     * @param farads wanted
     * @param rated of the original [V]; empty when it is not marked
     * @param peak most that can stand there [V]; empty when the circuit does not say
     * @param toMetal whether it joins the line to what a hand touches
     * @param across whether it bridges the line
     * @param swings whether a signal of the whole supply's volts stands there beside the direct voltage
     * @param most largest that may stand there [F], by the rectifier; empty when nothing bounds it
     */
    record Wanted(
            CapacitorKind kind,
            Optional<NetworkRole> role,
            double farads,
            OptionalDouble rated,
            OptionalDouble peak,
            boolean toMetal,
            boolean across,
            boolean swings,
            OptionalDouble most,
            double lineVolts,
            double lineHertz) {}

    record Chosen(Optional<CapacitorItem> item, List<String> why, List<String> cautions) {}

    private record Window(double least, double most) {}

    private final Catalogue catalogue;
    private final HousePolicy policy;
    private final Wanted wanted;
    private final List<String> why = new ArrayList<>();
    private final List<String> cautions = new ArrayList<>();

    private CapacitorChoice(Catalogue catalogue, HousePolicy policy, Wanted wanted) {
        this.catalogue = catalogue;
        this.policy = policy;
        this.wanted = wanted;
    }

    static Chosen choose(Catalogue catalogue, HousePolicy policy, Wanted wanted) {
        return new CapacitorChoice(catalogue, policy, wanted).chosen();
    }

    private Chosen chosen() {
        Optional<CapacitorItem> item = wanted.toMetal || wanted.across ? safety() : plain();
        if (item.isEmpty()) {
            why.add("Nothing in the catalogue fits; look for " + farads(wanted.farads) + " by hand.");
        }
        return new Chosen(item, List.copyOf(why), List.copyOf(cautions));
    }

    private Optional<CapacitorItem> safety() {
        String type = wanted.toMetal ? "safety Y2" : "safety X2";
        double most = wanted.farads;
        if (wanted.toMetal) {
            double touch = policy.touchAmperes() / (2 * Math.PI * wanted.lineHertz * wanted.lineVolts);
            why.add("It joins the line to metal that a hand touches: a Y2 type, which does not fail shorted.");
            if (wanted.farads > touch) {
                double current = 2 * Math.PI * wanted.lineHertz * wanted.farads * wanted.lineVolts;
                why.add("Its " + farads(wanted.farads) + " would pass "
                        + Engineering.print(current, Unit.AMPERE) + " through a hand; no more than "
                        + farads(touch) + " keeps within the house's "
                        + Engineering.print(policy.touchAmperes(), Unit.AMPERE) + ".");
                most = touch;
            }
            cautions.add("Local codes come first where a part joins the line to the cabinet's metal.");
        } else {
            why.add("It bridges the line: an X2 type, which does not burn.");
        }
        double limit = most;
        return catalogue.capacitors().stream()
                .filter(item -> item.is(type) && item.farads() <= limit * 1.05)
                .max(Comparator.comparingDouble(CapacitorItem::farads));
    }

    private Optional<CapacitorItem> plain() {
        double volts = volts();
        for (List<String> kinds : kinds()) {
            Optional<CapacitorItem> found = catalogue.capacitors().stream()
                    .filter(item -> kinds.stream().anyMatch(item::is))
                    .filter(item -> item.volts() >= volts)
                    .filter(item -> fits(item.farads()))
                    .min(Comparator.comparingDouble((CapacitorItem item) -> apart(item.farads()))
                            .thenComparing(item -> !item.axial())
                            .thenComparing(CapacitorItem::volts)
                            .thenComparing(CapacitorItem::diameterMillimetres));
            if (found.isPresent()) {
                said(found.get());
                return found;
            }
        }
        return Optional.empty();
    }

    /** Never below the original's mark, nor below what can stand there. */
    private double volts() {
        double rated = wanted.rated.orElse(0);
        double peak = wanted.peak.orElse(0);
        if (wanted.swings) {
            why.add("An output plate swings to twice its supply and beyond: " + volts(peak) + " are reckoned with.");
        } else if (wanted.rated.isPresent()
                && wanted.peak.isPresent()
                && rated >= IMPROBABLE_FROM_VOLTS
                && rated > IMPROBABLE * peak) {
            cautions.add("Marked " + volts(rated) + ", where " + volts(peak)
                    + " stand at most: that may be its test voltage. Ask the sheet before paying for it.");
        }
        if (peak > rated && !wanted.swings) {
            why.add(volts(peak) + " can stand there, with the line a tenth high and before the tubes draw"
                    + (wanted.rated.isPresent() ? "; its mark is " + volts(rated) + "." : "."));
        }
        if (wanted.peak.isEmpty()) {
            cautions.add("The circuit does not say what stands there: its mark alone decides the volts.");
        }
        return Math.max(rated, peak);
    }

    private List<List<String>> kinds() {
        return switch (wanted.kind) {
            case ELECTROLYTIC -> List.of(List.of("electrolytic axial"), List.of("electrolytic radial"));
            case MICA -> List.of(List.of("silver mica"), List.of("ceramic C0G"));
            case CERAMIC -> List.of(List.of("ceramic C0G", "silver mica"), List.of("ceramic X7R"));
            default ->
                List.of(
                        List.of("film polypropylene", "film polyester axial"),
                        List.of("film polyester"),
                        List.of("ceramic C0G"));
        };
    }

    private Window window() {
        if (wanted.kind != CapacitorKind.ELECTROLYTIC) {
            boolean tuned = wanted.kind == CapacitorKind.MICA;
            return tuned ? new Window(0.95, 1.05) : new Window(0.85, 1.2);
        }
        // A bypass may be larger; a reservoir's rectifier sets its own limit below.
        boolean bypass = wanted.rated.orElse(LOW_VOLTS + 1) <= LOW_VOLTS
                || wanted.role
                        .filter(r -> r == NetworkRole.CATHODE_BYPASS || r == NetworkRole.DECOUPLING_CAPACITOR)
                        .isPresent();
        return bypass ? new Window(0.85, 2.2) : new Window(0.9, 1.5);
    }

    private boolean fits(double farads) {
        Window window = window();
        double share = farads / wanted.farads;
        double most = reservoirMost();
        return share >= (wanted.farads > A_HAIR * most ? LESS_FOR_ITS_RECTIFIER : window.least)
                && share <= window.most
                && farads <= A_HAIR * most;
    }

    /** What the rectifier stands at most behind it; infinite for what is no reservoir. */
    private double reservoirMost() {
        return wanted.role.filter(r -> r == NetworkRole.RESERVOIR_CAPACITOR).isPresent()
                ? wanted.most.orElse(Double.POSITIVE_INFINITY)
                : Double.POSITIVE_INFINITY;
    }

    private double apart(double farads) {
        return Math.abs(Math.log(farads / wanted.farads));
    }

    private void said(CapacitorItem item) {
        double share = item.farads() / wanted.farads;
        if (Math.abs(share - 1) > 0.005) {
            why.add(String.format(
                    Locale.ROOT,
                    "The nearest that is made: %s, %.0f %% %s.",
                    farads(item.farads()),
                    100 * Math.abs(share - 1),
                    share > 1 ? "more" : "less"));
        }
        if (Double.isFinite(reservoirMost())) {
            why.add("The rectifier stands " + farads(reservoirMost()) + " at most"
                    + (wanted.farads > A_HAIR * reservoirMost()
                            ? ", less than it was built with: a little more hum."
                            : "."));
        }
        if (wanted.kind == CapacitorKind.ELECTROLYTIC) {
            cautions.add("Disconnect the old section at both ends: left in, it goes on leaking.");
        }
    }

    private static String farads(double farads) {
        return Engineering.round(farads, Unit.FARAD);
    }

    private static String volts(double volts) {
        return Math.round(volts) + " V";
    }
}
