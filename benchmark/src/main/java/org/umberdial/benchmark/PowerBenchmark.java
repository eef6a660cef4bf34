package org.umberdial.benchmark;

import java.io.IOException;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.policy.School;
import org.umberdial.core.power.Alarm;
import org.umberdial.core.power.AsItIs;
import org.umberdial.core.power.Planner;
import org.umberdial.core.power.PowerPlan;
import org.umberdial.core.power.RunSample;
import org.umberdial.core.power.RunWatch;
import org.umberdial.core.set.BenchSet;

/** The plan of a set's first power, and an hour of a run at five samples a second worked out from its beginning. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(1)
public class PowerBenchmark {
    private static final double PERIOD = 0.2;
    private static final double HOUR = 3600;

    private BenchSet set;
    private PowerPlan plan;

    @Setup
    public void load() throws IOException {
        set = DemoSet.of("table-set");
        plan = planned().plan().orElseThrow();
    }

    private Planner.Planned planned() {
        return Planner.plan(set, "", 117, School.LAMP_LIMITER, false, AsItIs.WHOLE);
    }

    @Benchmark
    public Planner.Planned plan() {
        return planned();
    }

    @Benchmark
    public int anHourWatched() {
        RunWatch watch = new RunWatch(plan, HousePolicy.standard(), part -> 1, true);
        int alarms = 0;
        int step = 0;
        watch.step(0, 0);
        for (double now = PERIOD; now < HOUR; now += PERIOD) {
            if (step + 1 < plan.steps().size() && now > plan.start(step + 1)) {
                watch.step(++step, now);
            }
            double[] figures = new double[plan.watched().size()];
            double place = watch.place(now);
            for (int i = 0; i < figures.length; i++) {
                figures[i] = i < plan.middle().rows().size() ? plan.middle().at(i, place) : Double.NaN;
            }
            List<Alarm> raised = watch.take(new RunSample(now, figures, false));
            alarms += raised.size();
        }
        return alarms;
    }
}
