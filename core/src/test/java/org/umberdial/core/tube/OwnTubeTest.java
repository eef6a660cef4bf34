package org.umberdial.core.tube;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.umberdial.core.value.InvalidEntry;

class OwnTubeTest {
    private static final Map<String, String> TRIODE = Map.of(
            "section",
            "triode",
            "Va",
            "200",
            "Vg1",
            "\u22123",
            "Ia_mA",
            "4,5",
            "gm_mA_V",
            "2.5",
            "rp_kohm",
            "12",
            "heater_V",
            "6.3",
            "heater_A",
            "0.3",
            "pinout",
            "1=g 2=k 3=h 4=h 5=p");

    private static OwnTube with(String column, String cell) {
        Map<String, String> row = new java.util.HashMap<>(TRIODE);
        row.put(column, cell);
        return OwnTube.of("xy 9", List.of(row));
    }

    @Test
    void aShopsType_isKnownByItsNameAndDrawsWhatItsSheetSays() {
        OwnTube tube = OwnTube.of("xy 9", List.of(TRIODE));
        assertEquals("XY9", tube.name());
        assertEquals(List.of(), tube.says());
        TubeData shop = TubeData.shipped().with(List.of(tube));
        double[] out = new double[3];
        new TubeModels(shop).model("XY9_T").orElseThrow().triode().orElseThrow().plate(-3, 200, out);
        assertEquals(4.5e-3, out[0], 0.1e-3);
        assertEquals(2.5e-3, out[1], 0.1e-3);
        assertFalse(shop.type("XY9").orElseThrow().isUnsure());
    }

    @Test
    void theFile_bringsBackWhatItTook() {
        OwnTube tube = with("note", "from a \"loose\" leaf, 2nd edition");
        assertEquals(List.of(tube), OwnTube.read(OwnTube.csv(List.of(tube))));
    }

    @Test
    void figuresOfTwoTubes_areSaidAndAccuseNobody() {
        OwnTube slipped = with("mu", "70");
        assertTrue(
                slipped.says().get(0).contains("is 30, not 70"), slipped.says().toString());
        assertTrue(slipped.type().isUnsure());
        assertTrue(with("Vg1", "3").says().get(0).contains("positive"));
        OwnTube guess = OwnTube.of("XY9", List.of(Map.of("section", "triode", "Va", "200", "Vg1", "-3", "Ia_mA", "4")));
        assertTrue(
                guess.says().stream().anyMatch(said -> said.contains("a guess")),
                guess.says().toString());
        assertTrue(guess.type().isUnsure());
    }

    @Test
    void onlyPinsAndHeater_areSaidToBeThat() {
        OwnTube tube = OwnTube.of("99Z9", List.of(Map.of("heater_V", "6.3", "heater_A", "0.3", "class", "output")));
        assertFalse(tube.type().hasLaw());
        assertEquals(2, tube.says().size());
        assertEquals(TubeUse.OUTPUT, tube.type().use());
    }

    @Test
    void aCellThatCannotBeTaken_isNamedByPointAndColumn() {
        Map.of(
                        "Ia_mA",
                        "1,200",
                        "Vg1",
                        "x",
                        "heater_V",
                        "900",
                        "pinout",
                        "grid cathode",
                        "section",
                        "nonode",
                        "class",
                        "gun",
                        "Va",
                        "")
                .forEach((column, cell) -> {
                    InvalidEntry refused = assertThrows(InvalidEntry.class, () -> with(column, cell), column);
                    assertEquals("1/" + column, refused.field());
                });
        assertEquals(
                "type",
                assertThrows(InvalidEntry.class, () -> OwnTube.of("", List.of(TRIODE)))
                        .field());
    }

    /** Whatever ships can be the start of a shop's own, and then draws what it drew. */
    @Test
    void everyShippedType_canBeTheShopsOwn_andIsTheSame() {
        for (TubeType type : TubeData.shipped().types()) {
            OwnTube own = OwnTube.of(type.name(), OwnTube.from(type).rows());
            assertEquals(type.use(), own.type().use(), type.name());
            assertEquals(type.pinout(), own.type().pinout(), type.name());
            assertEquals(type.hasLaw(), own.type().hasLaw(), type.name());
            assertTrue(
                    own.says().stream().noneMatch(said -> said.contains("slip")),
                    () -> type.name() + ": " + own.says());
            assertEquals(
                    TubeSystem.of(type).stream().map(TubeSystem::section).toList(),
                    TubeSystem.of(own.type()).stream().map(TubeSystem::section).toList(),
                    type.name());
        }
    }
}
