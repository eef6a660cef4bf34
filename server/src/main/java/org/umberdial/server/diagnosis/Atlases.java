package org.umberdial.server.diagnosis;

import com.github.benmanes.caffeine.cache.AsyncCache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Service;
import org.umberdial.core.area.Bench;
import org.umberdial.core.diagnosis.Atlas;
import org.umberdial.core.diagnosis.BenchReadings;
import org.umberdial.core.diagnosis.Spot;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.set.BenchSet;
import org.umberdial.server.setfile.AtlasDesk;
import org.umberdial.server.setfile.CircuitKey;

/**
 * What every fault of a set would show; one takes seconds to work out, and holds as long as circuit and meter do. The
 * line at the bench is another every hour: atlases stand at steps of it, and readings are moved to the nearest.
 *
 * <p>One is solved at a time, on a thread of its own, so that a screen full of sets does not keep the machine from the
 * set at the bench.
 */
@Service
public class Atlases implements AtlasDesk, DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(Atlases.class);
    /** Of the memory there is, atlases take no more than one part in so many. */
    private static final int SHARE_OF_MEMORY = 6;

    private static final int KILOBYTE = 1024;
    private static final long MOMENT_MILLIS = 2000;
    private static final int MOST_WAITING = 16;

    private record Key(CircuitKey circuit, double line, String meter, List<String> points) {}

    private final AsyncCache<Key, Optional<Atlas>> kept = Caffeine.newBuilder()
            .maximumWeight(Runtime.getRuntime().maxMemory() / KILOBYTE / SHARE_OF_MEMORY)
            .weigher((Key key, Optional<Atlas> atlas) ->
                    1 + (int) (atlas.map(Atlas::size).orElse(0L) / KILOBYTE))
            .buildAsync();
    private final ThreadPoolExecutor worker =
            new ThreadPoolExecutor(1, 1, 0, TimeUnit.SECONDS, new LinkedBlockingQueue<>(MOST_WAITING), task -> {
                Thread thread = new Thread(task, "atlases");
                thread.setDaemon(true);
                return thread;
            });
    private final AtomicLong solved = new AtomicLong();

    @Override
    public void destroy() {
        worker.shutdownNow();
    }

    @Override
    public long solved() {
        return solved.get();
    }

    @Override
    public Answer of(BenchSet set, Bench bench) {
        return answer(set, bench, 0);
    }

    @Override
    public Answer soon(BenchSet set, Bench bench) {
        return answer(set, bench, MOMENT_MILLIS);
    }

    private Answer answer(BenchSet set, Bench bench, long millis) {
        Optional<HealthySet> whole = HealthySet.of(set, bench.mode());
        if (whole.isEmpty() || BenchReadings.points(set).isEmpty()) {
            return new None();
        }
        HealthySet healthy = whole.get();
        double line = BenchReadings.atlasLine(healthy, bench);
        Key key = new Key(
                CircuitKey.of(set, bench.mode()),
                line,
                BenchReadings.meter(bench).notation(),
                BenchReadings.points(set));
        try {
            return kept.get(key, (k, any) -> begin(set, bench, healthy, k))
                    .get(millis, TimeUnit.MILLISECONDS)
                    .<Answer>map(a -> new Ready(a, healthy, line))
                    .orElseGet(None::new);
        } catch (TimeoutException | RejectedExecutionException notYet) {
            // Where too many wait already the next question tries again.
            return new Underway();
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            return new Underway();
        } catch (ExecutionException failed) {
            LOG.warn("an atlas could not be solved", failed);
            return new None();
        }
    }

    private CompletableFuture<Optional<Atlas>> begin(BenchSet set, Bench bench, HealthySet healthy, Key key) {
        CompletableFuture<Optional<Atlas>> begun = CompletableFuture.supplyAsync(
                () -> Atlas.of(
                        healthy.network(),
                        set.parts(),
                        key.line > 0 ? OptionalDouble.of(key.line) : OptionalDouble.empty(),
                        BenchReadings.meter(bench),
                        key.points,
                        EnumSet.allOf(Spot.Kind.class),
                        worker::isShutdown),
                worker);
        begun.whenComplete((atlas, failed) -> solved.incrementAndGet());
        return begun;
    }
}
