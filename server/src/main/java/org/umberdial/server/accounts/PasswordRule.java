package org.umberdial.server.accounts;

import com.nulabinc.zxcvbn.Strength;
import com.nulabinc.zxcvbn.Zxcvbn;
import java.util.List;
import org.umberdial.core.value.InvalidEntry;

/** Length and guessability decide, not kinds of characters (NIST SP 800-63B, 3.1.1.2). */
final class PasswordRule {
    private static final int SHORTEST = 10;
    private static final int LONGEST = 200;
    /** On the library's scale of 0 to 4: more than 10^8 guesses. */
    private static final int SCORE = 3;
    /** Longer ones are judged by their beginning: the judgement's cost grows with the square of the length. */
    private static final int JUDGED = 64;

    private final Zxcvbn judge = new Zxcvbn();

    /**
     * Takes a password or says what is wrong with it.
     *
     * @param known words that make a bad password here: the person's name, the shop's
     * @throws InvalidEntry too short, too long, or easily guessed
     */
    void check(String password, List<String> known) {
        if (password.length() < SHORTEST) {
            throw refused(InvalidEntry.Code.OUT_OF_RANGE, "A password has at least " + SHORTEST + " characters; four unrelated words are good and easy to keep in mind.");
        }
        if (password.length() > LONGEST) {
            throw refused(InvalidEntry.Code.OUT_OF_RANGE, "A password has at most " + LONGEST + " characters.");
        }
        Strength strength = judge.measure(password.substring(0, Math.min(JUDGED, password.length())), known);
        if (strength.getScore() < SCORE) {
            String reason = strength.getFeedback().getWarning();
            throw refused(InvalidEntry.Code.OUT_OF_RANGE, "This password is easily guessed" + (reason.isBlank() ? "" : ": " + Character.toLowerCase(reason.charAt(0)) + reason.substring(1).replaceAll("\\.$", "")) + ". Four unrelated words are better.");
        }
    }

    private static InvalidEntry refused(InvalidEntry.Code code, String sentence) {
        return new InvalidEntry(code, sentence).at("password");
    }
}
