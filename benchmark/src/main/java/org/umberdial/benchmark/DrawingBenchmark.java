package org.umberdial.benchmark;

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
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.draft.Answers;
import org.umberdial.core.draft.Draft;
import org.umberdial.core.draft.Drafter;
import org.umberdial.core.draft.LineUp;
import org.umberdial.core.drawing.Drawing;
import org.umberdial.core.drawing.Schematic;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeModels;

/** A draft of an FM set with its solving, the drawing of its 64 parts, and the drawing of 300 parts. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(1)
public class DrawingBenchmark {
    private static final String LINE_UP = "ECC85 ECH81 EBF89 EABC80 EL84 EZ80";

    private Deck set;
    private Deck large;

    @Setup
    public void read() {
        set = draft().deck();
        StringBuilder text = new StringBuilder("* thirty stages\nV1 b1 0 250\nRB b1 bplus 1k\nCB bplus 0 40u\n");
        for (int i = 1; i <= 50; i++) {
            text.append("XV%d p%d g%d k%d 6J5_T\nRP%d bplus p%d 47k\nRK%d k%d 0 1k\nCK%d k%d 0 25u\nRG%d g%d 0 470k\n"
                    .formatted(i, i, i, i, i, i, i, i, i, i, i, i));
            text.append("CC%d %s g%d 10n\n".formatted(i, i == 1 ? "in" : "p" + (i - 1), i));
        }
        large = DeckReader.read(text + ".end\n");
    }

    @Benchmark
    public Draft draft() {
        return new Drafter(TubeModels.shipped()).draft(LineUp.read(LINE_UP, TubeData.shipped()), Answers.NONE);
    }

    @Benchmark
    public Drawing drawing() {
        return Schematic.draw(set, TubeData.shipped());
    }

    @Benchmark
    public Drawing drawingOf300Parts() {
        return Schematic.draw(large, TubeData.shipped());
    }
}
