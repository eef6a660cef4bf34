package org.umberdial.core.power;

/** How bright a lamp in series looks, by the share of the power it is made for. */
public enum Glow {
    /** Not even red. */
    DARK("dark", 0.02),
    DULL("dull red to orange", 0.35),
    BRIGHT("bright", 0.7),
    FULL("fully bright", Double.POSITIVE_INFINITY);

    private final String label;
    private final double below;

    Glow(String label, double below) {
        this.label = label;
        this.below = below;
    }

    public String label() {
        return label;
    }

    /** @param share of the power it is made for */
    public static Glow of(double share) {
        for (Glow glow : values()) {
            if (share < glow.below) {
                return glow;
            }
        }
        return FULL;
    }

    /** A share that stands for it, where somebody only looked. */
    public double share() {
        return switch (this) {
            case DARK -> 0;
            case DULL -> 0.15;
            case BRIGHT -> 0.5;
            case FULL -> 0.9;
        };
    }
}
