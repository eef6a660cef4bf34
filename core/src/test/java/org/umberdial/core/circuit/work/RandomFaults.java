package org.umberdial.core.circuit.work;

import java.util.List;
import java.util.Random;
import org.umberdial.core.circuit.network.Branch;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;

/** Faults a set can have, drawn at random; the same seed gives the same faults. */
final class RandomFaults {
    private final Network network;
    private final Random random;
    private final List<String> parts;
    private StringBuilder story = new StringBuilder();

    RandomFaults(Network network, long seed) {
        this.network = network;
        random = new Random(seed);
        parts = Values.parts(network);
    }

    /** One or two faults. */
    Values draw() {
        story = new StringBuilder();
        Values values = Values.nominal(network);
        int count = 1 + random.nextInt(2);
        for (int i = 0; i < count; i++) {
            values = fault(values, parts.get(random.nextInt(parts.size())));
        }
        return values;
    }

    String story() {
        return story.toString();
    }

    private Values note(String part, String what, Values values) {
        story.append(part).append(' ').append(what).append("; ");
        return values;
    }

    private Values fault(Values values, String part) {
        boolean tube = network.amplifiers().stream()
                .anyMatch(amplifier -> amplifier.part().equals(part));
        boolean junction =
                network.junctions().stream().anyMatch(other -> other.part().equals(part));
        boolean store = network.stores().stream().anyMatch(other -> other.part().equals(part));
        boolean line = network.branches().stream()
                .anyMatch(branch -> branch.part().equals(part) && branch.kind() == Branch.Kind.FEED);
        int which = random.nextInt(4);
        double size = Math.pow(10, random.nextDouble());
        if (line) {
            double volts = network.line().orElseThrow().volts() * (0.7 + 0.5 * random.nextDouble());
            return note(part, "at " + volts + " V", values.atLine(volts));
        }
        if (tube) {
            return switch (which) {
                case 0 -> note(part, "dead", values.emitting(part, 0));
                case 1 ->
                    network.amplifiers().stream()
                                    .anyMatch(a ->
                                            a.part().equals(part) && a.bipolar().isPresent())
                            ? note(part, "weak", values.emitting(part, random.nextDouble()))
                            : note(part, "gassy", values.gassy(part, 0.01 * random.nextDouble()));
                default -> note(part, "weak", values.emitting(part, random.nextDouble()));
            };
        }
        if (junction) {
            return switch (which) {
                case 0 -> note(part, "dead", values.opened(part));
                case 1 -> note(part, "leaks", values.leaking(part, 1000 * size));
                case 2 -> note(part, "shorted", values.shorted(part));
                default -> note(part, "weak", values.emitting(part, 0.05 + 0.9 * random.nextDouble()));
            };
        }
        if (store) {
            return switch (which) {
                case 0 -> note(part, "shorted", values.shorted(part));
                case 1 -> note(part, "leaks", values.leaking(part, 1000 * Math.pow(size, 4)));
                case 2 -> note(part, "open", values.opened(part));
                default ->
                    note(
                            part,
                            "dried",
                            values.with(
                                    part,
                                    network.stores().stream()
                                                    .filter(other ->
                                                            other.part().equals(part))
                                                    .findFirst()
                                                    .orElseThrow()
                                                    .farads()
                                            / size));
            };
        }
        double ohms = network.branches().stream()
                .filter(branch -> branch.part().equals(part))
                .findFirst()
                .orElseThrow()
                .ohms();
        return switch (which) {
            case 0 -> note(part, "open", values.opened(part));
            case 1 -> note(part, "shorted", values.shorted(part));
            default ->
                Double.isInfinite(ohms)
                        ? values
                        : note(part, "drifted", values.with(part, ohms * (random.nextBoolean() ? size : 1 / size)));
        };
    }
}
