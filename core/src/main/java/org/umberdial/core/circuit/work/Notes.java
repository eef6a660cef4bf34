package org.umberdial.core.circuit.work;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import org.umberdial.core.circuit.law.GlowLaw;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Eye;
import org.umberdial.core.circuit.network.Heat;
import org.umberdial.core.circuit.network.Junction;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/** Words for parts that do not do what they are there for, or whose figures are a guess. */
final class Notes {
    /** A lamp, thermistor or barretter that takes so many times its power burns out. */
    private static final double BURNT = 2.5;

    private final List<Note> notes = new ArrayList<>();

    List<Note> all() {
        return List.copyOf(notes);
    }

    private void say(String part, String text) {
        notes.add(new Note(part, false, part + " " + text));
    }

    /** @param range least and greatest volts of the grid; NaN where an end did not settle */
    void adrift(Amplifier tube, double volts, double[] range) {
        String spread = Double.isNaN(range[0])
                ? "; how far insulation and gas may move that did not settle"
                : ", and may lie between " + volts(range[0]) + " and " + volts(range[1]) + " by insulation and gas";
        notes.add(new Note(
                tube.part(),
                true,
                tube.part() + ": nothing ties its grid. It drifts to about "
                        + volts(volts) + spread
                        + ". What hangs on this tube is a guess; a meter on the grid ties it and "
                        + "shows something else."));
    }

    /** The same where only the usual figures were used. */
    void adrift(Amplifier tube) {
        notes.add(
                new Note(
                        tube.part(),
                        true,
                        tube.part()
                                + ": nothing ties its grid. Usual insulation and gas stand in for a leak; what hangs on this tube is a guess."));
    }

    /** @param volts across it, by moment of the cycle */
    void glow(Junction junction, GlowLaw law, double lit, double[] volts) {
        double highest = 0;
        double most = 0;
        double sum = 0;
        double[] out = new double[2];
        for (double now : volts) {
            highest = Math.max(highest, law.across(now));
            law.evaluate(now, lit, out);
            most = Math.max(most, Math.abs(out[0]));
            sum += Math.abs(out[0]) / volts.length;
        }
        if (lit == 0) {
            if (highest < law.strikeVolts()) {
                say(
                        junction.part(),
                        "stays dark: it sees " + volts(highest) + " at most and strikes at " + volts(law.strikeVolts())
                                + ".");
            }
        } else if (most < Glow.OUT * law.leastAmperes()) {
            say(
                    junction.part(),
                    "strikes and goes out again: what feeds it falls below the " + volts(law.burnVolts())
                            + " it burns at. It flickers.");
        } else if (most < law.leastAmperes()) {
            say(
                    junction.part(),
                    "carries " + amperes(most) + ", less than the " + amperes(law.leastAmperes())
                            + " it needs: it does not hold its voltage, and with a capacitor across it, it flashes.");
        } else if (sum > law.mostAmperes()) {
            say(
                    junction.part(),
                    "carries " + amperes(sum) + ", more than the " + amperes(law.mostAmperes()) + " it stands.");
        }
    }

    void heat(Heat heat, double volts, double warmth) {
        double over = volts * volts / heat.law().ohms(warmth) / heat.law().ratedWatts();
        if (heat.isLamp() && over > BURNT) {
            say(
                    heat.part(),
                    String.format(Locale.ROOT, "takes %.1f times the power it is made for and will not last.", over));
        }
        heat.range()
                .filter(range -> !range.holds(volts))
                .ifPresent(range -> say(
                        heat.part(),
                        String.format(
                                Locale.ROOT,
                                "has %s across it, outside the %.0f to %.0f V over which it holds its current; beyond"
                                        + " them its resistance here is a guess.",
                                volts(volts),
                                range.leastVolts(),
                                range.mostVolts())));
    }

    void eye(Eye eye, OptionalDouble degrees) {
        say(
                eye.part(),
                degrees.isPresent()
                        ? String.format(Locale.ROOT, "shows a shadow of about %.0f°.", degrees.getAsDouble())
                        : "does not light: its target has no volts.");
    }

    /** Of every discharge, filament and eye at an operating point. */
    void parts(Network network, Values values, double[][] moments, double[] heaterVolts, double[] warmth) {
        for (int j = 0; j < network.junctions().size(); j++) {
            Junction junction = network.junctions().get(j);
            if (junction.law() instanceof GlowLaw law) {
                glow(junction, law, values.junctionHealth()[j], Glow.volts(junction, moments));
            }
        }
        for (int h = 0; h < heaterVolts.length; h++) {
            heat(network.heats().get(h), heaterVolts[h], warmth[h]);
        }
    }

    private static String volts(double volts) {
        return Engineering.print(volts, Unit.VOLT);
    }

    private static String amperes(double amperes) {
        return Engineering.print(amperes, Unit.AMPERE);
    }
}
