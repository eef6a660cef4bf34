package org.umberdial.core.volts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Sets;
import org.umberdial.core.area.Bench;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.tube.SocketShape;

class RehearsalTest {
    private static final Bench BENCH = new Bench(117, Optional.of(Meter.parse("10M")), 0, "");

    private static Rehearsal.Step at(BenchSet set, String node) {
        return Rehearsal.of(set, BENCH).stream()
                .filter(step -> step.point().node().equals(node))
                .findFirst()
                .orElseThrow();
    }

    /** The output tube of the table set: its grid is pin 2, between the cathode and the heater end of 42 V. */
    @Test
    void aGridBesideAHeater_isSaid_withTheEasierLead() {
        Rehearsal.Step grid = at(Sets.demo("table-set"), "v4_grid");
        assertEquals("V4, pin 2 of the 50C5", grid.where());
        assertEquals("seven-pin miniature", grid.socket().orElseThrow().shape());
        assertTrue(grid.beside().contains("pin 3 (") && grid.beside().contains("AC"), grid.beside());
        assertTrue(
                grid.easier().stream().anyMatch(e -> e.startsWith("R")),
                grid.easier().toString());
        Rehearsal.Step rail = at(Sets.demo("table-set"), "filter_2");
        assertTrue(rail.easier().get(0).endsWith(", plus"), rail.easier().toString());
        assertTrue(rail.expects().endsWith(" V DC"), rail.expects());
    }

    /** From below, clockwise, the gap at the bottom: pin 1 stands left of it and pin 7 right of it. */
    @Test
    void pinsStandClockwiseFromTheGap_asSeenFromBelow() {
        List<SocketShape.Pin> ring = SocketShape.of("7BT").orElseThrow().ring();
        assertEquals(7, ring.size());
        assertTrue(ring.get(0).x() < 0 && ring.get(0).y() > 0, ring.get(0).toString());
        assertTrue(ring.get(6).x() > 0 && ring.get(6).y() > 0, ring.get(6).toString());
        assertEquals(-1, ring.get(3).y(), 1e-9);
        assertEquals(8, SocketShape.of("octal").orElseThrow().ring().size());
        assertEquals(9, SocketShape.of("B9A").orElseThrow().ring().size());
        // A base that does not say for sure how its pins stand is drawn as none.
        for (String unsure : List.of("", "P8", "Y8A", "6AR", "5BO", "subminiature")) {
            assertTrue(SocketShape.of(unsure).isEmpty(), unsure);
        }
    }

    /** A set of which only a sheet is known has a route all the same. */
    @Test
    void withoutACircuit_theRouteIsItsPoints() {
        BenchSet demo = Sets.demo("table-set");
        BenchSet sheet =
                new BenchSet(demo.construction(), List.of(), List.of(), demo.testPoints(), demo.sheet(), List.of());
        List<Rehearsal.Step> route = Rehearsal.of(sheet, BENCH);
        assertEquals(demo.testPoints().size(), route.size());
        assertTrue(route.stream().allMatch(step -> step.socket().isEmpty()));
        assertFalse(route.get(0).where().isEmpty());
    }
}
