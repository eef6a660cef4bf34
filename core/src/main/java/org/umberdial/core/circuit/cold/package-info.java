/**
 * The set switched off and unplugged, seen through an ohmmeter: what is left when capacitors are charged, tubes are
 * cold and the test voltage of 0.3 V opens no silicon or selenium.
 */
package org.umberdial.core.circuit.cold;
