package org.umberdial.core.evidence;

/**
 * A band of a receiver; said again under its name, the later holds.
 *
 * @param name what it is called, {@code MW}
 * @param lowKilohertz lower end of its dial [kHz]
 * @param highKilohertz upper end [kHz]
 * @param intermediateKilohertz intermediate frequency [kHz]; 0 for a set that has none
 * @param oscillatorAbove whether the oscillator runs above the signal
 */
public record BandSaid(
        String name, double lowKilohertz, double highKilohertz, double intermediateKilohertz, boolean oscillatorAbove)
        implements Fact {
    @Override
    public String subject() {
        return name;
    }

    @Override
    public String sentence() {
        return "Band " + name + ": " + lowKilohertz + " to " + highKilohertz + " kHz"
                + (intermediateKilohertz > 0 ? ", IF " + intermediateKilohertz + " kHz" : "");
    }
}
