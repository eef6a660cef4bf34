package org.umberdial.core.circuit.law;

/**
 * A barretter: an iron wire in hydrogen that holds its current over a range of volts (H. Busch, Annalen der Physik 64,
 * 1921). Within the range I ~ V^0.06; outside of it this is no barretter, and is said to be none.
 *
 * @param leastVolts of its range [V] RMS
 * @param mostVolts of its range [V] RMS
 * @param amperes it holds in the middle of it
 */
public record Barretter(double leastVolts, double mostVolts, double amperes) implements ThermalLaw {
    private static final double POWER = 0.94 / 1.06;
    private static final double COLD_RATIO = 8;
    private static final double SECONDS = 3;

    private Filament wire() {
        return new Filament((leastVolts + mostVolts) / 2, amperes, COLD_RATIO, SECONDS, POWER);
    }

    @Override
    public double hotOhms() {
        return wire().hotOhms();
    }

    @Override
    public double coldOhms() {
        return wire().coldOhms();
    }

    @Override
    public double ratedWatts() {
        return wire().ratedWatts();
    }

    @Override
    public double seconds() {
        return SECONDS;
    }

    @Override
    public double ohms(double warmth) {
        return wire().ohms(warmth);
    }

    @Override
    public double warmthAt(double ohms) {
        return wire().warmthAt(ohms);
    }

    @Override
    public double steepness(double warmth) {
        return wire().steepness(warmth);
    }

    @Override
    public String siemensExpression(String w) {
        return wire().siemensExpression(w);
    }
}
