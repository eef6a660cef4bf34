package org.umberdial.core.practice;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.umberdial.core.diagnosis.Atlas;
import org.umberdial.core.diagnosis.BenchReadings;
import org.umberdial.core.diagnosis.Spot;
import org.umberdial.core.tube.TubeModels;

class PracticeTest {
    private static PracticeSet set(Level level, long number) {
        return PracticeSet.of(level, number, TubeModels.shipped());
    }

    private static Atlas atlas(PracticeSet set) {
        return Atlas.of(
                        set.network(),
                        set.set().parts(),
                        OptionalDouble.empty(),
                        PracticeSet.METER,
                        BenchReadings.points(set.set()),
                        EnumSet.allOf(Spot.Kind.class),
                        () -> false)
                .orElseThrow();
    }

    @ParameterizedTest
    @EnumSource(Level.class)
    void theSameNumberMakesTheSameSet_andAnotherAnother(Level level) {
        Set<List<String>> hidden = new HashSet<>();
        for (long number = 1; number <= 12; number++) {
            PracticeSet one = set(level, number);
            PracticeSet again = set(level, number);
            assertEquals(one.says(), again.says());
            one.spots().forEach(spot -> assertEquals(one.read(spot, Set.of()), again.read(spot, Set.of())));
            assertEquals(
                    level == Level.TWO ? 2 : level == Level.MAYBE ? one.bad().size() : 1,
                    one.bad().size());
            one.bad().forEach(part -> assertTrue(one.subjects().contains(part)));
            hidden.add(one.says());
        }
        assertTrue(hidden.size() > 6, hidden.toString());
    }

    @Test
    void whatIsSaidIsCharged_onlyWhenItIsNotSo() {
        PracticeSet set = set(Level.PLAIN, 3);
        String bad = set.bad().get(0);
        String sound = set.subjects().stream()
                .filter(part -> !part.equals(bad))
                .findFirst()
                .orElseThrow();
        Spot first = Spot.dc(BenchReadings.points(set.set()).get(0));
        Practice practice = new Practice(set, List.of())
                .and(new Practice.Read(first))
                .and(new Practice.Named(sound))
                .and(new Practice.CalledSound());
        assertEquals(0.5 + 2 * Practice.WRONG_MINUTES, practice.minutes());
        assertEquals(2, practice.wrong());
        assertFalse(practice.over());
        assertEquals(Optional.empty(), practice.score(5));
        Practice over = practice.and(new Practice.Named(bad));
        assertTrue(over.over());
        assertEquals(over.minutes(), practice.minutes());
        assertTrue(over.score(5).orElseThrow() < 50);
        assertTrue(set.tested(sound).contains("as it should be"));
        assertNotEquals(set.tested(sound), set.tested(bad));
        Practice gaveUp = practice.and(new Practice.GaveUp());
        assertTrue(gaveUp.over() && gaveUp.score(5).isEmpty());
        assertThrows(IllegalArgumentException.class, () -> set.read(Spot.dc("nowhere"), Set.of()));
    }

    /** A part that was named rightly is replaced: what was read before was of another set. */
    @Test
    void ofTwo_theSecondIsLookedForInTheSetWithTheFirstMended() {
        PracticeSet set = set(Level.TWO, 1);
        Spot spot = set.spots().stream()
                .filter(s -> s.kind() == Spot.Kind.DC)
                .filter(s ->
                        set.read(s, Set.of()) != set.read(s, Set.of(set.bad().get(0))))
                .findFirst()
                .orElseThrow();
        Practice before = new Practice(set, List.of(new Practice.Read(spot)));
        Practice after = before.and(new Practice.Named(set.bad().get(0)));
        assertEquals(1, before.readings().size());
        assertTrue(after.readings().isEmpty() && !after.over());
        assertNotEquals(
                before.readings().get(spot),
                after.and(new Practice.Read(spot)).readings().get(spot));
        assertTrue(after.and(new Practice.Named(set.bad().get(1))).over());
    }

    /** The best way knows no more than the meter shows, and finds what is hidden here. */
    @Test
    void theBestWayFindsWhatIsHidden_andHindsightSaysWhatAStepWasWorth() {
        PracticeSet set = set(Level.PLAIN, 2);
        Hindsight hindsight = new Hindsight(set, atlas(set));
        List<Hindsight.Step> way = hindsight.bestWay(Level.PLAIN);
        double best = hindsight.minutes(way).orElseThrow();
        Practice asBest =
                new Practice(set, way.stream().map(Hindsight.Step::move).toList());
        assertEquals(0, asBest.wrong(), way.toString());
        assertEquals(100, asBest.score(best).orElseThrow());
        assertTrue(hindsight.of(asBest).stream().allMatch(step -> step.better().isEmpty()));
        // Somebody tests a part that nobody suspects first: what would have told more is said.
        String sound = set.subjects().stream()
                .filter(part -> !set.isBad(part))
                .reduce((a, b) -> b)
                .orElseThrow();
        Practice slow = new Practice(set, List.of(new Practice.Test(sound)));
        Hindsight.Step first = hindsight.of(slow).get(0);
        assertTrue(first.better().orElseThrow().bits() > first.bits(), first.toString());
        assertEquals(first.better(), hindsight.next(new Practice(set, List.of())));
    }
}
