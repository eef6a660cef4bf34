package org.umberdial.core.tube;

import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Figures of a point that cannot be of one tube. Such a point helps to expect something and accuses nobody. */
final class PointDoubts {
    /** mu is gm times rp; figures further apart than this do not belong to one tube. */
    private static final double SAME_TUBE = 0.10;
    /** As near as the law of a shipped type comes to each point it was fitted to. */
    private static final double MET = 0.10;

    private PointDoubts() {}

    /** For each point of a type, in its order, what is wrong with it in a sentence. */
    static List<Optional<String>> of(TubeType type) {
        TubeModel law = TubeFit.fit(type);
        return type.points().stream()
                .map(point -> ownDoubt(point).or(() -> miss(point, law)))
                .toList();
    }

    private static String named(TubePoint point) {
        return "Point " + point.number() + " of the " + point.kind();
    }

    private static Optional<String> ownDoubt(TubePoint point) {
        boolean slopes =
                point.transconductanceSiemens().isPresent() && point.plateOhms().isPresent();
        // A pentode's sheet gives the amplification between its grids, which is another figure.
        if (slopes && point.amplification().isPresent() && point.kind().equals("triode")) {
            double product = point.transconductanceSiemens().getAsDouble()
                    * point.plateOhms().getAsDouble();
            double mu = point.amplification().getAsDouble();
            if (Math.abs(product / mu - 1) > SAME_TUBE) {
                return Optional.of(named(point) + ": transconductance times plate resistance is " + Math.round(product)
                        + ", not " + TubeColumns.shown(mu) + "; one of the three is a slip.");
            }
        }
        if (point.kind().equals("triode") && !slopes && point.amplification().isEmpty()) {
            return Optional.of(
                    named(point)
                            + ": without amplification factor, or transconductance and plate resistance, its slope is a guess.");
        }
        if (point.screenVolts().isPresent()
                && point.plateAmperes().isPresent()
                && point.screenAmperes().isEmpty()) {
            return Optional.of(named(point) + ": without screen current, what its screen draws is a guess.");
        }
        return point.gridVolts().orElse(0) > 0 && point.gridAmperes().isEmpty()
                ? Optional.of(
                        named(point) + ": its grid is positive; nearly every type's is negative against the cathode.")
                : Optional.empty();
    }

    /** A point that the law of all points does not meet. */
    private static Optional<String> miss(TubePoint point, TubeModel law) {
        double[] out = new double[10];
        double grid = point.gridVolts().orElse(0);
        double screen = point.screenVolts().orElse(0);
        double plate = point.plateVolts().orElse(0);
        switch (point.kind()) {
            case "triode" -> law.triode().ifPresent(l -> l.plate(grid, plate, out));
            case "pentode", "beam" -> law.pentode().ifPresent(l -> l.currents(grid, screen, plate, out));
            case "heptode" ->
                law.heptode().ifPresent(l -> l.currents(grid, point.grid3Volts().orElse(0), screen, plate, 1, out));
            default -> {
                return Optional.empty();
            }
        }
        if (point.plateAmperes().isEmpty()) {
            return Optional.empty();
        }
        double given = point.plateAmperes().getAsDouble();
        return Math.abs(out[0] / given - 1) <= MET
                ? Optional.empty()
                : Optional.of(String.format(
                        Locale.ROOT,
                        "%s: %.3g mA is given, and the law nearest to all its figures draws %.3g mA; one of them may be a "
                                + "slip, compare them with the sheet.",
                        named(point),
                        given * 1e3,
                        out[0] * 1e3));
    }
}
