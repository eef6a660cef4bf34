package org.umberdial.core.cold;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.set.Part;

/**
 * What ohms read across a part say of it: the same judgement wherever they were typed, by the test of the cold bench
 * that reads this kind of part.
 *
 * @param claims what they are about; empty when ohms say nothing of this part
 */
public record PartOhms(Verdict verdict, String reason, List<Claim> claims) {
    /** A capacitor that reads less than this with a lead lifted is a wire [Ω]. */
    private static final double DEAD_SHORT = 100;

    /**
     * @param ohms what was read, settled [Ω], not negative
     * @param lifted whether one lead of the part was free
     */
    public static PartOhms of(ColdScene scene, String reference, double ohms, boolean lifted) {
        Optional<Part> part = scene.set().part(reference);
        if (part.isEmpty()) {
            return nothing(reference + " is no part of this set any more.");
        }
        if (part.get().card().letter() == 'C') {
            return capacitor(part.get(), ohms, lifted);
        }
        String subject = part.get().card().kind().equals("heater")
                        || part.get().card().kind().equals("tube")
                ? scene.set().tubeOf(part.get().reference())
                : part.get().reference();
        if (scene.roles().of(Role.FIELD_COIL).contains(subject)) {
            return fieldCoil(scene, subject, ohms);
        }
        return TestRow.all().stream()
                .filter(row -> ColdTests.readsPartsByOhms(row)
                        && ColdTests.claims(scene, row).stream()
                                .anyMatch(c -> c.subject().equals(subject)))
                .findFirst()
                .map(row -> judged(scene, row, subject, ohms, lifted))
                .orElseGet(() -> nothing("No test of the cold bench reads " + reference + " by ohms."));
    }

    private static PartOhms judged(ColdScene scene, TestRow row, String subject, double ohms, boolean lifted) {
        String value = Double.isInfinite(ohms) ? Figures.OPEN : Double.toString(ohms);
        ColdVerdict verdict = ColdTests.judge(
                scene,
                row,
                new Figures(
                        Map.of("o." + PartTools.keeper(scene, subject), value, "l." + subject, lifted ? "yes" : "no")));
        List<Claim> claims = ColdTests.claims(scene, row).stream()
                .filter(c -> c.subject().equals(subject))
                .toList();
        return verdict.results().stream()
                .findFirst()
                .map(r -> new PartOhms(r.word(), sentence(r.value() + ", " + r.note()), claims))
                .orElseGet(() -> nothing("Nothing is known that it could be compared with."));
    }

    private static PartOhms fieldCoil(ColdScene scene, String subject, double ohms) {
        TestRow row = TestRow.of("field-coil").orElseThrow();
        String value = Double.isInfinite(ohms) ? Figures.OPEN : Double.toString(ohms);
        ColdVerdict verdict = ColdTests.judge(scene, row, new Figures(Map.of("cold", value)));
        return new PartOhms(verdict.word(), verdict.sentence(), List.of(new Claim(subject, Aspect.VALUE)));
    }

    private static PartOhms capacitor(Part part, double ohms, boolean lifted) {
        if (lifted && ohms < DEAD_SHORT) {
            return new PartOhms(
                    Verdict.BAD,
                    String.format(Locale.ROOT, "%s with a lead free: shorted.", ColdTool.ohms(ohms)),
                    List.of(new Claim(part.reference(), Aspect.NO_LEAK)));
        }
        return nothing("Ohms say little of a capacitor: they see no leak at its working volts. "
                + "Test its leakage and its capacitance.");
    }

    private static PartOhms nothing(String reason) {
        return new PartOhms(Verdict.NO_EXPECTATION, reason, List.of());
    }

    private static String sentence(String text) {
        String whole = text.replaceAll("[,;:\\s]+$", "");
        return whole.endsWith(".") ? whole : whole + ".";
    }
}
