/**
 * The laws of the parts that do not follow Ohm: current and slopes at given voltages.
 *
 * <p>Every law is a record of its parameters with a method that writes currents and their partial derivatives into an
 * array, because it runs inside the solver's loop. All are smooth, finite at absurd voltages and zero at zero volts, so
 * that Newton's method can be trusted with them.
 *
 * <ul>
 *   <li>Triode: Koren's five-parameter law (N. Koren, "Improved vacuum tube models for SPICE simulations", Glass Audio
 *       8(5), 1996) with a contact potential added to the grid voltage; without it a high-mu triode's current and slope
 *       cannot be fitted together.
 *   <li>Pentode, beam tube: Koren's law with the screen as accelerating electrode gives the whole space current; the
 *       plate takes a share that grows with its voltage, the screen takes the rest, and all of it when the plate is
 *       open. A remote cut-off grid is two grids of different pitch side by side.
 *   <li>Heptode: the pentode's, with the third grid splitting the space current between plate and screens. When it
 *       oscillates on grid 1, the law is the average over a cycle whose amplitude follows the screen voltage.
 *   <li>Diode, grid current: Child's 3/2 power law above zero and the retarding-field exponential below, in one smooth
 *       expression; 0.1 V per factor e is a cathode of about 1100 K.
 *   <li>Silicon, germanium, selenium: Shockley's law with a series resistance beside it; a zener's breakdown is a
 *       second exponential.
 *   <li>Transistor: Ebers and Moll's transport form with germanium's leakage.
 *   <li>Glow: a straight line from its burning voltage on; whether it burns is decided by the solver.
 *   <li>Heater, lamp, barretter, thermistor: a resistance by the power it has taken.
 *   <li>Swinging choke: an inductance by the direct current.
 * </ul>
 */
package org.umberdial.core.circuit.law;
