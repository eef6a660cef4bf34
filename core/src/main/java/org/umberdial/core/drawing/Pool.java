package org.umberdial.core.drawing;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.nets.Nets;
import org.umberdial.core.drawing.Block.Leg;
import org.umberdial.core.drawing.Block.Piece;

/** The parts that are still to be shared out, and those that have a place. */
final class Pool {
    private final Nets nets;
    private final Set<Card> placed = new HashSet<>();

    Pool(Nets nets) {
        this.nets = nets;
    }

    /** False when it had a place before. */
    boolean place(Card card) {
        return placed.add(card);
    }

    boolean isPlaced(Card card) {
        return placed.contains(card);
    }

    /** Parts of two ends at a node that have no place yet. */
    List<Card> free(String node) {
        return nets.at(node).stream()
                .filter(card -> !placed.contains(card) && nets.isTwoEnded(card) && !nets.isHeater(card))
                .toList();
    }

    /** Follows a leg through joints that are nobody else's, and through a slow node to the capacitor that keeps it. */
    void chain(Leg first) {
        Leg leg = first;
        for (int i = 0; i < 2; i++) {
            String joint = leg.end;
            if (nets.isGround(joint) || nets.isRail(joint) || nets.isElectrode(joint)) {
                return;
            }
            List<Card> on = free(joint).stream()
                    .filter(card -> nets.isGround(Nets.other(card, joint)))
                    .toList();
            boolean alone = nets.at(joint).size() == 2;
            Optional<Card> next = alone
                    ? on.stream().findFirst()
                    : on.stream().filter(card -> card.letter() == 'C').findFirst();
            if (next.isEmpty() || !alone && !nets.isSlow(joint)) {
                return;
            }
            Leg more = new Leg(next.get(), joint);
            placed.add(next.get());
            leg.next = more;
            leg.jointFlagged = !alone;
            leg = more;
        }
    }

    /** Everything of two ends that is still free at a node hangs there. */
    void hangAll(Piece piece) {
        if (nets.isGround(piece.node)) {
            return;
        }
        for (Card card : free(piece.node)) {
            placed.add(card);
            Leg leg = new Leg(card, piece.node);
            chain(leg);
            piece.down.add(leg);
        }
    }
}
