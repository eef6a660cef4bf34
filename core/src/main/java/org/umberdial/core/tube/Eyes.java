package org.umberdial.core.tube;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.umberdial.core.circuit.law.EyeLaw;
import org.umberdial.core.circuit.law.TriodeLaw;
import org.umberdial.core.circuit.law.VacuumDiodeLaw;

/** Tuning eyes by their two published ends: open and just closed, on a supply through a plate resistor. */
public final class Eyes {
    /** What the plate still lacks of its supply where the eye just closes. */
    private static final double CLOSED_SHARE = 0.04;
    /** The plate at the open end, as a share of the supply: the eye's triode is driven to its knee there. */
    private static final double OPEN_PLATE = 0.04;

    private static final Map<String, EyeLaw> SHIPPED = load();

    private Eyes() {}

    public static Optional<EyeLaw> law(String type) {
        return Optional.ofNullable(SHIPPED.get(type.toUpperCase(Locale.ROOT)));
    }

    private static Map<String, EyeLaw> load() {
        Map<String, EyeLaw> laws = new LinkedHashMap<>();
        for (Map<String, String> row : TubeTable.rows("eyes.csv")) {
            double supply = number(row, "supply_V");
            double ohms = number(row, "plate_kohm") * 1e3;
            double openGrid = number(row, "open_Vg");
            double closedGrid = number(row, "closed_Vg");
            TriodeLaw triode = fit(supply, ohms, openGrid, closedGrid);
            laws.put(
                    row.get("type"),
                    new EyeLaw(
                            triode,
                            VacuumDiodeLaw.through(supply, number(row, "target_mA") * 1e-3),
                            number(row, "open_deg"),
                            1 - OPEN_PLATE,
                            CLOSED_SHARE));
        }
        return laws;
    }

    /** Amplification and scale such that the plate stands at its two published ends; bisection on the first. */
    private static TriodeLaw fit(double supply, double ohms, double openGrid, double closedGrid) {
        double low = 1;
        double high = 200;
        TriodeLaw law = through(low, supply, ohms, openGrid);
        double[] out = new double[3];
        for (int i = 0; i < 60; i++) {
            double mu = Math.sqrt(low * high);
            law = through(mu, supply, ohms, openGrid);
            law.plate(closedGrid, supply * (1 - CLOSED_SHARE), out);
            if (out[0] > supply * CLOSED_SHARE / ohms) {
                low = mu;
            } else {
                high = mu;
            }
        }
        return law;
    }

    private static TriodeLaw through(double mu, double supply, double ohms, double openGrid) {
        TriodeLaw shape = new TriodeLaw(mu, 1.4, 1, 6 * mu, 300, 0.4);
        double[] out = new double[3];
        shape.plate(openGrid, supply * OPEN_PLATE, out);
        double wanted = supply * (1 - OPEN_PLATE) / ohms;
        return new TriodeLaw(mu, 1.4, out[0] / wanted, 6 * mu, 300, 0.4);
    }

    private static double number(Map<String, String> row, String column) {
        return Double.parseDouble(row.get(column));
    }
}
