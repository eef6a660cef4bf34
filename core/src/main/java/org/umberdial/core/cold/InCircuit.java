package org.umberdial.core.cold;

import java.util.Optional;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.set.Part;

/**
 * A resistor in its circuit: what it should read in place, and whether a reading there can tell its state.
 *
 * @param predicted in place, by the whole cold network [Ω]
 * @param beside the network without it, infinite when nothing is beside it; 0 when no network is known, so that a
 *     reading in place never clears the part [Ω]
 */
record InCircuit(Part part, double nominal, double predicted, double beside) {
    /** A drift that must show in place by at least {@link #SHOWS} if the reading is to clear the part. */
    private static final double DRIFT = 1.4;

    private static final double SHOWS = 0.1;
    private static final double CONSISTENT = 0.12;
    /** Beyond this a share reads better as a multiple. */
    private static final double PERCENT_TO = 4;

    record Judged(Verdict word, String reason) {}

    static Optional<InCircuit> of(ColdScene scene, String reference) {
        return scene.set()
                .part(reference)
                .filter(p -> p.workingValue().isPresent())
                .map(p -> {
                    double nominal = p.workingValue().get();
                    double predicted =
                            scene.ohms(p.nodes().get(0), p.nodes().get(1)).orElse(nominal);
                    double beside = scene.ohmsWithout(
                                    reference, p.nodes().get(0), p.nodes().get(1))
                            .orElse(0);
                    return new InCircuit(p, nominal, Math.min(predicted, nominal), beside);
                });
    }

    /** Whether a drift of the part would show in place. */
    boolean tells() {
        double drifted = parallel(DRIFT * nominal, beside);
        return drifted / predicted - 1 >= SHOWS;
    }

    String says() {
        return tells()
                ? ColdTool.ohms(predicted) + " in place"
                : "lift a lead (" + ColdTool.ohms(predicted) + " in place)";
    }

    /** @param read settled, the higher of both ways round [Ω] */
    Judged judge(double read, boolean lifted) {
        double tolerance = part.tolerance().fraction();
        double off = read / nominal - 1;
        if (read > ColdTool.OPEN_OHMS) {
            return new Judged(Verdict.BAD, "open");
        }
        if (lifted) {
            boolean good = Math.abs(off) <= tolerance;
            return new Judged(
                    good ? Verdict.GOOD : Verdict.BAD, ColdTool.off(off, nominal) + (good ? "" : ": drifted"));
        }
        if (off > tolerance) {
            return new Judged(
                    Verdict.BAD,
                    (off > PERCENT_TO ? ColdTool.text("%.0f times", off + 1) : ColdTool.percent(off) + " above")
                            + " its value in place: drifted, for paths beside it only lower a reading");
        }
        double against = read / predicted - 1;
        if (Math.abs(against) <= CONSISTENT) {
            return tells()
                    ? new Judged(Verdict.GOOD, "as the network predicts, and a drift would show here")
                    : new Judged(
                            Verdict.NO_EXPECTATION, "as predicted, but a drift would not show in place: lift a lead");
        }
        if (against > 0) {
            return new Judged(
                    Verdict.DOUBT,
                    ColdTool.percent(against)
                            + " above what the network predicts: it or a part beside it is high; lift a lead");
        }
        return new Judged(
                Verdict.DOUBT,
                ColdTool.percent(-against)
                        + " below what the network predicts: a leak beside it, a charge, or the meter opens a "
                        + "junction; turn the leads round, then lift one");
    }

    private static double parallel(double a, double b) {
        return Double.isInfinite(b) ? a : b == 0 ? 0 : a * b / (a + b);
    }
}
