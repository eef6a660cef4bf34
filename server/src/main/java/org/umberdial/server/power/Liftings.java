package org.umberdial.server.power;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.umberdial.core.power.Alarm;
import org.umberdial.core.power.AsItIs;
import org.umberdial.core.power.Lifting;
import org.umberdial.core.power.PowerPlan;
import org.umberdial.server.power.internal.RunTables;
import tools.jackson.databind.json.JsonMapper;

/** What runs of a set with a part lifted say against those with it. */
@Service
public class Liftings {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final RunTables tables;

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
                        .filter(other -> other.without().isEmpty())
                        .map(other -> outcome(shopId, other, AsItIs.WHOLE))
                        .toList();
                AsItIs asItIs = JSON.readValue(tables.plan(shopId, run.id()), PowerPlan.class)
                        .asItIs();
                Lifting.says(outcome(shopId, run, asItIs), earlier).ifPresent(words -> says.put(run.id(), words));
            }
        }
        return says;
    }

    private Lifting.Outcome outcome(String shopId, Run run, AsItIs asItIs) {
        List<Double> steps = new ArrayList<>();
        List<Alarm> alarms = new ArrayList<>();
        double until = 0;
        for (RunEntry entry : tables.events(shopId, run.id())) {
            switch (entry.kind()) {
                case RunEntry.STEP -> steps.add(entry.seconds());
                case RunEntry.ALARM -> alarms.add(JSON.readValue(entry.body(), Alarm.class));
                case RunEntry.STOP -> until = until == 0 ? entry.seconds() : until;
                default -> {
                    // Words for people.
                }
            }
        }
        return new Lifting.Outcome(asItIs, steps.isEmpty() ? List.of(0.0) : steps, until, alarms);
    }
}
