/**
 * What a recorded tone says about the machine that turned it. The tone is followed: mixed down to nothing by its
 * nominal frequency, freed of everything beside it, and turned by what its speed is off; that turning, sample by
 * sample, is the speed. From it come the mean, the drift, wow and flutter as IEC 60386 weights them, and the lines of
 * its spectrum, which turn as fast as the part that makes them.
 *
 * <p>What is no steady tone is refused in a sentence, never measured: silence, music, a tone of another speed, a groove
 * that was left.
 */
package org.umberdial.core.sound;
