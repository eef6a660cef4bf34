package org.umberdial.core.evidence;

/**
 * Where a dial stood and what came in there.
 *
 * @param band name of the band
 * @param dialKilohertz what the dial showed [kHz]
 * @param actualKilohertz frequency of what was tuned in, by generator, counter or a station [kHz]
 * @param by what told it; may be empty
 */
public record DialRead(String band, double dialKilohertz, double actualKilohertz, String by) implements Fact {
    public DialRead {
        if (!(dialKilohertz > 0 && actualKilohertz > 0 && dialKilohertz < 1e7 && actualKilohertz < 1e7)) {
            throw new IllegalArgumentException("a dial stands at some kilohertz");
        }
    }

    @Override
    public String subject() {
        return band;
    }

    @Override
    public String sentence() {
        return "Dial " + band + " at " + dialKilohertz + " kHz: " + actualKilohertz + " kHz came in"
                + (by.isEmpty() ? "" : ", by " + by);
    }
}
