package org.umberdial.core.reading;

import java.util.Locale;
import java.util.Optional;
import org.umberdial.core.value.Unit;

/** What was measured. */
public enum ReadingKind {
    DC(Unit.VOLT, "DC"),
    AC(Unit.VOLT, "AC"),
    OHMS(Unit.OHM, "ohms"),
    AMPERES_DC(Unit.AMPERE, "DC amperes"),
    AMPERES_AC(Unit.AMPERE, "AC amperes");

    private final Unit unit;
    private final String label;

    ReadingKind(Unit unit, String label) {
        this.unit = unit;
        this.label = label;
    }

    public Unit unit() {
        return unit;
    }

    public String label() {
        return label;
    }

    /** From a word of a file or the entry strip; case does not matter. */
    public static Optional<ReadingKind> named(String word) {
        return switch (word.strip().toLowerCase(Locale.ROOT)) {
            case "dc", "vdc", "v", "volts" -> Optional.of(DC);
            case "ac", "vac" -> Optional.of(AC);
            case "ohms", "ohm", "r" -> Optional.of(OHMS);
            case "amperes_dc", "adc", "dc amperes", "a", "ma" -> Optional.of(AMPERES_DC);
            case "amperes_ac", "aac", "ac amperes" -> Optional.of(AMPERES_AC);
            default -> Optional.empty();
        };
    }
}
