package org.umberdial.core.evidence;

import java.math.BigDecimal;
import java.math.RoundingMode;
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
        BigDecimal value,
        BigDecimal sentiment,
        boolean known,
        Map<String, Double> hours,
        Map<String, BigDecimal> prices)
        implements Fact {
    /** Nothing said yet. */
    public static final WorthSaid NOTHING = new WorthSaid(BigDecimal.ZERO, BigDecimal.ZERO, false, Map.of(), Map.of());

    @Override
    public String subject() {
        return "worth";
    }

    @Override
    public String sentence() {
        return "Worth " + value.setScale(0, RoundingMode.HALF_EVEN) + " restored, and "
                + sentiment.setScale(0, RoundingMode.HALF_EVEN) + " more to the owner";
    }
}
