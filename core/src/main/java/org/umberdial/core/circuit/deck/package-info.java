/**
 * SPICE decks: the open file form of a set's network.
 *
 * <p>The common subset is read: a title line, {@code *} and {@code ;} comments, {@code +} continuation, upper or lower
 * case, {@code .param}, {@code .model}, and the cards R C L K V I D X. Suffixes are SPICE's: {@code M} is milli. A bare
 * {@code M} on a resistor and infix forms ({@code 4k7}) are refused naming both meanings, because on a schematic they
 * mean megohms and kilohms.
 *
 * <p>What SPICE has no word for stands behind {@code ;} as {@code key=value} pairs, so that any simulator still reads
 * the file. Three structured comments carry the rest: {@code *PINS} (socket pins), {@code *TP} (test points in probing
 * order) and {@code *MODES}.
 */
package org.umberdial.core.circuit.deck;
