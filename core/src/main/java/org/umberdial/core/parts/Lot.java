package org.umberdial.core.parts;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.umberdial.core.set.Part;

/**
 * How a kind of part fares.
 *
 * @param kind in the plural, such as {@code carbon resistors}
 * @param drifted how many of those read are out of their tolerance
 * @param read how many were read
 * @param all how many there are
 * @param lot whether so many have drifted that the house speaks of the lot
 */
public record Lot(String kind, int drifted, int read, int all, boolean lot) {
    /** Fewer say nothing of a lot, whatever share they are. */
    private static final int LEAST_DRIFTED = 3;

    private static final Set<PartState> READ_NOTHING = Set.of(PartState.UNREAD, PartState.CANNOT_TELL);
    private static final Set<PartState> OUT = Set.of(PartState.DRIFTED_HIGH, PartState.READS_LOW, PartState.OPEN);

    /** The kind a part drifts with; empty for what is not judged as a lot. */
    static Optional<String> kindOf(Part part) {
        boolean resistor = part.card().letter() == 'R'
                && !Set.of("pot", "winding", "switch", "fuse")
                        .contains(part.card().kind());
        if (!resistor) {
            return Optional.empty();
        }
        String kind = part.card().kind().replace('_', ' ');
        return Optional.of((kind.equals("resistor") ? "" : kind + " ").toLowerCase(Locale.ROOT) + "resistors");
    }

    /**
     * Kinds of which anything was read, the worst first.
     *
     * @param share of those read from which on the house speaks of the lot
     */
    static List<Lot> all(Map<Part, PartState> states, double share) {
        Map<String, List<PartState>> kinds = states.entrySet().stream()
                .filter(e -> kindOf(e.getKey()).isPresent())
                .collect(Collectors.groupingBy(
                        e -> kindOf(e.getKey()).orElseThrow(),
                        Collectors.mapping(Map.Entry::getValue, Collectors.toList())));
        return kinds.entrySet().stream()
                .map(e -> of(e.getKey(), e.getValue(), share))
                .filter(lot -> lot.read > 0)
                .sorted(Comparator.comparing((Lot lot) -> -lot.drifted))
                .toList();
    }

    private static Lot of(String kind, List<PartState> states, double share) {
        int read = (int) states.stream().filter(s -> !READ_NOTHING.contains(s)).count();
        int drifted = (int) states.stream().filter(OUT::contains).count();
        return new Lot(kind, drifted, read, states.size(), drifted >= LEAST_DRIFTED && drifted >= share * read);
    }
}
