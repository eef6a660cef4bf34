/**
 * Mechanics, cleaning and looks: tasks with their steps, what may touch which material and for how long, what waits for
 * what, and how long a thing dries. And the cord of a dial, its way, its length and which way it pulls the pointer.
 *
 * <p>No clock is asked here: when a wet thing is dry is reckoned from when it was done, and until somebody has looked,
 * a thing that may still be wet bars power.
 */
package org.umberdial.core.mechanics;
