package org.umberdial.core.circuit.work;

import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.spice.SpiceExport;

/** The independent circuit simulator from Debian's packages, run on exported decks. */
final class Simulator {
    /** What one run measured: mean and peak to peak per node, RMS of the line. */
    record Answer(Map<String, Double> mean, Map<String, Double> peakToPeak, double lineRms, double seconds) {}

    private Simulator() {}

    /** Fails when it is missing where it must not be, and skips the test elsewhere. */
    static void require() {
        boolean there = there();
        if (!there && System.getenv("CI") != null) {
            throw new AssertionError("ngspice is missing; install it with: apt-get install ngspice");
        }
        assumeTrue(there, "ngspice is not installed, so the engine is not checked against it here");
    }

    private static boolean there() {
        try {
            Process process = new ProcessBuilder("ngspice", "--version")
                    .redirectErrorStream(true)
                    .start();
            process.getInputStream().readAllBytes();
            return process.waitFor() == 0;
        } catch (IOException e) {
            return false;
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    static Answer run(Deck deck, Values values, double settleSeconds, int stepsPerCycle) {
        return run(values.network(), SpiceExport.write(deck, values, settleSeconds, stepsPerCycle), deck.title());
    }

    /** @param text of a deck that was written for a network, and perhaps changed since */
    static Answer run(Network network, String text, String title) {
        try {
            Path file = Files.createTempFile("umber", ".cir");
            Files.writeString(file, text);
            long start = System.nanoTime();
            Path output = Files.createTempFile("umber", ".out");
            Process process = new ProcessBuilder("ngspice", "-b", file.toString())
                    .redirectErrorStream(true)
                    .redirectOutput(output.toFile())
                    .start();
            if (!process.waitFor(100, TimeUnit.SECONDS)) {
                process.destroyForcibly();
                throw new AssertionError("ngspice did not end within 100 s on " + title);
            }
            double seconds = (System.nanoTime() - start) / 1e9;
            Map<String, Double> measured = new HashMap<>();
            for (String line : Files.readAllLines(output)) {
                String[] words = line.strip().split("\\s+");
                if (words.length > 2 && words[1].equals("=") && words[2].matches("[-+0-9.e]+")) {
                    measured.put(words[0], Double.parseDouble(words[2]));
                }
            }
            Files.delete(file);
            Files.delete(output);
            return answer(network, measured, seconds);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            throw new AssertionError(e);
        }
    }

    private static Answer answer(Network network, Map<String, Double> measured, double seconds) {
        Map<String, Double> mean = new HashMap<>();
        Map<String, Double> peakToPeak = new HashMap<>();
        for (int i = 0; i < network.namedNodes(); i++) {
            String name = network.names().get(i);
            Double volts = measured.get(SpiceExport.meanOf(i));
            if (volts == null) {
                throw new AssertionError("ngspice gave no voltage for " + name);
            }
            mean.put(name, volts);
            peakToPeak.put(name, measured.get(SpiceExport.peakToPeakOf(i)));
        }
        return new Answer(mean, peakToPeak, measured.getOrDefault(SpiceExport.LINE_RMS, Double.NaN), seconds);
    }
}
