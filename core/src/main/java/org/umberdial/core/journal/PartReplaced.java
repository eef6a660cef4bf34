package org.umberdial.core.journal;

/**
 * A part was replaced.
 *
 * @param part its reference
 * @param with what went in: {@code 22 n 630 V film}
 */
public record PartReplaced(String part, String with) implements Fact {
    @Override
    public String subject() {
        return part;
    }

    @Override
    public String sentence() {
        return "Replaced " + part + (with.isEmpty() ? "" : " with " + with);
    }
}
