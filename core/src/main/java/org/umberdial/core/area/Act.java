package org.umberdial.core.area;

import java.util.List;
import org.umberdial.core.claim.Claim;

/**
 * Something to do.
 *
 * @param id of the area and of what it is: {@code cold:insulation}
 * @param subject where its screen goes: a point's node, a part, a test; may be empty
 * @param title imperative
 * @param why what it is good for, and why now
 * @param proves what it may settle
 * @param minutes at the bench; 0 when it takes hardly any
 * @param urgency how it ranks before where it stands in the work
 */
public record Act(
        String id,
        String subject,
        String title,
        String why,
        List<Claim> proves,
        double minutes,
        Plug plug,
        Urgency urgency) {
    /** What makes an act come before others, the most urgent first. */
    public enum Urgency {
        /** Going on does harm. */
        HARM,
        /** In its turn. */
        USUAL,
        /** When nothing else is left, or another act asks for it. */
        LAST
    }

    public Act {
        proves = List.copyOf(proves);
    }

    /** Id of the area that offers it. */
    public String area() {
        return id.substring(0, id.indexOf(':'));
    }
}
