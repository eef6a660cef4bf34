package org.umberdial.core.tube;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.circuit.law.HeptodeLaw;
import org.umberdial.core.circuit.law.Oscillation;
import org.umberdial.core.circuit.law.PentodeLaw;
import org.umberdial.core.circuit.law.TriodeLaw;
import org.umberdial.core.circuit.law.VacuumDiodeLaw;

/**
 * Fits the laws of {@code circuit.law} to the published points of a type.
 *
 * <p>Each published figure is a residual over its trust (currents 1 %, screen current 3 %, slope 3 %, plate resistance
 * 10 to 30 %); what the points leave open is held near ordinary values by a prior. Positive parameters are fitted as
 * logarithms. The laws that ship are this fit of the shipped points, kept in a file so that they can be read and
 * reviewed.
 */
public final class TubeFit {
    private static final double OSCILLATOR_GRID_SIEMENS = 5e-4;

    private TubeFit() {}

    /** The laws of a type from its points. */
    public static TubeModel fit(TubeType type) {
        List<TubePoint> triodes = of(type, "triode");
        List<TubePoint> oscillating = new ArrayList<>(of(type, "osc_plate"));
        oscillating.addAll(of(type, "triode_osc"));
        Optional<TriodeLaw> triode = triodes.isEmpty() ? oscillatorPlate(oscillating) : triode(triodes);
        List<TubePoint> pentodes = new ArrayList<>(of(type, "pentode"));
        pentodes.addAll(of(type, "beam"));
        Optional<PentodeLaw> pentode = pentodes.isEmpty() ? Optional.empty() : pentode(pentodes);
        List<TubePoint> heptodes = of(type, "heptode");
        Optional<HeptodeLaw> heptode = heptodes.isEmpty() ? Optional.empty() : heptode(heptodes);
        Optional<VacuumDiodeLaw> rectifier =
                !of(type, "rectifier").isEmpty() && type.limits().dropVolts().isPresent()
                        ? Optional.of(VacuumDiodeLaw.through(
                                type.limits().dropVolts().getAsDouble(),
                                type.limits().dropAmperes().orElse(0.05)))
                        : Optional.empty();
        return new TubeModel(type.name(), triode, pentode, heptode, rectifier, oscillation(type, triode));
    }

    private static List<TubePoint> of(TubeType type, String kind) {
        return type.points().stream().filter(point -> point.kind().equals(kind)).toList();
    }

    /**
     * How the triode section oscillates: its amplitude biases the grid to the published voltage, and it conducts for
     * such a part of the cycle that the mean plate current is the published one. Without a published point of
     * operation, an ordinary amplitude and part.
     */
    private static Oscillation oscillation(TubeType type, Optional<TriodeLaw> triode) {
        for (TubePoint point : type.points()) {
            if (List.of("triode_osc", "selfosc_mixer", "osc_plate").contains(point.kind())
                    && point.gridVolts().isPresent()) {
                double plate = point.plateVolts().orElse(100);
                double duty = HeptodeLaw.DUTY;
                if (triode.isPresent() && point.plateAmperes().isPresent()) {
                    double[] out = new double[3];
                    triode.get().plate(reach(point) + point.gridVolts().getAsDouble(), plate, out);
                    duty = Math.min(point.plateAmperes().getAsDouble() / out[0], 1);
                }
                return new Oscillation(reach(point) / plate, duty);
            }
        }
        return triode.map(law -> new Oscillation(1.8 / law.mu(), HeptodeLaw.DUTY))
                .orElse(Oscillation.NONE);
    }

    /** The amplitude that biases an oscillating grid to the published voltage at the published current. */
    private static double reach(TubePoint point) {
        return Math.abs(point.gridVolts().orElse(0)) + point.gridAmperes().orElse(0) / OSCILLATOR_GRID_SIEMENS;
    }

    private static Optional<TriodeLaw> triode(List<TubePoint> points) {
        double mu = points.get(0).amplification().orElse(20);
        double[] start = {Math.log(mu), 1.4, Math.log(1000), Math.log(6 * mu), Math.log(300), 0.4};
        Residuals priors = new Residuals(start, 0.05, 0.1, 6, 0.7, 1.5, 0.3);
        double[] fitted = LeastSquares.fit(start, p -> {
            TriodeLaw law = triode(p);
            List<Double> errors = priors.of(p);
            double[] out = new double[3];
            for (TubePoint point : points) {
                law.plate(point.gridVolts().orElse(0), point.plateVolts().orElse(250), out);
                compare(errors, out[0], point.plateAmperes(), 0.01);
                compare(errors, out[1], point.transconductanceSiemens(), 0.03);
                compare(errors, 1 / out[2], point.plateOhms(), 0.1);
            }
            return array(errors);
        });
        return Optional.of(triode(fitted));
    }

    private static TriodeLaw triode(double[] p) {
        return new TriodeLaw(Math.exp(p[0]), p[1], Math.exp(p[2]), Math.exp(p[3]), Math.exp(p[4]), p[5]);
    }

