package org.umberdial.core.player;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;
import org.umberdial.core.evidence.SpeedRead;
import org.umberdial.core.sound.ToneSpeed;
import org.umberdial.core.value.InvalidEntry;

/** What was said of a recording of a tone, beside its sound. */
public record ToneReading(
        SpeedRead.What what,
        double rpm,
        Optional<Double> minutes,
        List<Double> marks,
        boolean halfRound,
        Optional<Double> grooveMm) {
    /** What a test record's own tone may be off [fraction]. */
    private static final double RECORD_APART = 0.001;

    private static final int MOST_MARKS = 400;
    /** Two minutes as finely as they are drawn; a log's entry holds no more. */
    private static final int MOST_TRACE = 2400;

    /**
     * @param what what the sound is on
     * @param rpm speed the record is made for [1/min], or the tape [cm/s]
     * @param minutes how long it had run [min]
     * @param marks when a mark on the platter passed the arm, in the sound [s]
     * @param halfRound whether the record lay half a turn round
     * @param grooveMm how far from the middle the needle was [mm]
     * @throws InvalidEntry when one of them cannot be
     */
    public ToneReading {
        speed(rpm);
        minutes.ifPresent(ToneReading::ran);
        if (marks.size() > MOST_MARKS || marks.stream().anyMatch(s -> !(s >= 0 && s < 3600))) {
            throw new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, "The marks lie outside the sound.").at("marks");
        }
        grooveMm.ifPresent(mm -> {
            if (!(mm >= 30 && mm <= 250)) {
                throw new InvalidEntry(
                                InvalidEntry.Code.OUT_OF_RANGE,
                                "A groove " + mm + " mm from the middle is on no record; enter 50 to 150, as in 100.")
                        .at("grooveMm");
            }
        });
        marks = List.copyOf(marks);
    }

    /** @throws InvalidEntry for a speed no record has */
    public static void speed(double rpm) {
        if (!(rpm >= 1 && rpm <= 500)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "A speed of " + rpm
                                    + " turns a minute cannot be; enter the record’s, as in 33.33 or 78.26.")
                    .at("rpm");
        }
    }

    /** @throws InvalidEntry for a time nobody waits */
    public static void ran(double minutes) {
        if (!(minutes >= 0 && minutes <= 1440)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "It has run for " + minutes + " minutes? Enter how long the motor was on, as in 10.")
                    .at("minutes");
        }
    }

    /** The reading as it is kept. */
    public SpeedRead read(ToneSpeed heard) {
        double measured = rpm * heard.meanHertz() / heard.tone();
        return new SpeedRead(
                SpeedRead.How.TONE,
                what,
                rpm,
                round(measured, 1e4),
                round(RECORD_APART * rpm, 1e4),
                SpeedRead.Load.PLAYING,
                minutes,
                Optional.of(new SpeedRead.Tone(
                        heard.tone(),
                        round(heard.meanHertz(), 1e3),
                        round(heard.driftPercent(), 1e4),
                        round(heard.weightedPercent(), 1e4),
                        round(heard.rmsPercent(), 1e4),
                        heard.lines().stream()
                                .map(line -> new SpeedRead.Line(
                                        round(line.hertz(), 1e4), round(line.percent(), 1e4), round(line.phase(), 1e4)))
                                .toList(),
                        round(heard.seconds(), 100),
                        heard.clicks(),
                        mark(measured, heard.from()).map(s -> round(s, 1e3)),
                        halfRound,
                        grooveMm,
                        ToneSpeed.TRACE_HERTZ / (double) together(heard.trace()),
                        shortened(heard.trace()))));
    }

    /** How many values of a long trace are kept as one. */
    private static int together(double[] trace) {
        return Math.max(1, (trace.length + MOST_TRACE - 1) / MOST_TRACE);
    }

    private static List<Double> shortened(double[] trace) {
        int together = together(trace);
        List<Double> kept = new ArrayList<>();
        for (int i = 0; i + together <= trace.length; i += together) {
            kept.add(round(
                    DoubleStream.of(trace).skip(i).limit(together).average().orElse(0), 1e4));
        }
        return kept;
    }

    /** When the mark passed first after the tone began: the mean of all passings, folded into one turn. */
    private Optional<Double> mark(double measuredRpm, double from) {
        if (marks.isEmpty()) {
            return Optional.empty();
        }
        double turn = 60 / measuredRpm;
        double re = 0;
        double im = 0;
        for (double at : marks) {
            double angle = 2 * Math.PI * (at - from) / turn;
            re += Math.cos(angle);
            im += Math.sin(angle);
        }
        double share = Math.atan2(im, re) / (2 * Math.PI);
        return Optional.of((share < 0 ? share + 1 : share) * turn);
    }

    private static double round(double value, double steps) {
        return Math.rint(value * steps) / steps;
    }
}
