/**
 * A deck compiled for solving: numbered nodes and a handful of element families, whatever card they came from.
 *
 * <ul>
 *   <li>{@link org.umberdial.core.circuit.network.Branch}: everything that follows Ohm at rest (resistors, contacts,
 *       windings, coils, leaks, filaments at their temperature).
 *   <li>{@link org.umberdial.core.circuit.network.Store} and {@link org.umberdial.core.circuit.network.Magnet}: what
 *       keeps energy between instants. A transformer is one magnet with several windings; its flux has no DC.
 *   <li>{@link org.umberdial.core.circuit.network.Junction}: diodes, vacuum, silicon and selenium rectifiers.
 *   <li>{@link org.umberdial.core.circuit.network.Amplifier}: tube sections with grids, and transistors.
 *   <li>{@link org.umberdial.core.circuit.network.Eye}: what a tuning eye shows by its plate.
 *   <li>{@link org.umberdial.core.circuit.network.Source} and {@link org.umberdial.core.circuit.network.Heat}.
 * </ul>
 *
 * <p>{@link org.umberdial.core.circuit.network.Network} never changes;
 * {@link org.umberdial.core.circuit.network.Values} holds the numbers of one variant of it (a drifted part, an open, a
 * leak), so that variants are cheap.
 */
package org.umberdial.core.circuit.network;
