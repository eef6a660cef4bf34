package org.umberdial.core.power;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.nets.Nets;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Branch;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;

/** What of a set's circuit matters when it is first given power. */
final class PowerScene {
    /** What rectifies its supply; it decides what a ramp does. */
    enum Rectifier {
        /** Nothing comes out of it before its heater is hot. */
        TUBE,
        /** Silicon, selenium, or a tube that needs no heater: it conducts from the first volt. */
        METAL,
        NONE
    }

    /**
     * A supply voltage with a capacitor on it.
     *
     * @param node plus end
     * @param minus other end
     * @param healthyVolts at work on the line [V]
     * @param capacitors that stand there
     * @param most volts that all of them stand [V]; 0 when one of them has no rating
     */
    record Rail(String node, String minus, String name, double healthyVolts, List<String> capacitors, double most) {}

    /** @param ohms of the resistor or of the coil's wire [Ω] */
    record Drop(String part, String name, String from, String to, double ohms) {}

    private static final double LARGE_FARADS = 1e-6;
    private static final double LEAST_RAIL_VOLTS = 20;
    private static final double LEAST_DROP_VOLTS = 1;
    private static final int MOST_RAILS = 3;

    private final BenchSet set;
    private final Network network;
    private final Nets nets;
    private final double line;
    private final OperatingPoint healthy;
    private final List<Rail> rails;
    private final Optional<Drop> drop;

    private PowerScene(BenchSet set, Network network, double line, OperatingPoint healthy) {
        this.set = set;
        this.network = network;
        this.nets = new Nets(set.cards(), set.tubes().data());
        this.line = line;
        this.healthy = healthy;
        rails = findRails();
        drop = findDrop();
    }

    /**
     * @param line at the plug [V RMS]
     * @return empty when the circuit is not whole, has no line, or does not settle
     */
    static Optional<PowerScene> of(BenchSet set, String mode, double line) {
        return HealthySet.of(set, mode)
                .filter(h -> h.network().line().isPresent())
                .flatMap(healthy -> {
                    double fed = healthy.fedWith(line);
                    return healthy.point(fed).map(point -> new PowerScene(set, healthy.network(), fed, point));
                });
    }

    private List<Rail> findRails() {
        Map<String, List<Card>> at = new HashMap<>();
        for (Card card : set.cards()) {
            if (card.letter() == 'C' && card.value().orElse(0.0) >= LARGE_FARADS && across(card) >= LEAST_RAIL_VOLTS) {
                at.computeIfAbsent(plus(card), n -> new ArrayList<>()).add(card);
            }
        }
        return at.entrySet().stream()
                .filter(e -> nets.isRail(e.getKey()) || e.getValue().stream().anyMatch(c -> nets.isRail(minus(c))))
                .map(e -> rail(e.getKey(), e.getValue()))
                .sorted(Comparator.comparingDouble(Rail::healthyVolts).reversed())
                .limit(MOST_RAILS)
                .toList();
    }

    private Rail rail(String node, List<Card> capacitors) {
        String minus = minus(capacitors.get(0));
        List<Optional<Double>> ratings = capacitors.stream()
                .map(card -> set.part(card.reference()).flatMap(Part::ratingVolts))
                .toList();
        return new Rail(
                node,
                minus,
                set.nameOf(node),
                across(capacitors.get(0)),
                capacitors.stream().map(Card::reference).toList(),
                ratings.stream().allMatch(Optional::isPresent)
                        ? ratings.stream()
                                .mapToDouble(Optional::orElseThrow)
                                .min()
                                .orElse(0)
                        : 0);
    }

    private double dc(String node) {
        return node.equals(Nets.GROUND) ? 0 : healthy.volts(node).orElse(0);
    }

    private double across(Card card) {
        return Math.abs(dc(card.nodes().get(0)) - dc(card.nodes().get(1)));
    }

    private String plus(Card card) {
        boolean first = dc(card.nodes().get(0)) >= dc(card.nodes().get(1));
        return card.nodes().get(first ? 0 : 1);
    }

    private String minus(Card card) {
        return Nets.other(card, plus(card));
    }

    /** The filter part between two rails that stands nearest to the rectifier: most of the current flows through it. */
    private Optional<Drop> findDrop() {
        List<String> nodes = rails.stream().map(Rail::node).toList();
        return set.cards().stream()
                .filter(card -> card.nodes().size() == 2 && nodes.containsAll(card.nodes()))
                .filter(card -> "RL".indexOf(card.letter()) >= 0 && across(card) >= LEAST_DROP_VOLTS && ohms(card) > 0)
                .max(Comparator.comparingDouble(card -> dc(plus(card))))
                .map(card -> new Drop(card.reference(), called(card.reference()), plus(card), minus(card), ohms(card)));
    }

