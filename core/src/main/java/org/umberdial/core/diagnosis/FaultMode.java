package org.umberdial.core.diagnosis;

import java.util.List;
import java.util.Locale;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * One way in which one part can fail, by degrees.
 *
 * @param part reference of its card
 * @param grades from the mildest to the gravest: ohms of a leak, ohms of a drifted resistor, share of an emission; one
 *     figure, of no meaning, where there are no degrees
 * @param prior how often such parts fail so, against other faults of the set
 * @param assumed whether the value it departs from is as such sets usually have it; then it may be the drawing that is
 *     wrong and not the part
 */
public record FaultMode(String part, Kind kind, List<Double> grades, double prior, boolean assumed) {
    /** How a part fails. */
    public enum Kind {
        OPEN("is open", "open", "open", Unit.OHM),
        SHORTED("is shorted", "shorted", "short", Unit.OHM),
        LEAKS("leaks", "leaky", "leaky", Unit.OHM),
        DRIFTED_UP("has drifted up", "drifted high", "drifted_high", Unit.OHM),
        DRIFTED_DOWN("has fallen in value", "fallen in value", "drifted_low", Unit.OHM),
        DRIED_OUT("has dried out", "dried out", "dried", Unit.FARAD),
        WEAK("is weak", "weak", "weak", Unit.PERCENT),
        DEAD("draws nothing", "dead", "dead", Unit.PERCENT),
        GASSY("is gassy", "gassy", "gassy", Unit.PERCENT),
        HEATER_OPEN("is dark: heater or socket contact open", "dark", "open", Unit.OHM);

        private final String label;
        private final String adjective;
        private final String failure;
        private final Unit unit;

        /** @param failure as the role library calls it */
        Kind(String label, String adjective, String failure, Unit unit) {
            this.label = label;
            this.adjective = adjective;
            this.failure = failure;
            this.unit = unit;
        }

        public String label() {
            return label;
        }

        /** {@code leaky}, {@code drifted high}. */
        public String adjective() {
            return adjective;
        }

        /** As the role library calls it: {@code drifted_high}. */
        String failure() {
            return failure;
        }

        /** Of its degrees. */
        public Unit unit() {
            return unit;
        }
    }

    public FaultMode {
        grades = List.copyOf(grades);
    }

    /** The set with this fault. @param grade between the first and the last of {@link #grades} */
    public Values in(Values values, double grade) {
        return switch (kind) {
            case OPEN, HEATER_OPEN -> values.opened(part);
            case SHORTED -> values.shorted(part);
            case LEAKS -> values.leaking(part, grade);
            case DRIFTED_UP, DRIFTED_DOWN, DRIED_OUT -> values.with(part, grade);
            case WEAK, DEAD -> values.emitting(part, grade);
            case GASSY -> values.gassy(part, grade);
        };
    }

    /** Whether it may be more or less so. */
    public boolean byDegrees() {
        return grades.size() > 1;
    }

    /** Whether its degree is a figure a meter shows: ohms or farads. */
    public boolean sized() {
        return byDegrees() && kind.unit != Unit.PERCENT;
    }

    /** What of the part would be wrong, as the ledger calls it. */
    public Aspect aspect() {
        return switch (kind) {
            case OPEN -> part.startsWith("R") ? Aspect.VALUE : Aspect.CONTINUITY;
            case SHORTED -> part.startsWith("C") ? Aspect.NO_LEAK : Aspect.NO_SHORT;
            case LEAKS -> Aspect.NO_LEAK;
            case DRIFTED_UP, DRIFTED_DOWN -> Aspect.VALUE;
            case DRIED_OUT -> Aspect.NOT_DRIED;
            case WEAK, DEAD -> Aspect.EMISSION;
            case GASSY -> Aspect.NO_GAS;
            case HEATER_OPEN -> Aspect.HEATER_WHOLE;
        };
    }

    /** {@code C4 leaks, about 470 kΩ}. */
    public String says(double grade) {
        String name = name() + " " + kind.label;
        if (!byDegrees()) {
            return name;
        }
        return switch (kind) {
            case WEAK -> name + ", about " + Math.round(100 * grade) + " % of its emission";
            case GASSY -> name;
            case DRIFTED_UP, DRIFTED_DOWN -> name + " to about " + Engineering.round(grade, kind.unit);
            default -> name + ", about " + Engineering.round(grade, kind.unit);
        };
    }

    /** The section or part as people call it: {@code V1A}, {@code C4}. */
    private String name() {
        return kind == Kind.HEATER_OPEN ? subject() : part.replaceFirst("(?i)^X", "");
    }

    /** What is tested and replaced: a tube whichever of its sections or its heater is bad; every other part itself. */
    public String subject() {
        return part.toUpperCase(Locale.ROOT).startsWith("X") ? Card.tube(part) : part;
    }
}