    /**
     * The oscillator plate of a pentagrid: only its average in operation is published, so that only the scale is
     * fitted.
     */
    private static Optional<TriodeLaw> oscillatorPlate(List<TubePoint> points) {
        if (points.isEmpty()) {
            return Optional.empty();
        }
        TubePoint point = points.get(0);
        TriodeLaw shape = new TriodeLaw(10, 1.4, 1000, 60, 300, 0.4);
        double[] out = new double[3];
        shape.plate(
                reach(point) + point.gridVolts().orElse(0), point.plateVolts().orElse(100), out);
        double scale = out[0] * HeptodeLaw.DUTY / point.plateAmperes().orElse(4e-3);
        return Optional.of(
                new TriodeLaw(shape.mu(), shape.ex(), shape.kg() * scale, shape.kp(), shape.kvb(), shape.vct()));
    }

    private static Optional<PentodeLaw> pentode(List<TubePoint> points) {
        boolean remote = points.stream().anyMatch(point -> point.plateAmperes().isEmpty());
        double[] start = {
            Math.log(15), 1.35, Math.log(500), Math.log(80), 0.4, 1.6, Math.log(12), Math.log(1e-4), -2, Math.log(4)
        };
        Residuals priors = new Residuals(start, 0.6, 0.1, 6, 0.6, 0.5, 2, 0.9, 1.5, 1.5, 0.5);
        double[] fitted = LeastSquares.fit(start, p -> {
            PentodeLaw law = pentode(p, remote);
            List<Double> errors = priors.of(p);
            double[] out = new double[8];
            for (TubePoint point : points) {
                law.currents(
                        point.gridVolts().orElse(0),
                        point.screenVolts().orElse(100),
                        point.plateVolts().orElse(250),
                        out);
                boolean cutOff = point.plateAmperes().isEmpty();
                compare(errors, out[0], point.plateAmperes(), 0.01);
                compare(errors, out[4], point.screenAmperes(), 0.03);
                compare(errors, out[1], point.transconductanceSiemens(), cutOff ? 0.1 : 0.03);
                compare(errors, 1 / out[3], point.plateOhms(), 0.3);
            }
            return array(errors);
        });
        return Optional.of(pentode(fitted, remote));
    }

    private static PentodeLaw pentode(double[] p, boolean remote) {
        return new PentodeLaw(
                Math.exp(p[0]),
                p[1],
                Math.exp(p[2]),
                Math.exp(p[3]),
                p[4],
                0.995 / (1 + Math.exp(-p[5])),
                Math.exp(p[6]),
                Math.exp(p[7]),
                remote ? 1 / (1 + Math.exp(-p[8])) : 0,
                Math.exp(p[9]));
    }

    private static Optional<HeptodeLaw> heptode(List<TubePoint> points) {
        boolean oscillates = points.get(0).gridAmperes().isPresent();
        double swing = oscillates
                ? points.stream()
                        .mapToDouble(point -> reach(point) / point.screenVolts().orElse(100))
                        .average()
                        .orElse(0.1)
                : 0;
        double v3 = points.get(0).grid3Volts().orElse(0) - 1;
        double[] start = {
            Math.log(20), 1.5, Math.log(500), Math.log(100), 0.4, 3, Math.log(12), Math.log(1e-4), v3, Math.log(5)
        };
        Residuals priors = new Residuals(start, 0.6, 0.05, 6, 0.5, 0.4, 1, 0.7, 1.5, 6, 0.5);
        double[] fitted = LeastSquares.fit(start, p -> {
            HeptodeLaw law = heptode(p, swing);
            List<Double> errors = priors.of(p);
            double[] out = new double[10];
            for (TubePoint point : points) {
                double screen = point.screenVolts().orElse(100);
                law.currents(
                        point.gridVolts().orElse(0),
                        point.grid3Volts().orElse(0),
                        screen,
                        point.plateVolts().orElse(250),
                        1,
                        out);
                compare(errors, out[0], point.plateAmperes(), 0.01);
                compare(errors, out[5], point.screenAmperes(), 0.02);
                compare(errors, 1 / out[4], point.plateOhms(), 0.5);
                if (!oscillates && point.grid3Volts().orElse(0) == 0) {
                    compare(errors, out[1], point.transconductanceSiemens(), 0.1);
                }
            }
            return array(errors);
        });
        return Optional.of(heptode(fitted, swing));
    }

    private static HeptodeLaw heptode(double[] p, double swing) {
        PentodeLaw pentode = new PentodeLaw(
                Math.exp(p[0]),
                p[1],
                Math.exp(p[2]),
                Math.exp(p[3]),
                p[4],
                0.995 / (1 + Math.exp(-p[5])),
                Math.exp(p[6]),
                Math.exp(p[7]),
                0,
                4);
        return new HeptodeLaw(pentode, p[8], Math.exp(p[9]), swing);
    }

    private static void compare(List<Double> errors, double model, OptionalDouble published, double trust) {
        published.ifPresent(target -> errors.add(Math.log(Math.max(model, 1e-15) / target) / trust));
    }

    private static double[] array(List<Double> errors) {
        return errors.stream().mapToDouble(Double::doubleValue).toArray();
    }

    /** How far each parameter may stray from where it starts. */
    private static final class Residuals {
        private final double[] centre;
        private final double[] width;

        Residuals(double[] centre, double... width) {
            this.centre = centre.clone();
            this.width = width;
        }

        List<Double> of(double[] p) {
            List<Double> errors = new ArrayList<>();
            for (int i = 0; i < p.length; i++) {
                errors.add((p[i] - centre[i]) / width[i]);
            }
            return errors;
        }
    }
}
