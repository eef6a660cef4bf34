package org.umberdial.core.power;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.ForNow;
import org.umberdial.core.set.BenchSet;

/**
 * What of a set is not as drawn while it gets power: a lead lifted to see whether that part is it, a tube out, another
 * capacitor clipped on.
 *
 * @param lifted references of what is left out and reckoned without
 * @param otherwise what else is not as drawn and cannot be reckoned with, in words; a band beside it accuses no part
 */
public record AsItIs(List<String> lifted, List<String> otherwise) {
    private static final int LONGEST = 300;
    public static final AsItIs WHOLE = new AsItIs(List.of(), List.of());

    public AsItIs {
        lifted = List.copyOf(lifted);
        otherwise = List.copyOf(otherwise);
    }

    /** As the log has it now. */
    public static AsItIs of(BenchSet set, EvidenceLog log) {
        Map<String, Card> cards =
                set.cards().stream().collect(Collectors.toMap(Card::reference, card -> card, (a, b) -> a));
        List<String> lifted = new ArrayList<>();
        List<String> otherwise = new ArrayList<>();
        for (EvidenceLog.Standing<ForNow> one : ForNow.open(log)) {
            ForNow fact = one.fact();
            Card card = cards.get(fact.part());
            boolean off = fact.way() == ForNow.Way.LEAD_LIFTED || fact.way() == ForNow.Way.OUT;
            if (off
                    && card != null
                    && "RCL".indexOf(card.letter()) >= 0
                    && card.nodes().size() == 2) {
                lifted.add(fact.part());
            } else if (fact.way() != ForNow.Way.UNSHIELDED && fact.way() != ForNow.Way.RESEATED) {
                otherwise.add(fact.part() + " " + fact.way().label());
            }
        }
        return new AsItIs(
                lifted.stream().distinct().sorted().toList(),
                otherwise.stream().distinct().sorted().toList());
    }

    /** {@code without C12; V3 is out of the set}; empty when the set is whole. */
    public String words() {
        String without = lifted.isEmpty() ? "" : "without " + String.join(", ", lifted);
        String rest = String.join(", ", otherwise);
        String words = without.isEmpty() || rest.isEmpty() ? without + rest : without + "; " + rest;
        return words.length() <= LONGEST ? words : words.substring(0, LONGEST);
    }

    /** The set without what is lifted. */
    Values in(Values whole) {
        Values values = whole;
        for (String part : lifted) {
            values = values.opened(part);
        }
        return values;
    }
}
