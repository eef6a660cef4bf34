/**
 * A receiver's dial: where its oscillator and its image are, how far what comes in is from what the dial shows, what to
 * turn, and how oscillator and signal circuits can be made to run together over a band.
 */
package org.umberdial.core.tuning;
