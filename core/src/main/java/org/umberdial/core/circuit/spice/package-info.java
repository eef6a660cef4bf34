/**
 * A deck as a stock SPICE-family simulator runs it: models as subcircuits, the line as a sine, a transient that lasts
 * until the set has settled, and a measurement for every node.
 *
 * <p>It holds models, never a solved value. Each card that such a simulator cannot take stands as {@code *= card} above
 * its equivalent; equivalent lines carry {@code of=REFERENCE} behind their {@code ;}, so that the deck reader takes the
 * card and leaves the equivalent. Heaters warm in a tenth of a second there, so that a transient of seconds ends where
 * the set does after a minute; their resting state is the same.
 */
package org.umberdial.core.circuit.spice;
