package org.umberdial.core.circuit.law;

/**
 * A junction transistor: the transport form of Ebers and Moll's equations (J. Ebers and J. Moll, Proc. IRE 42, 1954),
 * with the collector's leakage of germanium beside it.
 *
 * <p>With E(v) = e^(v/Vt): Ic = Is (E(Vbe) - E(Vbc)) - Is/Br (E(Vbc) - 1) - J, Ib = Is/Bf (E(Vbe) - 1) + Is/Br (E(Vbc)
 * - 1) + J, J = Isc (e^(Vbc/2Vt) - 1). Voltages and currents of a PNP are the negatives. Left out: the rise of current
 * with collector volts (a few percent) and the fall of gain at high current.
 *
 * @param pnp polarity
 * @param saturationAmperes Is, above 0
 * @param forwardGain Bf, above 0
 * @param reverseGain Br, above 0
 * @param leakAmperes Isc, the collector's leakage beside Is; 0 for silicon
 */
public record BipolarLaw(
        boolean pnp, double saturationAmperes, double forwardGain, double reverseGain, double leakAmperes) {
    /** At 27 °C, which simulators take unless told otherwise. */
    private static final double THERMAL_VOLTS = 0.0258649;
    /** Beyond this exponent the exponential goes on as a straight line. */
    private static final double MOST_EXPONENT_AMPERES = 30;

    private static final double LEAST_EXPONENT = -60;
    /** Germanium and silicon leak twice as much for every so many kelvin. */
    private static final double LEAK_DOUBLING_KELVIN = 10;
    /** The base-emitter voltage falls by 2 mV a kelvin. */
    private static final double SATURATION_PER_KELVIN = 0.002 / THERMAL_VOLTS;

    private static final double DATA_CELSIUS = 25;

    public boolean isSound() {
        return saturationAmperes > 0 && forwardGain > 0 && reverseGain > 0 && leakAmperes >= 0;
    }

    /** The same at another temperature of the junctions [°C]. */
    public BipolarLaw at(double celsius) {
        double warmer = celsius - DATA_CELSIUS;
        return new BipolarLaw(
                pnp,
                saturationAmperes * Math.exp(SATURATION_PER_KELVIN * warmer),
                forwardGain,
                reverseGain,
                leakAmperes * Math.pow(2, warmer / LEAK_DOUBLING_KELVIN));
    }

    /**
     * @param vbe base to emitter [V]
     * @param vce collector to emitter [V]
     * @param out overwritten: collector current, its slopes by vbe and vce, then the base current and its slopes
     */
    public void currents(double vbe, double vce, double[] out) {
        double sign = pnp ? -1 : 1;
        double be = sign * vbe;
        double bc = sign * (vbe - vce);
        double corner = Math.log(MOST_EXPONENT_AMPERES / saturationAmperes);
        double e = exponential(be / THERMAL_VOLTS, corner);
        double eSlope = slope(be / THERMAL_VOLTS, corner) / THERMAL_VOLTS;
        double c = exponential(bc / THERMAL_VOLTS, corner);
        double cSlope = slope(bc / THERMAL_VOLTS, corner) / THERMAL_VOLTS;
        double leak = 0;
        double leakSlope = 0;
        if (leakAmperes > 0) {
            double leakCorner = Math.log(MOST_EXPONENT_AMPERES / leakAmperes);
            leak = leakAmperes * exponential(bc / (2 * THERMAL_VOLTS), leakCorner);
            leakSlope = leakAmperes * slope(bc / (2 * THERMAL_VOLTS), leakCorner) / (2 * THERMAL_VOLTS);
        }
        double back = saturationAmperes / reverseGain;
        double byBc = -saturationAmperes * cSlope - back * cSlope - leakSlope;
        double baseByBe = saturationAmperes / forwardGain * eSlope;
        double baseByBc = back * cSlope + leakSlope;
        out[0] = sign * (saturationAmperes * (e - c) - back * c - leak);
        out[1] = saturationAmperes * eSlope + byBc;
        out[2] = -byBc;
        out[3] = sign * (saturationAmperes / forwardGain * e + back * c + leak);
        out[4] = baseByBe + baseByBc;
        out[5] = -baseByBc;
    }

    /** e^x - 1, going on straight beyond the corner. */
    private static double exponential(double x, double corner) {
        return x > corner ? Math.exp(corner) * (1 + x - corner) - 1 : Math.exp(Math.max(x, LEAST_EXPONENT)) - 1;
    }

    private static double slope(double x, double corner) {
        return x < LEAST_EXPONENT ? 0 : Math.exp(Math.min(x, corner));
    }

    /** The parameters as a simulator's own transistor takes them; the leak stands beside it as a diode. */
    public String model() {
        return Soft.text(
                "%s(IS=%.8g BF=%.8g BR=%.8g TNOM=27)",
                pnp ? "PNP" : "NPN", saturationAmperes, forwardGain, reverseGain);
    }
}
