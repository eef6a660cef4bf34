package org.umberdial.core.circuit.work;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.umberdial.core.circuit.law.Barretter;
import org.umberdial.core.circuit.law.GlowLaw;
import org.umberdial.core.circuit.network.Junction;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * Which discharges burn. A set is switched on with all of them dark; each that then sees its striking voltage lights,
 * and the set is solved again. One that has struck stays so: where what feeds it falls below its burning voltage its
 * law gives no current.
 */
final class Glow {
    /** Less than this share of its least current is as good as out. */
    private static final double OUT = 0.02;
    /** A lamp, thermistor or barretter that takes so many times its power burns out. */
    private static final double BURNT = 2.5;

    private final Network network;
    private final boolean[] burning;
    private final boolean any;

    Glow(Network network) {
        this.network = network;
        burning = new boolean[network.junctions().size()];
        any = network.junctions().stream().anyMatch(junction -> junction.law() instanceof GlowLaw);
    }

    boolean any() {
        return any;
    }

    /** The values with every discharge that has not struck dark. */
    Values in(Values values) {
        Values lit = values;
        for (int j = 0; j < burning.length; j++) {
            if (network.junctions().get(j).law() instanceof GlowLaw && !burning[j]) {
                lit = lit.dark(j);
            }
        }
        return lit;
    }

    /**
     * Lights the one that sees most of its striking voltage, if any sees it; what it then takes may keep its neighbour
     * dark, as with two lamps on one resistor.
     *
     * @param moments volts by node, then by moment of the cycle
     * @return whether any was lit
     */
    boolean strike(double[][] moments) {
        int nearest = -1;
        double most = 1;
        for (int j = 0; j < burning.length; j++) {
            Junction junction = network.junctions().get(j);
            if (junction.law() instanceof GlowLaw law && !burning[j]) {
                double share = across(junction, law, moments) / law.strikeVolts();
                if (share > most || share == 1 && nearest < 0) {
                    most = share;
                    nearest = j;
                }
            }
        }
        if (nearest >= 0) {
            share(network.junctions().get(nearest).part(), true);
        }
        return nearest >= 0;
    }

    boolean[] burning() {
        return burning.clone();
    }

    void burning(boolean[] which) {
        System.arraycopy(which, 0, burning, 0, burning.length);
    }

    /** Lights what sees its striking voltage and lets go out what carries nothing; whether any changed. */
    boolean change(double[][] moments) {
        boolean[] before = burning.clone();
        double[] out = new double[2];
        for (int j = 0; j < burning.length; j++) {
            Junction junction = network.junctions().get(j);
            if (burning[j] && junction.law() instanceof GlowLaw law) {
                boolean carries = false;
                for (Junction anode : network.junctions()) {
                    if (anode.part().equals(junction.part())) {
                        law.evaluate(across(anode, law, moments), 1, out);
                        carries |= Math.abs(out[0]) > OUT * law.leastAmperes();
                    }
                }
                share(junction.part(), carries);
            }
        }
        strike(moments);
        return !Arrays.equals(before, burning);
    }

    /** The anodes of one tube share its gas. */
    private void share(String part, boolean lit) {
        for (int j = 0; j < burning.length; j++) {
            burning[j] = network.junctions().get(j).part().equals(part) ? lit : burning[j];
        }
    }

    private static double across(Junction junction, GlowLaw law, double[][] moments) {
        double most = 0;
        for (int t = 0; t < moments[0].length; t++) {
            double volts = (junction.a() < 0 ? 0 : moments[junction.a()][t])
                    - (junction.b() < 0 ? 0 : moments[junction.b()][t]);
            most = Math.max(most, law.eitherWay() ? Math.abs(volts) : volts);
        }
        return most;
    }

    /** What is to be said of discharges and barretters at an operating point: what does not do what it is there for. */
    static List<String> notes(
            Network network, Values values, double[][] moments, double[] heaterVolts, double[] warmth) {
        List<String> notes = new ArrayList<>();
        for (int j = 0; j < network.junctions().size(); j++) {
            Junction junction = network.junctions().get(j);
            if (junction.law() instanceof GlowLaw law) {
                note(notes, junction, law, values.junctionHealth()[j], moments);
            }
        }
        for (int h = 0; h < heaterVolts.length; h++) {
            double over = heaterVolts[h]
                    * heaterVolts[h]
                    / network.heats().get(h).law().ohms(warmth[h])
                    / network.heats().get(h).law().ratedWatts();
            if (network.heats().get(h).isLamp() && over > BURNT) {
                notes.add(String.format(
                        Locale.ROOT,
                        "%s takes %.1f times the power it is made for and will not last.",
                        network.heats().get(h).part(),
                        over));
            }
            if (network.heats().get(h).law() instanceof Barretter law
                    && (heaterVolts[h] < law.leastVolts() || heaterVolts[h] > law.mostVolts())) {
                notes.add(String.format(
                        Locale.ROOT,
                        "%s has %s across it, outside the %.0f to %.0f V over which it holds its current; beyond them"
                                + " its resistance here is a guess.",
                        network.heats().get(h).part(),
                        print(heaterVolts[h], Unit.VOLT),
                        law.leastVolts(),
                        law.mostVolts()));
            }
        }
        return notes;
    }

    private static void note(List<String> notes, Junction junction, GlowLaw law, double lit, double[][] moments) {
        if (lit == 0) {
            notes.add(junction.part() + " stays dark: it sees " + print(across(junction, law, moments), Unit.VOLT)
                    + " at most and strikes at " + print(law.strikeVolts(), Unit.VOLT) + ".");
            return;
        }
        double[] out = new double[2];
        double most = 0;
        double sum = 0;
        for (int t = 0; t < moments[0].length; t++) {
            double volts = (junction.a() < 0 ? 0 : moments[junction.a()][t])
                    - (junction.b() < 0 ? 0 : moments[junction.b()][t]);
            law.evaluate(volts, lit, out);
            most = Math.max(most, Math.abs(out[0]));
            sum += Math.abs(out[0]) / moments[0].length;
        }
        if (most < OUT * law.leastAmperes()) {
            notes.add(junction.part() + " strikes and goes out again: what feeds it falls below the "
                    + print(law.burnVolts(), Unit.VOLT) + " it burns at. It flickers.");
        } else if (most < law.leastAmperes()) {
            notes.add(junction.part() + " carries " + print(most, Unit.AMPERE) + ", less than the "
                    + print(law.leastAmperes(), Unit.AMPERE)
                    + " it needs: it does not hold its voltage, and with a capacitor across it, it flashes.");
        } else if (sum > law.mostAmperes()) {
            notes.add(junction.part() + " carries " + print(sum, Unit.AMPERE) + ", more than the "
                    + print(law.mostAmperes(), Unit.AMPERE) + " it stands.");
        }
    }

    private static String print(double value, Unit unit) {
        return Engineering.print(value, unit);
    }
}
