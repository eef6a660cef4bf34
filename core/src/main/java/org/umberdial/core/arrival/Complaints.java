package org.umberdial.core.arrival;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.umberdial.core.evidence.Control;
import org.umberdial.core.evidence.ControlFound;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.Told;
import org.umberdial.core.role.Symptom;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Extra;

/**
 * What the owner said and what was seen, and what to ask before any test.
 *
 * @param told in the order it was said
 * @param questions what to ask or look at first, the controls before anything else
 */
public record Complaints(List<Heard> told, List<String> questions) {
    /**
     * One complaint.
     *
     * @param id of its journal entry
     */
    public record Heard(String id, Told told, java.util.Optional<Symptom> symptom) {}

    public static Complaints of(ConstructionClass construction, Set<Extra> extras, EvidenceLog journal) {
        List<Heard> told = journal.standing(Told.class).stream()
                .map(s -> new Heard(s.id(), s.fact(), Symptom.of(s.fact().symptom())))
                .toList();
        List<String> questions = new ArrayList<>();
        if (told.stream().anyMatch(heard -> heard.symptom().map(Symptom::dead).orElse(false))) {
            questions.addAll(controls(
                    construction,
                    extras,
                    journal.standing(ControlFound.class).stream()
                            .map(EvidenceLog.Standing::fact)
                            .toList()));
        }
        told.forEach(heard -> heard.symptom()
                .map(Symptom::firstAsk)
                .filter(ask -> !questions.contains(ask))
                .ifPresent(questions::add));
        return new Complaints(told, List.copyOf(questions));
    }

    /** A wrong position looks like a dead set: what is known of each control that can do that, then what is not. */
    private static List<String> controls(ConstructionClass construction, Set<Extra> extras, List<ControlFound> found) {
        List<String> questions = new ArrayList<>();
        for (ControlFound control : found) {
            if (control.control().silences()) {
                questions.add("The " + control.named() + " was found at " + control.position()
                        + ": does the set play from there? Try its other positions first.");
            }
        }
        boolean player = construction.player() || !extras.isEmpty();
        for (Control control :
                Arrays.stream(Control.values()).filter(Control::silences).toList()) {
            boolean noted = found.stream().anyMatch(f -> f.control() == control);
            boolean has = switch (control) {
                case SPEED -> player;
                case PHONO, BAND -> !construction.player();
                case SELECTOR -> construction.transformer();
                case STANDBY -> construction.transformer() || !construction.lineFed();
                default -> true;
            };
            if (has && !noted && (control != Control.VOLUME && control != Control.POWER)) {
                questions.add("Nothing is noted of a " + control.label() + ": is there one, and where does it stand?");
            }
        }
        return questions;
    }
}
