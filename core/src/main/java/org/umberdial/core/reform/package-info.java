/**
 * Bringing an electrolytic back: it stands on its volts through a resistor, its leak falls and its own volts rise
 * toward the supply's. The leak is read as millivolts across a shunt. What falls no further within the house's time
 * does not come back; what gets warm is taken off.
 *
 * <p>Source: JOB section 3, Electrolytics; FORMULAS, Leakage (0.03 µA per µF and volt and 20 µA as new; five times that
 * while it falls; 0.3 W at most; 68 mV over 47 Ω are 1.45 mA).
 */
package org.umberdial.core.reform;
