package org.umberdial.server.sets;

import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.set.SheetValue;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.sets.internal.ChartTables;
import org.umberdial.server.sets.internal.SetTables;

/** What is probed at a set, and what its service sheet says stands there. */
@Service
public class ChartService {
    private final SetService sets;
    private final SetTables tables;
    private final ChartTables chart;

    public ChartService(SetService sets, SetTables tables, ChartTables chart) {
        this.sets = sets;
        this.tables = tables;
        this.chart = chart;
    }

    /** The same, if the list is still what its writer saw. */
    @Transactional
    public StoredSet changeTestPoints(String shopId, String setId, List<TestPoint> points, String seen) {
        tables.lock(shopId, setId);
        Seen.require(Seen.of(sets.set(shopId, setId).set().testPoints()), seen, "The list of points");
        return replaceTestPoints(shopId, setId, points);
    }

    /** The points to probe, in order; each must be a node of the circuit where there is one. */
    @Transactional
    public StoredSet replaceTestPoints(String shopId, String setId, List<TestPoint> points) {
        StoredSet set = sets.set(shopId, setId);
        for (TestPoint point : points) {
            if (!named(set, point) || point.node().equals("0")) {
                throw new InvalidEntry(
                                InvalidEntry.Code.UNKNOWN,
                                set.set().parts().isEmpty()
                                        ? "“" + point.name()
                                                + "” names no point; write letters or digits, such as V4 plate."
                                        : "No part connects to “" + point.node()
                                                + "”; a test point is a node of the circuit.")
                        .at("node");
            }
            if (point.name().isBlank()) {
                throw new InvalidEntry(
                                InvalidEntry.Code.EMPTY,
                                "Give the point at " + point.node() + " a name, such as V4 plate.")
                        .at("name");
            }
        }
        if (points.stream().map(TestPoint::node).distinct().count() < points.size()
                || points.stream()
                                .map(point -> point.name().toLowerCase(Locale.ROOT))
                                .distinct()
                                .count()
                        < points.size()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.DUPLICATE, "Two points share a node or a name; each may stand once.")
                    .at("name");
        }
        chart.replaceTestPoints(shopId, setId, points);
        tables.changed(shopId, setId);
        return sets.set(shopId, setId);
    }

    /** Whether a point is somewhere: at a node of the circuit, or in a set without one under a name of its own. */
    private static boolean named(StoredSet set, TestPoint point) {
        return set.set().parts().isEmpty()
                ? !point.node().isEmpty()
                : set.deck().nodes().contains(point.node());
    }

    /** Keeps sheet values; one for the same point, reference, kind and mode takes the place of the earlier. */
    @Transactional
    public StoredSet putSheet(String shopId, String setId, List<SheetValue> values) {
        sets.set(shopId, setId);
        values.forEach(value -> chart.putSheet(shopId, setId, value));
        tables.changed(shopId, setId);
        return sets.set(shopId, setId);
    }

    /** Keeps one, if what stood in its place is still what its writer saw. */
    @Transactional
    public StoredSet changeSheet(String shopId, String setId, SheetValue value, String seen) {
        requireSheet(shopId, setId, value, seen);
        return putSheet(shopId, setId, List.of(value));
    }

    private void requireSheet(String shopId, String setId, SheetValue value, String seen) {
        tables.lock(shopId, setId);
        String there = sets.set(shopId, setId).set().sheet().stream()
                .filter(v -> v.node().equals(value.node())
                        && v.reference().equals(value.reference())
                        && v.kind() == value.kind()
                        && v.mode().equals(value.mode()))
                .findFirst()
                .map(Seen::of)
                .orElse("");
        Seen.require(there, seen, "This sheet value");
    }

    @Transactional
    public StoredSet removeSheet(String shopId, String setId, SheetValue value, String seen) {
        requireSheet(shopId, setId, value, seen);
        chart.removeSheet(shopId, setId, value);
        tables.changed(shopId, setId);
        return sets.set(shopId, setId);
    }
}
