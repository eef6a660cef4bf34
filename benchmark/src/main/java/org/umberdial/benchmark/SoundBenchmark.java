package org.umberdial.benchmark;

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
import org.umberdial.core.sound.Heard;
import org.umberdial.core.sound.SimulatedPlayer;
import org.umberdial.core.sound.Sound;
import org.umberdial.core.sound.SpeedLine;
import org.umberdial.core.sound.SpeedMeter;
import org.umberdial.core.sound.ToneTracker;

/** A minute of a test tone at 48 kHz with noise, hum and clicks, and one look at the live meter. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 3)
@Measurement(iterations = 3, time = 3)
@Fork(1)
public class SoundBenchmark {
    private Sound minute;
    private ToneTracker going;

    @Setup
    public void play() {
        SimulatedPlayer player = new SimulatedPlayer(
                3150, -3, 0.1, List.of(new SpeedLine(0.54, 0.3, 1), new SpeedLine(2.9, 0.2, 0)), -35, -30, 60, 20, 5);
        minute = player.play(48000, 60);
        going = SpeedMeter.tracker(48000, 3150);
        going.take(minute.samples());
    }

    @Benchmark
    public Heard wowAndFlutterOfAMinute() {
        return SpeedMeter.of(minute, 3150);
    }

    @Benchmark
    public SpeedMeter.Now theLiveMeterAfterAMinute() {
        return SpeedMeter.now(going);
    }
}
