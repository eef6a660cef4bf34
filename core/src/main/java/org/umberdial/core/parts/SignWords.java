package org.umberdial.core.parts;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.umberdial.core.evidence.Sign;
import org.umberdial.core.set.Part;
import org.umberdial.core.value.InvalidEntry;

/** The words of the strip that say what a tester without figures shows, and what was seen. */
final class SignWords {
    private static final Map<String, Sign> WORDS = Map.ofEntries(
            Map.entry("falling", Sign.FALLING),
            Map.entry("rising", Sign.RISING),
            Map.entry("formed", Sign.FORMED),
            Map.entry("unformed", Sign.UNFORMED),
            Map.entry("reversed", Sign.REVERSED),
            Map.entry("warm", Sign.WARM),
            Map.entry("eye opens", Sign.EYE_OPENS),
            Map.entry("eye open", Sign.EYE_OPENS),
            Map.entry("eye slow", Sign.EYE_SLOW),
            Map.entry("eye indistinct", Sign.EYE_INDISTINCT),
            Map.entry("eye shut", Sign.EYE_SHUT),
            Map.entry("eye closed", Sign.EYE_SHUT),
            Map.entry("lamp dark", Sign.LAMP_DARK),
            Map.entry("lamp flashes", Sign.LAMP_FLASHES),
            Map.entry("lamp lit", Sign.LAMP_LIT),
            Map.entry("good", Sign.TESTED_GOOD),
            Map.entry("weak", Sign.TESTED_WEAK),
            Map.entry("doubtful", Sign.TESTED_WEAK),
            Map.entry("bad", Sign.TESTED_BAD),
            Map.entry("short", Sign.SHORT),
            Map.entry("shorted", Sign.SHORT),
            Map.entry("gas", Sign.GAS),
            Map.entry("gassy", Sign.GAS),
            Map.entry("arcs", Sign.ARCS),
            Map.entry("arc", Sign.ARCS),
            Map.entry("heater open", Sign.HEATER_OPEN),
            Map.entry("sister", Sign.SISTER_SETTINGS),
            Map.entry("swap cures", Sign.SWAP_CURES),
            Map.entry("swap returns", Sign.SWAP_RETURNS),
            Map.entry("swap same", Sign.SWAP_SAME));

    private SignWords() {}

    /** What a word says; empty when it is none of these. */
    static Optional<Sign> of(String word) {
        return Optional.ofNullable(WORDS.get(word.toLowerCase(Locale.ROOT).replace('_', ' ')));
    }

    /** @throws InvalidEntry when it is said of another kind of part */
    static void requireFits(Part part, Sign sign, String word) {
        if (sign.ofTube() != PartsBench.isTube(part)) {
            throw new InvalidEntry(
                    InvalidEntry.Code.SYNTAX,
                    "“" + word.replace('_', ' ') + "” is said of " + (sign.ofTube() ? "a tube" : "a capacitor") + "; "
                            + part.reference() + " is none.");
        }
    }

    /**
     * @param scale whether a tester's figure stands beside them
     * @throws InvalidEntry for words of which one takes the other back
     */
    static void requireAgree(Set<Sign> signs, boolean scale) {
        long shown = signs.stream().filter(Sign::shownByEyeOrLamp).count();
        boolean formed = signs.containsAll(Set.of(Sign.FORMED, Sign.UNFORMED));
        boolean drifting = signs.containsAll(Set.of(Sign.FALLING, Sign.RISING));
        long tested = signs.stream().filter(Sign::testerSays).count() + (scale ? 1 : 0);
        if (shown > 1 || formed || drifting || tested > 1) {
            throw new InvalidEntry(
                    InvalidEntry.Code.AMBIGUOUS,
                    "These words cannot hold together; keep the one that is so, and leave the other out.");
        }
    }
}
