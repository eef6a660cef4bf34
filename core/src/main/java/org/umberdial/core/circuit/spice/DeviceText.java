package org.umberdial.core.circuit.spice;

import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.law.BipolarLaw;
import org.umberdial.core.circuit.law.GlowLaw;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Branch;
import org.umberdial.core.circuit.network.Junction;
import org.umberdial.core.circuit.network.Magnet;

/** Discharges, transistors, eyes, stacks and saturating cores in a simulator's words. */
final class DeviceText {
    /** Below this share of its burning voltage a discharge does not burn. */
    private static final double GONE = 0.9;

    private final SpiceExport to;

    DeviceText(SpiceExport to) {
        this.to = to;
    }

    /** Whether a card is one of these and not a tube with sections of its own. */
    boolean isDevice(Card card) {
        return isGlow(card) || isEye(card) || !resistances(card).isEmpty();
    }

    void device(Card card) {
        if (isGlow(card)) {
            glow(card);
        } else if (isEye(card)) {
            eyeSections(card);
        } else {
            resistances(card).forEach(this::resistance);
        }
    }

    private boolean isGlow(Card card) {
        return to.junctions(card).stream().anyMatch(junction -> junction.law() instanceof GlowLaw);
    }

    private boolean isEye(Card card) {
        return to.network.eyes().stream().anyMatch(eye -> eye.part().equals(card.reference()));
    }

    /** The simulator's own transistor, one model each, since each has its own temperature and health. */
    void transistor(Card card) {
        to.original(card);
        Amplifier transistor = to.amplifier(card).orElseThrow();
        double health = to.values.amplifierHealth()[to.network.amplifiers().indexOf(transistor)];
        BipolarLaw law = transistor.bipolar().orElseThrow();
        if (health > 0 && law.leakAmperes() > 0) {
            // A simulator takes an ISC above 0.1 mA for a factor of IS; a diode means what it says.
            String leak = "LEAK_" + card.reference();
            to.line(".model %s D(IS=%.8g N=2)", leak, health * law.leakAmperes());
            to.line(
                    "D%s_LEAK %s %s %s ; of=%s",
                    card.reference(),
                    card.nodes().get(law.pnp() ? 0 : 1),
                    card.nodes().get(law.pnp() ? 1 : 0),
                    leak,
                    card.reference());
        }
        if (health > 0) {
            String name = "BIPOLAR_" + card.reference();
            to.line(".model %s %s", name, law.model());
            to.line(
                    "%s %s %s area=%.8g ; of=%s",
                    card.reference(), String.join(" ", card.nodes()), name, health, card.reference());
        }
        to.shorts(card);
    }

    /** The control triode, and the target as a diode beside it. */
    private void eyeSections(Card card) {
        List<String> n = card.nodes();
        String type = card.model().replaceAll("_E$", "");
        Amplifier triode = to.amplifier(card).orElseThrow();
        int number = to.network.amplifiers().indexOf(triode);
        String section = TubeText.define(
                triode, to.values.amplifierHealth()[number], to.values.gas()[number], type + "_T", to::define);
        to.line(
                "%s %s %s %s %s %s ; of=%s",
                card.reference(), n.get(0), n.get(2), n.get(3), to.warmth(triode.heat()), section, card.reference());
        Junction target = to.junctions(card).get(0);
        String diode = TubeText.define(
                target,
                1,
                to.values.junctionHealth()[to.network.junctions().indexOf(target)],
                type + "_TARGET",
                to::define);
        to.line(
                "%s_TARGET %s %s %s %s ; of=%s",
                card.reference(), n.get(1), n.get(3), to.warmth(target.heat()), diode, card.reference());
    }

    /** The branches of a part that is nothing but resistors, such as a ballast tube, by number. */
    private List<Integer> resistances(Card card) {
        return IntStream.range(0, to.network.branches().size())
                .filter(i -> to.network.branches().get(i).part().equals(card.reference())
                        && to.network.branches().get(i).kind() == Branch.Kind.RESISTOR)
                .boxed()
                .toList();
    }

    private void resistance(int branch) {
        Branch part = to.network.branches().get(branch);
        to.line(
                "R%s_%d %s %s %.8g ; of=%s",
                part.part(), branch, to.name(part.a()), to.name(part.b()), to.ohms(branch), part.part());
    }

    /**
     * The law with a memory of whether it burns: it strikes in a fifth of a millisecond and goes out below its foot.
     */
    private void glow(Card card) {
        List<Junction> junctions = to.junctions(card);
        GlowLaw law = (GlowLaw) junctions.get(0).law();
        StringBuilder body = new StringBuilder();
        StringBuilder strikes = new StringBuilder();
        StringBuilder burns = new StringBuilder();
        StringBuilder pins = new StringBuilder();
        for (int i = 0; i < junctions.size(); i++) {
            String volts = "v(a" + i + ",k)";
            String across = law.eitherWay() ? "abs(" + volts + ")" : volts;
            String or = i == 0 ? "" : "||";
            strikes.append(String.format(Locale.ROOT, "%s(%s>%.8g)", or, across, law.strikeVolts()));
            burns.append(String.format(Locale.ROOT, "%s(%s>%.8g)", or, across, GONE * law.burnVolts()));
            pins.append('a').append(i).append(' ');
            SpiceExport.append(body, "Bx%d a%d k I=%s", i, i, law.expression(volts, "(v(m)>0.5?1:0)"));
            SpiceExport.append(body, "Cx%d a%d k 1p", i, i);
        }
        SpiceExport.append(body, "Bm 0 m I=(%s)||((v(m)>0.5)&&(%s))?(1-v(m))/1k:-v(m)/150k", strikes, burns);
        SpiceExport.append(body, "Cm m 0 200n");
        String name = "GLOW_" + card.reference();
        to.define(name, pins + "k", body.toString());
        to.line("%s %s %s ; of=%s", card.reference(), String.join(" ", card.nodes()), name, card.reference());
    }

    void selenium(Card card) {
        Junction junction = to.junctions(card).get(0);
        StringBuilder body = new StringBuilder();
        SpiceExport.append(body, "Rs a j %.8g", to.ohms(to.branch(card, Branch.Kind.JUNCTION_SERIES)));
        SpiceExport.append(body, "Bj j k I=%s", junction.law().expression("v(j,k)", "1"));
        String name = "SELENIUM_" + card.reference();
        to.define(name, "a k", body.toString());
        to.line("%s %s %s ; of=%s", card.reference(), String.join(" ", card.nodes()), name, card.reference());
    }

    /** A core that saturates: its flux is the integral of its volts, and the current follows the flux. */
    static String core(Magnet magnet, String a, String b) {
        StringBuilder body = new StringBuilder();
        SpiceExport.append(body, "Bf 0 f I=v(%s,%s)", a, b);
        SpiceExport.append(body, "Cf f 0 1");
        SpiceExport.append(body, "Rf f 0 1e9");
        SpiceExport.append(
                body, "Bi %s %s I=%s", a, b, magnet.saturation().orElseThrow().current(magnet.henries(), "v(f)"));
        return body.toString();
    }
}
