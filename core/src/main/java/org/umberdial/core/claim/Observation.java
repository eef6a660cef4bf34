package org.umberdial.core.claim;

import java.time.Instant;
import java.util.List;

/**
 * What something that was read, seen or said says of a claim.
 *
 * @param path whether the claim is only one of several the failure may lie in; such a doubt takes nothing back
 * @param by what it was: title of a test, a reading, an area that was looked at
 * @param says one sentence, or a part of one after {@code by} and a colon
 * @param person who made it; may be empty
 * @param restsOn ids of the log's entries
 */
public record Observation(
        Claim claim,
        Word word,
        Strength strength,
        boolean path,
        Instant at,
        String by,
        String says,
        String person,
        List<String> restsOn) {
    /** What it says. */
    public enum Word {
        SOUND,
        DOUBTED,
        FAILED
    }

    public Observation {
        restsOn = List.copyOf(restsOn);
    }

    /** Whether it overrules what is stronger: nothing beside a part makes its ohms more. */
    boolean conclusive() {
        return word == Word.FAILED
                && strength == Strength.IN_CIRCUIT
                && claim.aspect().failsHigh();
    }
}
