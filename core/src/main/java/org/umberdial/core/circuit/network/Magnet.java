package org.umberdial.core.circuit.network;

/**
 * A coil or a transformer: windings on one core.
 *
 * @param branches the windings' resistances, by number of branch; the dotted end is the branch's first node
 * @param turns volts of each winding per volt of the first
 * @param henries inductance seen by the first winding
 * @param coreOhms resistance across the first winding that stands for core loss, infinite for none
 */
public record Magnet(String part, int[] branches, double[] turns, double henries, double coreOhms) {}
