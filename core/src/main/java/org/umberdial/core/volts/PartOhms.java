package org.umberdial.core.volts;

import org.umberdial.core.set.Part;

/**
 * What an ohms reading of a resistor says. In circuit, paths beside it can only lower the reading: above nominal plus
 * tolerance is proof of drift, at or below it proves nothing. With a lead lifted it is what it is.
 */
public final class PartOhms {
    /** A verdict with its sentence. */
    public record Judged(Verdict verdict, String reason) {}

    private PartOhms() {}

    /**
     * @param ohms what was read [Ω], not negative
     * @param lifted whether one lead was free
     */
    public static Judged judge(Part part, double ohms, boolean lifted) {
        if (part.sheetValue().isEmpty()) {
            return new Judged(Verdict.NO_EXPECTATION, "No value is known for " + part.reference() + ".");
        }
        double nominal = part.sheetValue().get();
        double off = ohms / nominal - 1;
        String size = Math.round(100 * Math.abs(off)) + " % " + (off < 0 ? "below " : "above ") + Phrases.ohms(nominal);
        if (off > part.tolerance().fraction()) {
            return new Judged(
                    Verdict.BAD,
                    size
                            + "; paths beside it can only lower a reading, so it has drifted. Let the reading "
                            + "settle first.");
        }
        if (lifted) {
            boolean good = off >= -part.tolerance().fraction();
            return new Judged(
                    good ? Verdict.GOOD : Verdict.BAD,
                    size + (good ? ", inside its tolerance." : ", outside its tolerance with nothing beside it."));
        }
        return new Judged(
                Verdict.DOUBT,
                size
                        + ": in circuit this proves nothing, since paths beside it may lower it. Lift one "
                        + "lead to be sure.");
    }
}
