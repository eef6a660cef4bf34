package org.umberdial.core.evidence;

/**
 * A part was replaced.
 *
 * @param part its reference
 * @param with what went in: {@code 22 n 630 V film}
 * @param standsIn whether it only stands in until the right one is there
 */
public record PartReplaced(String part, String with, boolean standsIn) implements Fact {
    public PartReplaced(String part, String with) {
        this(part, with, false);
    }

    @Override
    public String subject() {
        return part;
    }

    @Override
    public String sentence() {
        return "Replaced " + part + (with.isEmpty() ? "" : " with " + with)
                + (standsIn ? ", which stands in for the right one" : "");
    }
}
