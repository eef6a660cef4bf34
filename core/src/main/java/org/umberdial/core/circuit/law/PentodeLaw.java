package org.umberdial.core.circuit.law;

/**
 * Koren's pentode as one space current that plate and screen share.
 *
 * <p>With S = sqrt(100 + Vs²), E(m) = Vs/kp ln(1 + e^(kp (1/m + (Vg + Vct)/S))), the space current is I = 2 ((1 - r)
 * E(mu)^ex + r E(muRemote)^ex) / kg. With k = Vp / sqrt(Vp² + knee²) the plate takes share · k · (1 + slope Vp) of it
 * and the screen 1 - share · k.
 *
 * @param mu of grid 1 to screen
 * @param ex exponent
 * @param kg scale [V^ex/A]
 * @param kp sharpness of cut-off
 * @param vct contact potential added to the grid voltage [V]
 * @param share the plate's share of the space current far above the knee, below 1
 * @param knee of the plate characteristic [V]
 * @param slope of the plate current above the knee [1/V]
 * @param remote r: the part of the grid that is wound remote, 0 for a sharp cut-off tube
 * @param muRemote of that part
 */
public record PentodeLaw(
        double mu,
        double ex,
        double kg,
        double kp,
        double vct,
        double share,
        double knee,
        double slope,
        double remote,
        double muRemote) {
    /** Keeps the law finite at a screen without voltage [V²]. */
    static final double SCREEN_CORNER = 100;

    /**
     * @param vg grid 1 to cathode [V]
     * @param vs screen to cathode [V]
     * @param vp plate to cathode [V]
     * @param out overwritten: plate current and its slopes by vg, vs, vp, then the screen current and its three slopes
     */
    public void currents(double vg, double vs, double vp, double[] out) {
        space(vg, vs, out);
        double space = out[0];
        double byGrid = out[1];
        double byScreen = out[2];
        double k = 0;
        double kSlope = 0;
        double lift = 1;
        if (vp > 0) {
            double root = Math.sqrt(vp * vp + knee * knee);
            k = vp / root;
            kSlope = knee * knee / (root * root * root);
            lift = 1 + slope * vp;
        }
        double plateShare = share * k * lift;
        double screenShare = 1 - share * k;
        out[0] = space * plateShare;
        out[1] = byGrid * plateShare;
        out[2] = byScreen * plateShare;
        out[3] = vp > 0 ? space * share * (kSlope * lift + k * slope) : 0;
        out[4] = space * screenShare;
        out[5] = byGrid * screenShare;
        out[6] = byScreen * screenShare;
        out[7] = -space * share * kSlope;
    }

    /** The whole space current and its slopes by vg and vs, into the first three places. */
    void space(double vg, double vs, double[] out) {
        if (vs <= 0) {
            out[0] = out[1] = out[2] = 0;
            return;
        }
        grid(mu, 1 - remote, vg, vs, out, false);
        if (remote > 0) {
            grid(muRemote, remote, vg, vs, out, true);
        }
    }

    private void grid(double factor, double weight, double vg, double vs, double[] out, boolean add) {
        double root = Math.sqrt(SCREEN_CORNER + vs * vs);
        double y = kp * (1 / factor + (vg + vct) / root);
        double soft = Soft.plus(y);
        double slopeOfSoft = Soft.slope(y);
        double drive = vs / kp * soft;
        double current = 0;
        double byGrid = 0;
        double byScreen = 0;
        if (drive > 1e-12) {
            current = weight * 2 * Math.pow(drive, ex) / kg;
            double byDrive = ex * current / drive;
            byGrid = byDrive * vs * slopeOfSoft / root;
            byScreen = byDrive * (soft / kp - vs * slopeOfSoft * (vg + vct) * vs / (root * root * root));
        }
        out[0] = add ? out[0] + current : current;
        out[1] = add ? out[1] + byGrid : byGrid;
        out[2] = add ? out[2] + byScreen : byScreen;
    }

    /** The space current as a simulator's expression. */
    public String spaceExpression(String vg, String vs) {
        String sharp = gridExpression(mu, 1 - remote, vg, vs);
        return remote > 0 ? sharp + "+" + gridExpression(muRemote, remote, vg, vs) : sharp;
    }

    private String gridExpression(double factor, double weight, String vg, String vs) {
        return Soft.text(
                "%.8g*pow(max(%s,0)/%.8g*ln(1+exp(min(max(%.8g*(%.8g+(%s+%.8g)/sqrt(%.8g+%s*%s)),-80),80))),%.8g)",
                2 * weight / kg, vs, kp, kp, 1 / factor, vg, vct, SCREEN_CORNER, vs, vs, ex);
    }

    /** k of the class comment as a simulator's expression. */
    public String kneeExpression(String vp) {
        return Soft.text("max(%s,0)/sqrt(%s*%s+%.8g)", vp, vp, vp, knee * knee);
    }

    /** The plate current for a space current and k standing in nodes of their own. */
    public String plateExpression(String space, String k, String vp) {
        return Soft.text("%s*%.8g*%s*(1+%.8g*max(%s,0))", space, share, k, slope, vp);
    }
}
