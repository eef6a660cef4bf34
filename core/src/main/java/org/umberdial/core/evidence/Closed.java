package org.umberdial.core.evidence;

/**
 * Somebody called the set closed.
 *
 * @param leftOver what lay on the bench and no entry knows of; may be empty
 * @param reason why it was closed although something was open; may be empty
 */
public record Closed(String leftOver, String reason) implements Fact {
    @Override
    public String subject() {
        return "cabinet";
    }

    @Override
    public String sentence() {
        return "Closed the set" + (leftOver.isEmpty() ? "" : ", left over: " + leftOver)
                + (reason.isEmpty() ? "" : "; " + reason);
    }
}
