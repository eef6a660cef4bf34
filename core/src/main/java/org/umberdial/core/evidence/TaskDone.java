package org.umberdial.core.evidence;

/**
 * What a finding asked for is done.
 *
 * @param entry id of the {@link Looked} entry
 * @param task the task, for the log
 */
public record TaskDone(String entry, String task, String note) implements Fact {
    @Override
    public String subject() {
        return task;
    }

    @Override
    public String sentence() {
        return "Done: " + task + (note.isEmpty() ? "" : "; " + note);
    }
}
