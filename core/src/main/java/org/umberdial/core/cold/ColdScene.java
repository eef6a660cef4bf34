package org.umberdial.core.cold;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.circuit.cold.ColdOhms;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckRefused;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.AtWork;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.instrument.Kit;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.SupplyLabel;

/** A set with everything a cold test may ask about it. What costs time is worked out when first asked for. */
public final class ColdScene {
    private final BenchSet set;
    private final SupplyLabel label;
    private final HousePolicy policy;
    private final String mode;
    private final Kit kit;
    private final LineChain chain;
    private final Roles roles;
    private final List<Transformer> transformers;
    private final Map<String, Map<String, Double>> charts = new HashMap<>();
    private Optional<Network> network;
    private Optional<OperatingPoint> atWork;

    /** Read with instruments of which nothing is known. */
    public ColdScene(BenchSet set, SupplyLabel label, HousePolicy policy, String mode) {
        this(set, label, policy, mode, new Kit(List.of()));
    }

    /**
     * @param mode band or mode; empty when the set has only one
     * @param kit what it is read with
     */
    public ColdScene(BenchSet set, SupplyLabel label, HousePolicy policy, String mode, Kit kit) {
        this.kit = kit;
        this.set = set;
        this.label = label;
        this.policy = policy;
        this.mode = mode;
        chain = LineChain.of(set);
        roles = Roles.of(set, chain);
        transformers = Transformer.in(set);
    }

    public BenchSet set() {
        return set;
    }

    public SupplyLabel label() {
        return label;
    }

    public HousePolicy policy() {
        return policy;
    }

    /** What the bench measures with. */
    public Kit kit() {
        return kit;
    }

    public LineChain chain() {
        return chain;
    }

    public Roles roles() {
        return roles;
    }

    public Optional<Transformer> power() {
        return transformers.stream().filter(Transformer::power).findFirst();
    }

    public Optional<Transformer> output() {
        return transformers.stream().filter(t -> !t.power()).findFirst();
    }

    /** Line voltage the set stands on [V]: its selector, else its circuit, else the shop's. */
    public double lineVolts() {
        return label.expectedLine()
                .orElseGet(() -> set.cards().stream()
                        .filter(card -> card.kind().equals("line"))
                        .findFirst()
                        .flatMap(card -> card.value())
                        .orElse(policy.lineVolts()));
    }

    /**
     * Cold resistance between two nodes by the whole network [Ω], infinite when nothing connects; empty without a
     * circuit.
     */
    public synchronized OptionalDouble ohms(String a, String b) {
        return network().isEmpty() || network.get().node(a).isEmpty() && !a.equals("0")
                ? OptionalDouble.empty()
                : value(charts.computeIfAbsent(b, this::chart).get(a));
    }

    private Map<String, Double> chart(String from) {
        try {
            return new ColdOhms(Values.nominal(network.orElseThrow())).chart(from);
        } catch (IllegalArgumentException noSuchNode) {
            return Map.of();
        }
    }

    /**
     * What each part's being open would make of the resistance between two nodes, where it changes it by a tenth or
     * more.
     */
    public synchronized Map<String, Double> ifOpen(String a, String b) {
        Map<String, Double> changed = new LinkedHashMap<>();
        OptionalDouble healthy = ohms(a, b);
        if (healthy.isPresent() && Double.isFinite(healthy.getAsDouble())) {
            Values nominal = Values.nominal(network.orElseThrow());
            for (String part : Values.parts(network.get())) {
                double ohms = new ColdOhms(nominal.opened(part)).between(a, b);
                if (Math.abs(ohms - healthy.getAsDouble()) > 0.1 * healthy.getAsDouble()) {
                    changed.put(part, ohms);
                }
            }
        }
        return changed;
    }

    /** Resistance between two nodes with one part open, which is what the part in place is in parallel with [Ω]. */
    public synchronized OptionalDouble ohmsWithout(String part, String a, String b) {
        if (network().isEmpty() || !Values.parts(network.get()).contains(part)) {
            return OptionalDouble.empty();
        }
        return OptionalDouble.of(new ColdOhms(Values.nominal(network.get()).opened(part)).between(a, b));
    }

    private static OptionalDouble value(Double ohms) {
        return ohms == null || ohms.isNaN() ? OptionalDouble.empty() : OptionalDouble.of(ohms);
    }

    private Optional<Network> network() {
        if (network == null) {
            network = set.parts().isEmpty() || !set.unread().isEmpty() ? Optional.empty() : compile(set);
        }
        return network;
    }

    private Optional<Network> compile(BenchSet changed) {
        try {
            return Optional.of(Network.of(
                    new Deck(
                            "",
                            changed.cards(),
                            changed.models(),
                            changed.sockets(),
                            List.of(),
                            changed.modes(),
                            List.of()),
                    changed.tubes(),
                    mode));
        } catch (DeckRefused refused) {
            return Optional.empty();
        }
    }

    /** The healthy set at its own line voltage; empty when its circuit does not settle. */
    public synchronized Optional<OperatingPoint> atWork() {
        if (atWork == null) {
            atWork = network()
                    .filter(n -> !n.sources().isEmpty())
                    .flatMap(n -> new AtWork(n).solve(Values.nominal(n)).settled());
        }
        return atWork;
    }

    /** Another circuit of the same set at work, with a part changed. */
    public Optional<OperatingPoint> atWork(BenchSet changed) {
        return compile(changed)
                .flatMap(n -> new AtWork(n).solve(Values.nominal(n)).settled());
    }

    /**
     * What the rectifiers deliver: plates and screens of all other tubes at the real voltages [A]; empty without a
     * solution.
     */
    public OptionalDouble supplyAmperes() {
        return atWork().map(point -> {
                    double sum = 0;
                    for (var tube : point.network().amplifiers()) {
                        sum += Math.max(0, point.plateAmperes(tube.part()).orElse(0))
                                + Math.max(0, point.screenAmperes(tube.part()).orElse(0));
                    }
                    return OptionalDouble.of(sum);
                })
                .orElse(OptionalDouble.empty());
    }

    /**
     * RMS current of a winding of the power transformer when the healthy set works [A]; empty without a solution.
     *
     * @param winding in the order of its card, 0 for the primary
     */
    public OptionalDouble windingAmperes(int winding) {
        return power().isEmpty() || atWork().isEmpty()
                ? OptionalDouble.empty()
                : atWork().get().windingAmperes(power().get().part().reference(), winding);
    }
}
