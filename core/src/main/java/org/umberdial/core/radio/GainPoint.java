package org.umberdial.core.radio;

/**
 * A place where a generator is put, for the same sound each time.
 *
 * @param id stable: {@code V2:IF}
 * @param node of the circuit
 * @param tube what people call the tube whose grid it is
 * @param band what the generator gives there
 */
public record GainPoint(String id, String node, String tube, Band band) {
    /** What a generator gives at a place. */
    public enum Band {
        AUDIO("400 Hz"),
        INTERMEDIATE("the intermediate frequency, 30 % modulated"),
        SIGNAL("a signal of the band, 30 % modulated");

        private final String label;

        Band(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** What a person reads: {@code grid of V2, the intermediate frequency …}. */
    public String words() {
        return "grid of " + tube + ", " + band.label;
    }
}
