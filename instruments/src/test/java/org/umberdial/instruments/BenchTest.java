package org.umberdial.instruments;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;

/** The stand-ins as a controller meets them; time is the test's own. */
class BenchTest {
    private final AtomicLong nanos = new AtomicLong();
    private Bench bench;

    static Deck deck(String name) {
        try (InputStream in = BenchTest.class.getResourceAsStream("/org/umberdial/core/demo/" + name + ".cir")) {
            return DeckReader.read(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    @BeforeEach
    void start() {
        bench = new Bench(
                faults -> new SimulatedSet(deck("table-set"), faults, 3),
                new Clips(List.of(new Clips.Pair("filter_1", "0"), new Clips.Pair("filter_1", "filter_2"))),
                117,
                1,
                nanos::get);
    }

    @AfterEach
    void stop() {
        bench.close();
    }

    private void pass(double seconds) {
        nanos.addAndGet((long) (seconds * 1e9));
    }

    @Test
    void aSetComesUpOnALamp_andDownWhenTheOutputGoesOff() throws IOException {
        try (Scpi supply = new Scpi(bench.supplyPort());
                Scpi limiter = new Scpi(bench.limiterPort());
                Scpi meter = new Scpi(bench.scannerPort())) {
            limiter.order("SOUR:LAMP 60");
            assertEquals("0", supply.ask("OUTP?"));
            supply.order("source:voltage:level 117;:OUTPUT:STATE ON");
            assertEquals(117, supply.number("MEAS:VOLT:AC?"), 0.01);
            pass(60);
            double rail = meter.number("MEASure:SCALar:VOLTage:DC? (@101)");
            assertEquals(88, rail, 9);
            assertEquals(98, limiter.number("MEAS:VOLT:AC?"), 5);
            assertEquals(0.193, supply.number("MEAS:CURR:AC?"), 0.02);
            String both = meter.ask("MEAS:VOLT? (@101:102)");
            assertEquals(2, both.split(",").length, both);
            supply.order("OUTP OFF");
            assertEquals("0", supply.ask("OUTP?"));
            pass(20);
            assertTrue(meter.number("MEAS:VOLT? (@101)") < 0.5 * rail, "the capacitors empty themselves");
        }
    }

    @Test
    void aFaultIsHiddenAndShowsInTheFiguresAlone() throws IOException {
        try (Scpi supply = new Scpi(bench.supplyPort());
                Scpi meter = new Scpi(bench.scannerPort())) {
            supply.order("SIM:FAUL C1,SHORTED");
            supply.tell("SIM:FAUL C99,SHORTED");
            assertEquals("-222,\"Data out of range\"", supply.ask("SYST:ERR?"), "there is no such part");
            supply.order("OUTP ON");
            pass(40);
            assertTrue(meter.number("MEAS:VOLT? (@101)") < 2);
            assertTrue(supply.number("MEAS:CURR:AC?") > 0.5);
        }
    }

    @Test
    void commonCommandsAndTheErrorQueue() throws IOException {
        try (Scpi meter = new Scpi(bench.scannerPort())) {
            assertTrue(meter.ask("*IDN?").startsWith("Umber Dial,SCANNING METER"));
            assertEquals("128", meter.ask("*ESR?"), "power on");
            assertEquals("0", meter.ask("*ESR?"), "and read clears it");
            meter.tell("NONSENSE:HERE 1;*ESE 32");
            assertEquals("36", meter.ask("*STB?"), "an error waits, and the event is let through");
            assertEquals("1", meter.ask("SYST:ERR:COUN?"));
            assertEquals("-113,\"Undefined header\"", meter.ask("SYSTem:ERRor:NEXT?"));
            assertEquals("0,\"No error\"", meter.ask("SYST:ERR?"));
            assertEquals("1", meter.ask("*OPC?"));
            assertEquals("0", meter.ask("*TST?"));
            assertEquals("1999.0", meter.ask("SYST:VERS?"));
            meter.tell("MEAS:VOLT? (@555)");
            meter.tell("MEAS:VOLT? (@)");
            meter.tell("*CLS");
            assertEquals("0", meter.ask("SYST:ERR:COUN?"));
            for (int i = 0; i < 40; i++) {
                meter.tell("X" + i);
            }
            List<String> queue = new ArrayList<>();
            for (int i = 0; i < 20; i++) {
                queue.add(meter.ask("SYST:ERR?"));
            }
            assertEquals("-350,\"Queue overflow\"", queue.get(19));
        }
    }

    @Test
    void garbageALineWithoutEndAndAHalfClosedSocketHarmNobody() throws IOException {
        try (Scpi rude = new Scpi(bench.supplyPort());
                Scpi half = new Scpi(bench.supplyPort());
                Scpi good = new Scpi(bench.supplyPort())) {
            rude.tell("\u0000\u00ff\u0007;;;:::;((((,,,,");
            rude.tell("A".repeat(100_000));
            rude.tell("OUTP MAYBE");
            rude.tell("SOUR:VOLT 9999");
            rude.tell("SOUR:VOLT -1");
            rude.tell("SOUR:VOLT");
            assertTrue(Integer.parseInt(rude.ask("SYST:ERR:COUN?")) >= 5);
            assertEquals("0", good.ask("OUTP?"), "nothing was switched");
            assertEquals(117, good.number("SOUR:VOLT?"), 0.001, "nothing was set");
            half.socket.getOutputStream().write("OUTP".getBytes(StandardCharsets.US_ASCII));
            half.socket.shutdownOutput();
            assertEquals(-1, half.socket.getInputStream().read(), "half a command is none");
            assertEquals("0", good.ask("OUTP?"));
        }
    }

    @Test
    void aCableThatIsPulledEndsTheConversation() throws IOException {
        try (Scpi meter = new Scpi(bench.scannerPort())) {
            assertTrue(meter.number("MEAS:VOLT? (@101)") < 1);
            bench.dropScanner();
            assertNull(meter.ask("MEAS:VOLT? (@101)"));
        } catch (java.net.SocketException gone) {
            // Either is how it shows.
        }
    }

    @Test
    void theOtherInstrumentsAnswerAsWell() throws IOException {
        List<Integer> ports = bench.otherPorts();
        try (Scpi leakage = new Scpi(ports.get(0));
                Scpi generator = new Scpi(ports.get(1));
                Scpi scope = new Scpi(ports.get(2));
                Scpi tachometer = new Scpi(ports.get(3))) {
            leakage.tell("SOUR:VOLT 400");
            assertTrue(leakage.number("MEAS:CURR?") < 1e-4);
            generator.tell("SOUR:FREQ 455E3;VOLT 0.1;:OUTP ON");
            assertEquals(455e3, generator.number("SOUR:FREQ?"), 1);
            assertEquals(
                    0.1, generator.number("SOUR:VOLT?"), 1e-6, "a command goes on from the path of the one before");
            assertEquals("1", generator.ask("OUTP?"));
            assertEquals(0, scope.number("MEAS:FREQ?"));
            assertEquals(33.31, tachometer.number("MEAS:RPM?"), 0.01);
        }
    }
}
