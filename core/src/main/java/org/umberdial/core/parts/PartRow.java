package org.umberdial.core.parts;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Observation.Word;

/**
 * A part as the ledger of parts shows it.
 *
 * @param reference of its card
 * @param called what people call it: {@code V3} for {@code XV3}
 * @param job what it does, such as {@code coupling of V3}, else its description
 * @param marked value, ratings and kind, as read off it
 * @param reading what was read last, short
 * @param word how the ledger takes it; empty when nothing is known yet
 * @param says why, one or two sentences
 * @param consequence what it does to the set as it is, in a few words; may be empty
 * @param trial what brings it back for a moment, to hear whether it is the one; may be empty
 * @param decision what happens to it
 * @param because the rule that decides it
 * @param readOhms ohms read across it last
 * @param leakOhms leak resistance read last, infinite when none was seen
 * @param at when it was read last; empty when it was not
 * @param restsOn ids of the log's entries
 */
public record PartRow(
        String reference,
        String called,
        String job,
        Kind kind,
        String marked,
        String reading,
        PartState state,
        Optional<Word> word,
        String says,
        String consequence,
        String trial,
        Decision decision,
        String because,
        Group group,
        Place place,
        OptionalDouble readOhms,
        OptionalDouble leakOhms,
        Optional<Instant> at,
        List<String> restsOn) {
    /** Which words of the strip fit it. */
    public enum Kind {
        CAPACITOR,
        ELECTROLYTIC,
        RESISTOR,
        CONTROL,
        TUBE,
        WOUND,
        OTHER
    }

    /** When it has to be settled. */
    public enum Group {
        BEFORE_POWER("Before any power"),
        SHIFTS("Shifts a voltage"),
        HEARD("Heard only");

        private final String label;

        Group(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** Whether it failed where it takes others with it. */
    public boolean grave() {
        return group == Group.BEFORE_POWER && word.filter(w -> w == Word.FAILED).isPresent();
    }

    /** Whether somebody still has to do something about it. */
    public boolean open() {
        return decision != Decision.KEEP && decision != Decision.KEEP_KNOWN && decision != Decision.IN;
    }
}
