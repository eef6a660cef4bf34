package org.umberdial.core.cold;

import java.util.List;
import java.util.Optional;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.procedure.BenchForm.Block;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.value.Unit;

/** Every resistor against what the network should show. */
final class ResistorsTool implements ColdTool {
    @Override
    public List<Block> blocks(ColdScene scene, Figures figures) {
        return List.of(new Block(
                "Resistors",
                "Where the network hides the part, a lead must be lifted; the line says so.",
                PartTools.lines(
                        scene,
                        scene.roles().of(Role.RESISTOR),
                        s -> List.of(
                                Cell.figure(
                                        "o." + s,
                                        "",
                                        Unit.OHM,
                                        InCircuit.of(scene, s)
                                                .map(InCircuit::says)
                                                .orElse("")),
                                Cell.yesNo("l." + s, "lead lifted").asAside()))));
    }

    @Override
    public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
        return PartTools.sum(
                scene,
                claims,
                figures,
                "Read across each resistor, settled, both ways round.",
                "Drifted up is proof: paths beside a part only lower a reading.",
                (subject, f) -> f.ohms("o." + subject).isEmpty()
                        ? Optional.empty()
                        : InCircuit.of(scene, subject)
                                .map(at -> at.judge(f.ohms("o." + subject).getAsDouble(), f.yes("l." + subject)))
                                .map(j -> new PartTools.One(
                                        j.word(),
                                        ColdTool.ohms(f.ohms("o." + subject).getAsDouble()),
                                        j.reason())));
    }
}
