package org.umberdial.core.cold;

import java.util.List;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.set.ConstructionClass;

/** Whether chassis and line are apart, in the few words that stand beside a set's name wherever it is shown. */
public final class Isolation {
    private Isolation() {}

    /** A transformer isolates by design; only its insulation, measured, says that it does. */
    public static String danger(SetFile file) {
        ConstructionClass construction = file.set().construction();
        if (!construction.transformer()) {
            return construction.danger();
        }
        List<String> transformers = ColdArea.scene(file).roles().of(Role.POWER_TRANSFORMER);
        List<Claim> insulation = transformers.stream()
                .map(ref -> new Claim(ref, Aspect.INSULATION))
                .toList();
        if (!insulation.isEmpty() && insulation.stream().allMatch(file.ledger()::sound)) {
            return "Isolated, insulation measured";
        }
        return insulation.stream().anyMatch(file.ledger()::failed)
                ? "Insulation fails: take the chassis as live"
                : construction.danger();
    }

    /** Whether a hand should take the chassis as live. */
    public static boolean live(SetFile file) {
        return file.set().construction().liveChassis()
                || ColdArea.scene(file).roles().of(Role.POWER_TRANSFORMER).stream()
                        .anyMatch(ref -> file.ledger().failed(new Claim(ref, Aspect.INSULATION)));
    }
}
