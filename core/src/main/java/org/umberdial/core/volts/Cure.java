package org.umberdial.core.volts;

import java.util.List;

/**
 * A point that was wrong and is right since parts were changed.
 *
 * @param parts what was changed between the wrong reading and the right one
 */
public record Cure(String node, List<String> parts) {
    /** What that proves: one part alone was it; of several nobody knows which. */
    public String says(String point) {
        return parts.size() == 1
                ? point + " was wrong and is right since " + parts.get(0)
                        + " was changed: the one taken out was it, or its" + " joint."
                : point + " was wrong and is right since " + String.join(", ", parts)
                        + " were changed: cured, the cause unproven. Test what was taken out if you want to know.";
    }
}
