package org.umberdial.core.diagnosis;

import java.util.List;
import java.util.Locale;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.network.Values;
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
        OPEN("is open", Unit.OHM),
        SHORTED("is shorted", Unit.OHM),
        LEAKS("leaks", Unit.OHM),
        DRIFTED_UP("has drifted up", Unit.OHM),
        DRIFTED_DOWN("has fallen in value", Unit.OHM),
        DRIED_OUT("has dried out", Unit.FARAD),
        WEAK("is weak", Unit.PERCENT),
        DEAD("draws nothing", Unit.PERCENT),
        GASSY("is gassy", Unit.PERCENT),
        HEATER_OPEN("is dark: heater or socket contact open", Unit.OHM);

        private final String label;
        private final Unit unit;

        Kind(String label, Unit unit) {
            this.label = label;
            this.unit = unit;
        }

        public String label() {
            return label;
        }
    }

    public FaultMode {
        grades = List.copyOf(grades);
    }

    /** The set with this fault. @param grade between the first and the last of {@link #grades} */
    Values in(Values values, double grade) {
        return switch (kind) {
            case OPEN, HEATER_OPEN -> values.opened(part);
            case SHORTED -> values.shorted(part);
            case LEAKS -> values.leaking(part, grade);
            case DRIFTED_UP, DRIFTED_DOWN, DRIED_OUT -> values.with(part, grade);
            case WEAK, DEAD -> values.emitting(part, grade);
            case GASSY -> values.gassy(part, grade);
        };
    }

    boolean byDegrees() {
        return grades.size() > 1;
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
