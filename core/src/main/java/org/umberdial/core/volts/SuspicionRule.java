package org.umberdial.core.volts;

import java.util.OptionalDouble;
import java.util.stream.Stream;

/** One way a part can make a point wrong, found from the topology. */
interface SuspicionRule {
    /** Stable name. */
    String id();

    /** Every part this rule would blame for the scene. */
    Stream<Guess> guesses(Scene scene);

    /**
     * The test that settles a suspicion.
     *
     * @param act what to do, imperative, one or two sentences
     * @param tells what its outcome says
     */
    record Test(String act, String tells) {}

    /**
     * A part blamed by a rule, before it is weighed against the others.
     *
     * @param weight how often such parts fail so, times how well the readings agree; only ratios matter
     * @param severity size that fits, SI
     * @param urgent whether running on does harm
     */
    record Guess(
            String rule,
            String part,
            String failure,
            OptionalDouble severity,
            double weight,
            String reason,
            Test confirm,
            boolean urgent) {}
}
