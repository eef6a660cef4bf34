package org.umberdial.core.cold;

/** The arithmetic of windings. Every function is pure; arguments are above 0 unless said. */
public final class Windings {
    /** Where copper's resistance would reach zero on a straight line [°C, below zero]. Source: IEC 60028. */
    private static final double COPPER = 234.5;
    /** A voice coil's impedance over its direct-current resistance, a rule of the trade. */
    private static final double IMPEDANCE_OVER_OHMS = 1.2;

    private Windings() {}

    /**
     * Temperature of a copper winding from its resistance [°C]: (R2/R1)(234.5 + t1) - 234.5.
     *
     * @param coldOhms at {@code coldCelsius} [Ω]
     * @param hotOhms at the temperature asked for [Ω]
     * @param coldCelsius [°C]
     */
    public static double celsius(double coldOhms, double hotOhms, double coldCelsius) {
        return hotOhms / coldOhms * (COPPER + coldCelsius) - COPPER;
    }

    /** Resistance of a copper winding at another temperature [Ω]. */
    public static double ohmsAt(double ohms, double celsius, double otherCelsius) {
        return ohms * (COPPER + otherCelsius) / (COPPER + celsius);
    }

    /** How unlike two halves are: |a - b| over their mean. */
    public static double unlikeness(double a, double b) {
        return a + b == 0 ? 0 : Math.abs(a - b) / ((a + b) / 2);
    }

    /** Load an output transformer puts on the tube [Ω]: (V1/V2)² Zs. */
    public static double load(double primaryVolts, double secondaryVolts, double speakerOhms) {
        double ratio = primaryVolts / secondaryVolts;
        return ratio * ratio * speakerOhms;
    }

    /** Impedance of a voice coil from its direct-current resistance [Ω]; a rule of the trade, 1.2 times. */
    public static double speakerImpedance(double directOhms) {
        return IMPEDANCE_OVER_OHMS * directOhms;
    }

    /** Current of a field coil from the sheet's own volts at its ends and its hot resistance [A]. */
    public static double fieldAmperes(double voltsBefore, double voltsAfter, double hotOhms) {
        return Math.abs(voltsBefore - voltsAfter) / hotOhms;
    }

    /**
     * Turns to take off the outermost winding.
     *
     * @param wanted exact number of turns for the wanted volts
     * @param remove whole turns to take off; below 0 that many must be wound on
     * @param left whole turns left, rounded so that the volts end low
     * @param volts no-load volts they give
     */
    public record Turns(double wanted, int remove, int left, double volts) {}

    /**
     * Turns for a wanted voltage: primary turns x wanted no-load volts / line volts, rounded down, since low is safe.
     *
     * @param primaryTurns turns of the primary in use at that line voltage
     * @param noLoadVolts wanted without load: the loaded volts plus the drop over the winding resistances
     * @param turnsNow turns the winding has
     */
    public static Turns turns(double primaryTurns, double lineVolts, double noLoadVolts, int turnsNow) {
        double wanted = primaryTurns * noLoadVolts / lineVolts;
        int left = (int) Math.floor(wanted + 1e-9);
        return new Turns(wanted, turnsNow - left, left, left * lineVolts / primaryTurns);
    }

    /**
     * No-load volts that leave the wanted volts under load [V]: the drop over the winding's own resistance and over the
     * primary's, seen from this winding.
     *
     * @param amperes RMS current of the winding [A]
     * @param windingOhms its resistance [Ω]
     * @param primaryOhms the primary's resistance [Ω]
     * @param lineVolts of the primary [V]
     */
    public static double noLoadVolts(
            double loadedVolts, double amperes, double windingOhms, double primaryOhms, double lineVolts) {
        double ratio = loadedVolts / lineVolts;
        return loadedVolts + amperes * (windingOhms + primaryOhms * ratio * ratio);
    }
}
