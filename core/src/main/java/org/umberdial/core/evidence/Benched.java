package org.umberdial.core.evidence;

import java.util.Map;

/**
 * A test at the cold bench, as it was entered; what it proves is worked out anew whenever it is asked for.
 *
 * @param test id of the test
 * @param title its title
 * @param figures what was entered, by the keys of the test's form, in SI units
 * @param equipment id of the instrument it was read with; may be empty
 * @param said what it was taken to say at the time
 * @param whole whether the whole form came with it, figures shown again included, as earlier versions kept it; else
 *     only what was read, with an empty text where a figure was taken back
 */
public record Benched(
        String test, String title, Map<String, String> figures, String equipment, String said, boolean whole)
        implements Fact {
    public Benched {
        figures = Map.copyOf(figures);
    }

    @Override
    public String subject() {
        return "";
    }

    @Override
    public String sentence() {
        return title + ": " + said;
    }
}
