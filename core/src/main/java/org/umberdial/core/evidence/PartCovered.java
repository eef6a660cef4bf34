package org.umberdial.core.evidence;

/**
 * One part lies under another, so that it is done before the other goes in.
 *
 * @param part reference of the one below
 * @param by reference of the one above; empty when it lies free
 */
public record PartCovered(String part, String by) implements Fact {
    @Override
    public String subject() {
        return part;
    }

    @Override
    public String sentence() {
        return by.isEmpty() ? part + " lies free" : part + " lies under " + by;
    }
}
