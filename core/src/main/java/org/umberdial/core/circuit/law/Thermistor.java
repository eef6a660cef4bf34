package org.umberdial.core.circuit.law;

/**
 * A resistor whose resistance falls with its heat, as in series heater strings: R = Rc e^(B (1/T - 1/T0)), and T above
 * the room in proportion to its power (J. Becker, C. Green and G. Pearson, Bell Syst. Tech. J. 26, 1947).
 *
 * @param coldOhms at 25 °C [Ω]
 * @param hotOhms at the rated current, below the cold ones [Ω]
 * @param ratedAmperes [A]
 * @param beta B [K], 3500 for an ordinary one
 */
public record Thermistor(double coldOhms, double hotOhms, double ratedAmperes, double beta) implements ThermalLaw {
    private static final double ROOM_KELVIN = 298.15;
    private static final double SECONDS = 20;
    /** Beyond this it is destroyed; keeps the law finite. */
    private static final double MOST_KELVIN = 900;

    private double ratedKelvin() {
        return 1 / (1 / ROOM_KELVIN - Math.log(coldOhms / hotOhms) / beta);
    }

    /** Whether the figures belong together: B so small that no heat makes it so low is refused. */
    public boolean isSound() {
        return hotOhms < coldOhms
                && beta > 0
                && Math.log(coldOhms / hotOhms) / beta < 1 / ROOM_KELVIN - 1 / MOST_KELVIN;
    }

    private double kelvin(double warmth) {
        return Math.min(ROOM_KELVIN + Math.max(warmth, 0) * (ratedKelvin() - ROOM_KELVIN), MOST_KELVIN);
    }

    @Override
    public double ratedWatts() {
        return ratedAmperes * ratedAmperes * hotOhms;
    }

    @Override
    public double seconds() {
        return SECONDS;
    }

    @Override
    public double ohms(double warmth) {
        return coldOhms * Math.exp(beta * (1 / kelvin(warmth) - 1 / ROOM_KELVIN));
    }

    @Override
    public double warmthAt(double ohms) {
        double inverse = 1 / ROOM_KELVIN + Math.log(ohms / coldOhms) / beta;
        double kelvin = inverse > 1 / MOST_KELVIN ? 1 / inverse : MOST_KELVIN;
        return Math.max(0, (kelvin - ROOM_KELVIN) / (ratedKelvin() - ROOM_KELVIN));
    }

    @Override
    public double steepness(double warmth) {
        double kelvin = kelvin(warmth);
        return kelvin >= MOST_KELVIN ? 0 : -beta * (kelvin - ROOM_KELVIN) / (kelvin * kelvin);
    }

    @Override
    public String siemensExpression(String w) {
        return Soft.text(
                "1/(%.8g*exp(%.8g*(1/min(%.8g+max(%s,0)*%.8g,%.4g)-%.10g)))",
                coldOhms, beta, ROOM_KELVIN, w, ratedKelvin() - ROOM_KELVIN, MOST_KELVIN, 1 / ROOM_KELVIN);
    }
}
