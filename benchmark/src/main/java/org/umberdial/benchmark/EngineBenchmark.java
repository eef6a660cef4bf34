package org.umberdial.benchmark;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.spice.SpiceExport;
import org.umberdial.core.circuit.work.AtWork;
import org.umberdial.core.circuit.work.LineSchedule;
import org.umberdial.core.circuit.work.Outcome;
import org.umberdial.core.circuit.work.WarmUp;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.tube.TubeModels;

/**
 * The engine on the demo sets, from the healthy solution: solving the set again, one changed part, warming up. At the end the
 * independent simulator's time for the same operating point is printed, if it is installed.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class EngineBenchmark {
    private static final double WARM_UP_SECONDS = 120;

    @Param({"fm-superhet", "table-set", "field-coil", "record-player"})
    private String set;

    private Deck deck;
    private Values nominal;
    private Values drifted;
    private Values leaking;
    private AtWork work;
    private List<String> points;
    private LineSchedule straightOn;

    @Setup
    public void load() throws IOException {
        try (InputStream in = ConstructionClass.class.getResourceAsStream("/org/umberdial/core/demo/" + set + ".cir")) {
            deck = DeckReader.read(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        }
        Network network = Network.of(deck, TubeModels.shipped(), "");
        nominal = Values.nominal(network);
        drifted = nominal.with("R2", network.branches().stream().filter(branch -> branch.part().equals("R2")).findFirst().orElseThrow().ohms() * 1.3);
        leaking = nominal.leaking("C5", 2e6);
        work = new AtWork(network);
        points = deck.testPoints();
        straightOn = LineSchedule.straight(network.line().orElseThrow().volts());
        work.solve(nominal);
        work.keep();
    }

    /** The healthy set once more, its answer checked against Kirchhoff's law. */
    @Benchmark
    public Outcome operatingPoint() {
        work.rewind();
        return work.solve(nominal);
    }

    /** A resistor a third up. */
    @Benchmark
    public Outcome whatIfAResistorDrifts() {
        work.rewind();
        return work.solve(drifted);
    }

    /** A leaking capacitor. */
    @Benchmark
    public Outcome whatIfACapacitorLeaks() {
        work.rewind();
        return work.solve(leaking);
    }

    @Benchmark
    public WarmUp.Course warmUp() {
        return WarmUp.run(nominal, straightOn, points, WARM_UP_SECONDS);
    }

    /** What the same operating point takes in a full transient elsewhere. */
    @TearDown
    public void compare() throws IOException, InterruptedException {
        Path file = Files.createTempFile("umber", ".cir");
        Files.writeString(file, SpiceExport.write(deck, nominal));
        try {
            long start = System.nanoTime();
            Process process = new ProcessBuilder("ngspice", "-b", file.toString()).redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
            process.waitFor(200, TimeUnit.SECONDS);
            System.out.printf("%n# %s: ngspice needs %.1f s for a transient that settles%n", set, (System.nanoTime() - start) / 1e9);
        } catch (IOException missing) {
            System.out.printf("%n# ngspice is not installed; nothing to compare %s with%n", set);
        }
        Files.delete(file);
    }
}
