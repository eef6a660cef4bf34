package org.umberdial.instruments;

/** An error of the queue that {@code SYSTem:ERRor?} reads; numbers and words as in SCPI-1999, volume 2, chapter 21. */
final class ScpiError extends Exception {
    private static final long serialVersionUID = 1L;

    static final int UNDEFINED_HEADER = -113;
    static final int PARAMETER_NOT_ALLOWED = -108;
    static final int MISSING_PARAMETER = -109;
    static final int DATA_TYPE = -104;
    static final int OUT_OF_RANGE = -222;
    static final int SETTINGS_CONFLICT = -221;
    static final int TOO_MUCH_DATA = -223;
    static final int QUEUE_OVERFLOW = -350;

    private final int number;

    ScpiError(int number, String words) {
        super(words, null, false, false);
        this.number = number;
    }

    int number() {
        return number;
    }

    /** As it is read from the queue. */
    String line() {
        return number + ",\"" + getMessage() + "\"";
    }
}
