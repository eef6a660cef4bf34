package org.umberdial.core.evidence;

import java.util.Map;

/**
 * What the set is worth, and how its jobs are reckoned for it.
 *
 * @param value what it would fetch or cost once restored, in the shop's money
 * @param sentiment what the owner adds to keep this one, in the shop's money
 * @param known whether somebody said so; false while nothing was said
 * @param hours hours of a job where they differ from the table, by job
 * @param prices price of its parts where it differs, by job
 */
public record WorthSaid(
        double value, double sentiment, boolean known, Map<String, Double> hours, Map<String, Double> prices)
        implements Fact {
    /** Nothing said yet. */
    public static final WorthSaid NOTHING = new WorthSaid(0, 0, false, Map.of(), Map.of());

    @Override
    public String subject() {
        return "worth";
    }

    @Override
    public String sentence() {
        return "Worth " + Math.round(value) + " restored, and " + Math.round(sentiment) + " more to the owner";
    }
}
