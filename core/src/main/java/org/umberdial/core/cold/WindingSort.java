package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Tells the windings of an unknown power transformer apart, from their resistances and from a low voltage fed into one.
 */
public final class WindingSort {
    private static final double HEATER_OHMS = 2.5;
    private static final double HV_OHMS = 30;
    private static final double LIKE = 0.25;

    /** What a winding is. */
    public enum Kind {
        PRIMARY("primary"),
        HIGH_VOLTAGE("high voltage"),
        HIGH_VOLTAGE_TAPPED("high voltage with centre tap"),
        HEATER("heaters"),
        RECTIFIER_HEATER("rectifier's heater"),
        SOME_HEATER("a heater winding"),
        UNKNOWN("cannot tell");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /**
     * A group of leads that connect.
     *
     * @param ohms between its ends [Ω]
     * @param halves resistances from a middle lead to each end, empty when there is none [Ω]
     * @param perVolt volts it gives per volt fed into the primary; empty when not read
     */
    public record Group(String name, double ohms, Optional<double[]> halves, OptionalDouble perVolt) {}

    /** @param why in a sentence */
    public record Sorted(Group group, Kind kind, String why) {}

    private WindingSort() {}

    /** @param lineVolts of the primary, for what the injection says [V] */
    public static List<Sorted> sort(List<Group> groups, double lineVolts) {
        List<Group> strong = groups.stream()
                .filter(g -> g.ohms >= HEATER_OHMS)
                .sorted(Comparator.comparingDouble(Group::ohms))
                .toList();
        List<Sorted> sorted = new ArrayList<>();
        for (Group group : groups) {
            sorted.add(group.ohms < HEATER_OHMS ? heater(group, lineVolts) : strong(group, strong));
        }
        return List.copyOf(sorted);
    }

    private static Sorted heater(Group group, double lineVolts) {
        if (group.perVolt.isEmpty()) {
            return new Sorted(
                    group,
                    Kind.SOME_HEATER,
                    "Under " + HEATER_OHMS + " Ω; its volts by injection tell which, ohms never do.");
        }
        double volts = group.perVolt.getAsDouble() * lineVolts;
        String gives = String.format(java.util.Locale.ROOT, "It would give %.2f V at %.0f V line.", volts, lineVolts);
        boolean rectifier = volts > 4.4 && volts < 5.75;
        boolean heaters = volts >= 5.75 && volts < 7.6
                || volts > 11 && volts < 15
                || volts > 2.2 && volts < 3.2
                || volts > 3.6 && volts <= 4.4;
        return new Sorted(group, rectifier ? Kind.RECTIFIER_HEATER : heaters ? Kind.HEATER : Kind.UNKNOWN, gives);
    }

    private static Sorted strong(Group group, List<Group> strong) {
        if (group.halves.isPresent()) {
            double[] halves = group.halves.get();
            boolean alike = Windings.unlikeness(halves[0], halves[1]) <= LIKE;
            if (alike && group.ohms >= HV_OHMS) {
                return new Sorted(group, Kind.HIGH_VOLTAGE_TAPPED, "Two nearly equal halves, and many ohms.");
            }
            return new Sorted(
                    group,
                    group.ohms >= HV_OHMS && group == strong.get(strong.size() - 1) && strong.size() > 1
                            ? Kind.UNKNOWN
                            : Kind.PRIMARY,
                    alike
                            ? "A middle lead with equal halves, but few ohms: perhaps a primary for two voltages."
                            : "Unequal parts: a primary with a tap.");
        }
        if (strong.size() == 1) {
            return new Sorted(group, Kind.PRIMARY, "The only winding of more than a few ohms besides the heaters.");
        }
        boolean lowest = group == strong.get(0);
        boolean tie = strong.size() > 1 && strong.get(1).ohms < 1.5 * strong.get(0).ohms;
        if (tie) {
            return new Sorted(
                    group,
                    Kind.UNKNOWN,
                    "Its ohms are too near another's: feed 1 V into it, the larger winding answers with more.");
        }
        return new Sorted(
                group,
                lowest ? Kind.PRIMARY : Kind.HIGH_VOLTAGE,
                lowest
                        ? "Fewest ohms of the windings with many turns."
                        : "More ohms than the primary, no middle lead.");
    }
}
