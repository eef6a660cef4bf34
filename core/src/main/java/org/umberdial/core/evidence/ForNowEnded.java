package org.umberdial.core.evidence;

/**
 * What was so for now is put right.
 *
 * @param entry id of the {@link ForNow} entry
 * @param part its reference, for the log
 * @param how what was done, for the log
 */
public record ForNowEnded(String entry, String part, String how) implements Fact {
    @Override
    public String subject() {
        return part;
    }

    @Override
    public String sentence() {
        return part + ": " + how;
    }
}
