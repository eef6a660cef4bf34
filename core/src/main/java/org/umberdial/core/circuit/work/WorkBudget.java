package org.umberdial.core.circuit.work;

/**
 * How much a solve may cost, in multiplications: the same on every machine, where a clock would make an answer depend
 * on what else it does.
 */
public enum WorkBudget {
    /** About two seconds on an ordinary machine. */
    APPLICATION(1_500_000_000L),
    /** About ten. */
    COMMAND_LINE(7_500_000_000L);

    final long multiplications;

    WorkBudget(long multiplications) {
        this.multiplications = multiplications;
    }

    /** What is said when it is spent. */
    String spent() {
        return "The circuit is too large or too stubborn to be solved "
                + (this == APPLICATION
                        ? "here in about two seconds; the command line gives it ten."
                        : "in about ten seconds.")
                + " Leave out what does not matter for the question, such as one channel of two, or filters of stages that "
                + "are well.";
    }
}
