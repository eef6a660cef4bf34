package org.umberdial.core.radio;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.role.PartRoles;
import org.umberdial.core.tube.TubeData;

/**
 * The way of a signal through a superhet, as its circuit says it: converter, cans and tubes of the intermediate
 * frequency, detector, first audio tube, output tube.
 *
 * @param converter card of the mixing section; empty when the circuit has none, or none that is known
 * @param cans in the signal's order, the first behind the converter
 * @param amplifiers cards of the tubes between the cans, in order
 * @param detector node at which the detected sound stands; empty when the circuit does not say
 * @param audio card of the first audio section
 * @param output card of the output tube; empty also where there are several, in push-pull
 * @param speaker card of the voice coil
 */
public record ReceiverChain(
        Optional<Card> converter,
        List<IfPair> cans,
        List<Card> amplifiers,
        Optional<String> detector,
        Optional<Card> audio,
        Optional<Card> output,
        Optional<Card> speaker) {
    private static final int PLATE = 0;

    public ReceiverChain {
        cans = List.copyOf(cans);
        amplifiers = List.copyOf(amplifiers);
    }

    public static ReceiverChain of(Deck deck, TubeData tubes) {
        return new Finder(deck, tubes).find();
    }

    /** Whether it has a converter: else there is no intermediate frequency. */
    public boolean superhet() {
        return converter.isPresent();
    }

    /** The node of a section's control grid. */
    public static String grid(Card section) {
        // Plate, (screen, (third grid,)) grid, cathode.
        return section.nodes().get(section.nodes().size() - 2);
    }

    /** Where the signal enters a converter: the grid that no oscillator holds. */
    public Optional<String> signalGrid(Deck deck) {
        return converter.map(card -> {
            if (card.nodes().size() < 5) {
                return grid(card);
            }
            String third = card.nodes().get(2);
            boolean thirdOscillates = deck.cards().stream()
                    .anyMatch(other -> other.letter() == 'X'
                            && other.key("role")
                                    .filter("oscillator"::equalsIgnoreCase)
                                    .isPresent()
                            && other.nodes().contains(third));
            return thirdOscillates ? grid(card) : third;
        });
    }

    private static final class Finder {
        private final Deck deck;
        private final PartRoles roles;
        private final Set<String> used = new HashSet<>();

        Finder(Deck deck, TubeData tubes) {
            this.deck = deck;
            roles = new PartRoles(deck.cards(), tubes);
        }

        ReceiverChain find() {
            Optional<Card> converter = first(
                    card -> is(card, NetworkRole.CONVERTER_TUBE) && card.nodes().size() == 5);
            List<IfPair> cans = new ArrayList<>();
            List<Card> amplifiers = new ArrayList<>();
            converter.ifPresent(card -> {
                // The coil in which the aerial's signal arrives is no can's.
                coils(node -> node.equals(grid(card))
                                || node.equals(card.nodes().get(2)))
                        .forEach(coil -> used.add(coil.reference()));
                follow(card, cans, amplifiers);
            });
            List<Card> outputs = all(card -> is(card, NetworkRole.OUTPUT_TUBE));
            return new ReceiverChain(
                    converter,
                    cans,
                    amplifiers,
                    detector(cans),
                    first(card -> is(card, NetworkRole.AUDIO_TRIODE)),
                    outputs.size() == 1 ? Optional.of(outputs.get(0)) : Optional.empty(),
                    first(card -> is(card, NetworkRole.SPEAKER_VOICE_COIL)));
        }

        private boolean is(Card card, NetworkRole role) {
            return roles.role(card.reference()).filter(role::equals).isPresent();
        }

        private Optional<Card> first(Predicate<Card> which) {
            return deck.cards().stream().filter(which).findFirst();
        }

        private List<Card> all(Predicate<Card> which) {
            return deck.cards().stream().filter(which).toList();
        }

        private List<Card> coils(Predicate<String> at) {
            return all(card -> card.letter() == 'L'
                    && !used.contains(card.reference())
                    && card.nodes().stream().anyMatch(at));
        }

        private void follow(Card from, List<IfPair> cans, List<Card> amplifiers) {
            String plate = from.nodes().get(PLATE);
            Optional<Card> primary = coils(plate::equals).stream().findFirst();
            if (primary.isEmpty()) {
                return;
            }
            used.add(primary.get().reference());
            Optional<Card> secondary = secondary(primary.get());
            if (secondary.isEmpty()) {
                cans.add(new IfPair(primary.get().reference(), "", plate, plate));
                return;
            }
            used.add(secondary.get().reference());
            String next = secondary.get().nodes().stream()
                    .filter(node -> amplifierAt(node).isPresent() || diodeAt(node))
                    .findFirst()
                    .orElseThrow();
            cans.add(new IfPair(primary.get().reference(), secondary.get().reference(), plate, next));
            amplifierAt(next).ifPresent(tube -> {
                amplifiers.add(tube);
                follow(tube, cans, amplifiers);
            });
        }

        /** Coupled by a card, else called alike, else the first that leads on. */
        private Optional<Card> secondary(Card primary) {
            List<Card> candidates = coils(node -> amplifierAt(node).isPresent() || diodeAt(node));
            Optional<Card> coupled = candidates.stream()
                    .filter(coil -> deck.cards().stream()
                            .anyMatch(card -> card.letter() == 'K'
                                    && holds(card, primary.reference())
                                    && holds(card, coil.reference())))
                    .findFirst();
            return coupled.or(() -> candidates.stream()
                            .filter(coil -> !stem(coil).isEmpty() && stem(coil).equals(stem(primary)))
                            .findFirst())
                    .or(() -> candidates.stream().findFirst());
        }

        private static boolean holds(Card coupling, String coil) {
            return coupling.nodes().stream().anyMatch(coil::equalsIgnoreCase);
        }

        /** What a coil is called without which of the two it is. */
        private static String stem(Card coil) {
            return coil.key("desc")
                    .map(words -> words.toLowerCase(Locale.ROOT)
                            .replaceAll("primary|secondary|plate|grid|diode", "")
                            .replaceAll("[^a-z0-9]+", " ")
                            .strip())
                    .orElse("");
        }

        private Optional<Card> amplifierAt(String grid) {
            return first(card -> is(card, NetworkRole.IF_TUBE) && grid(card).equals(grid));
        }

        private boolean diodeAt(String node) {
            return deck.cards().stream()
                    .anyMatch(card -> is(card, NetworkRole.DETECTOR_DIODE)
                            && card.nodes().get(PLATE).equals(node));
        }

        private Optional<String> detector(List<IfPair> cans) {
            return cans.stream()
                    .filter(can -> diodeAt(can.next()))
                    .findFirst()
                    .flatMap(can -> first(card -> card.reference().equals(can.secondary()))
                            .map(coil -> coil.nodes().get(coil.nodes().get(0).equals(can.next()) ? 1 : 0)));
        }
    }
}
