package org.umberdial.core.parts;

import java.util.Locale;
import org.umberdial.core.circuit.deck.Card;

/** What a capacitor is made of, as far as that decides how it is judged. */
public enum CapacitorKind {
    ELECTROLYTIC("electrolytic"),
    /** Paper in wax, pitch, oil or plastic. */
    PAPER("paper"),
    FILM("film"),
    MICA("mica"),
    CERAMIC("ceramic"),
    /** Made to bridge the line. */
    SAFETY("safety type"),
    /** Nobody knows: a tube that looks like ceramic may hide paper. */
    UNKNOWN("kind not known");

    private final String label;

    CapacitorKind(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** Whether it goes on sight where paper does. */
    public boolean paper() {
        return this == PAPER;
    }

    /** By the words its card has for it. */
    public static CapacitorKind of(Card card) {
        return named(card.kind().toLowerCase(Locale.ROOT));
    }

    /** By words that say what it is. @param kind in lower case */
    static CapacitorKind named(String kind) {
        // Safety types are film or ceramic; what bridges the line is told first.
        if (has(kind, "safety", "x1", "x2", "y1", "y2")) {
            return SAFETY;
        }
        if (has(kind, "electrolytic", "tantalum", "dry", "wet", "bipolar", "non-polar")) {
            return ELECTROLYTIC;
        }
        if (has(kind, "paper", "wax", "oil", "bathtub", "mould", "mold")) {
            return PAPER;
        }
        if (has(kind, "mica", "silver")) {
            return MICA;
        }
        if (has(kind, "tubular")) {
            return UNKNOWN;
        }
        if (has(kind, "ceramic", "disc")) {
            return CERAMIC;
        }
        return has(kind, "film", "polyester", "polypropylene", "styrene", "foil", "metallized") ? FILM : UNKNOWN;
    }

    private static boolean has(String kind, String... words) {
        for (String word : words) {
            if (kind.contains(word)) {
                return true;
            }
        }
        return false;
    }
}
