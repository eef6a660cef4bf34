package org.umberdial.core.player;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.umberdial.core.value.InvalidEntry;

/**
 * A speed counted by a mark that passes: a key is tapped at each passing.
 *
 * @param rpm turns a minute
 * @param within twice the standard error of it, the hand's own scatter included [1/min]
 * @param turns how many turns were counted
 * @param missed how many passings were not tapped
 */
public record TurnCount(double rpm, double within, int turns, int missed) {
    private static final int LEAST = 6;
    private static final int MOST = 2000;
    /** How far from a whole number of turns a tap may lie, in turns. */
    private static final double OFF_BEAT = 0.3;
    /** A thumb does not tap truer than this [s]. */
    private static final double THUMB = 0.03;

    /**
     * By least squares through the taps.
     *
     * @param taps when the mark passed [s], rising
     * @throws InvalidEntry when they are too few or in no rhythm
     */
    public static TurnCount of(List<Double> taps) {
        if (taps.size() < LEAST || taps.size() > MOST) {
            throw refused(
                    "Tap at least " + LEAST + " passings of the mark, better twenty; there are " + taps.size() + ".");
        }
        double[] gaps = new double[taps.size() - 1];
        for (int i = 0; i < gaps.length; i++) {
            gaps[i] = taps.get(i + 1) - taps.get(i);
            if (!(gaps[i] > 0) || !Double.isFinite(gaps[i])) {
                throw refused("The taps are not in the order of time; begin again.");
            }
        }
        double[] sorted = gaps.clone();
        Arrays.sort(sorted);
        double turn = sorted[sorted.length / 2];
        double[] number = new double[taps.size()];
        int missed = 0;
        for (int i = 0; i < gaps.length; i++) {
            double turns = gaps[i] / turn;
            double whole = Math.rint(turns);
            if (whole < 1 || Math.abs(turns - whole) > OFF_BEAT) {
                throw refused(String.format(
                        Locale.ROOT,
                        "Taps %d and %d lie %.2f s apart, the others %.2f s: a mark passes in even time. Begin again.",
                        i + 1,
                        i + 2,
                        gaps[i],
                        turn));
            }
            number[i + 1] = number[i] + whole;
            missed += (int) whole - 1;
        }
        return fit(taps, number, missed);
    }

    private static TurnCount fit(List<Double> taps, double[] number, int missed) {
        int count = number.length;
        double meanTurn = Arrays.stream(number).average().orElse(0);
        double meanTime = taps.stream().mapToDouble(t -> t).average().orElse(0);
        double across = 0;
        double along = 0;
        for (int i = 0; i < count; i++) {
            along += (number[i] - meanTurn) * (number[i] - meanTurn);
            across += (number[i] - meanTurn) * (taps.get(i) - meanTime);
        }
        double seconds = across / along;
        double rest = 0;
        for (int i = 0; i < count; i++) {
            double off = taps.get(i) - meanTime - seconds * (number[i] - meanTurn);
            rest += off * off;
        }
        double scatter = Math.max(THUMB, Math.sqrt(rest / (count - 2)));
        double rpm = 60 / seconds;
        return new TurnCount(rpm, 2 * scatter / Math.sqrt(along) / seconds * rpm, (int) number[count - 1], missed);
    }

    private static InvalidEntry refused(String words) {
        return new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, words).at("taps");
    }
}
