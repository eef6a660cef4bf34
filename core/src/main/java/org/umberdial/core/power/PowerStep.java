package org.umberdial.core.power;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/**
 * One step of bringing a set up.
 *
 * @param lineVolts ahead of the lamps [V RMS]
 * @param lamps watts of each lamp in series with the set, in parallel with each other; empty for none
 * @param seconds how long it is held at least [s]
 * @param why it is so long, or there at all
 */
public record PowerStep(double lineVolts, List<Double> lamps, double seconds, String why) {
    public PowerStep {
        lamps = List.copyOf(lamps);
    }

    /** Whether anything limits the current. */
    public boolean limited() {
        return !lamps.isEmpty();
    }

    /** {@code 60 W lamp}, {@code 60 + 60 W lamps}, {@code 80 V}, {@code straight on}. */
    public String name(double nominalLine) {
        String volts = Math.abs(lineVolts - nominalLine) < 0.5 ? "" : Math.round(lineVolts) + " V";
        String through = lamps.isEmpty()
                ? volts.isEmpty() ? "no lamp, full line" : ""
                : lamps.stream().map(w -> String.format(Locale.ROOT, "%.0f", w)).collect(Collectors.joining(" + "))
                        + (lamps.size() == 1 ? " W lamp" : " W lamps");
        return volts.isEmpty() || through.isEmpty() ? volts + through : volts + ", " + through;
    }

    /** What its lamps are made for, together [W]. */
    public double lampWatts() {
        return lamps.stream().mapToDouble(Double::doubleValue).sum();
    }
}
