package org.umberdial.core.draft;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.function.Supplier;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckRefused;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.AtWork;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.tube.GlowTubes;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.core.tube.TubePoint;

/**
 * Brings a draft to where it should work, by solving it: the high-voltage winding for the wanted B+, the bias of a tube
 * that would run beyond its rating, and then the ratings of the parts for what they carry.
 */
final class Trim {
    private static final int ROUNDS = 7;
    private static final double NEAR = 0.02;
    /** A dropper of more belongs to a set that draws nothing [ohm]. */
    private static final double MOST_DROPPER = 47e3;
    /** Resistors come in steps. */
    private static final double DROPPED_NEAR = 0.05;

    /** No draft works a tube harder than this share of its rated dissipation. */
    private static final double RATED_SHARE = 0.95;

    private static final double[] WATTS = {0.5, 1, 2, 5, 10, 20, 50, 100};
    private static final double[] VOLTS = {25, 50, 150, 200, 250, 350, 400, 450, 600, 1000, 1600, 3000};

    private final Board board;
    private final Plan plan;
    private final TubeModels models;

    Trim(Board board, Plan plan, TubeModels models) {
        this.board = board;
        this.plan = plan;
        this.models = models;
    }

    /** Gives what could not be brought into order, each a sentence. */
    List<String> run(Supplier<Deck> deck) {
        List<String> says = new ArrayList<>();
        List<OperatingPoint> points = List.of();
        for (int round = 0; round < ROUNDS; round++) {
            points = solve(deck.get(), says);
            if (points.isEmpty()) {
                return says;
            }
            boolean changed = rewind(points.get(points.size() - 1));
            changed |= drop(points.get(points.size() - 1));
            for (OperatingPoint point : points) {
                changed |= cool(point);
            }
            if (!changed) {
                break;
            }
        }
        rate(points);
        points.forEach(point -> beyond(point, says));
        return says.stream().distinct().toList();
    }

    /** In every mode; nothing when one does not settle. */
    private List<OperatingPoint> solve(Deck deck, List<String> says) {
        List<OperatingPoint> points = new ArrayList<>();
        for (String mode : deck.modes().isEmpty() ? List.of("") : deck.modes()) {
            solve(deck, mode, says).ifPresent(points::add);
        }
        return points;
    }

    private Optional<OperatingPoint> solve(Deck deck, String mode, List<String> says) {
        try {
            Network network = Network.of(deck, models, mode);
            return new AtWork(network).solve(Values.nominal(network)).settled();
        } catch (DeckRefused refused) {
            says.add("The draft is not solved: " + refused.faults().get(0).text());
            return Optional.empty();
        }
    }

    /** Winds the high-voltage winding for the wanted B+; false when it is near enough. */
    private boolean rewind(OperatingPoint point) {
        Optional<Card> transformer = board.cards().stream()
                .filter(card -> card.reference().equals("XT2") && card.nodes().contains("hv_a"))
                .findFirst();
        double there = point.volts(plan.outputRail()).orElse(0);
        double wanted = plan.outputVolts();
        boolean gas = board.cards().stream()
                .anyMatch(card -> GlowTubes.law(card.model()).isPresent());
        // A gas rectifier's winding is as high as it needs to strike.
        if (gas || transformer.isEmpty() || !(there > 20) || Math.abs(there / wanted - 1) < NEAR) {
            return false;
        }
        double factor = Math.min(Math.max(wanted / there, 0.6), 1.6);
        Card card = transformer.get();
        Map<String, Double> parameters = new LinkedHashMap<>(card.parameters());
        for (int winding = 1; winding < card.nodes().size() / 2; winding++) {
            List<String> ends = card.nodes().subList(2 * winding, 2 * winding + 2);
            if (ends.contains("hv_a") || ends.contains("hv_b")) {
                parameters.computeIfPresent("V" + winding, (key, volts) -> Board.round(volts * factor, 3));
            }
        }
        board.replace(card.withParameters(parameters));
        return true;
    }

    /** Brings the small stages to their B+ by the resistor before them; false when they are near enough. */
    private boolean drop(OperatingPoint point) {
        Optional<Card> dropper = board.cards().stream()
                .filter(card -> card.letter() == 'R'
                        && card.nodes().equals(List.of(plan.outputRail(), Board.BPLUS))
                        && !card.kind().equals("switch"))
                .findFirst()
                .or(() -> board.cards().stream()
                        .filter(card -> card.letter() == 'R'
                                && card.nodes().equals(List.of(Board.RESERVOIR, Board.BPLUS))
                                && card.key("desc").orElse("").equals("filter"))
                        .findFirst());
        double there = point.volts(Board.BPLUS).orElse(0);
        if (dropper.isEmpty() || Math.abs(there / plan.bplusVolts() - 1) < DROPPED_NEAR) {
            return false;
        }
        double before = point.volts(dropper.get().nodes().get(0)).orElse(0);
        double ohms = ohms(dropper.get().reference());
        double factor = (before - plan.bplusVolts()) / Math.max(before - there, 1);
        double changed = Board.usual(Math.min(Math.max(ohms * Math.min(Math.max(factor, 0.3), 3), 100), MOST_DROPPER));
        board.revalue(dropper.get().reference(), changed);
        return changed != ohms;
    }

