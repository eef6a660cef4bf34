package org.umberdial.core.circuit.law;

/**
 * Koren's triode with a contact potential: with S = sqrt(kvb + Vp²), E = Vp/kp ln(1 + e^(kp (1/mu + (Vg + Vct)/S))), Ip
 * = 2 E^ex / kg.
 *
 * @param mu amplification factor
 * @param ex exponent, near 1.4
 * @param kg scale [V^ex/A]
 * @param kp sharpness of cut-off
 * @param kvb knee [V²]
 * @param vct contact potential added to the grid voltage [V]
 */
public record TriodeLaw(double mu, double ex, double kg, double kp, double kvb, double vct) {
    /**
     * @param vg grid to cathode [V]
     * @param vp plate to cathode [V]
     * @param out overwritten: plate current [A], its slope by grid volts, by plate volts [S]
     */
    public void plate(double vg, double vp, double[] out) {
        if (vp <= 0) {
            out[0] = out[1] = out[2] = 0;
            return;
        }
        double root = Math.sqrt(kvb + vp * vp);
        double y = kp * (1 / mu + (vg + vct) / root);
        double soft = Soft.plus(y);
        double slope = Soft.slope(y);
        double drive = vp / kp * soft;
        if (drive <= 1e-12) {
            out[0] = out[1] = out[2] = 0;
            return;
        }
        double current = 2 * Math.pow(drive, ex) / kg;
        double byDrive = ex * current / drive;
        out[0] = current;
        out[1] = byDrive * vp * slope / root;
        out[2] = byDrive * (soft / kp - vp * slope * (vg + vct) * vp / (root * root * root));
    }

    /** The plate current as a simulator's expression of grid volts and plate volts. */
    public String expression(String vg, String vp) {
        return Soft.text(
                "2*pow(max(%s,0)/%.8g*ln(1+exp(min(max(%.8g*(%.8g+(%s+%.8g)/sqrt(%.8g+%s*%s)),-80),80))),%.8g)/%.8g",
                vp, kp, kp, 1 / mu, vg, vct, kvb, vp, vp, ex, kg);
    }
}
