/**
 * The stage Parts: what is known of each part, what goes in, what is left to do.
 *
 * <p>A verdict is reckoned from all readings of a part that stand, never stored. A capacitor has three measures, none
 * of them enough alone: capacitance, leakage at working volts, series resistance. What leak a place allows follows from
 * the circuit: a leak R across the ends a and b of a capacitor carries I = U / (Z + R), where U stands across it in the
 * healthy set and Z is what the network shows there; it moves a node n by I (Z<sub>na</sub> - Z<sub>nb</sub>). The
 * least R is the one at which the first grid, electrode or part reaches what the house allows (FORMULAS, Leakage).
 */
package org.umberdial.core.parts;
