package org.umberdial.core.tube;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.umberdial.core.value.InvalidEntry;

class TubeFitTest {
    private record Miss(String point, double plate, double screen) {
        double worst() {
            return Math.max(Math.abs(plate) * 1.5, Math.abs(screen));
        }
    }

    private static List<Miss> misses() {
        List<Miss> misses = new ArrayList<>();
        for (TubeType type : TubeData.shipped().types()) {
            TubeModel model = TubeModels.shipped().model(type.name()).orElseThrow();
            for (TubePoint point : type.points()) {
                double[] out = new double[10];
                double vg = point.gridVolts().orElse(0);
                double vs = point.screenVolts().orElse(0);
                double vp = point.plateVolts().orElse(0);
                int screen;
                switch (point.kind()) {
                    case "triode" -> {
                        model.triode().orElseThrow().plate(vg, vp, out);
                        screen = -1;
                    }
                    case "pentode", "beam" -> {
                        model.pentode().orElseThrow().currents(vg, vs, vp, out);
                        screen = 4;
                    }
                    case "heptode" -> {
                        model.heptode()
                                .orElseThrow()
                                .currents(vg, point.grid3Volts().orElse(0), vs, vp, 1, out);
                        screen = 5;
                    }
                    default -> {
                        continue;
                    }
                }
                double plateMiss = point.plateAmperes().isPresent()
                        ? out[0] / point.plateAmperes().getAsDouble() - 1
                        : 0;
                double screenMiss = screen > 0 && point.screenAmperes().isPresent()
                        ? out[screen] / point.screenAmperes().getAsDouble() - 1
                        : 0;
                misses.add(
                        new Miss(type.name() + " " + point.kind() + " point " + point.number(), plateMiss, screenMiss));
            }
        }
        return misses;
    }

    @Test
    void everyPublishedPoint_isMetWithinTenPerCent_theScreenWithinFifteen() {
        List<Miss> misses = misses();
        misses.stream()
                .sorted(Comparator.comparingDouble(Miss::worst).reversed())
                .limit(10)
                .forEach(miss -> System.out.printf(
                        "%-28s plate %+.1f %%  screen %+.1f %%%n",
                        miss.point(), 100 * miss.plate(), 100 * miss.screen()));
        assertTrue(misses.size() > 800);
        misses.forEach(
                miss -> assertTrue(Math.abs(miss.plate()) < 0.10 && Math.abs(miss.screen()) < 0.15, miss.toString()));
    }

    @Test
    void aHighMuTriode_isMetInCurrentAndSlopeTogether() {
        double[] out = new double[3];
        TubeModels.shipped().model("12AX7").orElseThrow().triode().orElseThrow().plate(-2, 250, out);
        assertEquals(1.2e-3, out[0], 0.012e-3);
        assertEquals(1.6e-3, out[1], 0.05e-3);
    }

    @Test
    void atLeast550Types_carryWhatABenchNeeds() {
        List<TubeType> types =
                TubeData.shipped().types().stream().filter(TubeType::hasLaw).toList();
        assertTrue(types.size() >= 550, types.size() + " types with a law");
        assertTrue(TubeData.shipped().names() >= 900, TubeData.shipped().names() + " names");
        for (TubeType type : types) {
            assertTrue(
                    type.use() == TubeUse.GAS_RECTIFIER
                            || type.heaterVolts().isPresent()
                                    && type.heaterAmperes().isPresent(),
                    type.name());
            assertTrue(type.warmUpSeconds() > 0 && !type.warmUp().isEmpty(), type.name());
            assertTrue(
                    !type.isRectifier()
                            || type.limits().dropVolts().isPresent()
                                    && type.limits().rectifierAmperes().isPresent(),
                    type.name());
        }
        assertEquals(
                "ECC83",
                TubeData.shipped().type("12AX7_T").orElseThrow().sisters().get(0));
    }

    @Test
    void aShop_addsATypeAsData() {
        TubeData shop = TubeData.shipped()
                .with(OwnTube.read("type,section,point,Va,Vg1,Ia_mA,gm_mA_V,rp_kohm,mu,heater_V,heater_A\nXY9,"
                        + "triode,1,200,-3,4,2.5,12,30,6.3,0.3\n"));
        assertFalse(TubeData.shipped().knows("XY9"));
        double[] out = new double[3];
        new TubeModels(shop).model("XY9_T").orElseThrow().triode().orElseThrow().plate(-3, 200, out);
        assertEquals(4e-3, out[0], 0.1e-3);
        assertTrue(shop.knows("ECC83"));
    }

    @Test
    void aShopsRow_withTextForANumber_isRefusedInASentence() {
        InvalidEntry refused =
                assertThrows(InvalidEntry.class, () -> OwnTube.read("type,section,Va\nXY9,triode,much\n"));
        assertTrue(refused.getMessage().contains("XY9") && refused.getMessage().contains("much"));
    }
}
