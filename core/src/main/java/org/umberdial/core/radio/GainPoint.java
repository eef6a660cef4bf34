package org.umberdial.core.radio;

/**
 * A place where a generator is put, for the same sound each time.
 *
 * @param id stable: {@code V2:IF}
 * @param node of the circuit; empty for the aerial
 * @param tube what people call the tube whose grid it is; empty for the aerial
 * @param band what the generator gives there
 */
public record GainPoint(String id, String node, String tube, Band band) {
    /** The aerial’s terminal, through what stands for an aerial. */
    public static final GainPoint AERIAL = new GainPoint("AERIAL:SIGNAL", "", "", Band.SIGNAL);

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
        return (tube.isEmpty() ? "aerial terminal, through 200 pF or 400 Ω" : "grid of " + tube) + ", " + band.label;
    }
}
