package org.umberdial.core.cold;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;

class WindingSortTest {
    private static final WindingSort.Group PRIMARY = group("black", 4.6, OptionalDouble.empty());
    private static final WindingSort.Group HIGH =
            new WindingSort.Group("red", 312, Optional.of(new double[] {150, 162}), OptionalDouble.of(6.07));
    private static final WindingSort.Group FIVE = group("yellow", 0.06, OptionalDouble.of(0.044));
    private static final WindingSort.Group SIX = group("green", 0.05, OptionalDouble.of(0.0564));

    @Test
    void fourGroups_areToldApart_inAnyOrder() {
        List<WindingSort.Group> groups = new ArrayList<>(List.of(PRIMARY, HIGH, FIVE, SIX));
        Random random = new Random(2);
        for (int round = 0; round < 24; round++) {
            Collections.shuffle(groups, random);
            for (WindingSort.Sorted one : WindingSort.sort(groups, 117)) {
                assertEquals(wanted(one.group()), one.kind(), one.group().name());
            }
        }
    }

    private static WindingSort.Kind wanted(WindingSort.Group group) {
        return group == PRIMARY
                ? WindingSort.Kind.PRIMARY
                : group == HIGH
                        ? WindingSort.Kind.HIGH_VOLTAGE_TAPPED
                        : group == FIVE ? WindingSort.Kind.RECTIFIER_HEATER : WindingSort.Kind.HEATER;
    }

    @Test
    void withoutVolts_heatersAreNotGuessed() {
        List<WindingSort.Sorted> sorted =
                WindingSort.sort(List.of(PRIMARY, group("g", 0.05, OptionalDouble.empty())), 117);
        assertEquals(WindingSort.Kind.SOME_HEATER, sorted.get(1).kind());
        assertTrue(sorted.get(1).why().contains("ohms never do"));
    }

    @Test
    void nearTwins_cannotBeTold() {
        List<WindingSort.Sorted> sorted = WindingSort.sort(
                List.of(group("a", 40, OptionalDouble.empty()), group("b", 50, OptionalDouble.empty())), 230);
        assertTrue(sorted.stream().allMatch(s -> s.kind() == WindingSort.Kind.UNKNOWN));
        List<WindingSort.Sorted> clear = WindingSort.sort(
                List.of(group("a", 40, OptionalDouble.empty()), group("b", 290, OptionalDouble.empty())), 230);
        assertEquals(
                List.of(WindingSort.Kind.PRIMARY, WindingSort.Kind.HIGH_VOLTAGE),
                clear.stream().map(WindingSort.Sorted::kind).toList());
    }

    @Test
    void unequalParts_areATappedPrimary() {
        WindingSort.Group tapped =
                new WindingSort.Group("p", 24, Optional.of(new double[] {12, 10.6 - 4}), OptionalDouble.empty());
        assertEquals(
                WindingSort.Kind.PRIMARY,
                WindingSort.sort(List.of(tapped, HIGH), 230).get(0).kind());
    }

    private static WindingSort.Group group(String name, double ohms, OptionalDouble perVolt) {
        return new WindingSort.Group(name, ohms, Optional.empty(), perVolt);
    }
}
