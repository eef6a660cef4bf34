/**
 * The supply of one set with something of it changed: silicon for selenium, another first filter capacitor, the wave of
 * a vibrator. Solved with the set's own circuit; nothing here is a rule of thumb that the circuit could answer.
 */
package org.umberdial.core.supply;
