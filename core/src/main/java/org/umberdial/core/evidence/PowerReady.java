package org.umberdial.core.evidence;

/**
 * Somebody answered one of the questions that stand before power.
 *
 * @param gate id of the question: {@code isolation}
 * @param answer id of the answer; {@link #OVERRIDE} for going on without one
 * @param words the question and the answer as they read then
 * @param reason why one goes on without it; empty for any other answer
 */
public record PowerReady(String gate, String answer, String words, String reason) implements Fact {
    /** Goes on although it is not settled, for a reason. */
    public static final String OVERRIDE = "override";

    @Override
    public String subject() {
        return "";
    }

    @Override
    public String sentence() {
        return answer.equals(OVERRIDE)
                ? "Before power, went on without: " + words + ". " + reason
                : "Before power: " + words;
    }
}
