package org.umberdial.core.circuit.spice;

import java.util.Locale;
import org.umberdial.core.circuit.law.Filament;
import org.umberdial.core.circuit.law.HeptodeLaw;
import org.umberdial.core.circuit.law.Oscillation;
import org.umberdial.core.circuit.law.OscillatorGrid;
import org.umberdial.core.circuit.law.PentodeLaw;
import org.umberdial.core.circuit.law.TriodeLaw;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Junction;
import org.umberdial.core.tube.TubeModel;

/** Tube sections as subcircuits; the last pin carries the warmth of the heater. */
final class TubeText {
    /** Takes a subcircuit's name, pins and body. */
    interface Definition {
        void define(String name, String pins, String body);
    }

    private TubeText() {}

    /** @return the subcircuit's name */
    static String define(Junction junction, int plates, double health, String type, Definition definition) {
        StringBuilder body = new StringBuilder();
        emission(body, health);
        for (int i = 0; i < plates; i++) {
            line(body, "Bp%d p%d k I=%s", i, i, junction.law().expression("v(p" + i + ",k)", "v(e)"));
        }
        String name = name("RECT_" + type, junction.part(), health, 0);
        definition.define(name, plates == 2 ? "p0 p1 k w" : "p0 k w", body.toString());
        return name;
    }

    static String define(Amplifier tube, double health, double gas, String type, Definition definition) {
        StringBuilder body = new StringBuilder();
        emission(body, health);
        String pins;
        if (tube.triode().isPresent()) {
            triode(body, tube.triode().get(), tube.oscillation(), gas);
            pins = "p g k w";
        } else if (tube.pentode().isPresent()) {
            pentode(body, tube.pentode().get(), gas);
            pins = "p s g k w";
        } else {
            heptode(body, tube.heptode().orElseThrow(), gas);
            pins = "p s g3 g k w";
        }
        String name = name(
                "TUBE_" + type,
                tube.part(),
                health,
                Math.max(gas, tube.oscillation().swing()));
        definition.define(name, pins, body.toString());
        return name;
    }

    /** Parts that differ from their type's ordinary model get one of their own. */
    private static String name(String type, String part, double health, double special) {
        return health == 1 && special == 0 ? type : type + "_" + part;
    }

    private static void emission(StringBuilder body, double health) {
        line(body, "Be e 0 V=%.8g*(%s)", health, Filament.emissionExpression("v(w)"));
    }

    private static void triode(StringBuilder body, TriodeLaw law, Oscillation oscillation, double gas) {
        line(body, "Ba a 0 V=v(g,k)+%.8g*v(e)*max(v(p,k),0)", oscillation.swing());
        String duty = oscillation.isOn() ? String.format(Locale.ROOT, "(1-%.8g*v(e))*", 1 - oscillation.duty()) : "";
        line(body, "Bp p k I=v(e)*%s%s", duty, law.expression("v(a)", "v(p,k)"));
        String grid = oscillation.isOn()
                ? "v(e)*" + OscillatorGrid.expression("v(a)")
                : TubeModel.GRID.expression("v(g,k)", "v(e)");
        line(body, "Bg g k I=%s", grid);
        gas(body, gas, "v(e)*" + duty + law.expression("v(a)", "v(p,k)"));
    }

    private static void gas(StringBuilder body, double gas, String cathodeCurrent) {
        if (gas > 0) {
            line(body, "Bgas k g I=%.8g*(%s)", gas, cathodeCurrent);
        }
    }

    private static void pentode(StringBuilder body, PentodeLaw law, double gas) {
        line(body, "Bi i 0 V=1000*v(e)*(%s)", law.spaceExpression("v(g,k)", "v(s,k)"));
        line(body, "Bq q 0 V=%s", law.kneeExpression("v(p,k)"));
        line(body, "Bp p k I=0.001*%s", law.plateExpression("v(i)", "v(q)", "v(p,k)"));
        line(body, "Bs s k I=0.001*v(i)*(1-%.8g*v(q))", law.share());
        line(body, "Bg g k I=%s", TubeModel.GRID.expression("v(g,k)", "v(e)"));
        gas(body, gas, "0.001*v(i)");
    }

    private static void heptode(StringBuilder body, HeptodeLaw law, double gas) {
        PentodeLaw pentode = law.pentode();
        line(body, "Ba a 0 V=v(g,k)+%.8g*v(e)*max(v(s,k),0)", law.swing());
        String duty = law.swing() > 0 ? String.format(Locale.ROOT, "*(1-%.8g*v(e))", 1 - HeptodeLaw.DUTY) : "";
        line(body, "Bi i 0 V=1000*v(e)%s*(%s)", duty, pentode.spaceExpression("v(a)", "v(s,k)"));
        line(body, "Bq q 0 V=%s", pentode.kneeExpression("v(p,k)"));
        line(body, "Bt t 0 V=1/(1+exp(min(max((%.8g-v(g3,k))/%.8g,-60),60)))", law.v3(), law.w3());
        line(body, "Bp p k I=0.001*v(t)*%s", pentode.plateExpression("v(i)", "v(q)", "v(p,k)"));
        line(
                body,
                "Bs s k I=0.001*(v(i)*(1-%.8g*v(q))+(1-v(t))*%s)",
                pentode.share(),
                pentode.plateExpression("v(i)", "v(q)", "v(p,k)"));
        line(
                body,
                "Bg g k I=%s",
                law.swing() > 0
                        ? "v(e)*" + OscillatorGrid.expression("v(a)")
                        : TubeModel.GRID.expression("v(g,k)", "v(e)"));
        line(body, "Bg3 g3 k I=%s", TubeModel.GRID.expression("v(g3,k)", "v(e)"));
        gas(body, gas, "0.001*v(i)");
    }

    private static void line(StringBuilder body, String format, Object... arguments) {
        body.append(String.format(Locale.ROOT, format, arguments)).append('\n');
    }
}
