package org.umberdial.core.circuit.deck;

import java.util.List;

/** A deck that cannot be taken, with every fault found in it. */
public final class DeckRefused extends RuntimeException {
    private static final long serialVersionUID = 1L;

    /**
     * @param line line number from 1, 0 when it concerns the whole file
     * @param text a sentence: what is wrong and what would be right
     */
    public record Fault(int line, String text) {
        @Override
        public String toString() {
            return line == 0 ? text : "Line " + line + ": " + text;
        }
    }

    private final transient List<Fault> faults;

    public DeckRefused(List<Fault> faults) {
        super(faults.get(0).toString());
        this.faults = List.copyOf(faults);
    }

    public List<Fault> faults() {
        return faults;
    }
}
