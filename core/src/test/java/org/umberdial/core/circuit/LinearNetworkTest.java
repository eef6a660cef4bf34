package org.umberdial.core.circuit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.umberdial.core.circuit.linear.LinearNetwork;

class LinearNetworkTest {
    @Test
    void divider_givesVoltsAndSourceResistance() {
        LinearNetwork network = new LinearNetwork();
        network.voltageSource("b", "0", 250);
        network.resistor("b", "plate", 270e3);
        network.resistor("plate", "0", 62.5e3);
        LinearNetwork.Solution solution = network.solve();
        assertEquals(250 * 62.5 / 332.5, solution.volts("plate"), 1e-6);
        assertEquals(50.75e3, solution.sourceOhms("plate", "0"), 2);
        assertEquals(270e3 * 62.5 / 332.5, solution.sourceOhms("b", "plate"), 2);
    }

    @Test
    void controlledSource_drivesItsCurrent() {
        LinearNetwork network = new LinearNetwork();
        network.voltageSource("grid", "0", 2);
        network.transconductance("plate", "0", "grid", "0", 1.5e-3);
        network.resistor("plate", "0", 10e3);
        assertEquals(-30, network.solve().volts("plate"), 1e-6);
    }

    @Test
    void floatingNode_isSaidToFloat() {
        LinearNetwork network = new LinearNetwork();
        network.resistor("a", "0", 100);
        network.resistor("x", "y", 100);
        LinearNetwork.Solution solution = network.solve();
        assertTrue(solution.isGrounded("a"));
        assertFalse(solution.isGrounded("x"));
        assertEquals(Double.POSITIVE_INFINITY, solution.sourceOhms("x", "0"));
        assertFalse(solution.knows("z"));
    }

    @Test
    void contradictingSources_areRefused() {
        LinearNetwork network = new LinearNetwork();
        network.voltageSource("a", "0", 5);
        network.voltageSource("a", "0", 6);
        assertThrows(IllegalStateException.class, network::solve);
        assertThrows(IllegalArgumentException.class, () -> network.resistor("a", "b", 0));
    }

    /**
     * Kirchhoff's law at every node, reciprocity of resistors, and no change when nodes and parts are entered in
     * another order.
     */
    @Test
    void randomNetworks_obeyTheLaws() {
        for (long seed = 1; seed <= 30; seed++) {
            Random random = new Random(seed);
            List<Object[]> resistors = new ArrayList<>();
            int nodes = 3 + random.nextInt(12);
            for (int i = 1; i <= nodes; i++) {
                int lower = random.nextInt(i); // an earlier node, or the reference: nothing floats
                resistors.add(new Object[] {
                    "n" + i, lower == 0 ? "0" : "n" + lower, Math.pow(10, 2 + 4 * random.nextDouble())
                });
            }
            resistors.add(new Object[] {"n1", "0", 1000.0});
            int driven = random.nextInt(nodes) + 1;
            LinearNetwork.Solution solution = solve(resistors, driven);
            assertEquals(
                    solution.transferOhms("n1", "n2"),
                    solution.transferOhms("n2", "n1"),
                    Math.abs(solution.transferOhms("n1", "n2")) * 1e-9,
                    "seed " + seed);
            for (int i = 1; i <= nodes; i++) {
                String node = "n" + i;
                double drawn = 0;
                for (Object[] r : resistors) {
                    drawn += r[0].equals(node)
                            ? (solution.volts(node) - solution.volts((String) r[1])) / (double) r[2]
                            : r[1].equals(node)
                                    ? (solution.volts(node) - solution.volts((String) r[0])) / (double) r[2]
                                    : 0;
                }
                assertEquals(i == driven ? 1e-3 : 0, drawn, 1e-9, "seed " + seed + " " + node);
            }
            Collections.shuffle(resistors, random);
            assertEquals(
                    solution.volts("n1"),
                    solve(resistors, driven).volts("n1"),
                    Math.abs(solution.volts("n1")) * 1e-6 + 1e-9,
                    "seed " + seed);
        }
    }

    private static LinearNetwork.Solution solve(List<Object[]> resistors, int driven) {
        LinearNetwork network = new LinearNetwork();
        resistors.forEach(r -> network.resistor((String) r[0], (String) r[1], (double) r[2]));
        network.currentSource("0", "n" + driven, 1e-3);
        return network.solve();
    }
}
