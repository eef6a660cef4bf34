package org.umberdial.core.evidence;

/**
 * A symptom, or a function that works.
 *
 * @param symptom id of the symptom; empty when it is none of the known ones
 * @param words as it was told, word for word, or as it was seen
 * @param byOwner whether the owner told it; else it was found at the bench
 */
public record Told(String symptom, String words, boolean byOwner) implements Fact {
    @Override
    public String subject() {
        return symptom;
    }

    @Override
    public String sentence() {
        return (byOwner ? "Owner says: " : "Found: ") + words;
    }

    /** The same without what the owner said in person; the symptom stays, since it is about the set. */
    public Told erased() {
        return new Told(symptom, "(words erased)", byOwner);
    }
}
