package org.umberdial.core.arrival;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.umberdial.core.caution.Cautions;
import org.umberdial.core.evidence.Control;
import org.umberdial.core.evidence.ControlFound;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.Looked;
import org.umberdial.core.evidence.TaskDone;
import org.umberdial.core.evidence.Told;
import org.umberdial.core.role.Symptom;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Extra;

class InspectionTest {
    private static final String BRIDGED = "fuse-bridged-by-wire";

    @Test
    void everyRowNamesACautionAndAJobThatExist() {
        for (InspectionRow row : InspectionRow.all()) {
            assertTrue(row.caution().isEmpty() || Cautions.of(row.caution()) != null);
            assertTrue(Estimates.of(row.job()) != null, row.id());
        }
        assertEquals(
                InspectionRow.all().size(),
                InspectionRow.all().stream().map(InspectionRow::id).distinct().count());
    }

    @ParameterizedTest
    @EnumSource(ConstructionClass.class)
    void everyClassHasItsWalkAndItsDangers(ConstructionClass construction) {
        Inspection walk = Inspection.of(construction, Set.of(), new EvidenceLog(List.of()));
        assertTrue(walk.areas().size() > 15, construction.name());
        assertEquals("before opening", walk.nextArea().orElseThrow().name());
        assertFalse(Inspection.dangers(construction, Set.of(), walk).isEmpty());
        assertEquals(
                construction == ConstructionClass.VIBRATOR,
                walk.areas().stream().anyMatch(area -> area.name().equals("vibrator")));
        assertEquals(
                construction.player(),
                walk.areas().stream().anyMatch(area -> area.name().equals("idler")));
    }

    @Test
    void aCombinationBringsItsOwnAreas() {
        Inspection walk =
                Inspection.of(ConstructionClass.MAINS_TRANSFORMER, Set.of(Extra.PLAYER), new EvidenceLog(List.of()));
        assertTrue(walk.areas().stream().anyMatch(area -> area.name().equals("idler")));
        assertTrue(Inspection.dangers(ConstructionClass.MAINS_TRANSFORMER, Set.of(Extra.PLAYER), walk)
                .contains(Cautions.of("motor_pinch")));
    }

    @Test
    void aFindingRaisesItsDangerAndItsTaskUntilItIsDone() {
        Book book = new Book().add(looked("fuse", BRIDGED)).add(looked("switch", ""));
        Inspection walk = Inspection.of(ConstructionClass.SERIES_STRING, Set.of(), book.journal());
        assertEquals(
                List.of("find the fault, compute and fit the right fuse"),
                walk.stops().stream().map(f -> f.row().followUp()).toList());
        assertTrue(Inspection.dangers(ConstructionClass.SERIES_STRING, Set.of(), walk)
                .contains(Cautions.of("fuse_bridge")));
        assertTrue(walk.areas().stream()
                .filter(area -> area.name().equals("switch"))
                .findFirst()
                .orElseThrow()
                .fine());
        Inspection later = Inspection.of(
                ConstructionClass.SERIES_STRING,
                Set.of(),
                book.add(new TaskDone("e1", "fuse", "630 mA slow")).journal());
        assertTrue(later.stops().isEmpty());
        assertEquals(Optional.of("630 mA slow"), later.findings().get(0).done());
    }

    @Test
    void aDeadSetIsAskedAboutItsControlsFirst() {
        Symptom dead = Symptom.all().stream().filter(Symptom::dead).findFirst().orElseThrow();
        Book book = new Book()
                .add(new Told(dead.id(), "silent since the move", true))
                .add(new ControlFound(Control.PHONO, "", "phono", false, Optional.empty()));
        List<String> questions = Complaints.of(ConstructionClass.MAINS_TRANSFORMER, Set.of(), book.journal())
                .questions();
        assertEquals(
                "The phono / radio switch was found at phono: does the set play from there? Try its other "
                        + "positions first.",
                questions.get(0));
        assertTrue(questions.get(1).contains("band switch"), questions.toString());
        assertEquals(dead.firstAsk(), questions.get(questions.size() - 1));
    }

    @Test
    void theWeightsOfASymptomAddUp() {
        for (Symptom symptom : Symptom.all()) {
            assertEquals(
                    1,
                    symptom.roles().stream()
                            .mapToDouble(Symptom.RoleFault::weight)
                            .sum(),
                    0.025,
                    symptom.words());
        }
        assertEquals(
                Symptom.all().size(),
                Symptom.all().stream().map(Symptom::id).distinct().count());
    }

    static Looked looked(String area, String finding) {
        return new Looked(area, finding, finding, "", "", Optional.empty());
    }
}
