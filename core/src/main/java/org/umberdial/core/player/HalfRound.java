package org.umberdial.core.player;

import java.util.List;
import java.util.Optional;
import org.umberdial.core.evidence.SpeedRead;

/**
 * The variation once a platter turn, taken apart into the platter's share and the record's: recorded twice, the record
 * half a turn round the second time, both against a mark on the platter. What the platter makes stays where it is; what
 * the record makes turns with it. With {@code a} and {@code b} the two as arrows in the platter's frame, the platter's
 * is {@code (a + b) / 2} and the record's {@code (a − b) / 2}.
 *
 * @param platterPercent peak of the platter's share
 * @param recordPercent peak of the record's
 */
public record HalfRound(double platterPercent, double recordPercent) {
    /** Twice as much of one as of the other names it. */
    private static final double NAMES = 2;

    /** From the last two tones of one speed with their marks, one of them with the record half round. */
    public static Optional<HalfRound> of(List<SpeedRead> reads) {
        for (int i = reads.size() - 1; i >= 0; i--) {
            SpeedRead turned = reads.get(i);
            if (marked(turned, true)) {
                Optional<SpeedRead> straight = reads.stream()
                        .filter(r -> marked(r, false) && Math.abs(r.rpm() / turned.rpm() - 1) < 0.005)
                        .reduce((first, second) -> second);
                return straight.flatMap(s -> of(s, turned));
            }
        }
        return Optional.empty();
    }

    private static boolean marked(SpeedRead read, boolean halfRound) {
        return read.tone()
                .filter(t -> t.mark().isPresent() && t.halfRound() == halfRound)
                .isPresent();
    }

    /** From two tones of one speed, empty where one lacks its mark or has no such line. */
    public static Optional<HalfRound> of(SpeedRead straight, SpeedRead turned) {
        Optional<double[]> a = arrow(straight);
        Optional<double[]> b = arrow(turned);
        if (a.isEmpty() || b.isEmpty()) {
            return Optional.empty();
        }
        double platter = Math.hypot(a.get()[0] + b.get()[0], a.get()[1] + b.get()[1]) / 2;
        double record = Math.hypot(a.get()[0] - b.get()[0], a.get()[1] - b.get()[1]) / 2;
        return Optional.of(new HalfRound(platter, record));
    }

    /** The line once a turn as an arrow, its angle counted from the mark's passing. */
    private static Optional<double[]> arrow(SpeedRead read) {
        return read.tone().filter(t -> t.mark().isPresent()).flatMap(tone -> {
            double turns = read.measuredRpm() / 60;
            return tone.lines().stream()
                    .filter(line -> Math.abs(line.hertz() - turns) <= Math.max(1 / tone.seconds(), 0.01 * turns))
                    .findFirst()
                    .map(line -> {
                        double phase = line.phase()
                                + 2 * Math.PI * line.hertz() * tone.mark().get();
                        return new double[] {line.percent() * Math.cos(phase), line.percent() * Math.sin(phase)};
                    });
        });
    }

    /** Whether it is the record's. */
    public boolean record() {
        return recordPercent >= NAMES * platterPercent;
    }

    /** Whether it is the platter's. */
    public boolean platter() {
        return platterPercent >= NAMES * recordPercent;
    }
}
