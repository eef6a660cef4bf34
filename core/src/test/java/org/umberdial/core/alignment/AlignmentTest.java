package org.umberdial.core.alignment;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.umberdial.core.alignment.SimulatedReceiver.Generator;
import org.umberdial.core.evidence.BandSaid;
import org.umberdial.core.evidence.GearSaid;
import org.umberdial.core.evidence.ReceiverSaid;
import org.umberdial.core.tuning.Band;
import org.umberdial.core.tuning.SCurve;

class AlignmentTest {
    private static final List<Band> BANDS = List.of(
            new Band(new BandSaid("MW", 520, 1620, 460, true)),
            new Band(new BandSaid("FM", 87_500, 100_000, 10_700, true)));
    private static final ReceiverSaid RECEIVER = new ReceiverSaid(
            ReceiverSaid.Kind.SUPERHET, 2, 2, ReceiverSaid.Detector.RATIO, Set.of(ReceiverSaid.Has.TRAP));
    private static final GearSaid GEAR = new GearSaid(GearSaid.Generator.AM_FM, GearSaid.Meter.OUTPUT, false);

    /** Seeds that nothing else uses. */
    @ParameterizedTest
    @ValueSource(
            longs = {
                7001, 7002, 7003, 7004, 7005, 7006, 7007, 7008, 7009, 7010,
                7011, 7012, 7013, 7014, 7015, 7016, 7017, 7018, 7019, 7020
            })
    void whoFollowsThePlan_endsInTune(long seed) {
        SimulatedReceiver set = new SimulatedReceiver(RECEIVER, BANDS, seed);
        new Aligner(set).follow(AlignmentPlan.of(RECEIVER, GEAR, BANDS, false, Map.of()));
        for (int can = 1; can <= 2; can++) {
            assertEquals(460e3, set.canHertz(false, can), 1000, "AM can " + can);
            assertEquals(10.7e6, set.canHertz(true, can), 20e3, "FM can " + can);
        }
        SCurve s = s(set);
        assertTrue(s.right(), () -> s.says() + " " + s.zero());
        assertEquals(10.7e6, s.zero().orElseThrow(), 20e3);
        for (Band band : BANDS) {
            for (double dial : band.points()) {
                assertEquals(1000 * dial, set.comesIn(band.said().name(), 1000 * dial), 10 * dial, band + " " + dial);
            }
        }
    }

    private static SCurve s(SimulatedReceiver set) {
        List<double[]> readings = new ArrayList<>();
        for (double kilo = 10_400; kilo <= 11_000; kilo += 25) {
            double volts = set.shown(new Generator(Feed.LAST_IF, 1000 * kilo, 0.003), "", 0)
                    .balance();
            readings.add(new double[] {1000 * kilo, Aligner.digits(volts)});
        }
        return SCurve.of(readings, 10.7e6);
    }
}
