package org.umberdial.core.circuit.work;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.network.Heat;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Source;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.spice.SpiceExport;

/**
 * Sets on their way up against the independent simulator, from cold heaters. There every heater warms a quarter of the
 * time, so that seconds are enough; the filters, which settle in a fraction of that, follow in both.
 */
class WarmUpAgreementTest {
    private static final double FASTER = 4;
    private static final double MEASURED_CYCLES = 10;
    private static final double AGREES = 0.05;

    @BeforeAll
    static void require() {
        Simulator.require();
    }

    @ParameterizedTest
    @CsvSource({"table-set, filter_1, 9", "fm-superhet, b1, 8", "field-coil, bplus, 3"})
    void aSetOnItsWayUp_agreesWithTheSimulator(String name, String node, double seconds) {
        Deck deck = Decks.demo(name);
        Network network = Decks.network(deck, "");
        Source line = network.line().orElseThrow();
        Values values = Values.nominal(network).atLine(line.volts());
        String text = cold(network, SpiceExport.write(deck, values, seconds / FASTER, 100));
        double theirs = Simulator.run(network, text, name).mean().get(node);
        double window = MEASURED_CYCLES / line.hertz() * FASTER;
        List<WarmUp.Sample> samples = WarmUp.run(
                        values, LineSchedule.straight(line.volts()), List.of(node), seconds + window)
                .samples();
        double ours = samples.stream()
                .filter(s -> s.seconds() >= seconds)
                .mapToDouble(s -> s.points()[0])
                .average()
                .orElseThrow();
        double end = samples.get(samples.size() - 1).points()[0];
        assertTrue(ours > 20, name + " is on its way: " + ours);
        assertEquals(theirs, ours, AGREES * Math.max(Math.abs(theirs), Math.abs(end)), name + " " + node);
    }

    /** The same deck with heaters that start cold and take the time of their own, shortened alike. */
    private static String cold(Network network, String text) {
        String changed = text;
        for (Heat heat : network.heats()) {
            int from = changed.indexOf(".subckt HEAT_" + heat.part() + " ");
            int to = changed.indexOf(".ends", from);
            String body = changed.substring(from, to)
                    .replace(
                            "Ct t 0 0.1 IC=1",
                            String.format(
                                    Locale.ROOT, "Ct t 0 %.6g IC=0", heat.law().seconds() / FASTER))
                    .replace("Cw w 0 300u IC=1", "Cw w 0 3u IC=0");
            assertTrue(body.contains("IC=0"), "the heater of " + heat.part() + " is made cold");
            changed = changed.substring(0, from) + body + changed.substring(to);
        }
        return changed;
    }
}
