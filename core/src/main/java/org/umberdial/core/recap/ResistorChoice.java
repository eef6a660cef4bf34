package org.umberdial.core.recap;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.umberdial.core.catalogue.Catalogue;
import org.umberdial.core.catalogue.ResistorItem;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.StandardSeries;
import org.umberdial.core.value.Tolerance;
import org.umberdial.core.value.Unit;

/**
 * Chooses a resistor: the nearest standard value within the original's tolerance, else the best two together; rated for
 * the house's multiple of its working watts and never below the original; flameproof where it is hot or takes a surge.
 *
 * <p>Source: JOB section 3, Resistors; FORMULAS, Supply (rating at least 2 x).
 */
final class ResistorChoice {
    /** From here on a part is hot enough to scorch what touches it [W]. */
    private static final double HOT_WATTS = 1;

    private static final Set<NetworkRole> SURGES = Set.of(
            NetworkRole.SURGE_RESISTOR,
            NetworkRole.FILTER_RESISTOR,
            NetworkRole.BACK_BIAS_RESISTOR,
            NetworkRole.HEATER_DROPPER);

    /**
     * @param watts at work; empty when the circuit does not say
     * @param volts across it at work
     */
    record Wanted(
            double ohms,
            Tolerance tolerance,
            OptionalDouble ratedWatts,
            OptionalDouble watts,
            OptionalDouble volts,
            Optional<NetworkRole> role) {}

    /** @param hot whether it runs hot or takes a surge */
    record Chosen(List<String> items, String how, List<String> why, List<String> cautions, boolean hot) {}

    /** Two standard values that together come nearest. */
    record Pair(double a, double b, boolean parallel, double together) {}

    private ResistorChoice() {}

    static Chosen choose(Catalogue catalogue, double margin, Wanted wanted) {
        List<String> why = new ArrayList<>();
        List<String> cautions = new ArrayList<>();
        double need = Math.max(wanted.ratedWatts.orElse(0), margin * wanted.watts.orElse(0));
        boolean hot = wanted.watts.orElse(0) >= HOT_WATTS
                || wanted.role.filter(SURGES::contains).isPresent();
        if (wanted.watts.isPresent()) {
            why.add(String.format(
                    Locale.ROOT,
                    "It turns %s into heat; %s at least by the house's %.3g times%s.",
                    Engineering.print(wanted.watts.getAsDouble(), Unit.WATT),
                    Engineering.print(margin * wanted.watts.getAsDouble(), Unit.WATT),
                    margin,
                    wanted.ratedWatts.isPresent()
                                    && wanted.ratedWatts.getAsDouble() >= margin * wanted.watts.getAsDouble()
                            ? ", and no less than its old rating"
                            : ""));
        } else {
            cautions.add("The circuit does not say how hot it runs: its old rating alone decides the watts.");
        }
        Optional<ResistorItem> item = catalogue.resistors().stream()
                .filter(one -> one.watts() >= need && one.mostVolts() >= wanted.volts.orElse(0))
                .filter(one -> kinds(need, hot).stream().anyMatch(one.kind()::startsWith))
                .min(Comparator.comparingDouble(ResistorItem::watts));
        if (item.isEmpty()) {
            why.add("Nothing in the catalogue stands that; two in series share the heat.");
            return new Chosen(List.of(), "", why, cautions, hot);
        }
        if (hot) {
            why.add("Flameproof or wirewound, since it runs hot or takes a surge.");
            cautions.add("Stand it off the board and other parts by its own diameter.");
        }
        double standard = StandardSeries.E24.nearest(wanted.ohms);
        if (wanted.tolerance.covers(wanted.ohms, standard)) {
            if (Math.abs(standard / wanted.ohms - 1) > 0.005) {
                why.add(String.format(
                        Locale.ROOT,
                        "The nearest standard value, %.1f %% %s, within its %.0f %%.",
                        100 * Math.abs(standard / wanted.ohms - 1),
                        standard > wanted.ohms ? "more" : "less",
                        wanted.tolerance.percent()));
            }
            return new Chosen(List.of(item.get().name(standard)), "", why, cautions, hot);
        }
        Pair pair = pair(wanted.ohms);
        why.add(String.format(
                Locale.ROOT,
                "No standard value lies within its %.0f %%; %s %s %s make %s.",
                wanted.tolerance.percent(),
                Engineering.print(pair.a, Unit.OHM),
                pair.parallel ? "beside" : "and",
                Engineering.print(pair.b, Unit.OHM),
                Engineering.print(pair.together, Unit.OHM)));
        return new Chosen(
                List.of(item.get().name(pair.a), item.get().name(pair.b)),
                pair.parallel ? "in parallel" : "in series",
                why,
                cautions,
                hot);
    }

    private static List<String> kinds(double need, boolean hot) {
        if (need > 5) {
            return List.of("wirewound cement", "wirewound aluminium");
        }
        return hot || need > 2 ? List.of("metal oxide flameproof", "wirewound cement") : List.of("metal film");
    }

    /** The two E24 values that come nearest together, in parallel or in series. */
    static Pair pair(double ohms) {
        Pair best = null;
        double[] decade = StandardSeries.E24.decade();
        double power = Math.pow(10, Math.floor(Math.log10(ohms)));
        List<Double> values = new ArrayList<>();
        for (double scale : new double[] {power / 10, power, power * 10}) {
            for (double step : decade) {
                values.add(Double.parseDouble(Engineering.digits(BigDecimal.valueOf(step * scale), 3)));
            }
        }
        for (double a : values) {
            for (double b : values) {
                if (b > a) {
                    continue;
                }
                for (boolean parallel : new boolean[] {true, false}) {
                    double together = parallel ? a * b / (a + b) : a + b;
                    if (best == null || Math.abs(together - ohms) < Math.abs(best.together - ohms) * (1 - 1e-9)) {
                        best = new Pair(a, b, parallel, together);
                    }
                }
            }
        }
        return best;
    }
}
