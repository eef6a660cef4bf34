package org.umberdial.core.evidence;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.DoubleStream;

/**
 * How fast something of a player turned, and how steadily where a tone told.
 *
 * @param how by what it was read
 * @param what what turned
 * @param rpm speed it should have [1/min], of tape and wire [cm/s]
 * @param measuredRpm speed it had, in the same unit
 * @param within how far off that may be, in the same unit
 * @param load what lay on it
 * @param minutes how long it had run [min]; empty when nobody said
 * @param tone what a test tone said beside; empty for any other way
 */
public record SpeedRead(
        How how,
        What what,
        double rpm,
        double measuredRpm,
        double within,
        Load load,
        Optional<Double> minutes,
        Optional<Tone> tone)
        implements Fact {
    private static final double MOST = 1e6;

    public SpeedRead {
        if (!(rpm > 0 && measuredRpm > 0 && within >= 0 && measuredRpm < MOST && rpm < MOST && within < MOST)) {
            throw new IllegalArgumentException("a speed is above nought: " + measuredRpm + " for " + rpm);
        }
    }

    /** By what a speed was read. */
    public enum How {
        TONE("by a test tone"),
        STROBE("by strobe disc"),
        COUNT("by counted turns");

        private final String label;

        How(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** What turned. */
    public enum What {
        PLATTER("platter", "1/min"),
        MOTOR("motor shaft", "1/min"),
        /** Tape or wire past its head. */
        TAPE("tape or wire", "cm/s");

        private final String label;
        private final String unit;

        What(String label, String unit) {
            this.label = label;
            this.unit = unit;
        }

        public String label() {
            return label;
        }

        public String unit() {
            return unit;
        }

        /** Whether the sound is on it. */
        public boolean sounds() {
            return this != MOTOR;
        }
    }

    /** What lay on the platter. */
    public enum Load {
        FREE("nothing on it"),
        RECORD("record on it, arm up"),
        PLAYING("record and arm on it");

        private final String label;

        Load(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /**
     * What a tone said.
     *
     * @param hertz nominal frequency of the tone
     * @param heardHertz as it came, on average
     * @param driftPercent faster at the end than at the beginning
     * @param weightedPercent wow and flutter, weighted, quasi-peak
     * @param rmsPercent unweighted, RMS
     * @param lines of the variation's spectrum, the largest first
     * @param seconds how long it was heard
     * @param clicks how many were passed over
     * @param mark when a mark on the platter passed the arm, after the tone began [s]; empty when nobody looked
     * @param halfRound whether the record lay half a turn round from where it lay first
     * @param grooveMm how far from the middle the needle was [mm]; empty when nobody said
     * @param tracePerSecond values of the trace a second
     * @param trace the variation about the mean [%]
     */
    public record Tone(
            double hertz,
            double heardHertz,
            double driftPercent,
            double weightedPercent,
            double rmsPercent,
            List<Line> lines,
            double seconds,
            int clicks,
            Optional<Double> mark,
            boolean halfRound,
            Optional<Double> grooveMm,
            double tracePerSecond,
            List<Double> trace) {
        public Tone {
            lines = List.copyOf(lines);
            trace = List.copyOf(trace);
            boolean figures = DoubleStream.of(
                            hertz, heardHertz, driftPercent, weightedPercent, rmsPercent, seconds, tracePerSecond)
                    .allMatch(Double::isFinite);
            boolean rows = trace.stream().allMatch(Double::isFinite)
                    && lines.stream()
                            .allMatch(l -> l.hertz > 0
                                    && Double.isFinite(l.hertz)
                                    && Double.isFinite(l.percent)
                                    && Double.isFinite(l.phase));
            if (!figures || !rows || !(seconds > 0) || !(tracePerSecond > 0)) {
                throw new IllegalArgumentException("a tone says finite figures of some seconds");
            }
        }
    }

    /**
     * One line of the variation's spectrum.
     *
     * @param hertz how often it comes
     * @param percent its peak
     * @param phase where in its swing it was when the tone began [rad], nought at its fastest
     */
    public record Line(double hertz, double percent, double phase) {}

    /** How much too fast it turned, a fraction; below 0 when too slow. */
    public double off() {
        return measuredRpm / rpm - 1;
    }

    @Override
    public String subject() {
        return "";
    }

    @Override
    public String sentence() {
        return String.format(
                        Locale.ROOT,
                        "Speed of the %s %s, %s: %.2f %s for %.2f (%+.1f %%)",
                        what.label,
                        how.label,
                        load.label,
                        measuredRpm,
                        what.unit,
                        rpm,
                        100 * off())
                + tone.map(t -> String.format(
                                Locale.ROOT,
                                "; wow and flutter %.2f %% weighted, drift %+.2f %%",
                                t.weightedPercent,
                                t.driftPercent))
                        .orElse("");
    }
}
