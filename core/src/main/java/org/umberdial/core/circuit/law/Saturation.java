package org.umberdial.core.circuit.law;

/**
 * How a core's inductance falls as direct current magnetises it: L = L0 / (1 + (L0/Ls - 1) (I/Is)²). Of a swinging
 * choke both ends are printed (20 H at next to nothing, 5 H at 150 mA); of an ordinary one with a gap L0 is about Ls.
 *
 * @param henries Ls, at {@link #amperes}; above 0 and not above L0
 * @param amperes Is, ampere-turns over the first winding's turns
 */
public record Saturation(double henries, double amperes) {
    /** @param unmagnetised L0 [H] */
    public double henries(double unmagnetised, double direct) {
        double share = direct / amperes;
        return unmagnetised / (1 + (unmagnetised / henries - 1) * share * share);
    }

    /** The current of a flux as a simulator's expression: the law integrated is an arc tangent. */
    public String current(double unmagnetised, String flux) {
        double root = Math.sqrt(Math.max(unmagnetised / henries - 1, 1e-9)) / amperes;
        return Soft.text("tan(max(min((%s)*%.10g,1.5),-1.5))/%.10g", flux, root / unmagnetised, root);
    }
}
