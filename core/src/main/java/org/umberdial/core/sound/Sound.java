package org.umberdial.core.sound;

/**
 * One channel of sound.
 *
 * @param hertz samples a second, above 0
 * @param samples full scale is 1
 */
public record Sound(double hertz, float[] samples) {
    public double seconds() {
        return samples.length / hertz;
    }
}
