package org.umberdial.server.power;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.umberdial.core.power.Alarm;
import org.umberdial.core.power.AsItIs;
import org.umberdial.core.power.Lifting;
import org.umberdial.core.power.PowerPlan;
import org.umberdial.core.power.Watched;
import org.umberdial.server.power.internal.RunTables;
import tools.jackson.databind.json.JsonMapper;

/** What runs of a set with a part lifted say against those with it. */
@Service
public class Liftings {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private static final int MOST_KEPT = 200;

    private final RunTables tables;
    private final Cache<String, Lifting.Outcome> outcomes =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    Liftings(RunTables tables) {
        this.tables = tables;
    }

    /**
     * By id of the run; runs that say nothing are not in it.
     *
     * @param runs of a set, the latest first
     */
    public Map<String, String> of(String shopId, List<Run> runs) {
        Map<String, String> says = new HashMap<>();
        for (int i = 0; i < runs.size(); i++) {
            Run run = runs.get(i);
            if (!run.without().isEmpty() && run.state() == Run.State.ENDED) {
                List<Lifting.Outcome> earlier = runs.subList(i + 1, runs.size()).stream()
                        .filter(other -> other.without().isEmpty() && other.state() == Run.State.ENDED)
                        .map(other -> kept(shopId, other))
                        .toList();
                Lifting.says(kept(shopId, run), earlier).ifPresent(words -> says.put(run.id(), words));
            }
        }
        return says;
    }

    /** What became of a run that has ended does not change. Of a whole set's nobody asks what was read when. */
    private Lifting.Outcome kept(String shopId, Run run) {
        return outcomes.get(
                shopId + run.id(),
                key -> run.without().isEmpty()
                        ? outcome(AsItIs.WHOLE, List.of(), tables.events(shopId, run.id()))
                        : outcome(JSON.readValue(tables.plan(shopId, run.id()), PowerPlan.class), shopId, run));
    }

    private Lifting.Outcome outcome(PowerPlan plan, String shopId, Run run) {
        return outcome(plan.asItIs(), plan.watched(), tables.entries(shopId, run.id()));
    }

    private static Lifting.Outcome outcome(AsItIs asItIs, List<Watched> watched, List<RunEntry> entries) {
        List<Double> steps = new ArrayList<>();
        List<Map<String, Double>> lastRead = new ArrayList<>();
        List<Alarm> alarms = new ArrayList<>();
        boolean on = true;
        for (RunEntry entry : entries) {
            switch (entry.kind()) {
                case RunEntry.STEP -> {
                    steps.add(entry.seconds());
                    lastRead.add(new HashMap<>());
                }
                case RunEntry.ALARM -> alarms.add(JSON.readValue(entry.body(), Alarm.class));
                case RunEntry.STOP -> on = false;
                case RunEntry.SAMPLE -> {
                    double[] figures = RunProgress.sample(entry).figures();
                    for (int i = 0; on && i < watched.size() && !steps.isEmpty(); i++) {
                        if (!Double.isNaN(figures[i])) {
                            lastRead.get(lastRead.size() - 1).put(watched.get(i).id(), entry.seconds());
                        }
                    }
                }
                default -> {
                    // Words for people.
                }
            }
        }
        return new Lifting.Outcome(asItIs, steps.isEmpty() ? List.of(0.0) : steps, lastRead, alarms);
    }
}
