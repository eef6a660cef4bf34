/**
 * A sparse linear system whose pattern stays while its numbers change.
 *
 * <p>A bench set has 40 to 80 unknowns with three or four neighbours each. The pivots are ordered once with real
 * numbers (least fill, after Markowitz, among entries large enough to divide by); every later solve replays that order
 * on plain arrays. See R. Duff, Erisman and Reid, "Direct Methods for Sparse Matrices".
 */
package org.umberdial.core.circuit.sparse;
