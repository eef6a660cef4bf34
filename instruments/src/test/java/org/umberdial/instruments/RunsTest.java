package org.umberdial.instruments;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.policy.School;
import org.umberdial.core.power.Alarm;
import org.umberdial.core.power.AsItIs;
import org.umberdial.core.power.Planner;
import org.umberdial.core.power.PowerPlan;
import org.umberdial.core.power.PowerStep;
import org.umberdial.core.power.RunSample;
import org.umberdial.core.power.RunWatch;
import org.umberdial.core.power.Watched;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.tube.TubeData;
import org.umberdial.instruments.SimulatedSet.Fault;
import org.umberdial.instruments.SimulatedSet.Hidden;

/**
 * Whole runs of sets that draw their own values, tubes and line: a healthy one raises no alarm, a faulty one the right
 * one, in time and with the right part among the suspects.
 */
class RunsTest {
    private static final boolean SOAK = Boolean.getBoolean("umber.soak");
    /** Of each of the three sets. */
    private static final int HEALTHY = SOAK ? 67 : 6;

    private static final int FAULTY = SOAK ? 10 : 2;
    private static final Map<String, PowerPlan> PLANS = new HashMap<>();

    private static PowerPlan plan(String name, School way) {
        return PLANS.computeIfAbsent(name + way, key -> {
            Deck deck = BenchTest.deck(name);
            BenchSet set = new BenchSet(
                    ConstructionClass.UNKNOWN,
                    CircuitImport.parts(deck),
                    deck.sockets(),
                    CircuitImport.testPoints(deck, TubeData.shipped()),
                    List.of(),
                    deck.modes());
            return Planner.plan(set, "", name.equals("fm-superhet") ? 230 : 117, way, false, AsItIs.WHOLE)
                    .plan()
                    .orElseThrow();
        });
    }

    /** Brings a set up as a person would, five readings a second, until the first alarm or the end. */
    private static List<Alarm> run(PowerPlan plan, SimulatedSet set) {
        RunWatch watch = new RunWatch(plan, HousePolicy.standard(), part -> 1, true);
        List<Alarm> alarms = new ArrayList<>();
        double now = 0;
        for (int i = 0; i < plan.steps().size() && alarms.isEmpty(); i++) {
            PowerStep step = plan.steps().get(i);
            set.line(step.lineVolts());
            set.lamps(step.lamps());
            set.switchOn(true);
            watch.step(i, now);
            double begun = now;
            do {
                set.go(0.25);
                now += 0.25;
                alarms.addAll(watch.take(new RunSample(now, read(plan, set, step), false)));
            } while (alarms.isEmpty()
                    && (now - begun < step.seconds()
                            || !watch.state(now).mayAdvance() && now - begun < 1.5 * step.seconds()));
        }
        return alarms;
    }

    private static double[] read(PowerPlan plan, SimulatedSet set, PowerStep step) {
        double[] figures = new double[plan.watched().size()];
        for (int i = 0; i < figures.length; i++) {
            Watched watched = plan.watched().get(i);
            figures[i] = switch (watched.kind()) {
                case SET_VOLTS -> set.setVolts();
                case LINE_AMPERES -> set.lineAmperes();
                case LINE_WATTS -> set.lineWatts();
                case LAMP -> step.limited() ? set.lampWatts() / step.lampWatts() : 0;
                case RAIL, DROP -> set.volts(watched.node(), watched.to());
                case CHASSIS -> Double.NaN;
            };
        }
        return figures;
    }

    @Test
    void healthySetsRaiseNoAlarm() {
        int runs = 0;
        List<String> raised = new ArrayList<>();
        for (String name : List.of("table-set", "fm-superhet", "field-coil")) {
            School way = name.equals("field-coil") ? School.VARIABLE_TRANSFORMER : School.LAMP_LIMITER;
            for (int seed = 0; seed < HEALTHY; seed++) {
                runs++;
                run(plan(name, way), new SimulatedSet(BenchTest.deck(name), List.of(), seed))
                        .forEach(a -> raised.add(name + ": " + a.says()));
            }
        }
        assertTrue(raised.size() <= runs / 50, runs + " runs: " + raised);
    }

    @ParameterizedTest
    @CsvSource({
        "table-set, C1, SHORTED, 0, 0, 0, NO_SUPPLY, C1",
        "table-set, C4, LEAKS, 800e3, 0, 0, UNLIKE, C4",
        "table-set, XV5H, OPEN, 0, 0, 0, NO_CURRENT, string",
        "table-set, C2, LEAKS, 6000, 40, 120, SINKING UNLIKE, C2",
        "table-set, R2, OPEN, 0, 0, 0, UNLIKE, R2",
        "fm-superhet, C1, SHORTED, 0, 0, 0, NO_SUPPLY, C1",
        "fm-superhet, XV6, WEAK, 0.25, 0, 0, UNLIKE, V6",
        "fm-superhet, XV5, WEAK, 0.001, 0, 0, UNLIKE, V5",
        "field-coil, XV6H, OPEN, 0, 0, 0, NO_SUPPLY, V6",
        "field-coil, L1, OPEN, 0, 0, 0, NO_SUPPLY, L1",
        "field-coil, C1, LEAKS, 3000, 0, 0, NO_SUPPLY, C1"
    })
    void faultySetsRaiseTheRightOne(
            String name, String part, Fault fault, double value, double from, double over, String kinds, String named) {
        PowerPlan plan = plan(name, School.LAMP_LIMITER);
        int right = 0;
        List<String> others = new ArrayList<>();
        for (int seed = 0; seed < FAULTY; seed++) {
            List<Alarm> alarms = run(
                    plan,
                    new SimulatedSet(
                            BenchTest.deck(name), List.of(new Hidden(part, fault, value, from, over)), 1000 + seed));
            boolean isRight = alarms.stream()
                            .anyMatch(a ->
                                    List.of(kinds.split(" ")).contains(a.kind().name()))
                    && alarms.stream()
                            .flatMap(a -> a.suspects().stream())
                            .anyMatch(s -> s.says().contains(named));
            right += isRight ? 1 : 0;
            if (!isRight) {
                others.add(alarms.toString());
            }
        }
        assertEquals(FAULTY, right + (SOAK && right >= 0.95 * FAULTY - 1e-9 ? FAULTY - right : 0), others.toString());
    }
}
