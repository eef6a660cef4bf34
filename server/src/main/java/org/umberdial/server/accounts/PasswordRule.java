package org.umberdial.server.accounts;

import com.nulabinc.zxcvbn.Strength;
import com.nulabinc.zxcvbn.Zxcvbn;
import com.nulabinc.zxcvbn.matchers.Match;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.umberdial.core.value.InvalidEntry;

/** Length and guessability decide, not kinds of characters (NIST SP 800-63B, 3.1.1.2). */
final class PasswordRule {
    private static final int SHORTEST = 10;
    private static final int LONGEST = 200;
    /** On the library's scale of 0 to 4: more than 10^8 guesses. */
    private static final int SCORE = 3;
    /** Longer ones are judged by their beginning: the judgement's cost grows with the square of the length. */
    private static final int JUDGED = 64;
    /** What a phrase needs: 2^35 tries by somebody who guesses whole words, the common ones first. */
    private static final double PHRASE_BITS = 35;
    /** A letter of English text, rather more than Shannon found (1951). */
    private static final double LETTER_BITS = 2;
    /** A sign that belongs to no word. */
    private static final double LOOSE_SIGN_BITS = 6;

    private final Zxcvbn judge = new Zxcvbn();

    /**
     * Takes a password or says what is wrong with it.
     *
     * @param known words that make a bad password here: the person's name, the shop's
     * @throws InvalidEntry too short, too long, or easily guessed
     */
    void check(String password, List<String> known) {
        if (password.length() < SHORTEST) {
            throw refused("A password has at least " + SHORTEST
                    + " characters; four unrelated words are good and easy to keep in mind.");
        }
        if (password.length() > LONGEST) {
            throw refused("A password has at most " + LONGEST + " characters.");
        }
        String judged = password.substring(0, Math.min(JUDGED, password.length()));
        Strength strength = judge.measure(judged, known);
        if (strength.getScore() < SCORE) {
            String reason = strength.getFeedback().getWarning();
            throw refused("This password is easily guessed"
                    + (reason.isBlank()
                            ? ""
                            : ": " + Character.toLowerCase(reason.charAt(0))
                                    + reason.substring(1).replaceAll("\\.$", ""))
                    + ". Four unrelated words are better.");
        }
        if (password.length() <= JUDGED && phraseBits(judged, known) < PHRASE_BITS) {
            throw refused("This phrase is made of common words, which are guessed first. Four unrelated and less "
                    + "common words are better, like names of things in a drawer.");
        }
    }

    /**
     * The library takes any six words for strong; people write sentences. Each word counts by its rank among the common
     * ones (Shannon's guessing by words), and blanks count nothing. Letters between words that are known are most
     * likely a word too, and count as English does; whatever else there is counts in full.
     */
    private double phraseBits(String password, List<String> known) {
        List<Match> parts = Stream.of(password.toLowerCase(Locale.ROOT).split("[\\s.,;:!?_'’-]+"))
                .filter(word -> !word.isEmpty())
                .flatMap(word -> judge.measure(word, known).getSequence().stream())
                .toList();
        int inWords = parts.stream()
                .filter(part -> part.rank > 0)
                .mapToInt(Match::tokenLength)
                .sum();
        boolean phrase =
                2 * inWords >= parts.stream().mapToInt(Match::tokenLength).sum();
        return parts.stream().mapToDouble(part -> bits(part, phrase)).sum();
    }

    private static double bits(Match part, boolean phrase) {
        if (part.rank > 0) {
            return Math.log(part.rank + 1) / Math.log(2);
        }
        boolean letters = part.token.chars().allMatch(Character::isLetter);
        return part.tokenLength() * (phrase && letters ? LETTER_BITS : LOOSE_SIGN_BITS);
    }

    private static InvalidEntry refused(String sentence) {
        return new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, sentence).at("password");
    }
}
