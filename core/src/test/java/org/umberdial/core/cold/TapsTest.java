package org.umberdial.core.cold;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

class TapsTest {
    private static final List<String> LEADS = List.of("black", "red", "brown", "blue", "green");
    private static final double[] AT = {0, 23.9, 12.1, 26.2, 13.4};
    private static final List<Double> LABELS = List.of(240.0, 110.0, 220.0, 125.0);

    @Test
    void labelsMatchInOrder_onceThePairsDecide() {
        List<Taps.Between> star = new ArrayList<>(fromFirst());
        Taps open = Taps.solve(LEADS, star, LABELS, 0.1);
        assertTrue(open.common().isEmpty(), "read from one lead alone, others may lie on either side of it");
        assertTrue(open.problem().contains("Read "), open.problem());
        for (int i = 1; i < AT.length - 1; i++) {
            star.add(new Taps.Between(LEADS.get(3), LEADS.get(i == 3 ? 4 : i), Math.abs(AT[3] - AT[i == 3 ? 4 : i])));
        }
        Taps taps = Taps.solve(LEADS, star, LABELS, 0.1);
        assertEquals(Optional.of("black"), taps.common());
        assertEquals(
                List.of("brown", "green", "red", "blue"),
                taps.taps().stream().map(Taps.Tap::lead).toList());
        assertEquals(
                List.of(110.0, 125.0, 220.0, 240.0),
                taps.taps().stream().map(t -> t.label().orElseThrow()).toList());
        assertTrue(taps.taps().stream().allMatch(t -> t.even() && !t.tooClose()));
    }

    @Test
    void anyOrderOfPairs_givesTheSame() {
        List<Taps.Between> pairs = pairs();
        Taps first = Taps.solve(LEADS, pairs, LABELS, 0.1);
        Random random = new Random(3);
        for (int round = 0; round < 100; round++) {
            Collections.shuffle(pairs, random);
            List<String> leads = new ArrayList<>(LEADS);
            Collections.shuffle(leads, random);
            Taps again = Taps.solve(
                    leads,
                    pairs.stream()
                            .map(p -> random.nextBoolean() ? p : new Taps.Between(p.b(), p.a(), p.ohms()))
                            .toList(),
                    LABELS,
                    0.1);
            assertEquals(first.common(), again.common());
            assertEquals(
                    first.taps().stream().map(Taps.Tap::lead).toList(),
                    again.taps().stream().map(Taps.Tap::lead).toList());
        }
    }

    @Test
    void contradictionNamesThePair() {
        List<Taps.Between> pairs = pairs();
        pairs.replaceAll(
                p -> p.a().equals("brown") && p.b().equals("green") ? new Taps.Between("brown", "green", 9) : p);
        Taps taps = Taps.solve(LEADS, pairs, LABELS, 0.1);
        assertTrue(taps.problem().contains("brown to green"), taps.problem());
        assertTrue(taps.taps().isEmpty());
    }

    @Test
    void whatCannotBeTold_isSaid() {
        List<Taps.Between> close = List.of(
                new Taps.Between("a", "b", 12.1),
                new Taps.Between("a", "c", 12.3),
                new Taps.Between("a", "d", 24),
                new Taps.Between("d", "b", 11.9),
                new Taps.Between("d", "c", 11.7));
        assertTrue(Taps.solve(List.of("a", "b", "c", "d"), close, List.of(110.0, 115.0, 220.0), 0.1)
                .taps()
                .get(0)
                .tooClose());
        List<Taps.Between> even =
                List.of(new Taps.Between("a", "b", 10), new Taps.Between("b", "c", 10), new Taps.Between("a", "c", 20));
        Taps symmetric = Taps.solve(List.of("a", "b", "c"), even, List.of(110.0, 220.0), 0.1);
        assertTrue(symmetric.common().isEmpty());
        assertTrue(symmetric.problem().contains("Either end"));
        assertEquals(
                List.of("e"),
                Taps.solve(List.of("a", "b", "c", "e"), even, List.of(110.0, 220.0), 0.1)
                        .apart());
        assertFalse(Taps.solve(List.of("a"), List.of(), LABELS, 0.1).problem().isEmpty());
        List<Taps.Between> loose = List.of(new Taps.Between("a", "b", 10), new Taps.Between("c", "d", 10));
        assertTrue(Taps.solve(List.of("a", "b", "c", "d"), loose, LABELS, 0.1)
                .problem()
                .contains("cannot be placed"));
    }

    @Test
    void aLeadInMidWinding_asksForThePairThatTells() {
        List<Taps.Between> middle = new ArrayList<>();
        for (int i = 0; i < AT.length; i++) {
            if (i != 4) {
                middle.add(new Taps.Between(LEADS.get(4), LEADS.get(i), Math.abs(AT[4] - AT[i])));
            }
        }
        Taps open = Taps.solve(LEADS, middle, LABELS, 0.1);
        assertTrue(open.common().isEmpty() && open.problem().contains("either side"), open.problem());
        for (int asked = 0; open.common().isEmpty() && asked < 6; asked++) {
            String[] pair = open.problem()
                    .replaceAll(".*Read (\\w+) to (\\w+) too.*", "$1 $2")
                    .split(" ");
            int a = LEADS.indexOf(pair[0]);
            int b = LEADS.indexOf(pair[1]);
            middle.add(new Taps.Between(pair[0], pair[1], Math.abs(AT[a] - AT[b])));
            open = Taps.solve(LEADS, middle, LABELS, 0.1);
        }
        assertEquals(Optional.of("black"), open.common(), "what it asked for was enough: " + open.problem());
    }

    private static List<Taps.Between> fromFirst() {
        List<Taps.Between> readings = new ArrayList<>();
        for (int i = 1; i < AT.length; i++) {
            readings.add(new Taps.Between(LEADS.get(0), LEADS.get(i), AT[i]));
        }
        return readings;
    }

    private static List<Taps.Between> pairs() {
        List<Taps.Between> readings = new ArrayList<>();
        for (int i = 0; i < AT.length; i++) {
            for (int j = i + 1; j < AT.length; j++) {
                readings.add(new Taps.Between(LEADS.get(i), LEADS.get(j), Math.abs(AT[i] - AT[j])));
            }
        }
        return readings;
    }
}
