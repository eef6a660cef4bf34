package org.umberdial.core.caution;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.umberdial.core.set.ConstructionClass;

class CautionsTest {
    @ParameterizedTest
    @EnumSource
    void everyClass_hasShortCautionsWithAGraveOneFirst(ConstructionClass construction) {
        assertTrue(Cautions.underPower(construction).size() >= 2);
        Cautions.underPower(construction)
                .forEach(caution -> assertTrue(caution.text().split("\\s+").length <= 30, caution.id()));
        assertTrue(Cautions.underPower(construction).get(0).level() != Caution.Level.CARE);
    }

    @Test
    void liveChassis_leadsWithIsolation() {
        assertEquals(
                "live_chassis",
                Cautions.underPower(ConstructionClass.SERIES_STRING).get(0).id());
        assertThrows(IllegalArgumentException.class, () -> Cautions.of("none such"));
    }
}
