package org.umberdial.core.cold;

import java.util.List;
import java.util.Optional;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.value.Unit;

/** Every resistor against what the network should show. */
final class ResistorsTool extends PartByPart {
    ResistorsTool() {
        super(
                "Resistors",
                "Where the network hides the part, a lead must be lifted; the line says so.",
                "Read across each resistor, settled, both ways round.",
                "Drifted up is proof: paths beside a part only lower a reading.");
    }

    @Override
    List<String> subjects(ColdScene scene) {
        return scene.roles().of(Role.RESISTOR);
    }

    @Override
    List<Cell> cells(ColdScene scene, String s) {
        return List.of(
                Cell.figure(
                        "o." + s,
                        "",
                        Unit.OHM,
                        InCircuit.of(scene, s).map(InCircuit::says).orElse("")),
                Cell.yesNo("l." + s, "lead lifted").asAside());
    }

    @Override
    Optional<One> one(ColdScene scene, String subject, Figures f) {
        return f.ohms("o." + subject).isEmpty()
                ? Optional.empty()
                : InCircuit.of(scene, subject)
                        .map(at -> at.judge(f.ohms("o." + subject).getAsDouble(), f.yes("l." + subject)))
                        .map(j -> new One(
                                j.word(), ColdTool.ohms(f.ohms("o." + subject).getAsDouble()), j.reason()));
    }
}
