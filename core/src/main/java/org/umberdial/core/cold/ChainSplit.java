package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;

/**
 * Finds the open link of a chain with the fewest further readings: each halves what is left.
 *
 * @param suspects links that can still be the open one, by number from 0
 * @param contradiction whether the readings leave none: a joint makes and breaks, or there is more than one break
 */
public record ChainSplit(List<Integer> suspects, boolean contradiction) {
    /**
     * One reading between two points of the chain; point 0 is before link 0, point n behind link n-1.
     *
     * @param open whether nothing, or far too much, was read
     */
    public record Read(int from, int to, boolean open) {
        public Read {
            if (from > to) {
                int low = to;
                to = from;
                from = low;
            }
        }
    }

    /** Two points to read between. */
    public record Probe(int from, int to) {}

    /**
     * @param links how many the chain has
     * @param reads in any order; the one that found the chain open need not be among them
     */
    public static ChainSplit of(int links, List<Read> reads) {
        TreeSet<Integer> left = new TreeSet<>();
        for (int link = 0; link < links; link++) {
            left.add(link);
        }
        for (Read read : reads) {
            if (read.open) {
                left.removeIf(link -> link < read.from || link >= read.to);
            } else {
                left.removeIf(link -> link >= read.from && link < read.to);
            }
        }
        return new ChainSplit(List.copyOf(left), left.isEmpty());
    }

    /** The one link left; below 0 while there are several. */
    public int found() {
        return suspects.size() == 1 ? suspects.get(0) : -1;
    }

    /** Where to read next: over the first half of what is left. */
    public Probe next() {
        List<Integer> left = new ArrayList<>(suspects);
        return new Probe(left.get(0), left.get((left.size() - 1) / 2) + 1);
    }
}
