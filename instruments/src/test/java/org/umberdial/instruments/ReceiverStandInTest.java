package org.umberdial.instruments;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.umberdial.core.alignment.SimulatedReceiver;
import org.umberdial.core.evidence.BandSaid;
import org.umberdial.core.evidence.ReceiverSaid;
import org.umberdial.core.tuning.Band;

class ReceiverStandInTest {
    private static SimulatedReceiver receiver() {
        return new SimulatedReceiver(
                new ReceiverSaid(ReceiverSaid.Kind.SUPERHET, 1, 1, ReceiverSaid.Detector.RATIO, Set.of()),
                List.of(
                        new Band(new BandSaid("MW", 530, 1605, 455, true)),
                        new Band(new BandSaid("FM", 87_500, 108_000, 10_700, true))),
                4);
    }

    @Test
    void itAnswersAGeneratorAndItsMetersShowThreeDigits() throws IOException {
        try (ReceiverStandIn standIn = new ReceiverStandIn(receiver());
                Scpi scpi = new Scpi(standIn.port())) {
            scpi.tell("SIM:PLAC CONVERTER,0,NONE;:SOUR:FREQ 455000;:SOUR:VOLT 1e-5");
            String shown = scpi.ask("MEAS:VOLT:AC?");
            assertEquals(Double.parseDouble(shown), ReceiverStandIn.digits(Double.parseDouble(shown)), 1e-12);
            double before = Double.parseDouble(shown);
            scpi.tell("SOUR:VOLT 1e-3");
            assertTrue(Double.parseDouble(scpi.ask("MEAS:VOLT:AC?")) > before, "more in is more out");
            assertTrue(Double.parseDouble(scpi.ask("MEAS:VOLT:DC? (@101)")) > 0, "and wakes the volume control");
            scpi.tell("SIM:PLAC LAST_IF,0,NONE;:SOUR:FREQ 10.7e6;:SOUR:VOLT 3e-3");
            assertEquals(2, scpi.ask("MEAS:VOLT:DC? (@102:103)").split(",").length);
        }
    }

    @Test
    void whatItHasNotIsAnErrorInItsQueue() throws IOException {
        try (ReceiverStandIn standIn = new ReceiverStandIn(receiver());
                Scpi scpi = new Scpi(standIn.port())) {
            for (String nonsense : List.of(
                    "SIM:TURN IF9P,1",
                    "SIM:TURN IF1P,99",
                    "SIM:PLAC NOWHERE,0,NONE",
                    "SIM:PLAC AERIAL,0,KW",
                    "SIM:PLAC AERIAL")) {
                scpi.tell(nonsense);
                assertTrue(scpi.ask("SYST:ERR?").startsWith("-"), nonsense);
            }
            assertEquals("0,\"No error\"", scpi.ask("SYST:ERR?"));
        }
    }
}
