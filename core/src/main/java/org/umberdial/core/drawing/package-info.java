/**
 * A set's circuit drawn as a schematic, from the network alone.
 *
 * <p>Stages stand from left to right with the signal: their tube in the middle, what feeds its plate above, cathode and
 * grid parts below, B+ on top. What has no good way goes by a named flag. {@link Gate} rebuilds the network from the
 * drawn lines and compares it with the deck, so that a picture never says what the deck does not.
 */
package org.umberdial.core.drawing;
