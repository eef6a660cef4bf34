package org.umberdial.core.evidence;

/**
 * Somebody decided to go on although something is open, and said why.
 *
 * @param what id of the stop it settles: {@code power:insulation}
 * @param words the stop, as it read then
 * @param reason why one goes on
 */
public record Decided(String what, String words, String reason) implements Fact {
    @Override
    public String subject() {
        return what;
    }

    @Override
    public String sentence() {
        return "Decided to go on although " + words + (reason.isEmpty() ? "" : ": " + reason);
    }
}
