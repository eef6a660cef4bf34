package org.umberdial.core.policy;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import org.umberdial.core.value.InvalidEntry;

/**
 * Every figure of the house policy: what it is called, in which group it stands, why one would choose it, and within
 * what it makes sense.
 */
public enum PolicyFigure {
    LINE_VOLTS(Group.LINE, "Line voltage here", "V", 1, 90, 260, "A new set starts with it", HousePolicy::lineVolts),
    LINE_HERTZ(Group.LINE, "Line frequency", "Hz", 1, 16, 400, "50 or 60", HousePolicy::lineHertz),

    SPREAD(
            Group.VOLTS,
            "Normal spread",
            "%",
            100,
            1,
            50,
            "10 for close work; 20 is what most sheets promise",
            HousePolicy::spread),
    DOUBT_MARGIN(
            Group.VOLTS,
            "Then doubtful for",
            "%",
            100,
            0,
            50,
            "Beyond spread and this it is wrong",
            HousePolicy::doubtMargin),
    GRID_RISE_VOLTS(Group.VOLTS, "Grid may rise", "V", 1, 0.02, 5, "More is a leak or gas", HousePolicy::gridRiseVolts),
    WATTS_MARGIN(
            Group.VOLTS,
            "Resistor rating at least",
            "×",
            1,
            1,
            10,
            "its heat; twice is usual, three in closed cases",
            HousePolicy::wattsMargin),
    DRIFT_FRACTION(
            Group.VOLTS, "Drift over warm minutes", "%", 100, 1, 50, "More and it is said", HousePolicy::driftFraction),
    HEATER_OVER(
            Group.VOLTS,
            "Heaters may run over",
            "%",
            100,
            1,
            30,
            "10 by most data sheets; 5 spares them",
            HousePolicy::heaterOver),
    USUAL_SPREAD(
            Group.VOLTS,
            "Usual values lie within",
            "%",
            100,
            5,
            100,
            "What such sets have, when this one is not known",
            HousePolicy::usualSpread),

    SAFE_VOLTS(Group.COLD, "Discharged at or below", "V", 1, 5, 60, "30 is usual; some say 24", HousePolicy::safeVolts),
    BLEED_OHMS(
            Group.COLD,
            "Bleed resistor",
            "Ω",
            1,
            100,
            1e6,
            "10000 bleeds a filter in a second or two",
            HousePolicy::bleedOhms),
    INSULATION_OHMS(
            Group.COLD,
            "Insulation at least",
            "MΩ",
            1e-6,
            0.5,
            1000,
            "10 is the least most accept; 100 is better",
            HousePolicy::insulationOhms),
    TOUCH_AMPERES(
            Group.COLD,
            "Touch current at most",
            "mA",
            1e3,
            0.05,
            5,
            "Local rules come first; 0.5 is common",
            HousePolicy::touchAmperes),
    INSTRUMENT_TRUST(
            Group.COLD,
            "Instrument may be off",
            "%",
            100,
            0.5,
            20,
            "On a known-good part",
            policy -> policy.cold().instrumentTrust()),

    HALVES_APART(
            Group.WINDINGS,
            "Halves of a winding may differ",
            "%",
            100,
            1,
            50,
            "15: the outer half is longer wire",
            HousePolicy::halvesApart),
    PROPORTION_APART(
            Group.WINDINGS,
            "A winding may stray",
            "%",
            100,
            0.5,
            20,
            "From proportion, and halves apart, when fed",
            HousePolicy::proportionApart),
    INJECTION_VOLTS(
            Group.WINDINGS,
            "Any winding when fed, at most",
            "V",
            1,
            5,
            60,
            "30 is what a hand may meet",
            HousePolicy::injectionVolts),
    VA_HEADROOM(
            Group.WINDINGS, "Transformer headroom", "×", 1, 1, 5, "its load; 1.25 is usual", HousePolicy::vaHeadroom),
    LOAD_APART(
            Group.WINDINGS,
            "Output load may be off",
            "%",
            100,
            5,
            100,
            "Many makers allowed 40",
            HousePolicy::loadApart),
    COPPER_DOUBTFUL_CELSIUS(
            Group.WINDINGS,
            "Winding doubtful from",
            "°C",
            1,
            40,
            150,
            "85 for old paper and enamel",
            policy -> policy.cold().copperDoubtfulCelsius()),
    COPPER_MOST_CELSIUS(
            Group.WINDINGS,
            "Winding at most",
            "°C",
            1,
            60,
            180,
            "105 is the end of class A",
            policy -> policy.cold().copperMostCelsius()),

