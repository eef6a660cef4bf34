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
import org.openjdk.jmh.annotations.Warmup;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.circuit.network.Branch;
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
 * The engine on the demo sets: cold, from the text of the deck to the answer; warm, from the healthy solution with one
 * part changed; a sweep of faults; warming up. Beside them an independent simulator on the same decks, as a process of
 * its own (its library is not packaged), and that process on a deck of one resistor: what is left is net of its
 * start-up.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(1)
public class EngineBenchmark {
    private static final double WARM_UP_SECONDS = 120;

    @Param({"fm-superhet", "table-set", "field-coil", "record-player"})
    private String set;

    private Deck deck;
    private String text;
    private List<String> resistors;
    private Values nominal;
    private Values drifted;
    private Values leaking;
    private AtWork work;
    private List<String> points;
    private LineSchedule straightOn;

    @Setup
    public void load() throws IOException {
        try (InputStream in = ConstructionClass.class.getResourceAsStream("/org/umberdial/core/demo/" + set + ".cir")) {
            text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            deck = DeckReader.read(text);
        }
        Network network = Network.of(deck, TubeModels.shipped(), "");
        nominal = Values.nominal(network);
        resistors = network.branches().stream()
                .filter(branch -> branch.kind() == Branch.Kind.RESISTOR)
                .map(Branch::part)
                .distinct()
                .toList();
        drifted = nominal.with(
                "R2",
                network.branches().stream()
                                .filter(branch -> branch.part().equals("R2"))
                                .findFirst()
                                .orElseThrow()
                                .ohms()
                        * 1.3);
        leaking = nominal.leaking("C5", 2e6);
        work = new AtWork(network);
        points = deck.testPoints();
        straightOn = LineSchedule.straight(network.line().orElseThrow().volts());
        work.solve(nominal);
        work.keep();
    }

    /** From the text of the deck to a checked answer. */
    @Benchmark
    public Outcome coldFromDeck() {
        Network network = Network.of(DeckReader.read(text), TubeModels.shipped(), "");
        return new AtWork(network).solve(Values.nominal(network));
    }

    /** Every resistor open, one after another: how many settle. */
    @Benchmark
    public int sweepOfOpenResistors() {
        int settled = 0;
        for (String part : resistors) {
            work.rewind();
            settled += work.solve(nominal.opened(part)).settled().isPresent() ? 1 : 0;
        }
        return settled;
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

    /**
     * The same operating point in a full transient of an independent simulator, to compare with; none when it is
     * missing.
     */
    @Benchmark
    @BenchmarkMode(Mode.SingleShotTime)
    @Warmup(iterations = 0)
    @Measurement(iterations = 1)
    public int independentSimulator() throws IOException, InterruptedException {
        return simulate(SpiceExport.write(deck, nominal));
    }

    /** What of that is the simulator's start-up. */
    @Benchmark
    @BenchmarkMode(Mode.SingleShotTime)
    @Warmup(iterations = 1)
    @Measurement(iterations = 5)
    public int independentSimulatorStartUp() throws IOException, InterruptedException {
        return simulate("one resistor\nV1 a 0 1\nR1 a 0 1k\n.op\n.end\n");
    }

    private static int simulate(String circuit) throws IOException, InterruptedException {
        Path file = Files.createTempFile("umber", ".cir");
        try {
            Files.writeString(file, circuit);
            Process process = new ProcessBuilder("ngspice", "-b", file.toString())
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                    .start();
            return process.waitFor(200, TimeUnit.SECONDS) ? process.exitValue() : -1;
        } catch (IOException missing) {
            System.out.println("ngspice is not installed; there is nothing to compare with");
            return -1;
        } finally {
            Files.delete(file);
        }
    }
}
