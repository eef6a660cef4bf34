package org.umberdial.core.evidence;

/**
 * An entry this version cannot read: it stays in the log as it is and says nothing.
 *
 * @param kind its stored kind
 * @param form its form version
 * @param body as it is stored
 */
public record Unread(String kind, int form, String body) implements Fact {
    @Override
    public String subject() {
        return "";
    }

    @Override
    public String sentence() {
        return "An entry of a kind this version does not know";
    }
}