    private double ohms(Card card) {
        return network.branches().stream()
                .filter(branch -> branch.part().equals(card.reference()))
                .mapToDouble(Branch::ohms)
                .filter(ohms -> ohms > 0 && !Double.isInfinite(ohms))
                .findFirst()
                .orElse(0);
    }

    BenchSet set() {
        return set;
    }

    Network network() {
        return network;
    }

    Nets nets() {
        return nets;
    }

    /** At the plug [V RMS]. */
    double line() {
        return line;
    }

    /** The highest first, at most three. */
    List<Rail> rails() {
        return rails;
    }

    Optional<Drop> drop() {
        return drop;
    }

    OperatingPoint healthy() {
        return healthy;
    }

    /** A node's volts in the healthy set at work, against node 0. */
    OptionalDouble volts(String node) {
        return node.equals(Nets.GROUND) ? OptionalDouble.of(0) : healthy.volts(node);
    }

    /** {@code R2, filter}. */
    String called(String reference) {
        return set.part(reference)
                .map(Part::description)
                .filter(words -> !words.isBlank())
                .map(words -> reference.replaceFirst("^X(?=[A-Z])", "") + ", " + words)
                .orElse(reference.replaceFirst("^X(?=[A-Z])", ""));
    }

    /** Cards that rectify the supply. */
    List<Card> rectifiers() {
        return set.cards().stream().filter(nets::rectifies).toList();
    }

    Rectifier rectifier() {
        List<Card> all = rectifiers();
        if (all.isEmpty()) {
            return Rectifier.NONE;
        }
        return all.stream().allMatch(this::heated) ? Rectifier.TUBE : Rectifier.METAL;
    }

    private boolean heated(Card card) {
        return network.junctions().stream().anyMatch(j -> j.part().equals(card.reference()) && j.heat() >= 0);
    }

    /** The heater of a rectifier tube, if it has one of its own in the circuit. */
    Optional<String> rectifierHeater() {
        return network.junctions().stream()
                .filter(j -> j.heat() >= 0
                        && rectifiers().stream().anyMatch(c -> c.reference().equals(j.part())))
                .map(j -> network.heats().get(j.heat()).part())
                .findFirst();
    }

    /** Whether heaters hang one behind the other, so that one open or pulled tube darkens all. */
    boolean series() {
        return set.cards().stream()
                .filter(nets::isHeater)
                .flatMap(card -> card.nodes().stream())
                .filter(node -> !node.equals(Nets.GROUND))
                .anyMatch(node -> nets.at(node).stream().filter(nets::isHeater).count() == 2
                        && nets.at(node).stream()
                                .noneMatch(card -> card.model().equals("XFMR") || card.letter() == 'V'));
    }

    /** A coil of the speaker that the supply flows through: without its plug the rail is open. */
    Optional<String> fieldCoil() {
        return set.cards().stream()
                .filter(card -> card.letter() == 'L')
                .filter(card -> card.key("desc")
                        .filter(words -> words.toLowerCase(Locale.ROOT).contains("field"))
                        .isPresent())
                .map(Card::reference)
                .findFirst();
    }

    /** What plates and screens take in the healthy set [A]. */
    double loadAmperes() {
        return network.amplifiers().stream()
                .mapToDouble(a -> healthy.plateAmperes(a.part()).orElse(0)
                        + healthy.screenAmperes(a.part()).orElse(0))
                .sum();
    }

    /** Sections whose plate feeds an output transformer. */
    List<Amplifier> outputs() {
        return network.amplifiers().stream()
                .filter(a -> a.bipolar().isEmpty())
                .filter(a -> set.cards().stream()
                        .anyMatch(card ->
                                card.model().equals("XFMR") && card.nodes().contains(name(a.plate()))))
                .toList();
    }

    String name(int node) {
        return node < 0 ? Nets.GROUND : network.names().get(node);
    }

    /** Capacitors from a plate or rail to a control grid: a leak there drives the tube. */
    List<Card> gridFeeding() {
        List<String> grids =
                network.amplifiers().stream().map(a -> name(a.grid())).toList();
        return set.cards().stream()
                .filter(card -> card.letter() == 'C' && card.nodes().size() == 2)
                .filter(card -> card.nodes().stream().anyMatch(grids::contains))
                .filter(card -> across(card) >= LEAST_RAIL_VOLTS)
                .toList();
    }

    /** Parts whose value nobody has compared with this set. */
    long usual() {
        return set.parts().stream().filter(Part::unconfirmed).count();
    }
}
