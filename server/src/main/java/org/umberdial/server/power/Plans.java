package org.umberdial.server.power;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import org.springframework.stereotype.Service;
import org.umberdial.core.area.Bench;
import org.umberdial.core.policy.School;
import org.umberdial.core.power.AsItIs;
import org.umberdial.core.power.Planner;
import org.umberdial.server.setfile.CircuitKey;
import org.umberdial.server.setfile.OpenSet;

/** Plans of first power; one takes seconds to work out, and holds as long as circuit, line and school do. */
@Service
public class Plans {
    private static final int MOST_KEPT = 48;

    private record Key(CircuitKey circuit, double line, School way, boolean forming, AsItIs asItIs) {}

    private final Cache<Key, Planner.Planned> kept =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    /** The plan of a set by its own school. */
    public Planner.Planned plan(OpenSet open) {
        return plan(open, open.policy().schools().of(School.Question.FIRST_POWER));
    }

    /** The plan of a set by any school of {@link School.Question#FIRST_POWER}. */
    public Planner.Planned plan(OpenSet open, School way) {
        AsItIs asItIs = AsItIs.of(open.set(), open.log());
        boolean forming = open.policy().schools().follow(School.FORM_IN_THE_SET);
        Bench bench = open.file().contents().bench();
        return kept.get(
                new Key(CircuitKey.of(open.set(), bench.mode()), bench.lineVolts(), way, forming, asItIs),
                key -> Planner.plan(open.set(), bench.mode(), bench.lineVolts(), way, forming, asItIs));
    }
}
