package org.umberdial.core.recap;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.Wired;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * The wires somebody noted, against the circuit: whether what each joins is one point there, and whether its insulation
 * stands what can be there on a high line.
 */
public final class Wiring {
    /**
     * One wire.
     *
     * @param entry id of the log's entry
     * @param doubt what is wrong with it, a sentence; empty when nothing is, or nothing tells
     * @param says what was looked at, a sentence; empty when nothing tells
     * @param checked whether its insulation was compared with what can be there
     */
    public record Wire(String entry, Wired wired, String doubt, String says, boolean checked) {}

    private static final double LINE_HIGH = 1.1;

    private final BenchSet set;
    private final Optional<HealthySet> healthy;
    private final Map<String, OptionalDouble> known = new HashMap<>();

    private Wiring(SetFile file) {
        set = file.set();
        healthy = HealthySet.of(set, file.contents().bench().mode());
    }

    /** In the order they were noted. */
    public static List<Wire> of(SetFile file) {
        Wiring wiring = new Wiring(file);
        return file.log().standing(Wired.class).stream().map(wiring::wire).toList();
    }

    private Wire wire(EvidenceLog.Standing<Wired> noted) {
        Wired wired = noted.fact();
        Optional<String> from = node(wired.from());
        Optional<String> to = node(wired.to());
        if (from.filter(this::guessed).isPresent() || to.filter(this::guessed).isPresent()) {
            return new Wire(
                    noted.id(),
                    wired,
                    "",
                    "The circuit there is as such sets usually have it: compared once it is this set’s own.",
                    false);
        }
        if (from.isPresent() && to.isPresent() && !from.equals(to)) {
            return new Wire(
                    noted.id(),
                    wired,
                    "In the circuit these are two points: " + wired.from() + " is " + set.nameOf(from.get()) + ", "
                            + wired.to() + " is " + set.nameOf(to.get()) + ".",
                    "",
                    false);
        }
        List<String> ends = new ArrayList<>();
        from.ifPresent(ends::add);
        to.ifPresent(ends::add);
        OptionalDouble peak =
                ends.stream().flatMapToDouble(node -> peak(node).stream()).max();
        if (peak.isEmpty()) {
            return new Wire(noted.id(), wired, "", "The circuit does not say what stands there: not checked.", false);
        }
        String there = Engineering.print(peak.getAsDouble(), Unit.VOLT) + " can stand there on a high line";
        if (!(wired.ratedVolts() > 0)) {
            return new Wire(noted.id(), wired, "", there + "; nobody said what its insulation stands.", false);
        }
        return wired.ratedVolts() < peak.getAsDouble()
                ? new Wire(
                        noted.id(),
                        wired,
                        there + ", and its insulation stands " + Engineering.round(wired.ratedVolts(), Unit.VOLT)
                                + ": take one that stands more.",
                        "",
                        true)
                : new Wire(noted.id(), wired, "", there + ".", true);
    }

    /** Whether what meets there is as such sets usually have it; a guess accuses no wire. */
    private boolean guessed(String node) {
        return !node.equals("0")
                && set.parts().stream()
                        .anyMatch(part -> part.unconfirmed() && part.nodes().contains(node));
    }

    /** The node of a pin as in {@code V3.5}, or of a point by its name. */
    private Optional<String> node(String end) {
        String plain = end.strip();
        int dot = plain.indexOf('.');
        if (dot > 0) {
            String socket = plain.substring(0, dot);
            String pin = plain.substring(dot + 1);
            Optional<String> pinned = set.sockets().stream()
                    .filter(one -> one.socket().equalsIgnoreCase(socket))
                    .map(Deck.SocketPins::pins)
                    .flatMap(pins -> pins.entrySet().stream())
                    .filter(e -> e.getKey().equalsIgnoreCase(pin))
                    .map(Map.Entry::getValue)
                    .findFirst();
            if (pinned.isPresent()) {
                return pinned;
            }
        }
        if (plain.equalsIgnoreCase(set.nameOf("0"))) {
            return Optional.of("0");
        }
        return set.testPoints().stream()
                .filter(point ->
                        point.name().equalsIgnoreCase(plain) || point.node().equalsIgnoreCase(plain))
                .map(TestPoint::node)
                .findFirst();
    }

    private OptionalDouble peak(String node) {
        return known.computeIfAbsent(node, this::solved);
    }

    /** The direct voltage with the alternating one's peak on it [V]; empty where nothing tells. */
    private OptionalDouble solved(String node) {
        if (node.equals("0")) {
            return OptionalDouble.of(0);
        }
        if (healthy.isEmpty() || !healthy.get().knows(node)) {
            return OptionalDouble.empty();
        }
        double line = healthy.get().nominalLine() * LINE_HIGH;
        return healthy.get()
                .changed(values -> values, line, List.of(), List.of(node), Optional.empty())
                .map(at -> at.point().volts(node).isEmpty()
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(Math.abs(at.point().volts(node).getAsDouble())
                                + Math.sqrt(2) * at.shown().get(node).orElse(0)))
                .orElse(OptionalDouble.empty());
    }
}
