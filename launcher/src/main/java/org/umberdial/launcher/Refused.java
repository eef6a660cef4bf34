package org.umberdial.launcher;

/** Something that cannot be done as asked; the message is a sentence for the person at the command line. */
public final class Refused extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public Refused(String sentence) {
        super(sentence);
    }

    public Refused(String sentence, Throwable cause) {
        super(sentence, cause);
    }
}
