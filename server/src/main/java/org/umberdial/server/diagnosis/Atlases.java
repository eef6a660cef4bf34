package org.umberdial.server.diagnosis;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Service;
import org.umberdial.core.area.Bench;
import org.umberdial.core.diagnosis.Atlas;
import org.umberdial.core.diagnosis.BenchReadings;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.server.setfile.CircuitKey;
import org.umberdial.server.setfile.OpenSet;

/**
 * What every fault of a set would show; one takes seconds to work out, and holds as long as circuit and meter do. The
 * line at the bench is another every hour: atlases stand at steps of it, and readings are moved to the nearest.
 */
@Service
public class Atlases {
    private static final int MOST_KEPT = 24;

    private record Key(CircuitKey circuit, double line, String meter, List<String> points) {}

    /** @param line that it stands at [V RMS] */
    public record Standing(Atlas atlas, HealthySet healthy, double line) {}

    private final Cache<Key, Optional<Atlas>> kept =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    /** Of a set at the bench as it stands; empty when its circuit is not whole or does not settle. */
    public Optional<Standing> of(OpenSet open) {
        Bench bench = open.file().contents().bench();
        Optional<HealthySet> whole = HealthySet.of(open.set(), bench.mode());
        if (whole.isEmpty()) {
            return Optional.empty();
        }
        HealthySet healthy = whole.get();
        double line = BenchReadings.atlasLine(healthy, bench);
        List<String> points = BenchReadings.points(open.set());
        return kept.get(
                        new Key(
                                CircuitKey.of(open),
                                line,
                                BenchReadings.meter(bench).notation(),
                                points),
                        key -> Atlas.of(
                                healthy.network(),
                                open.set().parts(),
                                line > 0 ? OptionalDouble.of(line) : OptionalDouble.empty(),
                                BenchReadings.meter(bench),
                                points))
                .map(atlas -> new Standing(atlas, healthy, line));
    }
}
