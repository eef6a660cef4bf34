package org.umberdial.core.recap;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;

/**
 * One list for several sets: what they need, what lies in the drawer, what is on its way, and what is left to buy.
 * Nothing is bought twice: what is ordered counts as there.
 */
public final class Shopping {
    /** What one set still needs of an item. */
    public record Need(String setId, String set, String item, int quantity) {}

    /**
     * One line of the list.
     *
     * @param needed by all sets together
     * @param onHand in the drawer
     * @param ordered and not here yet
     * @param spares wanted in the drawer beside what sets need
     * @param toBuy what is left; never below 0
     */
    public record Line(String item, int needed, int onHand, int ordered, int spares, int toBuy, List<Need> by) {
        public Line {
            by = List.copyOf(by);
        }
    }

    private Shopping() {}

    /**
     * The list, by item.
     *
     * @param onHand by item
     * @param ordered what has not come yet, by item
     * @param spares by item
     */
    public static List<Line> list(
            Collection<Need> needs,
            Map<String, Integer> onHand,
            Map<String, Integer> ordered,
            Map<String, Integer> spares) {
        TreeSet<String> items = new TreeSet<>(ordered.keySet());
        needs.forEach(need -> items.add(need.item));
        spares.forEach((item, quantity) -> {
            if (quantity > 0) {
                items.add(item);
            }
        });
        List<Line> lines = new ArrayList<>();
        for (String item : items) {
            List<Need> by = needs.stream().filter(n -> n.item.equals(item)).toList();
            int needed = by.stream().mapToInt(Need::quantity).sum();
            int there = onHand.getOrDefault(item, 0);
            int coming = ordered.getOrDefault(item, 0);
            int spare = spares.getOrDefault(item, 0);
            lines.add(new Line(item, needed, there, coming, spare, Math.max(0, needed + spare - there - coming), by));
        }
        return lines;
    }
}
