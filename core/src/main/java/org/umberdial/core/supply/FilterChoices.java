package org.umberdial.core.supply;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.DoubleStream;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.role.PartRoles;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeLimits;
import org.umberdial.core.value.StandardSeries;

/**
 * What another first filter capacitor does in this set: its volts and ripple, what hum is left behind the filter, and
 * what the rectifier has to pass at each peak.
 *
 * @param reservoir reference of the first filter capacitor
 * @param rectifier reference of the rectifier that charges it
 * @param mostFarads the rectifier's published limit; empty where none is known or needed [F]
 * @param leastSeriesOhms that it wants in series with each plate; empty where none is known or needed [Ω]
 * @param pathOhms that are in that path as drawn; empty where none is seen [Ω]
 * @param choices from small to large
 */
public record FilterChoices(
        String reservoir,
        String rectifier,
        OptionalDouble mostFarads,
        OptionalDouble leastSeriesOhms,
        OptionalDouble pathOhms,
        List<Choice> choices) {
    /**
     * One value.
     *
     * @param original whether it is the one on the sheet
     * @param volts at work [V]
     * @param ripple across it, peak to peak [V]
     * @param behind ripple at the next filter capacitor, peak to peak; empty when there is none [V]
     * @param rippleAmperes RMS that it carries [A]
     * @param peakAmperes that the rectifier passes [A]
     * @param allowed whether the rectifier's limit allows it
     */
    public record Choice(
            double farads,
            boolean original,
            double volts,
            double ripple,
            OptionalDouble behind,
            double rippleAmperes,
            double peakAmperes,
            boolean allowed) {}

    private static final double[] TIMES = {0.5, 0.7, 1, 1.5, 2, 3};

    /** Empty when the circuit has no such capacitor, or does not settle. */
    public static Optional<FilterChoices> of(SetFile file) {
        BenchSet set = file.set();
        PartRoles roles = new PartRoles(set.cards(), set.tubes().data());
        Optional<Part> reservoir = inRole(set, roles, NetworkRole.RESERVOIR_CAPACITOR)
                .filter(part -> part.workingValue().isPresent());
        Optional<Supply> supply = Supply.of(
                set, set.cards(), java.util.Map.of(), file.contents().bench().mode());
        if (reservoir.isEmpty() || supply.isEmpty()) {
            return Optional.empty();
        }
        List<Part> rectifiers = set.parts().stream()
                .filter(part -> roles.role(part.reference())
                        .filter(role -> role == NetworkRole.RECTIFIER_TUBE
                                || role == NetworkRole.RECTIFIER_SELENIUM
                                || role == NetworkRole.RECTIFIER_SILICON)
                        .isPresent())
                .toList();
        String plus = reservoir.get().nodes().get(0);
        Optional<Part> feeder = rectifiers.stream()
                .filter(part -> part.nodes().get(part.nodes().size() - 1).equals(plus))
                .findFirst()
                .or(() -> rectifiers.stream().findFirst());
        OptionalDouble most =
                limit(set, rectifiers, TubeLimits::reservoirFarads).min();
        Optional<Part> second = inRole(set, roles, NetworkRole.SECOND_FILTER_CAPACITOR);
        double original = reservoir.get().workingValue().orElseThrow();
        TreeSet<Double> values = new TreeSet<>(List.of(original));
        for (double times : TIMES) {
            double standard = StandardSeries.E6.nearest(times * original);
            if (Math.abs(standard / original - 1) > 0.2) {
                values.add(standard);
            }
        }
        List<Choice> choices = new ArrayList<>();
        for (double farads : values) {
            String name = reservoir.get().reference();
            supply.get()
                    .atWork(v -> farads == original ? v : v.with(name, farads))
                    .ifPresent(run -> choices.add(choice(
                            run, reservoir.get().card(), second.map(Part::card), rectifiers, farads, original, most)));
        }
        return choices.size() < 2
                ? Optional.empty()
                : Optional.of(new FilterChoices(
                        reservoir.get().reference(),
                        feeder.map(Part::reference).orElse(""),
                        most,
                        limit(set, rectifiers, TubeLimits::seriesOhms).max(),
                        feeder.map(part -> SeriesPath.ohms(
                                        set.cards(), part.nodes().get(0)))
                                .orElse(OptionalDouble.empty()),
                        choices));
    }

    private static DoubleStream limit(BenchSet set, List<Part> rectifiers, Function<TubeLimits, OptionalDouble> which) {
        return rectifiers.stream()
                .filter(set::isRectifier)
                .flatMap(part ->
                        set.tubes().data().type(TubeData.bare(part.card().model())).stream())
                .flatMapToDouble(type -> which.apply(type.limits()).stream());
    }

    private static Optional<Part> inRole(BenchSet set, PartRoles roles, NetworkRole wanted) {
        return set.parts().stream()
                .filter(part -> roles.role(part.reference())
                        .filter(role -> role == wanted)
                        .isPresent())
                .findFirst();
    }

    private static Choice choice(
            Supply.Run run,
            Card reservoir,
            Optional<Card> second,
            List<Part> rectifiers,
            double farads,
            double original,
            OptionalDouble most) {
        return new Choice(
                farads,
                farads == original,
                run.across(reservoir).orElse(0),
                ripple(run, reservoir).orElse(0),
                second.map(card -> ripple(run, card)).orElse(OptionalDouble.empty()),
                run.duty().rippleAmperes(reservoir.reference()).orElse(0),
                rectifiers.stream()
                        .flatMap(part -> run.duty().rectifier(part.reference()).stream())
                        .mapToDouble(flow -> flow.peak())
                        .max()
                        .orElse(0),
                most.isEmpty() || farads <= most.getAsDouble() * (1 + 1e-9));
    }

    /** Peak to peak at its end away from the common one [V]. */
    private static OptionalDouble ripple(Supply.Run run, Card card) {
        return run.ripple().stream()
                .flatMapToDouble(ripple ->
                        card.nodes().stream().filter(node -> !node.equals("0")).mapToDouble(ripple::peakToPeak))
                .max();
    }
}
