package org.umberdial.core.tube;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TubeDataTest {
    private final TubeData data = TubeData.shipped();

    @Test
    void mainPoint_isInSiUnits() {
        TubePoint point = data.mainPoint("12AV6_T", Section.TRIODE).orElseThrow();
        assertEquals(62.5e3, point.plateOhms().orElseThrow());
        assertEquals(1.6e-3, point.transconductanceSiemens().orElseThrow(), 1e-12);
        assertEquals(1.2e-3, point.plateAmperes().orElseThrow(), 1e-12);
    }

    @Test
    void amplificationFactor_agreesWithItsSlopes() {
        for (String type : new String[] {"12AV6", "6SN7", "ECC82", "6SL7", "ECC81"}) {
            TubePoint point = data.mainPoint(type, Section.TRIODE).orElseThrow();
            double mu = point.plateOhms().orElseThrow()
                    * point.transconductanceSiemens().orElseThrow();
            assertTrue(mu > 10 && mu < 110, type + " " + mu);
        }
    }

    @Test
    void rectifiers_areTold() {
        assertTrue(data.isRectifier("35W4_D") && data.isRectifier("EZ80"));
        assertFalse(data.isRectifier("12AV6_D"));
        assertFalse(data.knows("99ZZ9"));
    }

    @ParameterizedTest
    @CsvSource({
        "T,3,TRIODE",
        "P,4,PENTODE",
        "X,5,HEPTODE",
        "D,2,DIODE",
        "H,3,TAPPED_HEATER",
        "'',3,TRIODE",
        "'',4,PENTODE",
        "H,2,HEATER"
    })
    void sectionOfACard_followsFromSuffixAndNodes(String suffix, int nodes, Section section) {
        assertEquals(section, Section.of(suffix, nodes).orElseThrow());
        assertTrue(Section.of("P", 9).isEmpty());
    }

    @Test
    void threeNodes_areATriodeOrTheTwoPlatesOfARectifier() {
        assertEquals(Section.TRIODE, data.section("12AV6", 3).orElseThrow());
        assertEquals(Section.FULL_WAVE, data.section("EZ80", 3).orElseThrow());
        assertEquals(Section.TAPPED_HEATER, data.section("35W4_H", 3).orElseThrow());
    }

    @Test
    void aBulbsSuffix_meansTheTypeItself_notTheRelativeThatListsIt() {
        for (String type : new String[] {"6SN7", "6F6", "6K8", "1N5", "3Q5", "35Z4", "6J8"}) {
            assertEquals(
                    type, TubeData.shipped().type(type + "GT").orElseThrow().name());
            assertEquals(type, TubeData.shipped().type(type + "G").orElseThrow().name());
        }
    }
}
