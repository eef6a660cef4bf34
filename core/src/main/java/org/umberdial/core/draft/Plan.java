package org.umberdial.core.draft;

/**
 * What the set is fed with.
 *
 * @param lineVolts RMS; of a battery set the A battery's volts [V]
 * @param hertz of the line, of a vibrator its reed
 * @param bplusVolts what the small stages are to have [V]
 * @param outputVolts what the output plates are fed with [V]
 * @param outputRail the node the output transformer hangs on
 * @param filter what smooths the B+, and in which lead it is
 * @param bias what makes the output grids negative
 */
record Plan(
        Feed feed,
        double lineVolts,
        double hertz,
        double bplusVolts,
        double outputVolts,
        String outputRail,
        Answers.Filter filter,
        Answers.Bias bias) {
    /** Whether cathodes of output tubes are at chassis and their grids at a negative node. */
    boolean negativeGrids() {
        return bias != Answers.Bias.CATHODE;
    }

    /** Whether something stands in the lead from the high-voltage winding to the chassis. */
    boolean minusLead() {
        return filter == Answers.Filter.FIELD_MINUS || bias == Answers.Bias.BACK;
    }
}
