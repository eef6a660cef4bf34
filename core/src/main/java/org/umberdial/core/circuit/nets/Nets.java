package org.umberdial.core.circuit.nets;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeData;

/** What the nodes of a network are, told from what is joined to them; their names do not count. */
public final class Nets {
    public static final String GROUND = "0";
    /** A filter capacitor has at least this [F]. */
    private static final double FILTER_FARADS = 1e-6;
    /** A coil in the supply has at least this [H]. */
    private static final double CHOKE_HENRIES = 0.5;
    /** What keeps a slow node still [F]. */
    private static final double SLOW_FARADS = 22e-9;
    /** What stands before a slow node [ohm]. */
    private static final double SLOW_OHMS = 90e3;

    private final List<Card> cards;
    private final TubeData tubes;
    private final Map<String, List<Card>> at = new LinkedHashMap<>();
    private final Set<String> electrodes = new HashSet<>();
    private final Set<String> rails = new HashSet<>();
    private final Set<String> slow = new HashSet<>();
    private final Set<String> heaterNodes = new HashSet<>();

    /** @param cards those of a circuit */
    public Nets(List<Card> cards, TubeData tubes) {
        this.cards = cards;
        this.tubes = tubes;
        for (Card card : cards) {
            card.nodes().stream()
                    .distinct()
                    .forEach(node ->
                            at.computeIfAbsent(node, n -> new ArrayList<>()).add(card));
            section(card).filter(Section::amplifies).ifPresent(section -> {
                for (int i = 0; i < card.nodes().size(); i++) {
                    if (section.electrodes().get(i) != Electrode.SCREEN) {
                        electrodes.add(card.nodes().get(i));
                    }
                }
            });
            if (isHeater(card)) {
                heaterNodes.addAll(card.nodes());
            }
        }
        heaterNodes.remove(GROUND);
        findRails();
        findSlow();
    }

    /** The cards at a node. */
    public List<Card> at(String node) {
        return at.getOrDefault(node, List.of());
    }

    /** The electrode system a card stands for; empty for anything else, and for an eye. */
    public Optional<Section> section(Card card) {
        return card.letter() == 'X' && card.kind().equals("tube") && !isEye(card)
                ? tubes.section(card.model(), card.nodes().size())
                : Optional.empty();
    }

    /** Whether it is a tuning eye. */
    public static boolean isEye(Card card) {
        return TubeData.suffix(card.model()).equals("E");
    }

    /** Whether it is a tube's heater. */
    public boolean isHeater(Card card) {
        return card.kind().equals("heater") || TubeData.suffix(card.model()).equals("H");
    }

    /** Whether it feeds stages. */
    public boolean isRail(String node) {
        return rails.contains(node);
    }

    /** Whether a capacitor keeps it still behind a high resistance: AVC, bias. */
    public boolean isSlow(String node) {
        return slow.contains(node);
    }

    /** Whether it is node 0. */
    public boolean isGround(String node) {
        return node.equals(GROUND);
    }

    /** Whether an electrode other than a screen is there. */
    public boolean isElectrode(String node) {
        return electrodes.contains(node);
    }

    /** Whether a heater ends there, ground apart. */
    public boolean isHeaterNode(String node) {
        return heaterNodes.contains(node);
    }

    /** The cathodes of the supply's rectifiers, and the plus of a battery. */
    public List<String> sources() {
        List<String> sources = new ArrayList<>();
        for (Card card : cards) {
            if (rectifies(card)) {
                String cathode = card.nodes().get(card.nodes().size() - 1);
                boolean anodeToo = cards.stream()
                        .anyMatch(other -> rectifies(other)
                                && other.nodes()
                                        .subList(0, other.nodes().size() - 1)
                                        .contains(cathode));
                if (!anodeToo && !isGround(cathode)) {
                    sources.add(cathode);
                }
            } else if (card.letter() == 'V' && card.hertz() == 0 && card.value().orElse(0.0) > 20) {
                sources.add(card.nodes().get(0));
            }
        }
        return sources.stream().distinct().toList();
    }

    /** A diode or rectifier that reaches an alternating source without passing ground. */
    public boolean rectifies(Card card) {
        boolean diode = card.letter() == 'D'
                || card.model().equals("SELENIUM")
                || section(card)
                        .filter(s -> s == Section.DIODE || s == Section.FULL_WAVE)
                        .isPresent()
                || card.letter() == 'X'
                        && card.kind().equals("tube")
                        && card.nodes().size() == 3
                        && section(card).filter(Section::amplifies).isEmpty();
        if (!diode) {
            return false;
        }
        return card.nodes().subList(0, card.nodes().size() - 1).stream().anyMatch(this::reachesSource);
    }

    private boolean reachesSource(String from) {
        Set<String> seen = new HashSet<>(List.of(GROUND, from));
        List<String> open = new ArrayList<>(List.of(from));
        while (!open.isEmpty()) {
            String node = open.remove(open.size() - 1);
            for (Card card : at(node)) {
                if (card.letter() == 'V' && card.hertz() > 0) {
                    return true;
                }
                boolean passes = card.letter() == 'R' && card.value().orElse(1e9) <= 10e3
                        || card.letter() == 'L' && card.value().orElse(0.0) >= CHOKE_HENRIES
                        || card.letter() == 'C' && card.value().orElse(0.0) >= FILTER_FARADS
                        || card.model().equals("XFMR")
                        || isHeater(card)
                        || card.model().equals("LAMP");
                if (passes) {
                    card.nodes().stream().filter(seen::add).forEach(open::add);
                }
            }
        }
        return false;
    }

    private void findRails() {
        List<String> open = new ArrayList<>(sources());
        rails.addAll(open);
        while (!open.isEmpty()) {
            String node = open.remove(0);
            for (Card card : at(node)) {
                boolean leads = card.letter() == 'R' && card.nodes().size() == 2
                        || card.letter() == 'L' && card.value().orElse(0.0) >= CHOKE_HENRIES;
                String other = leads ? other(card, node) : GROUND;
                if (!isGround(other) && !rails.contains(other) && !electrodes.contains(other) && feeds(other)) {
                    rails.add(other);
                    open.add(other);
                }
            }
        }
    }

    /** A filter capacitor and something behind it, or two loads. */
    private boolean feeds(String node) {
        boolean filtered = at(node).stream()
                .anyMatch(card -> card.letter() == 'C' && card.value().orElse(0.0) >= FILTER_FARADS);
        long loads = at(node).stream()
                .filter(card -> card.letter() == 'R'
                        || card.letter() == 'L'
                        || card.model().equals("XFMR"))
                .count();
        return filtered && loads >= 2 || loads >= 3;
    }

    private void findSlow() {
        for (String node : at.keySet()) {
            boolean still = at(node).stream()
                    .anyMatch(card -> card.letter() == 'C'
                            && card.value().orElse(0.0) >= SLOW_FARADS
                            && isGround(other(card, node)));
            boolean fed = at(node).stream()
                    .anyMatch(card -> card.letter() == 'R' && card.value().orElse(0.0) >= SLOW_OHMS);
            if (still && fed && !rails.contains(node) && !electrodes.contains(node)) {
                slow.add(node);
            }
        }
    }

    /** The far end of a card of two ends. */
    public static String other(Card card, String node) {
        return card.nodes().get(0).equals(node)
                ? card.nodes().get(card.nodes().size() - 1)
                : card.nodes().get(0);
    }

    /** Whether a card has two ends, at two nodes. */
    public boolean isTwoEnded(Card card) {
        return card.nodes().size() == 2
                && !card.nodes().get(0).equals(card.nodes().get(1))
                && card.letter() != 'K';
    }
}
