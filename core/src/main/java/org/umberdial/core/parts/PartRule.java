package org.umberdial.core.parts;

import java.util.Optional;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.claim.Observation.Word;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.PartDecided;
import org.umberdial.core.parts.Consequences.Consequence;
import org.umberdial.core.parts.PartRow.Kind;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.policy.School;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.set.Part;

/**
 * What happens to a part: what somebody decided comes first, then what proof asks, then the school of the house.
 *
 * @param made what a capacitor in its place now is made of
 * @param decided the last standing decision about it
 * @param lot whether its kind has drifted as a lot
 */
record PartRule(
        Part part,
        Kind kind,
        CapacitorKind made,
        PartState state,
        Optional<Word> word,
        Optional<NetworkRole> role,
        Consequence consequence,
        Place place,
        Optional<Ledger.Replaced> replaced,
        Optional<EvidenceLog.Standing<PartDecided>> decided,
        boolean lot,
        HousePolicy policy) {
    /** @param because a sentence */
    record Answer(Decision decision, String because) {}

    Answer answer() {
        return said().orElseGet(() -> switch (kind) {
            case ELECTROLYTIC, CAPACITOR -> capacitor();
            case RESISTOR -> resistor();
            case TUBE -> tube();
            default -> other();
        });
    }

    private boolean againstTheRule() {
        return place.line() && made != CapacitorKind.SAFETY;
    }

    private Optional<Answer> said() {
        if (replaced.isPresent() && againstTheRule()) {
            return Optional.of(read("It bridges the line, and nobody wrote that what went in is a safety type: "
                    + "look, and write its class when you note it again."));
        }
        if (replaced.isPresent() && word.filter(w -> w == Word.DOUBTED).isPresent()) {
            return Optional.of(read("The new one is in, and its readings do not settle it."));
        }
        if (replaced.isPresent() && !failed()) {
            return Optional.of(new Answer(
                    Decision.IN, replaced.get().standsIn() ? "It stands in for the right one." : "The new one is in."));
        }
        return decided.flatMap(d -> {
            String reason = d.fact().reason().isEmpty()
                    ? "Decided."
                    : "Decided: " + d.fact().reason() + ".";
            return switch (d.fact().choice()) {
                case KEEP -> Optional.of(new Answer(Decision.KEEP_KNOWN, reason));
                case REPLACE -> Optional.of(new Answer(Decision.REPLACE, reason));
                case FORM -> Optional.of(new Answer(Decision.FORM, reason));
                case HOUSE -> Optional.<Answer>empty();
            };
        });
    }

    private boolean failed() {
        return word.filter(w -> w == Word.FAILED).isPresent();
    }

    private static Answer replace(String because) {
        return new Answer(Decision.REPLACE, because);
    }

    private static Answer read(String because) {
        return new Answer(Decision.READ, because);
    }

    private Answer capacitor() {
        if (againstTheRule()) {
            return replace("It bridges the line: a safety type goes in.");
        }
        if (failed()) {
            return replace("It failed: " + state.label() + ".");
        }
        if (state == PartState.CONFLICT) {
            return new Answer(Decision.SETTLE, "Two readings say otherwise.");
        }
        if (made == CapacitorKind.ELECTROLYTIC) {
            return electrolytic();
        }
        if (made.paper()) {
            return policy.schools().follow(School.REPLACE_PAPER)
                    ? replace("Paper and wax go on sight, by the house rule.")
                    : proven("Each is proven first, by the house rule.");
        }
        if (made == CapacitorKind.UNKNOWN) {
            return proven("Its kind is not known: a tube that looks like ceramic may hide paper.");
        }
        return switch (state) {
            case FOOLED, LOW, NOT_AS_MARKED, CANNOT_TELL, FORM_FIRST -> read("Its readings do not settle it.");
            default -> new Answer(Decision.KEEP, "A " + made.label() + " stays unless it is proven bad.");
        };
    }

    private Answer electrolytic() {
        if (policy.schools().follow(School.REPLACE_ELECTROLYTICS)) {
            return replace("Every old electrolytic goes, by the house rule.");
        }
        return switch (state) {
            case GOOD -> new Answer(Decision.KEEP, "It holds, and stays by the house rule.");
            case USABLE -> new Answer(Decision.KEEP_KNOWN, "It holds with more leak than a new one; it is watched.");
            case FORM_FIRST -> new Answer(Decision.FORM, "It is formed before it is judged.");
            default -> read("It stays if it holds; its capacitance and its leak at working volts tell.");
        };
    }

    private Answer proven(String because) {
        return switch (state) {
            case GOOD -> new Answer(Decision.KEEP, "Proven good at its volts.");
            case LOW, NOT_AS_MARKED -> new Answer(Decision.READ, "Its capacitance is not what its mark says.");
            default -> read(because);
        };
    }

    private Answer resistor() {
        if (failed()) {
            boolean benign = policy.schools().follow(School.KEEP_BENIGN)
                    && consequence.solved()
                    && !consequence.overloads()
                    && consequence.moves() < policy.spread();
            return benign
                    ? new Answer(
                            Decision.KEEP_KNOWN,
                            "Out of its tolerance, and it moves nothing beyond the normal spread here.")
                    : replace("It is out of its tolerance.");
        }
        if (lot && policy.schools().follow(School.ALL_OF_A_BOARD)) {
            return replace("Its kind has drifted as a lot; all of them go, by the house rule.");
        }
        if (state == PartState.CONFLICT) {
            return new Answer(Decision.SETTLE, "Two readings say otherwise.");
        }
        return state == PartState.GOOD
                ? new Answer(Decision.KEEP, "It reads within its tolerance.")
                : read("Nobody has proven its value.");
    }

    private Answer tube() {
        if (failed()) {
            return replace("It failed: " + state.label() + ".");
        }
        return switch (state) {
            case CONFLICT -> new Answer(Decision.SETTLE, "Two tests say otherwise.");
            case WEAK, ARCS -> new Answer(Decision.KEEP_KNOWN, "It stays on trial.");
            case GOOD -> new Answer(Decision.KEEP, "Its tester says good.");
            default -> read("Nobody has tested it.");
        };
    }

    private Answer other() {
        if (failed()) {
            return replace("It failed: " + state.label() + ".");
        }
        if (state == PartState.CONFLICT) {
            return new Answer(Decision.SETTLE, "Two readings say otherwise.");
        }
        return state == PartState.GOOD ? new Answer(Decision.KEEP, "It reads right.") : read("Nobody has read it.");
    }
}
