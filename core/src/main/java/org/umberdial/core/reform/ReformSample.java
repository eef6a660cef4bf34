package org.umberdial.core.reform;

/**
 * One look at a run.
 *
 * @param seconds since it began
 * @param volts across the capacitor [V]
 * @param shuntVolts across the shunt [V]
 */
public record ReformSample(double seconds, double volts, double shuntVolts) {}
