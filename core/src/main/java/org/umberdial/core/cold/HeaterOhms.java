package org.umberdial.core.cold;

import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeType;

/** What a heater reads when cold. */
public final class HeaterOhms {
    /** Hot over cold resistance: tungsten between a room and a cathode's heat. */
    public static final double COLD_RATIO = 7;

    private static final double LEAST_RATIO = 4.5;
    private static final double MOST_RATIO = 10;

    private HeaterOhms() {}

    /** Expected cold resistance, a seventh of volts over amperes [Ω]; empty when the type's heater is not known. */
    public static OptionalDouble expected(TubeType type) {
        return type.heaterVolts().isPresent() && type.heaterAmperes().isPresent()
                ? OptionalDouble.of(
                        type.heaterVolts().getAsDouble() / type.heaterAmperes().getAsDouble() / COLD_RATIO)
                : OptionalDouble.empty();
    }

    /**
     * What a heater takes as it is wired: with its ends joined and fed at the middle it takes half the volts and twice
     * the current.
     */
    record Draw(double volts, double amperes) {}

    /** Empty when the type's heater is not known. */
    static Optional<Draw> draw(BenchSet set, Part part) {
        Card card = part.card();
        Optional<TubeType> type = set.tubeType(part)
                .filter(t -> t.heaterVolts().isPresent() && t.heaterAmperes().isPresent());
        int last = card.nodes().size() - 1;
        double halves = last == 2 && card.nodes().get(0).equals(card.nodes().get(last)) ? 2 : 1;
        return type.map(t -> new Draw(
                t.heaterVolts().getAsDouble() / halves, t.heaterAmperes().getAsDouble() * halves));
    }

    /**
     * A fifth to an eighth of hot is usual by type; leads and an ohmmeter's own warmth widen that, and half an ohm more
     * is the leads'.
     *
     * @param expected cold resistance [Ω]
     * @param read [Ω], infinite when open
     */
    public static Verdict judge(double expected, double read) {
        if (read > 50 * expected + 100) {
            return Verdict.BAD;
        }
        boolean usual =
                read >= expected * COLD_RATIO / MOST_RATIO - 0.3 && read <= expected * COLD_RATIO / LEAST_RATIO + 0.5;
        return usual ? Verdict.GOOD : Verdict.DOUBT;
    }
}
