/**
 * Record players and recorders: how fast they turn and how steadily, which part turns as often as the unsteadiness
 * comes, what explains a wrong speed, and what is checked of arm, cartridge, changer and transport.
 *
 * <p>Rates follow from the player's own diameters: with an idler or a motor on the rim a point of the surface runs
 * equally fast everywhere, so {@code n(part) = n(platter) · rim / diameter}, and the idler's own diameter cancels
 * between shaft and rim. With a belt half its thickness counts on each side. What nobody measured names nothing.
 */
package org.umberdial.core.player;
