package org.umberdial.core.evidence;

/**
 * One question about a player, answered by eye, ear or instrument. A later answer to the same question replaces an
 * earlier; an empty one takes it back.
 *
 * @param question id of the question
 * @param asked the question as it was put, for the log
 * @param answer id of a choice, or a figure in the question's unit
 * @param note in the writer's words; may be empty
 */
public record PlayerAnswered(String question, String asked, String answer, String note) implements Fact {
    @Override
    public String subject() {
        return "";
    }

    @Override
    public String sentence() {
        return asked + " " + (answer.isEmpty() ? "taken back" : answer) + (note.isEmpty() ? "" : "; " + note);
    }
}
