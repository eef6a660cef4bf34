package org.umberdial.server.diagnosis;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Service;
import org.umberdial.core.area.Bench;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.diagnosis.Atlas;
import org.umberdial.core.diagnosis.BenchReadings;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.server.setfile.OpenSet;

/**
 * What every fault of a set would show; one takes seconds to work out, and holds as long as circuit, line and meter do.
 */
@Service
public class Atlases {
    private static final int MOST_KEPT = 24;

    private record Key(
            List<Card> cards,
            List<Boolean> unconfirmed,
            Map<String, Map<String, Double>> models,
            TubeModels tubes,
            String mode,
            long line,
            String meter,
            List<String> points) {}

    private final Cache<Key, Optional<Atlas>> kept =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    /** Of a set at the bench as it stands; empty when its circuit is not whole or does not settle. */
    public Optional<Atlas> of(OpenSet open) {
        Bench bench = open.file().contents().bench();
        Optional<HealthySet> healthy = HealthySet.of(open.set(), bench.mode());
        if (healthy.isEmpty()) {
            return Optional.empty();
        }
        double line = healthy.get().fedWith(bench.lineVolts());
        List<String> points = BenchReadings.points(open.set());
        Key key = new Key(
                open.set().cards(),
                open.set().parts().stream().map(part -> part.unconfirmed()).toList(),
                open.set().models(),
                open.set().tubes(),
                bench.mode(),
                Math.round(line * 2),
                BenchReadings.meter(bench).notation(),
                points);
        return kept.get(
                key,
                k -> Atlas.of(
                        healthy.get().network(),
                        open.set().parts(),
                        OptionalDouble.of(line),
                        BenchReadings.meter(bench),
                        points));
    }
}
