package org.umberdial.core.evidence;

/** Anything else worth keeping, in the writer's words. */
public record Remark(String subject, String words) implements Fact {
    @Override
    public String sentence() {
        return words;
    }
}
