package org.umberdial.core.circuit.network;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.IntStream;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckRefused;
import org.umberdial.core.tube.TubeModels;

/** A set's circuit in one mode, compiled for solving. Immutable. */
public final class Network {
    /** A direct current: from {@code a} through the source into {@code b}. */
    public record Injection(String part, int a, int b, double amperes) {}

    /** When a fault lets the line in, capacitors from here on are followed through its cycle [F]. */
    private static final double FOLLOWED_FARADS = 1e-9;

    private final List<String> names;
    private final int namedNodes;
    private final List<Branch> branches;
    private final List<Store> stores;
    private final List<Magnet> magnets;
    private final List<Heat> heats;
    private final List<Junction> junctions;
    private final List<Amplifier> amplifiers;
    private final List<Source> sources;
    private final List<Eye> eyes;
    private final List<Injection> injections;
    private final String mode;
    private final List<String> notes;
    private final double highestPeak;
    private final Map<String, Integer> index = new HashMap<>();

    Network(NetworkBuilder from, String mode) {
        names = List.copyOf(from.names);
        namedNodes = from.namedNodes;
        branches = List.copyOf(from.branches);
        stores = List.copyOf(from.stores);
        magnets = List.copyOf(from.magnets);
        heats = List.copyOf(from.heats);
        junctions = List.copyOf(from.junctions);
        amplifiers = List.copyOf(from.amplifiers);
        sources = List.copyOf(from.sources);
        eyes = List.copyOf(from.eyes);
        injections = List.copyOf(from.injections);
        notes = List.copyOf(from.notes);
        this.mode = mode;
        highestPeak = from.highestPeak;
        for (int i = 0; i < names.size(); i++) {
            index.put(names.get(i), i);
        }
    }

    private Network(Network from, Set<Integer> junctionsToo, Set<Integer> amplifiersToo) {
        names = from.names;
        namedNodes = from.namedNodes;
        branches = from.branches;
        stores = from.stores.stream()
                .map(store -> store.farads() >= FOLLOWED_FARADS ? store.cycled() : store)
                .toList();
        magnets = from.magnets;
        heats = from.heats;
        junctions = IntStream.range(0, from.junctions.size())
                .mapToObj(i -> junctionsToo.contains(i) ? from.junctions.get(i).driven() : from.junctions.get(i))
                .toList();
        amplifiers = IntStream.range(0, from.amplifiers.size())
                .mapToObj(
                        i -> amplifiersToo.contains(i) ? from.amplifiers.get(i).driven() : from.amplifiers.get(i))
                .toList();
        sources = from.sources;
        eyes = from.eyes;
        injections = from.injections;
        notes = from.notes;
        mode = from.mode;
        highestPeak = from.highestPeak;
        index.putAll(from.index);
    }

    /**
     * The same with more of it followed through the line's cycle: what a fault lets the line reach that does not reach
     * it in the sound set.
     *
     * @param junctionsToo numbers of junctions
     * @param amplifiersToo numbers of amplifiers
     */
    public Network following(Set<Integer> junctionsToo, Set<Integer> amplifiersToo) {
        return new Network(this, junctionsToo, amplifiersToo);
    }

    /**
     * Compiles a deck.
     *
     * @param mode one of the deck's modes, or empty for its default
     * @throws DeckRefused when a part cannot be taken; every fault with its line
     */
    public static Network of(Deck deck, TubeModels tubes, String mode) {
        String chosen = mode.isEmpty() && !deck.modes().isEmpty() ? deck.modes().get(0) : mode;
        if (!chosen.isEmpty() && deck.modes().stream().noneMatch(chosen::equalsIgnoreCase)) {
            throw new DeckRefused(List.of(new DeckRefused.Fault(
                    0,
                    "the deck has no mode " + chosen
                            + (deck.modes().isEmpty()
                                    ? "; it has only one, leave the mode out."
                                    : "; it has " + String.join(", ", deck.modes()) + "."))));
        }
        return new NetworkBuilder(deck, tubes, chosen).build();
    }

    /**
     * Node names in the deck's order of mention, the reference left out; inner nodes of parts come after
     * {@link #namedNodes}.
     */
    public List<String> names() {
        return names;
    }

    /** How many of {@link #names} stand in the deck. */
    public int namedNodes() {
        return namedNodes;
    }

    /** The number of a node; -1 for the reference node {@code 0}, empty when there is none of that name. */
    public OptionalInt node(String name) {
        return name.equals("0")
                ? OptionalInt.of(-1)
                : Optional.ofNullable(index.get(name)).map(OptionalInt::of).orElse(OptionalInt.empty());
    }

    public List<Branch> branches() {
        return branches;
    }

    public List<Store> stores() {
        return stores;
    }

    public List<Magnet> magnets() {
        return magnets;
    }

    public List<Heat> heats() {
        return heats;
    }

    public List<Junction> junctions() {
        return junctions;
    }

    public List<Amplifier> amplifiers() {
        return amplifiers;
    }

    public Collection<Injection> injections() {
        return injections;
    }

    public List<Eye> eyes() {
        return eyes;
    }

    public List<Source> sources() {
        return sources;
    }

    /** The line's nominal RMS volts, empty for a set without one. */
    public Optional<Source> line() {
        return sources.stream().filter(Source::isLine).findFirst();
    }

    /** The most that the line's alternating voltage puts at any node while no rectifier conducts [V peak]. */
    public double highestPeak() {
        return highestPeak;
    }

    public String mode() {
        return mode;
    }

    /** What was passed over or assumed, for the person who loaded the deck. */
    public List<String> notes() {
        return notes;
    }
}