    CAPACITANCE_LOW(
            Group.PARTS,
            "Capacitance lost below",
            "% of the mark",
            100,
            30,
            95,
            "70 for electrolytics that dry",
            policy -> policy.parts().low()),
    CAPACITANCE_OPEN(
            Group.PARTS,
            "Open below",
            "% of the mark",
            100,
            1,
            25,
            "10: little else reads so low",
            policy -> policy.parts().open()),
    CAPACITANCE_HIGH(
            Group.PARTS,
            "A leak feigns from",
            "× the mark",
            1,
            1.1,
            4,
            "1.5; meters differ in how a leak fools them",
            policy -> policy.parts().high()),
    PROOF_SHARE(
            Group.PARTS,
            "Leakage is proven from",
            "% of working volts",
            100,
            30,
            150,
            "70; some want the full volts",
            policy -> policy.parts().proofShare()),
    LEAK_PER_CV(
            Group.PARTS,
            "New electrolytic leaks",
            "µA per µF V",
            1,
            0.001,
            1,
            "0.03 by most data sheets",
            policy -> policy.parts().leakPerCv()),
    LEAK_BASE(
            Group.PARTS,
            "and beside that",
            "µA",
            1e6,
            0,
            1000,
            "20 by most data sheets",
            policy -> policy.parts().leakBase()),
    USABLE_TIMES(
            Group.PARTS,
            "An old one may leak",
            "× a new one",
            1,
            1,
            50,
            "5, while it is still falling",
            policy -> policy.parts().usableTimes()),
    LEAK_WATTS(
            Group.PARTS,
            "Heat by a leak at most",
            "W",
            1,
            0.02,
            2,
            "0.3: more and it warms itself up",
            policy -> policy.parts().leakWatts()),
    LOSS_ANGLE(
            Group.PARTS,
            "Dried from a loss angle of",
            "tan δ",
            1,
            0.05,
            2,
            "0.25 at 120 Hz; a new one has 0.1 to 0.2",
            policy -> policy.parts().lossAngle()),
    DRY_LEAST_OHMS(
            Group.PARTS,
            "A dry capacitor holds at least",
            "MΩ",
            1e-6,
            0.1,
            10_000,
            "10 anywhere; a grid asks for far more",
            policy -> policy.parts().dryLeastOhms()),
    TUBE_BAND(
            Group.PARTS,
            "A tube is doubtful up to",
            "% over its least",
            100,
            0,
            50,
            "10 on most testers' scales",
            policy -> policy.parts().tubeBand()),
    REFORM_SECONDS(
            Group.PARTS,
            "Forming without progress ends after",
            "min",
            1 / 60.0,
            5,
            1440,
            "40; some go on while it falls at all",
            policy -> policy.parts().reformSeconds()),
    LOT_SHARE(
            Group.PARTS,
            "Speak of the lot from",
            "% drifted",
            100,
            10,
            100,
            "50: half of a kind is a batch gone",
            policy -> policy.parts().lotShare()),

    SPEED_APART(
            Group.FINISH,
            "A player may turn off its speed by",
            "%",
            100,
            0.2,
            6,
            "1.5; 6 is a semitone",
            policy -> policy.finish().speedApart()),
    WOW_MOST(
            Group.FINISH,
            "Wow and flutter, weighted, at most",
            "%",
            100,
            0.05,
            3,
            "0.4 by an idler of the time, 0.2 for close listening, 1 for a spring motor",
            policy -> policy.finish().wowMost()),
    DIAL_APART(
            Group.FINISH,
            "A dial may be off by",
            "%",
            100,
            0.2,
            10,
            "1 after alignment; 3 is what most sets had when new",
            policy -> policy.finish().dialApart());

    /** What the figures of a group are about. */
    public enum Group {
        LINE("The line"),
        VOLTS("Volts"),
        COLD("Cold tests"),
        WINDINGS("Windings"),
        PARTS("Parts"),
        FINISH("Finish");

        private final String label;

