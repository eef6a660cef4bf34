package org.umberdial.core.circuit.law;

/**
 * A tuning eye: a triode whose plate, by what it lacks against the target, draws the shadow.
 *
 * @param triode of the control system
 * @param target the target's current by its volts to the cathode
 * @param openDegrees shadow at {@link #openShare}
 * @param openShare what the plate lacks against the target, over the target's volts, with the eye open
 * @param closedShare the same where the shadow is gone
 */
public record EyeLaw(
        TriodeLaw triode, VacuumDiodeLaw target, double openDegrees, double openShare, double closedShare) {
    /**
     * The shadow's angle, straight between the two that are published [°].
     *
     * @param plate to cathode [V]
     * @param targetVolts to cathode, above 0 [V]
     */
    public double shadowDegrees(double plate, double targetVolts) {
        double share = 1 - plate / targetVolts;
        return openDegrees * Math.max(0, Math.min((share - closedShare) / (openShare - closedShare), 1));
    }
}
