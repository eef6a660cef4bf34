package org.umberdial.core.diagnosis;

/** How long things take at the bench, in minutes: round figures of the trade, for comparing one with another. */
public final class Effort {
    private static final double READ_MINUTES = 0.5;
    /** The plug is pulled, the capacitors are emptied, and the set is brought up again. */
    private static final double OHMS_MINUTES = 1.5;
    /** A lead is lifted with the plug out and the capacitors empty, and soldered back. */
    private static final double LIFT_MINUTES = 5;

    private static final double COLD_OHMS_MINUTES = 4;
    private static final double TUBE_TEST_MINUTES = 4;

    private Effort() {}

    /** To read there. */
    public static double minutes(Spot spot) {
        return spot.kind() == Spot.Kind.OHMS ? OHMS_MINUTES : READ_MINUTES;
    }

    /**
     * To test a part by itself.
     *
     * @param part reference of a part, or of a tube
     */
    public static double minutes(String part) {
        return switch (part.charAt(0)) {
            case 'C' -> LIFT_MINUTES;
            case 'X', 'V' -> TUBE_TEST_MINUTES;
            default -> COLD_OHMS_MINUTES;
        };
    }
}
