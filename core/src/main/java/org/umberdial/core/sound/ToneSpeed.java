package org.umberdial.core.sound;

import java.util.List;

/**
 * What a tone says of the machine that turned it.
 *
 * @param tone nominal frequency [Hz]
 * @param meanHertz the tone as it came, on average
 * @param driftPercent how much faster it was at the end than at the beginning, by the straight line through it all
 * @param weightedPercent wow and flutter, weighted, quasi-peak: what the pointer is under for 95 % of the time
 * @param rmsPercent wow and flutter unweighted, RMS, 0.2 to 200 Hz
 * @param lines the lines of the variation's spectrum, the largest first
 * @param from where in the sound the tone begins [s]
 * @param seconds how long it was heard
 * @param clicks how many clicks were passed over
 * @param trace the variation about the mean [%], {@value #TRACE_HERTZ} values a second
 */
public record ToneSpeed(
        double tone,
        double meanHertz,
        double driftPercent,
        double weightedPercent,
        double rmsPercent,
        List<SpeedLine> lines,
        double from,
        double seconds,
        int clicks,
        double[] trace) {
    /** Values of the trace a second. */
    public static final int TRACE_HERTZ = 20;

    public ToneSpeed {
        lines = List.copyOf(lines);
    }

    /** How much too fast it turns [%], below 0 when too slow. */
    public double speedErrorPercent() {
        return 100 * (meanHertz / tone - 1);
    }
}
