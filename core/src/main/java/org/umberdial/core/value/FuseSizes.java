package org.umberdial.core.value;

import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;

/** Standard sizes of small fuses, and the largest drop the standard allows at each (IEC 60127-2, for 5 × 20 mm). */
public final class FuseSizes {
    private static final TreeMap<Double, Double> DROPS = drops();

    /** A fuse is the next size above so many times what runs through it; see FORMULAS, Supply. */
    public static final double MARGIN = 1.5;

    private FuseSizes() {}

    /** The size for a running current [A]; empty when none is so large. */
    public static OptionalDouble fitting(double runningAmperes) {
        return above(MARGIN * runningAmperes);
    }

    private static TreeMap<Double, Double> drops() {
        TreeMap<Double, Double> drops = new TreeMap<>();
        for (Map<String, String> row : CsvTable.rows(FuseSizes.class, "fuses.csv")) {
            drops.put(Double.valueOf(row.get("rating_A")), Double.valueOf(row.get("most_drop_V")));
        }
        return drops;
    }

    /** The next size that is no smaller [A]; empty when none is so large. */
    private static OptionalDouble above(double amperes) {
        Double next = DROPS.ceilingKey(amperes);
        return next == null ? OptionalDouble.empty() : OptionalDouble.of(next);
    }

    /** Most ohms a sound fuse of a rating has, leads apart [Ω]. */
    public static double mostOhms(double amperes) {
        Map.Entry<Double, Double> size = DROPS.floorEntry(amperes);
        return size == null ? DROPS.firstEntry().getValue() / DROPS.firstKey() : size.getValue() / size.getKey();
    }
}
