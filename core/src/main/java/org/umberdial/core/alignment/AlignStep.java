package org.umberdial.core.alignment;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * One step of an alignment.
 *
 * @param id stable within a plan of the same set
 * @param title imperative or what it is about
 * @param band of the dial; empty where none is tuned
 * @param feed where the signal goes in
 * @param hertz of the generator [Hz]; empty when nothing is fed
 * @param signal what is on it
 * @param volts that the generator gives to begin with [V]; empty when nothing is fed
 * @param dial where the pointer stands [Hz]; empty where that does not count
 * @param dialWords the same for people; may be empty
 * @param cores what is turned, by stable names
 * @param unit of what is read; empty where it is no figure
 * @param expect what is right; may be empty
 * @param why what it is good for and what goes wrong
 * @param backTo id of the step to go back to as long as it still grows
 */
public record AlignStep(
        String id,
        Part part,
        String title,
        String band,
        Feed feed,
        OptionalDouble hertz,
        Signal signal,
        OptionalDouble volts,
        OptionalDouble dial,
        String dialWords,
        List<String> cores,
        Aim aim,
        Read read,
        String unit,
        String readAt,
        String expect,
        String why,
        Optional<String> backTo) {
    /** What belongs together. */
    public enum Part {
        BEFORE("Before"),
        IF("Intermediate frequency"),
        TRAP("Trap"),
        OSCILLATOR("Oscillator"),
        AERIAL("Aerial circuits"),
        CHECK("Checks"),
        TRF("Signal circuits"),
        FM_DETECTOR("FM detector"),
        FM_IF("FM intermediate frequency"),
        FM_FRONT("FM front end"),
        FM_CHECK("FM checks");

        private final String label;

        Part(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        /** Whether it turns what somebody set once: cores, trimmers, vanes. */
        public boolean tunes() {
            return this != BEFORE && this != CHECK && this != FM_CHECK;
        }
    }

    /** What is on the generator’s carrier. */
    public enum Signal {
        NONE("carrier alone"),
        AM("30 % of 400 Hz or 1 kHz, AM"),
        FM("1 kHz, 22.5 kHz swing, FM"),
        SWEEP("swept 30 kHz"),
        STATION("a station");

        private final String label;

        Signal(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** What a core is turned for. */
    public enum Aim {
        SET("set"),
        PEAK("most"),
        DIP("least"),
        ZERO("nought"),
        READ("read only");

        private final String label;

        Aim(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** What is read, and in what unit. */
    public enum Read {
        NONE("", ""),
        OUTPUT("V", "output"),
        AVC("V", "negative volts on the AVC, 10 MΩ meter"),
        STABILISER("V", "volts across the stabilising capacitor, 10 MΩ meter"),
        BALANCE("V", "volts from the audio take-off to the detector’s middle, 10 MΩ meter"),
        SCALE("kHz", "what comes in, against the scale"),
        CURVE("", "a curve, point by point"),
        S("", "the S, point by point"),
        EYE("", "the eye’s shadow"),
        BEAT("", "the beat, by ear"),
        EAR("", "the ear");

        private final String unit;
        private final String label;

        Read(String unit, String label) {
            this.unit = unit;
            this.label = label;
        }

        public String unit() {
            return unit;
        }

        public String label() {
            return label;
        }
    }

    public AlignStep {
        cores = List.copyOf(cores);
    }

    /** Whether what is read grows with the generator’s level, so that steps can be compared by it. */
    public boolean grows() {
        return aim == Aim.PEAK
                && !unit.isEmpty()
                && (read == Read.OUTPUT || read == Read.AVC || read == Read.STABILISER);
    }
}
