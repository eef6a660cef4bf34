package org.umberdial.server.power;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.umberdial.core.power.Alarm;
import org.umberdial.core.power.FallWatch;
import org.umberdial.core.power.PowerPlan;
import org.umberdial.core.power.RunSample;
import org.umberdial.core.power.RunWatch;
import org.umberdial.core.power.Watched;
import tools.jackson.databind.json.JsonMapper;

/** How far one process has worked a run out from its entries. Not safe for several threads: callers hold its lock. */
final class RunProgress {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final PowerPlan plan;
    private final RunWatch watch;
    private final double safeVolts;
    private final List<Alarm> alarms = new ArrayList<>();
    /** Supply points that were last read at a safe voltage, since it was stopped. */
    private final Set<Integer> empty = new HashSet<>();

    private int applied;
    private double seconds;
    private double stepAt;
    private boolean passedOver;
    private boolean stopped;

    /** @param safeVolts at or below which a supply point is empty [V] */
    RunProgress(PowerPlan plan, RunWatch watch, double safeVolts) {
        this.plan = plan;
        this.watch = watch;
        this.safeVolts = safeVolts;
    }

    PowerPlan plan() {
        return plan;
    }

    RunWatch watch() {
        return watch;
    }

    List<Alarm> alarms() {
        return List.copyOf(alarms);
    }

    /** Number of the next entry. */
    int applied() {
        return applied;
    }

    /** When its step began [s]. */
    double stepAt() {
        return stepAt;
    }

    /** Whether somebody went on although a figure was not in its band. */
    boolean passedOver() {
        return passedOver;
    }

    boolean stopped() {
        return stopped;
    }

    /** The run's clock [s]; one that is set back meanwhile does not turn a run back. */
    double moment(double now) {
        seconds = Math.max(seconds, now);
        return seconds;
    }

    /** Takes the next entry as it was kept; alarms of a sample are entries of their own then. */
    void apply(RunEntry entry) {
        switch (entry.kind()) {
            case RunEntry.STEP -> {
                int bar = entry.body().indexOf('|');
                String step = bar < 0 ? entry.body() : entry.body().substring(0, bar);
                watch.step(Integer.parseInt(step), entry.seconds());
                stepAt = entry.seconds();
                passedOver |= bar >= 0;
            }
            case RunEntry.SAMPLE -> take(entry);
            case RunEntry.STOP -> {
                stopped = true;
                watch.off(entry.seconds());
            }
            case RunEntry.ALARM -> alarms.add(JSON.readValue(entry.body(), Alarm.class));
            default -> {
                // Words for people.
            }
        }
        applied = entry.number() + 1;
        moment(entry.seconds());
    }

    /** Takes a sample that was just kept, and says what it raises. */
    List<Alarm> applySample(RunEntry entry) {
        applied = entry.number() + 1;
        return take(entry);
    }

    private List<Alarm> take(RunEntry entry) {
        RunSample sample = sample(entry);
        if (stopped) {
            for (int i = 0; i < plan.watched().size(); i++) {
                double read = sample.figures()[i];
                if (Double.isNaN(read) || plan.watched().get(i).kind() != Watched.Kind.RAIL) {
                    continue;
                }
                if (Math.abs(read) <= safeVolts) {
                    empty.add(i);
                } else {
                    empty.remove(i);
                }
            }
        }
        return watch.take(sample);
    }

    /** Whether every supply point was read at a safe voltage since the power was to be off. */
    boolean isEmpty() {
        return empty.size()
                == plan.watched().stream()
                        .filter(w -> w.kind() == Watched.Kind.RAIL)
                        .count();
    }

    /** How it falls since the power is off; as long as that is not told, when it would be empty. */
    List<String> fall() {
        List<String> told = fallen();
        String forecast = watch.forecast(safeVolts);
        return !stopped || isEmpty() || forecast.isEmpty()
                ? told
                : Stream.concat(Stream.of(forecast), told.stream()).toList();
    }

    /** What is told of it so far. */
    List<String> fallen() {
        return watch.fallen().stream()
                .map(FallWatch.Fallen::says)
                .filter(says -> !says.isEmpty())
                .toList();
    }

    static RunSample sample(RunEntry entry) {
        String[] cells = entry.body().substring(2).split(",", -1);
        double[] figures = Arrays.stream(cells)
                .mapToDouble(cell -> cell.isEmpty() ? Double.NaN : Double.parseDouble(cell))
                .toArray();
        return new RunSample(entry.seconds(), figures, entry.body().startsWith("h"));
    }
}
