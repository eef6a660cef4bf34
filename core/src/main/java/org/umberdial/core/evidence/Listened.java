package org.umberdial.core.evidence;

/**
 * One question of the listening test. A later answer replaces an earlier; an empty one takes it back.
 *
 * @param question id of the question
 * @param asked as it was put, for the log
 * @param answer id of a choice, or a figure in the question's unit
 * @param note in the writer's words; may be empty
 */
public record Listened(String question, String asked, String answer, String note) implements Fact {
    @Override
    public String subject() {
        return "";
    }

    @Override
    public String sentence() {
        return asked + " " + (answer.isEmpty() ? "taken back" : answer) + (note.isEmpty() ? "" : "; " + note);
    }
}