    /** Raises the bias of what runs too hot; false when nothing does. */
    private boolean cool(OperatingPoint point) {
        boolean changed = false;
        for (Card card : board.cards()) {
            String bias = board.coolers().get(card.reference());
            double share = ratedShare(card, point);
            if (bias != null && share > RATED_SHARE) {
                double ohms = ohms(bias);
                board.revalue(bias, Board.usual(ohms * Math.max(1.25, share)));
                changed = true;
            }
        }
        return changed;
    }

    private double ohms(String reference) {
        return board.cards().stream()
                .filter(card -> card.reference().equals(reference))
                .flatMap(card -> card.value().stream())
                .findFirst()
                .orElseThrow();
    }

    /** Says which tube such a set would work beyond its rating; then the line-up or the way it is fed is another. */
    private void beyond(OperatingPoint point, List<String> says) {
        for (Card card : board.cards()) {
            double across = amplifier(card).isPresent() ? across(card, point) : 0;
            double stands = rating(card, TubePoint::mostPlateVolts);
            double share = ratedShare(card, point);
            String tube = card.reference().replaceFirst("^X(V[0-9]+).*", "$1") + " "
                    + card.model().replaceFirst("_.*", "");
            if (across > stands * 1.001) {
                says.add(tube + " would stand " + Math.round(across) + " V at its plate, and is made for "
                        + Math.round(stands) + " V. The tubes do not go together, or the set is fed in another way.");
            } else if (share > 1.001) {
                says.add(tube + " would take " + Math.round(100 * share)
                        + " % of the watts its plate is made for. Look at its bias and its supply on the schematic.");
            }
        }
    }

    /** Plate dissipation over its rating; 0 without either. */
    private double ratedShare(Card card, OperatingPoint point) {
        return amplifier(card).isEmpty()
                ? 0
                : across(card, point)
                        * point.plateAmperes(card.reference()).orElse(0)
                        / rating(card, TubePoint::mostPlateWatts);
    }

    private Optional<Section> amplifier(Card card) {
        return card.kind().equals("tube")
                ? models.data().section(card.model(), card.nodes().size()).filter(Section::amplifies)
                : Optional.empty();
    }

    /** Plate to cathode [V]. */
    private static double across(Card card, OperatingPoint point) {
        return point.volts(card.nodes().get(0)).orElse(0)
                - point.volts(card.nodes().get(card.nodes().size() - 1)).orElse(0);
    }

    /** What an amplifying section is made for; endless where nothing is published. */
    private double rating(Card card, Function<TubePoint, OptionalDouble> published) {
        return amplifier(card).stream()
                .flatMap(section -> models.data().points(card.model(), section).stream())
                .map(published)
                .flatMapToDouble(OptionalDouble::stream)
                .findFirst()
                .orElse(Double.POSITIVE_INFINITY);
    }

    /** Watts of resistors at twice what they carry, volts of capacitors above what stands across them. */
    private void rate(List<OperatingPoint> points) {
        for (Card card : board.cards()) {
            if (card.letter() == 'R' && !card.kind().matches("switch|winding")) {
                double watts = points.stream()
                        .mapToDouble(point -> point.watts(card.reference()))
                        .max()
                        .orElse(0);
                put(card, "watt", next(WATTS, 2 * watts));
            } else if (card.letter() == 'C') {
                double across = points.stream()
                        .mapToDouble(point ->
                                Math.abs(point.volts(card.nodes().get(0)).orElse(0)
                                        - point.volts(card.nodes().get(1)).orElse(0)))
                        .max()
                        .orElse(0);
                boolean electrolytic = card.kind().equals("electrolytic");
                put(
                        card,
                        "volt",
                        next(VOLTS, electrolytic ? Math.max(1.25 * across, 10) : Math.max(1.6 * across, 200)));
            }
        }
    }

    private void put(Card card, String key, double value) {
        Map<String, String> keys = new LinkedHashMap<>();
        card.keys().forEach((name, text) -> {
            if (name.equals("desc")) {
                keys.put(key, text(value));
            }
            keys.put(name, text);
        });
        board.replace(card.withKeys(keys));
    }

    private static double next(double[] rated, double wanted) {
        for (double value : rated) {
            if (value >= wanted) {
                return value;
            }
        }
        return rated[rated.length - 1];
    }

    private static String text(double value) {
        return new java.math.BigDecimal(value).stripTrailingZeros().toPlainString();
    }
}
