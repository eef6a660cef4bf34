package org.umberdial.core.circuit.network;

/**
 * A capacitor.
 *
 * @param farads above 0
 * @param esr series resistance [Ω], above 0
 * @param leak number of the branch that stands for its insulation
 * @param wet an electrolytic, whose leakage reforms under voltage and grows with heat
 * @param inCycle whether it is followed within a line cycle
 */
public record Store(String part, int a, int b, double farads, double esr, int leak, boolean wet, boolean inCycle) {
    /** Its admittance at a frequency, its insulation apart: real and imaginary [S]. */
    public static double[] admittance(double farads, double esr, double omega) {
        double reactance = 1 / (omega * farads);
        double square = esr * esr + reactance * reactance;
        return new double[] {esr / square, reactance / square};
    }

    Store cycled() {
        return new Store(part, a, b, farads, esr, leak, wet, true);
    }
}
