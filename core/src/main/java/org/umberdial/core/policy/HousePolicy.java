package org.umberdial.core.policy;

import java.math.BigDecimal;
import org.umberdial.core.value.DecimalSign;

/**
 * The rules of the house: what a shop holds to where practitioners differ. In named groups, each of which may grow.
 *
 * @param words how the shop speaks and writes
 * @param line what comes out of the wall
 * @param volts how voltages are judged
 * @param cold how the cold bench judges
 * @param parts how parts are judged and renewed
 * @param finish how a set that has its voltages is judged
 * @param schools which school it follows where they differ
 * @param worth how work is reckoned
 */
public record HousePolicy(
        Words words, Line line, Volts volts, Cold cold, Parts parts, Finish finish, Schools schools, Worth worth) {
    /** How the shop speaks and writes. */
    public record Words(Vocabulary vocabulary, DecimalSign decimalSign) {}

    /** @param volts RMS [V], @param hertz [Hz] */
    public record Line(double volts, double hertz) {}

    /**
     * How voltages are judged.
     *
     * @param spread how far a reading may lie from what is expected, a fraction
     * @param doubtMargin how far beyond that it is doubtful and not yet wrong, a fraction
     * @param gridRiseVolts how far a grid may rise above its bias [V]
     * @param wattsMargin a part's rating should be at least this many times what it turns into heat
     * @param driftFraction how far a rail may fall while it warms, a fraction
     * @param heaterOver how far over its rating a heater may run, a fraction of its volts
     * @param usualSpread how far a value may lie from what such sets usually have, a fraction
     */
    public record Volts(
            double spread,
            double doubtMargin,
            double gridRiseVolts,
            double wattsMargin,
            double driftFraction,
            double heaterOver,
            double usualSpread) {}

    /**
     * How the cold bench judges.
     *
     * @param safeVolts a capacitor is taken as discharged at or below this [V]
     * @param bleedOhms resistor used to discharge [Ω]
     * @param insulationOhms least insulation to the core or between windings [Ω]
     * @param touchAmperes most current a touch may draw [A]
     * @param halvesApart how unlike the halves of a winding may be by ohms, a fraction of their mean
     * @param vaHeadroom a transformer's rating should be at least this many times the load
     * @param loadApart how far the load on an output tube may lie from what it wants, a fraction
     * @param proportionApart how far a winding may stray from proportion, and its halves from each other, a fraction
     * @param injectionVolts most that any winding may stand at when a low voltage is fed in [V]
     * @param instrumentTrust how far an instrument may be off on a known-good part, a fraction
     * @param copperDoubtfulCelsius winding temperature from which one looks again [°C]
     * @param copperMostCelsius winding temperature that old insulation does not stand [°C]
     */
    public record Cold(
            double safeVolts,
            double bleedOhms,
            double insulationOhms,
            double touchAmperes,
            double halvesApart,
            double vaHeadroom,
            double loadApart,
            double proportionApart,
            double injectionVolts,
            double instrumentTrust,
            double copperDoubtfulCelsius,
            double copperMostCelsius) {}

    /**
     * How parts are judged and renewed.
     *
     * @param low below this share of its marking a capacitor has lost capacitance
     * @param open below this share it is open
     * @param high above this multiple a leak feigns capacitance
     * @param proofShare of its working volts at which a leak must be looked for at least
     * @param leakPerCv what a new electrolytic may leak per farad and volt [A/(F V)]
     * @param leakBase and what is added to it [A]
     * @param usableTimes so many times a new one's leak an old one may have while it falls
     * @param leakWatts more heat than this by its leak no electrolytic stands [W]
     * @param lossAngle tangent of the loss angle at 120 Hz beyond which one is dried
     * @param dryLeastOhms least leak resistance of a dry capacitor that is still sound [Ω]
     * @param tubeBand how far above its least a tube is still doubtful, a fraction
     * @param reformSeconds an electrolytic that makes no progress for so long does not come back [s]
     * @param lotShare when so large a share of a kind has drifted, the lot is spoken of
     */
    public record Parts(
            double low,
            double open,
            double high,
            double proofShare,
            double leakPerCv,
            double leakBase,
            double usableTimes,
            double leakWatts,
            double lossAngle,
            double dryLeastOhms,
            double tubeBand,
            double reformSeconds,
            double lotShare) {}

    /**
     * How a set that has its voltages is judged.
     *
     * @param speedApart how far a player's speed may be off, a fraction
     * @param wowMost most wow and flutter, weighted, a fraction
     * @param dialApart how far what comes in may be from what the dial shows, a fraction
     */
    public record Finish(double speedApart, double wowMost, double dialApart) {}

    /** @param hourRate what an hour at the bench costs, in the shop's money, @param money its sign or name */
    public record Worth(BigDecimal hourRate, String money) {}

    /** The defaults a new shop starts with. */
    public static HousePolicy standard() {
        return new HousePolicy(
                new Words(Vocabulary.NORTH_AMERICAN, DecimalSign.POINT),
                new Line(120, 60),
                new Volts(0.10, 0.10, 0.2, 2, 0.04, 0.10, 0.30),
                new Cold(30, 10e3, 10e6, 0.5e-3, 0.15, 1.25, 0.20, 0.03, 30, 0.05, 85, 105),
                new Parts(0.7, 0.1, 1.5, 0.7, 0.03, 20e-6, 5, 0.3, 0.25, 10e6, 0.1, 2400, 0.5),
                new Finish(0.015, 0.004, 0.01),
                Schools.usual(),
                new Worth(BigDecimal.valueOf(40), "$"));
    }

    /** The same rules with other schools. */
    public HousePolicy with(Schools followed) {
        return new HousePolicy(words, line, volts, cold, parts, finish, followed, worth);
    }

    public Vocabulary vocabulary() {
        return words.vocabulary;
    }

    public DecimalSign decimalSign() {
        return words.decimalSign;
    }

    public double lineVolts() {
        return line.volts;
    }

    public double lineHertz() {
        return line.hertz;
    }

    public double spread() {
        return volts.spread;
    }

    public double doubtMargin() {
        return volts.doubtMargin;
    }

    public double gridRiseVolts() {
        return volts.gridRiseVolts;
    }

    public double wattsMargin() {
        return volts.wattsMargin;
    }

    public double driftFraction() {
        return volts.driftFraction;
    }

    public double heaterOver() {
        return volts.heaterOver;
    }

    public double usualSpread() {
        return volts.usualSpread;
    }

    public double safeVolts() {
        return cold.safeVolts;
    }

    public double bleedOhms() {
        return cold.bleedOhms;
    }

    public double insulationOhms() {
        return cold.insulationOhms;
    }

    public double touchAmperes() {
        return cold.touchAmperes;
    }

    public double halvesApart() {
        return cold.halvesApart;
    }

    public double vaHeadroom() {
        return cold.vaHeadroom;
    }

    public double loadApart() {
        return cold.loadApart;
    }

    public double proportionApart() {
        return cold.proportionApart;
    }

    public double injectionVolts() {
        return cold.injectionVolts;
    }

    public BigDecimal hourRate() {
        return worth.hourRate;
    }

    public String money() {
        return worth.money;
    }
}
