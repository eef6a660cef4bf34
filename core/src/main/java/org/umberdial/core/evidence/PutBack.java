package org.umberdial.core.evidence;

/**
 * Something of the take-apart register went back.
 *
 * @param entry id of the {@link TakenOff} or {@link ControlFound} entry
 * @param name what it was, for the log
 * @param count how many went back
 */
public record PutBack(String entry, String name, int count) implements Fact {
    @Override
    public String subject() {
        return name;
    }

    @Override
    public String sentence() {
        return "Put back " + (count == 1 ? "" : count + " of ") + name;
    }
}
