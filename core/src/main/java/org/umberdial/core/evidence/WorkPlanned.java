package org.umberdial.core.evidence;

/**
 * A piece of work on a set's mechanics or its looks that somebody means to do.
 *
 * @param task id of the task
 * @param title what it is
 * @param about which one, where there are several; may be empty
 */
public record WorkPlanned(String task, String title, String about) implements Fact {
    @Override
    public String subject() {
        return about;
    }

    @Override
    public String sentence() {
        return "Planned: " + title + (about.isEmpty() ? "" : ", " + about);
    }
}
