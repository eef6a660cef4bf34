package org.umberdial.core.circuit.law;

/**
 * A mixer: a pentode whose third grid splits the space current, averaged over a cycle when grid 1 oscillates.
 *
 * <p>The plate's share is multiplied by s = 1 / (1 + e^((V3 - Vg3)/W3)). When the tube oscillates on grid 1, its swing
 * is A = swing · Vs · emission, grid 1 draws gA · soft(Vg1 + A), which biases it to about -A, and the space current is
 * that of a grid at Vg1 + A for the part {@value #DUTY} of the cycle.
 *
 * @param pentode of grid 1, screens and plate
 * @param v3 third-grid voltage at which half of the plate's share is left [V]
 * @param w3 volts per factor e of that split [V]
 * @param swing oscillator amplitude per screen volt; 0 when another system oscillates
 */
public record HeptodeLaw(PentodeLaw pentode, double v3, double w3, double swing) {
    /** The share of a cycle in which an oscillating tube conducts, as an average law sees it. */
    public static final double DUTY = 0.4;

    /**
     * @param vg1 oscillator or signal grid, vg3 third grid, vs screens, vp plate, each to cathode [V]
     * @param e emission, 0 to 1, which the swing follows
     * @param out overwritten: plate current, slopes by vg1, vg3, vs, vp; then the screen current and its four slopes
     */
    public void currents(double vg1, double vg3, double vs, double vp, double e, double[] out) {
        double reach = swing * e;
        double duty = duty(e);
        pentode.currents(vg1 + reach * Math.max(vs, 0), vs, vp, out);
        double split = Soft.slope((vg3 - v3) / w3);
        double splitSlope = split * (1 - split) / w3;
        double plate = duty * out[0];
        double plateByGrid = duty * out[1];
        double plateByScreen = duty * (out[2] + (vs > 0 ? reach * out[1] : 0));
        double plateByPlate = duty * out[3];
        double screen = duty * out[4];
        double screenByGrid = duty * out[5];
        double screenByScreen = duty * (out[6] + (vs > 0 ? reach * out[5] : 0));
        double screenByPlate = duty * out[7];
        double lost = 1 - split;
        out[0] = plate * split;
        out[1] = plateByGrid * split;
        out[2] = plate * splitSlope;
        out[3] = plateByScreen * split;
        out[4] = plateByPlate * split;
        out[5] = screen + plate * lost;
        out[6] = screenByGrid + plateByGrid * lost;
        out[7] = -plate * splitSlope;
        out[8] = screenByScreen + plateByScreen * lost;
        out[9] = screenByPlate + plateByPlate * lost;
    }

    /** 1 when the tube does not oscillate, falling to {@link #DUTY} when it does. */
    public double duty(double e) {
        return swing > 0 ? 1 - (1 - DUTY) * e : 1;
    }
}
