package org.umberdial.server.power;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.policy.School;
import org.umberdial.core.power.AsItIs;
import org.umberdial.core.power.Planner;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.server.setfile.OpenSet;

/** Plans of first power; one takes seconds to work out, and holds as long as circuit, line and school do. */
@Service
public class Plans {
    private static final int MOST_KEPT = 48;

    private record Key(
            List<Card> cards,
            List<Boolean> unconfirmed,
            Map<String, Map<String, Double>> models,
            TubeModels tubes,
            String mode,
            double line,
            School way,
            boolean forming,
            AsItIs asItIs) {}

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
        String mode = open.file().contents().bench().mode();
        double line = open.file().contents().bench().lineVolts();
        Key key = new Key(
                open.set().cards(),
                open.set().parts().stream().map(part -> part.unconfirmed()).toList(),
                open.set().models(),
                open.set().tubes(),
                mode,
                line,
                way,
                forming,
                asItIs);
        return kept.get(key, k -> Planner.plan(open.set(), mode, line, way, forming, asItIs));
    }
}
