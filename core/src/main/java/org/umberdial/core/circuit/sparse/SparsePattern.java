package org.umberdial.core.circuit.sparse;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Which entries of a square matrix can be other than zero; collects them, then numbers them. */
public final class SparsePattern {
    private final int size;
    private final Map<Long, Integer> slots = new HashMap<>();
    private final List<int[]> entries = new ArrayList<>();

    public SparsePattern(int size) {
        this.size = size;
        for (int i = 0; i < size; i++) {
            slot(i, i);
        }
    }

    /**
     * The slot of an entry in the array of values, made when it is new.
     *
     * @return its slot, or -1 when row or column is the reference node (below 0)
     */
    public int slot(int row, int column) {
        if (row < 0 || column < 0) {
            return -1;
        }
        return slots.computeIfAbsent((long) row * size + column, key -> {
            entries.add(new int[] {row, column});
            return entries.size() - 1;
        });
    }

    public int size() {
        return size;
    }

    /** How many entries there are; an array of values holds one more, where stamps to the reference node go. */
    public int count() {
        return entries.size();
    }

    public int row(int slot) {
        return entries.get(slot)[0];
    }

    public int column(int slot) {
        return entries.get(slot)[1];
    }
}
