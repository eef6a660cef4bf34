package org.umberdial.core.evidence;

/**
 * Something of a player was put right. What was read or seen of it before speaks no longer.
 *
 * @param cause id of the cause it was taken for
 * @param what what was done, for the log
 */
public record PlayerMended(String cause, String what, String note) implements Fact {
    @Override
    public String subject() {
        return "";
    }

    @Override
    public String sentence() {
        return "Done: " + what + (note.isEmpty() ? "" : "; " + note);
    }
}
