package org.umberdial.core.circuit.work;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.circuit.cold.ColdOhms;
import org.umberdial.core.circuit.deck.DeckRefused;
import org.umberdial.core.circuit.network.Values;

/** Devices beside tubes, each at a published point or a figure worked out by hand. */
class DevicesTest {
    /** Published: strikes at 156 V, burns at 151 V in the middle of 5 to 30 mA, regulates within 2 V. */
    @ParameterizedTest
    @CsvSource({"150, dark", "160, little", "400, burns", "700, much"})
    void aRegulator_strikesBurnsAndSaysWhenItDoesNeither(double supply, String how) {
        OperatingPoint point = Decks.solve("VB b 0 " + supply + "\nR1 b r 13k\nXV1 r 0 0A2");
        double volts = point.volts("r").getAsDouble();
        double milliamperes = (supply - volts) / 13;
        switch (how) {
            case "dark" ->
                assertTrue(volts > 149 && point.notes().get(0).text().contains("stays dark"), point.notes()::toString);
            case "little" ->
                assertTrue(
                        volts < 151
                                && milliamperes < 5
                                && point.notes().get(0).text().contains("less than the 5.00 mA"),
                        point.notes()::toString);
            case "burns" -> {
                assertEquals(151, volts, 0.5);
                assertEquals(17.5, milliamperes, 2);
                assertTrue(point.notes().isEmpty());
            }
            default ->
                assertTrue(point.notes().get(0).text().contains("more than the 30.0 mA"), point.notes()::toString);
        }
    }

    @Test
    void aNeonLamp_burnsAtItsVolts_eitherWayRound() {
        assertEquals(
                60,
                Decks.solve("VB b 0 150\nR1 b n 220k\nXN1 n 0 NE-2").volts("n").getAsDouble(),
                2);
        assertEquals(
                -60,
                Decks.solve("VB b 0 -150\nR1 b n 220k\nXN1 n 0 NE-2").volts("n").getAsDouble(),
                2);
    }

    @Test
    void aZener_breaksDownAtItsVoltage_andConductsForward() {
        String model = "\n.model Z D(IS=1n N=1 BV=12 IBV=5m)";
        assertEquals(
                12,
                Decks.solve("VB b 0 17\nR1 b z 1k\nD1 0 z Z" + model).volts("z").getAsDouble(),
                0.01,
                "5 mA");
        assertEquals(
                0.4,
                Decks.solve("VB b 0 17\nR1 b z 1k\nD1 z 0 Z" + model).volts("z").getAsDouble(),
                0.1);
    }

    /** The code says 55 V at 0.3 A, lamp counted: 25 + 25 + 2 x 6.3 V of heaters on 117 V. */
    @Test
    void aBallastTube_carriesItsStringOnTheLineItIsMadeFor() {
        OperatingPoint point = Decks.solve(Values.nominal(Decks.network(Decks.small("ballast-string.cir"), "")));
        assertEquals(0.3, point.lineAmperes().getAsDouble(), 0.006);
        assertEquals(6.3, point.heaterVolts("XL1").getAsDouble(), 0.7);
    }

    @Test
    void aBarretter_holdsItsCurrent_andSaysWhenItIsOutOfRange() {
        String string = "VLINE a 0 SIN(0 311 50)\nXR1 a b BARRETTER VMIN=80 VMAX=200 A=0.2\nR1 b 0 ";
        double little = Decks.solve(string + 600).lineAmperes().getAsDouble();
        double much = Decks.solve(string + 200).lineAmperes().getAsDouble();
        assertEquals(0.2, little, 0.01);
        assertEquals(little, much, 0.02);
        assertTrue(Decks.solve(string + 10).notes().get(0).text().contains("outside the 80 to 200 V"));
        assertTrue(Decks.solve(string + 300).notes().isEmpty());
    }

    @Test
    void aThermistor_hasItsHotOhmsAtItsCurrent_andItsColdOnesWhenOff() {
        var network =
                Decks.network("VLINE a 0 SIN(0 141.42 50)\nR1 a b 289\nXTH1 b 0 NTC R=1.5k HOT=44 A=0.3\nR2 a x 1k");
        OperatingPoint point = Decks.solve(Values.nominal(network));
        assertEquals(0.3, point.lineAmperes().getAsDouble(), 0.003);
        assertEquals(0.3 * 44, point.heaterVolts("XTH1").getAsDouble(), 0.2);
        assertEquals(1500, new ColdOhms(Values.nominal(network)).between("b", "0"), 1);
    }

