package org.umberdial.core.cold;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.StartingCircuit;
import org.umberdial.core.set.SupplyLabel;
import org.umberdial.core.tube.TubeData;

/** What a set's circuit says of its own make-up: roles, the line chain, transformers, what holds a charge. */
class SetPartsTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            string | LINE_SWITCH | R20
            string | LINE_CAPACITOR | C13 C14
            string | COUPLING_CAPACITOR | C4
            string | CATHODE_BYPASS | C3
            string | FILTER_CAPACITOR | C1 C2
            string | SURGE_RESISTOR | R1
            string | OUTPUT_TRANSFORMER | XT1
            string | POWER_TRANSFORMER | ''
            string | STRING_HEATER | XV5 XV4 XV2 XV1 XV3
            fm | POWER_TRANSFORMER | XT1
            fm | OUTPUT_TRANSFORMER | XT2
            fm | COUPLING_CAPACITOR | C5
            fm | STRING_HEATER | ''
            fm | SWITCH_CONTACT | R15 R18
            fm | VOICE_COIL | R2
            player | RECTIFIER_SELENIUM | XD1
            player | MOTOR | L1
            player | HEATER | XV1B XV2
            field | FIELD_COIL | L1
            field | LINE_FUSE | FUSE
            field | COIL | L2 L3 L4 L5 L6
            empty | LINE_CORD | CORD
            """)
    void rolesFollowFromTheCircuit(String scene, Role role, String parts) {
        assertEquals(
                parts.isEmpty() ? List.of() : List.of(parts.split(" ")),
                Scenes.named(scene).roles().of(role));
    }

    @Test
    void theLineChain_runsFromPinToPin() {
        LineChain string = Scenes.STRING.chain();
        assertEquals(
                List.of("CORD", "FUSE", "R20", "XV5H", "XV4H", "XV2H", "XV1H", "XV3H", "CORD"),
                string.links().stream().map(LineChain.Link::reference).toList());
        assertEquals(string.links().size() + 1, string.points().size());
        assertEquals("one plug pin", string.points().get(0));
        assertTrue(string.setFirst().contains("All tubes in their sockets"));
        LineChain fm = Scenes.FM.chain();
        assertTrue(fm.parts().contains("XT1") && fm.nodes().contains("pri"));
        assertTrue(fm.setFirst().stream().anyMatch(s -> s.startsWith("Voltage selector")));
        assertEquals(5, Scenes.EMPTY.chain().links().size());
        assertEquals(16.2, fm.ohms(3, 4) + fm.ohms(0, 1) + fm.ohms(4, 5), 0.05);
    }

    @Test
    void everyStartingCircuit_hasAPlan() {
        for (StartingCircuit circuit : StartingCircuit.all()) {
            var deck = circuit.deck();
            BenchSet set = new BenchSet(
                    circuit.construction(),
                    CircuitImport.parts(deck),
                    deck.sockets(),
                    List.of(),
                    List.of(),
                    deck.modes(),
                    deck.models(),
                    List.of());
            ColdScene scene = new ColdScene(
                    set,
                    SupplyLabel.UNKNOWN,
                    HousePolicy.standard(),
                    deck.modes().isEmpty() ? "" : deck.modes().get(0));
            ColdPlan plan = ColdPlan.of(
                    scene,
                    ColdBench.of(scene, new org.umberdial.core.evidence.EvidenceLog(List.of())),
                    java.util.EnumSet.allOf(Equipment.class));
            assertTrue(
                    plan.steps().stream()
                                    .filter(s -> s.state() == ColdPlan.State.OPEN)
                                    .count()
                            > 5,
                    circuit.id());
            assertEquals("discharge", plan.next().orElseThrow().row().id(), circuit.id());
            assertFalse(
                    Charge.holders(scene).isEmpty() && circuit.construction().lineFed(), circuit.id());
            assertEquals(
                    circuit.construction().lineFed(),
                    !scene.roles().of(Role.LINE_CORD).isEmpty());
        }
    }

    @Test
    void windingsAreNamedByWhatHangsOnThem() {
        Transformer field = Scenes.FIELD.power().orElseThrow();
        assertEquals(
                List.of("primary", "high voltage 1", "high voltage 2", "rectifier's heater", "heaters"),
                field.windings().stream().map(Transformer.Winding::name).toList());
        assertEquals(2.0, field.of(Transformer.Use.RECTIFIER_HEATER).get(0).amperes(), 1e-9);
        assertEquals(
                0.86 + 0.3,
                Scenes.PLAYER
                        .power()
                        .orElseThrow()
                        .of(Transformer.Use.HEATERS)
                        .get(0)
                        .amperes(),
                1e-9);
        assertEquals(
                Transformer.Use.SPEAKER,
                Scenes.FM.output().orElseThrow().secondaries().get(0).use());
    }

    @Test
    void whatHoldsACharge_isBledWithTheMostEnergyFirst() {
        List<Charge.Holder> holders = Charge.holders(Scenes.FM);
        assertEquals(
                List.of("C1", "C2", "C11"),
                holders.stream().map(Charge.Holder::reference).toList());
        Charge.Holder first = holders.get(0);
        double volts = first.volts().orElseThrow();
        assertTrue(first.working());
        assertEquals(first.farads() * volts * volts / 2, first.joules(), 1e-12);
        assertEquals(Charge.seconds(10e3, first.farads(), volts, 30), first.seconds(10e3, 30), 1e-12);
        assertEquals(2 * first.seconds(10e3, 30), first.seconds(20e3, 30), 1e-9);
    }

    @Test
    void heaters_areJudgedAroundASeventh() {
        OptionalDouble expected =
                HeaterOhms.expected(TubeData.shipped().type("50C5").orElseThrow());
        assertEquals(47.6, expected.orElseThrow(), 0.05);
        assertEquals(Verdict.GOOD, HeaterOhms.judge(47.6, 50.0 / 0.15 / 5));
        assertEquals(Verdict.GOOD, HeaterOhms.judge(47.6, 50.0 / 0.15 / 8));
        assertEquals(Verdict.DOUBT, HeaterOhms.judge(47.6, 180));
        assertEquals(Verdict.DOUBT, HeaterOhms.judge(47.6, 4));
        assertEquals(Verdict.BAD, HeaterOhms.judge(47.6, Double.POSITIVE_INFINITY));
    }

    @Test
    void resistorInPlace_isTakenAsProvenOnlyWhereADriftWouldShow() {
        InCircuit load = InCircuit.of(Scenes.FM, "R6").orElseThrow();
        assertTrue(load.tells());
        assertEquals(Verdict.GOOD, load.judge(load.predicted(), false).word());
        InCircuit shunted = new InCircuit(load.part(), 220e3, 1000, 1004.6);
        assertFalse(shunted.tells());
        assertTrue(shunted.says().startsWith("lift a lead"));
        assertEquals(Verdict.NO_EXPECTATION, shunted.judge(1000, false).word());
        assertEquals(Verdict.BAD, shunted.judge(300e3, true).word());
        assertEquals(Verdict.DOUBT, load.judge(0.6 * load.predicted(), false).word());
        assertTrue(InCircuit.of(Scenes.FM, "R99").isEmpty());
        BenchSet fm = Scenes.FM.set();
        BenchSet unread = new BenchSet(
                fm.construction(),
                fm.parts(),
                fm.sockets(),
                fm.testPoints(),
                fm.sheet(),
                fm.modes(),
                fm.models(),
                List.of("line 3 could not be read"));
        InCircuit blind = InCircuit.of(new ColdScene(unread, SupplyLabel.UNKNOWN, HousePolicy.standard(), "FM"), "R6")
                .orElseThrow();
        assertEquals(Verdict.NO_EXPECTATION, blind.judge(220e3, false).word());
        assertEquals(Verdict.BAD, blind.judge(300e3, false).word());
    }

    @Test
    void settling_readsTheLaterOfTwo() {
        Figures climbing = Scenes.figures("o=10000 t=30 o2=4000 t2=5");
        Settling settling = Settling.of(climbing, "o", "t", "o2", "t2");
        assertEquals(OptionalDouble.of(10000), settling.last());
        assertTrue(settling.climbing());
        assertFalse(Settling.of(Scenes.figures("o=10000 t=5 o2=10100 t2=30"), "o", "t", "o2", "t2")
                .climbing());
        assertFalse(Settling.of(Scenes.figures("o=10000"), "o", "t", "o2", "t2").climbing());
    }
}