        Group(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    private final Group group;
    private final String label;
    private final String unit;
    private final double scale;
    private final double least;
    private final double most;
    private final String why;
    private final ToDoubleFunction<HousePolicy> value;

    PolicyFigure(
            Group group,
            String label,
            String unit,
            double scale,
            double least,
            double most,
            String why,
            ToDoubleFunction<HousePolicy> value) {
        this.group = group;
        this.label = label;
        this.unit = unit;
        this.scale = scale;
        this.least = least;
        this.most = most;
        this.why = why;
        this.value = value;
    }

    public Group group() {
        return group;
    }

    public String label() {
        return label;
    }

    /** The unit people write it in, which need not be the one it is kept in. */
    public String unit() {
        return unit;
    }

    /** Least that is taken, as people write it. */
    public double least() {
        return least;
    }

    /** Most that is taken, as people write it. */
    public double most() {
        return most;
    }

    public String why() {
        return why;
    }

    /** As it is kept: SI, or a fraction. */
    public double of(HousePolicy policy) {
        return value.applyAsDouble(policy);
    }

    /** As people write it, without what only arithmetic put behind it. */
    public double written(HousePolicy policy) {
        return Math.round(of(policy) * scale * 1e6) / 1e6;
    }

    /**
     * As it is kept, from what was written.
     *
     * @throws InvalidEntry when it makes no sense
     */
    public double kept(double written) {
        if (!(written >= least && written <= most)) {
            throw new InvalidEntry(
                    InvalidEntry.Code.OUT_OF_RANGE,
                    label + ": " + plain(least) + " to " + plain(most) + " " + unit + " are taken, not "
                            + plain(written) + ".");
        }
        return written / scale;
    }

    private static String plain(double value) {
        return java.math.BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }

    /** The figure of this name, if there is one. */
    public static Optional<PolicyFigure> named(String name) {
        return Arrays.stream(values()).filter(f -> f.name().equals(name)).findFirst();
    }

    /** All figures of a policy as they are kept. */
    public static Map<PolicyFigure, Double> all(HousePolicy policy) {
        Map<PolicyFigure, Double> all = new EnumMap<>(PolicyFigure.class);
        for (PolicyFigure figure : values()) {
            all.put(figure, figure.of(policy));
        }
        return all;
    }

    /** The policy with these figures, all of them, as they are kept. */
    public static HousePolicy policy(
            HousePolicy.Words words, Map<PolicyFigure, Double> f, Schools schools, HousePolicy.Worth worth) {
        return new HousePolicy(
                words,
                new HousePolicy.Line(f.get(LINE_VOLTS), f.get(LINE_HERTZ)),
                new HousePolicy.Volts(
                        f.get(SPREAD),
                        f.get(DOUBT_MARGIN),
                        f.get(GRID_RISE_VOLTS),
                        f.get(WATTS_MARGIN),
                        f.get(DRIFT_FRACTION),
                        f.get(HEATER_OVER),
                        f.get(USUAL_SPREAD)),
                new HousePolicy.Cold(
                        f.get(SAFE_VOLTS),
                        f.get(BLEED_OHMS),
                        f.get(INSULATION_OHMS),
                        f.get(TOUCH_AMPERES),
                        f.get(HALVES_APART),
                        f.get(VA_HEADROOM),
                        f.get(LOAD_APART),
                        f.get(PROPORTION_APART),
                        f.get(INJECTION_VOLTS),
                        f.get(INSTRUMENT_TRUST),
                        f.get(COPPER_DOUBTFUL_CELSIUS),
                        f.get(COPPER_MOST_CELSIUS)),
                new HousePolicy.Parts(
                        f.get(CAPACITANCE_LOW),
                        f.get(CAPACITANCE_OPEN),
                        f.get(CAPACITANCE_HIGH),
                        f.get(PROOF_SHARE),
                        f.get(LEAK_PER_CV),
                        f.get(LEAK_BASE),
                        f.get(USABLE_TIMES),
                        f.get(LEAK_WATTS),
                        f.get(LOSS_ANGLE),
                        f.get(DRY_LEAST_OHMS),
                        f.get(TUBE_BAND),
                        f.get(REFORM_SECONDS),
                        f.get(LOT_SHARE)),
                new HousePolicy.Finish(f.get(SPEED_APART), f.get(WOW_MOST), f.get(DIAL_APART)),
                schools,
                worth);
    }
}
