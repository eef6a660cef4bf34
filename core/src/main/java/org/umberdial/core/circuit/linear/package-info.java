/**
 * Linear networks by modified nodal analysis.
 *
 * <p>Kirchhoff's current law is written for every node but the reference, G v = i; ideal voltage sources add one row
 * each. A tube stage enters with its slopes around a known operating point: plate resistance rp between plate and
 * cathode, transconductance gm from grid to plate. The whole inverse is kept, because everything asked of it (a node's
 * source resistance, the effect of one changed part, what pinned nodes imply for the others) is then a few products.
 *
 * <p>The limits of a linear picture: small changes around the sheet's operating point. A tube driven far from it moves
 * less or more than predicted here.
 */
package org.umberdial.core.circuit.linear;
