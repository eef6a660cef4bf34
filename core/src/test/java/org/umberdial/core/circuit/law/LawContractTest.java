package org.umberdial.core.circuit.law;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeFalse;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.umberdial.core.tube.TubeModel;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.core.tube.TubeType;

/**
 * What every law owes the solver, for every type that ships: slopes that are slopes, finite at absurd voltages, no free
 * energy.
 */
class LawContractTest {
    /** A law with its controls; the last control is the electrode whose current is meant. */
    private record Law(String name, int controls, Currents currents) {}

    /** Fills currents and slopes, each current followed by its slopes. */
    private interface Currents {
        double[] at(double... volts);
    }

    static Stream<Law> laws() {
        List<Law> laws = new ArrayList<>();
        for (TubeType type : TubeModels.shipped().data().types()) {
            TubeModel model = TubeModels.shipped().model(type.name()).orElseThrow();
            model.triode()
                    .ifPresent(law -> laws.add(new Law(type.name() + " triode", 2, v -> {
                        double[] out = new double[3];
                        law.plate(v[0], v[1], out);
                        return out;
                    })));
            model.pentode()
                    .ifPresent(law -> laws.add(new Law(type.name() + " pentode", 3, v -> {
                        double[] out = new double[8];
                        law.currents(v[0], v[1], v[2], out);
                        return out;
                    })));
            model.heptode()
                    .ifPresent(law -> laws.add(new Law(type.name() + " heptode", 4, v -> {
                        double[] out = new double[10];
                        law.currents(v[0], v[1], v[2], v[3], 1, out);
                        return out;
                    })));
            model.rectifier().ifPresent(law -> laws.add(conductor(type.name() + " rectifier", law)));
        }
        laws.add(conductor("grid", TubeModel.GRID));
        laws.add(conductor("silicon", JunctionLaw.diode(2e-9, 1.8)));
        laws.add(conductor("selenium", JunctionLaw.selenium(6)));
        laws.add(conductor("zener", JunctionLaw.diode(1e-9, 1.2).breakingDown(1.6, 1e-3)));
        laws.add(conductor("neon", GlowLaw.published(1.5, 0.7, 1e-3, 2e-3, 0.2, true)));
        laws.add(new Law("germanium PNP", 2, v -> {
            double[] out = new double[6];
            new BipolarLaw(true, 1e-6, 50, 10, 2e-6).currents(v[0] / 20, -v[1] / 20, out);
            return new double[] {out[0], out[1] / 20, -out[2] / 20, out[3], out[4] / 20, -out[5] / 20};
        }));
        return laws.stream();
    }

    private static Law conductor(String name, Conductor law) {
        return new Law(name, 1, v -> {
            double[] out = new double[2];
            law.evaluate(v[0], 1, out);
            return out;
        });
    }

    private static final double[][] ORDINARY = {
        {-2, 100, 250, 200}, {-0.4, 60, 30, 90}, {-9, 180, 170, 160}, {0.3, 45, 80, 70}
    };

    private static double[] controls(Law law, double[] from) {
        return switch (law.controls()) {
            case 1 -> new double[] {from[0] / 4 + 0.6};
            case 2 -> new double[] {from[0], from[2]};
            case 3 -> new double[] {from[0], from[1], from[2]};
            default -> new double[] {from[0], -1, from[1], from[3]};
        };
    }

    @ParameterizedTest
    @MethodSource("laws")
    void slopes_agreeWithFiniteDifferences(Law law) {
        for (double[] point : ORDINARY) {
            double[] at = controls(law, point);
            double[] out = law.currents().at(at);
            int block = law.controls() + 1;
            for (int current = 0; current * block < out.length; current++) {
                for (int k = 0; k < law.controls(); k++) {
                    double step = 1e-4;
                    double[] up = at.clone();
                    double[] down = at.clone();
                    up[k] += step;
                    down[k] -= step;
                    double difference = (law.currents().at(up)[current * block]
                                    - law.currents().at(down)[current * block])
                            / (2 * step);
                    assertEquals(
                            difference,
                            out[current * block + 1 + k],
                            2e-5 * Math.abs(difference) + 1e-9,
                            law.name() + " current " + current + " by control " + k);
                }
            }
        }
    }

    @ParameterizedTest
    @MethodSource("laws")
    void absurdVoltages_giveFiniteCurrents(Law law) {
        for (double grid : new double[] {-1e4, -300, 0, 50, 1e4}) {
            for (double other : new double[] {-1e4, -1, 0, 1e-9, 1e4}) {
                for (double value : law.currents().at(controls(law, new double[] {grid, other, other, other}))) {
                    assertTrue(Double.isFinite(value), law.name() + " at " + grid + ", " + other);
                }
            }
        }
    }

    @ParameterizedTest
    @MethodSource("laws")
    void noElectrode_givesEnergyAway(Law law) {
        assumeFalse(law.name().contains("PNP"), "a collector may give back what the base puts in");
        for (double[] point : ORDINARY) {
            double[] at = controls(law, point);
            double[] out = law.currents().at(at);
            if (law.controls() == 1 && at[0] > -1.5 && at[0] < 0) {
                continue; // a hot cathode's own emission against a fraction of a volt: the contact potential
            }
            assertTrue(out[0] * at[at.length - 1] >= -1e-6, law.name() + " drives current against its own voltage");
        }
    }

    @ParameterizedTest
    @MethodSource("laws")
    void moreNegativeGrid_neverRaisesTheCurrent(Law law) {
        if (law.controls() < 2) {
            return;
        }
        double before = Double.MAX_VALUE;
        for (double grid = 1; grid > -60; grid -= 0.5) {
            double[] at = controls(law, new double[] {grid, 100, 250, 250});
            double now = law.currents().at(at)[0];
            assertTrue(now <= before * (1 + 1e-12), law.name() + " at " + grid + " V");
            before = now;
        }
    }

    @Test
    void aPentodeWithItsPlateOpen_sendsAllSpaceCurrentToTheScreen() {
        PentodeLaw law =
                TubeModels.shipped().model("EL84").orElseThrow().pentode().orElseThrow();
        double[] out = new double[8];
        law.space(-7.3, 250, out);
        double both = out[0];
        law.currents(-7.3, 250, 0, out);
        assertEquals(0, out[0]);
        assertEquals(both, out[4], 1e-12);
    }

    @Test
    void aTungstenFilament_followsItsPowerLaw() {
        Filament lamp = Filament.lamp(120, 0.5);
        double ohms = 60 / (0.5 * Math.pow(0.5, 0.55));
        assertEquals(60 * 60 / ohms / lamp.ratedWatts(), lamp.warmthAt(ohms), 0.001, "I ~ V^0.55");
        assertEquals(240.0 / 13, lamp.ohms(0), 0.2, "a thirteenth when cold");
        assertEquals(1, Filament.emission(1), 1e-9);
        assertEquals(0, Filament.emission(0.05));
        assertTrue(Filament.emission(0.8) > 0.94 && Filament.emission(0.4) < 0.3);
    }
}
