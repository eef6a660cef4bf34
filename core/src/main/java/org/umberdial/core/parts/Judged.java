package org.umberdial.core.parts;

import java.util.List;
import java.util.Optional;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Observation.Word;

/**
 * What all readings of a part say together.
 *
 * @param says one or two sentences
 * @param found what the ledger takes from it
 */
record Judged(PartState state, String says, List<Found> found) {
    /** What one reading, in the light of the others, says of an aspect. */
    record Found(Aspect aspect, Word word, Taken by, String says) {}

    /** The gravest of what was found; sound only when the whole part is. */
    Optional<Word> word() {
        if (has(Word.FAILED)) {
            return Optional.of(Word.FAILED);
        }
        return has(Word.DOUBTED)
                ? Optional.of(Word.DOUBTED)
                : state == PartState.GOOD ? Optional.of(Word.SOUND) : Optional.empty();
    }

    private boolean has(Word word) {
        return found.stream().anyMatch(f -> f.word == word);
    }
}
