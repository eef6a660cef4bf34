package org.umberdial.cli;

/** A sentence for the person at the command line, and the exit status that goes with it. */
final class Refused extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final int status;

    Refused(String sentence, int status) {
        super(sentence);
        this.status = status;
    }

    int status() {
        return status;
    }
}