    /** OC71: gain 47 at 3 mA, leakage 4.5 uA at 25 C, twice that for every 10 K. */
    @Test
    void aGermaniumTransistor_hasItsGainAndItsLeakage() {
        OperatingPoint working = Decks.solve("VB b 0 -6\nR1 b c 500\nI1 q 0 65u\nR9 q 0 1g\nQ1 c q 0 OC71");
        double amperes = 47 * 65e-6 + 48 * 4.5e-6;
        assertEquals(amperes, -working.plateAmperes("Q1").getAsDouble(), 0.02 * amperes);
        assertEquals(4.5e-6, leak("25"), 0.1e-6);
        assertEquals(9e-6, leak("35"), 1e-6);
        String open = "VB b 0 -6\nR1 b c 100\nQ1 c q 0 OC71\nR2 q x 1k\n";
        assertEquals(
                48 * 4.5e-6,
                -Decks.solve(open).plateAmperes("Q1").getAsDouble(),
                0.1 * 48 * 4.5e-6,
                "base open: gain times the leakage");
    }

    /** Collector to base, emitter open. */
    private static double leak(String celsius) {
        OperatingPoint point = Decks.solve("VB b 0 -6\nR1 b c 1k\nQ1 c 0 e OC71 ; temp=" + celsius + "\nR2 e x 1k");
        return (point.volts("c").getAsDouble() + 6) / 1000;
    }

    @Test
    void anUnknownTransistor_isAskedForItsModel() {
        DeckRefused refused = assertThrows(DeckRefused.class, () -> Decks.network("VB b 0 9\nQ1 b b 0 XY99"));
        assertTrue(refused.faults().get(0).text().contains(".model XY99 PNP("), refused.faults()::toString);
    }

    /** Published: 90 degrees at 0 V, none at -22 V, on 250 V through 1 megohm. */
    @ParameterizedTest
    @CsvSource({"0, 90", "-22, 0", "-9, 45"})
    void aTuningEye_showsItsShadow(double grid, double degrees) {
        OperatingPoint point = Decks.solve("VB b 0 250\nVG g 0 " + grid + "\nR1 b p 1meg\nXV6 p b g 0 6G5_E");
        assertEquals(degrees, point.shadowDegrees("XV6").getAsDouble(), 6);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Q1 c b 0 OC71 ; temp=hot|temp=hot",
                "D1 c 0 M~.model M NPN(BF=100)|transistor's model",
                "Q1 c b 0 M~.model M NPN(BF=-5 IS=1p)|above 0",
                "D1 0 c M~.model M D(BV=5 IBV=0)|IBV above 0",
                "XN1 c 0 NEON STRIKE=10 BURN=60|strikes at more",
                "XR1 c 0 NTC R=10 HOT=100 A=0.3|cold ohms",
                "XR1 c 0 BARRETTER VMIN=200 VMAX=80 A=1|VMIN=80",
            })
    void figuresThatCannotBe_areRefused(String cards, String says) {
        DeckRefused refused = assertThrows(
                DeckRefused.class, () -> Decks.network("VB b 0 9\nR1 b c 1k\n" + cards.replace('~', '\n')));
        assertTrue(refused.faults().get(0).text().contains(says), refused.faults()::toString);
    }

    @Test
    void ofTwoLampsOnOneResistor_oneBurnsAndTheOtherStaysDark() {
        OperatingPoint point = Decks.solve("VB b 0 150\nR1 b n 220k\nXN1 n 0 NE-2\nXN2 n 0 NE-2");
        assertTrue(
                point.notes().size() == 1 && point.notes().get(0).text().startsWith("XN2 stays dark"),
                point.notes()::toString);
    }

    @Test
    void aThermistorAcrossTheLine_isSaidToBurn() {
        OperatingPoint point = Decks.solve("VLINE a 0 SIN(0 325 50)\nXTH1 a 0 NTC R=3k HOT=220 A=0.1");
        assertTrue(point.notes().get(0).text().contains("times the power it is made for"), point.notes()::toString);
    }

    /** 20 H at next to nothing, 5 H at 150 mA: what is left hums through as a choke of that inductance would let it. */
    @Test
    void aSwingingChoke_hasTheInductanceOfItsCurrent() {
        var swinging = Decks.network(Decks.small("swinging-choke.cir"), "");
        OperatingPoint point = Decks.solve(Values.nominal(swinging));
        double amperes = point.volts("b").getAsDouble() / 4000;
        double henries = 20 / (1 + 3 * Math.pow(amperes / 0.15, 2));
        assertEquals(henries, point.values().henries()[1], 0.01 * henries);
        String plain = "VLINE line 0 SIN(0 325.27 50)\nXT1 line 0 hv1 0 0 hv2 XFMR VP=230 RP=14 V1=350 R1=120 V2=350 "
                + "R2=120\nXV1 hv1 hv2 k 5Y3GT\nC1 b 0 16u\nR1 b 0 4k\nL1 k b " + henries + " ; rser=120";
        double hum = hum(Values.nominal(Decks.network(plain)));
        assertEquals(hum, hum(Values.nominal(swinging)), 0.02 * hum);
    }

    private static double hum(Values values) {
        return Ripple.of(new AtWork(values.network()), values).orElseThrow().peakToPeak("b");
    }
}
