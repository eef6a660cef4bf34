package org.umberdial.core.diagnosis;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Source;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.set.Part;

/**
 * One thing in which a healthy set differs from the next of its kind.
 *
 * @param up the set with it one deviation up
 */
record Spread(String of, UnaryOperator<Values> up) {
    /** A part within its tolerance is within two deviations. */
    private static final double SIGMAS_OF_TOLERANCE = 2;

    private static final double USUAL = 0.2;
    private static final double EMISSION = 0.12;
    private static final double LINE = 0.01;

    /** Of every part with a value that direct current meets, of every tube, and of the line. */
    static List<Spread> of(Network network, List<Part> parts) {
        List<Spread> all = new ArrayList<>();
        for (Part part : parts) {
            Card card = part.card();
            Optional<Double> value = card.value().filter(v -> v > 0);
            boolean carries = card.letter() == 'R' && !card.kind().equals("switch")
                    || card.letter() == 'C' && value.orElse(0.0) >= 1e-6;
            if (carries && value.isPresent()) {
                double width = part.unconfirmed() ? USUAL : part.tolerance().fraction() / SIGMAS_OF_TOLERANCE;
                all.add(new Spread(
                        card.reference(), values -> values.with(card.reference(), value.get() * (1 + width))));
            }
        }
        for (Amplifier tube : network.amplifiers()) {
            if (tube.bipolar().isEmpty()) {
                // Full emission is as much as there is; what is less of it moves a set as far as what is more.
                all.add(new Spread(tube.part(), values -> values.emitting(tube.part(), 1 + EMISSION)));
            }
        }
        network.junctions().stream()
                .filter(junction -> junction.heat() >= 0)
                .map(junction -> junction.part())
                .distinct()
                .forEach(part -> all.add(new Spread(part, values -> values.emitting(part, 1 + EMISSION))));
        for (int i = 0; i < network.sources().size(); i++) {
            Source source = network.sources().get(i);
            int number = i;
            if (source.isLine()) {
                all.add(new Spread(
                        source.part(), values -> values.with(source.part(), values.volts()[number] * (1 + LINE))));
            }
        }
        return List.copyOf(all);
    }
}
